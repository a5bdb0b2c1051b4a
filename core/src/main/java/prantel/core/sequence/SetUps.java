package prantel.core.sequence;

import java.util.List;
import prantel.core.network.Edit;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;

/** The set-ups of the dead tests as edits of the compiled rig. Common practice, no source. */
final class SetUps {
    private SetUps() {}

    /** Line conductor out of its breaker and into the earth bar: line and CPC are linked at the board. */
    static SetUp method1(Rig rig, Circuit circuit) {
        double jointOhms = rig.workmanship().terminationMilliohms() / 1000;
        return deadWith(
                List.of(
                        "Line of " + circuit.label() + " out of its breaker and into the earth bar",
                        "Leads nulled, probes on L and E of the point"),
                new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.LINE)),
                new Edit.Bridge(Places.cableAtBoard(circuit.id(), Conductor.LINE), Places.EARTH_BAR, jointOhms));
    }

    /** Nothing moved: wander lead on the MET, the other on the CPC of the point. */
    static SetUp method2(CircuitId circuit) {
        return deadWith(
                List.of("Wander lead on the MET and nulled with it", "The other lead on E of the point"),
                new Edit.Open(Places.breaker(circuit)));
    }

    /** One end of the bond off the MET, so that only this conductor is measured. */
    static SetUp bond(MainBond bond) {
        return deadWith(
                List.of(
                        "Whole installation isolated; bond to the " + bond.part() + " off the MET",
                        "Wander lead on the free end and nulled with it"),
                new Edit.Open(Places.bondAtMet(bond.id())));
    }

    /** Breaker off, neutral out of its bar, CPC on the bar so that a leak to metalwork is seen. */
    static SetUp insulation(Circuit circuit) {
        return deadWith(
                List.of(
                        "Breaker off, loads out, neutral of " + circuit.label() + " out of its bar",
                        "CPC on the earth bar; probes on the conductors at the board"),
                new Edit.Open(Places.breaker(circuit.id())),
                new Edit.Open(Places.terminationAtBoard(circuit.id(), Conductor.NEUTRAL)));
    }

    private static SetUp deadWith(List<String> steps, Edit... edits) {
        List<Edit> all = new java.util.ArrayList<>(List.of(
                new Edit.Open(Places.mainSwitch(Conductor.LINE)), new Edit.Open(Places.mainSwitch(Conductor.NEUTRAL))));
        all.addAll(List.of(edits));
        List<String> words = new java.util.ArrayList<>(List.of("Main switch off, locked, proved dead"));
        words.addAll(steps);
        return new SetUp(words, all);
    }
}
