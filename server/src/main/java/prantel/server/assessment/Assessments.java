package prantel.server.assessment;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Consumer;
import java.util.function.Supplier;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.SmartLifecycle;
import org.springframework.dao.CannotAcquireLockException;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import org.springframework.transaction.support.TransactionTemplate;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Chain;
import prantel.core.assessment.Pinned;
import prantel.core.assessment.Rules;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.quantity.Check;
import prantel.core.scheme.Scheme;
import prantel.formats.RecordFile;
import prantel.server.changes.Changes;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;

/**
 * Assessments and their events: the only door to both. States are held in a bounded store and moved on by each event;
 * which of them are open stands in a table that each event keeps up, so that no poll reads history.
 */
@Service
public class Assessments implements SmartLifecycle {
    private static final Logger LOG = LoggerFactory.getLogger(Assessments.class);
    /** A client-made id: a retry after a lost connection carries the same one. */
    private static final Pattern EVENT_ID = Pattern.compile("[A-Za-z0-9-]{8,60}");

    /** What stands for a verdict where there was no judgement. */
    public static final String BROKEN_OFF = StandingRow.BROKEN_OFF;

    private static final int STATES_HELD = 400;

    private final AssessmentMapper mapper;
    private final StandingMapper standings;
    private final EventJson json;
    private final Preparation preparation;
    private final Changes changes;
    private final Clock clock;
    private final TransactionTemplate transactions;
    private final Cache<String, Assessment> states =
            Caffeine.newBuilder().maximumSize(STATES_HELD).build();
    private final Set<String> unreadable = ConcurrentHashMap.newKeySet();
    private boolean running;

    Assessments(
            AssessmentMapper mapper,
            StandingMapper standings,
            EventJson json,
            Preparation preparation,
            Changes changes,
            TransactionTemplate transactions,
            Clock clock) {
        this.mapper = mapper;
        this.standings = standings;
        this.json = json;
        this.preparation = preparation;
        this.changes = changes;
        this.transactions = transactions;
        this.clock = clock;
    }

    /** A marked assessment, as a list shows it. */
    public record Kept(
            String assessmentId,
            String candidate,
            String rigId,
            int rigVersion,
            String verdict,
            boolean overridden,
            OffsetDateTime at) {
        /** Whether it ended without a judgement. */
        public boolean isBrokenOff() {
            return verdict.equals(StandingRow.BROKEN_OFF);
        }
    }

    /**
     * Which records are wanted; an empty text for any.
     *
     * @param person part of the candidate's or assessor's name, as SQL's like has it, in small letters
     * @param until the first moment that is too late
     */
    public record WantedRecords(
            String person, String rig, String scheme, String verdict, OffsetDateTime from, OffsetDateTime until) {}

    /** A decided record, as it is found. @param candidate whose it is, and who prepared it: names */
    public record FoundRecord(
            String assessmentId,
            String candidate,
            String assessor,
            DocumentRef rig,
            DocumentRef scheme,
            Decided decided) {}

    /** @param brokenOff whether it ended without a judgement; then the verdict is none @param overridden whether otherwise than proposed */
    public record Decided(String verdict, boolean brokenOff, boolean overridden, OffsetDateTime at) {}

    /** @param of how many there are in all */
    public record FoundRecords(List<FoundRecord> records, int of) {}

    /** Decided records, the newest first. @param viewer who must not see what they are still to mark alone */
    public FoundRecords find(WantedRecords wanted, String viewer, int most, int from) {
        return new FoundRecords(
                standings.find(wanted, viewer, most, from).stream()
                        .map(FoundRow::found)
                        .toList(),
                standings.count(wanted, viewer));
    }

    /** Where and for whom a set of the library was used. */
    public record Use(String candidate, String bayId, OffsetDateTime preparedAt) {}

    record Count(String id, int times) {}

    public record FaultCount(String kind, boolean found, int times) {}

    /** A database from before there were standings gets them once, at start. */
    @Override
    public void start() {
        for (String id : standings.missing()) {
            transactions.executeWithoutResult(t -> {
                Assessment assessment = get(id);
                StandingRow row = StandingRow.of(assessment);
                String bay = row.held().bayId();
                String live = row.held().liveWith();
                boolean bayTaken = bay != null && standings.inBay(bay) != null;
                boolean liveTwice = live != null && standings.liveBayOf(live) != null;
                standings.insert(row.holding(bayTaken ? null : bay, liveTwice ? null : live));
                if (bayTaken || liveTwice) {
                    LOG.warn("Assessment {} stands beside another in the same bay or live with the same assessor", id);
                }
            });
        }
        running = true;
    }

    @Override
    public void stop() {
        running = false;
    }

    @Override
    public boolean isRunning() {
        return running;
    }

    /** Before the demo is filled and the web server listens. */
    @Override
    public int getPhase() {
        return -1;
    }

    /** @throws Refusal if there is none */
    public Assessment get(String id) {
        Assessment known = known(id);
        return known == null ? keep(replay(id)) : known;
    }

    /** As this transaction has written it, else as it was last committed. */
    private @Nullable Assessment known(String id) {
        Assessment written = written().get(id);
        return written == null ? states.getIfPresent(id) : written;
    }

    /** What this transaction has written and nobody else may see yet. */
    @SuppressWarnings("unchecked")
    private Map<String, Assessment> written() {
        Object written = TransactionSynchronizationManager.getResource(this);
        return written == null ? Map.of() : (Map<String, Assessment>) written;
    }

    private List<Assessment> get(List<String> ids) {
        List<Assessment> found = new ArrayList<>();
        for (String id : ids) {
            try {
                found.add(get(id));
            } catch (RuntimeException e) {
                // one record that cannot be read must not take the room down with it
                // once: polls ask for it every few seconds
                if (unreadable.add(id)) {
                    LOG.error("Assessment {} cannot be read", id, e);
                }
            }
        }
        return found;
    }

    /** Those that have a bay or are not marked yet, in the order they were prepared. */
    public List<Assessment> open() {
        return get(standings.open());
    }

    /** Those that somebody was asked to mark alone and has not signed yet. */
    public List<Assessment> opinionsAskedOf(String account) {
        return get(standings.opinionsAskedOf(account));
    }

    /** The assessment that has a bay. */
    public Optional<Assessment> inBay(String bayId) {
        return Optional.ofNullable(standings.inBay(bayId)).map(this::get);
    }

    /** The bay that an assessor has live at this moment. */
    public Optional<String> liveBayOf(String assessor) {
        return Optional.ofNullable(standings.liveBayOf(assessor));
    }

    /** Whether somebody has an assessment whose sheet is not handed in. */
    public boolean isBeingAssessed(String candidateId) {
        return get(standings.unmarkedOf(candidateId)).stream().anyMatch(a -> a.handedInAt() == null);
    }

    public List<Assessment> ofCandidate(String candidateId) {
        return get(mapper.ofCandidate(candidateId).stream()
                .map(AssessmentRow::assessmentId)
                .toList());
    }

    /** The one before an assessment on the same rig in the same bay; none where its record cannot be read. */
    public Optional<Assessment> before(Assessment assessment) {
        @Nullable
        String id = mapper.before(
                assessment.fixed().bayId(),
                assessment.fixed().versions().rig().id(),
                assessment.fixed().versions().rig().version(),
                assessment.fixed().preparedAt());
        return id == null ? Optional.empty() : get(List.of(id)).stream().findFirst();
    }

    /** The newest of other people on the same rig in the same bay, whose sheets are in. */
    public List<Assessment> besideInBay(Assessment assessment, int most) {
        return othersOf(assessment, assessment.fixed().bayId(), null, most).stream()
                .filter(a -> a.handedInAt() != null && a.conduct().brokenOff() == null)
                .toList();
    }

    /** The newest by other people on the same rig, in whatever bay, that were handed in before this one was; none while it is not. */
    List<Assessment> handedInBefore(Assessment assessment, int most) {
        OffsetDateTime at = assessment.handedInAt();
        return at == null
                ? List.of()
                : othersOf(assessment, null, at, most).stream()
                        .filter(a -> a.handedInAt() != null && a.handedInAt().isBefore(at))
                        .toList();
    }

    private List<Assessment> othersOf(
            Assessment assessment, @Nullable String bayId, @Nullable OffsetDateTime before, int most) {
        return get(mapper.onTheSameRig(
                assessment.fixed().versions().rig().id(),
                assessment.fixed().versions().rig().version(),
                assessment.fixed().candidateId(),
                bayId,
                before,
                most));
    }

    /** The newest marked ones. */
    public List<Kept> kept(int most) {
        return standings.kept(most);
    }

    /** @param setId of the library, without its version */
    public List<Use> usesOf(String setId) {
        return standings.usesOf(setId.replace("_", "\\_").replace("%", "\\%") + "@%");
    }

    /** How many assessments each candidate has had. */
    public Map<String, Integer> attempts() {
        return counts(mapper.attempts());
    }

    /** How many assessments were marked by each scheme. */
    public Map<String, Integer> usesOfSchemes() {
        return counts(mapper.usesOfSchemes());
    }

    /** How many assessments each version of a rig has had. */
    public Map<String, Integer> usesOfRig(String rigId) {
        return counts(mapper.usesOfRig(rigId));
    }

    private static Map<String, Integer> counts(List<Count> rows) {
        Map<String, Integer> counts = new HashMap<>();
        rows.forEach(r -> counts.put(r.id(), r.times()));
        return counts;
    }

    /** Bays where a rig was cleared and proved healthy at least once. */
    public Set<String> everCleared() {
        return Set.copyOf(standings.everCleared());
    }

    /** How often each kind of fault was found and missed. */
    public List<FaultCount> faultResults() {
        return standings.results();
    }

    /** Keeps the marked result that an outcome was decided on, as it was; nothing later alters it. @param json as exported */
    @Transactional
    public void keepResult(Assessment assessment, String json) {
        if (mapper.result(assessment.id()) == null) {
            mapper.keepResult(assessment.id(), json, MarkedSheet.ENGINE_VERSION, now());
        }
    }

    /** The marked result an outcome was decided on; empty where it is not decided, or was before results were kept. */
    public Optional<String> resultOf(Assessment assessment) {
        return Optional.ofNullable(mapper.result(assessment.id()));
    }

    /**
     * The assessment that an event was kept for when it was sent before: the answer to it was lost on its way.
     *
     * @throws Refusal if its id was used for something else
     */
    public Optional<String> sentBefore(String eventId, AssessmentEvent event, String by) {
        EventRow row = mapper.event(eventId);
        return row == null
                ? Optional.empty()
                : Optional.of(repeated(row, row.assessmentId(), event, by).id());
    }

    /** Everything that happened in an assessment, in order. */
    public List<Assessment.Recorded> history(Assessment assessment) {
        return mapper.events(assessment.id()).stream()
                .map(e -> new Assessment.Recorded(e.seq(), json.read(e.payload()), e.happenedAt(), e.accountId()))
                .toList();
    }

    /** The newest link of its hash chain; empty while nothing happened. */
    public String lastLink(Assessment assessment) {
        return assessment.seq() == 0 ? "" : mapper.chain(assessment.id(), assessment.seq());
    }

    /**
     * Lets an event of an exported record happen again: the same rules are asked, and it gets a time and a hash of its own.
     *
     * @return the assessment after it
     */
    @Transactional
    public Assessment again(String assessmentId, RecordFile.Event event) {
        return append(assessmentId, event.eventId(), json.read(event.payload()), event.by());
    }

    /** Everything that is kept of an assessment, as it is exported. */
    public RecordFile.Content export(Assessment assessment) {
        return new RecordFile.Content(
                assessment.fixed(),
                mapper.events(assessment.id()).stream()
                        .map(e -> new RecordFile.Event(
                                e.seq(), e.eventId(), e.payload(), e.happenedAt(), e.accountId(), e.chain()))
                        .toList(),
                resultOf(assessment));
    }

    /** Keeps what became of the faults of a marked assessment. @param kinds of its set, in order */
    @Transactional
    public void keepResults(Assessment assessment, List<String> kinds) {
        standings.forgetResults(assessment.id());
        for (int i = 0; i < kinds.size(); i++) {
            Assessment.Decision decision = assessment.decisions().get("faults/" + (i + 1));
            if (decision != null) {
                standings.insertResult(assessment.id(), i, kinds.get(i), decision.given() != Award.NONE);
            }
        }
    }

    /** Starts an assessment in a free bay and pins every version it will be marked with. */
    @Transactional
    public Assessment prepare(String bayId, String candidateId, String testerId, Scheme pinned, String assessorId) {
        return prepare(UUID.randomUUID().toString(), bayId, candidateId, testerId, pinned, assessorId);
    }

    /** As above, under an id that it has already. */
    @Transactional
    public Assessment prepare(
            String id, String bayId, String candidateId, String testerId, Scheme pinned, String assessorId) {
        mapper.lockBay(bayId);
        if (standings.inBay(bayId) != null) {
            throw Refusal.conflict("bay-taken", "somebody is in this bay; clear it first");
        }
        Pinned fixed = preparation.pin(id, bayId, candidateId, testerId, pinned, assessorId, now());
        mapper.insert(AssessmentRow.of(fixed));
        Assessment prepared = Assessment.replay(fixed, List.of());
        standings.insert(StandingRow.of(prepared));
        keepAfterCommit(prepared);
        return prepared;
    }

    /** As below, where the rules of the assessment say all there is to say. */
    @Transactional
    public Assessment append(String assessmentId, String eventId, AssessmentEvent event, String by) {
        return append(assessmentId, eventId, event, Basis.ANY, by, state -> {}, Effect.NONE);
    }

    /** As below, and refuses if the writer had not seen the newest about the subject. */
    @Transactional
    public Assessment append(String assessmentId, String eventId, AssessmentEvent event, Basis basis, String by) {
        return append(assessmentId, eventId, event, basis, by, state -> {}, Effect.NONE);
    }

    /**
     * Appends an event that the rules of the assessment allow. The same event id a second time changes nothing and answers as the first time did.
     *
     * @param allowed what more than the assessment itself has to be looked at: throws if it does not allow it
     * @throws Refusal if the event id was used for something else
     */
    @Transactional
    public Assessment append(
            String assessmentId, String eventId, AssessmentEvent event, String by, Consumer<Assessment> allowed) {
        return append(assessmentId, eventId, event, Basis.ANY, by, allowed, Effect.NONE);
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
        return append(assessmentId, eventId, event, new Basis.LastEvent(basedOn), by, allowed, Effect.NONE);
    }

    /**
     * As above.
     *
     * @param basis what the writer had seen
     * @param effect something outside that moves for it: last of all, when nothing else can fail any more
     */
    @Transactional
    public Assessment append(
            String assessmentId,
            String eventId,
            AssessmentEvent event,
            Basis basis,
            String by,
            Consumer<Assessment> allowed,
            Effect effect) {
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
        Assessment state = locked(assessmentId);
        Rules.mayHappen(event, state)
                .or(() -> Rules.mayBeBy(event, by, preparation.isLead(by), state))
                .ifPresent(why -> {
                    throw Refusal.conflict(why.code(), why.words());
                });
        allowed.accept(state);
        if (!event.subject().isEmpty() && basis.isOlderThan(state, event.subject())) {
            throw Refusal.conflict(
                    "changed-meanwhile",
                    "this was changed on another screen meanwhile; look at it again before you write");
        }
        int seq = state.seq() + 1;
        OffsetDateTime now = now();
        String payload = json.write(event);
        Assessment next = state.after(new Assessment.Recorded(seq, event, now, by));
        insert(new EventRow(
                assessmentId,
                seq,
                eventId,
                event.kind(),
                event.subject(),
                payload,
                now,
                by,
                Chain.next(
                        seq == 1 ? Chain.START : mapper.chain(assessmentId, seq - 1),
                        new Chain.Link(assessmentId, seq, eventId, payload, now, by))));
        update(next);
        if (event instanceof AssessmentEvent.OpinionAsked
                || event instanceof AssessmentEvent.OpinionSigned
                || event instanceof AssessmentEvent.OpinionWithdrawn
                || event instanceof AssessmentEvent.HandedBack) {
            keepOpinions(next);
        }
        if (effect != Effect.NONE) {
            lastOfAll(effect);
        }
        keepAfterCommit(next);
        return next;
    }

    /** The same id on another assessment at the same moment: the row of this one holds back nobody there. */
    private void insert(EventRow row) {
        try {
            mapper.append(row);
        } catch (DuplicateKeyException | CannotAcquireLockException e) {
            throw idUsed();
        }
    }

    private static Refusal idUsed() {
        return Refusal.conflict(
                "event-id-used", "this was sent before as something else; reload the page, write it again");
    }

    private void keepOpinions(Assessment next) {
        standings.forgetOpinions(next.id());
        next.opinions().of().keySet().stream()
                .filter(next.opinions()::isBlind)
                .forEach(account -> standings.insertOpinion(next.id(), account));
    }

    /** Several events together: all of them are kept, or none. @return what the deeds return */
    public <T> T together(Supplier<T> deeds) {
        return Objects.requireNonNull(transactions.execute(t -> deeds.get()));
    }

    /** Something outside that moves for what is recorded. */
    public interface Effect {
        Effect NONE = () -> {};

        /** What it throws undoes the record. */
        void happen();

        /** Back to how it was: it happened, and the record of it could not be kept. */
        default void undo() {}
    }

    /** Before the commit and after everything else of the transaction; back again if the commit fails all the same. */
    private static void lastOfAll(Effect effect) {
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            private boolean happened;

            @Override
            public void beforeCommit(boolean readOnly) {
                effect.happen();
                happened = true;
            }

            @Override
            public void afterCompletion(int status) {
                if (happened && status == STATUS_ROLLED_BACK) {
                    try {
                        effect.undo();
                    } catch (RuntimeException e) {
                        LOG.error("What moved for a record that was not kept could not be moved back", e);
                    }
                }
            }
        });
    }

    /** What a writer had seen of the subject before. */
    public sealed interface Basis {
        Basis ANY = new LastEvent(Integer.MAX_VALUE);

        boolean isOlderThan(Assessment state, String subject);

        /** The number of an event. */
        record LastEvent(int seq) implements Basis {
            @Override
            public boolean isOlderThan(Assessment state, String subject) {
                return state.lastSeqAbout(subject) > seq;
            }
        }

        /** How often the subject had been written about. */
        record Revision(int count) implements Basis {
            @Override
            public boolean isOlderThan(Assessment state, String subject) {
                return state.revision(subject) > count;
            }
        }
    }

    private void update(Assessment next) {
        try {
            standings.update(StandingRow.of(next));
        } catch (DuplicateKeyException e) {
            throw Refusal.conflict(
                    "live-elsewhere",
                    "another bay of this assessor is live and needs the whole attention: never two live stages at once");
        }
    }

    private Assessment repeated(EventRow before, String assessmentId, AssessmentEvent event, String by) {
        boolean same = before.assessmentId().equals(assessmentId)
                && before.accountId().equals(by)
                && before.kind().equals(event.kind())
                && before.subject().equals(event.subject())
                && json.read(before.payload()).said().equals(event.said());
        if (!same) {
            throw idUsed();
        }
        return locked(assessmentId);
    }

    /** The state as it is now that nobody else can write to it. */
    private Assessment locked(String id) {
        Assessment known = known(id);
        return known != null && known.seq() == mapper.lastSeq(id) ? known : replay(id);
    }

    private void keepAfterCommit(Assessment state) {
        if (TransactionSynchronizationManager.hasResource(this)) {
            written().put(state.id(), state);
            return;
        }
        Map<String, Assessment> written = new HashMap<>(Map.of(state.id(), state));
        TransactionSynchronizationManager.bindResource(this, written);
        TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
            @Override
            public void afterCommit() {
                written.values().forEach(a -> {
                    keep(a);
                    changes.say(new Changes.Changed(a.id(), a.seq()));
                });
            }

            @Override
            public void afterCompletion(int status) {
                TransactionSynchronizationManager.unbindResourceIfPossible(Assessments.this);
            }
        });
    }

    /** To the microsecond: what the database keeps. */
    private OffsetDateTime now() {
        return OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
    }

    private Assessment keep(Assessment state) {
        states.asMap().merge(state.id(), state, (a, b) -> a.seq() >= b.seq() ? a : b);
        return state;
    }

    private Assessment replay(String id) {
        @Nullable AssessmentRow row = mapper.byId(id);
        if (row == null) {
            throw Refusal.notFound("assessment");
        }
        return Assessment.replay(
                row.pinned(),
                mapper.events(id).stream()
                        .map(e ->
                                new Assessment.Recorded(e.seq(), json.read(e.payload()), e.happenedAt(), e.accountId()))
                        .toList());
    }
}
