package prantel.server.setting;

import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.rig.Rig;
import prantel.core.setting.Inference;
import prantel.server.picture.Windows;

/** What the readings taken speak for, in words. */
final class Hypotheses {
    private static final double WORTH_SHOWING = 0.01;

    private Hypotheses() {}

    /**
     * @param words "Exactly these faults", "Missing: …"
     * @param share of all hypotheses' weight, 0 to 1
     */
    record HypothesisLine(String words, String kind, double share, boolean drift, List<EvidenceLine> evidence) {}

    record EvidenceLine(String what, String reads, String window, boolean fits) {}

    static List<HypothesisLine> of(Key key, List<Inference.Ranked> ranking, Map<String, Assessment.Taken> taken) {
        return ranking.stream()
                .filter(r -> r.share() >= WORTH_SHOWING)
                .map(r -> line(r, key, taken))
                .toList();
    }

    private static HypothesisLine line(Inference.Ranked ranked, Key key, Map<String, Assessment.Taken> taken) {
        Rig rig = key.rig();
        return new HypothesisLine(
                words(ranked, key),
                ranked.hypothesis().kind().name(),
                ranked.share(),
                ranked.drift(),
                ranked.evidence().stream()
                        .map(e -> new EvidenceLine(
                                e.expected().slot().title(rig),
                                text(taken.get(e.expected().slot().id().value())),
                                Windows.of(e.expected()),
                                e.fits()))
                        .toList());
    }

    private static String text(Assessment.@Nullable Taken taken) {
        return taken == null ? "" : taken.text();
    }

    private static String words(Inference.Ranked ranked, Key key) {
        FaultSet meant = key.faults();
        FaultSet there = ranked.hypothesis().faults();
        String drift = ranked.drift() ? " The readings miss it by little: the rig may have drifted." : "";
        return switch (ranked.hypothesis().kind()) {
            case AS_MEANT -> meant.isEmpty() ? "The rig is healthy." + drift : "Exactly these faults are set." + drift;
            case HEALTHY -> "Nothing is set: the rig reads healthy.";
            case MISSING -> "Not set: " + only(meant, there, key.rig()) + ".";
            case OTHER_INSTEAD ->
                "Set is " + only(there, meant, key.rig()) + " instead of " + only(meant, there, key.rig()) + ".";
            case LEFT_OVER -> "Also in, from before: " + only(there, meant, key.rig()) + ".";
            case OTHER_SINGLE -> "Something else: " + only(there, meant, key.rig()) + ", and nothing of the set.";
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
