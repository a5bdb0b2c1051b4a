package prantel.core.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedWords;
import prantel.core.rig.Rig;
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
        Reading reading = now.display().get().reading();
        Written written = Notation.read(reading.shown(), box.boxUnit());
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

    private String told(Deed deed) {
        String said = words.deed(deed);
        return Character.toLowerCase(said.charAt(0)) + said.substring(1) + ".";
    }

    private String places(List<Contact> contacts) {
        return contacts.stream().map(deeds::contact).collect(Collectors.joining(" and "));
    }
}
