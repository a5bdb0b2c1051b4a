package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** A circuit of a board. Each kind knows its shape; the compiler turns each kind into branches. */
public sealed interface Circuit permits Radial, Ring, Lighting, Submain {
    int MOST_POINTS = 200;

    CircuitHead head();

    /** In order of cable distance from the board, each spur behind the point it comes from. */
    List<Point> points();

    /** Lines, neutral and CPC that leave the board. */
    List<Conductor> conductors();

    /** The same circuit behind another device. */
    default Circuit with(Device device) {
        CircuitHead other = head().with(device);
        return switch (this) {
            case Radial radial -> new Radial(other, radial.threePhase(), radial.points());
            case Ring ring -> new Ring(other, ring.ringMetres(), ring.points());
            case Lighting lighting -> new Lighting(other, lighting.groups());
            case Submain submain -> new Submain(other, submain.threePhase(), submain.lengthMetres(), submain.feeds());
        };
    }

    default CircuitId id() {
        return head().id();
    }

    default String label() {
        return head().label();
    }

    default Way way() {
        return head().way();
    }

    default Device device() {
        return head().device();
    }

    default Nature nature() {
        return head().nature();
    }

    default Cable cable() {
        return head().cable();
    }

    default List<Conductor> lines() {
        return conductors().stream()
                .filter(c -> c != Conductor.NEUTRAL && c != Conductor.CPC)
                .toList();
    }

    default boolean isThreePhase() {
        return conductors().contains(Conductor.THREE_LINES.getLast());
    }

    /** @throws ProblemsException if the circuit has no such point */
    default Point point(PointId id) {
        return points().stream()
                .filter(p -> p.id().equals(id))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-point",
                        "point",
                        Check.quoted(id.value()),
                        "give a point of circuit " + id() + ": "
                                + String.join(
                                        ", ",
                                        points().stream()
                                                .map(p -> p.id().value())
                                                .toList()))));
    }

    /** Whether an accessory of the chain has cable going on from it to the next of the chain. */
    boolean goesOn(PointId point);
}
