package prantel.core.diagnosis;

import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Written;
import prantel.core.sequence.SlotId;

/** Holds every known mistake against every reading that is out of its band. */
public final class Explainer {
    private static final List<Mistake> MISTAKES = List.of(
            new LeadsNotNulled(),
            new AnotherPoint(),
            new LowestRecorded(),
            new HealthyValue(),
            new SlipOfTen(),
            new LinkMissing());

    private Explainer() {}

    /** For each reading out of its band, what would explain it, likeliest first; an empty list where nothing does. */
    public static Map<SlotId, List<Explanation>> explain(Key key, WrittenSheet sheet) {
        Case theCase = new Case(key, sheet);
        Map<SlotId, List<Explanation>> explanations = new LinkedHashMap<>();
        for (Expectation expectation : key.expectations()) {
            Written written = sheet.at(expectation.slot().id());
            Side side = expectation.window().sideOf(written);
            if (side != Side.INSIDE && side != Side.NOTHING) {
                explanations.put(
                        expectation.slot().id(),
                        MISTAKES.stream()
                                .flatMap(m -> m.explain(expectation, written, theCase).stream())
                                .sorted(Comparator.comparingDouble(Explanation::likelihood)
                                        .reversed())
                                .toList());
            }
        }
        return explanations;
    }
}
