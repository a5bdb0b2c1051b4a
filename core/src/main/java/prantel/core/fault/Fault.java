package prantel.core.fault;

import java.util.List;
import prantel.core.network.Edit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;

/**
 * A fault at a place: a meaning given to a list of edits.
 *
 * @param conductors the conductors concerned, as the kind's {@link FaultKind#conductorChoices} has them
 * @param ohms magnitude, Ω; 0 for a kind that has none
 */
public record Fault(FaultKind kind, Place place, List<Conductor> conductors, double ohms) {
    public Fault {
        conductors = List.copyOf(conductors);
    }

    /**
     * All that is wrong with this fault on this rig; nothing when it fits.
     *
     * @throws prantel.core.quantity.ProblemsException naming what, where and how to mend it
     */
    public void checkOn(Rig rig) {
        kind.check(this, rig);
    }

    /** The edits it makes in the network of a rig compiled with the same variation. */
    public List<Edit> edits(Rig rig, Variation variation) {
        return kind.edits(this, rig, variation.setResistor());
    }

    public SafetyClass safety(Rig rig) {
        return kind.safety(this, rig);
    }

    /** For lists: "High-resistance joint, CPC, 0.62 Ω". */
    public String title() {
        return kind.titleWith(conductors)
                + kind.magnitude().map(m -> ", " + m.shown(ohms)).orElse("");
    }
}
