package prantel.core.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.function.BiFunction;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Terminal;

/** The branches made so far with what they are made of, and the small resistances of joints, runs and insulation. */
final class Wiring {
    /** A closed switch or breaker contact, Ω. Small against a termination; common practice, no source. */
    static final Make CLOSED_CONTACT = Make.fixed(1e-3);

    private final Workmanship workmanship;
    private final List<Branch> branches = new ArrayList<>();
    private final List<Make> makes = new ArrayList<>();

    Wiring(Workmanship workmanship) {
        this.workmanship = workmanship;
    }

    /** As declared. */
    List<Branch> branches() {
        return branches;
    }

    /** What each of {@link #branches} is made of, in the same order. */
    List<Make> makes() {
        return makes;
    }

    void add(BranchId id, Terminal from, Terminal to, Make make) {
        branches.add(new Branch(id, from, to, make.ohms(Variation.NONE)));
        makes.add(make);
    }

    /** A branch that an edit may close. */
    void addOpen(BranchId id, Terminal from, Terminal to) {
        add(id, from, to, Make.fixed(Double.POSITIVE_INFINITY));
    }

    Make termination() {
        return Make.joint(workmanship.terminationMilliohms() / 1000);
    }

    private Make contact(PointKind kind) {
        return kind.probing() == PointKind.Probing.FRONT
                ? Make.joint(workmanship.contactMilliohms() / 1000)
                : termination();
    }

    Make run(Cable cable, Conductor conductor, double metres) {
        return Make.cable(cable.milliohmPerMetre(conductor) * metres / 1000);
    }

    Make run(Cable.Enclosure enclosure, double metres) {
        return Make.cable(enclosure.milliohmPerMetre() * metres / 1000);
    }

    /** A cable from one accessory to the next: joint, run, joint for each core, and insulation between all cores. */
    void addCable(CircuitId circuit, PointId to, Cable cable, double metres, List<Core> cores) {
        List<Terminal> ends = new ArrayList<>();
        List<Conductor> conductors = new ArrayList<>();
        for (Core core : cores) {
            Conductor conductor = core.conductor();
            Terminal end = Places.cableIn(circuit, to, conductor);
            core.addJoint(this);
            add(
                    Places.run(circuit, to, conductor),
                    core.cableStart(),
                    end,
                    run(cable, conductor, metres + core.moreMetres()));
            add(Places.incoming(circuit, to, conductor), end, Places.accessory(circuit, to, conductor), termination());
            ends.add(end);
            conductors.add(conductor);
        }
        addInsulation((a, b) -> Places.insulation(circuit, to, a, b), conductors, ends, metres);
    }

    /** Insulation of a run, lumped at its far end: against it the conductors are nothing. */
    void addInsulation(
            BiFunction<Conductor, Conductor, BranchId> at,
            List<Conductor> conductors,
            List<Terminal> ends,
            double metres) {
        for (int i = 0; i < ends.size(); i++) {
            for (int j = i + 1; j < ends.size(); j++) {
                double each = workmanship.insulationMegohmKilometres(conductors.get(i), conductors.get(j));
                add(
                        at.apply(conductors.get(i), conductors.get(j)),
                        ends.get(i),
                        ends.get(j),
                        Make.insulation(each * 1e6 / (metres / 1000)));
            }
        }
    }

    /**
     * Conduit or armour along a run. At the point it is joined to the metalwork, the box or the plate; the earth terminal
     * meets it through its own lead to that: a lost CPC is hidden by the metal, and metalwork off its terminal is not.
     */
    void addEnclosure(CircuitId circuit, PointId to, Cable cable, double metres, Terminal from) {
        cable.enclosure().ifPresent(enclosure -> {
            Terminal here = Places.enclosure(circuit, to);
            add(Places.enclosureRun(circuit, to), from, here, run(enclosure, metres));
            add(Places.enclosureJoint(circuit, to), here, Places.metalwork(circuit, to), termination());
        });
    }

    /** The lead from an earth terminal to the metalwork, where a point has any or its cable runs in metal. */
    void addMetalwork(CircuitId circuit, PointId at, boolean metal, Cable cable) {
        if (metal || cable.enclosure().isPresent()) {
            add(
                    Places.metalworkEarth(circuit, at),
                    Places.accessory(circuit, at, Conductor.CPC),
                    Places.metalwork(circuit, at),
                    termination());
        }
    }

    /** Front contacts, metalwork and load of a point. */
    void addFront(CircuitId circuit, Point point, List<Conductor> conductors, Cable cable) {
        for (Conductor conductor : conductors) {
            boolean isolated = point.kind().hasPoleFor(conductor);
            Terminal at = Places.accessory(circuit, point.id(), conductor);
            if (isolated) {
                Terminal loadSide = Places.loadSide(circuit, point.id(), conductor);
                add(Places.pole(circuit, point.id(), conductor), at, loadSide, CLOSED_CONTACT);
                at = loadSide;
            }
            add(
                    Places.contact(circuit, point.id(), conductor),
                    at,
                    Places.front(circuit, point.id(), conductor),
                    contact(point.kind()));
        }
        addMetalwork(circuit, point.id(), point.metal(), cable);
        Loads.branches(circuit, point, conductors)
                .forEach(l -> addOpen(
                        Places.load(circuit, point.id(), l.a(), l.b()),
                        Places.accessory(circuit, point.id(), l.a()),
                        Places.accessory(circuit, point.id(), l.b())));
    }

    /**
     * One core of a cable.
     *
     * @param conductor what it is called at its far end
     * @param from the terminal it starts from; for the first run of a circuit its end at the board, without a joint
     * @param joint the joint there; null at the board
     * @param cableStart the core's own end
     * @param moreMetres what it is longer than its cable: a strapper led another way, m
     */
    record Core(
            Conductor conductor,
            Terminal from,
            @org.jspecify.annotations.Nullable BranchId joint,
            Terminal cableStart,
            double moreMetres) {
        Core(
                Conductor conductor,
                Terminal from,
                @org.jspecify.annotations.Nullable BranchId joint,
                Terminal cableStart) {
            this(conductor, from, joint, cableStart, 0);
        }

        static Core atBoard(CircuitId circuit, Conductor conductor) {
            Terminal end = Places.cableAtBoard(circuit, conductor);
            return new Core(conductor, end, null, end);
        }

        void addJoint(Wiring wiring) {
            if (joint != null) {
                wiring.add(joint, from, cableStart, wiring.termination());
            }
        }
    }
}
