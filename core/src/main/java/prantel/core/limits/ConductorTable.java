package prantel.core.limits;

import java.util.Collections;
import java.util.NavigableMap;
import java.util.TreeMap;
import java.util.stream.Collectors;
import prantel.core.quantity.Check;

/**
 * Resistance of copper conductors at 20 °C.
 *
 * <p>Source: IEC 60228, greatest resistance of class 1 and 2 plain copper conductors.
 */
public final class ConductorTable {
    private static final NavigableMap<Double, Double> MILLIOHM_PER_METRE = new TreeMap<>();

    static {
        double[][] rows = {
            {1.0, 18.10},
            {1.5, 12.10},
            {2.5, 7.41},
            {4, 4.61},
            {6, 3.08},
            {10, 1.83},
            {16, 1.15},
            {25, 0.727},
            {35, 0.524},
            {50, 0.387}
        };
        for (double[] row : rows) {
            MILLIOHM_PER_METRE.put(row[0], row[1]);
        }
    }

    private ConductorTable() {}

    /**
     * @param csaMm2 nominal cross-section, mm², one of the table
     * @return mΩ/m at 20 °C
     * @throws prantel.core.quantity.ProblemsException if the table has no such size, naming those it has
     */
    public static double milliohmPerMetre(double csaMm2) {
        return java.util.Objects.requireNonNull(MILLIOHM_PER_METRE.get(checked(csaMm2, "csaMm2")));
    }

    /**
     * The size, if it is one of the table.
     *
     * @param field where it stands
     */
    public static double checked(double csaMm2, String field) {
        Check.that(
                MILLIOHM_PER_METRE.containsKey(csaMm2),
                "unknown-size",
                field,
                Check.plain(csaMm2) + " mm²",
                "give one of " + sizes() + " mm²");
        return csaMm2;
    }

    /** Cross-section in mm² → mΩ/m, smallest first. */
    public static NavigableMap<Double, Double> all() {
        return Collections.unmodifiableNavigableMap(MILLIOHM_PER_METRE);
    }

    private static String sizes() {
        return MILLIOHM_PER_METRE.keySet().stream().map(Check::plain).collect(Collectors.joining(", "));
    }
}
