package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import prantel.core.network.Edit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;

/** A bonding clamp bears on paint: the conductor is sound, the part is not bonded. */
final class ClampOnPaint extends FaultKind {
    ClampOnPaint() {
        super("clamp-on-paint", "Bonding clamp on paint");
    }

    @Override
    public List<List<Conductor>> conductorChoices() {
        return List.of(List.of());
    }

    @Override
    public Optional<Magnitude> magnitude() {
        return Optional.empty();
    }

    @Override
    public boolean fits(Place place, Rig rig) {
        return place instanceof Place.AtBond;
    }

    @Override
    String whyNot() {
        return "give a main bond";
    }

    @Override
    List<Edit> edits(Fault fault, Rig rig, double setResistor) {
        return List.of(new Edit.Open(Places.clampOnPart(bond(fault.place()))));
    }

    @Override
    public SafetyClass safety(Fault fault, Rig rig) {
        return SafetyClass.DEAD_ONLY;
    }

    @Override
    public String instruction(Fault fault, Rig rig) {
        return "Move the clamp of the " + rig.bond(bond(fault.place())).part()
                + " onto the painted length, or slip the insulating film under it.";
    }

    @Override
    public String symptom() {
        return "R2 reads as healthy on the clamp and over-range on the bare pipe.";
    }

    @Override
    public String remedy() {
        return "Clean the pipe to bare metal, refit the clamp and measure to the pipe itself.";
    }

    private static prantel.core.rig.BondId bond(Place place) {
        return switch (place) {
            case Place.AtBond at -> at.bond();
            case Place.AtPoint at -> throw new IllegalArgumentException("Not a bond: " + at);
        };
    }
}
