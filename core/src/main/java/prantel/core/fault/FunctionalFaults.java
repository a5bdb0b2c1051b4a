package prantel.core.fault;

import static prantel.core.fault.FaultGroup.FUNCTIONAL;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.STRAPPER_1;
import static prantel.core.rig.Conductor.STRAPPER_2;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.network.Branch.End;
import prantel.core.network.BranchId;
import prantel.core.network.Edit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Places;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;

/** What works wrongly or is marked wrongly. Common practice, no source. */
final class FunctionalFaults {
    /** A contact that stays closed, Ω. */
    private static final double CLOSED_OHMS = 1e-3;

    private FunctionalFaults() {}

    static List<FaultKind> all() {
        return List.of(strapperOpen(), isolatorOnePole(), mislabelled());
    }

    private static FaultKind strapperOpen() {
        return FaultKind.of(FUNCTIONAL, "strapper-open", "Strapper open: does not work from one place")
                .at(Where.AFTER_STRAPPERS)
                .conductors(List.of(STRAPPER_2), List.of(STRAPPER_1))
                .edits(b -> List.of(new Edit.Open(Places.incoming(b.id(), b.point(), b.conductor()))))
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "works wrongly, no danger by itself")
                .set((f, rig) -> "Lift the " + f.conductors().getFirst().word() + " in " + Where.name(f.place(), rig)
                        + " and insulate its end.")
                .shows(TestKind.R1_R2, Shows.OPENS)
                .shows(TestKind.FUNCTIONAL, Shows.SAYS)
                .symptom(
                        "R1+R2 is over-range in the positions that use this strapper; with one switch the wrong way the"
                                + " lamp stays off.")
                .remedy("Put the strapper back and operate every switch.")
                .sameAs("strapper-common-exchanged");
    }

    private static FaultKind isolatorOnePole() {
        return FaultKind.of(FUNCTIONAL, "isolator-one-pole", "Double-pole isolator switches one pole")
                .at(Where.ISOLATOR)
                .conductors(List.of(NEUTRAL), List.of(LINE))
                .edits(b -> List.of(new Edit.Bridge(
                        b.accessory(b.conductor()), Places.loadSide(b.id(), b.point(), b.conductor()), CLOSED_OHMS)))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "what is switched off is not isolated")
                .set((f, rig) -> "Link the " + f.conductors().getFirst().word() + " pole of "
                        + Where.name(f.place(), rig) + " behind its cover.")
                .shows(TestKind.POLARITY, Shows.CONNECTS)
                .symptom("With the isolator off, the pole still reads through.")
                .remedy("Replace the isolator, or take the link out, and prove both poles.");
    }

    private static FaultKind mislabelled() {
        return FaultKind.of(FUNCTIONAL, "circuits-mislabelled", "Circuits exchanged against the chart")
                .at(Where.SINGLE_PHASE_CIRCUIT.and(
                        (p, r) -> !(Where.circuit(p, r) instanceof Ring), "give a radial or lighting circuit"))
                .with((place, rig) -> Where.otherCircuits(
                        place,
                        rig,
                        (a, c) -> Where.bothSinglePhase(a, c)
                                && !(c instanceof Ring)
                                && a.way().section().equals(c.way().section())
                                && a.device().residual().isPresent()
                                        == c.device().residual().isPresent()))
                .edits(b -> {
                    List<Edit> edits = new ArrayList<>(List.of(exchanged(b.circuit(), b.other(), LINE)));
                    if (b.circuit().device().residual().isPresent()) {
                        edits.add(exchanged(b.circuit(), b.other(), NEUTRAL));
                    }
                    return edits;
                })
                .is(
                        SafetyClass.DEAD_ONLY,
                        Severity.C3,
                        "the wrong circuit may be switched off; potentially dangerous where devices do not suit")
                .set((f, rig) -> "Exchange the conductors of "
                        + Where.circuit(f.place(), rig).label() + " and "
                        + Where.circuit(f.other().orElseThrow(), rig).label() + " at their devices.")
                .shows(TestKind.FUNCTIONAL, Shows.SAYS)
                .symptom("The device named on the chart does not switch the circuit.")
                .remedy("Correct the chart, or the conductors where device and cable do not suit.");
    }

    private static Edit exchanged(Circuit a, Circuit b, prantel.core.rig.Conductor conductor) {
        BranchId x = Places.terminationAtBoard(a.id(), conductor);
        BranchId y = Places.terminationAtBoard(b.id(), conductor);
        return Build.exchange(x, End.FROM, y, End.FROM);
    }
}
