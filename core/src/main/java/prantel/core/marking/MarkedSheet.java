package prantel.core.marking;

import java.util.List;
import prantel.core.expectation.Key;

/** A sheet held against its key: every box looked at, marks proposed, an outcome proposed. */
public record MarkedSheet(Key key, List<Finding> findings, List<Mark> marks, Outcome outcome) {
    /**
     * Version of the rules that made it; a sheet marked under another may come out differently. Raise it with every
     * change of a number or rule in core.
     */
    public static final int ENGINE_VERSION = 13;

    public MarkedSheet {
        findings = List.copyOf(findings);
        marks = List.copyOf(marks);
    }
}
