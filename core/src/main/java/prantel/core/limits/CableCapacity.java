package prantel.core.limits;

import java.util.OptionalDouble;
import java.util.TreeMap;

/**
 * Current a flat twin and earth cable carries clipped direct.
 *
 * <p>Source: BS 7671 Table 4D5, method C, from memory: hold against the book. Good for a warning, not for a design.
 */
public final class CableCapacity {
    public static final String SOURCE = "BS 7671 Table 4D5, method C (from memory)";
    /** A ring of 2.5 mm² may be protected at 30 or 32 A. Source: BS 7671 433.1.204, from memory. */
    public static final double RING_LEAST_MM2 = 2.5;

    public static final double RING_MOST_AMPS = 32;

    private static final TreeMap<Double, Double> AMPS = new TreeMap<>();

    static {
        double[][] rows = {{1.0, 16}, {1.5, 20}, {2.5, 27}, {4, 37}, {6, 47}, {10, 64}, {16, 85}};
        for (double[] row : rows) {
            AMPS.put(row[0], row[1]);
        }
    }

    private CableCapacity() {}

    /** A; empty for a size the table does not have. */
    public static OptionalDouble amps(double csaMm2) {
        Double amps = AMPS.get(csaMm2);
        return amps == null ? OptionalDouble.empty() : OptionalDouble.of(amps);
    }
}
