package prantel.server.floor;

import java.util.List;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.OpenBoxes;
import prantel.core.marking.Finding;
import prantel.server.assessment.Keys;

/** How far an assessment is, in words; one whose record cannot be read does not take the room down with it. */
@Component
class Progress {
    private static final Logger LOG = LoggerFactory.getLogger(Progress.class);
    private static final Set<String> TOLD = ConcurrentHashMap.newKeySet();
    static final String UNREADABLE = "This record cannot be read in full";

    private final Keys keys;

    Progress(Keys keys) {
        this.keys = keys;
    }

    /** What is read of a record, or what stands for it where it cannot be read. */
    static <T> T whole(Assessment a, Supplier<T> read, Supplier<T> otherwise) {
        try {
            return read.get();
        } catch (RuntimeException e) {
            // once: the Floor is asked every few seconds
            if (TOLD.add(a.id())) {
                LOG.error("Assessment {} cannot be shown on the Floor", a.id(), e);
            }
            return otherwise.get();
        }
    }

    int faults(Assessment a) {
        return keys.faultsIn(a).faults().size();
    }

    String now(Assessment a) {
        return switch (a.stage()) {
            case SET ->
                a.lockedOffAt() == null
                        ? "Lock off, then set the faults"
                        : keys.faults(a).isEmpty() ? "Choose and set faults" : "Prove it is set";
            case WATCH -> filled(a) + " of " + boxes(a) + " boxes filled";
            case MARK -> toLookAt(a);
            case CLEAR, DONE -> "Clear and prove healthy";
        };
    }

    private int filled(Assessment a) {
        return OpenBoxes.filled(a, keys.sheet(a));
    }

    private int boxes(Assessment a) {
        return keys.sheet(a).size();
    }

    private String toLookAt(Assessment a) {
        List<Finding> findings = keys.marked(a).findings();
        long look = findings.stream().filter(Finding::wantsEye).count();
        return look == 0
                ? "nothing is odd in " + findings.size() + " boxes"
                : look + " of " + findings.size() + " boxes need a look";
    }
}
