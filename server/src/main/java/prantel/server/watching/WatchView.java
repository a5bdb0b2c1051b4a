package prantel.server.watching;

import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
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

/** A candidate at work, as the assessor sees it: the procedure, what is recorded at each station, the clock. */
record WatchView(
        boolean open,
        @Nullable OffsetDateTime openedAt,
        boolean live,
        boolean wasLive,
        @Nullable StopLine stop,
        int minutesGone,
        int minutes,
        int filled,
        int boxes,
        int reports,
        @Nullable OffsetDateTime relaysOutSince,
        List<WatchStep> steps) {

    record StopLine(String what, String by, OffsetDateTime at) {}

    /**
     * @param state "open", "begun", "done", "slip" or "stopped": what the line shows by shape
     * @param next whether it is the first that is not done
     */
    record WatchStep(
            String id,
            String title,
            boolean live,
            String state,
            boolean next,
            int filled,
            int boxes,
            List<SightLine> observations,
            List<AskLine> questions,
            List<WrittenLine> readings) {}

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

    /** @param side "inside", "above", "below", "over-range-instead", "differs", "nothing" */
    record WrittenLine(String slot, String quantity, String where, String text, String side, int seq) {}

    /** @param now by the server's clock: a tablet's may be wrong */
    static WatchView of(
            Assessment assessment, Key key, List<Slot> slots, int reports, Set<String> drawn, OffsetDateTime now) {
        Scheme scheme = key.scheme();
        List<WatchStep> steps = new ArrayList<>();
        boolean nextFound = false;
        Map<SlotId, Expectation> expected = asDone(assessment, key);
        for (Step step : scheme.steps()) {
            WatchStep made = step(step, slots, assessment, key.rig(), expected, drawn, nextFound);
            nextFound |= made.next();
            steps.add(made);
        }
        Assessment.Stop stop = assessment.stop();
        return new WatchView(
                assessment.openedAt() != null && assessment.handedInAt() == null,
                assessment.openedAt(),
                assessment.energisedAt() != null,
                assessment.wasLive(),
                stop == null ? null : new StopLine(stop.what(), stop.by(), stop.at()),
                minutesGone(assessment, now),
                scheme.about().times().all(),
                steps.stream().mapToInt(WatchStep::filled).sum(),
                slots.size(),
                reports,
                assessment.relaysOutSince(),
                steps);
    }

    /** From the open sheet to its end: handed in, stopped, or now. */
    private static int minutesGone(Assessment assessment, OffsetDateTime now) {
        OffsetDateTime from = assessment.openedAt();
        Assessment.Stop stop = assessment.stop();
        OffsetDateTime handedIn = assessment.handedInAt();
        OffsetDateTime to = stop != null ? stop.at() : handedIn != null ? handedIn : now;
        return from == null ? 0 : (int) Math.max(0, Duration.between(from, to).toMinutes());
    }

    private static WatchStep step(
            Step step,
            List<Slot> slots,
            Assessment assessment,
            Rig rig,
            Map<SlotId, Expectation> expected,
            Set<String> drawn,
            boolean nextFound) {
        List<Slot> own =
                slots.stream().filter(s -> step.tests().contains(s.step())).toList();
        List<WrittenLine> readings = own.stream()
                .map(s -> reading(s, assessment, rig, Objects.requireNonNull(expected.get(s.id()))))
                .filter(r -> !r.text().isEmpty())
                .sorted(java.util.Comparator.comparingInt(WrittenLine::seq).reversed())
                .toList();
        List<SightLine> sights =
                step.observations().stream().map(o -> sight(o, assessment)).toList();
        List<AskLine> asks =
                step.questions().stream().map(q -> ask(q, assessment, drawn)).toList();
        String state = state(own.size(), readings.size(), sights);
        boolean done = state.equals("done") || state.equals("slip");
        return new WatchStep(
                step.id(),
                step.title(),
                step.isLive(),
                state,
                !nextFound && !done,
                readings.size(),
                own.size(),
                sights,
                asks,
                readings);
    }

    private static String state(int boxes, int filled, List<SightLine> sights) {
        if (sights.stream().anyMatch(s -> s.seen().equals("slip"))) {
            return "slip";
        }
        boolean allSeen = sights.stream().allMatch(s -> s.seen().equals("right"));
        boolean anySeen = sights.stream().anyMatch(s -> !s.seen().equals("not-seen"));
        if (allSeen && filled == boxes && (boxes > 0 || anySeen)) {
            return "done";
        }
        return filled > 0 || anySeen ? "begun" : "open";
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
                entry == null ? 0 : entry.seq());
    }
}
