package prantel.server.setting;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.inference.Cause;
import prantel.core.inference.Explanation;
import prantel.core.inference.WhatIsSet;
import prantel.core.rig.Rig;
import prantel.server.picture.Windows;

/** What the readings taken speak for, in words. */
final class Hypotheses {
    private static final double WORTH_SHOWING = 0.01;

    private Hypotheses() {}

    /**
     * @param words "Exactly these faults are set", "Not set: …"
     * @param asMeant whether it is what is hoped for
     * @param ofTheReading whether whoever took the readings looks at the leads and the tester first
     * @param strength how likely it is beside the others, in words
     * @param share of all answers' weight, 0 to 1
     */
    record HypothesisLine(
            String words,
            boolean asMeant,
            boolean ofTheReading,
            String strength,
            double share,
            List<EvidenceLine> evidence) {}

    record EvidenceLine(String what, String reads, String window, boolean fits) {}

    static List<HypothesisLine> of(Key key, List<WhatIsSet.Ranked> ranking, Map<String, Assessment.Taken> taken) {
        return ranking.stream()
                .filter(r -> r.share() >= WORTH_SHOWING)
                .map(r -> line(r, key, taken))
                .toList();
    }

    private static HypothesisLine line(WhatIsSet.Ranked ranked, Key key, Map<String, Assessment.Taken> taken) {
        Rig rig = key.rig();
        return new HypothesisLine(
                words(ranked, key),
                ranked.cause().isEmpty(),
                ranked.cause().filter(c -> !c.isAFault()).isPresent(),
                ranked.misfits() > 0 ? "the best of what is known" : Explanation.strength(ranked.share()),
                ranked.share(),
                ranked.evidence().stream()
                        .map(e -> new EvidenceLine(
                                e.expected().slot().title(rig),
                                text(taken.get(e.expected().slot().id().value())),
                                e.would().isEmpty() ? Windows.of(e.expected()) : e.would(),
                                e.fits()))
                        .toList());
    }

    private static String text(Assessment.@Nullable Taken taken) {
        return taken == null ? "" : taken.text();
    }

    private static String words(WhatIsSet.Ranked ranked, Key key) {
        String open = ranked.misfits() == 0
                ? ""
                : ranked.misfits() == 1
                        ? " One reading is left that it does not account for."
                        : " " + ranked.misfits() + " readings are left that it does not account for.";
        return what(ranked, key) + open;
    }

    private static String what(WhatIsSet.Ranked ranked, Key key) {
        FaultSet meant = key.faults();
        FaultSet there = ranked.there();
        Cause cause = ranked.cause().orElse(null);
        if (cause == null) {
            return (meant.isEmpty() ? "The rig is healthy." : "Exactly these faults are set.")
                    + (ranked.isNearlySo() ? " The readings miss it by little: the rig may have drifted." : "");
        }
        return switch (cause) {
            case FAULT_NOT_SET ->
                there.isEmpty()
                        ? "Nothing is set: the rig reads healthy."
                        : "Not set: " + only(meant, there, key.rig()) + ".";
            case FAULT_ELSEWHERE ->
                "Set is " + only(there, meant, key.rig()) + " instead of " + only(meant, there, key.rig()) + ".";
            case FAULT_LEFT_OVER -> "Also in, from before: " + only(there, meant, key.rig()) + ".";
            case ANOTHER_FAULT ->
                meant.isEmpty()
                        ? "Something is in: " + only(there, meant, key.rig()) + "."
                        : "Something else: " + only(there, meant, key.rig()) + ", and nothing of the set.";
            default -> cause.label() + ": they read as " + ranked.words() + ".";
        };
    }

    /** What the first has and the second has not. */
    private static String only(FaultSet first, FaultSet second, Rig rig) {
        return first.faults().stream()
                .filter(f -> second.faults().stream().noneMatch(f::equals))
                .map(f -> f.title() + ", " + f.where(rig))
                .collect(Collectors.joining("; "));
    }
}
