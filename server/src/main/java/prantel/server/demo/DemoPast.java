package prantel.server.demo;

import java.io.IOException;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;
import prantel.core.assessment.Assessment;
import prantel.formats.RecordFile;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.marking.Outcomes;
import prantel.server.workshop.Schemes;

/**
 * The fortnight before today: exported records, each of whose events happens again at its time of day. Nothing of their
 * marks is taken over; they are marked by today's rules.
 */
@Component
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
class DemoPast {
    /** Moved by whole weeks: a Monday stays a Monday. */
    private static final Duration WEEK = Duration.ofDays(7);

    private final Assessments assessments;
    private final Keys keys;
    private final Outcomes outcomes;
    private final Schemes schemes;
    private final DemoClock clock;
    private final TransactionTemplate transactions;

    DemoPast(
            Assessments assessments,
            Keys keys,
            Outcomes outcomes,
            Schemes schemes,
            DemoClock clock,
            TransactionTemplate transactions) {
        this.assessments = assessments;
        this.keys = keys;
        this.outcomes = outcomes;
        this.schemes = schemes;
        this.clock = clock;
        this.transactions = transactions;
    }

    /** The records that ship, the earliest first. */
    static List<RecordFile.Content> records() throws IOException {
        List<RecordFile.Content> records = new ArrayList<>();
        for (Resource file :
                new PathMatchingResourcePatternResolver().getResources("classpath*:/prantel/demo/past/*.record.json")) {
            records.add(RecordFile.verify(file.getContentAsByteArray()));
        }
        records.sort(Comparator.comparing(r -> r.pinned().preparedAt()));
        return records;
    }

    /** By how much they are moved, so that the last of them is over before today begins. */
    static Duration shift(List<RecordFile.Content> records, OffsetDateTime today) {
        OffsetDateTime last = records.stream()
                .flatMap(r -> r.events().stream())
                .map(RecordFile.Event::at)
                .max(Comparator.naturalOrder())
                .orElse(today);
        OffsetDateTime midnight = today.toLocalDate().atStartOfDay().atOffset(today.getOffset());
        return WEEK.multipliedBy(Math.floorDiv(Duration.between(last, midnight).toSeconds(), WEEK.toSeconds()));
    }

    void play(List<RecordFile.Content> records, Duration shift) {
        for (RecordFile.Content record : records) {
            transactions.executeWithoutResult(t -> play(record, shift));
        }
        clock.goOn();
    }

    private void play(RecordFile.Content record, Duration shift) {
        var was = record.pinned();
        clock.standAt(was.preparedAt().plus(shift).toInstant());
        Assessment state = assessments.prepare(
                was.assessmentId(),
                was.bayId(),
                was.candidateId(),
                was.versions().tester().id(),
                schemes.newest(was.versions().scheme().id()),
                was.assessorId());
        for (RecordFile.Event event : record.events()) {
            clock.standAt(event.at().plus(shift).toInstant());
            boolean wasDecided = state.outcome() != null;
            state = assessments.again(state.id(), event);
            if (!wasDecided && state.outcome() != null) {
                outcomes.keep(state, keys.marked(state), event.by());
            }
        }
    }
}
