package prantel.core.rig;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import prantel.core.limits.ConductorTable;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.network.Terminal;

/**
 * Turns a rig into a network, as left in service: everything connected, main switch and breakers closed, no load. What a
 * test needs changed is an edit of the result.
 */
public final class RigCompiler {
    /** A closed switch or breaker contact, Ω. Small against a termination; common practice, no source. */
    public static final double CLOSED_CONTACT_OHMS = 1e-3;
    /** Earth electrode at the source, Ω. Only seen through extraneous parts; common practice, no source. */
    private static final double SOURCE_ELECTRODE_OHMS = 5;

    private static final Terminal SOURCE = new Terminal("supply/source");
    private static final Terminal MASS_OF_EARTH = new Terminal("mass-of-earth");

    private final Rig rig;
    private final Variation variation;
    private final List<Branch> branches = new ArrayList<>();

    private RigCompiler(Rig rig, Variation variation) {
        this.rig = rig;
        this.variation = variation;
    }

    /** The rig as declared. */
    public static Network compile(Rig rig) {
        return compile(rig, Variation.NONE);
    }

    /** The rig as it may be built. Terminals and branches are the same for every variation. */
    public static Network compile(Rig rig, Variation variation) {
        RigCompiler compiler = new RigCompiler(rig, variation);
        compiler.addSupply();
        rig.bonds().forEach(compiler::addBond);
        for (Circuit circuit : rig.circuits()) {
            switch (circuit) {
                case Radial radial -> compiler.addRadial(radial);
            }
        }
        return Network.of(compiler.branches);
    }

    private void addSupply() {
        Supply supply = rig.supply();
        Terminal lineIn = new Terminal("supply/line");
        Terminal neutralIn = new Terminal("supply/neutral");
        Terminal earthIn = new Terminal("supply/earth");
        add("supply/line", SOURCE, lineIn, supply.lineOhms());
        add("supply/neutral", SOURCE, neutralIn, supply.neutralOhms());
        if (supply.earthing() == Supply.Earthing.TN_C_S) {
            add("supply/earth", neutralIn, earthIn, terminationOhms());
        } else {
            add("supply/earth", SOURCE, earthIn, supply.earthPathOhms());
        }
        add("supply/source-electrode", SOURCE, MASS_OF_EARTH, SOURCE_ELECTRODE_OHMS);
        EarthingConductor conductor = rig.earthingConductor();
        add(
                "earthing-conductor",
                earthIn,
                Places.EARTHING_CONDUCTOR_END,
                copperOhms(conductor.csaMm2(), conductor.lengthMetres()));
        add(Places.EARTHING_CONDUCTOR_AT_MET, Places.EARTHING_CONDUCTOR_END, Places.MET, terminationOhms());
        add("board/earth-link", Places.MET, Places.EARTH_BAR, terminationOhms());
        add(Places.mainSwitch(LINE), lineIn, Places.LINE_BAR, CLOSED_CONTACT_OHMS);
        add(Places.mainSwitch(NEUTRAL), neutralIn, Places.NEUTRAL_BAR, CLOSED_CONTACT_OHMS);
    }

    private void addBond(MainBond bond) {
        BondId id = bond.id();
        add(Places.bondAtMet(id), Places.MET, Places.bondMetEnd(id), terminationOhms());
        add(
                Places.bondConductor(id),
                Places.bondMetEnd(id),
                Places.clamp(id),
                copperOhms(bond.csaMm2(), bond.lengthMetres()));
        add(Places.clampOnPart(id), Places.clamp(id), Places.part(id), terminationOhms());
        add("bond/" + id + "/part-to-earth", Places.part(id), MASS_OF_EARTH, bond.partToEarthOhms());
    }

    private void addRadial(Radial radial) {
        CircuitId id = radial.id();
        addBoardEnd(id);
        for (int i = 0; i < radial.points().size(); i++) {
            PointId point = radial.points().get(i).id();
            double metres = radial.runMetres(i);
            for (Conductor conductor : Conductor.values()) {
                Terminal from = i == 0
                        ? Places.cableAtBoard(id, conductor)
                        : Places.cableOut(id, radial.points().get(i - 1).id(), conductor);
                double ohms = variation.cable() * radial.cable().milliohmPerMetre(conductor) * metres / 1000;
                add(Places.run(id, point, conductor), from, Places.cableIn(id, point, conductor), ohms);
                addAccessory(id, point, conductor, i < radial.points().size() - 1);
            }
            addInsulation(id, point, metres);
        }
    }

    private void addBoardEnd(CircuitId id) {
        add(Places.breaker(id), Places.LINE_BAR, Places.breakerOut(id), CLOSED_CONTACT_OHMS);
        addTermination(id, LINE, Places.breakerOut(id));
        addTermination(id, NEUTRAL, Places.NEUTRAL_BAR);
        addTermination(id, CPC, Places.EARTH_BAR);
    }

    private void addTermination(CircuitId id, Conductor conductor, Terminal bar) {
        add(Places.terminationAtBoard(id, conductor), bar, Places.cableAtBoard(id, conductor), terminationOhms());
    }

    private void addAccessory(CircuitId id, PointId point, Conductor conductor, boolean goesOn) {
        Terminal accessory = Places.accessory(id, point, conductor);
        add(Places.incoming(id, point, conductor), Places.cableIn(id, point, conductor), accessory, terminationOhms());
        if (goesOn) {
            add(
                    Places.outgoing(id, point, conductor),
                    accessory,
                    Places.cableOut(id, point, conductor),
                    terminationOhms());
        }
        double contactOhms = variation.joints() * rig.workmanship().contactMilliohms() / 1000;
        add(Places.contact(id, point, conductor), accessory, Places.front(id, point, conductor), contactOhms);
    }

    /** Insulation of the run that ends here, lumped at its far end: against it the conductors are nothing. */
    private void addInsulation(CircuitId id, PointId point, double metres) {
        double ohms = variation.insulation() * rig.workmanship().insulationMegohmKilometres() * 1e6 / (metres / 1000);
        Conductor[][] pairs = {{LINE, NEUTRAL}, {LINE, CPC}, {NEUTRAL, CPC}};
        for (Conductor[] pair : pairs) {
            add(
                    Places.insulation(id, point, pair[0], pair[1]),
                    Places.cableIn(id, point, pair[0]),
                    Places.cableIn(id, point, pair[1]),
                    ohms);
        }
    }

    private double terminationOhms() {
        return variation.joints() * rig.workmanship().terminationMilliohms() / 1000;
    }

    private double copperOhms(double csaMm2, double metres) {
        return variation.cable() * ConductorTable.milliohmPerMetre(csaMm2) * metres / 1000;
    }

    private void add(String id, Terminal from, Terminal to, double ohms) {
        add(new BranchId(id), from, to, ohms);
    }

    private void add(BranchId id, Terminal from, Terminal to, double ohms) {
        branches.add(new Branch(id, from, to, ohms));
    }
}
