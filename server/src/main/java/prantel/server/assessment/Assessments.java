package prantel.server.assessment;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.UUID;
import java.util.function.Consumer;
import java.util.regex.Pattern;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.marking.MarkedSheet;
import prantel.core.quantity.Check;
import prantel.core.sequence.Scheme;
import prantel.server.account.Account;
import prantel.server.account.Accounts;
import prantel.server.account.Role;
import prantel.server.web.Refusal;
import prantel.server.workshop.Bay;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;
import tools.jackson.databind.json.JsonMapper;

/** Assessments and their events: the only door to both. */
@Service
public class Assessments {
    /** A client-made id: a retry after a lost connection carries the same one. */
    private static final Pattern EVENT_ID = Pattern.compile("[A-Za-z0-9-]{8,60}");

    private final AssessmentMapper mapper;
    private final Workshop workshop;
    private final Accounts accounts;
    private final JsonMapper json;
    private final Clock clock;

    Assessments(AssessmentMapper mapper, Workshop workshop, Accounts accounts, JsonMapper json, Clock clock) {
        this.mapper = mapper;
        this.workshop = workshop;
        this.accounts = accounts;
        this.json = json;
        this.clock = clock;
    }

    /** @throws Refusal if there is none */
    public Assessment get(String id) {
        AssessmentRow row = mapper.byId(id);
        if (row == null) {
            throw Refusal.notFound("assessment");
        }
        return replay(row);
    }

    public List<Assessment> all() {
        return mapper.all().stream().map(this::replay).toList();
    }

    public List<Assessment> ofCandidate(String candidateId) {
        return mapper.ofCandidate(candidateId).stream().map(this::replay).toList();
    }

    /** Starts an assessment in a free bay and pins every version it will be marked with. */
    @Transactional
    public Assessment prepare(String bayId, String candidateId, String testerId, String assessorId) {
        Bay bay = workshop.bay(bayId);
        mapper.lockBay(bayId);
        if (mapper.ofBay(bayId).stream().map(this::replay).anyMatch(Assessment::occupiesBay)) {
            throw Refusal.conflict("bay-taken", "somebody is in this bay; clear it first");
        }
        Account candidate = accounts.get(candidateId);
        Check.that(
                candidate.role() == Role.CANDIDATE,
                "not-a-candidate",
                "candidate",
                candidate.name(),
                "choose a candidate");
        DocumentRef tester = workshop.latestTester(testerId);
        Scheme scheme = Scheme.workshop();
        AssessmentRow row = new AssessmentRow(
                UUID.randomUUID().toString(),
                bayId,
                candidateId,
                assessorId,
                bay.rigId(),
                bay.rigVersion(),
                tester.id(),
                tester.version(),
                scheme.id(),
                scheme.version(),
                MarkedSheet.ENGINE_VERSION,
                OffsetDateTime.now(clock));
        mapper.insert(row);
        return replay(row);
    }

    /**
     * Appends an event. The same event id a second time changes nothing and answers as the first time did.
     *
     * @param allowed looks at the state before the event and throws if it does not allow it
     * @throws Refusal if the event id was used for something else
     */
    @Transactional
    public Assessment append(
            String assessmentId, String eventId, AssessmentEvent event, String by, Consumer<Assessment> allowed) {
        return append(assessmentId, eventId, event, Integer.MAX_VALUE, by, allowed);
    }

    /**
     * As above, and refuses if somebody else wrote about the same subject in between.
     *
     * @param basedOn number of the last event about the subject that the writer had seen; 0 for none
     */
    @Transactional
    public Assessment append(
            String assessmentId,
            String eventId,
            AssessmentEvent event,
            int basedOn,
            String by,
            Consumer<Assessment> allowed) {
        Check.that(
                EVENT_ID.matcher(eventId).matches(),
                "bad-event-id",
                "eventId",
                Check.quoted(eventId),
                "reload the page");
        if (mapper.lock(assessmentId) == null) {
            throw Refusal.notFound("assessment");
        }
        EventRow before = mapper.event(eventId);
        if (before != null) {
            return repeated(before, assessmentId, event, by);
        }
        allowed.accept(get(assessmentId));
        if (!event.subject().isEmpty() && mapper.lastSeqAbout(assessmentId, event.subject()) > basedOn) {
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "this was changed on another screen meanwhile; look at it again before you write");
        }
        mapper.append(new EventRow(
                assessmentId,
                0,
                eventId,
                event.getClass().getSimpleName(),
                event.subject(),
                json.writeValueAsString(event),
                OffsetDateTime.now(clock),
                by));
        return get(assessmentId);
    }

    private Assessment repeated(EventRow before, String assessmentId, AssessmentEvent event, String by) {
        boolean same = before.assessmentId().equals(assessmentId)
                && before.accountId().equals(by)
                && before.kind().equals(event.getClass().getSimpleName())
                && before.subject().equals(event.subject());
        if (!same) {
            throw Refusal.conflict("event-id-used", "reload the page and write it again");
        }
        return get(assessmentId);
    }

    private Assessment replay(AssessmentRow row) {
        return Assessment.replay(
                row,
                mapper.events(row.assessmentId()).stream()
                        .map(e -> new Assessment.Recorded(
                                e.seq(),
                                json.readValue(e.payload(), AssessmentEvent.class),
                                e.happenedAt(),
                                e.accountId()))
                        .toList());
    }
}
