/**
 * The engine beside a general circuit simulator and a general sparse solver, in one run: {@link prantel.bench.Bench}
 * prints ratios. Not part of the tests; results are kept in {@code docs/performance.md}.
 */
@NullMarked
package prantel.bench;

import org.jspecify.annotations.NullMarked;
