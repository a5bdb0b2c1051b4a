/**
 * Rigs as technicians see and change them: list, page, workshop, versions, healthy readings of the real board. Read first
 * {@link prantel.server.rigs.RigController}.
 */
@NullMarked
package prantel.server.rigs;

import org.jspecify.annotations.NullMarked;
