/** One bounded store of pure values: keys, explorations, plans, marked sheets. They name the versions they come from. */
@NullMarked
package prantel.server.keys;

import org.jspecify.annotations.NullMarked;
