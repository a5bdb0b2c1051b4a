/**
 * Whether a rig with faults may be energised: found by simulating it with the supply on, not by a list alone. Read first
 * {@link prantel.core.safety.SafetyCheck}.
 */
@NullMarked
package prantel.core.safety;

import org.jspecify.annotations.NullMarked;
