package prantel.server.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.marking.AlikeOnTheRig;
import prantel.core.marking.AlikeOnTheRig.Alike;
import prantel.core.marking.MarkedSheet;
import prantel.core.sequence.Slot;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.RigNotes;
import prantel.server.workshop.Workshop;

/** Others who stood at the same rig in the same bay: where several read alike, it is looked at first. */
@Component
public class BayFellows {
    private static final Logger LOG = LoggerFactory.getLogger(BayFellows.class);
    /** So many of the newest are held beside it. */
    private static final int MOST = 6;

    private static final int MOST_TOLD = 12;

    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;
    private final RigNotes notes;

    BayFellows(Assessments assessments, Keys keys, Workshop workshop, RigNotes notes) {
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
        this.notes = notes;
    }

    /** Where others in the bay were off in the same way. */
    public List<Alike> alike(Assessment assessment) {
        List<MarkedSheet> others = new ArrayList<>();
        for (Assessment other : assessments.besideInBay(assessment, MOST)) {
            try {
                others.add(keys.marked(other));
            } catch (RuntimeException e) {
                // one record that cannot be read does not keep another from being marked
                LOG.error("Assessment {} cannot be held beside {}", other.id(), assessment.id(), e);
            }
        }
        return others.isEmpty() ? List.of() : AlikeOnTheRig.of(keys.marked(assessment), others);
    }

    /** Tells the technician. Nothing in it says who, or what was given for it. */
    void note(Assessment assessment, String by) {
        List<Alike> alike = alike(assessment);
        if (alike.isEmpty()) {
            return;
        }
        var rig = assessment.fixed().versions().rig();
        MarkedSheet sheet = keys.marked(assessment);
        StringBuilder text =
                new StringBuilder("Several people read alike here and otherwise than this rig should read: ");
        StringBuilder slots = new StringBuilder();
        for (Alike a : alike.subList(0, Math.min(MOST_TOLD, alike.size()))) {
            Slot slot = sheet.key().expectation(a.slot()).slot();
            text.append(slots.isEmpty() ? "" : "; ")
                    .append(slot.title(sheet.key().rig()))
                    .append(", ")
                    .append(a.side().name().toLowerCase(Locale.ROOT).replace('_', ' '));
            slots.append(slots.isEmpty() ? "" : " ").append(a.slot().value());
        }
        notes.note(
                new DocumentRef(rig.id(), rig.version()),
                workshop.bay(assessment.fixed().bayId()).bayId(),
                slots.toString(),
                text.append(".").toString(),
                by);
    }
}
