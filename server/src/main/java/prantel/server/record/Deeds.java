package prantel.server.record;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Checklist;
import prantel.core.fault.BoxTruth;
import prantel.core.rig.Rig;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;

/** What happened, in words; what stands in tables of its own (readings, judgements, marks) is not said again. */
final class Deeds {
    private final Scheme scheme;
    private final Function<String, String> names;
    private final Map<String, String> boxes = new HashMap<>();

    /** @param names of accounts @param slots every box a reading may have been taken for */
    Deeds(Scheme scheme, Function<String, String> names, List<Slot> slots, Rig rig) {
        this.scheme = scheme;
        this.names = names;
        slots.forEach(s -> boxes.put(s.id().value(), s.title(rig) + ","));
    }

    private String box(String slot) {
        return boxes.getOrDefault(slot, slot);
    }

    Optional<String> words(AssessmentEvent event) {
        return Optional.ofNullable(
                switch (event) {
                    case AssessmentEvent.FaultsChosen chosen ->
                        "Faults chosen" + (chosen.from() == null ? "" : ", from the library: " + chosen.from());
                    case AssessmentEvent.LockedOff locked -> "Locked off before faults were set";
                    case AssessmentEvent.CheckTaken check ->
                        "Proved set: " + box(check.slot()) + " reads " + check.text();
                    case AssessmentEvent.SheetOpened opened -> "Sheet opened";
                    case AssessmentEvent.ReadingWritten written -> null;
                    case AssessmentEvent.BoxJudged judged -> null;
                    case AssessmentEvent.ExpectedSaid said -> null;
                    case AssessmentEvent.FaultsReported reported -> "Faults reported by the candidate";
                    case AssessmentEvent.HandedIn in -> "Handed in";
                    case AssessmentEvent.HandedBack back -> "Handed back: " + back.reason();
                    case AssessmentEvent.MarkDecided mark -> null;
                    case AssessmentEvent.OutcomeDecided outcome ->
                        "Outcome signed: " + outcome.given().words()
                                + (outcome.given() == outcome.proposed()
                                        ? ""
                                        : "; " + outcome.proposed().words() + " was proposed. " + outcome.reason());
                    case AssessmentEvent.ClearCheckTaken check ->
                        "Proved healthy again: " + box(check.slot()) + " reads " + check.text();
                    case AssessmentEvent.Cleared cleared -> "Rig cleared";
                    case AssessmentEvent.BoxCommanded box ->
                        box.relays().isEmpty()
                                ? "Fault box released"
                                : "Fault box armed: relays "
                                        + box.relays().stream()
                                                .map(String::valueOf)
                                                .collect(Collectors.joining(", "));
                    case AssessmentEvent.FaultHandled handled ->
                        "Fault " + (handled.fault() + 1) + " "
                                + switch (handled.what()) {
                                    case SET -> "set by hand";
                                    case SEEN -> "seen to be set";
                                    case OUT -> "taken out";
                                }
                                + (handled.done() ? "" : ": taken back");
                    case AssessmentEvent.LiveCheckTaken check ->
                        "Proved out before going live: " + box(check.slot()) + " reads " + check.text();
                    case AssessmentEvent.Energised energised ->
                        energised.on()
                                ? "Made live" + (energised.reason() == null ? "" : ": " + energised.reason())
                                : "Dead again, locked off, proved dead";
                    case AssessmentEvent.BoxFellOut fell -> "The fault box let its relays go: " + fell.says();
                    case AssessmentEvent.BoxAstray astray ->
                        astray.relays().isEmpty()
                                ? "The fault box is as it was told again"
                                : new BoxTruth.Matter(BoxTruth.Trouble.NOT_COMMANDED, astray.relays()).words();
                    case AssessmentEvent.BoxUnplugged unplugged ->
                        "The fault box was unplugged from the rig: " + unplugged.what();
                    case AssessmentEvent.AnswersAccepted answers ->
                        answers.faults().size() + " other answers accepted as right";
                    case AssessmentEvent.Observed seen -> observed(seen);
                    case AssessmentEvent.Asked asked -> asked(asked);
                    case AssessmentEvent.Stopped stopped -> "Stopped for safety: " + stopped.what();
                    case AssessmentEvent.StopLifted lifted -> "Went on after the stop: " + lifted.reason();
                    case AssessmentEvent.ReadingTaken taken ->
                        "Taken from " + taken.instrument() + ": " + box(taken.slot()) + " reads " + taken.text()
                                + taken.onRange();
                    case AssessmentEvent.Ticked tick -> ticked(tick);
                    case AssessmentEvent.Halted halted ->
                        "Clock stopped, " + halted.why().words() + ": " + halted.what();
                    case AssessmentEvent.Resumed resumed -> "Clock on again: " + resumed.what();
                    case AssessmentEvent.InstrumentChanged changed ->
                        "Another instrument: " + changed.tester().id() + ". " + changed.reason();
                    case AssessmentEvent.HandedOver over -> "Handed over to " + names.apply(over.to());
                    case AssessmentEvent.Adjusted adjusted ->
                        "Granted: times × " + adjusted.timeFactor()
                                + (adjusted.given().isEmpty() ? "" : "; " + String.join(", ", adjusted.given()));
                    case AssessmentEvent.CircuitsChosen chosen ->
                        chosen.circuits().isEmpty()
                                ? "All circuits are tested"
                                : "Circuits to be tested: " + String.join(", ", chosen.circuits());
                    case AssessmentEvent.BrokenOff broken -> "Broken off without a judgement: " + broken.reason();
                    case AssessmentEvent.Continued from -> "Carries on from another bay";
                    case AssessmentEvent.ResitOf resit ->
                        resit.parts().isEmpty()
                                ? "Done again as a whole"
                                : "Done again: "
                                        + resit.parts().stream().map(this::part).collect(Collectors.joining(", "));
                    case AssessmentEvent.OpinionAsked asked ->
                        names.apply(asked.of()) + " asked "
                                + switch (asked.purpose()) {
                                    case SECOND -> "for a second mark";
                                    case EXERCISE -> "to mark it as an exercise";
                                };
                    case AssessmentEvent.OpinionGiven given -> null;
                    case AssessmentEvent.OpinionSigned signed ->
                        "Signed own marks: " + signed.verdict().words();
                    case AssessmentEvent.OpinionWithdrawn withdrawn ->
                        names.apply(withdrawn.of()) + " is asked for marks no longer";
                    case AssessmentEvent.DisputeSettled dispute -> null;
                    case AssessmentEvent.FeedbackGiven feedback ->
                        "Feedback given" + (feedback.faults() == null ? "" : ", with what was set");
                });
    }

    private String part(String id) {
        return scheme.steps().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .map(prantel.core.scheme.Step::title)
                .orElse(id.equals("faults") ? "finding faults" : id);
    }

    private String observed(AssessmentEvent.Observed seen) {
        String what = scheme.observations().stream()
                .filter(o -> o.id().equals(seen.observation()))
                .findFirst()
                .map(Observation::seen)
                .orElse(seen.observation());
        return switch (seen.sight()) {
            case RIGHT -> "Seen right: " + what;
            case SLIP -> "Slip: " + what + (seen.slip().isBlank() ? "" : " (" + seen.slip() + ")");
            case NOT_SEEN -> "Taken back: " + what;
        };
    }

    private String asked(AssessmentEvent.Asked asked) {
        Optional<Question> question = scheme.questions().stream()
                .filter(q -> q.id().equals(asked.question()))
                .findFirst();
        String ask = question.map(Question::ask).orElse(asked.question());
        List<Integer> points = asked.points();
        if (points == null) {
            return "Question taken back: " + ask;
        }
        String said = points.stream()
                .flatMap(i -> question.map(Question::points).stream()
                        .filter(p -> i >= 0 && i < p.size())
                        .map(p -> p.get(i)))
                .collect(Collectors.joining("; "));
        return "Asked: " + ask + " " + (said.isEmpty() ? "Nothing said yet." : "Said: " + said);
    }

    private static String ticked(AssessmentEvent.Ticked tick) {
        Checklist list = tick.list();
        String item = list.item(tick.item()).map(Checklist.Item::words).orElse(tick.item());
        return list.title() + ": " + item + (tick.on() ? "" : ", taken back");
    }
}
