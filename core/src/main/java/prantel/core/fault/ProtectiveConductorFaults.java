package prantel.core.fault;

import static prantel.core.fault.FaultGroup.PROTECTIVE_CONDUCTOR;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.limits.ConductorTable;
import prantel.core.network.Branch.End;
import prantel.core.network.Edit;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.BondId;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/** CPCs, bonds and the earthing conductor. Sizes and instructions: common practice, no source. */
final class ProtectiveConductorFaults {
    static final Magnitude JOINT_OHMS = new Magnitude(Unit.OHM, 0.05, 50, 0.6);

    private ProtectiveConductorFaults() {}

    static List<FaultKind> all() {
        return List.of(
                cpcOpenAfter(),
                cpcOffAtPoint(),
                joint(),
                metalworkUnearthed(),
                bondOpenAtMet(),
                bondOpenAtClamp(),
                clampOnPaint(),
                clampResistance(),
                bondUndersized(),
                earthingConductorLoose(),
                supplementaryBondMissing(),
                cpcInOtherCircuit());
    }

    private static FaultKind cpcOpenAfter() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "cpc-open-after", "CPC open after the point")
                .at(Where.GOES_ON)
                .conductors(List.of(CPC))
                .edits(b -> List.of(new Edit.Open(Places.outgoing(b.id(), b.point(), CPC))))
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C2,
                        "exposed metal beyond has no earth; dangerous with a second fault")
                .set((f, rig) -> "Lift the green-yellow at the outgoing side of " + Where.name(f.place(), rig)
                        + " and insulate its end.")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.R2, Shows.OPENS)
                .symptom("R1+R2 and R2 read over-range at every point beyond; insulation reads as healthy.")
                .remedy("Put the CPC back into the outgoing terminal and prove continuity to the last point.")
                // an open between two points may be at either of them
                .accepts((f, rig) -> Where.withNeighbour(f, rig, 1));
    }

    private static FaultKind cpcOffAtPoint() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "cpc-off-at-point", "CPC not connected to the point")
                .at(Where.POINT)
                .conductors(List.of(CPC))
                .edits(b -> {
                    boolean metalwork = Where.point(b.fault().place(), b.rig()).metal()
                            || b.circuit().cable().enclosure().isPresent();
                    // the earth terminal keeps its lead to the metalwork: through conduit it may still be earthed
                    return metalwork
                            ? List.of(
                                    Build.move(b.contact(CPC), End.FROM, Places.metalwork(b.id(), b.point())),
                                    new Edit.Open(Places.metalworkEarth(b.id(), b.point())))
                            : List.of(new Edit.Open(b.contact(CPC)));
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "what is plugged in or fitted there has no earth")
                .set((f, rig) -> "Take the green-yellows of " + Where.name(f.place(), rig)
                        + " out of its earth terminal and join them in an insulated connector.")
                .shows(TestKind.R2, Shows.OPENS)
                .symptom(
                        "R2, and R1+R2 where it is taken, read over-range at this point only; in conduit or armour they"
                                + " read the way through the metal.")
                .remedy("Connect the CPC to the earth terminal of the point.");
    }

    private static FaultKind joint() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "high-resistance-joint", "High-resistance joint")
                .at(Where.ACCESSORY)
                .conductors(List.of(CPC), List.of(LINE))
                .size(JOINT_OHMS)
                .edits(b -> List.of(new Edit.PutInSeries(Places.incoming(b.id(), b.point(), b.conductor()), b.ohms())))
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C2,
                        "disconnection may be too late; in the line, a joint that carries load warms")
                .set((f, rig) -> inSeries(f) + " at the incoming side of " + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R1_R2, Shows.RISES)
                .shows(TestKind.R2, Shows.RISES)
                .shows(TestKind.RING, Shows.RISES)
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("R1+R2 steps up at the point and stays up beyond it; R2 does so too when it sits in the CPC.")
                .remedy("Remake the joint at the point, tighten to torque and measure again.")
                // the step between two points may be the joint at the far end of the run or at its near end
                .accepts((f, rig) -> Where.withNeighbour(f, rig, -1));
    }

    static String inSeries(Fault fault) {
        Conductor conductor = fault.conductors().getFirst();
        return "Put " + fault.kind().magnitude().orElseThrow().shown(fault.size()) + " in series with the "
                + conductor.colour() + " (" + conductor.word() + ")";
    }

    private static FaultKind metalworkUnearthed() {
        return FaultKind.of(
                        PROTECTIVE_CONDUCTOR, "metalwork-unearthed", "Metalwork not connected to its earth terminal")
                .at(Where.METAL)
                .edits(b -> List.of(new Edit.Open(Places.metalworkEarth(b.id(), b.point()))))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "metal that can be touched has no earth of its own")
                .set((f, rig) -> "Take the earth tag of " + Where.name(f.place(), rig)
                        + " off its metalwork and leave the CPC in the earth terminal.")
                .shows(TestKind.R2, Shows.OPENS)
                .symptom(
                        "R2 reads as healthy on the earth terminal and over-range on the metalwork; in conduit or armour"
                                + " the metalwork reads the way through the metal.")
                .remedy("Connect the earth terminal to the metalwork and measure to bare metal.");
    }

    private static FaultKind bondOpenAtMet() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "bond-open-at-met", "Main bond not connected to the MET")
                .at(Where.BOND)
                .edits(b ->
                        List.of(new Edit.Open(Places.bondAtMet(bond(b.fault().place())))))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "extraneous metal can take another potential")
                .set((f, rig) -> "Take the bond to the " + part(f, rig) + " out of the MET and park its end beside it.")
                .seen()
                .symptom(
                        "Seen at the MET. A bond measured with its end off reads as healthy; measured in place it reads"
                                + " the parallel path.")
                .remedy("Connect the bond to the MET.");
    }

    private static FaultKind bondOpenAtClamp() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "bond-open-at-clamp", "Main bond open at the clamp")
                .at(Where.BOND)
                .edits(b -> List.of(
                        new Edit.Open(Places.bondConductor(bond(b.fault().place())))))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "extraneous metal can take another potential")
                .set((f, rig) -> "Take the bond to the " + part(f, rig) + " out of its clamp, under the sleeve.")
                .shows(TestKind.BONDING, Shows.OPENS)
                .symptom("R2 reads over-range on the clamp and on the bare part.")
                .remedy("Connect the bond to its clamp and measure to the part.");
    }

    private static FaultKind clampOnPaint() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "clamp-on-paint", "Bonding clamp on paint")
                .at(Where.BOND)
                .edits(b ->
                        List.of(new Edit.Open(Places.clampOnPart(bond(b.fault().place())))))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the bond does not reach the metal")
                .set((f, rig) -> "Move the clamp of the " + part(f, rig)
                        + " onto the painted length, or slip the insulating film under it.")
                .shows(TestKind.BONDING, Shows.OPENS)
                .symptom("R2 reads as healthy on the clamp and over-range on the bare pipe.")
                .remedy("Clean the pipe to bare metal, refit the clamp and measure to the pipe itself.");
    }

    private static FaultKind clampResistance() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "clamp-resistance", "Bonding clamp loose or corroded")
                .at(Where.BOND)
                .size(new Magnitude(Unit.OHM, 0.05, 500, 0.6))
                .edits(b -> List.of(
                        new Edit.PutInSeries(Places.clampOnPart(bond(b.fault().place())), b.ohms())))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the bond does not hold the metal where it should")
                .set((f, rig) -> "Put " + f.kind().magnitude().orElseThrow().shown(f.size())
                        + " between the clamp and the " + part(f, rig) + ", under the insulating film.")
                .shows(TestKind.BONDING, Shows.RISES)
                .symptom("R2 reads as healthy on the clamp and higher on the bare part.")
                .remedy("Clean the part to bare metal, refit the clamp tight and measure to the part itself.")
                .sameAs("clamp-on-paint");
    }

    private static FaultKind bondUndersized() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "bond-undersized", "Main bond too small")
                .at(Where.BOND)
                .size(new Magnitude(Unit.SQUARE_MILLIMETRE, 1, 16, 2.5))
                .onlyIf(
                        (f, rig) -> f.size() < rig.bond(bond(f.place())).csaMm2()
                                && ConductorTable.all().containsKey(f.size()),
                        "give a size of the table that is smaller than the bond's own",
                        1.5,
                        1.0)
                .edits(b -> {
                    MainBond bond = b.rig().bond(bond(b.fault().place()));
                    double perMetre = ConductorTable.milliohmPerMetre(b.fault().size());
                    return List.of(new Edit.Substitute(
                            Places.bondConductor(bond.id()), b.copper(perMetre, bond.lengthMetres())));
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C2, "it may not carry what the supply can send along it")
                .set((f, rig) -> "Hang the " + Check.plain(f.size()) + " mm² training bond between MET and the "
                        + part(f, rig) + " in place of the right one.")
                .seen()
                .shows(TestKind.BONDING, Shows.RISES)
                .symptom("Seen on the conductor; R2 reads higher in proportion to the size.")
                .remedy("Replace the bond by one of the right size.");
    }

    private static FaultKind earthingConductorLoose() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "earthing-conductor-loose", "Earthing conductor loose")
                .at(Where.EARTHING)
                .size(new Magnitude(Unit.OHM, 0.05, 50, 0.5))
                .edits(b -> List.of(new Edit.PutInSeries(Places.EARTHING_CONDUCTOR, b.ohms())))
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C2,
                        "no reliable earth for the whole installation; further investigation of the supply side")
                .set((f, rig) -> "Put " + f.kind().magnitude().orElseThrow().shown(f.size())
                        + " in series with the earthing conductor at the supply's earth terminal.")
                .shows(TestKind.EARTHING, Shows.RISES)
                .shows(TestKind.ZE, Shows.RISES)
                .symptom("The earthing conductor reads too high end to end, and Ze with it.")
                .remedy("Remake the joint of the earthing conductor, tighten to torque, measure again.");
    }

    private static FaultKind supplementaryBondMissing() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "supplementary-bond-missing", "Supplementary bond missing")
                .at(Where.SUPPLEMENTARY)
                .edits(b -> List.of(new Edit.Open(Places.supplementaryBond(
                        ((Place.AtSupplementaryBond) b.fault().place()).bond()))))
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C2,
                        "parts in reach of each other can stand at different potentials")
                .set((f, rig) -> "Take the supplementary bond, " + f.place().label(rig) + ", off at both ends.")
                .shows(TestKind.BONDING, Shows.RISES)
                .symptom("Between the two parts it bonds, R2 reads the way round over the main bonds.")
                .remedy("Fit the supplementary bond.");
    }

    private static FaultKind cpcInOtherCircuit() {
        return FaultKind.of(PROTECTIVE_CONDUCTOR, "cpc-in-other-circuit", "CPC of a circuit terminated with another")
                .at(Where.FINAL_CIRCUIT)
                .with((place, rig) -> Where.otherCircuits(place, rig, Where::bothSinglePhase))
                .edits(b -> {
                    var host = b.other().points().getFirst().id();
                    List<Edit> edits = new ArrayList<>(List.of(new Edit.Open(Places.terminationAtBoard(b.id(), CPC))));
                    if (b.circuit() instanceof prantel.core.rig.Ring) {
                        edits.add(new Edit.Open(Places.secondTerminationAtBoard(b.id(), CPC)));
                        edits.add(new Edit.Bridge(
                                Places.secondCableAtBoard(b.id(), CPC),
                                Places.accessory(b.other().id(), host, CPC),
                                b.joint()));
                    }
                    edits.add(new Edit.Bridge(
                            Places.cableAtBoard(b.id(), CPC),
                            Places.accessory(b.other().id(), host, CPC),
                            b.joint()));
                    return edits;
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the earth goes when the other circuit is taken out")
                .set((f, rig) -> {
                    var host = rig.circuit(f.other().orElseThrow().ofCircuit().orElseThrow());
                    return "Take the green-yellow of "
                            + Where.circuit(f.place(), rig).label()
                            + " off the earth bar and join it to the CPC at "
                            + host.points().getFirst().label() + " of " + host.label() + ".";
                })
                .shows(TestKind.R1_R2, Shows.RISES)
                .shows(TestKind.R2, Shows.RISES)
                .shows(TestKind.RING, Shows.FALLS)
                // a circuit that is bonded elsewhere gives the other one a second way
                .shows(TestKind.R2, Shows.FALLS)
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("R1+R2 and R2 are higher along the whole circuit by the other circuit's CPC; the CPC of a"
                        + " ring is closed on itself, so that r2 reads next to nothing.")
                .remedy("Connect each CPC to its own terminal of the earth bar.");
    }

    private static BondId bond(Place place) {
        return ((Place.AtBond) place).bond();
    }

    private static String part(Fault fault, Rig rig) {
        return rig.bond(bond(fault.place())).part();
    }
}
