package prantel.server.setting;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.BondId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;

/**
 * A fault as the browser sends it: either circuit and point, or bond.
 *
 * @param size in the unit of its kind, Ω or MΩ; null for a kind without a size
 */
public record FaultInput(
        String kind,
        @Nullable String circuit,
        @Nullable String point,
        @Nullable String bond,
        List<String> conductors,
        @Nullable Double size) {

    Fault toFault() {
        FaultKind theKind = FaultCatalogue.kind(kind);
        double ohms = theKind.magnitude()
                .map(m -> m.unit().toBase(size == null ? Double.NaN : size))
                .orElse(0.0);
        return new Fault(theKind, place(circuit, point, bond), conductors(conductors), ohms);
    }

    /** @throws ProblemsException if it names neither a point nor a bond */
    public static Place place(@Nullable String circuit, @Nullable String point, @Nullable String bond) {
        if (bond != null) {
            return new Place.AtBond(new BondId(bond));
        }
        if (circuit == null || point == null) {
            throw new ProblemsException(new Problem("no-place", "place", "", "choose a point or a bond"));
        }
        return new Place.AtPoint(new CircuitId(circuit), new PointId(point));
    }

    public static List<Conductor> conductors(List<String> names) {
        List<Conductor> conductors = new ArrayList<>();
        for (String name : names) {
            conductors.add(Arrays.stream(Conductor.values())
                    .filter(c -> c.id().equals(name))
                    .findFirst()
                    .orElseThrow(() -> new ProblemsException(new Problem(
                            "unknown-conductor", "conductors", Check.quoted(name), "give line, neutral or cpc"))));
        }
        return conductors;
    }

    static FaultSet toSet(List<FaultInput> inputs) {
        List<Fault> faults = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < inputs.size(); i++) {
            String at = "faults/" + i;
            try {
                faults.add(inputs.get(i).toFault());
            } catch (ProblemsException e) {
                e.problems().forEach(p -> problems.add(p.at(at + "/" + p.where())));
            }
        }
        ProblemsException.throwIfAny(problems);
        return new FaultSet(faults);
    }

    static FaultInput of(Fault fault) {
        List<String> conductors = fault.conductors().stream().map(Conductor::id).toList();
        Double size = fault.kind()
                .magnitude()
                .map(m -> m.unit().fromBase(fault.ohms()))
                .orElse(null);
        return switch (fault.place()) {
            case Place.AtPoint at ->
                new FaultInput(
                        fault.kind().id(), at.circuit().value(), at.point().value(), null, conductors, size);
            case Place.AtBond at ->
                new FaultInput(fault.kind().id(), null, null, at.bond().value(), conductors, size);
        };
    }
}
