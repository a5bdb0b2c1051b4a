package prantel.server.keys;

import java.util.Collection;
import java.util.Map;
import prantel.core.expectation.AsBuilt;
import prantel.core.expectation.Key;
import prantel.core.marking.MarkedSheet;
import prantel.core.setting.Exploration;

/**
 * What a value costs in memory, about: by what it holds that is large. Measured on the demo's rigs and rounded up
 * (WeightsTest measures it again); what two values share is counted twice, on the safe side.
 */
final class Weights {
    /** Weights are counted in this, so that they fit an int. */
    static final int UNIT_BYTES = 1024;

    /** A healthy rig in each of its set-ups, for each box of its sheet; it grows while mistakes are tried on it. */
    private static final int OF_A_HEALTHY_BOX = 18 * UNIT_BYTES;
    /** What a set of faults adds. */
    private static final int OF_A_FAULTED_BOX = 6 * UNIT_BYTES;

    private static final int OF_AN_EXPLORED_BOX = 6 * UNIT_BYTES;
    private static final int OF_A_FINDING = UNIT_BYTES;
    private static final int OF_AN_ITEM = UNIT_BYTES / 2;
    private static final int OF_ANYTHING = 4 * UNIT_BYTES;

    private Weights() {}

    /** @return in {@link #UNIT_BYTES}, at least 1 */
    static int units(Object value) {
        return (int) Math.min(Integer.MAX_VALUE, 1 + bytes(value) / UNIT_BYTES);
    }

    private static long bytes(Object value) {
        return switch (value) {
            case Key key -> ofKey(key);
            case MarkedSheet sheet ->
                ofKey(sheet.key()) + (long) sheet.findings().size() * OF_A_FINDING;
            case Exploration exploration ->
                exploration.healthy().size() * (long) (OF_A_HEALTHY_BOX + OF_AN_EXPLORED_BOX);
            case AsBuilt asBuilt -> OF_ANYTHING + (long) asBuilt.readings().size() * OF_AN_ITEM;
            case Collection<?> items -> OF_ANYTHING + (long) items.size() * OF_AN_ITEM;
            case Map<?, ?> items -> OF_ANYTHING + (long) items.size() * OF_AN_ITEM;
            case Heavy heavy -> OF_ANYTHING + (long) heavy.items() * OF_AN_ITEM;
            default -> OF_ANYTHING;
        };
    }

    private static long ofKey(Key key) {
        return key.size() * (long) (key.faults().isEmpty() ? OF_A_HEALTHY_BOX : OF_A_FAULTED_BOX);
    }
}
