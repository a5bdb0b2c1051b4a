/**
 * Calculators for the reference page: the formulas of {@code limits} with their inputs, workings and sources in words. A
 * new one is one class and one line in {@link prantel.core.reference.Calculators}. Knows no rig, so it can show no key.
 */
@NullMarked
package prantel.core.reference;

import org.jspecify.annotations.NullMarked;
