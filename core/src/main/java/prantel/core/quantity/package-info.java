/**
 * The words every other package measures and complains in: units, checks, problems. Nothing here knows what a rig is.
 *
 * <p>Inside {@code core} resistances are plain {@code double} in Ω and lengths in m; where the trade's unit differs the
 * name says so. A {@link prantel.core.quantity.Unit} appears only where a value is shown or was written down. Start with
 * {@link prantel.core.quantity.Problem}.
 */
@NullMarked
package prantel.core.quantity;

import org.jspecify.annotations.NullMarked;
