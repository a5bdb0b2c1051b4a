package prantel.core.fault;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.network.Edit;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;

/** The faults set on one rig together. Empty for a healthy rig. */
public record FaultSet(List<Fault> faults) {
    public static final FaultSet NONE = new FaultSet(List.of());
    public static final int MOST_FAULTS = 12;

    public FaultSet {
        faults = List.copyOf(faults);
    }

    public static FaultSet of(Fault... faults) {
        return new FaultSet(List.of(faults));
    }

    public boolean isEmpty() {
        return faults.isEmpty();
    }

    public FaultSet with(Fault more) {
        List<Fault> all = new ArrayList<>(faults);
        all.add(more);
        return new FaultSet(all);
    }

    public FaultSet without(Fault less) {
        return new FaultSet(faults.stream().filter(f -> !f.equals(less)).toList());
    }

    /**
     * Nobody finds what nobody is asked to test.
     *
     * @param circuits those that are tested; none for all
     * @throws ProblemsException naming each fault of another circuit, at "faults/index/at"
     */
    public void mustLieIn(Set<CircuitId> circuits) {
        List<Problem> problems = new ArrayList<>();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            if (!circuits.isEmpty()
                    && fault.place()
                            .ofCircuit()
                            .filter(c -> !circuits.contains(c))
                            .isPresent()) {
                problems.add(
                        new Problem(
                                "not-tested",
                                "faults/" + i + "/at",
                                fault.title(),
                                "its circuit is not among those to be tested: choose that circuit in Prepare, or another fault"));
            }
        }
        ProblemsException.throwIfAny(problems);
    }

    /**
     * @throws ProblemsException with every problem of every fault, each at "faults/index/field"
     */
    public void checkOn(Rig rig) {
        List<Problem> problems = new ArrayList<>();
        if (faults.size() > MOST_FAULTS) {
            problems.add(
                    new Problem("too-many-faults", "faults", faults.size() + " faults", "give at most " + MOST_FAULTS));
        }
        Set<List<Object>> seen = new HashSet<>();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            String where = "faults/" + i;
            try {
                fault.checkOn(rig);
            } catch (ProblemsException e) {
                e.problems().forEach(p -> problems.add(p.at(where + "/" + p.where())));
                continue;
            }
            if (!seen.add(List.of(fault.kind(), fault.place(), fault.conductors(), fault.other()))) {
                problems.add(new Problem("fault-twice", where, fault.title(), "name each fault once"));
            }
        }
        ProblemsException.throwIfAny(problems);
    }

    /** As {@link #checkOn}, for what people choose: the same fault told from its other end changes the network in the same way. */
    public void checkChosenOn(Rig rig) {
        checkOn(rig);
        List<Problem> problems = new ArrayList<>();
        Map<List<Object>, Integer> first = new HashMap<>();
        for (int i = 0; i < faults.size(); i++) {
            Fault fault = faults.get(i);
            Set<Edit> edits = new HashSet<>(fault.edits(rig, Variation.NONE));
            Integer before = edits.isEmpty() ? null : first.putIfAbsent(List.of(fault.kind(), edits), i);
            if (before != null) {
                problems.add(new Problem(
                        "fault-twice",
                        "faults/" + i,
                        fault.title(),
                        "this does what fault " + (before + 1) + " does already; name each fault once"));
            }
        }
        ProblemsException.throwIfAny(problems);
    }

    public List<Edit> edits(Rig rig, Variation variation) {
        return faults.stream().flatMap(f -> f.edits(rig, variation).stream()).toList();
    }

    /** The rig with the devices that are really fitted: limits follow them. */
    public Rig fitted(Rig rig) {
        Rig fitted = rig;
        for (Fault fault : faults) {
            fitted = fault.fitted(fitted);
        }
        return fitted;
    }

    /** The rig's residual-current devices as the faults leave them. */
    public List<Residuals.Placed> residuals(Rig rig) {
        List<Residuals.Placed> devices = new ArrayList<>(Residuals.of(rig));
        for (Fault fault : faults) {
            devices.replaceAll(fault::altered);
        }
        return devices;
    }
}
