package prantel.core.fault;

import static prantel.core.fault.FaultGroup.RING;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.limits.ConductorTable;
import prantel.core.network.Branch.End;
import prantel.core.network.Edit;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;

/** Ring final circuits. Sizes and instructions: common practice, no source. */
final class RingFaults {
    /** Cable of a bridge across a ring. */
    private static final Magnitude BRIDGE = new Magnitude(Unit.METRE, 0.5, 100, 2);

    private RingFaults() {}

    static List<FaultKind> all() {
        return List.of(legOpen(), bridged(), endsExchanged(), legReduced(), spurOffSpur(), looseTerminal());
    }

    private static FaultKind legOpen() {
        return FaultKind.of(RING, "ring-leg-open", "Ring open after the point")
                .at(Where.RING_POINT)
                .conductors(List.of(LINE), List.of(NEUTRAL), List.of(CPC))
                .edits(b -> List.of(new Edit.Open(Places.outgoing(b.id(), b.point(), b.conductor()))))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "one leg carries the whole load, or part of the CPC is lost")
                .set((f, rig) -> "Lift the " + f.conductors().getFirst().colour() + " at the outgoing side of "
                        + Where.name(f.place(), rig) + " and insulate its end.")
                .shows(TestKind.RING, Shows.OPENS)
                .symptom("The conductor reads over-range end to end; crossed, it reads r1 and more instead of a quarter"
                        + " of the sum: flat where both conductors are alike, sloping where the CPC is smaller.")
                .remedy("Put the conductor back and prove the ring end to end.")
                .sameAs("cpc-open-after")
                .accepts((f, rig) -> Where.withNeighbour(f, rig, 1));
    }

    private static FaultKind bridged() {
        return FaultKind.of(RING, "ring-bridged", "Bridge across the ring")
                .at(Where.RING_POINT)
                .sizeOrUsual(BRIDGE)
                .with((place, rig) -> {
                    Ring ring = (Ring) Where.circuit(place, rig);
                    List<Point> onRing = ring.onRing();
                    int mine = onRing.indexOf(Where.point(place, rig));
                    // nearer than two apart it would be a doubled run
                    return onRing.stream()
                            .filter(p -> onRing.indexOf(p) > mine + 1)
                            .<Place>map(p -> new Place.AtPoint(ring.id(), p.id()))
                            .toList();
                })
                .edits(b -> {
                    Place.AtPoint to = Where.at(b.fault().other().orElseThrow());
                    List<Edit> edits = new ArrayList<>();
                    for (Conductor c : b.circuit().conductors()) {
                        edits.add(new Edit.Bridge(
                                b.accessory(c),
                                Places.accessory(b.id(), to.point(), c),
                                b.copper(
                                        b.circuit().cable().milliohmPerMetre(c),
                                        b.fault().size())));
                    }
                    return edits;
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "shares the load unevenly, no danger by itself")
                .set((f, rig) ->
                        "Connect a bridging cable of " + BRIDGE.shown(f.size()) + " from " + Where.name(f.place(), rig)
                                + " to " + Where.name(f.other().orElseThrow(), rig) + ", all three cores.")
                .shows(TestKind.RING, Shows.FALLS)
                .symptom("The ring reads too low end to end; crossed, the readings differ from socket to socket.")
                .remedy("Take the bridging cable out and test the ring again.");
    }

    private static FaultKind endsExchanged() {
        return FaultKind.of(RING, "ring-ends-exchanged", "Ends of two rings exchanged")
                .at(Where.RING_AT_BOARD)
                .with((place, rig) -> Where.otherCircuits(place, rig, (a, c) -> c instanceof Ring))
                .edits(b -> {
                    List<Edit> edits = new ArrayList<>();
                    for (Conductor c : b.circuit().conductors()) {
                        edits.add(Build.exchange(
                                Places.returnRun(b.id(), c),
                                End.TO,
                                Places.returnRun(b.other().id(), c),
                                End.TO));
                    }
                    return edits;
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "a circuit taken for dead is fed from the other device")
                .set((f, rig) -> "Exchange the return legs of "
                        + Where.circuit(f.place(), rig).label() + " and "
                        + Where.circuit(f.other().orElseThrow(), rig).label() + " at the board.")
                .shows(TestKind.RING, Shows.RISES)
                .symptom("End to end each ring reads both rings in series while the other one's ends are in their"
                        + " terminals, and over-range once they are out.")
                .remedy("Put the legs back to their own ring and prove both end to end.");
    }

    private static FaultKind legReduced() {
        return FaultKind.of(RING, "ring-leg-reduced", "Ring cable too small before the point")
                .at(Where.RING_POINT)
                .size(new Magnitude(Unit.SQUARE_MILLIMETRE, 1, 1.5, 1))
                .onlyIf(
                        (f, rig) ->
                                f.size() < Where.circuit(f.place(), rig).cable().liveMm2()
                                        && ConductorTable.all().containsKey(f.size()),
                        "give a size of the table that is smaller than the ring's own")
                .edits(b -> {
                    double perMetre = ConductorTable.milliohmPerMetre(b.fault().size());
                    List<Edit> edits = new ArrayList<>();
                    // cable of 1.0 and 1.5 mm² has a CPC of 1.0 mm²: it is smaller as well where the ring's own is
                    // larger
                    double cpc = Math.max(
                            ConductorTable.milliohmPerMetre(1.0),
                            b.circuit().cable().milliohmPerMetre(CPC));
                    edits.add(new Edit.Substitute(Places.run(b.id(), b.point(), CPC), b.copper(cpc, runMetres(b))));
                    for (Conductor c : List.of(LINE, NEUTRAL)) {
                        edits.add(new Edit.Substitute(
                                Places.run(b.id(), b.point(), c), b.copper(perMetre, runMetres(b))));
                    }
                    return edits;
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the cable is not protected by its device")
                .set((f, rig) -> "Swap the cable before " + Where.name(f.place(), rig) + " for the "
                        + Check.plain(f.size()) + " mm² training length.")
                .seen()
                .shows(TestKind.RING, Shows.RISES)
                .symptom("Seen at the terminals; r1 and rn read higher than length and section give.")
                .remedy("Replace the run by cable of the right section.")
                .accepts((f, rig) -> Where.withNeighbour(f, rig, -1));
    }

    private static double runMetres(Build b) {
        List<Point> onRing = ((Ring) b.circuit()).onRing();
        int index = onRing.indexOf(Where.point(b.fault().place(), b.rig()));
        return onRing.get(index).atMetres()
                - (index == 0 ? 0 : onRing.get(index - 1).atMetres());
    }

    private static FaultKind spurOffSpur() {
        return FaultKind.of(RING, "spur-off-spur", "Socket fed from a spur, not from the ring")
                .at(Where.SPUR)
                .size(new Magnitude(Unit.METRE, 2, 60, 10))
                .edits(b -> {
                    List<Edit> edits = new ArrayList<>();
                    for (Conductor c : b.circuit().conductors()) {
                        edits.add(new Edit.PutInSeries(
                                Places.run(b.id(), b.point(), c),
                                b.copper(
                                        b.circuit().cable().milliohmPerMetre(c),
                                        b.fault().size())));
                    }
                    return edits;
                })
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C3,
                        "loads one cable with more than one point, no danger by itself")
                .set((f, rig) -> "Feed " + Where.name(f.place(), rig) + " through the "
                        + f.kind().magnitude().orElseThrow().shown(f.size())
                        + " training spur and its joint box.")
                .seen()
                .shows(TestKind.RING, Shows.RISES)
                .symptom("Crossed, this socket reads higher than its own spur explains.")
                .remedy("Feed the socket from the ring, or through a fused connection.");
    }

    private static FaultKind looseTerminal() {
        return FaultKind.of(FaultGroup.PROTECTIVE_CONDUCTOR, "loose-terminal", "Loose terminal at the point")
                .at(Where.ACCESSORY)
                .conductors(List.of(LINE), List.of(NEUTRAL), List.of(CPC))
                .size(new Magnitude(Unit.OHM, 0.1, 50, 1))
                .edits(b -> List.of(new Edit.PutInSeries(b.contact(b.conductor()), b.ohms())))
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C2,
                        "a loose terminal warms under load, a loose CPC is no earth")
                .set((f, rig) -> ProtectiveConductorFaults.inSeries(f) + " between the terminal and the contact of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R1_R2, Shows.RISES)
                .shows(TestKind.R2, Shows.RISES)
                .shows(TestKind.RING, Shows.RISES)
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("This point alone reads higher; the points beyond read as healthy. On a radial no continuity"
                        + " reading uses the neutral: there a loose neutral stays hidden.")
                .remedy("Tighten the terminal to torque, or replace the accessory, and measure again.");
    }
}
