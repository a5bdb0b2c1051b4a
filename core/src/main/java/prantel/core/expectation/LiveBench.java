package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.LiveMeters;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Complex;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Port;
import prantel.core.network.Source;
import prantel.core.network.Swing;
import prantel.core.network.Terminal;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/**
 * A rig in one set-up with the supply on. What trips at once when the supply comes on, opens, and the rig is solved again;
 * so does what trips during a test, and the test ends only when its own supply is gone. Safe for use by several threads.
 */
final class LiveBench {
    /** A neutral with more than this to earth is held by insulation alone. */
    private static final double FLOATING_OHMS = 10_000;

    /** No sound supply stands as low as this. */
    private static final double PULLED_DOWN_VOLTS = 200;

    private static final double PULLED_DOWN_SLACK = 0.02;

    /** No tolerance moves a voltage by this factor and more. */
    private static final double FAR = 20;

    private static final double PRESENT_VOLTS = 100;
    private static final double TO_MILLI = 1000;
    /** Races that are followed to their end. */
    private static final int MOST_OUTCOMES = 8;

    /** Above every loop tester's range. */
    private static final double NO_LOOP_OHMS = 1e5;

    private final Protection protection;
    private final Variation variation;
    private final State closed;
    private volatile @Nullable State settled;
    private volatile @Nullable Swing swing;
    /** By the place of the residual-current device. */
    private final Map<Integer, Swing.Seen> seen = new ConcurrentHashMap<>();
    /** Switches operated: several trials share a position. */
    private final Map<List<Edit>, Alternating> positions = new ConcurrentHashMap<>();

    /** @param declared the rig as declared in the same set-up, if this is it as it may be built */
    LiveBench(
            Network network,
            List<Source> sources,
            Protection protection,
            Variation variation,
            @Nullable LiveBench declared) {
        this.protection = protection;
        this.variation = variation;
        this.closed = new State(
                network,
                new Alternating(network, sources, declared == null ? null : declared.closed.alternating),
                Set.of());
    }

    /** A line or neutral on its way through a device. */
    record Pole(BranchId branch, Port ends, double siemens) {}

    /** The rig with some of its devices open. */
    private final class State {
        private final Network network;
        private final Alternating alternating;
        /** Positions in {@link Protection#devices}. */
        private final Set<Integer> open;

        private volatile @Nullable List<List<Pole>> poles;
        private volatile Complex @Nullable [] standing;

        State(Network network, Alternating alternating, Set<Integer> open) {
            this.network = network;
            this.alternating = alternating;
            this.open = open;
        }

        State with(int device) {
            List<Edit> edits = protection.devices().get(device).poles().stream()
                    .<Edit>map(Edit.Open::new)
                    .toList();
            Set<Integer> more = new LinkedHashSet<>(open);
            more.add(device);
            return new State(network.with(edits), alternating.with(edits), more);
        }

        /** The closed ones of each residual-current device. */
        List<List<Pole>> poles() {
            List<List<Pole>> known = poles;
            if (known == null) {
                known = protection.residuals().stream()
                        .map(p -> closedOnes(p.poles()))
                        .toList();
                poles = known;
            }
            return known;
        }

        private List<Pole> closedOnes(List<BranchId> ids) {
            List<Pole> found = new ArrayList<>();
            for (BranchId id : ids) {
                Branch pole = network.branch(id);
                if (!pole.isOpen()) {
                    found.add(new Pole(id, alternating.port(pole.from(), pole.to()), 1 / pole.ohms()));
                }
            }
            return found;
        }

        /** Residual current of each device without a test, A. */
        Complex[] standing() {
            Complex[] known = standing;
            if (known == null) {
                known = new Complex[protection.residuals().size()];
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

        Port port(Measurement.TwoProbe probes) {
            return alternating.port(probes.a(), probes.b());
        }

        /** A current drawn from the first terminal of a port to its second, in phase with the voltage. */
        TestCurrent testing(Port port) {
            Complex volts = port.openVolts();
            return new TestCurrent(this, port, volts.size() == 0 ? Complex.ZERO : volts.times(1 / volts.size()));
        }

        /**
         * Devices that do not stand what flows, the one taken to be first in front: of residual-current devices the one
         * without delay nearest to the fault, then overcurrent devices. Which of several really is first, nobody knows.
         */
        List<Integer> opening() {
            List<Integer> found = new ArrayList<>();
            List<Integer> delayed = new ArrayList<>();
            for (int i = standing().length - 1; i >= 0; i--) {
                if (!open.contains(i) && standing()[i].size() * TO_MILLI >= tripMilliamps(i)) {
                    (protection.residuals().get(i).device().delayed() ? delayed : found).add(i);
                }
            }
            found.addAll(overcurrent());
            if (found.isEmpty()) {
                found.addAll(delayed);
            }
            return found;
        }

        /** A line that draws little draws little in each of its circuits: then no device is looked at. */
        private List<Integer> overcurrent() {
            double most = 0;
            for (Pole pole : closedOnes(protection.supplyPoles())) {
                most = Math.max(most, pole.ends().openVolts().size() * pole.siemens());
            }
            double[] times = new double[protection.devices().size()];
            List<Integer> found = new ArrayList<>();
            for (int i = protection.residuals().size(); i < protection.devices().size(); i++) {
                double trips =
                        protection.devices().get(i).amps() * (variation.trip().current() < 1 ? Protection.SOONEST : 1);
                if (open.contains(i) || most < trips) {
                    continue;
                }
                for (Pole pole : closedOnes(protection.devices().get(i).poles())) {
                    double amps = pole.ends().openVolts().size() * pole.siemens();
                    times[i] = Math.max(times[i], amps / trips);
                }
                if (times[i] >= 1) {
                    found.add(i);
                }
            }
            found.sort(Comparator.comparingDouble(i -> -times[i]));
            return found;
        }
    }

    private double tripMilliamps(int residual) {
        return protection.residuals().get(residual).device().behaviour().tripMilliamps()
                * variation.trip().current();
    }

    /** The same rig with just these devices open. */
    private LiveBench with(Set<Integer> open) {
        if (settled().open.equals(open)) {
            return this;
        }
        State state = closed;
        for (int device : open) {
            state = state.with(device);
        }
        return new LiveBench(state, protection, variation);
    }

    /** Settled already. */
    private LiveBench(State settled, Protection protection, Variation variation) {
        this.protection = protection;
        this.variation = variation;
        this.closed = settled;
        this.settled = settled;
    }

    /** After whatever opens when the supply comes on. */
    private State settled() {
        State known = settled;
        if (known == null) {
            known = closed;
            for (List<Integer> devices = known.opening(); !devices.isEmpty(); devices = known.opening()) {
                known = known.with(devices.getFirst());
            }
            settled = known;
        }
        return known;
    }

    /** What may be open when everything that opens has opened: several where devices race. */
    private Set<Set<Integer>> outcomes() {
        Set<Set<Integer>> outcomes = new LinkedHashSet<>(List.of(settled().open));
        if (trips()) {
            collect(closed, outcomes);
        }
        return outcomes;
    }

    private static void collect(State state, Set<Set<Integer>> outcomes) {
        List<Integer> devices = state.opening();
        if (devices.isEmpty()) {
            outcomes.add(state.open);
        }
        for (int device : devices) {
            if (outcomes.size() < MOST_OUTCOMES) {
                collect(state.with(device), outcomes);
            }
        }
    }

    Alternating alternating() {
        return settled().alternating;
    }

    Network network() {
        return settled().network;
    }

    List<List<Pole>> poles() {
        return settled().poles();
    }

    /** The line poles of the main switch that are closed. */
    List<Pole> supplyPoles() {
        return settled().closedOnes(protection.supplyPoles());
    }

    /** Whether something opens when the supply comes on. */
    boolean trips() {
        return !settled().open.isEmpty();
    }

    Found find(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe probes -> twoProbe(probes);
            case Measurement.Trip trip -> trip(trip);
            case Measurement.Button button ->
                new Found.Words(buttonWorks(button.device()) ? Saying.WORKS : Saying.DOES_NOT_WORK);
            case Measurement.Looked looked -> new Found.Words(looked.saying());
            case Measurement.Inspected inspected ->
                throw new IllegalStateException("asked of the faults: " + inspected);
            case Measurement.Rotation rotation -> new Found.Words(rotation(rotation));
            case Measurement.LoadCurrent load -> loadCurrent(load);
            case Measurement.Operation operation ->
                new Found.Words(
                        operation.trials().stream().allMatch(this::comesOut) ? Saying.WORKS : Saying.DOES_NOT_WORK);
        };
    }

    List<Double> quantities(Measurement measurement) {
        return switch (measurement) {
            case Measurement.TwoProbe probes -> List.of(quantity(probes));
            case Measurement.Trip trip ->
                Arrays.stream(settled()
                                .testing(alternating().port(trip.line(), trip.earth()))
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
                List.of(in(load.connected())
                        .port(load.a(), load.b())
                        .ampsThrough(load.loadOhms())
                        .size());
            case Measurement.Operation operation ->
                operation.trials().stream().map(this::indicated).toList();
        };
    }

    private double quantity(Measurement.TwoProbe probes) {
        Port port = settled().port(probes);
        return switch (probes.function()) {
            case VOLTAGE -> indicated(port);
            case FAULT_CURRENT -> port.isOpen() ? 0 : port.openVolts().size() / port.impedanceOhms();
            default -> port.impedanceOhms();
        };
    }

    private Complex open(Terminal a, Terminal b) {
        return alternating().port(a, b).openVolts();
    }

    /** With the indicator's own load, so that a floating conductor shows next to nothing. */
    private static double indicated(Port port) {
        return port.ampsThrough(LiveMeters.INDICATOR_OHMS).size() * LiveMeters.INDICATOR_OHMS;
    }

    private Found twoProbe(Measurement.TwoProbe probes) {
        Port port = settled().port(probes);
        return switch (probes.function()) {
            case VOLTAGE -> new Found.Number(indicated(port));
            case FAULT_CURRENT ->
                isPresent(port)
                        ? new Found.Number(port.openVolts().size() / port.impedanceOhms())
                        : withoutSupply(probes.a(), probes.b());
            case LOOP_TWO_LEAD -> loop(probes, LiveMeters.TWO_LEAD_AMPS);
            case LOOP_THREE_LEAD -> loop(probes, LiveMeters.THREE_LEAD_AMPS);
            default -> throw new IllegalArgumentException(probes.function() + " is no live test");
        };
    }

    /** What stands there only through insulation goes when a tester is put to it. */
    private static boolean isPresent(Port port) {
        return indicated(port) >= LiveMeters.LEAST_VOLTS;
    }

    /** Whether there is no loop that a tester could show: testers say over-range, or that there is no voltage. */
    private static boolean isNoLoop(Port port) {
        return !(port.impedanceOhms() < NO_LOOP_OHMS);
    }

    /** What took the supply away, where it was there before something opened. */
    private Found withoutSupply(Terminal a, Terminal b) {
        boolean opened = trips() && isPresent(closed.alternating.port(a, b));
        return opened ? tripped(settled().open.iterator().next()) : new Found.Stopped(Stop.NO_SUPPLY, "");
    }

    private Found tripped(int device) {
        return new Found.Stopped(Stop.TRIPPED, protection.devices().get(device).label());
    }

    private Found loop(Measurement.TwoProbe probes, double testAmps) {
        if (isNoLoop(settled().port(probes)) && !trips()) {
            return new Found.Number(Double.POSITIVE_INFINITY);
        }
        if (!isPresent(settled().port(probes))) {
            return withoutSupply(probes.a(), probes.b());
        }
        if (probes.neutral().isPresent()
                && open(probes.neutral().get(), probes.b()).size() > LiveMeters.NEUTRAL_VOLTS) {
            return new Found.Stopped(Stop.NEUTRAL_LIVE, "");
        }
        State state = settled();
        while (true) {
            Port port = state.port(probes);
            int device = firstAbove(state, port, testAmps);
            if (device < 0) {
                return new Found.Number(port.impedanceOhms());
            }
            state = state.with(device);
            if (!isPresent(state.port(probes))) {
                return tripped(device);
            }
        }
    }

    /** The first residual-current device that a test current trips; −1 for none. */
    private int firstAbove(State state, Port port, double testAmps) {
        Complex[] alone = state.standing();
        for (int i = 0; i < alone.length; i++) {
            // only where the test could reach it at all is the division of its current worked out
            if (!state.open.contains(i)
                    && (alone[i].size() + testAmps) * TO_MILLI >= tripMilliamps(i)
                    && state.testing(port).milliamps(i, testAmps) >= tripMilliamps(i)) {
                return i;
            }
        }
        return -1;
    }

    private Found trip(Measurement.Trip trip) {
        State state = settled();
        if (!isPresent(state.alternating.port(trip.line(), trip.earth()))) {
            return withoutSupply(trip.line(), trip.earth());
        }
        double reached = 0;
        while (true) {
            TestCurrent test = state.testing(state.alternating.port(trip.line(), trip.earth()));
            int first = -1;
            double least = Double.POSITIVE_INFINITY;
            for (int i = 0; i < protection.residuals().size(); i++) {
                double at = state.open.contains(i) ? Double.POSITIVE_INFINITY : tripsAt(trip, test, i);
                if (at < least) {
                    least = at;
                    first = i;
                }
            }
            if (first < 0) {
                return new Found.Number(Double.POSITIVE_INFINITY);
            }
            reached = Math.max(reached, least);
            state = state.with(first);
            if (!isPresent(state.alternating.port(trip.line(), trip.earth()))) {
                return new Found.Number(reached);
            }
        }
    }

    /** When, ms, or for the ramp at what test current, A, it trips; +∞ for never. */
    private double tripsAt(Measurement.Trip trip, TestCurrent test, int device) {
        if (trip.function() == Function.RCD_RAMP) {
            double amps = test.ampsFor(device, tripMilliamps(device));
            return amps * TO_MILLI <= trip.milliamps() ? amps : Double.POSITIVE_INFINITY;
        }
        return tripMillis(device, test.milliamps(device, trip.milliamps() / TO_MILLI), trip.negativeHalf());
    }

    private double tripMillis(int device, double milliamps, boolean negativeHalf) {
        return milliamps < tripMilliamps(device)
                ? Double.POSITIVE_INFINITY
                : atLeastTripping(device, milliamps, negativeHalf)
                        * variation.trip().time();
    }

    /** A device that trips sooner than it is marked has at its own current the time it is marked with. */
    private double atLeastTripping(int device, double milliamps, boolean negativeHalf) {
        var one = protection.residuals().get(device).device();
        return one.tripMillis(Math.max(milliamps, one.behaviour().tripMilliamps()), negativeHalf);
    }

    private boolean buttonWorks(String device) {
        for (int i = 0; i < protection.residuals().size(); i++) {
            if (protection.residuals().get(i).id().equals(device)) {
                return !settled().open.contains(i)
                        && protection.residuals().get(i).device().behaviour().buttonWorks();
            }
        }
        return false;
    }

    /** How a test current divides: residual current is what stands without the test and a share of the test current. */
    private static final class TestCurrent {
        private final State state;
        private final Port port;
        private final Complex unit;
        private final Complex[] alone;

        /** @param unit 1 A with its phase */
        TestCurrent(State state, Port port, Complex unit) {
            this.state = state;
            this.port = port;
            this.unit = unit;
            this.alone = state.standing();
        }

        /** Of 1 A drawn, A. */
        private Complex share(int device) {
            if (unit.isZero()) {
                return Complex.ZERO;
            }
            Complex sum = Complex.ZERO;
            for (Pole pole : state.poles().get(device)) {
                sum = sum.plus(pole.ends().transfer(port).times(pole.siemens()));
            }
            return Complex.ZERO.minus(sum.times(unit));
        }

        Complex residual(int device, double amps) {
            return alone[device].plus(share(device).times(amps));
        }

        double milliamps(int device, double amps) {
            return residual(device, amps).size() * TO_MILLI;
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

    /** The current, unless a device does not stand the load. */
    private Found loadCurrent(Measurement.LoadCurrent load) {
        State state = settled();
        if (!isPresent(state.alternating.port(load.a(), load.b()))) {
            return withoutSupply(load.a(), load.b());
        }
        if (!load.connected().isEmpty()) {
            state = new State(
                    state.network.with(load.connected()), state.alternating.with(load.connected()), state.open);
        }
        while (true) {
            Port port = state.alternating.port(load.a(), load.b());
            Complex amps = port.ampsThrough(load.loadOhms());
            TestCurrent drawn = new TestCurrent(state, port, amps);
            int opens = -1;
            for (int i = 0; i < protection.residuals().size() && opens < 0; i++) {
                opens = !state.open.contains(i) && drawn.milliamps(i, 1) >= tripMilliamps(i) ? i : -1;
            }
            if (opens < 0) {
                return new Found.Number(amps.size());
            }
            state = state.with(opens);
            if (!isPresent(state.alternating.port(load.a(), load.b()))) {
                return tripped(opens);
            }
        }
    }

    private Saying rotation(Measurement.Rotation rotation) {
        Complex first = open(rotation.l1(), rotation.l2());
        Complex second = open(rotation.l2(), rotation.l3());
        Complex third = open(rotation.l3(), rotation.l1());
        double least = Math.min(
                indicated(alternating().port(rotation.l1(), rotation.l2())),
                Math.min(
                        indicated(alternating().port(rotation.l2(), rotation.l3())),
                        indicated(alternating().port(rotation.l3(), rotation.l1()))));
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

    private double indicated(Measurement.Trial trial) {
        return in(trial.position()).voltsAcross(trial.a(), trial.b(), LiveMeters.INDICATOR_OHMS);
    }

    /** The rig with switches operated, or something connected. */
    Alternating in(List<Edit> position) {
        return position.isEmpty() ? alternating() : positions.computeIfAbsent(position, alternating()::with);
    }

    /**
     * What else may be found when every part of the rig is off its declaration in its own way, and not all the same way.
     * Nothing for what only rises, or only falls, with every part.
     *
     * @param low the rig at the end where most current flows and devices trip soonest
     * @param high the other end
     */
    List<Found> apart(Measurement measurement, Found nominal, LiveBench low, LiveBench high) {
        if (measurement instanceof Measurement.Looked || measurement instanceof Measurement.Inspected) {
            return List.of();
        }
        Set<Set<Integer>> states = new LinkedHashSet<>(outcomes());
        states.addAll(low.outcomes());
        states.addAll(high.outcomes());
        if (states.size() > 1) {
            // whatever opens, opens with the rig at either end
            List<Found> found = new ArrayList<>();
            for (Set<Integer> state : states) {
                for (LiveBench bench : List.of(this, low, high)) {
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
            case Measurement.TwoProbe probes -> apart(probes, low, high);
            case Measurement.Trip trip -> apart(trip, low, high);
            case Measurement.Operation operation -> apart(operation, low, high);
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
        if (protection.devices().isEmpty()) {
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

    private List<Found> apart(Measurement.TwoProbe probes, LiveBench low, LiveBench high) {
        Port port = settled().port(probes);
        if (probes.function().isLoop()) {
            if (isNoLoop(port)) {
                return List.of(new Found.Stopped(Stop.NO_SUPPLY, ""));
            }
            List<Found> found = new ArrayList<>(trippedByLoop(probes, low, high));
            found.addAll(stoppedByNeutral(probes, low, high));
            return found;
        }
        if (port.isOpen()) {
            return List.of();
        }
        Swing.Range volts = swing(low, high).volts(port);
        // pulled down by a short the swing is a large one, and told to the first order only
        double slack = port.openVolts().size() < PULLED_DOWN_VOLTS ? PULLED_DOWN_SLACK : 0;
        double least = volts.least() * high.variation.volts() * (1 - slack);
        double most = volts.most() * low.variation.volts() * (1 + slack);
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
    private List<Found> stoppedByNeutral(Measurement.TwoProbe probes, LiveBench low, LiveBench high) {
        if (probes.neutral().isEmpty()) {
            return List.of();
        }
        Port neutral = settled().alternating.port(probes.neutral().get(), probes.b());
        // held by insulation alone it stands anywhere
        boolean floating = neutral.isOpen() || neutral.impedanceOhms() > FLOATING_OHMS;
        if (!floating) {
            if (neutral.openVolts().size() < LiveMeters.NEUTRAL_VOLTS / FAR) {
                return List.of();
            }
            Swing.Range volts = swing(low, high).volts(neutral);
            boolean mayStop = volts.most() * low.variation.volts() > LiveMeters.NEUTRAL_VOLTS;
            boolean mayRead = volts.least() * high.variation.volts() <= LiveMeters.NEUTRAL_VOLTS;
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
    private List<Found> trippedByLoop(Measurement.TwoProbe probes, LiveBench low, LiveBench high) {
        Port port = settled().port(probes);
        double amps =
                probes.function() == Function.LOOP_TWO_LEAD ? LiveMeters.TWO_LEAD_AMPS : LiveMeters.THREE_LEAD_AMPS;
        TestCurrent test = settled().testing(port);
        Moving moving = new Moving(test, amps, low, high);
        for (int i = 0; i < protection.residuals().size(); i++) {
            boolean far = (settled().standing()[i].size() + amps) * TO_MILLI < low.tripMilliamps(i) / 2;
            if (settled().open.contains(i) || far) {
                continue;
            }
            boolean mayOpen = moving.residual(i).most() * TO_MILLI >= low.tripMilliamps(i);
            if (mayOpen && !isPresent(settled().with(i).port(probes))) {
                return List.of(new Found.Stopped(
                        Stop.TRIPPED, protection.residuals().get(i).label()));
            }
        }
        return List.of();
    }

    /** A test current as every part of the rig moves it: worked out once for all devices that it may open. */
    private final class Moving {
        private final TestCurrent test;
        private final double amps;
        private final LiveBench low;
        private final LiveBench high;
        private Swing.@Nullable Drawn drawn;

        Moving(TestCurrent test, double amps, LiveBench low, LiveBench high) {
            this.test = test;
            this.amps = amps;
            this.low = low;
            this.high = high;
        }

        /** Residual current of a device while it flows, A. */
        Swing.Range residual(int device) {
            Swing swing = swing(low, high);
            Swing.Drawn flowing = drawn;
            if (flowing == null) {
                flowing = swing.drawing(test.port, test.unit.times(amps));
                drawn = flowing;
            }
            return flowing.amps(test.residual(device, amps), seenBy(device, swing));
        }
    }

    /** The same for every test. */
    private Swing.Seen seenBy(int device, Swing swing) {
        return seen.computeIfAbsent(device, d -> {
            List<Pole> poles = poles().get(d);
            return swing.seenBy(
                    poles.stream().map(Pole::ends).toList(),
                    poles.stream().mapToDouble(Pole::siemens).toArray());
        });
    }

    private List<Found> apart(Measurement.Trip trip, LiveBench low, LiveBench high) {
        Port port = alternating().port(trip.line(), trip.earth());
        if (!isPresent(port)) {
            return List.of();
        }
        TestCurrent test = settled().testing(port);
        double amps = trip.milliamps() / TO_MILLI;
        Moving moving = new Moving(test, amps, low, high);
        // where an end of the rig has no supply for the test, that end tells nothing of the time
        boolean bothEnds = isPresent(low.alternating().port(trip.line(), trip.earth()))
                && isPresent(high.alternating().port(trip.line(), trip.earth()));
        List<Found> found = new ArrayList<>();
        for (int i = 0; i < protection.residuals().size(); i++) {
            double milliamps = test.milliamps(i, amps);
            boolean whole = bothEnds && Math.abs(milliamps - trip.milliamps()) < 1e-3 * trip.milliamps();
            if (settled().open.contains(i) || whole || milliamps < 0.3 * tripMilliamps(i)) {
                continue;
            }
            Swing.Range range = moving.residual(i);
            found.add(new Found.Number(low.trips(trip, i, range.most() * TO_MILLI)));
            found.add(new Found.Number(high.trips(trip, i, range.least() * TO_MILLI)));
        }
        return found;
    }

    /** As {@link #tripsAt}. @param milliamps residual current while the whole test current flows */
    private double trips(Measurement.Trip trip, int device, double milliamps) {
        if (trip.function() != Function.RCD_RAMP) {
            return tripMillis(device, milliamps, trip.negativeHalf());
        }
        double amps = trip.milliamps() / TO_MILLI * tripMilliamps(device) / milliamps;
        return amps * TO_MILLI <= trip.milliamps() ? amps : Double.POSITIVE_INFINITY;
    }

    /** Where a voltage may or may not be enough to be called present. */
    private List<Found> apart(Measurement.Operation operation, LiveBench low, LiveBench high) {
        for (Measurement.Trial trial : operation.trials()) {
            double volts = indicated(trial);
            if (volts < 1 || volts > 2 * PRESENT_VOLTS) {
                continue;
            }
            Alternating in = in(trial.position());
            Swing.Range range = new Swing(in, low.in(trial.position()), high.in(trial.position()))
                    .volts(in.port(trial.a(), trial.b()));
            boolean mayBeAbsent = range.least() * high.variation.volts() < PRESENT_VOLTS;
            boolean mayBePresent = range.most() * low.variation.volts() >= PRESENT_VOLTS;
            if (mayBeAbsent && mayBePresent) {
                return List.of(new Found.Words(Saying.WORKS), new Found.Words(Saying.DOES_NOT_WORK));
            }
        }
        return List.of();
    }

    private Swing swing(LiveBench low, LiveBench high) {
        Swing known = swing;
        if (known == null) {
            known = new Swing(alternating(), low.alternating(), high.alternating());
            swing = known;
        }
        return known;
    }
}
