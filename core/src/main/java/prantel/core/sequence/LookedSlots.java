package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Saying;
import prantel.core.quantity.Unit;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/** What is not measured but goes on the record: the indicator on its proving unit, and how the rig is left. */
final class LookedSlots {
    private final SetUps setUps;

    LookedSlots(Rig rig) {
        this.setUps = new SetUps(rig);
    }

    /** Before and after the pairs are proved dead. Source: HSE GS38, from memory. */
    List<Slot> indicator() {
        String what = "Two-pole indicator on its proving unit or a known source, before and after proving dead";
        return List.of(
                slot("indicator/before", TestKind.INDICATOR, "indicator", "before proving dead", what, Saying.WORKS),
                slot("indicator/after", TestKind.INDICATOR, "indicator", "after proving dead", what, Saying.WORKS));
    }

    /** Common practice, no source. */
    List<Slot> closing() {
        String what = "Closing up: looked at and said, before the record is signed";
        return List.of(
                slot("closing/links-out", TestKind.CLOSING, "links out", "every link and lead out", what, Saying.DONE),
                slot(
                        "closing/conductors",
                        TestKind.CLOSING,
                        "conductors back",
                        "at the stated torque",
                        what,
                        Saying.DONE),
                slot("closing/earth", TestKind.CLOSING, "earth and bonds back", "on the MET, tight", what, Saying.DONE),
                slot("closing/reset", TestKind.CLOSING, "reset", "devices and RCDs on, covers on", what, Saying.DONE));
    }

    private Slot slot(String id, TestKind test, String quantity, String where, String what, Saying well) {
        return new Slot.Measured(
                new Slot.Heading(new SlotId(id), test, quantity, Spot.at(where), Unit.WORDS),
                new Measurement.Looked(well),
                setUps.looked(what),
                Optional.empty(),
                Optional.empty());
    }
}
