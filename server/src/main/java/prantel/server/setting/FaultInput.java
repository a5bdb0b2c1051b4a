package prantel.server.setting;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;

/**
 * A fault as the browser sends it.
 *
 * @param at id of its place
 * @param size in the unit of its kind; null for a kind without a size
 * @param to id of the second place; null for a kind with one
 */
public record FaultInput(
        String kind,
        String at,
        List<String> conductors,
        @Nullable Double size,
        @Nullable String to) {

    Fault toFault(Rig rig) {
        FaultKind theKind = FaultCatalogue.kind(kind);
        double base = theKind.magnitude()
                .map(m -> m.unit().toBase(size == null ? theKind.sizeMayBeLeftOut() ? 0 : Double.NaN : size))
                .orElse(0.0);
        return new Fault(
                theKind,
                Place.parse(at, rig),
                conductors(conductors),
                base,
                to == null ? Optional.empty() : Optional.of(Place.parse(to, rig)));
    }

    public static List<Conductor> conductors(List<String> names) {
        return names.stream().map(Conductor::of).toList();
    }

    /** @throws ProblemsException with every problem of every fault, each at "faults/index/field" */
    static FaultSet toSet(List<FaultInput> inputs, Rig rig) {
        List<Fault> faults = new ArrayList<>();
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < inputs.size(); i++) {
            String at = "faults/" + i;
            try {
                faults.add(inputs.get(i).toFault(rig));
            } catch (ProblemsException e) {
                e.problems().forEach(p -> problems.add(p.at(at + "/" + p.where())));
            }
        }
        ProblemsException.throwIfAny(problems);
        FaultSet set = new FaultSet(faults);
        set.checkChosenOn(rig);
        return set;
    }

    static FaultInput of(Fault fault) {
        return new FaultInput(
                fault.kind().id(),
                fault.place().id(),
                fault.conductors().stream().map(Conductor::id).toList(),
                fault.kind()
                        .magnitude()
                        .map(m -> m.unit().fromBase(fault.size()))
                        .orElse(null),
                fault.other().map(Place::id).orElse(null));
    }
}
