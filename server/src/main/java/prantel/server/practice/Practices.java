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
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.practice.Coach;
import prantel.core.practice.Drill;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.Recall;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;
import prantel.formats.DrillFile;
import prantel.formats.FaultSetFile;
import prantel.formats.ShippedDrills;
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
    private final TransactionTemplate transactions;
    private final Cache<String, Going> going =
            Caffeine.newBuilder().maximumSize(MOST_GOING).build();

    Practices(
            PracticeMapper mapper,
            Workshop workshop,
            Schemes schemes,
            Assessments assessments,
            PureValues values,
            JsonMapper json,
            Clock clock,
            TransactionTemplate transactions) {
        this.transactions = transactions;
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
            Purpose purpose,
            String rigId,
            OffsetDateTime startedAt,
            @Nullable OffsetDateTime endedAt,
            int deedCount,
            int slips,
            int dangers,
            int wrong) {
        /** Whether nothing was wrong with it. */
        boolean isClean() {
            return slips + dangers + wrong == 0;
        }
    }

    /** What it is done for. */
    enum Purpose {
        OWN,
        /** An assessor tries a set as a candidate would meet it. */
        TRIED,
        /** A record is gone through again, deed by deed. */
        REPLAY
    }

    /** A practice with all that follows from its row. */
    record Open(PracticeRow row, Going going, Map<String, String> readings, List<PracticeView.PracticeNamed> named) {
        Way way() {
            return Way.valueOf(row.way());
        }

        Purpose purpose() {
            return Purpose.valueOf(row.purpose());
        }

        Optional<Drill> drill() {
            return drillOf(row);
        }

        /** Whether the learner is told what is right as they go, or by now. */
        boolean isTold() {
            return way() != Way.ALONE || row.endedAt() != null;
        }
    }

    private record SoundKey(DocumentRef rig, DocumentRef tester, DocumentRef scheme, boolean replay) {}

    private record FaultyKey(SoundKey sound, FaultSet faults) {}

    List<PracticePast> past(String account) {
        return mapper.past(account);
    }

    /** When each drill is due that went wrong once. */
    Map<String, LocalDate> due(List<PracticePast> past) {
        Map<String, List<Recall.Go>> goes = new LinkedHashMap<>();
        for (PracticePast one : past.reversed()) {
            if (one.endedAt() != null && !one.drill().isEmpty() && one.purpose() == Purpose.OWN) {
                goes.computeIfAbsent(one.drill(), d -> new ArrayList<>())
                        .add(new Recall.Go(one.endedAt().toLocalDate(), one.isClean()));
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

    /**
     * Asked twice with the same id it is begun once. Nothing is held meanwhile: faults are looked for over the whole rig.
     *
     * @param make what is practised, and on what
     */
    Open begin(String id, String account, Supplier<Origins.Begun> make) {
        mustBeFree(account);
        Check.that(
                id.matches("[A-Za-z0-9-]{8,40}"), "bad-id", "id", Check.quoted(id), "give 8 to 40 letters and digits");
        PracticeRow known = mapper.of(id, account);
        if (known != null) {
            return open(known);
        }
        Origins.Begun begun = make.get();
        DocumentRef scheme = schemes.pin(begun.scheme(), account);
        Rig rig = workshop.rig(begun.rig());
        List<Slot.Measured> boxes = boxesOf(rig, asPractised(begun.scheme(), begun.purpose()), begun.drill());
        if (boxes.isEmpty()) {
            throw Refusal.conflict("drill-does-not-fit", "This rig has nothing for this drill. Choose another rig.");
        }
        begun.box()
                .ifPresent(box -> Check.that(
                        boxes.stream().anyMatch(b -> b.id().value().equals(box)),
                        "unknown-box",
                        "box",
                        Check.quoted(box),
                        "give a box of this sheet that is measured or looked at"));
        PracticeRow row = new PracticeRow(
                id,
                account,
                begun.rig().id(),
                begun.rig().version(),
                begun.tester().id(),
                begun.tester().version(),
                scheme.id(),
                scheme.version(),
                begun.way().name(),
                begun.drill().map(Drill::id).orElse(""),
                begun.drill()
                        .map(d -> new String(DrillFile.write(d), StandardCharsets.UTF_8))
                        .orElse(""),
                begun.purpose().name(),
                json.writeValueAsString(begun.beside()),
                begun.seed(),
                new String(FaultSetFile.write(begun.faults(), rig), StandardCharsets.UTF_8),
                now(),
                null,
                0,
                "{}",
                "[]",
                begun.box().orElse(boxes.getFirst().id().value()),
                0,
                0,
                0,
                "[]");
        try {
            transactions.executeWithoutResult(t -> mapper.insert(row));
        } catch (DuplicateKeyException e) {
            // the same press arrived twice: the first one counts, unless it is somebody else's id
            return get(id, account);
        }
        return get(id, account);
    }

    /** What is read: a drill's boxes, or every box that is measured or looked at. */
    private static List<Slot.Measured> boxesOf(Rig rig, Scheme scheme, Optional<Drill> drill) {
        return drill.map(d -> d.boxes(rig, scheme))
                .orElseGet(() -> SlotPlan.of(rig, scheme).stream()
                        .filter(Slot.Measured.class::isInstance)
                        .map(Slot.Measured.class::cast)
                        .filter(Drill::isPractised)
                        .toList());
    }

    private static Optional<Drill> drillOf(PracticeRow row) {
        if (row.drill().isEmpty()) {
            return Optional.empty();
        }
        // those begun before drills were files are of the ones that ship
        return row.drillFile().isEmpty()
                ? ShippedDrills.all().stream()
                        .filter(d -> d.id().equals(row.drill()))
                        .findFirst()
                : Optional.of(DrillFile.read(row.drillFile().getBytes(StandardCharsets.UTF_8)));
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
        FaultSet faults = faults(row, rig);
        PracticeRig practice = isReplay(row)
                ? PracticeRig.declared(rig, faults, tester)
                : PracticeRig.built(rig, faults, tester, row.seed());
        Going again = new Going(
                practice,
                boxesOf(rig, schemeOf(row), drillOf(row)),
                json.readValue(row.beside(), new TypeReference<LinkedHashMap<String, String>>() {}));
        for (String deed : mapper.deeds(row.practiceId())) {
            DeedInput input = json.readValue(deed, DeedInput.class);
            try {
                again = again.with(input);
            } catch (ProblemsException e) {
                again = again.without(input);
            }
        }
        return again;
    }

    FaultSet faults(PracticeRow row, Rig rig) {
        return FaultSetFile.read(row.faults().getBytes(StandardCharsets.UTF_8), rig);
    }

    /** What every box reads on a sound rig. */
    Key soundKey(PracticeRow row) {
        SoundKey name = soundKeyOf(row);
        return values.of(
                name,
                () -> Key.of(workshop.rig(name.rig()), FaultSet.NONE, workshop.tester(name.tester()), schemeOf(row)));
    }

    private static SoundKey soundKeyOf(PracticeRow row) {
        return new SoundKey(
                new DocumentRef(row.rigId(), row.rigVersion()),
                new DocumentRef(row.testerId(), row.testerVersion()),
                new DocumentRef(row.schemeId(), row.schemeVersion()),
                isReplay(row));
    }

    private Scheme schemeOf(PracticeRow row) {
        return asPractised(
                schemes.scheme(new DocumentRef(row.schemeId(), row.schemeVersion())), Purpose.valueOf(row.purpose()));
    }

    /** What stands in a record is gone through box by box as it was asked for; everything else is read in full. */
    private static Scheme asPractised(Scheme scheme, Purpose purpose) {
        return purpose == Purpose.REPLAY ? scheme : scheme.practised();
    }

    private static boolean isReplay(PracticeRow row) {
        return Purpose.valueOf(row.purpose()) == Purpose.REPLAY;
    }

    /** What every box reads on this rig. */
    Key key(PracticeRow row) {
        FaultSet faults = faults(row, workshop.rig(new DocumentRef(row.rigId(), row.rigVersion())));
        return values.of(
                new FaultyKey(soundKeyOf(row), faults), () -> soundKey(row).with(faults));
    }

    /** @param after how many deeds the learner's screen knows of */
    @Transactional
    public Open deed(String id, String account, int after, DeedInput input) {
        PracticeRow row = held(id, account, after);
        if (input.verb() == DeedInput.Verb.NEXT && row.way().equals(Way.ALONE.name())) {
            throw Refusal.conflict("alone", "Nobody shows the next deed in practice alone.");
        }
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
            throw Refusal.conflict("practice-ended", "This practice is finished. Begin another.");
        }
        if (row.deedCount() != after) {
            throw Refusal.conflict("other-hands", "Something was done to this rig elsewhere. Look at it again.");
        }
        return row;
    }

    private void keep(PracticeRow row, Going next) {
        int count = next.steps().size();
        if (count > row.deedCount()) {
            mapper.insertDeed(
                    row.practiceId(),
                    count,
                    json.writeValueAsString(next.steps().getLast().input()));
        } else {
            mapper.deleteDeedsAfter(row.practiceId(), count);
        }
        mapper.counted(
                row.practiceId(),
                count,
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
            PracticeResults results = new PracticeResults(this, open(row));
            mapper.end(id, now(), results.wrong(), json.writeValueAsString(results.kinds()));
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
        mapper.hide(account);
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
    }
}
