package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.network.Edit;
import prantel.core.quantity.Check;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Point;
import prantel.core.rig.Rig;

/** A kind of fault. Stateless; {@link FaultCatalogue} has one of each. */
public abstract class FaultKind {
    private final String id;
    private final String title;

    FaultKind(String id, String title) {
        this.id = id;
        this.title = title;
    }

    /** The word used in files. */
    public final String id() {
        return id;
    }

    /** The workshop's words. */
    public final String title() {
        return title;
    }

    /** The workshop's words with the conductors, where there is a choice: "Low insulation, L–E". */
    public final String titleWith(List<Conductor> conductors) {
        return conductorChoices().size() > 1 ? title + ", " + Conductor.labelOf(conductors) : title;
    }

    /** Every choice of conductors it may have; a single entry leaves nothing to choose. Empty lists: none concerned. */
    public abstract List<List<Conductor>> conductorChoices();

    /** The size it takes, for kinds that have one. */
    public abstract Optional<Magnitude> magnitude();

    /** Whether it can be set at this place of this rig. */
    public abstract boolean fits(Place place, Rig rig);

    /** @param setResistor factor on the magnitude: a real resistor is never exact */
    abstract List<Edit> edits(Fault fault, Rig rig, double setResistor);

    public abstract SafetyClass safety(Fault fault, Rig rig);

    /** How it is set by hand, one sentence. */
    public abstract String instruction(Fault fault, Rig rig);

    /** What it does to the readings, one sentence. */
    public abstract String symptom();

    /** What a candidate who found it would write as remedy, one sentence. */
    public abstract String remedy();

    /** Other kinds whose name for the nature is as good an answer. */
    public Set<String> equivalentKinds() {
        return Set.of();
    }

    /** Places that are as good an answer because no reading of the sequence tells them apart; the place itself first. */
    public List<Place> acceptedPlaces(Fault fault, Rig rig) {
        return List.of(fault.place());
    }

    final void check(Fault fault, Rig rig) {
        if (fault.place() instanceof Place.AtPoint at) {
            rig.circuit(at.circuit()).point(at.point());
        } else if (fault.place() instanceof Place.AtBond at) {
            rig.bond(at.bond());
        }
        Check.that(
                fits(fault.place(), rig), "does-not-fit", "place", fault.place().label(rig), whyNot());
        Check.that(
                conductorChoices().contains(fault.conductors()),
                "bad-conductors",
                "conductors",
                fault.conductors().stream().map(Conductor::id).toList().toString(),
                "give one of "
                        + conductorChoices().stream()
                                .map(c -> c.stream().map(Conductor::id).toList().toString())
                                .toList());
        magnitude().ifPresent(m -> m.check(fault.ohms()));
    }

    /** Where it fits, for the sentence that refuses another place. */
    abstract String whyNot();

    static Circuit circuit(Place place, Rig rig) {
        return rig.circuit(at(place).circuit());
    }

    static Place.AtPoint at(Place place) {
        return switch (place) {
            case Place.AtPoint point -> point;
            case Place.AtBond bond -> throw new IllegalArgumentException("Not a point: " + bond);
        };
    }

    /** The point this many steps along the circuit; empty beyond its ends. */
    static Optional<Place> neighbour(Place place, Rig rig, int steps) {
        Circuit circuit = circuit(place, rig);
        List<Point> points = circuit.points();
        int index = points.indexOf(circuit.point(at(place).point())) + steps;
        return index < 0 || index >= points.size()
                ? Optional.empty()
                : Optional.of(new Place.AtPoint(circuit.id(), points.get(index).id()));
    }

    /** Whether it is a point with line, neutral and CPC of its own: not a lamp, a switch or a three-phase outlet. */
    static boolean isAtAccessory(Place place, Rig rig) {
        return place instanceof Place.AtPoint
                && !(circuit(place, rig) instanceof Lighting)
                && !circuit(place, rig).isThreePhase();
    }

    static String point(Place place, Rig rig) {
        return circuit(place, rig).point(at(place).point()).label();
    }
}
