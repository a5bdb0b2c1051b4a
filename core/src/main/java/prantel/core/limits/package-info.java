/**
 * The trade's tables and formulas, each with its source: conductor resistance, Zs, insulation, bonding. Pure functions;
 * nothing here knows a rig or a network. Start with {@link prantel.core.limits.Limit}.
 */
@NullMarked
package prantel.core.limits;

import org.jspecify.annotations.NullMarked;
