package prantel.core.marking;

import java.util.List;
import prantel.core.expectation.Key;
import prantel.core.rig.CircuitId;

/** A sheet held against its key: every box looked at, marks proposed, an outcome proposed. */
public record MarkedSheet(Key key, List<Finding> findings, List<Mark> marks, Outcome outcome) {
    /**
     * Version of the rules that made it; a sheet marked under another may come out differently. Raise it with every
     * change of a number or rule in core.
     */
    public static final int ENGINE_VERSION = 14;

    public MarkedSheet {
        findings = List.copyOf(findings);
        marks = List.copyOf(marks);
    }

    /** Label of the circuit that a mark is about; empty where its boxes are of several, or of none, and for one of the whole record. */
    public String circuitOf(Mark mark) {
        if (mark.evidence() instanceof Evidence.Leads) {
            // given once for the record, wherever the leads are seen
            return "";
        }
        List<CircuitId> of = mark.slots().stream()
                .filter(key::has)
                .flatMap(s -> key.expectation(s).slot().circuit().stream())
                .distinct()
                .toList();
        boolean all = mark.slots().stream()
                .filter(key::has)
                .allMatch(s -> key.expectation(s).slot().circuit().isPresent());
        return of.size() == 1 && all ? key.rig().circuit(of.getFirst()).label() : "";
    }
}
