package prantel.server.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import prantel.core.practice.Answer;
import prantel.core.practice.Coach;
import prantel.core.practice.Guide;
import prantel.core.practice.LeftOut;
import prantel.core.practice.Moment;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.PracticeWords;
import prantel.core.practice.RigControls;
import prantel.core.procedure.Deed;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.sequence.Slot;

/**
 * A practice as it goes on: the rig and every step so far. It follows from the row alone, so it may be forgotten and made
 * again at any time. Immutable.
 */
final class Going {
    /** More deeds than anybody does at a rig in a day. */
    static final int MOST_STEPS = 3000;

    private final PracticeRig practice;
    private final RigControls controls;
    private final List<Slot.Measured> boxes;
    private final Moment asFound;
    private final List<Step> steps;
    private final Map<String, String> beside;
    /** Worked out when it is asked for: each is some hundred readings of the rig. */
    private final Map<String, Optional<LeftOut>> leftOut;

    /** One deed of the learner. @param said what was done @param advice what came of it */
    record Step(DeedInput input, Moment after, String said, List<Coach.Advice> advice) {}

    /** @param boxes what is read @param beside what stands in a record that is gone through again, by box */
    Going(PracticeRig practice, List<Slot.Measured> boxes, Map<String, String> beside) {
        this.practice = practice;
        this.controls = new RigControls(practice.rig());
        this.boxes = boxes;
        this.asFound = practice.asFound();
        this.steps = List.of();
        this.beside = beside;
        this.leftOut = new ConcurrentHashMap<>();
    }

    private Going(Going before, List<Step> steps) {
        this.practice = before.practice;
        this.controls = before.controls;
        this.boxes = before.boxes;
        this.asFound = before.asFound;
        this.beside = before.beside;
        this.leftOut = before.leftOut;
        this.steps = List.copyOf(steps);
    }

    /** What stands in the record that is gone through again; empty where there is none. */
    Optional<String> beside(Slot.Measured box) {
        return Optional.ofNullable(beside.get(box.id().value()));
    }

    /** What must have been left out to read what stands there. */
    Optional<LeftOut> leftOut(Slot.Measured box) {
        return beside(box)
                .flatMap(text -> leftOut.computeIfAbsent(box.id().value(), id -> LeftOut.of(practice, box, text)));
    }

    /** A box as it was taken: as it is asked for, but for what was left out in the record. */
    Slot.Measured asDone(Slot.Measured box) {
        return leftOut(box).map(LeftOut::asDone).orElse(box);
    }

    Guide guide(Slot.Measured box) {
        return new Guide(practice, leftOut(box).filter(LeftOut::unnulled).isPresent());
    }

    PracticeRig practice() {
        return practice;
    }

    RigControls controls() {
        return controls;
    }

    List<Slot.Measured> boxes() {
        return boxes;
    }

    List<Step> steps() {
        return steps;
    }

    Moment now() {
        return steps.isEmpty() ? asFound : steps.getLast().after();
    }

    /** @throws ProblemsException if it cannot be done at all: nothing is changed then */
    Going with(DeedInput input) {
        if (steps.size() >= MOST_STEPS) {
            throw new ProblemsException(new Problem(
                    "too-many-deeds", "deeds", steps.size() + " deeds", "finish this practice and begin another"));
        }
        PracticeWords words = new PracticeWords(practice.rig());
        Coach coach = new Coach(practice);
        Moment moment = now();
        List<String> said = new ArrayList<>();
        List<Coach.Advice> advice = new ArrayList<>();
        for (Deed deed : input.deeds(this)) {
            Answer answer = done(practice.after(moment, deed), words.deed(deed), words);
            moment = answer.moment();
            said.add(words.deed(deed));
            advice.addAll(coach.on(answer));
        }
        Optional<Slot.Measured> looked = input.looksAt(this);
        if (looked.isPresent()) {
            String what = "Looked: " + looked.get().title(practice.rig());
            Answer answer = done(practice.look(moment, looked.get()), what, words);
            moment = answer.moment();
            said.add(what);
            advice.addAll(coach.on(answer));
        }
        if (said.isEmpty()) {
            return this;
        }
        List<Step> more = new ArrayList<>(steps);
        more.add(new Step(input, moment, String.join("; ", said), List.copyOf(advice)));
        return new Going(this, more);
    }

    /** What was done under an earlier version and cannot be done any more: it stays in its place, and changes nothing. */
    Going without(DeedInput input) {
        List<Step> more = new ArrayList<>(steps);
        more.add(new Step(input, now(), "Something that this version of Prantel cannot repeat", List.of()));
        return new Going(this, more);
    }

    private static Answer done(Answer answer, String what, PracticeWords words) {
        answer.cannot().ifPresent(why -> {
            throw new ProblemsException(new Problem("cannot-be-done", "deed", what, words.cannot(why)));
        });
        return answer;
    }

    /** The step before; the same where there is none. */
    Going undone() {
        return steps.isEmpty() ? this : new Going(this, steps.subList(0, steps.size() - 1));
    }

    long count(Coach.Kind kind) {
        return steps.stream()
                .flatMap(s -> s.advice().stream())
                .filter(a -> a.kind() == kind)
                .count();
    }

    Optional<Slot.Measured> box(String id) {
        return boxes.stream().filter(b -> b.id().value().equals(id)).findFirst();
    }
}
