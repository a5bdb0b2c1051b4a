package prantel.core.fault;

import static prantel.core.fault.FaultGroup.POLARITY;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.L1;
import static prantel.core.rig.Conductor.L2;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.STRAPPER_1;
import static prantel.core.rig.Conductor.STRAPPER_2;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.network.Branch.End;
import prantel.core.network.BranchId;
import prantel.core.network.Edit;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Places;
import prantel.core.rig.PointId;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;

/** Conductors in the wrong terminals. Instructions: common practice, no source. */
final class PolarityFaults {
    private PolarityFaults() {}

    static List<FaultKind> all() {
        return List.of(
                lineNeutral(),
                lineCpc(),
                neutralCpc(),
                crossedAtBoard(),
                switchInNeutral(),
                liveOpenAfter(),
                lampholder(),
                strapperCommon(),
                intermediate(),
                permanentSwitched(),
                phasesAtPoint());
    }

    private static FaultKind lineNeutral() {
        return FaultKind.of(POLARITY, "line-neutral-reversed", "Line and neutral reversed at the point")
                .at(Where.ACCESSORY)
                .conductors(List.of(LINE, NEUTRAL))
                .edits(b -> b.contactsExchanged(LINE, NEUTRAL))
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C2,
                        "switching and fusing are in the neutral: parts stay live; C1 where that makes metal live")
                .or(Severity.C1)
                .set((f, rig) -> "Exchange the brown and the blue conductors in the terminals of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.POLARITY, Shows.CONNECTS)
                // a ring crossed for step 3 has its neutral free
                .shows(TestKind.RING, Shows.OPENS)
                .symptom("R1+R2 reads over-range at this point only; the points beyond read as healthy.")
                .remedy("Put line and neutral into their own terminals and prove polarity again.")
                .sameAs("crossed-at-board");
    }

    private static FaultKind lineCpc() {
        return FaultKind.of(POLARITY, "line-cpc-reversed", "Line and CPC reversed at the point")
                .at(Where.ACCESSORY)
                .conductors(List.of(LINE, CPC))
                .edits(b -> b.contactsExchanged(LINE, CPC))
                .is(SafetyClass.DEAD_ONLY, Severity.C1, "exposed metal is live")
                .set((f, rig) -> "Exchange the brown and the green-yellow conductors in the terminals of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R2, Shows.OPENS)
                .shows(TestKind.RING, Shows.OPENS)
                .symptom("R1+R2 reads as healthy, because line and CPC are linked; R2 by wander lead is over-range.")
                .remedy("Put line and CPC into their own terminals and prove R2 and polarity again.");
    }

    private static FaultKind neutralCpc() {
        return FaultKind.of(POLARITY, "neutral-cpc-reversed", "Neutral and CPC reversed at the point")
                .at(Where.ACCESSORY)
                .conductors(List.of(NEUTRAL, CPC))
                .edits(b -> b.contactsExchanged(NEUTRAL, CPC))
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C1,
                        "load current flows in the CPC, and the neutral is exposed metal; C2 where nothing is connected")
                .or(Severity.C2)
                .set((f, rig) -> "Exchange the blue and the green-yellow conductors in the terminals of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.R2, Shows.OPENS)
                .shows(TestKind.RING, Shows.OPENS)
                .symptom("R1+R2 and R2 read over-range at this point only.")
                .remedy("Put neutral and CPC into their own terminals and prove polarity again.");
    }

    private static FaultKind crossedAtBoard() {
        return FaultKind.of(POLARITY, "crossed-at-board", "Line and neutral crossed at the board")
                .at(Where.SINGLE_PHASE_CIRCUIT.and(
                        (p, r) -> !(Where.circuit(p, r) instanceof Ring),
                        "give a single-phase radial or lighting circuit, at the board"))
                .conductors(List.of(LINE, NEUTRAL))
                .edits(b -> {
                    PointId first = b.firstElement();
                    return List.of(Build.exchange(
                            Places.run(b.id(), first, LINE), End.FROM, Places.run(b.id(), first, NEUTRAL), End.FROM));
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the device is in the neutral: the circuit stays live when off")
                .set((f, rig) -> "Exchange the brown and the blue of "
                        + Where.circuit(f.place(), rig).label() + " between its device and the neutral bar.")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.POLARITY, Shows.CONNECTS)
                .symptom("R1+R2 reads over-range at every point of the circuit; N–E reads instead.")
                .remedy("Put line into its device and neutral into its bar; prove polarity at every point.")
                .sameAs("line-neutral-reversed");
    }

    private static FaultKind liveOpenAfter() {
        return FaultKind.of(POLARITY, "live-open-after", "Line or neutral open after the point")
                .at(Where.GOES_ON)
                .conductors(List.of(LINE), List.of(NEUTRAL))
                .edits(b -> List.of(new Edit.Open(Places.outgoing(b.id(), b.point(), b.conductor()))))
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C2,
                        "with the neutral open, what is switched off stays live to earth")
                .set((f, rig) -> "Lift the " + f.conductors().getFirst().colour() + " at the outgoing side of "
                        + Where.name(f.place(), rig) + " and insulate its end.")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.ZS, Shows.OPENS)
                .shows(TestKind.FUNCTIONAL, Shows.SAYS)
                .symptom("With the line open R1+R2 and Zs read over-range beyond; with the neutral open they read as"
                        + " healthy, R1+Rn does not, and nothing works beyond.")
                .remedy("Put the conductor back into the outgoing terminal and prove it to the last point.")
                .accepts((f, rig) -> Where.withNeighbour(f, rig, 1));
    }

    private static FaultKind switchInNeutral() {
        return FaultKind.of(POLARITY, "switch-in-neutral", "Switch in the neutral")
                .at(Where.LAMP_ALONE)
                .edits(PolarityFaults::neutralSwitched)
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the lamp stays live when switched off")
                .set((f, rig) -> "At " + Where.name(f.place(), rig)
                        + " feed the switch from the neutral and take the permanent line straight to the lamp.")
                .shows(TestKind.POLARITY, Shows.CONNECTS)
                .symptom("With the switch off, the lamp's line terminal still reads to earth.")
                .remedy("Put the switch into the line and prove polarity with the switch off.");
    }

    private static List<Edit> neutralSwitched(Build b) {
        LightGroup group = b.group();
        PointId lamp = b.point();
        PointId first = group.switches().getFirst().id();
        if (group.feed() == LightGroup.Feed.LAMP) {
            BranchId drop = Places.departing(b.id(), first, LINE);
            return List.of(
                    Build.move(drop, End.FROM, b.accessory(NEUTRAL)),
                    Build.move(b.contact(SWITCHED_LINE), End.FROM, b.accessory(LINE)),
                    Build.move(b.contact(NEUTRAL), End.FROM, b.accessory(SWITCHED_LINE)));
        }
        return List.of(
                Build.move(
                        Places.switchContact(b.id(), first, "1"), End.FROM, Places.accessory(b.id(), first, NEUTRAL)),
                Build.move(
                        Places.departing(b.id(), lamp, NEUTRAL),
                        End.FROM,
                        Places.accessory(b.id(), first, SWITCHED_LINE)),
                Build.move(
                        Places.departing(b.id(), lamp, SWITCHED_LINE),
                        End.FROM,
                        Places.accessory(b.id(), first, LINE)));
    }

    private static FaultKind lampholder() {
        return FaultKind.of(POLARITY, "lampholder-reversed", "Screw lampholder reversed")
                .at(Where.LAMP)
                .conductors(List.of(SWITCHED_LINE, NEUTRAL))
                .edits(b -> b.contactsExchanged(SWITCHED_LINE, NEUTRAL))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the screw shell is live while a lamp is changed")
                .set((f, rig) -> "Exchange the switched line and the neutral in the lampholder of "
                        + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .symptom("R1+R2 at the centre contact of this lamp is over-range; it reads at the screw shell.")
                .remedy("Put the switched line to the centre contact.");
    }

    private static FaultKind strapperCommon() {
        return FaultKind.of(POLARITY, "strapper-common-exchanged", "Strapper and common exchanged")
                .at(Where.TWO_WAY)
                .edits(b -> {
                    LightGroup group = b.group();
                    boolean first = Where.switchIndex(group, b.point()) == 0;
                    return first
                            ? List.of(Build.exchange(
                                    Places.incoming(b.id(), b.point(), LINE),
                                    End.TO,
                                    Places.departing(
                                            b.id(), group.switches().get(1).id(), STRAPPER_1),
                                    End.FROM))
                            : List.of(Build.exchange(
                                    Places.incoming(b.id(), b.point(), STRAPPER_1),
                                    End.TO,
                                    group.feed() == LightGroup.Feed.THROUGH
                                            ? Places.departing(
                                                    b.id(),
                                                    group.lamps().getFirst().id(),
                                                    SWITCHED_LINE)
                                            : Places.incoming(b.id(), b.point(), SWITCHED_LINE),
                                    group.feed() == LightGroup.Feed.THROUGH ? End.FROM : End.TO));
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "works wrongly, no danger by itself")
                .set((f, rig) -> "At " + Where.name(f.place(), rig)
                        + " exchange the conductors in the common and the first strapper terminal.")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.FUNCTIONAL, Shows.SAYS)
                .symptom("In some positions that should be on, R1+R2 is over-range; the lamp obeys one switch only in"
                        + " one position of the other.")
                .remedy("Put the common conductor into the common terminal.");
    }

    private static FaultKind intermediate() {
        return FaultKind.of(POLARITY, "intermediate-miswired", "Intermediate switch miswired")
                .at(Where.INTERMEDIATE)
                .edits(b -> {
                    LightGroup group = b.group();
                    int index = Where.switchIndex(group, b.point());
                    PointId next = group.switches().get(index + 1).id();
                    return List.of(Build.exchange(
                            Places.incoming(b.id(), b.point(), STRAPPER_2),
                            End.TO,
                            Places.departing(b.id(), next, STRAPPER_1),
                            End.FROM));
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "works wrongly, no danger by itself")
                .set((f, rig) -> "At " + Where.name(f.place(), rig)
                        + " exchange one incoming strapper with one outgoing strapper.")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.FUNCTIONAL, Shows.SAYS)
                .symptom(
                        "In some positions that should be on, R1+R2 is over-range; the lamp does not obey every switch.")
                .remedy("Connect each pair of strappers to its own side of the intermediate switch.");
    }

    private static FaultKind permanentSwitched() {
        return FaultKind.of(POLARITY, "permanent-switched-exchanged", "Permanent and switched line exchanged")
                .at(Where.LAMP_FED)
                .conductors(List.of(LINE, SWITCHED_LINE))
                .edits(b -> List.of(Build.exchange(
                        b.contact(SWITCHED_LINE),
                        End.FROM,
                        Places.departing(b.id(), b.group().switches().getFirst().id(), LINE),
                        End.FROM)))
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "works wrongly; the lamp is not dead when switched off")
                .set((f, rig) ->
                        "At " + Where.name(f.place(), rig) + " exchange the permanent line and the switched line.")
                .shows(TestKind.POLARITY, Shows.CONNECTS)
                .shows(TestKind.FUNCTIONAL, Shows.SAYS)
                .symptom("With the switch off, the lamp's line terminal still reads: the lamp cannot be switched off.")
                .remedy("Connect the switched line to the lamp and the permanent line to the switch.");
    }

    private static FaultKind phasesAtPoint() {
        return FaultKind.of(POLARITY, "phases-crossed-at-point", "Two phases exchanged at the point")
                .at(Where.THREE_PHASE_POINT)
                .conductors(List.of(L1, L2))
                .edits(b -> b.contactsExchanged(L1, L2))
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C3,
                        "motors turn the wrong way; C2 where what they drive is dangerous then")
                .or(Severity.C2)
                .set((f, rig) -> "Exchange L1 and L2 in the terminals of " + Where.name(f.place(), rig) + ".")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.SEQUENCE, Shows.SAYS)
                .symptom("R1+R2 of either line is over-range at this point; the phase rotation is the wrong way round.")
                .remedy("Put the lines into their own terminals and prove the sequence.");
    }
}
