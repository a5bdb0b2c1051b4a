package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Complex;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Port;
import prantel.core.network.Source;
import prantel.core.network.Terminal;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Residuals.Placed;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/** A rig in one set-up with the supply on. Safe for use by several threads. */
final class LiveBench {
    private static final double PRESENT_VOLTS = 100;
    private static final double TO_MILLI = 1000;

    private final Network network;
    private final Alternating alternating;
    private final List<Placed> residuals;
    private final Variation variation;
    /** Switches operated: several trials share a position. */
    private final Map<List<Edit>, Alternating> positions = new ConcurrentHashMap<>();
    /** The closed poles of each residual-current device. */
    private volatile @Nullable List<List<Pole>> poles;

    private volatile Complex @Nullable [] standing;

    /** @param declared the rig as declared in the same set-up, if this is it as it may be built */
    LiveBench(
            Network network,
            List<Source> sources,
            List<Placed> residuals,
            Variation variation,
            @Nullable LiveBench declared) {
        this.network = network;
        this.alternating = new Alternating(network, sources, declared == null ? null : declared.alternating);
        this.residuals = residuals;
        this.variation = variation;
    }

    Alternating alternating() {
        return alternating;
    }

    Found find(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe probes -> twoProbe(probes);
            case Measurement.Trip trip -> trip(trip);
            case Measurement.Button button ->
                new Found.Words(buttonWorks(button.device()) ? Saying.WORKS : Saying.DOES_NOT_WORK);
            case Measurement.Rotation rotation -> new Found.Words(rotation(rotation));
            case Measurement.LoadCurrent load -> loadCurrent(load);
            case Measurement.Operation operation ->
                new Found.Words(
                        operation.trials().stream().allMatch(this::comesOut) ? Saying.WORKS : Saying.DOES_NOT_WORK);
        };
    }

    List<Double> quantities(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe probes ->
                List.of(
                        probes.function().isLoop()
                                ? port(probes).impedanceOhms()
                                : find(probes) instanceof Found.Number number ? number.base() : 0.0);
            case Measurement.Trip trip ->
                Arrays.stream(testing(alternating.port(trip.line(), trip.earth()))
                                .milliamps(trip.milliamps() / TO_MILLI))
                        .boxed()
                        .toList();
            case Measurement.Button button -> List.of();
            case Measurement.Rotation turn ->
                List.of(
                        open(turn.l1(), turn.l2()).size(),
                        open(turn.l2(), turn.l3()).size(),
                        open(turn.l3(), turn.l1()).size());
            case Measurement.LoadCurrent load -> List.of(drawn(load).size());
            case Measurement.Operation operation ->
                operation.trials().stream().map(this::indicated).toList();
        };
    }

    private Port port(Measurement.TwoProbe probes) {
        return alternating.port(probes.a(), probes.b());
    }

    private Complex open(Terminal a, Terminal b) {
        return alternating.port(a, b).openVolts();
    }

    private Found twoProbe(Measurement.TwoProbe probes) {
        Port port = port(probes);
        return switch (probes.function()) {
            // with the indicator's own load, so that a floating conductor shows next to nothing
            case VOLTAGE ->
                new Found.Number(port.ampsThrough(LiveMeters.INDICATOR_OHMS).size() * LiveMeters.INDICATOR_OHMS);
            case FAULT_CURRENT -> new Found.Number(port.openVolts().size() / port.impedanceOhms());
            case LOOP_TWO_LEAD -> loop(port, LiveMeters.TWO_LEAD_AMPS);
            case LOOP_THREE_LEAD -> loop(port, LiveMeters.THREE_LEAD_AMPS);
            default -> throw new IllegalArgumentException(probes.function() + " is no live test");
        };
    }

    private Found loop(Port port, double testAmps) {
        Complex[] alone = standing();
        for (int i = 0; i < alone.length; i++) {
            double trips = residuals.get(i).device().behaviour().tripMilliamps();
            // only where the test could reach it at all is the division of its current worked out
            if ((alone[i].size() + testAmps) * TO_MILLI >= trips
                    && testing(port).milliamps(i, testAmps) >= trips) {
                return tripped(i);
            }
        }
        return new Found.Number(port.impedanceOhms());
    }

    private Found tripped(int device) {
        return new Found.Stopped("tripped: " + residuals.get(device).label());
    }

    private Found trip(Measurement.Trip trip) {
        Port port = alternating.port(trip.line(), trip.earth());
        if (port.openVolts().size() < PRESENT_VOLTS) {
            return new Found.Stopped("no supply");
        }
        TestCurrent test = testing(port);
        return new Found.Number(trip.function() == Function.RCD_RAMP ? rampAmps(trip, test) : tripMillis(trip, test));
    }

    /** The first of all devices that trips. */
    private double tripMillis(Measurement.Trip trip, TestCurrent test) {
        double first = Double.POSITIVE_INFINITY;
        for (int i = 0; i < residuals.size(); i++) {
            double milliamps = test.milliamps(i, trip.milliamps() / TO_MILLI);
            double millis = residuals.get(i).device().tripMillis(milliamps, trip.negativeHalf());
            first = Math.min(first, millis * variation.trip());
        }
        return first;
    }

    /** Where the rising test current trips the first device, A; +∞ if it ends before. */
    private double rampAmps(Measurement.Trip trip, TestCurrent test) {
        double first = Double.POSITIVE_INFINITY;
        for (int i = 0; i < residuals.size(); i++) {
            double trips = residuals.get(i).device().behaviour().tripMilliamps() * variation.trip();
            first = Math.min(first, test.ampsFor(i, trips));
        }
        return first * TO_MILLI <= trip.milliamps() ? first : Double.POSITIVE_INFINITY;
    }

    private boolean buttonWorks(String device) {
        return residuals.stream()
                .filter(p -> p.id().equals(device))
                .map(Placed::device)
                .map(ResidualDevice::behaviour)
                .anyMatch(ResidualDevice.Behaviour::buttonWorks);
    }

    /** A line or neutral on its way through a residual-current device. */
    record Pole(BranchId branch, Port ends, double siemens) {}

    /** The closed ones of each residual-current device. */
    List<List<Pole>> poles() {
        List<List<Pole>> known = poles;
        if (known == null) {
            known = residuals.stream().map(p -> closed(p.poles())).toList();
            poles = known;
        }
        return known;
    }

    private List<Pole> closed(List<BranchId> ids) {
        List<Pole> closed = new ArrayList<>();
        for (BranchId id : ids) {
            Branch pole = network.branch(id);
            if (!pole.isOpen()) {
                closed.add(new Pole(id, alternating.port(pole.from(), pole.to()), 1 / pole.ohms()));
            }
        }
        return closed;
    }

    /** Residual current of each device without a test, A. */
    private Complex[] standing() {
        Complex[] known = standing;
        if (known == null) {
            known = new Complex[residuals.size()];
            for (int i = 0; i < known.length; i++) {
                Complex sum = Complex.ZERO;
                for (Pole pole : poles().get(i)) {
                    sum = sum.plus(pole.ends().openVolts().times(pole.siemens()));
                }
                known[i] = sum;
            }
            standing = known;
        }
        return known;
    }

    /** A current in phase with the voltage, drawn from line to earth. */
    private TestCurrent testing(Port port) {
        Complex volts = port.openVolts();
        return new TestCurrent(port, volts.size() == 0 ? Complex.ZERO : volts.times(1 / volts.size()));
    }

    /** How a test current divides: residual current is what stands without the test and a share of the test current. */
    private final class TestCurrent {
        private final Port port;
        private final Complex unit;
        private final Complex[] alone = standing();

        /** @param unit 1 A with its phase */
        TestCurrent(Port port, Complex unit) {
            this.port = port;
            this.unit = unit;
        }

        /** Of 1 A drawn, A. */
        private Complex share(int device) {
            if (unit.isZero()) {
                return Complex.ZERO;
            }
            Complex sum = Complex.ZERO;
            for (Pole pole : poles().get(device)) {
                sum = sum.plus(pole.ends().transfer(port).times(pole.siemens()));
            }
            return Complex.ZERO.minus(sum.times(unit));
        }

        double milliamps(int device, double amps) {
            return alone[device].plus(share(device).times(amps)).size() * TO_MILLI;
        }

        double[] milliamps(double amps) {
            double[] all = new double[alone.length];
            for (int i = 0; i < all.length; i++) {
                all[i] = milliamps(i, amps);
            }
            return all;
        }

        /** The least test current that makes the residual current this large: |alone + share·I| is a parabola in I. */
        double ampsFor(int device, double milliamps) {
            double target = milliamps / TO_MILLI;
            Complex s = share(device);
            Complex z = alone[device];
            double a = s.re() * s.re() + s.im() * s.im();
            double b = s.re() * z.re() + s.im() * z.im();
            double c = z.re() * z.re() + z.im() * z.im() - target * target;
            if (c >= 0) {
                return 0;
            }
            return a == 0 ? Double.POSITIVE_INFINITY : (-b + Math.sqrt(b * b - a * c)) / a;
        }
    }

    private Complex drawn(Measurement.LoadCurrent load) {
        return alternating.port(load.a(), load.b()).ampsThrough(load.loadOhms());
    }

    /** The current, unless an RCD does not stand the load. */
    private Found loadCurrent(Measurement.LoadCurrent load) {
        Complex amps = drawn(load);
        TestCurrent drawn = new TestCurrent(alternating.port(load.a(), load.b()), amps);
        for (int i = 0; i < residuals.size(); i++) {
            if (drawn.milliamps(i, 1) >= residuals.get(i).device().behaviour().tripMilliamps()) {
                return tripped(i);
            }
        }
        return new Found.Number(amps.size());
    }

    private Saying rotation(Measurement.Rotation rotation) {
        Complex first = open(rotation.l1(), rotation.l2());
        Complex second = open(rotation.l2(), rotation.l3());
        Complex third = open(rotation.l3(), rotation.l1());
        if (Math.min(first.size(), Math.min(second.size(), third.size())) < PRESENT_VOLTS) {
            return Saying.NO_SEQUENCE;
        }
        double turn = first.im() * second.re() - first.re() * second.im();
        return turn > 0 ? Saying.CLOCKWISE : Saying.ANTICLOCKWISE;
    }

    private boolean comesOut(Measurement.Trial trial) {
        boolean present = indicated(trial) >= PRESENT_VOLTS;
        return present == trial.energised();
    }

    private double indicated(Measurement.Trial trial) {
        return in(trial.position()).voltsAcross(trial.a(), trial.b(), LiveMeters.INDICATOR_OHMS);
    }

    /** The rig with switches operated. */
    Alternating in(List<Edit> position) {
        return position.isEmpty() ? alternating : positions.computeIfAbsent(position, alternating::with);
    }
}
