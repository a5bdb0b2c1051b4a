package prantel.server.watching;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Course;
import prantel.core.assessment.OpenBoxes;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.instrument.Notation;
import prantel.core.rig.Rig;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Step;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.server.conduct.ConductView;

/** A candidate at work, as the assessor sees it: the procedure, what is recorded at each station, how it is conducted. */
record WatchView(
        @JsonUnwrapped SheetOfWatch sheet,
        @JsonUnwrapped RigOfWatch rig,
        @JsonUnwrapped StopOfWatch halt,
        @JsonUnwrapped ProcedureLine line,
        ConductView conduct) {

    /** The sheet as it stands. */
    record SheetOfWatch(int seq, boolean open, @Nullable OffsetDateTime openedAt, int filled, int boxes, int reports) {}

    /**
     * What is true of the rig now.
     *
     * @param box what is the matter with the fault box; empty for nothing
     */
    record RigOfWatch(
            boolean live,
            boolean wasLive,
            boolean lockedOff,
            Course.Dead dead,
            boolean asksToGoLive,
            @Nullable OffsetDateTime relaysOutSince,
            String box) {}

    /** Whether it was stopped, and what can be taken back. */
    record StopOfWatch(@Nullable StopLine stop, boolean undo) {}

    /** The procedure line. */
    record ProcedureLine(List<WatchStep> steps, List<BrokenLine> broken) {}

    record StopLine(String what, String by, OffsetDateTime at) {}

    record WatchStep(
            @JsonUnwrapped StepOfLine step,
            @JsonUnwrapped StepStanding standing,
            @JsonUnwrapped BoxCount count,
            @JsonUnwrapped SeenAndWritten evidence) {}

    record StepOfLine(String id, String title, boolean live) {}

    /**
     * How far it is.
     *
     * @param state what the line shows by shape
     * @param next whether it is what comes next
     * @param shut why it may not be begun yet; empty where it may
     */
    record StepStanding(Course.State state, boolean next, String shut) {}

    /**
     * @param open boxes still to be written
     */
    record BoxCount(int filled, int boxes, int open) {}

    /** What was seen, asked and written. */
    record SeenAndWritten(List<SightLine> observations, List<AskLine> questions, List<WrittenLine> readings) {}

    /**
     * A rule of order that was broken, with both deeds.
     *
     * @param sure false where what was tapped may have been seen earlier
     * @param open boxes of the first that were empty when the other was begun; 0 where it was not begun
     * @param permitted whether the assessor let it go live with those open, and gave a reason
     */
    record BrokenLine(
            BrokenDeed then,
            BrokenDeed first,
            String why,
            String severity,
            boolean sure,
            int open,
            boolean permitted) {}

    /** @param at null where nothing is on record */
    record BrokenDeed(String title, @Nullable OffsetDateTime at) {}

    /** @param seen "right", "slip" or "not-seen" */
    record SightLine(String id, String text, String severity, List<String> slips, String seen, String slip) {}

    /** @param said positions of the points named; null while it was not asked */
    record AskLine(
            String id,
            String ask,
            String prompt,
            List<String> points,
            int needed,
            boolean drawn,
            @Nullable List<Integer> said) {}

    /** @param side "inside", "above", "below", "over-range-instead", "differs", "nothing" @param taken how it was taken over from the tester; empty where it was written by hand */
    record WrittenLine(String slot, String quantity, String where, String text, String side, int seq, String taken) {}

    /** @param box what is the matter with the fault box @param who asks */
    static WatchView of(
            Assessment assessment,
            Key key,
            List<Slot> slots,
            int reports,
            Set<String> drawn,
            ConductView conduct,
            String box,
            String who) {
        Course course = Course.of(assessment, key.rig(), key.scheme(), slots);
        Map<SlotId, Expectation> expected = asDone(assessment, key);
        List<WatchStep> steps = course.stations().stream()
                .map(station -> step(station, slots, assessment, key.rig(), expected, drawn))
                .toList();
        Assessment.Stop stop = assessment.stop();
        return new WatchView(
                new SheetOfWatch(
                        assessment.seq(),
                        assessment.openedAt() != null && assessment.handedInAt() == null,
                        assessment.openedAt(),
                        OpenBoxes.filled(assessment, slots),
                        slots.size(),
                        reports),
                new RigOfWatch(
                        course.rig().live(),
                        assessment.wasLive(),
                        course.rig().lockedOff(),
                        course.rig().dead(),
                        course.rig().asked(),
                        assessment.relaysOutSince(),
                        box),
                new StopOfWatch(
                        stop == null ? null : new StopLine(stop.what(), stop.by(), stop.at()),
                        assessment.undo(who) != null),
                new ProcedureLine(
                        steps,
                        course.broken().stream()
                                .map(b -> broken(b, key.scheme()))
                                .toList()),
                conduct);
    }

    private static BrokenLine broken(Course.Broken broken, Scheme scheme) {
        return new BrokenLine(
                new BrokenDeed(
                        title(scheme, broken.rule().then()),
                        broken.then().first().at()),
                new BrokenDeed(
                        title(scheme, broken.rule().first()),
                        broken.first() == null ? null : broken.first().first().at()),
                broken.rule().why(),
                broken.rule().severity().name().toLowerCase(Locale.ROOT),
                broken.sure(),
                broken.left().boxes(),
                broken.left().permitted());
    }

    private static String title(Scheme scheme, String step) {
        return scheme.step(step).map(Step::title).orElse(step);
    }

    private static WatchStep step(
            Course.Station station,
            List<Slot> slots,
            Assessment assessment,
            Rig rig,
            Map<SlotId, Expectation> expected,
            Set<String> drawn) {
        Step step = station.step();
        List<WrittenLine> readings = slots.stream()
                .filter(s -> step.tests().contains(s.step()))
                .map(s -> reading(s, assessment, rig, Objects.requireNonNull(expected.get(s.id()))))
                .filter(r -> !r.text().isEmpty())
                .sorted(Comparator.comparingInt(WrittenLine::seq).reversed())
                .toList();
        return new WatchStep(
                new StepOfLine(step.id(), step.title(), step.isLive()),
                new StepStanding(station.state(), station.next(), station.shut()),
                new BoxCount(station.filled(), station.boxes(), station.open()),
                new SeenAndWritten(
                        step.observations().stream()
                                .map(o -> sight(o, assessment))
                                .toList(),
                        step.questions().stream()
                                .map(q -> ask(q, assessment, drawn))
                                .toList(),
                        readings));
    }

    private static SightLine sight(Observation observation, Assessment assessment) {
        Assessment.Seen seen = assessment.observations().get(observation.id());
        return new SightLine(
                observation.id(),
                observation.seen(),
                observation.severity().name().toLowerCase(Locale.ROOT),
                observation.slips(),
                seen == null ? "not-seen" : seen.right() ? "right" : "slip",
                seen == null ? "" : seen.slip());
    }

    private static AskLine ask(Question question, Assessment assessment, Set<String> drawn) {
        Assessment.Answered answered = assessment.questions().get(question.id());
        return new AskLine(
                question.id(),
                question.ask(),
                question.prompt(),
                question.points(),
                question.needed(),
                drawn.contains(question.id()),
                answered == null ? null : answered.points());
    }

    /** Each box as it must read in the way the candidate did it. */
    private static Map<SlotId, Expectation> asDone(Assessment assessment, Key key) {
        return key
                .asDone(slot -> Notation.read(
                        written(slot, assessment), key.expectation(slot).slot().boxUnit()))
                .stream()
                .collect(Collectors.toMap(e -> e.slot().id(), e -> e));
    }

    private static String written(SlotId slot, Assessment assessment) {
        Assessment.Entry<String> entry = assessment.readings().get(slot.value());
        return entry == null ? "" : entry.value();
    }

    private static WrittenLine reading(Slot slot, Assessment assessment, Rig rig, Expectation expected) {
        Assessment.Entry<String> entry = assessment.readings().get(slot.id().value());
        String text = written(slot.id(), assessment);
        return new WrittenLine(
                slot.id().value(),
                slot.quantity(),
                slot.place(rig),
                text,
                text.isBlank()
                        ? "nothing"
                        : expected.window()
                                .sideOf(Notation.read(text, slot.boxUnit()))
                                .name()
                                .toLowerCase(Locale.ROOT)
                                .replace('_', '-'),
                entry == null ? 0 : entry.seq(),
                taken(assessment.taken(slot.id().value()), text, slot));
    }

    /** Where it was taken over from the tester, and is what the tester showed: with what it was set to. */
    private static String taken(AssessmentEvent.@Nullable ReadingTaken taken, String text, Slot slot) {
        if (taken == null) {
            return "";
        }
        boolean same = Notation.read(taken.text(), slot.boxUnit()).equals(Notation.read(text, slot.boxUnit()));
        return same
                ? "from the tester, " + taken.function() + taken.onRange()
                        + (taken.nulled() ? "" : ", leads not nulled")
                : "";
    }
}
