package prantel.core.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.BranchCurrent;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.network.Port;
import prantel.core.network.Terminal;
import prantel.core.procedure.DeedEdits;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;

/**
 * What a reading is: where 1 A of it goes, and what each conductor and joint contributes. A resistance is the sum of
 * amps² · Ω over all it flows through (Tellegen's theorem: power in is power dissipated).
 *
 * @param ohms what the tester is put to, Ω
 * @param legs what carries most of it first
 * @param restOhms what everything else contributes together, Ω
 */
public record CurrentPath(double ohms, List<Leg> legs, double restOhms) {
    /** Carrying less than this share of the current, a branch is left out. */
    private static final double LEAST_SHARE = 0.01;

    private static final int MOST_LEGS = 60;
    /** Sound joints and contacts have some hundredths. Common practice, no source. */
    private static final double LOOSE_OHMS = 0.15;
    /** A bad connection is now better, now worse by this share. Common practice, no source. */
    private static final double UNSTEADY = 0.3;

    public CurrentPath {
        legs = List.copyOf(legs);
    }

    /** What kind of thing the current goes through. */
    public enum What {
        CABLE,
        JOINT,
        /** Of a device, switch or socket. */
        CONTACT,
        EARTHING,
        SUPPLY,
        INSULATION,
        LOAD,
        /** Joined by somebody, or by a fault. */
        LINK,
        METAL
    }

    /**
     * One branch of the path.
     *
     * @param branch of the network
     * @param circuit and point: to which a run leads, or where a joint is
     * @param amps of 1 A, its share
     * @param ohms its own resistance
     */
    public record Leg(
            BranchId branch,
            What what,
            Optional<CircuitId> circuit,
            Optional<PointId> point,
            Optional<Conductor> conductor,
            double amps,
            double ohms) {
        /** A joint or contact that is worse than any sound one. */
        public boolean isLoose() {
            return (what == What.JOINT || what == What.CONTACT) && ohms > LOOSE_OHMS;
        }

        /** Ω of the reading. */
        public double contributes() {
            return amps * amps * ohms;
        }
    }

    static Optional<CurrentPath> of(PracticeRig rig, Moment moment, Hand hand) {
        DeedEdits edits = new DeedEdits(rig.rig());
        Terminal a = edits.terminal(hand.probes().get(0));
        Terminal b = edits.terminal(hand.probes().get(1));
        if (hand.function() == Function.VOLTAGE
                || hand.function() == Function.PHASE_ROTATION
                || hand.function() == Function.CLAMP) {
            return Optional.empty();
        }
        if (hand.function().isLive()) {
            var supplied = rig.supplied(moment);
            List<BranchCurrent> currents = supplied.currents(a, b);
            return currents.isEmpty()
                    ? Optional.empty()
                    : Optional.of(of(rig.rig(), currents, supplied.impedanceOhms(a, b)));
        }
        Network network = rig.network(moment, hand.function().volts());
        Alternating alone = new Alternating(network, List.of());
        Port port = alone.port(a, b);
        return port.isOpen()
                ? Optional.empty()
                : Optional.of(of(rig.rig(), alone.currents(port), network.resistance(a, b)));
    }

    private static CurrentPath of(Rig rig, List<BranchCurrent> currents, double ohms) {
        Map<BranchId, Leg> known = known(rig);
        List<Leg> legs = new ArrayList<>();
        double told = 0;
        for (BranchCurrent one : currents) {
            double amps = Math.abs(one.amps());
            if (amps < LEAST_SHARE) {
                continue;
            }
            Leg named = known.getOrDefault(
                    one.branch().id(),
                    named(one.branch().id(), What.LINK, Optional.empty(), Optional.empty(), Optional.empty()));
            Leg leg = new Leg(
                    one.branch().id(),
                    named.what(),
                    named.circuit(),
                    named.point(),
                    named.conductor(),
                    amps,
                    one.branch().ohms());
            legs.add(leg);
        }
        legs.sort(Comparator.comparingDouble(l -> -l.contributes()));
        if (legs.size() > MOST_LEGS) {
            legs = legs.subList(0, MOST_LEGS);
        }
        for (Leg leg : legs) {
            told += leg.contributes();
        }
        return new CurrentPath(ohms, legs, Math.max(0, ohms - told));
    }

    /** Every branch of a compiled rig by what it is. */
    private static Map<BranchId, Leg> known(Rig rig) {
        Map<BranchId, Leg> known = new HashMap<>();
        put(known, Places.EARTHING_CONDUCTOR, What.EARTHING);
        put(known, Places.EARTHING_CONDUCTOR_AT_MET, What.JOINT);
        put(known, Places.EARTH_LINK, What.EARTHING);
        rig.bonds().forEach(b -> {
            put(known, Places.bondConductor(b.id()), What.EARTHING);
            put(known, Places.bondAtMet(b.id()), What.JOINT);
            put(known, Places.clampOnPart(b.id()), What.JOINT);
            put(known, Places.partToEarth(b.id()), What.METAL);
        });
        for (Conductor pole : Conductor.values()) {
            put(known, Places.source(pole), What.SUPPLY);
            rig.boards().forEach(b -> {
                put(known, Places.mainSwitch(b.id(), pole), What.CONTACT);
                b.sections().forEach(s -> put(known, Places.feed(b.id(), s.id(), pole), What.CONTACT));
            });
        }
        for (Circuit circuit : rig.circuits()) {
            for (Conductor conductor : Conductor.values()) {
                put(known, Places.breaker(circuit.id(), conductor), What.CONTACT, circuit, null, conductor);
                put(known, Places.terminationAtBoard(circuit.id(), conductor), What.JOINT, circuit, null, conductor);
                put(
                        known,
                        Places.secondTerminationAtBoard(circuit.id(), conductor),
                        What.JOINT,
                        circuit,
                        null,
                        conductor);
                put(known, Places.returnRun(circuit.id(), conductor), What.CABLE, circuit, null, conductor);
                put(known, Places.submainRun(circuit.id(), conductor), What.CABLE, circuit, null, conductor);
                circuit.points().forEach(p -> putPoint(known, circuit, p, conductor));
            }
        }
        return known;
    }

    private static void putPoint(Map<BranchId, Leg> known, Circuit circuit, Point point, Conductor conductor) {
        CircuitId id = circuit.id();
        PointId at = point.id();
        put(known, Places.run(id, at, conductor), What.CABLE, circuit, point, conductor);
        put(known, Places.incoming(id, at, conductor), What.JOINT, circuit, point, conductor);
        put(known, Places.outgoing(id, at, conductor), What.JOINT, circuit, point, conductor);
        put(known, Places.departing(id, at, conductor), What.JOINT, circuit, point, conductor);
        put(known, Places.contact(id, at, conductor), What.CONTACT, circuit, point, conductor);
        put(known, Places.pole(id, at, conductor), What.CONTACT, circuit, point, conductor);
        put(known, Places.metalworkEarth(id, at), What.METAL, circuit, point, Conductor.CPC);
        put(known, Places.enclosureRun(id, at), What.METAL, circuit, point, Conductor.CPC);
        put(known, Places.enclosureJoint(id, at), What.METAL, circuit, point, Conductor.CPC);
        for (String which : List.of("1", "2", "straight-1", "straight-2", "crossed-1", "crossed-2")) {
            known.putIfAbsent(
                    Places.switchContact(id, at, which),
                    named(
                            Places.switchContact(id, at, which),
                            What.CONTACT,
                            Optional.of(id),
                            Optional.of(at),
                            Optional.empty()));
        }
        for (Conductor other : Conductor.values()) {
            put(known, Places.insulation(id, at, conductor, other), What.INSULATION, circuit, point, conductor);
            put(known, Places.load(id, at, conductor, other), What.LOAD, circuit, point, conductor);
        }
    }

    private static void put(Map<BranchId, Leg> known, BranchId id, What what) {
        known.put(id, named(id, what, Optional.empty(), Optional.empty(), Optional.empty()));
    }

    private static void put(
            Map<BranchId, Leg> known,
            BranchId id,
            What what,
            Circuit circuit,
            @org.jspecify.annotations.Nullable Point point,
            Conductor conductor) {
        known.put(
                id,
                named(
                        id,
                        what,
                        Optional.of(circuit.id()),
                        Optional.ofNullable(point).map(Point::id),
                        Optional.of(conductor)));
    }

    private static Leg named(
            BranchId id,
            What what,
            Optional<CircuitId> circuit,
            Optional<PointId> point,
            Optional<Conductor> conductor) {
        return new Leg(id, what, circuit, point, conductor, 0, 0);
    }

    /** By how much the reading moves up and down for bad connections in its path, Ω. */
    double unsteadyOhms() {
        return UNSTEADY
                * legs.stream()
                        .filter(Leg::isLoose)
                        .mapToDouble(Leg::contributes)
                        .sum();
    }
}
