/** Watching a candidate at work: what is seen, asked and stopped, beside what the candidate writes. */
@NullMarked
package prantel.server.watching;

import org.jspecify.annotations.NullMarked;
