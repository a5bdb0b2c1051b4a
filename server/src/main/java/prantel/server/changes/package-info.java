/** Browsers are told of changes as they happen, so that nothing has to be asked every second. */
@NullMarked
package prantel.server.changes;

import org.jspecify.annotations.NullMarked;
