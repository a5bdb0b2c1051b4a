package prantel.core.marking;

import java.util.List;
import prantel.core.expectation.Key;

/** A sheet held against its key: every box looked at, marks proposed, an outcome proposed. */
public record MarkedSheet(Key key, List<Finding> findings, List<Mark> marks, Outcome outcome) {
    /**
     * Version of the rules that made it; a sheet marked under another may come out differently. Raise it with every
     * change of a number or rule in core.
     */
    public static final int ENGINE_VERSION = 16;

    public MarkedSheet {
        findings = List.copyOf(findings);
        marks = List.copyOf(marks);
    }

    /** Label of the circuit that a mark is about; empty for one of the rig or of the whole record. */
    public String circuitOf(Mark mark) {
        return mark.of().circuit().map(c -> key.rig().circuit(c).label()).orElse("");
    }
}
