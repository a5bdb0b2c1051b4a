package prantel.core.practice;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.instrument.Reading;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.RigState;
import prantel.core.rig.BoardId;
import prantel.core.rig.Conductor;
import prantel.core.sequence.SlotId;

/**
 * A practice rig as it stands, and what is in the learner's hands. A value: each deed gives another one, and undo is the one
 * before.
 *
 * @param state what was done to the rig
 * @param open ids of devices that opened by themselves and are open still
 * @param stubborn those of them that opened again as soon as they were put on
 * @param coversOff what is uncovered
 * @param display the last reading; empty since something was changed
 * @param seconds how long all of it takes, s
 */
public record Moment(
        RigState state,
        Set<String> open,
        Set<String> stubborn,
        Set<Cover> coversOff,
        Hand hand,
        Proof proof,
        Harm harm,
        Optional<Display> display,
        int seconds) {
    public Moment {
        open = Set.copyOf(open);
        stubborn = Set.copyOf(stubborn);
        coversOff = Set.copyOf(coversOff);
    }

    /**
     * What the indicator was put to.
     *
     * @param indicator whether it was proved on its proving unit
     * @param pairs found dead since then
     */
    public record Proof(boolean indicator, Set<Pair> pairs) {
        public static final Proof NONE = new Proof(false, Set.of());

        public Proof {
            pairs = Set.copyOf(pairs);
        }

        Proof and(Pair pair) {
            Set<Pair> all = new HashSet<>(pairs);
            all.add(pair);
            return new Proof(indicator, all);
        }
    }

    /** Two conductors behind a board's main switch. */
    public record Pair(BoardId board, Set<Conductor> of) {}

    /**
     * What cannot be put right by putting back.
     *
     * @param spoilt loads that an insulation test went through
     * @param fuseGone the ohmmeter's fuse: it reads open whatever it is put to
     * @param supplyLost whether what feeds the rig was shorted before anything that could open
     * @param liveMetal metal that can be touched and is live
     */
    public record Harm(Set<Deed.LoadIn> spoilt, boolean fuseGone, boolean supplyLost, Set<Contact> liveMetal) {
        public static final Harm NONE = new Harm(Set.of(), false, false, Set.of());

        public Harm {
            spoilt = Set.copyOf(spoilt);
            liveMetal = Set.copyOf(liveMetal);
        }
    }

    /**
     * What the tester shows, or the eye found.
     *
     * @param hand as the tester was held for it
     * @param by what showed it
     * @param swing between what it moves, where it does not stand still
     */
    public record Display(Reading reading, Hand hand, By by, Optional<Swinging> swing) {
        Display(Reading reading, Hand hand) {
            this(reading, hand, By.TESTER, Optional.empty());
        }

        /** The box that was looked at; empty for anything else. */
        public Optional<SlotId> seen() {
            return by instanceof By.Eye eye ? Optional.of(eye.box()) : Optional.empty();
        }
    }

    /** What shows something. */
    public sealed interface By {
        By TESTER = new OfTester();

        record OfTester() implements By {}

        record Eye(SlotId box) implements By {}

        /** A test button that was pressed. @param device as {@link Deed.PressTestButton} calls it */
        record Button(String device) implements By {}
    }

    /** The lowest and the highest that a display shows that does not stand still. */
    public record Swinging(Reading low, Reading high) {}

    /** What is open to fingers, and what is out or joined, with all covers on and nothing to put back. */
    public boolean isClosedUp() {
        return state.isClosedUp() && coversOff.isEmpty();
    }

    Moment with(RigState other) {
        return new Moment(other, open, stubborn, coversOff, hand, proof, harm, display, seconds);
    }

    Moment with(Hand other) {
        return new Moment(state, open, stubborn, coversOff, other, proof, harm, display, seconds);
    }

    Moment with(Proof other) {
        return new Moment(state, open, stubborn, coversOff, hand, other, harm, display, seconds);
    }

    Moment with(Harm other) {
        return new Moment(state, open, stubborn, coversOff, hand, proof, other, display, seconds);
    }

    Moment opened(Set<String> devices, Set<String> again) {
        return new Moment(state, devices, again, coversOff, hand, proof, harm, display, seconds);
    }

    Moment uncovered(Set<Cover> covers) {
        return new Moment(state, open, stubborn, covers, hand, proof, harm, display, seconds);
    }

    Moment showing(Optional<Display> other) {
        return new Moment(state, open, stubborn, coversOff, hand, proof, harm, other, seconds);
    }

    Moment after(int more) {
        return new Moment(state, open, stubborn, coversOff, hand, proof, harm, display, seconds + more);
    }

    /** Every deed so far that still shows. */
    public List<Deed> standing() {
        return state.standing();
    }
}
