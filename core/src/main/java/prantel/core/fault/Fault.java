package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import prantel.core.network.Edit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;

/**
 * A fault at a place: a meaning given to a list of edits.
 *
 * @param conductors the conductors concerned, as the kind's {@link FaultKind#conductorChoices} has them
 * @param size magnitude in the base unit of its dimension: Ω, ms, A, m, mm²; 0 for a kind that has none
 * @param other the second place, for kinds that join or exchange two
 */
public record Fault(FaultKind kind, Place place, List<Conductor> conductors, double size, Optional<Place> other) {
    public Fault {
        conductors = List.copyOf(conductors);
        size = kind.sizeGiven(size);
    }

    /** A fault with one place. */
    public Fault(FaultKind kind, Place place, List<Conductor> conductors, double size) {
        this(kind, place, conductors, size, Optional.empty());
    }

    public Fault withSize(double otherSize) {
        return new Fault(kind, place, conductors, otherSize, other);
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
        return kind.edits(new Build(this, rig, variation));
    }

    /** The rig with the device that is really fitted: limits are worked out with it. */
    public Rig fitted(Rig rig) {
        return kind.fitted(this, rig);
    }

    /** The residual-current device as this fault leaves it. */
    public Residuals.Placed altered(Residuals.Placed placed) {
        return place instanceof Place.AtResidual at && at.device().equals(placed.id())
                ? new Residuals.Placed(
                        placed.id(), placed.label(), kind.altered(this, placed.device()), placed.poles(), placed.at())
                : placed;
    }

    /** What the catalogue says; what simulation finds on this rig may be stricter. */
    public SafetyClass safety() {
        return kind.safety();
    }

    public String instruction(Rig rig) {
        return kind.instruction(this, rig);
    }

    /** What must be minded with it in, a sentence; empty for nothing. */
    public String caution(Rig rig) {
        return kind.caution(this, rig);
    }

    /** For lists: "High-resistance joint, CPC, 0.62 Ω". */
    public String title() {
        return kind.titleWith(conductors)
                + kind.magnitude().map(m -> ", " + m.shown(size)).orElse("");
    }

    /** "socket 3, Kitchen sockets", and the second place where there is one. */
    public String where(Rig rig) {
        return place.label(rig) + other.map(o -> ", with " + o.label(rig)).orElse("");
    }

    /** Whether another one is the same fault, whatever its size. */
    public boolean isSameBut(Fault that) {
        return kind == that.kind
                && place.equals(that.place)
                && conductors.equals(that.conductors)
                && other.equals(that.other);
    }
}
