package prantel.server.practice;

import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ThreadLocalRandom;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.practice.Coach;
import prantel.core.practice.Drill;
import prantel.core.practice.Drills;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.Recall;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;
import prantel.formats.FaultSetFile;
import prantel.server.assessment.Assessments;
import prantel.server.keys.PureValues;
import prantel.server.web.Refusal;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** The practices of everybody, each its owner's alone. */
@Service
class Practices {
    /** Kept in memory at most; any other is worked out again from its deeds. */
    private static final int MOST_GOING = 150;

    private static final int LONGEST_READING = 60;

    private final PracticeMapper mapper;
    private final Workshop workshop;
    private final Schemes schemes;
    private final Assessments assessments;
    private final PureValues values;
    private final JsonMapper json;
    private final Clock clock;
    private final Cache<String, Going> going =
            Caffeine.newBuilder().maximumSize(MOST_GOING).build();

    Practices(
            PracticeMapper mapper,
            Workshop workshop,
            Schemes schemes,
            Assessments assessments,
            PureValues values,
            JsonMapper json,
            Clock clock) {
        this.mapper = mapper;
        this.workshop = workshop;
        this.schemes = schemes;
        this.assessments = assessments;
        this.values = values;
        this.json = json;
        this.clock = clock;
    }

    /** How much is said. */
    enum Way {
        SHOWN,
        COACHED,
        ALONE
    }

    /** What somebody did before, for lists. */
    record PracticePast(
            String practiceId,
            String way,
            String drill,
            String rigId,
            OffsetDateTime startedAt,
            @Nullable OffsetDateTime endedAt,
            int deedCount,
            int slips,
            int dangers,
            int wrong) {}

    /** A practice with all that follows from its row. */
    record Open(PracticeRow row, Going going, Map<String, String> readings, List<PracticeView.PracticeNamed> named) {
        Way way() {
            return Way.valueOf(row.way());
        }

        Optional<Drill> drill() {
            return Drills.find(row.drill());
        }
    }

    private record SoundKey(DocumentRef rig, DocumentRef tester, DocumentRef scheme) {}

    private record FaultyKey(DocumentRef rig, DocumentRef tester, DocumentRef scheme, FaultSet faults) {}

    List<PracticePast> past(String account) {
        return mapper.past(account);
    }

    /** When each drill is due that went wrong once. */
    Map<String, LocalDate> due(List<PracticePast> past) {
        Map<String, List<Recall.Go>> goes = new LinkedHashMap<>();
        for (PracticePast one : past.reversed()) {
            if (one.endedAt() != null && !one.drill().isEmpty()) {
                goes.computeIfAbsent(one.drill(), d -> new ArrayList<>())
                        .add(new Recall.Go(
                                one.endedAt().toLocalDate(), one.slips() + one.dangers() + one.wrong() == 0));
            }
        }
        Map<String, LocalDate> due = new LinkedHashMap<>();
        goes.forEach((drill, all) -> Recall.due(all).ifPresent(day -> due.put(drill, day)));
        return due;
    }

    /** Nobody practises while somebody assesses them: a rig to try things on would be an answer book. */
    void mustBeFree(String account) {
        if (assessments.isBeingAssessed(account)) {
            throw Refusal.conflict(
                    "being-assessed", "You are being assessed. Practice opens again when your sheet is handed in.");
        }
    }

    /** Asked twice with the same id it is begun once. */
    @Transactional
    public Open begin(String id, String account, String rigId, Way way, String drillId, int faultCount) {
        mustBeFree(account);
        Check.that(
                id.matches("[A-Za-z0-9-]{8,40}"), "bad-id", "id", Check.quoted(id), "give 8 to 40 letters and digits");
        PracticeRow known = mapper.of(id, account);
        if (known != null) {
            return open(known);
        }
        DocumentRef rigRef = workshop.rigs().stream()
                .filter(r -> r.id().equals(rigId))
                .findFirst()
                .orElseThrow(() -> Refusal.notFound("rig"));
        Rig rig = workshop.rig(rigRef);
        DocumentRef testerRef = workshop.testers().stream()
                .findFirst()
                .orElseThrow(() -> Refusal.conflict("no-tester", "Add a tester to the workshop first."));
        Scheme scheme = drillId.isEmpty() ? schemes.usualFor(rig) : schemes.everyTest();
        DocumentRef schemeRef = schemes.pin(scheme, account);
        long seed = ThreadLocalRandom.current().nextLong();
        FaultSet faults = drillId.isEmpty()
                ? drawn(rig, faultCount, seed)
                : drill(drillId).draw(rig, boxesOf(rig, scheme, drillId), seed);
        List<Slot.Measured> boxes = boxesOf(rig, scheme, drillId);
        if (boxes.isEmpty()) {
            throw Refusal.conflict("drill-does-not-fit", "This rig has nothing for this drill. Choose another rig.");
        }
        mapper.insert(new PracticeRow(
                id,
                account,
                rigRef.id(),
                rigRef.version(),
                testerRef.id(),
                testerRef.version(),
                schemeRef.id(),
                schemeRef.version(),
                way.name(),
                drillId,
                seed,
                new String(FaultSetFile.write(faults, rig), StandardCharsets.UTF_8),
                now(),
                null,
                0,
                "[]",
                "{}",
                "[]",
                boxes.getFirst().id().value(),
                0,
                0,
                0));
        return get(id, account);
    }

    private static Drill drill(String id) {
        return Drills.find(id).orElseThrow(() -> Refusal.notFound("drill"));
    }

    /** A few single faults of different circuits, by chance; each one that a candidate can find. */
    private FaultSet drawn(Rig rig, int count, long seed) {
        Check.between(count, 0, 4, "faults", "faults");
        return PracticeFaults.draw(rig, count, seed);
    }

    private static List<Slot.Measured> boxesOf(Rig rig, Scheme scheme, String drillId) {
        if (!drillId.isEmpty()) {
            return drill(drillId).boxes(rig, scheme);
        }
        return SlotPlan.of(rig, scheme).stream()
                .filter(s -> s instanceof Slot.Measured m
                        && m.measurement().isReading()
                        && !(m.measurement() instanceof Measurement.Operation))
                .map(Slot.Measured.class::cast)
                .toList();
    }

    /** To be looked at: what was read on such a rig before is an answer book as well. */
    Open look(String id, String account) {
        mustBeFree(account);
        return get(id, account);
    }

    private Open get(String id, String account) {
        PracticeRow row = mapper.of(id, account);
        if (row == null) {
            throw Refusal.notFound("practice");
        }
        return open(row);
    }

    private Open open(PracticeRow row) {
        return new Open(
                row,
                going(row),
                json.readValue(row.readings(), new TypeReference<LinkedHashMap<String, String>>() {}),
                json.readValue(row.named(), new TypeReference<List<PracticeView.PracticeNamed>>() {}));
    }

    private Going going(PracticeRow row) {
        Going known = going.getIfPresent(row.practiceId());
        if (known == null || known.steps().size() != row.deedCount()) {
            known = replayed(row);
            going.put(row.practiceId(), known);
        }
        return known;
    }

    private Going replayed(PracticeRow row) {
        Rig rig = workshop.rig(new DocumentRef(row.rigId(), row.rigVersion()));
        Tester tester = workshop.tester(new DocumentRef(row.testerId(), row.testerVersion()));
        Scheme scheme = schemes.scheme(new DocumentRef(row.schemeId(), row.schemeVersion()));
        Going again = new Going(
                PracticeRig.built(rig, faults(row, rig), tester, row.seed()), boxesOf(rig, scheme, row.drill()));
        for (DeedInput input : json.readValue(row.deeds(), new TypeReference<List<DeedInput>>() {})) {
            again = again.with(input);
        }
        return again;
    }

    FaultSet faults(PracticeRow row, Rig rig) {
        return FaultSetFile.read(row.faults().getBytes(StandardCharsets.UTF_8), rig);
    }

    /** What every box reads on a sound rig. */
    Key soundKey(PracticeRow row) {
        DocumentRef rig = new DocumentRef(row.rigId(), row.rigVersion());
        DocumentRef tester = new DocumentRef(row.testerId(), row.testerVersion());
        DocumentRef scheme = new DocumentRef(row.schemeId(), row.schemeVersion());
        return values.of(
                new SoundKey(rig, tester, scheme),
                () -> Key.of(workshop.rig(rig), FaultSet.NONE, workshop.tester(tester), schemes.scheme(scheme)));
    }

    /** What every box reads on this rig. */
    Key key(PracticeRow row) {
        DocumentRef rig = new DocumentRef(row.rigId(), row.rigVersion());
        FaultSet faults = faults(row, workshop.rig(rig));
        return values.of(
                new FaultyKey(
                        rig,
                        new DocumentRef(row.testerId(), row.testerVersion()),
                        new DocumentRef(row.schemeId(), row.schemeVersion()),
                        faults),
                () -> soundKey(row).with(faults));
    }

    /** @param after how many deeds the learner's screen knows of */
    @Transactional
    public Open deed(String id, String account, int after, DeedInput input) {
        PracticeRow row = held(id, account, after);
        Going next = going(row).with(input);
        keep(row, next);
        return get(id, account);
    }

    @Transactional
    public Open undo(String id, String account, int after) {
        PracticeRow row = held(id, account, after);
        keep(row, going(row).undone());
        return get(id, account);
    }

    private PracticeRow held(String id, String account, int after) {
        mustBeFree(account);
        PracticeRow row = mapper.hold(id, account);
        if (row == null) {
            throw Refusal.notFound("practice");
        }
        if (row.endedAt() != null) {
            throw Refusal.conflict("practice-ended", "This practice is finished. PracticeBegin another.");
        }
        if (row.deedCount() != after) {
            throw Refusal.conflict("other-hands", "Something was done to this rig elsewhere. Look at it again.");
        }
        return row;
    }

    private void keep(PracticeRow row, Going next) {
        mapper.deeds(
                row.practiceId(),
                json.writeValueAsString(
                        next.steps().stream().map(Going.Step::input).toList()),
                next.steps().size(),
                // what was taken back was done all the same
                Math.max(row.slips(), (int) next.count(Coach.Kind.SLIP)),
                Math.max(row.dangers(), (int) next.count(Coach.Kind.DANGER)));
        going.put(row.practiceId(), next);
    }

    /** @param text empty to rub it out */
    @Transactional
    public Open write(String id, String account, String box, String text) {
        Check.text(text, LONGEST_READING, "text");
        Open open = openHeld(id, account);
        mustHave(open, box);
        Map<String, String> readings = new LinkedHashMap<>(open.readings());
        if (text.isBlank()) {
            readings.remove(box);
        } else {
            readings.put(box, text.strip());
        }
        String next = open.going().boxes().stream()
                .map(b -> b.id().value())
                .filter(b -> !readings.containsKey(b))
                .findFirst()
                .orElse(box);
        mapper.readings(id, json.writeValueAsString(readings), next);
        return get(id, account);
    }

    /** The box that the learner is at. */
    @Transactional
    public Open at(String id, String account, String box) {
        Open open = openHeld(id, account);
        mustHave(open, box);
        mapper.readings(id, json.writeValueAsString(open.readings()), box);
        return get(id, account);
    }

    @Transactional
    public Open name(String id, String account, List<PracticeView.PracticeNamed> named) {
        Open open = openHeld(id, account);
        Check.that(named.size() <= 10, "too-many", "faults", named.size() + " faults", "name 10 at most");
        named.forEach(n -> n.report(open.going().practice().rig()));
        mapper.named(id, json.writeValueAsString(named));
        return get(id, account);
    }

    private Open openHeld(String id, String account) {
        PracticeRow row = mapper.hold(id, account);
        if (row == null) {
            throw Refusal.notFound("practice");
        }
        return open(held(id, account, row.deedCount()));
    }

    private static void mustHave(Open open, String box) {
        if (open.going().box(box).isEmpty()) {
            throw new ProblemsException(
                    new Problem("unknown-box", "box", Check.quoted(box), "give a box of this practice"));
        }
    }

    @Transactional
    public Open finish(String id, String account) {
        mustBeFree(account);
        PracticeRow row = mapper.hold(id, account);
        if (row == null) {
            throw Refusal.notFound("practice");
        }
        if (row.endedAt() == null) {
            mapper.end(id, now(), new PracticeResults(this, open(row)).wrong());
        }
        return get(id, account);
    }

    @Transactional
    public void erase(String id, String account) {
        mapper.erase(id, account);
        going.invalidate(id);
    }

    @Transactional
    public void eraseAll(String account) {
        mapper.past(account).forEach(p -> going.invalidate(p.practiceId()));
        mapper.eraseAll(account);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
    }
}
