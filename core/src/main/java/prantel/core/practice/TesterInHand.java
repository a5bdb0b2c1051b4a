package prantel.core.practice;

import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.Found;
import prantel.core.expectation.SuppliedRig;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedEdits;
import prantel.core.procedure.End;
import prantel.core.rig.Circuit;
import prantel.core.rig.Load;
import prantel.core.rig.Loads;
import prantel.core.sequence.Measurement;

/** What the tester does when its button is pressed: it reads, warns, trips something, spoils something, or its fuse goes. */
final class TesterInHand {
    private final PracticeRig rig;

    TesterInHand(PracticeRig rig) {
        this.rig = rig;
    }

    private Tester tester() {
        return rig.tester();
    }

    Moment button(Moment now, Deed.PressTestButton press, List<Consequence> consequences) {
        SuppliedRig supplied = rig.supplied(now);
        // its own current comes from what it feeds: without that the button does nothing
        List<BranchId> poles = rig.poles(press.device());
        Terminal line = supplied.network().branch(poles.getFirst()).to();
        Terminal neutral = supplied.network().branch(poles.getLast()).to();
        if (now.harm().supplyLost() || supplied.volts(line, neutral) < PracticeRig.TOUCH_VOLTS) {
            return pressed(now, press, Saying.DOES_NOT_WORK);
        }
        SuppliedRig.Taken taken = supplied.take(new Measurement.Button(press.device()));
        taken.opened().forEach(o -> consequences.add(new Consequence.Tripped(o, Consequence.During.BUTTON)));
        return pressed(
                now.opened(taken.open(), Set.of()),
                press,
                taken.opened().isEmpty() ? Saying.DOES_NOT_WORK : Saying.WORKS);
    }

    private static Moment pressed(Moment now, Deed.PressTestButton press, Saying saying) {
        return now.showing(Optional.of(new Moment.Display(
                new Reading.Said(saying), now.hand(), new Moment.By.Button(press.device()), Optional.empty())));
    }

    Moment reading(Moment now, List<Consequence> consequences) {
        Hand hand = now.hand();
        Moment next = hand.function().isLive() ? live(now, consequences) : dead(now, consequences);
        return ProvingDead.pair(hand.probes())
                .filter(p -> hand.function() == Function.VOLTAGE
                        && now.proof().indicator()
                        && next.display()
                                .filter(d -> d.reading().base() < PracticeRig.TOUCH_VOLTS)
                                .isPresent())
                .map(p -> next.with(next.proof().and(p)))
                .orElse(next);
    }

    private static Moment showing(Moment now, Reading reading) {
        return now.showing(Optional.of(new Moment.Display(reading, now.hand())));
    }

    private Terminal probe(Hand hand, int lead) {
        return rig.edits().terminal(hand.probes().get(lead));
    }

    private Moment dead(Moment now, List<Consequence> consequences) {
        Hand hand = now.hand();
        Function function = hand.function();
        Meter meter = tester().meter(function).orElseThrow();
        Terminal a = probe(hand, 0);
        Terminal b = probe(hand, 1);
        double volts = now.harm().supplyLost() ? 0 : rig.supplied(now).volts(a, b);
        if (volts >= PracticeRig.FUSE_VOLTS && function.isContinuity()) {
            consequences.add(new Consequence.FuseGone(volts));
            Moment.Harm harm = now.harm();
            return now.with(new Moment.Harm(harm.spoilt(), true, harm.supplyLost(), harm.liveMetal()))
                    .showing(Optional.empty());
        }
        if (volts >= PracticeRig.TESTER_WARNS_VOLTS) {
            consequences.add(new Consequence.Refused(volts));
            return now.showing(Optional.empty());
        }
        Network network = rig.network(now, function.volts());
        double ohms = network.resistance(a, b);
        if (function.isContinuity() && now.harm().fuseGone()) {
            ohms = Double.POSITIVE_INFINITY;
        }
        double leads = function.isContinuity() && !hand.isNulled() ? tester().leadOhms(function) : 0;
        Moment next = showing(now, ohms == Double.POSITIVE_INFINITY ? meter.overRange() : meter.show(ohms + leads));
        if (function.isContinuity() && ohms != Double.POSITIVE_INFINITY) {
            return unsteady(next, meter, ohms + leads, consequences);
        }
        return function.isInsulation() ? spoilt(next, network, a, b, consequences) : next;
    }

    /** A loose connection is now better, now worse, and the display with it. */
    private Moment unsteady(Moment now, Meter meter, double ohms, List<Consequence> consequences) {
        double by = CurrentPath.of(rig, now, now.hand())
                .map(CurrentPath::unsteadyOhms)
                .orElse(0.0);
        Reading low = meter.show(Math.max(0, ohms - by));
        Reading high = meter.show(ohms + by);
        if (low.shown().equals(high.shown())) {
            return now;
        }
        consequences.add(new Consequence.Unsteady(low, high));
        Moment.Display still = now.display().orElseThrow();
        return now.showing(Optional.of(new Moment.Display(
                still.reading(), still.hand(), still.by(), Optional.of(new Moment.Swinging(low, high)))));
    }

    /** Electronics that are in take their share of the test voltage. */
    private Moment spoilt(Moment now, Network network, Terminal a, Terminal b, List<Consequence> consequences) {
        Set<Deed.LoadIn> spoilt = new HashSet<>(now.harm().spoilt());
        double volts = now.hand().function().volts();
        for (Deed deed : now.standing()) {
            if (deed instanceof Deed.LoadIn in && !spoilt.contains(in)) {
                double across = volts * share(network, a, b, in);
                if (across >= PracticeRig.SPOILING_VOLTS && isElectronic(in)) {
                    spoilt.add(in);
                    consequences.add(new Consequence.Spoilt(in, across));
                }
            }
        }
        Moment.Harm harm = now.harm();
        return now.with(new Moment.Harm(spoilt, harm.fuseGone(), harm.supplyLost(), harm.liveMetal()));
    }

    private boolean isElectronic(Deed.LoadIn in) {
        return rig.rig()
                .circuit(in.circuit())
                .point(in.point())
                .load()
                .map(Load::isElectronic)
                .orElse(false);
    }

    /** Of the voltage between two terminals what lies across a load. */
    private double share(Network network, Terminal a, Terminal b, Deed.LoadIn in) {
        Circuit circuit = rig.rig().circuit(in.circuit());
        double most = 0;
        for (Loads.Between ends : Loads.between(circuit, circuit.point(in.point()))) {
            most = Math.max(most, network.share(a, b, ends.a(), ends.b()));
        }
        return most;
    }

    private Moment live(Moment now, List<Consequence> consequences) {
        Hand hand = now.hand();
        if (now.harm().supplyLost()) {
            return tester().meter(hand.function())
                    .map(m -> showing(
                            now,
                            new Reading.NoReading(
                                    Stop.NO_SUPPLY, "", m.overRange().unit())))
                    .orElse(now.showing(Optional.empty()));
        }
        SuppliedRig supplied = rig.supplied(now);
        if (hand.function() == Function.CLAMP) {
            double amps = hand.probes().getFirst() instanceof Contact.AtEnd(End end)
                    ? supplied.amps(DeedEdits.joint(end))
                    : 0;
            return showing(now, tester().meter(Function.CLAMP).orElseThrow().show(amps));
        }
        SuppliedRig.Taken taken = supplied.take(measurement(hand));
        taken.opened().forEach(o -> consequences.add(new Consequence.Tripped(o, Consequence.During.TEST)));
        Reading reading = switch (taken.found()) {
            case Found.Number number ->
                tester().meter(hand.function()).orElseThrow().show(number.base());
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped ->
                new Reading.NoReading(
                        stopped.stop(),
                        stopped.where(),
                        tester().meter(hand.function())
                                .orElseThrow()
                                .overRange()
                                .unit());
        };
        return showing(now, reading).opened(taken.open(), now.stubborn());
    }

    private Measurement measurement(Hand hand) {
        Function function = hand.function();
        return switch (function) {
            case RCD_TIME, RCD_RAMP ->
                new Measurement.Trip(function, probe(hand, 0), probe(hand, 1), hand.milliamps(), hand.negativeHalf());
            case PHASE_ROTATION -> new Measurement.Rotation(probe(hand, 0), probe(hand, 1), probe(hand, 2));
            default ->
                new Measurement.TwoProbe(
                        function,
                        probe(hand, 0),
                        probe(hand, 1),
                        hand.probes().size() > 2 && function == Function.LOOP_THREE_LEAD
                                ? Optional.of(probe(hand, 2))
                                : Optional.empty());
        };
    }

    /** How long until the display stands still, s. Common practice, no source. */
    static int seconds(Function function) {
        return switch (function) {
            case CONTINUITY, CONTINUITY_WANDER_LEAD, VOLTAGE, CLAMP, PHASE_ROTATION -> 3;
            // and as long again until what it charged is discharged
            case INSULATION_250, INSULATION_500, INSULATION_1000 -> 10;
            case LOOP_THREE_LEAD -> 15;
            case EARTH_RESISTANCE, RCD_RAMP -> 8;
            case LOOP_TWO_LEAD, FAULT_CURRENT, RCD_TIME, RCD_BUTTON, OPERATION -> 4;
        };
    }
}
