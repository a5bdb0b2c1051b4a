package prantel.core.fault;

import static prantel.core.fault.FaultGroup.SUPPLY;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.L1;
import static prantel.core.rig.Conductor.L2;
import static prantel.core.rig.Conductor.L3;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.network.Branch.End;
import prantel.core.network.Edit;
import prantel.core.rig.Places;
import prantel.core.rig.Supply;
import prantel.core.scheme.TestKind;

/** What arrives wrongly. Never wired by hand: source box or simulated rig only. */
final class SupplyFaults {
    private SupplyFaults() {}

    static List<FaultKind> all() {
        return List.of(incomingReversed(), neutralLost(), sequenceWrong(), phaseMissing());
    }

    private static FaultKind kind(String id, String title, Severity severity, String because) {
        return FaultKind.of(SUPPLY, id, title)
                .is(SafetyClass.EMULATED, severity, because)
                .set((f, rig) -> "Set the source box to “" + f.title().toLowerCase(java.util.Locale.ROOT) + "”.");
    }

    private static FaultKind incomingReversed() {
        return kind(
                        "incoming-reversed",
                        "Incoming line and neutral reversed",
                        Severity.C1,
                        "what is switched off stays live")
                .at(Where.SINGLE_PHASE_SUPPLY)
                .conductors(List.of(LINE, NEUTRAL))
                .edits(b -> {
                    List<Edit> edits = new ArrayList<>(
                            List.of(Build.exchange(Places.source(LINE), End.TO, Places.source(NEUTRAL), End.TO)));
                    if (b.rig().supply().earth().earthing() == Supply.Earthing.TN_C_S) {
                        // the link to earth sits before the reversal and stays on the neutral
                        var origin = b.rig().origin().id();
                        edits.add(Build.move(Places.source(CPC), End.FROM, Places.incoming(b.rig(), origin, LINE)));
                    }
                    return edits;
                })
                .shows(TestKind.LIVE_POLARITY, Shows.FALLS)
                .symptom("L–E reads nothing and N–E reads the full voltage.")
                .remedy("Isolate, report to the distributor, energise only when put right.");
    }

    private static FaultKind neutralLost() {
        return kind(
                        "neutral-lost",
                        "Supply neutral lost",
                        Severity.C1,
                        "metalwork or voltages may be dangerous at this moment")
                .at(Where.SUPPLY)
                .conductors(List.of(NEUTRAL))
                .edits(b -> List.of(new Edit.Open(Places.source(NEUTRAL))))
                .shows(TestKind.LIVE_POLARITY, Shows.FALLS)
                // where the neutral is the earth too, the way over the ground keeps the voltage up
                .shows(TestKind.ZE, Shows.RISES)
                .symptom("No steady voltage to neutral; in TN-C-S the metalwork may rise to a dangerous voltage.")
                .remedy("Isolate at once, report to the distributor.");
    }

    private static FaultKind sequenceWrong() {
        return kind(
                        "sequence-wrong",
                        "Incoming phase sequence wrong",
                        Severity.C2,
                        "motors turn the wrong way; further investigation at the distributor")
                .at(Where.THREE_PHASE_SUPPLY)
                .conductors(List.of(L1, L2))
                .edits(b -> List.of(Build.exchange(Places.source(L1), End.TO, Places.source(L2), End.TO)))
                .shows(TestKind.SEQUENCE, Shows.SAYS)
                .symptom("The rotation is anticlockwise at the origin and everywhere.")
                .remedy("Exchange two lines at the origin after isolation by the distributor.");
    }

    private static FaultKind phaseMissing() {
        return kind(
                        "phase-missing",
                        "One phase missing",
                        Severity.FI,
                        "motors may burn; whether fuse or supply is to be found out")
                .at(Where.THREE_PHASE_SUPPLY)
                .conductors(List.of(L1), List.of(L2), List.of(L3))
                .edits(b -> List.of(new Edit.Open(Places.source(b.conductor()))))
                .shows(TestKind.LIVE_POLARITY, Shows.FALLS)
                .symptom("One line has no voltage; no phase sequence can be shown.")
                .remedy("Report to the distributor, or replace the blown service fuse.");
    }
}
