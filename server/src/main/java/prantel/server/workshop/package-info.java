/** What stands in the workshop: bays, and rigs and testers as immutable versions of their files. */
@NullMarked
package prantel.server.workshop;

import org.jspecify.annotations.NullMarked;
