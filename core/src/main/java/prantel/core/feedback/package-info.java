/** What a candidate is told: drafted from the evidence, edited by an assessor. */
@NullMarked
package prantel.core.feedback;

import org.jspecify.annotations.NullMarked;
