package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.Alternating.Draw;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Complex;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Source;
import prantel.core.network.Terminal;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Residuals.Placed;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/** A rig in one set-up with the supply on. */
final class LiveBench {
    private static final double PRESENT_VOLTS = 100;
    private static final double TO_MILLI = 1000;

    private final Network network;
    private final Alternating alternating;
    private final List<Source> sources;
    private final List<Placed> residuals;
    private final Variation variation;
    private final Map<List<Terminal>, Division> divisions = new HashMap<>();
    private Complex @Nullable [] standing;

    LiveBench(
            Network network,
            Alternating alternating,
            List<Source> sources,
            List<Placed> residuals,
            Variation variation) {
        this.network = network;
        this.alternating = alternating;
        this.sources = sources;
        this.residuals = residuals;
        this.variation = variation;
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
                        probes.function() == Function.LOOP_TWO_LEAD || probes.function() == Function.LOOP_THREE_LEAD
                                ? alternating.impedanceOhms(probes.a(), probes.b())
                                : find(probes) instanceof Found.Number number ? number.base() : 0.0);
            case Measurement.Trip trip ->
                Arrays.stream(residualMilliamps(trip.line(), trip.earth(), trip.milliamps() / TO_MILLI))
                        .boxed()
                        .toList();
            case Measurement.Button button -> List.of();
            case Measurement.Rotation turn ->
                List.of(
                        open(alternating, turn.l1(), turn.l2()).size(),
                        open(alternating, turn.l2(), turn.l3()).size(),
                        open(alternating, turn.l3(), turn.l1()).size());
            case Measurement.LoadCurrent load -> List.of(loadAmps(load));
            case Measurement.Operation operation ->
                operation.trials().stream().map(this::indicated).toList();
        };
    }

    private Found twoProbe(Measurement.TwoProbe probes) {
        return switch (probes.function()) {
            case VOLTAGE -> new Found.Number(indicated(alternating, probes.a(), probes.b()));
            case FAULT_CURRENT ->
                new Found.Number(open(alternating, probes.a(), probes.b()).size()
                        / alternating.impedanceOhms(probes.a(), probes.b()));
            case LOOP_TWO_LEAD -> loop(probes, LiveMeters.TWO_LEAD_AMPS);
            case LOOP_THREE_LEAD -> loop(probes, LiveMeters.THREE_LEAD_AMPS);
            default -> throw new IllegalArgumentException(probes.function() + " is no live test");
        };
    }

    private Found loop(Measurement.TwoProbe probes, double testAmps) {
        double[] leaks = standing();
        for (int i = 0; i < leaks.length; i++) {
            double trips = residuals.get(i).device().behaviour().tripMilliamps();
            // only where the test could reach it at all is the division of its current worked out
            if (leaks[i] + testAmps * TO_MILLI >= trips
                    && residualMilliamps(probes.a(), probes.b(), testAmps)[i] >= trips) {
                return new Found.Stopped("tripped: " + residuals.get(i).label());
            }
        }
        return new Found.Number(alternating.impedanceOhms(probes.a(), probes.b()));
    }

    private Found trip(Measurement.Trip trip) {
        if (open(alternating, trip.line(), trip.earth()).size() < PRESENT_VOLTS) {
            return new Found.Stopped("no supply");
        }
        return switch (trip.function()) {
            case RCD_RAMP -> new Found.Number(rampAmps(trip));
            default -> new Found.Number(tripMillis(trip));
        };
    }

    /** The first of all devices that trips. */
    private double tripMillis(Measurement.Trip trip) {
        double[] currents = residualMilliamps(trip.line(), trip.earth(), trip.milliamps() / TO_MILLI);
        double first = Double.POSITIVE_INFINITY;
        for (int i = 0; i < currents.length; i++) {
            double millis = residuals.get(i).device().tripMillis(currents[i], trip.negativeHalf());
            first = Math.min(first, millis * variation.trip());
        }
        return first;
    }

    /** Where the rising test current trips the first device, A; +∞ if it ends before. */
    private double rampAmps(Measurement.Trip trip) {
        Division division = division(trip.line(), trip.earth());
        double first = Double.POSITIVE_INFINITY;
        for (int i = 0; i < residuals.size(); i++) {
            double trips = residuals.get(i).device().behaviour().tripMilliamps() * variation.trip();
            first = Math.min(first, division.ampsFor(i, trips));
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

    private double[] standing() {
        Complex[] known = standing;
        if (known == null) {
            known = residuals.isEmpty() ? new Complex[0] : sums(alternating, List.of());
            standing = known;
        }
        return Arrays.stream(known).mapToDouble(c -> c.size() * TO_MILLI).toArray();
    }

    /** Residual current of each device while a current in phase with the voltage is drawn, mA. */
    private double[] residualMilliamps(Terminal line, Terminal earth, double amps) {
        Division division = division(line, earth);
        double[] milliamps = new double[residuals.size()];
        for (int i = 0; i < milliamps.length; i++) {
            milliamps[i] = division.residualMilliamps(i, amps);
        }
        return milliamps;
    }

    private Division division(Terminal line, Terminal earth) {
        return divisions.computeIfAbsent(List.of(line, earth), pair -> {
            standing();
            Complex[] alone = Objects.requireNonNull(standing);
            Complex volts = open(alternating, line, earth);
            if (volts.size() == 0 || alone.length == 0) {
                return new Division(alone, alone);
            }
            Complex unit = volts.times(1 / volts.size());
            Complex[] withOneAmp = sums(alternating, List.of(new Draw(line, earth, unit)));
            Complex[] share = new Complex[alone.length];
            for (int i = 0; i < share.length; i++) {
                share[i] = withOneAmp[i].minus(alone[i]);
            }
            return new Division(alone, share);
        });
    }

    /**
     * How a test current divides: residual current is what stands without the test and a share of the test current.
     *
     * @param alone A, for each device
     * @param share of 1 A drawn
     */
    private record Division(Complex[] alone, Complex[] share) {
        double residualMilliamps(int device, double amps) {
            return alone[device].plus(share[device].times(amps)).size() * TO_MILLI;
        }

        /** The least test current that makes the residual current this large: |alone + share·I| is a parabola in I. */
        double ampsFor(int device, double milliamps) {
            double target = milliamps / TO_MILLI;
            Complex s = share[device];
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

    /** Vector sum of the currents through the poles of each device, A. */
    private Complex[] sums(Alternating from, List<Draw> draws) {
        List<Branch> poles = new ArrayList<>();
        for (Placed placed : residuals) {
            for (BranchId id : placed.poles()) {
                poles.add(network.branch(id));
            }
        }
        Set<Terminal> ends = new LinkedHashSet<>();
        poles.forEach(p -> {
            ends.add(p.from());
            ends.add(p.to());
        });
        List<Terminal> terminals = List.copyOf(ends);
        @Nullable Complex[] volts = from.voltages(terminals, draws);
        Complex[] sums = new Complex[residuals.size()];
        int at = 0;
        for (int i = 0; i < sums.length; i++) {
            Complex sum = Complex.ZERO;
            for (int p = 0; p < residuals.get(i).poles().size(); p++) {
                Branch pole = poles.get(at++);
                Complex start = volts[terminals.indexOf(pole.from())];
                Complex end = volts[terminals.indexOf(pole.to())];
                if (!pole.isOpen() && start != null && end != null) {
                    sum = sum.plus(start.minus(end).times(1 / pole.ohms()));
                }
            }
            sums[i] = sum;
        }
        return sums;
    }

    private double loadAmps(Measurement.LoadCurrent load) {
        return open(loaded(load), load.a(), load.b()).size() / load.loadOhms();
    }

    private Alternating loaded(Measurement.LoadCurrent load) {
        return new Alternating(network.with(List.of(new Edit.Bridge(load.a(), load.b(), load.loadOhms()))), sources);
    }

    /** The current, unless an RCD does not stand the load. */
    private Found loadCurrent(Measurement.LoadCurrent load) {
        if (!residuals.isEmpty()) {
            Complex[] sums = sums(loaded(load), List.of());
            for (int i = 0; i < sums.length; i++) {
                if (sums[i].size() * TO_MILLI
                        >= residuals.get(i).device().behaviour().tripMilliamps()) {
                    return new Found.Stopped("tripped: " + residuals.get(i).label());
                }
            }
        }
        return new Found.Number(loadAmps(load));
    }

    private Saying rotation(Measurement.Rotation rotation) {
        @Nullable
        Complex[] volts = alternating.voltages(List.of(rotation.l1(), rotation.l2(), rotation.l3()), List.of());
        Complex l1 = volts[0];
        Complex l2 = volts[1];
        Complex l3 = volts[2];
        if (l1 == null || l2 == null || l3 == null) {
            return Saying.NO_SEQUENCE;
        }
        Complex first = l1.minus(l2);
        Complex second = l2.minus(l3);
        Complex third = l3.minus(l1);
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

    /** With the indicator's own load, so that a floating conductor shows next to nothing. */
    private static double indicated(Alternating in, Terminal a, Terminal b) {
        return in.voltsAcross(a, b, LiveMeters.INDICATOR_OHMS);
    }

    private double indicated(Measurement.Trial trial) {
        Alternating in =
                trial.position().isEmpty() ? alternating : new Alternating(network.with(trial.position()), sources);
        return indicated(in, trial.a(), trial.b());
    }

    private static Complex open(Alternating alternating, Terminal a, Terminal b) {
        @Nullable Complex[] volts = alternating.voltages(List.of(a, b), List.of());
        Complex from = volts[0];
        Complex to = volts[1];
        return from == null || to == null ? Complex.ZERO : from.minus(to);
    }
}
