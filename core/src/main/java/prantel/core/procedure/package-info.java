/**
 * What people do at a rig, as deeds: a set-up is a list of {@link prantel.core.procedure.Action}s, and what is true of the
 * rig then follows from them. The deeds of a set-up, one watched, one forgotten and a mistake are the same actions, done,
 * left out or done wrongly.
 */
@NullMarked
package prantel.core.procedure;

import org.jspecify.annotations.NullMarked;
