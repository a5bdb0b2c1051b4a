package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Complex;
import prantel.core.network.Port;
import prantel.core.network.Terminal;
import prantel.core.sequence.Measurement;

/**
 * What a tester finds at a rig that has settled with the supply on. What trips during a test opens, and the test ends only when
 * its own supply is gone.
 */
final class LiveReading {
    static final double PRESENT_VOLTS = 100;
    private static final double TO_MILLI = 1000;

    /** Above every loop tester's range. */
    private static final double NO_LOOP_OHMS = 1e5;

    private final EnergisedRig rig;

    LiveReading(EnergisedRig rig) {
        this.rig = rig;
    }

    Found find(Measurement measurement) {
        return take(measurement).found();
    }

    /**
     * What is found, and what the test left behind.
     *
     * @param opened what the test tripped, in order
     */
    record Taken(Found found, LiveState after, List<Opened> opened) {}

    Taken take(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe probes -> twoProbe(probes);
            case Measurement.Trip trip -> trip(trip);
            case Measurement.Button button -> button(button.device());
            case Measurement.Looked looked -> left(new Found.Words(looked.saying()));
            case Measurement.Inspected inspected ->
                throw new IllegalStateException("asked of the faults: " + inspected);
            case Measurement.Rotation rotation -> left(new Found.Words(rotation(rotation)));
            case Measurement.LoadCurrent load -> loadCurrent(load);
            case Measurement.Operation operation ->
                left(new Found.Words(
                        operation.trials().stream().allMatch(this::comesOut) ? operation.right() : operation.wrong()));
        };
    }

    /** With everything left as it was. */
    private Taken left(Found found) {
        return new Taken(found, rig.settled(), List.of());
    }

    /** A test under way: what it has tripped so far. */
    private final class Going {
        private final List<Opened> opened = new ArrayList<>();
        private LiveState state = rig.settled();

        void trips(int device, double amps) {
            opened.add(rig.protection().opened(device, amps));
            state = state.with(device);
        }

        Taken ends(Found found) {
            return new Taken(found, state, opened);
        }
    }

    List<Double> quantities(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe probes -> List.of(quantity(probes));
            case Measurement.Trip trip ->
                Arrays.stream(rig.settled()
                                .testing(rig.alternating().port(trip.line(), trip.earth()))
                                .milliamps(trip.milliamps() / TO_MILLI))
                        .boxed()
                        .toList();
            case Measurement.Button button -> List.of();
            case Measurement.Looked looked -> List.of();
            case Measurement.Inspected inspected -> List.of();
            case Measurement.Rotation turn ->
                List.of(
                        open(turn.l1(), turn.l2()).size(),
                        open(turn.l2(), turn.l3()).size(),
                        open(turn.l3(), turn.l1()).size());
            case Measurement.LoadCurrent load ->
                List.of(rig.in(load.connected())
                        .port(load.a(), load.b())
                        .ampsThrough(load.loadOhms())
                        .size());
            case Measurement.Operation operation ->
                operation.trials().stream().map(this::indicated).toList();
        };
    }

    private double quantity(Measurement.TwoProbe probes) {
        Port port = rig.settled().port(probes);
        return switch (probes.function()) {
            case VOLTAGE -> indicated(port);
            case FAULT_CURRENT -> port.isOpen() ? 0 : port.openVolts().size() / port.impedanceOhms();
            default -> port.impedanceOhms();
        };
    }

    private Complex open(Terminal a, Terminal b) {
        return rig.alternating().port(a, b).openVolts();
    }

    /** With the indicator's own load, so that a floating conductor shows next to nothing. */
    static double indicated(Port port) {
        return port.ampsThrough(LiveMeters.INDICATOR_OHMS).size() * LiveMeters.INDICATOR_OHMS;
    }

    private Taken twoProbe(Measurement.TwoProbe probes) {
        Port port = rig.settled().port(probes);
        return switch (probes.function()) {
            case VOLTAGE -> left(new Found.Number(indicated(port)));
            case FAULT_CURRENT ->
                left(
                        isPresent(port)
                                ? new Found.Number(port.openVolts().size() / port.impedanceOhms())
                                : withoutSupply(probes.a(), probes.b()));
            case LOOP_TWO_LEAD -> loop(probes, LiveMeters.TWO_LEAD_AMPS);
            case LOOP_THREE_LEAD -> loop(probes, LiveMeters.THREE_LEAD_AMPS);
            default -> throw new IllegalArgumentException(probes.function() + " is no live test");
        };
    }

    /** What stands there only through insulation goes when a tester is put to it. */
    static boolean isPresent(Port port) {
        return indicated(port) >= LiveMeters.LEAST_VOLTS;
    }

    /** Whether there is no loop that a tester could show: testers say over-range, or that there is no voltage. */
    static boolean isNoLoop(Port port) {
        return !(port.impedanceOhms() < NO_LOOP_OHMS);
    }

    /** What took the supply away, where it was there before something opened. */
    private Found withoutSupply(Terminal a, Terminal b) {
        boolean opened = rig.trips() && isPresent(rig.closed().alternating().port(a, b));
        return opened ? tripped(rig.settled().open().iterator().next()) : new Found.Stopped(Stop.NO_SUPPLY, "");
    }

    private Found tripped(int device) {
        return new Found.Stopped(
                Stop.TRIPPED, rig.protection().devices().get(device).label());
    }

    private Taken loop(Measurement.TwoProbe probes, double testAmps) {
        if (isNoLoop(rig.settled().port(probes)) && !rig.trips()) {
            return left(new Found.Number(Double.POSITIVE_INFINITY));
        }
        if (!isPresent(rig.settled().port(probes))) {
            return left(withoutSupply(probes.a(), probes.b()));
        }
        if (probes.neutral().isPresent()
                && open(probes.neutral().get(), probes.b()).size() > LiveMeters.NEUTRAL_VOLTS) {
            return left(new Found.Stopped(Stop.NEUTRAL_LIVE, ""));
        }
        Going going = new Going();
        while (true) {
            Port port = going.state.port(probes);
            int device = firstAbove(going.state, port, testAmps);
            if (device < 0) {
                return going.ends(new Found.Number(port.impedanceOhms()));
            }
            going.trips(device, going.state.testing(port).milliamps(device, testAmps) / TO_MILLI);
            if (!isPresent(going.state.port(probes))) {
                return going.ends(tripped(device));
            }
        }
    }

    /** The first residual-current device that a test current trips; −1 for none. */
    private int firstAbove(LiveState state, Port port, double testAmps) {
        Complex[] alone = state.standing();
        for (int i = 0; i < alone.length; i++) {
            // only where the test could reach it at all is the division of its current worked out
            if (!state.isOpen(i)
                    && (alone[i].size() + testAmps) * TO_MILLI >= rig.settled().tripMilliamps(i)
                    && state.testing(port).milliamps(i, testAmps)
                            >= rig.settled().tripMilliamps(i)) {
                return i;
            }
        }
        return -1;
    }

    private Taken trip(Measurement.Trip trip) {
        if (!isPresent(rig.alternating().port(trip.line(), trip.earth()))) {
            return left(withoutSupply(trip.line(), trip.earth()));
        }
        Going going = new Going();
        double reached = 0;
        while (true) {
            LiveState state = going.state;
            TestCurrent test = state.testing(state.alternating().port(trip.line(), trip.earth()));
            int first = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < rig.protection().residuals().size(); i++) {
                double at = state.isOpen(i) ? Double.POSITIVE_INFINITY : tripsAt(trip, test, i);
                if (at < least) {
                    least = at;
                    first = i;
                }
            }
            if (first < 0) {
                return going.ends(new Found.Number(Double.POSITIVE_INFINITY));
            }
            reached = Math.max(reached, least);
            double drawn = trip.function() == Function.RCD_RAMP ? least : trip.milliamps() / TO_MILLI;
            going.trips(first, test.milliamps(first, drawn) / TO_MILLI);
            if (!isPresent(going.state.alternating().port(trip.line(), trip.earth()))) {
                return going.ends(new Found.Number(reached));
            }
        }
    }

    /** When, ms, or for the ramp at what test current, A, it trips; +∞ for never. */
    private double tripsAt(Measurement.Trip trip, TestCurrent test, int device) {
        if (trip.function() == Function.RCD_RAMP) {
            double amps = test.ampsFor(device, rig.settled().tripMilliamps(device));
            return amps * TO_MILLI <= trip.milliamps() ? amps : Double.POSITIVE_INFINITY;
        }
        return tripMillis(device, test.milliamps(device, trip.milliamps() / TO_MILLI), trip.negativeHalf());
    }

    double tripMillis(int device, double milliamps, boolean negativeHalf) {
        return milliamps < rig.settled().tripMilliamps(device)
                ? Double.POSITIVE_INFINITY
                : atLeastTripping(device, milliamps, negativeHalf)
                        * rig.variation().trip().time();
    }

    /** A device that trips sooner than it is marked has at its own current the time it is marked with. */
    private double atLeastTripping(int device, double milliamps, boolean negativeHalf) {
        var one = rig.protection().residuals().get(device).device();
        return one.tripMillis(Math.max(milliamps, one.behaviour().tripMilliamps()), negativeHalf);
    }

    private Taken button(String device) {
        for (int i = 0; i < rig.protection().residuals().size(); i++) {
            var placed = rig.protection().residuals().get(i);
            if (placed.id().equals(device)
                    && !rig.settled().isOpen(i)
                    && placed.device().behaviour().buttonWorks()) {
                Going going = new Going();
                going.trips(i, placed.device().behaviour().tripMilliamps() / TO_MILLI);
                return going.ends(new Found.Words(Saying.WORKS));
            }
        }
        return left(new Found.Words(Saying.DOES_NOT_WORK));
    }

    /** The current, unless a device does not stand the load. */
    private Taken loadCurrent(Measurement.LoadCurrent load) {
        if (!isPresent(rig.alternating().port(load.a(), load.b()))) {
            return left(withoutSupply(load.a(), load.b()));
        }
        Going going = new Going();
        if (!load.connected().isEmpty()) {
            going.state = going.state.with(load.connected());
        }
        while (true) {
            LiveState state = going.state;
            Port port = state.alternating().port(load.a(), load.b());
            Complex amps = port.ampsThrough(load.loadOhms());
            TestCurrent drawn = new TestCurrent(state, port, amps);
            int opens = -1;
            for (int i = 0; i < rig.protection().residuals().size() && opens < 0; i++) {
                opens = !state.isOpen(i)
                                && drawn.milliamps(i, 1) >= rig.settled().tripMilliamps(i)
                        ? i
                        : -1;
            }
            if (opens < 0) {
                return going.ends(new Found.Number(amps.size()));
            }
            going.trips(opens, drawn.milliamps(opens, 1) / TO_MILLI);
            if (!isPresent(going.state.alternating().port(load.a(), load.b()))) {
                return going.ends(tripped(opens));
            }
        }
    }

    private Saying rotation(Measurement.Rotation rotation) {
        Complex first = open(rotation.l1(), rotation.l2());
        Complex second = open(rotation.l2(), rotation.l3());
        Complex third = open(rotation.l3(), rotation.l1());
        double least = Math.min(
                indicated(rig.alternating().port(rotation.l1(), rotation.l2())),
                Math.min(
                        indicated(rig.alternating().port(rotation.l2(), rotation.l3())),
                        indicated(rig.alternating().port(rotation.l3(), rotation.l1()))));
        // a line that is missing still takes a voltage through insulation, until something is put to it
        if (least < PRESENT_VOLTS) {
            return Saying.NO_SEQUENCE;
        }
        double turn = first.im() * second.re() - first.re() * second.im();
        return turn > 0 ? Saying.CLOCKWISE : Saying.ANTICLOCKWISE;
    }

    private boolean comesOut(Measurement.Trial trial) {
        boolean present = indicated(trial) >= PRESENT_VOLTS;
        return present == trial.energised();
    }

    double indicated(Measurement.Trial trial) {
        return rig.in(trial.position()).voltsAcross(trial.a(), trial.b(), LiveMeters.INDICATOR_OHMS);
    }
}
