/** How an assessment is conducted: what is ticked, when the clock stands still, who watches, with which instrument. */
@NullMarked
package prantel.server.conduct;

import org.jspecify.annotations.NullMarked;
