package prantel.core.practice;

import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import prantel.core.fault.FaultKind;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Tester;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedWords;
import prantel.core.procedure.Need;
import prantel.core.rig.Rig;

/** How practice talks: what came of a deed, why it could not be done, why it is done, and how to put things right. */
public final class PracticeWords {
    private static final int MOST_PLACES = 3;

    private final Rig rig;
    private final DeedWords deeds;

    public PracticeWords(Rig rig) {
        this.rig = rig;
        this.deeds = new DeedWords(rig);
    }

    /** What was done. */
    public String deed(Deed deed) {
        String words = deeds.of(deed);
        return Character.toUpperCase(words.charAt(0)) + words.substring(1);
    }

    /** What came of a deed, with its numbers. */
    public String happened(Consequence consequence) {
        return switch (consequence) {
            case Consequence.Tripped tripped -> tripped(tripped);
            case Consequence.Refused refused ->
                "The tester finds " + volts(refused.volts()) + " between its leads. It warns and does not test.";
            case Consequence.FuseGone gone -> "The ohmmeter was put to " + volts(gone.volts()) + ": its fuse is gone.";
            case Consequence.Shock shock ->
                "You took hold of the " + lower(deeds.contact(shock.at())) + " at " + volts(shock.volts())
                        + " to earth. On a real rig this can kill.";
            case Consequence.MetalLive metal ->
                "Metal that anybody can touch is live at up to " + volts(metal.volts()) + " to earth: "
                        + places(metal.at()) + ".";
            case Consequence.Spoilt spoilt ->
                "The test put " + volts(spoilt.volts()) + " across the " + load(spoilt.load())
                        + ". Its electronics are spoilt.";
            case Consequence.Overvolted over ->
                "The " + load(over.load()) + " takes " + volts(over.volts()) + " where it is made for "
                        + volts(over.meant()) + ". It burns out.";
            case Consequence.Unbonded unbonded ->
                "Circuits are live and the "
                        + unbonded.bonds().stream()
                                .map(b -> rig.bond(b).part())
                                .collect(Collectors.joining(" and the "))
                        + " is not bonded: in a fault it and the rig's metal stand at different voltages.";
            case Consequence.SupplyLost lost ->
                "The supply is shorted before the main switch. Nothing on this rig opens there: only the supply's own fuse does.";
            case Consequence.NotDead notDead ->
                "The indicator shows " + volts(notDead.volts()) + " between " + deeds.contact(notDead.a()) + " and "
                        + deeds.contact(notDead.b()) + ": it is not dead.";
            case Consequence.Looked looked -> seen(looked);
            case Consequence.Unsteady unsteady ->
                "The display does not stand still: between " + unsteady.low().shown() + " and "
                        + unsteady.high().shown() + ".";
            case Consequence.LiveOpen open ->
                "Live parts of " + cover(open.cover())
                        + " are within reach. Nothing but fused probes with short tips goes in.";
        };
    }

    /** How it is put right. */
    public String putRight(Consequence consequence) {
        return switch (consequence) {
            case Consequence.Tripped tripped ->
                switch (tripped.during()) {
                    case DEED -> "Isolate, find what joins them, take it out, and only then put the device on again.";
                    case TEST -> "Put the device on again; choose a test that draws less if it must stay in.";
                    case BUTTON -> "Put the device on again.";
                };
            case Consequence.Refused refused -> "Take the leads off, isolate, lock off and prove dead.";
            case Consequence.FuseGone gone ->
                "Take the leads off and isolate. Every continuity reading shows open until the fuse is changed.";
            case Consequence.Shock shock -> "Take it back: isolate, lock off and prove dead before you touch anything.";
            case Consequence.MetalLive metal -> "Switch the main switch off at once, then put the earth path right.";
            case Consequence.Spoilt spoilt ->
                "Take electronics out before 500 V, or join line and neutral and test both to earth.";
            case Consequence.Overvolted over ->
                "Switch off at once. A neutral is lost: find where it is off, and put it back before anything is on.";
            case Consequence.Unbonded unbonded ->
                "Put the bond back first; a bond comes off only with the whole rig isolated.";
            case Consequence.SupplyLost lost -> "Take it back. Never join anything before the main switch.";
            case Consequence.NotDead notDead -> "Find the right switch, switch it off, lock it, and prove again.";
            case Consequence.Looked looked -> "";
            case Consequence.Unsteady unsteady ->
                "Press the probes on hard. If it still moves, look for a loose connection in its path.";
            case Consequence.LiveOpen open -> "Put the cover back as soon as the reading is taken.";
        };
    }

    private static String seen(Consequence.Looked looked) {
        if (!looked.seen().isEmpty()) {
            return "You see: " + looked.seen().stream().map(FaultKind::symptom).collect(Collectors.joining(" "));
        }
        return looked.saying() == Saying.SATISFACTORY
                ? "You see nothing wrong there."
                : "You see: " + looked.saying().words() + ".";
    }

    private static String tripped(Consequence.Tripped tripped) {
        String by = tripped.device().residual()
                ? residual(tripped.device().amps()) + " of residual current"
                : Math.round(tripped.device().amps()) + " A";
        String label = tripped.device().label();
        return switch (tripped.during()) {
            case DEED -> label + " trips: " + by + ".";
            case TEST -> label + " trips in the test: " + by + ".";
            case BUTTON -> label + " trips by its test button.";
        };
    }

    private static String residual(double amps) {
        if (amps >= 1) {
            return Math.round(amps) + " A";
        }
        double milliamps = amps * 1000;
        return (milliamps < 100 ? String.format(Locale.ROOT, "%.1f", milliamps) : String.valueOf(Math.round(milliamps)))
                + " mA";
    }

    private static String volts(double volts) {
        return Math.round(volts) + " V";
    }

    private String places(List<Contact> contacts) {
        String some = contacts.stream()
                .limit(MOST_PLACES)
                .map(deeds::contact)
                .distinct()
                .collect(Collectors.joining(", "));
        return contacts.size() > MOST_PLACES ? some + " and " + (contacts.size() - MOST_PLACES) + " more" : some;
    }

    private String load(Deed.LoadIn in) {
        var circuit = rig.circuit(in.circuit());
        var point = circuit.point(in.point());
        return point.load().map(l -> l.kind().word() + ", ").orElse("") + circuit.label() + ", " + point.label();
    }

    private String cover(Cover cover) {
        return switch (cover) {
            case Cover.OfBoard of -> rig.board(of.board()).label();
            case Cover.OfPoint of -> rig.circuit(of.circuit()).point(of.point()).label();
        };
    }

    /** Within a sentence: what is not written in capitals begins small. */
    static String lower(String words) {
        boolean aWord = words.length() > 1 && Character.isLowerCase(words.charAt(1));
        return aWord ? Character.toLowerCase(words.charAt(0)) + words.substring(1) : words;
    }

    /** Why a deed cannot be done. */
    public String cannot(Cannot cannot) {
        return switch (cannot) {
            case Cannot.Covered covered -> "Take the cover of " + cover(covered.cover()) + " off first.";
            case Cannot.Because because -> words(because);
        };
    }

    private static String words(Cannot.Because because) {
        return switch (because) {
            case OFF_ALREADY -> "It is off already.";
            case ON_ALREADY -> "It is on already.";
            case LOCKED -> "The lock is on.";
            case NOTHING_TO_LOCK -> "The lock fits only a switch that is off.";
            case NOT_LOCKED -> "There is no lock on it.";
            case OUT_ALREADY -> "It is out already.";
            case IN_ITS_TERMINAL -> "It is in its terminal.";
            case NOT_OUT -> "Take it out of its terminal first.";
            case SAME_PLACE -> "Choose another place.";
            case LINKED_ALREADY -> "They are joined already.";
            case NOT_LINKED -> "They are not joined.";
            case NO_LOAD_IN -> "There is nothing in.";
            case LOAD_IN_ALREADY -> "It is in already.";
            case SPOILT -> "It is spoilt: an insulation test went through it.";
            case COVER_OFF_ALREADY -> "The cover is off already.";
            case COVER_ON_ALREADY -> "The cover is on already.";
            case SUPPLY_LOST -> "The supply's own fuse is gone: take the last deed back.";
            case NOT_TRIPPED -> "It has not tripped.";
            case NO_SUCH_DEVICE -> "It has no test button.";
            case NOTHING_TO_NULL -> "Choose the ohmmeter first: only its leads are nulled.";
            case PROBES_MISSING -> "Put the leads on their places first.";
            case TOO_MANY_PROBES -> "There are three leads.";
            case NOT_A_TESTERS -> "This is done with the hand and the eye, not with the tester.";
            case A_TESTERS -> "This is read with the tester.";
        };
    }

    /** What should have been done first. */
    public String slip(Need need) {
        String words = need.caution();
        return Character.toUpperCase(words.charAt(0)) + words.substring(1) + ".";
    }

    /** Why a deed comes next. Common practice, no source. */
    public String why(Deed deed, Tester tester, Hand hand) {
        return switch (deed) {
            case Deed.MainSwitchOff off -> "Dead work begins with the whole rig isolated.";
            case Deed.LockOff lock -> "Nobody can switch it on while you have your hands in it. The key stays on you.";
            case Deed.Unlock unlock -> "Your work inside is done: the lock comes off last.";
            case Deed.ProveDead dead -> "Off is not dead until the indicator says so between every pair.";
            case Deed.ProveIndicator indicator -> "An indicator that is broken shows dead everywhere.";
            case Deed.CoverOff off -> "What you need is behind it.";
            case Deed.CoverOn on -> "No finger gets in while it is on.";
            case Deed.TakeOut out -> "Then the current goes through what you measure and nowhere else.";
            case Deed.PutBack back -> "The next reading needs it in its own terminal, tight.";
            case Deed.PutElsewhere elsewhere -> "It makes the way for the test current.";
            case Deed.Link link -> "It makes one loop of the two conductors: the reading is their sum.";
            case Deed.Unlink unlink -> "A link left in spoils the next reading, and trips when the supply comes on.";
            case Deed.Cross cross ->
                "With the ends crossed both ways round share the current: every socket reads nearly the same.";
            case Deed.Uncross uncross -> "The next step joins other ends.";
            case Deed.Operate operate -> "The reading is asked for in this position.";
            case Deed.TakeLoadsOut out -> "A load lies across the conductors: you would measure it, or spoil it.";
            case Deed.LoadOut out -> "A load lies across the conductors: you would measure it, or spoil it.";
            case Deed.LoadIn in -> "This reading needs the load running.";
            case Deed.SurgeProtectionIn in -> "It belongs in when the rig is in service.";
            case Deed.SurgeProtectionOut out -> "It would conduct at the test voltage.";
            case Deed.NullLeads leads ->
                "Otherwise their own " + ohms(tester.leadOhms(hand.function())) + " is in every reading.";
            case Deed.Choose choose -> "This reading is taken with it.";
            case Deed.SetTestCurrent current -> "The device is tested with this current, from this half-wave.";
            case Deed.PutProbes probes -> "The reading is taken between these places.";
            case Deed.TakeReading take -> "Everything is ready.";
            case Deed.PressTestButton press -> "It shows that the mechanism trips.";
            case Deed.Reset reset -> "It opened: the next live reading needs it on.";
            case Deed.CloseUp up -> "Nothing goes live that is open, out or joined.";
            case Deed.Energise energise -> "This reading is taken live. With permission, everybody warned.";
            case Deed.Heed heed -> "Common practice.";
        };
    }

    private static String ohms(double ohms) {
        return String.format(Locale.ROOT, "%.2f Ω", ohms);
    }
}
