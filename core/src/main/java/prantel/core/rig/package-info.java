/**
 * What is on the wall, in the trade's words: supply, origin, board, circuits, runs of cable and points. Declared,
 * validated, immutable. {@link prantel.core.rig.RigCompiler} is the one door from here to the network;
 * {@link prantel.core.rig.Places} knows what terminals and branches are called on both sides of that door. Read first
 * {@link prantel.core.rig.Rig}.
 */
@NullMarked
package prantel.core.rig;

import org.jspecify.annotations.NullMarked;
