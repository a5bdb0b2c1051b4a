package prantel.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Written;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedWords;
import prantel.core.procedure.End;
import prantel.core.rig.Rig;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/** What somebody beside the learner would say: after a deed, and about a reading. */
public final class Coach {
    private final PracticeRig practice;
    private final PracticeWords words;
    private final DeedWords deeds;
    private final Guide guide;

    public Coach(PracticeRig practice) {
        Rig rig = practice.rig();
        this.practice = practice;
        this.words = new PracticeWords(rig);
        this.deeds = new DeedWords(rig);
        this.guide = new Guide(practice);
    }

    /** How grave it is. */
    public enum Kind {
        /** Somebody may be hurt. */
        DANGER,
        /** Not as it should be done. */
        SLIP,
        NOTE,
        /** As it should be. */
        RIGHT
    }

    /** @param says what is so @param putRight what to do about it; empty for nothing */
    public record Advice(Kind kind, String says, String putRight) {}

    /** After a deed, the gravest first. */
    public List<Advice> on(Answer answer) {
        List<Advice> advice = new ArrayList<>();
        answer.cannot().ifPresent(c -> advice.add(new Advice(Kind.NOTE, words.cannot(c), "")));
        for (Consequence one : answer.consequences()) {
            Kind kind = one.isDangerous() ? Kind.DANGER : one instanceof Consequence.Spoilt ? Kind.SLIP : Kind.NOTE;
            advice.add(new Advice(kind, words.happened(one), words.putRight(one)));
        }
        if (!answer.slips().isEmpty()) {
            advice.add(new Advice(
                    Kind.SLIP,
                    answer.slips().stream().map(words::slip).collect(Collectors.joining(" ")),
                    "Take it back, and do that first."));
        }
        advice.sort(java.util.Comparator.comparing(Advice::kind));
        return advice;
    }

    /**
     * About the reading on the display, for the box it is taken for: whether the rig and the tester were as the box asks.
     *
     * @param sound what the box reads on a sound rig
     */
    public List<Advice> onReading(Moment now, Slot.Measured box, Expectation sound) {
        if (now.display().isEmpty()) {
            return List.of();
        }
        List<Advice> advice = new ArrayList<>(onTester(now.hand(), box));
        Guide.Difference difference = guide.difference(now, box);
        Reading reading = now.display().get().reading();
        Written written = Notation.read(reading.shown(), box.boxUnit());
        if (advice.isEmpty() && box.function().isInsulation() && isTakenApart(difference)) {
            return List.of(onHalf(difference, sound.healthyWindow().sideOf(written) == Window.Side.BELOW));
        }
        for (Deed deed : difference.tooMuch()) {
            advice.add(
                    new Advice(Kind.SLIP, "The rig is not as this reading needs it.", "Do this first: " + told(deed)));
        }
        for (Deed deed : difference.missing()) {
            advice.add(new Advice(Kind.SLIP, "Something is not done yet.", "Do this first: " + told(deed)));
        }
        if (!advice.isEmpty()) {
            return advice;
        }
        if (reading instanceof Reading.NoReading none
                && none.stop() == Stop.NO_SUPPLY
                && !now.open().isEmpty()) {
            return List.of(new Advice(
                    Kind.SLIP,
                    "No supply: " + String.join(" and ", practice.labels(now).values()) + " is still off.",
                    "Put it on again, and read again."));
        }
        boolean asSound = written.isReading() && sound.healthyWindow().sideOf(written) == Window.Side.INSIDE;
        return List.of(
                asSound
                        ? new Advice(
                                Kind.RIGHT,
                                "Taken as it should be, and it is what a sound rig reads.",
                                "Write it down.")
                        : new Advice(
                                Kind.NOTE,
                                "Taken as it should be, and a sound rig would not read this.",
                                "Look for what is wrong with the rig."));
    }

    /** Whether the rig is as a box asks but for cables that are out at points: how a fault is looked for half by half. */
    private static boolean isTakenApart(Guide.Difference difference) {
        return !difference.tooMuch().isEmpty()
                && difference.missing().isEmpty()
                && difference.tooMuch().stream()
                        .allMatch(d -> d instanceof Deed.PutBack(var ends)
                                && ends.stream().allMatch(End.AtPoint.class::isInstance));
    }

    private Advice onHalf(Guide.Difference difference, boolean low) {
        String at = difference.tooMuch().stream()
                .flatMap(d -> ((Deed.PutBack) d).ends().stream())
                .map(e -> point((End.AtPoint) e))
                .distinct()
                .collect(Collectors.joining(" and "));
        return low
                ? new Advice(
                        Kind.NOTE,
                        "Taken apart at " + at
                                + ": still low. What is wrong is in the part that the leads still reach.",
                        "Take that part apart in its middle, and test again.")
                : new Advice(
                        Kind.NOTE,
                        "Taken apart at " + at + ": clear. What is wrong is in the part that is off.",
                        "Put it back there, and take it apart further on.");
    }

    private String point(End.AtPoint end) {
        return practice.rig().circuit(end.circuit()).point(end.point()).label();
    }

    private List<Advice> onTester(Hand hand, Slot.Measured box) {
        List<Advice> advice = new ArrayList<>();
        if (hand.function() != box.function()) {
            advice.add(new Advice(
                    Kind.SLIP,
                    "Taken with the " + hand.function().label() + ".",
                    "This reading asks for the " + box.function().label() + "."));
        }
        List<Contact> places = guide.probes(box);
        if (!places.isEmpty() && !hand.probes().equals(places)) {
            advice.add(new Advice(
                    Kind.SLIP,
                    "The leads are on the " + places(hand.probes()) + ".",
                    "This reading is taken between " + places(places) + "."));
        }
        if (box.measurement() instanceof Measurement.Trip trip && hand.function() == box.function()) {
            advice.addAll(onTrip(hand, trip));
        }
        if (hand.function().isContinuity() && !hand.isNulled()) {
            advice.add(new Advice(
                    Kind.SLIP,
                    String.format(
                            Locale.ROOT,
                            "The leads are not nulled: %.2f Ω of it is the leads.",
                            practice.tester().leadOhms(hand.function())),
                    "Null them, and read again."));
        }
        return advice;
    }

    private static List<Advice> onTrip(Hand hand, Measurement.Trip asked) {
        List<Advice> advice = new ArrayList<>();
        if (hand.milliamps() != asked.milliamps()) {
            advice.add(new Advice(
                    Kind.SLIP,
                    "Tested with " + Math.round(hand.milliamps()) + " mA.",
                    "This reading is taken with " + Math.round(asked.milliamps()) + " mA."));
        }
        if (hand.negativeHalf() != asked.negativeHalf()) {
            advice.add(new Advice(
                    Kind.SLIP,
                    "Started from the " + (hand.negativeHalf() ? "negative" : "positive") + " half-wave.",
                    "This reading starts from the other one."));
        }
        return advice;
    }

    private String told(Deed deed) {
        return PracticeWords.lower(words.deed(deed)) + ".";
    }

    private String places(List<Contact> contacts) {
        return contacts.stream().map(deeds::contact).collect(Collectors.joining(" and "));
    }
}
