/** Prepare, Set and Clear: choosing faults, seeing what they do, proving them set, proving the rig healthy. */
@NullMarked
package prantel.server.setting;

import org.jspecify.annotations.NullMarked;
