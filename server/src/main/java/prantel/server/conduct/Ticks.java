package prantel.server.conduct;

import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Checklist;
import prantel.core.quantity.Check;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.conduct.ConductView.ItemLine;
import prantel.server.conduct.ConductView.ListView;
import prantel.server.conduct.ConductView.Tick;
import prantel.server.conduct.ConductView.TickedLine;

/** Items of lists that are ticked, and by whom. */
@Service
public class Ticks {
    private final Assessments assessments;
    private final Accounts accounts;

    Ticks(Assessments assessments, Accounts accounts) {
        this.assessments = assessments;
        this.accounts = accounts;
    }

    /** Ticks what is not ticked yet. @param eventId each tick's own id is made from it, so that all may be sent again */
    @Transactional
    public Assessment keep(String id, String eventId, List<Tick> ticked, String by) {
        Assessment assessment = assessments.get(id);
        int number = 0;
        for (Tick tick : ticked) {
            number++;
            if (assessments.get(id).conduct().tick(tick.list(), tick.item()) == null) {
                assessment = set(id, eventId + "-t" + number, tick, true, by);
            }
        }
        return assessment;
    }

    @Transactional
    public Assessment set(String id, String eventId, Tick tick, boolean on, String by) {
        Check.that(
                tick.list().item(tick.item()).isPresent(),
                "unknown-item",
                "item",
                Check.quoted(tick.item()),
                "reload the page");
        return assessments.append(id, eventId, new AssessmentEvent.Ticked(tick.list(), tick.item(), on), by);
    }

    public ListView list(Assessment assessment, Checklist list) {
        List<ItemLine> items = list.items().stream()
                .map(item -> {
                    Assessment.Done done = assessment.conduct().tick(list, item.id());
                    return new ItemLine(
                            item.id(),
                            item.words(),
                            done == null ? null : new TickedLine(accounts.nameOf(done.by()), done.at()));
                })
                .toList();
        return new ListView(
                list, list.title(), items, assessment.conduct().open(list).isEmpty());
    }
}
