package prantel.server.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.practice.Answer;
import prantel.core.practice.Coach;
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

    /** One deed of the learner. @param said what was done @param advice what came of it */
    record Step(DeedInput input, Moment after, String said, List<Coach.Advice> advice) {}

    /** @param boxes what is read */
    Going(PracticeRig practice, List<Slot.Measured> boxes) {
        this(practice, new RigControls(practice.rig()), boxes, practice.asFound(), List.of());
    }

    private Going(
            PracticeRig practice, RigControls controls, List<Slot.Measured> boxes, Moment asFound, List<Step> steps) {
        this.practice = practice;
        this.controls = controls;
        this.boxes = boxes;
        this.asFound = asFound;
        this.steps = steps;
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
        for (Deed deed : input.deeds(practice, controls, moment, boxes)) {
            Answer answer = practice.after(moment, deed);
            answer.cannot().ifPresent(why -> {
                throw new ProblemsException(new Problem("cannot-be-done", "deed", words.deed(deed), words.cannot(why)));
            });
            moment = answer.moment();
            said.add(words.deed(deed));
            advice.addAll(coach.on(answer));
        }
        if (said.isEmpty()) {
            return this;
        }
        List<Step> more = new ArrayList<>(steps);
        more.add(new Step(input, moment, String.join("; ", said), List.copyOf(advice)));
        return new Going(practice, controls, boxes, asFound, List.copyOf(more));
    }

    /** The step before; the same where there is none. */
    Going undone() {
        return steps.isEmpty()
                ? this
                : new Going(practice, controls, boxes, asFound, List.copyOf(steps.subList(0, steps.size() - 1)));
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
