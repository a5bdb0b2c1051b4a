/**
 * Terminals and branches, edits of them, and the resistance between two terminals. Knows no word of the trade.
 *
 * <p>In: a list of {@link prantel.core.network.Branch}; {@link prantel.core.network.Edit}s. Out: Ω, or +∞ where nothing
 * connects. Used by {@code rig} (which compiles to it) and by {@code instrument} (which reads it). Read first
 * {@link prantel.core.network.Network}, then {@code Factor}, which holds the arithmetic:
 *
 * <pre>
 *        i                    i
 *        |  g1              / | \
 *   j ---k--- l    --&gt;     j--+--l      eliminating k:  g(i,j) += gi·gj / Σg
 *     g2   g3
 * </pre>
 *
 * Only sums, products and quotients of positive numbers occur, so milliohms and gigaohms keep their digits side by side.
 */
@NullMarked
package prantel.core.network;

import org.jspecify.annotations.NullMarked;
