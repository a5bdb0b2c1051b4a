/**
 * Why a reading is wrong: each known mistake is simulated again and compared with what was written. In: a {@link
 * prantel.core.expectation.Key} and the sheet as written. Out: ranked {@link prantel.core.diagnosis.Explanation}s.
 * States evidence, never a verdict. A new mistake is one class here and one line in {@link
 * prantel.core.diagnosis.Explainer}.
 */
@NullMarked
package prantel.core.diagnosis;

import org.jspecify.annotations.NullMarked;
