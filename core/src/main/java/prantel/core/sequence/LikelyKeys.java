package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import prantel.core.instrument.Saying;
import prantel.core.quantity.Unit;
import prantel.core.scheme.TestKind;

/** What is written in a box without typing. */
public final class LikelyKeys {
    private LikelyKeys() {}

    /** @param overRange as the box's meter shows it; empty for none */
    public static List<String> of(Slot slot, String overRange) {
        if (slot.boxUnit() == Unit.WORDS) {
            boolean coded = slot instanceof Slot.Measured m
                    && m.measurement() instanceof Measurement.Inspected inspected
                    && inspected.coded();
            boolean ofMany = slot.address().quantity().isOfMany();
            return sayings(slot).stream()
                    .map(s -> coded && s.isCode() || ofMany && s.isBad() ? s.words() + ":" : s.words())
                    .toList();
        }
        List<String> keys = new ArrayList<>();
        if (slot.step() == TestKind.RCD && slot.boxUnit() == Unit.MILLISECOND) {
            keys.add("no trip");
        }
        if (!overRange.isEmpty()) {
            keys.add(overRange);
        }
        if (slot.step().isLive() && slot.boxUnit() == Unit.OHM) {
            keys.add("tripped");
        }
        return keys;
    }

    private static List<Saying> sayings(Slot slot) {
        return switch (slot instanceof Slot.Measured m ? m.measurement() : null) {
            case Measurement.Rotation rotation -> List.of(Saying.CLOCKWISE, Saying.ANTICLOCKWISE, Saying.NO_SEQUENCE);
            case Measurement.Looked looked when looked.saying() == Saying.DONE -> List.of(Saying.DONE, Saying.NOT_DONE);
            case Measurement.Inspected inspected
            when inspected.coded() ->
                List.of(Saying.SATISFACTORY, Saying.C1, Saying.C2, Saying.C3, Saying.FI, Saying.NOT_APPLICABLE);
            case Measurement.Inspected inspected ->
                List.of(Saying.SATISFACTORY, Saying.NOT_SATISFACTORY, Saying.NOT_APPLICABLE);
            case Measurement.Operation operation -> List.of(operation.right(), operation.wrong());
            case null, default -> List.of(Saying.WORKS, Saying.DOES_NOT_WORK);
        };
    }
}
