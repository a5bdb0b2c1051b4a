package prantel.core.fault;

import static prantel.core.fault.FaultGroup.INSULATION;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.STRAPPER_1;
import static prantel.core.rig.Conductor.STRAPPER_2;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.network.Branch.End;
import prantel.core.network.Edit;
import prantel.core.quantity.Unit;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.Loads;
import prantel.core.rig.Places;
import prantel.core.rig.PointId;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;

/** Leaks, shorts, loads left in, neutrals where they do not belong. Sizes: common practice, no source. */
final class InsulationFaults {
    private static final Magnitude MEGOHMS = new Magnitude(Unit.MEGOHM, 0.001, 20, 0.5);
    /** A firm short by a link, Ω. */
    private static final double LINK_OHMS = 0.05;

    private InsulationFaults() {}

    static List<FaultKind> all() {
        return List.of(
                lowInsulation(),
                deadShort(),
                strapperLeak(),
                wet(),
                toConduit(),
                elementLeaking(),
                loadLeftIn(),
                surgeProtectionLeftIn(),
                neutralBorrowed(),
                neutralOnOtherBar());
    }

    private static FaultKind lowInsulation() {
        return FaultKind.of(INSULATION, "low-insulation", "Low insulation")
                .at(Where.ACCESSORY)
                .conductors(List.of(LINE, CPC), List.of(LINE, NEUTRAL), List.of(NEUTRAL, CPC))
                .size(MEGOHMS)
                .edits(b -> List.of(between(
                        b, b.fault().conductors().get(0), b.fault().conductors().get(1), b.ohms())))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "it leaks and may break down")
                .set((f, rig) -> "Put " + MEGOHMS.shown(f.size()) + " between " + pair(f) + " in the terminals of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("Insulation between the two conductors reads the leak, whichever end it is measured from.")
                .remedy("Find the damaged insulation by dividing the circuit, replace the part and test again.")
                // measured at the board, a leak reads the same wherever it is along the circuit
                .accepts(Where::wholeCircuit);
    }

    private static Edit between(Build b, Conductor one, Conductor two, double ohms) {
        return new Edit.Bridge(b.accessory(one), b.accessory(two), ohms);
    }

    private static String pair(Fault f) {
        return f.conductors().get(0).word() + " and " + f.conductors().get(1).word();
    }

    private static FaultKind deadShort() {
        return FaultKind.of(INSULATION, "dead-short", "Short circuit")
                .at(Where.ACCESSORY)
                .conductors(List.of(LINE, CPC), List.of(LINE, NEUTRAL), List.of(NEUTRAL, CPC))
                .edits(b -> List.of(between(
                        b,
                        b.fault().conductors().get(0),
                        b.fault().conductors().get(1),
                        LINK_OHMS * b.variation().setResistor())))
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C2,
                        "it trips at energising; dangerous if somebody resets again and again")
                .set((f, rig) -> "Link " + pair(f) + " in the terminals of " + Where.name(f.place(), rig) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("Insulation between the two conductors reads 0.00 MΩ.")
                .remedy("Find the short by dividing the circuit, replace the part and test again.")
                .accepts(Where::wholeCircuit);
    }

    private static FaultKind strapperLeak() {
        return FaultKind.of(INSULATION, "strapper-leak", "Strapper leaks to earth")
                .at(Where.AFTER_STRAPPERS)
                .conductors(List.of(STRAPPER_2), List.of(STRAPPER_1))
                .size(MEGOHMS)
                .edits(b -> List.of(between(b, b.conductor(), CPC, b.ohms())))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "it leaks, seen in some switch positions only")
                .set((f, rig) -> "Put " + MEGOHMS.shown(f.size()) + " between "
                        + f.conductors().getFirst().word() + " and earth in " + Where.name(f.place(), rig) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("L–E is low only in the switch rounds that put this strapper in circuit.")
                .remedy("Replace the cable between the switches and test in every switch position.");
    }

    private static FaultKind wet() {
        return FaultKind.of(INSULATION, "wet-accessory", "Wet accessory")
                .at(Where.ACCESSORY)
                .size(MEGOHMS)
                .edits(b -> List.of(
                        between(b, LINE, CPC, b.ohms()),
                        between(b, LINE, NEUTRAL, b.ohms()),
                        between(b, NEUTRAL, CPC, b.ohms())))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "it leaks and tracks")
                .set((f, rig) -> "Put " + MEGOHMS.shown(f.size()) + " between each two terminals of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("All three insulation readings of the circuit are low.")
                .remedy("Dry or replace the accessory, find where the water comes from, test again.")
                .accepts(Where::wholeCircuit);
    }

    private static FaultKind toConduit() {
        return FaultKind.of(INSULATION, "live-to-conduit", "Live part touches conduit or armour")
                .at(Where.IN_METAL)
                .conductors(List.of(LINE), List.of(NEUTRAL))
                .size(MEGOHMS)
                .edits(b -> List.of(
                        new Edit.Bridge(b.accessory(b.conductor()), Places.enclosure(b.id(), b.point()), b.ohms())))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "metal may become live where its own earth is poor")
                .set((f, rig) -> "Put " + MEGOHMS.shown(f.size()) + " between the "
                        + f.conductors().getFirst().word() + " and the metal of the conduit or gland at "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("Insulation to earth is low, as long as the metal is connected to the earth bar.")
                .remedy("Replace the damaged conductor in the conduit or the gland and test again.")
                .sameAs("low-insulation")
                .accepts(Where::wholeCircuit);
    }

    private static FaultKind elementLeaking() {
        return FaultKind.of(INSULATION, "element-leaking", "Heating element leaks to its metal")
                .at(Where.ELEMENT)
                .size(MEGOHMS)
                .edits(b -> {
                    List<Edit> edits = new ArrayList<>(
                            Loads.in(b.circuit(), Where.point(b.fault().place(), b.rig())));
                    edits.add(between(b, LINE, CPC, b.ohms()));
                    return edits;
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "its metal depends on the CPC")
                .set((f, rig) -> "Connect the leaking training element, " + MEGOHMS.shown(f.size()) + ", at "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("L–E and N–E are low with the element connected; L–N reads the element.")
                .remedy("Replace the element.")
                .sameAs("low-insulation");
    }

    private static FaultKind loadLeftIn() {
        return FaultKind.of(INSULATION, "load-left-in", "Load left connected")
                .at(Where.LOADED)
                .edits(b -> Loads.in(b.circuit(), Where.point(b.fault().place(), b.rig())))
                .is(SafetyClass.MAY_STAY_LIVE, Severity.FI, "the reading says nothing of the insulation")
                .set((f, rig) -> "Leave the "
                        + Where.point(f.place(), rig)
                                .load()
                                .orElseThrow()
                                .kind()
                                .word()
                        + " of " + Where.name(f.place(), rig) + " connected, out of sight.")
                .caution((f, rig) -> electronic(
                                Where.point(f.place(), rig).load().orElseThrow().kind())
                        ? "500 V can destroy it: fit the sacrificial training part, never one that is to work again."
                        : "")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("L–N reads the load; to earth the circuit reads as healthy.")
                .remedy("Disconnect the load and test again.")
                .accepts(Where::wholeCircuit);
    }

    private static boolean electronic(Load.Kind kind) {
        return switch (kind) {
            case LED_DRIVER, USB_OUTLET, ALARM, DIMMER -> true;
            case FILAMENT_LAMP, NEON, ELEMENT, MOTOR -> false;
        };
    }

    private static FaultKind surgeProtectionLeftIn() {
        return FaultKind.of(INSULATION, "surge-protection-left-in", "Surge protection left connected")
                .at(Where.BOARD.and(
                        (p, r) -> r.board(((Place.AtBoard) p).board()).surgeProtection(),
                        "give a board with surge protection"))
                .edits(b -> {
                    Board board = b.rig().board(((Place.AtBoard) b.fault().place()).board());
                    return Loads.surgeProtection(b.rig(), board);
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.FI, "the reading says nothing of the insulation")
                .set((f, rig) ->
                        "Leave the surge protective device of " + f.place().label(rig) + " plugged in.")
                .shows(TestKind.INSULATION_BOARD, Shows.FALLS)
                .symptom("The whole board reads low at 500 V and as healthy at 250 V.")
                .remedy("Take the surge protective device out for the test and put it back afterwards.");
    }

    private static FaultKind neutralBorrowed() {
        return FaultKind.of(INSULATION, "neutral-borrowed", "Neutrals of two circuits joined")
                .at(Where.SINGLE_PHASE_CIRCUIT)
                .with((place, rig) -> Where.otherCircuits(
                        place,
                        rig,
                        (a, c) -> Where.bothSinglePhase(a, c)
                                && Where.behindOther(a, c)
                                && (Where.isProtected(rig, a) || Where.isProtected(rig, c))))
                .edits(b -> List.of(new Edit.Bridge(
                        Places.accessory(b.id(), neutralPoint(b.circuit()), NEUTRAL),
                        Places.accessory(b.other().id(), neutralPoint(b.other()), NEUTRAL),
                        LINK_OHMS * b.variation().setResistor())))
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C2,
                        "a neutral that is parted comes alive although its own circuit is off")
                .set((f, rig) -> "Link the neutral of "
                        + Where.circuit(f.place(), rig).label() + " to the neutral of "
                        + Where.circuit(f.other().orElseThrow(), rig).label() + " with the training lead.")
                .caution((f, rig) -> Where.PARTED_NEUTRAL)
                .shows(TestKind.FUNCTIONAL, Shows.STOPS)
                .symptom("Insulation reads the other circuit in parallel; under load part of the current comes back"
                        + " through the other device, and an RCD trips.")
                .remedy("Separate the neutrals and connect each to its own terminal.");
    }

    /** A point of the circuit where a neutral arrives. */
    private static PointId neutralPoint(Circuit circuit) {
        return circuit instanceof Lighting lighting
                ? lighting.groups().getFirst().lamps().getFirst().id()
                : circuit.points().getFirst().id();
    }

    private static FaultKind neutralOnOtherBar() {
        return FaultKind.of(INSULATION, "neutral-on-other-bar", "Neutral on the wrong RCD's bar")
                .at(Where.SINGLE_PHASE_CIRCUIT.and(
                        (p, r) -> Where.circuit(p, r).device().residual().isEmpty(),
                        "give a circuit without a device of its own in the neutral"))
                .with((place, rig) -> Where.otherCircuits(
                        place,
                        rig,
                        (a, c) -> !a.way().section().equals(c.way().section())
                                && c.device().residual().isEmpty()
                                && (Where.isProtected(rig, a) || Where.isProtected(rig, c))))
                .edits(b -> {
                    var way = b.other().way();
                    List<Edit> edits = new ArrayList<>(List.of(Build.move(
                            Places.terminationAtBoard(b.id(), NEUTRAL),
                            End.FROM,
                            Places.bar(way.board(), way.section(), NEUTRAL))));
                    if (b.circuit() instanceof Ring) {
                        edits.add(Build.move(
                                Places.secondTerminationAtBoard(b.id(), NEUTRAL),
                                End.FROM,
                                Places.bar(way.board(), way.section(), NEUTRAL)));
                    }
                    return edits;
                })
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C2,
                        "an RCD trips without need, and a neutral that is parted can come alive")
                .set((f, rig) -> "Put the blue of "
                        + Where.circuit(f.place(), rig).label() + " into the neutral bar that "
                        + Where.circuit(f.other().orElseThrow(), rig).label() + " is on.")
                .caution((f, rig) -> Where.PARTED_NEUTRAL)
                .shows(TestKind.FUNCTIONAL, Shows.STOPS)
                .symptom(
                        "The RCDs trip as soon as the circuit carries a load; the sections' insulation readings shift.")
                .remedy("Put the neutral into the bar of its own RCD.")
                .sameAs("neutral-borrowed", "neutrals-crossed");
    }
}
