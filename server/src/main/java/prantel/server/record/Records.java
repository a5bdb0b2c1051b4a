package prantel.server.record;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Opinions;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Schedule;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;
import prantel.formats.MarkExport;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.marking.Decided;
import prantel.server.record.RecordView.DeedLine;
import prantel.server.record.RecordView.KeptReading;
import prantel.server.record.RecordView.KeptText;
import prantel.server.record.RecordView.MarkedLine;
import prantel.server.record.RecordView.RecordFact;
import prantel.server.record.RecordView.Signature;
import prantel.server.record.RecordView.StationLine;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/** Makes the complete record from the events of an assessment and the result its outcome was decided on. */
@Component
class Records {
    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;
    private final Accounts accounts;

    Records(Assessments assessments, Keys keys, Workshop workshop, Accounts accounts) {
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
        this.accounts = accounts;
    }

    RecordView of(Assessment a) {
        List<Assessment.Recorded> events = assessments.history(a);
        Scheme scheme = keys.scheme(a);
        Deeds deeds =
                new Deeds(scheme, accounts::nameOf, SlotPlan.sheet(keys.rig(a), keys.wholeScheme(a)), keys.rig(a));
        return new RecordView(
                new RecordView.RecordHead(
                        a.id(), accounts.nameOf(a.fixed().candidateId()), facts(a, scheme), outcome(a)),
                new RecordView.RecordCourse(
                        keys.course(a).stations().stream()
                                .map(s -> new StationLine(
                                        s.step().id(),
                                        s.step().title(),
                                        s.step().isLive(),
                                        s.state(),
                                        s.begun() == null
                                                ? null
                                                : s.begun().first().at(),
                                        s.begun() == null
                                                ? ""
                                                : accounts.nameOf(
                                                        s.begun().first().by())))
                                .toList(),
                        events.stream()
                                .flatMap(e -> deeds.words(e.event()).stream()
                                        .map(w -> new DeedLine(e.at(), accounts.nameOf(e.by()), w)))
                                .toList()),
                new RecordView.RecordContent(
                        Schedule.of(
                                keys.rig(a),
                                scheme,
                                slot -> Optional.ofNullable(a.readings().get(slot.value()))
                                        .map(Assessment.Entry::value)
                                        .filter(text -> !text.isBlank())),
                        readings(a, events),
                        faults(a),
                        a.handedInAt() == null || a.conduct().brokenOff() != null ? List.of() : marks(a)),
                signatures(events),
                assessments.lastLink(a));
    }

    private RecordView.RecordFaults faults(Assessment a) {
        Rig rig = keys.rig(a);
        return new RecordView.RecordFaults(
                keys.faults(a).faults().stream()
                        .map(f -> f.title() + ", " + f.place().label(rig))
                        .toList(),
                keys.reports(a).stream()
                        .map(r -> Stream.of(r.kind().title(), r.place().label(rig), r.code(), r.remedy())
                                .filter(part -> !part.isBlank())
                                .collect(Collectors.joining(", ")))
                        .toList());
    }

    private List<RecordFact> facts(Assessment a, Scheme scheme) {
        var versions = a.fixed().versions();
        return List.of(
                new RecordFact("Candidate", accounts.nameOf(a.fixed().candidateId())),
                new RecordFact("Assessor", accounts.nameOf(a.conduct().assessor())),
                new RecordFact(
                        "Bay", String.valueOf(workshop.bay(a.fixed().bayId()).number())),
                new RecordFact(
                        "Rig",
                        keys.rig(a).name() + ", version " + versions.rig().version()),
                new RecordFact(
                        "Scheme",
                        scheme.name() + ", version " + versions.scheme().version()),
                new RecordFact("Instruments", instruments(a)),
                new RecordFact("Prepared", minute(a.fixed().preparedAt()) + leftOut(a)),
                new RecordFact("Rules", "engine " + versions.engine()));
    }

    /** What nobody looked at before the day. */
    private static String leftOut(Assessment a) {
        List<Checklist.Item> left = a.conduct().open(Checklist.PREPARE);
        return left.isEmpty()
                ? ""
                : "; not looked at before the day: "
                        + left.stream().map(Checklist.Item::words).collect(Collectors.joining("; "));
    }

    /** Every instrument that was in use, in order: another one may have been taken up on the way. */
    private String instruments(Assessment a) {
        return Stream.concat(
                        assessments.history(a).stream()
                                .map(Assessment.Recorded::event)
                                .filter(AssessmentEvent.InstrumentChanged.class::isInstance)
                                .map(e -> ((AssessmentEvent.InstrumentChanged) e).tester()),
                        Stream.of(a.fixed().versions().tester()))
                .sorted(Comparator.comparing(t -> !t.equals(a.fixed().versions().tester())))
                .distinct()
                .map(t -> workshop.tester(new DocumentRef(t.id(), t.version())).label() + ", version " + t.version())
                .collect(Collectors.joining("; then "));
    }

    private RecordView.RecordOutcome outcome(Assessment a) {
        Assessment.OutcomeGiven given = a.outcome();
        if (given == null) {
            return new RecordView.RecordOutcome(false, "", "", 0, 0, List.of(), "");
        }
        MarkedSheet sheet = keys.marked(a);
        Outcome outcome = Decided.outcome(a.decisions(), sheet);
        return new RecordView.RecordOutcome(
                given.given() == Outcome.Verdict.STOPPED,
                given.given().words(),
                given.proposed().words(),
                outcome.points(),
                outcome.outOf(),
                outcome.reasons(),
                given.reason());
    }

    private static String minute(OffsetDateTime at) {
        return at.toString().substring(0, 16).replace('T', ' ');
    }

    private List<KeptReading> readings(Assessment a, List<Assessment.Recorded> events) {
        Map<String, KeptText> written = new HashMap<>();
        for (Assessment.Recorded e : events) {
            if (e.event() instanceof AssessmentEvent.ReadingWritten reading) {
                List<String> before = new ArrayList<>();
                KeptText was = written.get(reading.slot());
                if (was != null) {
                    before.addAll(was.before());
                    before.add(was.written().isBlank() ? "(empty)" : was.written());
                }
                written.put(
                        reading.slot(),
                        new KeptText(reading.text(), List.copyOf(before), e.at(), accounts.nameOf(e.by())));
            }
        }
        List<KeptReading> lines = new ArrayList<>();
        Rig rig = keys.rig(a);
        for (Slot slot : keys.sheet(a)) {
            KeptText w = written.get(slot.id().value());
            if (w != null) {
                lines.add(new KeptReading(slot.id().value(), slot.quantity(), slot.place(rig), w, judged(a, slot)));
            }
        }
        return lines;
    }

    private static String judged(Assessment a, Slot slot) {
        var entry = a.judgements().get(slot.id().value());
        Boolean satisfactory = entry == null ? null : entry.value();
        return satisfactory == null ? "" : satisfactory ? "satisfactory" : "not satisfactory";
    }

    /** As they were when the outcome was decided; before that, as they are proposed. */
    private List<MarkedLine> marks(Assessment a) {
        Map<String, MarkExport.KeptMark> kept = new LinkedHashMap<>();
        assessments.resultOf(a).ifPresent(json -> MarkExport.marks(json).forEach(m -> kept.put(m.id(), m)));
        MarkedSheet today = keys.marked(a);
        Map<String, String> circuits =
                today.marks().stream().collect(Collectors.toMap(Mark::id, today::circuitOf, (x, y) -> x));
        if (kept.isEmpty()) {
            for (Mark m : today.marks()) {
                kept.put(
                        m.id(),
                        new MarkExport.KeptMark(
                                m.id(), m.group(), m.title(), m.weight(), word(m.award()), m.points(), m.words()));
            }
        }
        return kept.values().stream()
                .map(m -> line(m, circuits.getOrDefault(m.id(), ""), a))
                .toList();
    }

    /** @param circuit its label; empty for none */
    private MarkedLine line(MarkExport.KeptMark m, String circuit, Assessment a) {
        Assessment.Decision decision = a.decisions().get(m.id());
        Opinions.Settled settled = a.opinions().settled().get(m.id());
        String first = settled != null ? word(settled.first()) : decision == null ? "" : word(decision.given());
        String second = a.opinions()
                .second()
                .filter(o -> o.signed().isPresent())
                .map(o -> o.given().get(m.id()))
                .filter(java.util.Objects::nonNull)
                .map(g -> word(g.award()))
                .findFirst()
                .orElse("");
        return new MarkedLine(
                new RecordView.MarkedWhat(
                        m.id(), circuit.isEmpty() ? m.group() : m.group() + ", " + circuit, m.title(), m.weight()),
                new RecordView.MarkedOpinions(m.award(), first, second),
                new RecordView.MarkedEnd(
                        decision == null ? m.award() : word(decision.given()),
                        decision == null
                                ? m.points()
                                : m.weight() * decision.given().share(),
                        decision == null ? "" : decision.reason()),
                m.evidence());
    }

    private static String word(Mark.Award award) {
        return award.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private List<Signature> signatures(List<Assessment.Recorded> events) {
        List<Signature> signatures = new ArrayList<>();
        for (Assessment.Recorded e : events) {
            String by = accounts.nameOf(e.by());
            switch (e.event()) {
                case AssessmentEvent.HandedIn in -> signatures.add(new Signature("Handed in", by, e.at()));
                case AssessmentEvent.OpinionSigned signed -> signatures.add(new Signature("Marked alone", by, e.at()));
                case AssessmentEvent.OutcomeDecided outcome ->
                    signatures.add(new Signature("Outcome signed", by, e.at()));
                case AssessmentEvent.FeedbackGiven feedback ->
                    signatures.add(new Signature("Feedback given", by, e.at()));
                case AssessmentEvent.Cleared cleared -> signatures.add(new Signature("Rig cleared", by, e.at()));
                default -> {}
            }
        }
        return signatures;
    }

    /** For a file's name: who and when. */
    static String fileName(Assessment a, String ending) {
        return a.fixed().candidateId() + "-" + a.fixed().preparedAt().toLocalDate() + ".record." + ending;
    }
}
