/** What makes one H2 file a database that can be relied on: its migrations in Java, and commits that are on disk. */
@NullMarked
package prantel.server.database;

import org.jspecify.annotations.NullMarked;
