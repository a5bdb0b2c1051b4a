package prantel.core.expectation;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.Port;
import prantel.core.network.Swing;
import prantel.core.sequence.Measurement;

/**
 * What else may be found at a rig when every part of it is off its declaration in its own way, and not all the same way: beside
 * the rig as declared and the two ends of what it may be. Safe for use by several threads.
 */
final class LiveSpread {
    /** A neutral with more than this to earth is held by insulation alone. */
    private static final double FLOATING_OHMS = 10_000;

    /** No sound supply stands as low as this. */
    private static final double PULLED_DOWN_VOLTS = 200;

    private static final double PULLED_DOWN_SLACK = 0.02;

    /** No tolerance moves a voltage by this factor and more. */
    private static final double FAR = 20;

    private static final double TO_MILLI = 1000;

    private final EnergisedRig rig;
    private final EnergisedRig low;
    private final EnergisedRig high;
    private volatile @Nullable Swing swing;
    /** By the place of the residual-current device. */
    private final Map<Integer, Swing.Seen> seen = new ConcurrentHashMap<>();

    /**
     * @param low the rig at the end where most current flows and devices trip soonest
     * @param high the other end
     */
    LiveSpread(EnergisedRig rig, EnergisedRig low, EnergisedRig high) {
        this.rig = rig;
        this.low = low;
        this.high = high;
    }

    /**
     * What else may be found when every part of the rig is off its declaration in its own way, and not all the same way.
     * Nothing for what only rises, or only falls, with every part.
     *
     * @param low the rig at the end where most current flows and devices trip soonest
     * @param high the other end
     */
    List<Found> apart(Measurement measurement, Found nominal) {
        if (measurement instanceof Measurement.Looked || measurement instanceof Measurement.Inspected) {
            return List.of();
        }
        Set<Set<Integer>> states = new LinkedHashSet<>(rig.outcomes());
        states.addAll(low.outcomes());
        states.addAll(high.outcomes());
        if (states.size() > 1) {
            // whatever opens, opens with the rig at either end
            List<Found> found = new ArrayList<>();
            for (Set<Integer> state : states) {
                for (EnergisedRig bench : List.of(rig, low, high)) {
                    found.add(bench.with(state).find(measurement));
                }
            }
            found.addAll(eitherStop(found));
            if (measurement.function() == Function.VOLTAGE) {
                List.copyOf(found).forEach(f -> found.addAll(pulledDown(f)));
            }
            return found;
        }
        List<Found> either = eitherStop(List.of(nominal));
        if (!either.isEmpty()) {
            return either;
        }
        return switch (measurement) {
            case Measurement.TwoProbe probes -> apart(probes);
            case Measurement.Trip trip -> apart(trip);
            case Measurement.Operation operation -> apart(operation);
            case Measurement.LoadCurrent load -> List.of();
            case Measurement.Button button -> List.of();
            case Measurement.Looked looked -> List.of();
            case Measurement.Inspected inspected -> List.of();
            case Measurement.Rotation rotation -> List.of();
        };
    }

    /** A voltage pulled down by a short swings further than its ends at the two ends of the rig. */
    private static List<Found> pulledDown(Found found) {
        return found instanceof Found.Number(double volts) && volts < PULLED_DOWN_VOLTS
                ? List.of(
                        new Found.Number(volts * (1 - PULLED_DOWN_SLACK)),
                        new Found.Number(volts * (1 + PULLED_DOWN_SLACK)))
                : List.of();
    }

    /** Who finds no supply because something tripped may say either, and what is short may trip or only pull down. */
    private List<Found> eitherStop(List<Found> found) {
        if (rig.protection().devices().isEmpty()) {
            return List.of();
        }
        return found.stream()
                .filter(f -> f instanceof Found.Stopped(Stop stop, String where) && stop != Stop.NEUTRAL_LIVE)
                .findFirst()
                .map(f -> List.<Found>of(
                        new Found.Stopped(Stop.TRIPPED, ((Found.Stopped) f).where()),
                        new Found.Stopped(Stop.NO_SUPPLY, "")))
                .orElse(List.of());
    }

    private List<Found> apart(Measurement.TwoProbe probes) {
        Port port = rig.settled().port(probes);
        if (probes.function().isLoop()) {
            if (LiveReading.isNoLoop(port)) {
                return List.of(new Found.Stopped(Stop.NO_SUPPLY, ""));
            }
            List<Found> found = new ArrayList<>(trippedByLoop(probes));
            found.addAll(stoppedByNeutral(probes));
            return found;
        }
        if (port.isOpen()) {
            return List.of();
        }
        Swing.Range volts = swing().volts(port);
        // pulled down by a short the swing is a large one, and told to the first order only
        double slack = port.openVolts().size() < PULLED_DOWN_VOLTS ? PULLED_DOWN_SLACK : 0;
        double least = volts.least() * high.variation().volts() * (1 - slack);
        double most = volts.most() * low.variation().volts() * (1 + slack);
        if (probes.function() == Function.VOLTAGE) {
            return List.of(new Found.Number(least), new Found.Number(most));
        }
        List<Found> found = new ArrayList<>();
        if (most >= LiveMeters.LEAST_VOLTS) {
            found.add(new Found.Number(most / low.settled().port(probes).impedanceOhms()));
        }
        found.add(
                least < LiveMeters.LEAST_VOLTS
                        ? new Found.Stopped(Stop.NO_SUPPLY, "")
                        : new Found.Number(least / high.settled().port(probes).impedanceOhms()));
        return found;
    }

    /** Where the voltage on the neutral may or may not be enough to stop a three-lead test. */
    private List<Found> stoppedByNeutral(Measurement.TwoProbe probes) {
        if (probes.neutral().isEmpty()) {
            return List.of();
        }
        Port neutral = rig.settled().alternating().port(probes.neutral().get(), probes.b());
        // held by insulation alone it stands anywhere
        boolean floating = neutral.isOpen() || neutral.impedanceOhms() > FLOATING_OHMS;
        if (!floating) {
            if (neutral.openVolts().size() < LiveMeters.NEUTRAL_VOLTS / FAR) {
                return List.of();
            }
            Swing.Range volts = swing().volts(neutral);
            boolean mayStop = volts.most() * low.variation().volts() > LiveMeters.NEUTRAL_VOLTS;
            boolean mayRead = volts.least() * high.variation().volts() <= LiveMeters.NEUTRAL_VOLTS;
            if (!mayStop || !mayRead) {
                return List.of();
            }
        }
        return List.of(
                new Found.Stopped(Stop.NEUTRAL_LIVE, ""),
                new Found.Number(low.settled().port(probes).impedanceOhms()),
                new Found.Number(high.settled().port(probes).impedanceOhms()));
    }

    /** Whether what stands and the test together may open a device in front of the probes. */
    private List<Found> trippedByLoop(Measurement.TwoProbe probes) {
        Port port = rig.settled().port(probes);
        double amps =
                probes.function() == Function.LOOP_TWO_LEAD ? LiveMeters.TWO_LEAD_AMPS : LiveMeters.THREE_LEAD_AMPS;
        TestCurrent test = rig.settled().testing(port);
        Moving moving = new Moving(test, amps);
        for (int i = 0; i < rig.protection().residuals().size(); i++) {
            boolean far = (rig.settled().standing()[i].size() + amps) * TO_MILLI
                    < low.settled().tripMilliamps(i) / 2;
            if (rig.settled().isOpen(i) || far) {
                continue;
            }
            boolean mayOpen =
                    moving.residual(i).most() * TO_MILLI >= low.settled().tripMilliamps(i);
            if (mayOpen && !LiveReading.isPresent(rig.settled().with(i).port(probes))) {
                return List.of(new Found.Stopped(
                        Stop.TRIPPED, rig.protection().residuals().get(i).label()));
            }
        }
        return List.of();
    }

    /** A test current as every part of the rig moves it: worked out once for all devices that it may open. */
    private final class Moving {
        private final TestCurrent test;
        private final double amps;
        private Swing.@Nullable Drawn drawn;

        Moving(TestCurrent test, double amps) {
            this.test = test;
            this.amps = amps;
        }

        /** Residual current of a device while it flows, A. */
        Swing.Range residual(int device) {
            Swing swing = swing();
            Swing.Drawn flowing = drawn;
            if (flowing == null) {
                flowing = swing.drawing(test.port(), test.unit().times(amps));
                drawn = flowing;
            }
            return flowing.amps(test.residual(device, amps), seenBy(device, swing));
        }
    }

    /** The same for every test. */
    private Swing.Seen seenBy(int device, Swing swing) {
        return seen.computeIfAbsent(device, d -> {
            List<Pole> poles = rig.poles().get(d);
            return swing.seenBy(
                    poles.stream().map(Pole::ends).toList(),
                    poles.stream().mapToDouble(Pole::siemens).toArray());
        });
    }

    private List<Found> apart(Measurement.Trip trip) {
        Port port = rig.alternating().port(trip.line(), trip.earth());
        if (!LiveReading.isPresent(port)) {
            return List.of();
        }
        TestCurrent test = rig.settled().testing(port);
        double amps = trip.milliamps() / TO_MILLI;
        Moving moving = new Moving(test, amps);
        // where an end of the rig has no supply for the test, that end tells nothing of the time
        boolean bothEnds = LiveReading.isPresent(low.alternating().port(trip.line(), trip.earth()))
                && LiveReading.isPresent(high.alternating().port(trip.line(), trip.earth()));
        List<Found> found = new ArrayList<>();
        for (int i = 0; i < rig.protection().residuals().size(); i++) {
            double milliamps = test.milliamps(i, amps);
            boolean whole = bothEnds && Math.abs(milliamps - trip.milliamps()) < 1e-3 * trip.milliamps();
            if (rig.settled().isOpen(i)
                    || whole
                    || milliamps < 0.3 * rig.settled().tripMilliamps(i)) {
                continue;
            }
            Swing.Range range = moving.residual(i);
            found.add(new Found.Number(trips(low, trip, i, range.most() * TO_MILLI)));
            found.add(new Found.Number(trips(high, trip, i, range.least() * TO_MILLI)));
        }
        return found;
    }

    /** As {@link #tripsAt}. @param milliamps residual current while the whole test current flows */
    private static double trips(EnergisedRig end, Measurement.Trip trip, int device, double milliamps) {
        if (trip.function() != Function.RCD_RAMP) {
            return end.reading().tripMillis(device, milliamps, trip.negativeHalf());
        }
        double amps = trip.milliamps() / TO_MILLI * end.settled().tripMilliamps(device) / milliamps;
        return amps * TO_MILLI <= trip.milliamps() ? amps : Double.POSITIVE_INFINITY;
    }

    /** Where a voltage may or may not be enough to be called present. */
    private List<Found> apart(Measurement.Operation operation) {
        for (Measurement.Trial trial : operation.trials()) {
            double volts = rig.reading().indicated(trial);
            if (volts < 1 || volts > 2 * LiveReading.PRESENT_VOLTS) {
                continue;
            }
            Alternating in = rig.in(trial.position());
            Swing.Range range = new Swing(in, low.in(trial.position()), high.in(trial.position()))
                    .volts(in.port(trial.a(), trial.b()));
            boolean mayBeAbsent = range.least() * high.variation().volts() < LiveReading.PRESENT_VOLTS;
            boolean mayBePresent = range.most() * low.variation().volts() >= LiveReading.PRESENT_VOLTS;
            if (mayBeAbsent && mayBePresent) {
                return List.of(new Found.Words(operation.right()), new Found.Words(operation.wrong()));
            }
        }
        return List.of();
    }

    private Swing swing() {
        Swing known = swing;
        if (known == null) {
            known = new Swing(rig.alternating(), low.alternating(), high.alternating());
            swing = known;
        }
        return known;
    }
}
