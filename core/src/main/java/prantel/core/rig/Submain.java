package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/** A distribution circuit from one board to another. @param lengthMetres m @param feeds the board at its far end */
public record Submain(CircuitHead head, boolean threePhase, double lengthMetres, BoardId feeds) implements Circuit {
    public Submain {
        Check.that(
                head.nature() == Nature.LOW,
                "wrong-nature",
                "nature",
                head.nature().id(),
                "only a radial may be SELV, PELV, FELV or above 500 V; leave it out");
        Check.between(lengthMetres, 0.1, 1000, "lengthMetres", "m");
    }

    @Override
    public List<Point> points() {
        return List.of();
    }

    @Override
    public List<Conductor> conductors() {
        return threePhase ? Conductor.THREE_PHASE : Conductor.SINGLE_PHASE;
    }

    @Override
    public boolean goesOn(PointId point) {
        return false;
    }
}
