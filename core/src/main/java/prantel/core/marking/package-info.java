/**
 * A candidate's record held against the key: findings for each box, proposed marks with their evidence, a proposed
 * outcome. {@link prantel.core.marking.Marker} does it. It proposes; an assessor decides.
 */
@NullMarked
package prantel.core.marking;

import org.jspecify.annotations.NullMarked;
