package prantel.server.practice;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.feedback.FeedbackDraft;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Finding;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.marking.Outcome;
import prantel.core.practice.Drill;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What came of a finished practice, by the same marking as an assessment's. */
final class PracticeResults {
    private final Practices practices;
    private final Practices.Open open;

    PracticeResults(Practices practices, Practices.Open open) {
        this.practices = practices;
        this.open = open;
    }

    /**
     * @param right how many readings are this rig's @param wrong readings that are not, each with its likeliest cause
     * @param faults what was on the rig, and whether it was named
     * @param invented what was named and is not there
     * @param outcome null for a drill
     * @param feedback as an assessment's, on readings and faults; none for a drill
     */
    record PracticeResult(
            int minutes,
            int deeds,
            int slips,
            int dangers,
            int right,
            int open,
            List<PracticeWrong> wrong,
            List<FaultTold> faults,
            List<String> invented,
            @Nullable PracticeOutcome outcome,
            List<PracticeFeedback> feedback) {}

    /**
     * Of the whole sequence, what the scheme's rule makes of readings and faults: what an assessor would have seen and asked
     * counts neither way. Something dangerous stops it, as it would on a real rig.
     */
    record PracticeOutcome(String verdict, double points, double outOf, List<String> reasons) {}

    /** @param kind as in an assessment's feedback */
    record PracticeFeedback(String kind, String words) {}

    record PracticeWrong(
            String box, String written, @Nullable String because) {}

    record FaultTold(String title, String where, String remedy, boolean named) {}

    private MarkedSheet marked() {
        Key key = practices.key(open.row());
        Map<SlotId, String> readings = open.readings().entrySet().stream()
                .collect(Collectors.toMap(e -> new SlotId(e.getKey()), Map.Entry::getValue));
        // what cannot be read on a practice rig counts neither way
        key.expectations().stream()
                .map(Expectation::slot)
                .filter(s -> s instanceof Slot.Measured m && !Drill.isPractised(m))
                .forEach(s -> readings.put(s.id(), "not tested: nothing to plug in"));
        Rig rig = open.going().practice().rig();
        return Marker.mark(
                key,
                new CandidateRecord(
                        readings,
                        Map.of(),
                        open.named().stream().map(n -> n.report(rig)).toList()));
    }

    int wrong() {
        PracticeResult result = result();
        return result.wrong().size()
                + (int) result.faults().stream().filter(f -> !f.named()).count()
                + result.invented().size();
    }

    PracticeResult result() {
        Rig rig = open.going().practice().rig();
        MarkedSheet sheet = marked();
        Set<String> asked =
                open.going().boxes().stream().map(b -> b.id().value()).collect(Collectors.toSet());
        List<PracticeWrong> wrong = new ArrayList<>();
        int right = 0;
        for (Finding finding : sheet.findings()) {
            Slot slot = finding.expectation().slot();
            String written = open.readings().get(slot.id().value());
            if (written == null || !asked.contains(slot.id().value())) {
                continue;
            }
            if (finding.isMeasuredRightly()) {
                right++;
            } else {
                wrong.add(new PracticeWrong(
                        slot.title(rig),
                        written,
                        finding.explanations().stream()
                                .findFirst()
                                .map(e -> e.cause().label())
                                .orElse(null)));
            }
        }
        FaultSet faults = practices.faults(open.row(), rig);
        List<FaultTold> told = faults.faults().stream()
                .map(f -> new FaultTold(f.title(), f.where(rig), f.kind().remedy(), isNamed(f, rig)))
                .toList();
        List<String> invented = open.named().stream()
                .map(n -> n.report(rig))
                .filter(r -> faults.faults().stream().noneMatch(f -> names(r, f, rig)))
                .map(r -> r.title() + ", " + r.place().label(rig))
                .toList();
        OffsetDateTime ended = open.row().endedAt();
        return new PracticeResult(
                ended == null
                        ? 0
                        : (int) Duration.between(open.row().startedAt(), ended).toMinutes(),
                open.row().deedCount(),
                open.row().slips(),
                open.row().dangers(),
                right,
                (int) asked.stream()
                        .filter(b -> !open.readings().containsKey(b))
                        .count(),
                wrong,
                told,
                invented,
                open.drill().isPresent() ? null : outcome(sheet),
                open.drill().isPresent() ? List.of() : feedback(sheet));
    }

    private PracticeOutcome outcome(MarkedSheet sheet) {
        Outcome outcome = seen(sheet);
        boolean stopped = open.row().dangers() > 0;
        List<String> reasons = new ArrayList<>();
        if (stopped) {
            reasons.add("On a real rig you would have been stopped: something could have hurt somebody.");
        }
        reasons.addAll(outcome.reasons());
        return new PracticeOutcome(
                (stopped ? Outcome.Verdict.STOPPED : outcome.verdict()).words(),
                outcome.points(),
                outcome.outOf(),
                reasons);
    }

    private static Outcome seen(MarkedSheet sheet) {
        return Outcome.of(
                sheet.marks().stream()
                        .filter(m -> m.award() != Mark.Award.NOT_SEEN)
                        .toList(),
                sheet.outcome().rule());
    }

    private static List<PracticeFeedback> feedback(MarkedSheet sheet) {
        return FeedbackDraft.of(sheet, Map.of(), seen(sheet), true, Set.of()).stream()
                .map(s -> new PracticeFeedback(s.kind().name(), s.text()))
                .toList();
    }

    /** Of each kind that was on the rig whether it was named. */
    List<KindMet> kinds() {
        Rig rig = open.going().practice().rig();
        return practices.faults(open.row(), rig).faults().stream()
                .map(f -> new KindMet(f.kind().id(), isNamed(f, rig)))
                .toList();
    }

    record KindMet(String kind, boolean named) {}

    private boolean isNamed(Fault fault, Rig rig) {
        return open.named().stream().anyMatch(n -> names(n.report(rig), fault, rig));
    }

    private static boolean names(CandidateRecord.FaultReport report, Fault fault, Rig rig) {
        boolean kind = report.kind().equals(fault.kind())
                || fault.kind().equivalentKinds(rig).contains(report.kind().id());
        return kind && fault.kind().acceptedPlaces(fault, rig).contains(report.place());
    }
}
