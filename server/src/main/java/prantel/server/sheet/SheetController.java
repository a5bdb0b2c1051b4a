package prantel.server.sheet;

import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.function.BiFunction;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Assessment.Entry;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.OpenBoxes;
import prantel.core.assessment.Rules;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.BoxWords;
import prantel.core.sequence.Slot;
import prantel.formats.FaultSetFile;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Assessments.Basis;
import prantel.server.assessment.Keys;
import prantel.server.benchtester.BenchTesters;
import prantel.server.conduct.ConductView;
import prantel.server.conduct.Conducts;
import prantel.server.conduct.Ticks;
import prantel.server.security.OneSheet;
import prantel.server.setting.FaultInput;
import prantel.server.web.Refusal;
import prantel.server.workshop.Workshop;

/** The candidate's sheet: each call first asks whether the sheet is this candidate's, and open. */
@RestController
@RequestMapping("/api/my/sheets")
class SheetController {
    private static final int LONGEST_TEXT = 160;
    private static final int MOST_REPORTS = 12;

    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;
    private final Ticks ticks;
    private final Conducts conducts;
    private final BenchTesters testers;

    SheetController(
            Assessments assessments,
            Keys keys,
            Workshop workshop,
            Ticks ticks,
            Conducts conducts,
            BenchTesters testers) {
        this.testers = testers;
        this.ticks = ticks;
        this.conducts = conducts;
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
    }

    record SheetLine(
            String id,
            String rig,
            int bay,
            String state,
            @Nullable OffsetDateTime since,
            boolean feedback) {}

    record NewReading(String eventId, String slot, String text, int basedOn) {}

    record NewJudgement(
            String eventId, String slot, @Nullable Boolean satisfactory, int basedOn) {}

    record NewReports(String eventId, int basedOn, List<SheetView.Report> reports) {}

    record JustThis(String eventId) {}

    @GetMapping
    List<SheetLine> mine(Principal who) {
        Optional<String> only = OneSheet.of(who);
        return assessments.ofCandidate(who.getName()).stream()
                .filter(a -> only.isEmpty() || only.get().equals(a.id()))
                .map(a -> new SheetLine(
                        a.id(),
                        keys.rig(a).name(),
                        bay(a),
                        state(a),
                        a.handedInAt() != null ? a.handedInAt() : a.openedAt(),
                        a.feedback() != null))
                .toList();
    }

    /** In the candidate's words; whether faults are being set is none of them. */
    private static String state(Assessment a) {
        return switch (a.stage()) {
            case SET -> "not open yet";
            case WATCH -> "open";
            case MARK, CLEAR, DONE -> "handed in";
        };
    }

    @GetMapping("/{id}")
    SheetView sheet(@PathVariable String id, Principal who) {
        return view(own(id, who));
    }

    /** The box for what the candidate has read, where the scheme leaves it to the candidate to know. */
    @GetMapping("/{id}/box")
    SheetView.Chosen box(
            @PathVariable String id,
            @RequestParam TestKind test,
            @RequestParam(defaultValue = "") String group,
            @RequestParam String quantity,
            @RequestParam String place,
            Principal who) {
        Assessment a = own(id, who);
        Slot slot = SheetView.chosen(keys.sheet(a), test, group, quantity, place, words(a), keys.scheme(a))
                .orElseThrow(() -> Refusal.conflict(
                        "no-such-box",
                        "this sheet records no " + quantity + " there: choose another place or reading"));
        return new SheetView.Chosen(slot.id().value(), a.revision("reading/" + slot.id()));
    }

    /** Where the sheet stands, small: what a page asks every few seconds to know when to look again. */
    record SheetStanding(boolean open, boolean live, boolean wasLive, String since, String paused) {}

    @GetMapping("/{id}/standing")
    SheetStanding standing(@PathVariable String id, Principal who) {
        Assessment a = own(id, who);
        return new SheetStanding(
                a.isSheetOpen(),
                a.energisedAt() != null,
                a.wasLive(),
                a.handedBackBecause() == null ? "" : a.handedBackBecause(),
                SheetView.paused(a));
    }

    /**
     * The candidate confirms, or asks.
     *
     * @param list {@code READY} or {@code LIVE_ASKED}: what the assessor ticks is none of the candidate's
     */
    record Confirming(String eventId, Checklist list, String item, boolean on) {}

    @PutMapping("/{id}/ticks")
    SheetView tick(@PathVariable String id, @RequestBody Confirming tick, Principal who) {
        own(id, who);
        Check.that(
                tick.list() == Checklist.READY || tick.list() == Checklist.LIVE_ASKED,
                "not-yours",
                "list",
                tick.list().name(),
                "your assessor ticks that");
        return view(ticks.set(
                id, tick.eventId(), new ConductView.Tick(tick.list(), tick.item()), tick.on(), who.getName()));
    }

    /**
     * What a write changed, and nothing else.
     *
     * @param box the box written to; null for the fault report
     * @param reportsSeq how often faults were reported
     */
    record Changed(SheetView.@Nullable Box box, int reportsSeq, List<SheetView.Report> reports, int filled) {}

    @PutMapping("/{id}/readings")
    Changed write(@PathVariable String id, @RequestBody NewReading reading, Principal who) {
        return text(
                id,
                reading,
                Assessment::readings,
                AssessmentEvent.ReadingWritten::new,
                (slot, state) -> Rules.mayWrite(slot, state),
                who);
    }

    /** What the candidate expects a box to read, before it is read. */
    @PutMapping("/{id}/expected")
    Changed expect(@PathVariable String id, @RequestBody NewReading expected, Principal who) {
        return text(
                id,
                expected,
                Assessment::expected,
                AssessmentEvent.ExpectedSaid::new,
                (slot, state) -> Rules.mayExpect(about(slot, state), state),
                who);
    }

    /** What is made of a box, its text and what stood there before. */
    private interface TextEvent {
        AssessmentEvent of(String slot, String text, String before);
    }

    private Changed text(
            String id,
            NewReading given,
            Function<Assessment, Map<String, Entry<String>>> kept,
            TextEvent event,
            BiFunction<Slot, Assessment, Optional<Rules.Why>> rule,
            Principal who) {
        Assessment before = own(id, who);
        Slot slot = mustHaveBox(before, given.slot());
        Check.text(given.text(), LONGEST_TEXT, "text");
        Entry<String> was = kept.apply(before).get(given.slot());
        return changed(
                slot,
                assessments.append(
                        id,
                        given.eventId(),
                        event.of(given.slot(), given.text().strip(), was == null ? "" : was.value()),
                        new Basis.Revision(given.basedOn()),
                        who.getName(),
                        state -> refuseUnless(rule.apply(slot, state)),
                        Assessments.Effect.NONE));
    }

    private boolean mayTake(Assessment assessment) {
        return keys.scheme(assessment).practice().recording().entry() == Practice.Entry.FROM_TESTER_TOO
                && testers.isThere(assessment.fixed().bayId());
    }

    /** @param range where the knob is put, one of its ranges; null where the tester finds it by itself */
    record Taking(String eventId, String slot, @Nullable String range) {}

    record TakenOver(String text) {}

    /** The ranges that the bay's tester can be put on for a box; one or none is no choice. */
    @GetMapping("/{id}/ranges")
    List<String> ranges(@PathVariable String id, @RequestParam String slot, Principal who) {
        Assessment assessment = own(id, who);
        return mustHaveBox(assessment, slot) instanceof Slot.Measured measured && mayTake(assessment)
                ? ranges(assessment, measured).stream().map(Range::label).toList()
                : List.of();
    }

    private List<Range> ranges(Assessment assessment, Slot.Measured box) {
        return keys.tester(assessment).meter(box.function()).map(Meter::ranges).orElse(List.of());
    }

    private OptionalDouble top(Assessment assessment, Slot.Measured box, @Nullable String label) {
        if (label == null) {
            return OptionalDouble.empty();
        }
        return ranges(assessment, box).stream()
                .filter(r -> r.label().equals(label))
                .mapToDouble(r -> r.unit().toBase(r.top()))
                .boxed()
                .findFirst()
                .map(OptionalDouble::of)
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "no-such-range", "range", Check.quoted(label), "choose one of the tester’s ranges, or none")));
    }

    /** What the bay's tester shows for a box, where the scheme allows it; the candidate writes it, or not. */
    @PostMapping("/{id}/take")
    TakenOver take(@PathVariable String id, @RequestBody Taking taking, Principal who) {
        Assessment before = own(id, who);
        Slot slot = mustHaveBox(before, taking.slot());
        if (!mayTake(before)) {
            throw Refusal.conflict("by-hand", "here every reading is read and written by you");
        }
        if (!(slot instanceof Slot.Measured measured)) {
            throw Refusal.conflict(
                    "not-measured",
                    slot.isDoneAtTheRig()
                            ? "this figure is the worst of several readings: take each and write the worst"
                            : "this box is chosen or worked out from others: write it");
        }
        refuseUnless(Rules.mayWrite(slot, before));
        BenchTesters.TakenReading reading = testers.take(
                before.fixed().bayId(), measured.function(), taking.slot(), top(before, measured, taking.range()));
        assessments.append(
                id,
                taking.eventId(),
                new AssessmentEvent.ReadingTaken(
                        taking.slot(),
                        reading.text(),
                        reading.instrument(),
                        reading.function(),
                        reading.nulled(),
                        reading.range()),
                who.getName());
        return new TakenOver(reading.text());
    }

    @PutMapping("/{id}/judgements")
    Changed judge(@PathVariable String id, @RequestBody NewJudgement judgement, Principal who) {
        Assessment before = own(id, who);
        Slot slot = mustHaveBox(before, judgement.slot());
        Entry<@Nullable Boolean> was = before.judgements().get(judgement.slot());
        return changed(
                slot,
                assessments.append(
                        id,
                        judgement.eventId(),
                        new AssessmentEvent.BoxJudged(
                                judgement.slot(), judgement.satisfactory(), was == null ? null : was.value()),
                        new Basis.Revision(judgement.basedOn()),
                        who.getName(),
                        state -> mustBeOpen(slot, state),
                        Assessments.Effect.NONE));
    }

    @PutMapping("/{id}/fault-reports")
    Changed report(@PathVariable String id, @RequestBody NewReports reports, Principal who) {
        Rig rig = keys.rig(own(id, who));
        String file =
                new String(FaultSetFile.writeReports(toReports(reports.reports(), rig), rig), StandardCharsets.UTF_8);
        // what cannot be read back is not kept
        FaultSetFile.readReports(file.getBytes(StandardCharsets.UTF_8), rig);
        return changed(
                null,
                assessments.append(
                        id,
                        reports.eventId(),
                        new AssessmentEvent.FaultsReported(file),
                        new Basis.Revision(reports.basedOn()),
                        who.getName()));
    }

    @PostMapping("/{id}/hand-in")
    SheetView handIn(@PathVariable String id, @RequestBody JustThis just, Principal who) {
        own(id, who);
        return view(assessments.append(id, just.eventId(), new AssessmentEvent.HandedIn(), who.getName()));
    }

    private static List<FaultReport> toReports(List<SheetView.Report> given, Rig rig) {
        Check.that(
                given.size() <= MOST_REPORTS,
                "too-many-reports",
                "reports",
                given.size() + " faults",
                "name at most " + MOST_REPORTS);
        List<FaultReport> reports = new ArrayList<>();
        for (SheetView.Report report : given) {
            FaultKind kind = FaultCatalogue.kind(report.kind());
            List<Conductor> conductors = FaultInput.conductors(report.conductors());
            Check.that(
                    kind.conductorChoices().contains(conductors),
                    "bad-conductors",
                    "conductors",
                    report.conductors().toString(),
                    "choose the conductors of “" + kind.title() + "”");
            Place place = Place.parse(report.at(), rig);
            reports.add(new FaultReport(
                    kind,
                    place,
                    conductors,
                    report.remedy().strip(),
                    report.evidence().strip(),
                    report.code()));
        }
        return reports;
    }

    /** Somebody else's sheet and one that does not exist answer alike. */
    private Assessment own(String id, Principal who) {
        Assessment assessment = assessments.get(id);
        boolean other = OneSheet.of(who).filter(only -> !only.equals(id)).isPresent();
        if (other || !assessment.fixed().candidateId().equals(who.getName()) || assessment.openedAt() == null) {
            throw Refusal.notFound("assessment");
        }
        return assessment;
    }

    private static void mustBeOpen(Slot slot, Assessment state) {
        refuseUnless(Rules.mayWrite(slot, state));
    }

    private static void refuseUnless(Optional<Rules.Why> why) {
        why.ifPresent(w -> {
            throw Refusal.conflict(w.code(), w.words());
        });
    }

    private List<Slot.Measured> about(Slot slot, Assessment assessment) {
        return SheetView.expectedAbout(slot, keys.sheet(assessment), keys.rig(assessment), keys.scheme(assessment));
    }

    private Slot mustHaveBox(Assessment assessment, String slot) {
        return keys.sheet(assessment).stream()
                .filter(s -> s.id().value().equals(slot))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-slot", "slot", Check.quoted(slot), "reload the sheet; it has no such box")));
    }

    private Changed changed(@Nullable Slot slot, Assessment assessment) {
        return new Changed(
                slot == null
                        ? null
                        : SheetView.box(
                                slot,
                                about(slot, assessment),
                                words(assessment),
                                keys.scheme(assessment),
                                assessment,
                                keys.tester(assessment)),
                assessment.revision("reports"),
                slot == null ? SheetView.reports(keys.reports(assessment)) : List.of(),
                OpenBoxes.filled(assessment, keys.sheet(assessment)));
    }

    private BoxWords words(Assessment assessment) {
        return new BoxWords(keys.rig(assessment), keys.scheme(assessment));
    }

    private int bay(Assessment assessment) {
        return workshop.bay(assessment.fixed().bayId()).number();
    }

    private SheetView view(Assessment assessment) {
        return SheetView.of(
                assessment,
                bay(assessment),
                keys.rig(assessment),
                keys.scheme(assessment),
                keys.sheet(assessment),
                keys.tester(assessment),
                keys.reports(assessment),
                keys.isReportDamaged(assessment),
                new SheetView.Conducted(
                        keys.tester(assessment).label(),
                        mayTake(assessment),
                        ConductView.ClockView.of(conducts.clock(assessment)),
                        ticks.list(assessment, Checklist.READY),
                        ticks.list(assessment, Checklist.LIVE_ASKED),
                        keys.scheme(assessment).practice().recording().help()));
    }
}
