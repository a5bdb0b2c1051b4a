/**
 * The sequence of tests as data: which readings a rig and a scheme ask for, in order, each with its set-up and probes.
 * {@link prantel.core.sequence.SlotPlan} makes them from a rig; {@link prantel.core.sequence.Scheme} holds what an
 * assessor's school decides.
 */
@NullMarked
package prantel.core.sequence;

import org.jspecify.annotations.NullMarked;
