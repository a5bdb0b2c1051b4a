/**
 * What people do at a rig, as deeds with objects: a set-up is a list of {@link prantel.core.procedure.Deed}s. The deeds of
 * a set-up, one watched, one forgotten and a mistake are the same deeds, done, left out or done wrongly. One class says what
 * a deed does to the network, one words it, one keeps what is true of the rig after it, one says what it needs.
 */
@NullMarked
package prantel.core.procedure;

import org.jspecify.annotations.NullMarked;
