/**
 * What an assessor works out before setting faults: what every fault would do to the readings of a rig, which sets are
 * fair, which few readings prove a set, and what a rig really has set. Read first {@link
 * prantel.core.setting.Exploration}.
 */
@NullMarked
package prantel.core.setting;

import org.jspecify.annotations.NullMarked;
