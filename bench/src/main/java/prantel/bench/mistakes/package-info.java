/** Candidates' records with known truth, and how well they are explained. */
@NullMarked
package prantel.bench.mistakes;

import org.jspecify.annotations.NullMarked;
