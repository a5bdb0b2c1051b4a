package prantel.server.marking;

import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.assessment.Assessment;
import prantel.core.marking.MarkedSheet;
import prantel.formats.MarkExport;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;

/** What is kept with a decided outcome: what became of each fault, the result it was decided on, a note to the technician. */
@Service
public class Outcomes {
    private final Assessments assessments;
    private final Keys keys;
    private final BayFellows fellows;

    Outcomes(Assessments assessments, Keys keys, BayFellows fellows) {
        this.assessments = assessments;
        this.keys = keys;
        this.fellows = fellows;
    }

    /** @param sheet what it was decided on @param by who decided */
    @Transactional
    public void keep(Assessment decided, MarkedSheet sheet, String by) {
        assessments.keepResults(
                decided,
                keys.faults(decided).faults().stream().map(f -> f.kind().id()).toList());
        assessments.keepResult(decided, MarkExport.json(sheet));
        fellows.note(decided, by);
    }
}
