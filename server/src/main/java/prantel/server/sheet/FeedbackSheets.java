package prantel.server.sheet;

import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Feedback;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.limits.Limit;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.picture.OwnReadings;
import prantel.server.web.Refusal;
import prantel.server.workshop.Workshop;

/** Makes what a candidate reads, for the candidate and for the assessor who looks it over. */
@Component
public class FeedbackSheets {
    private static final int MOST_PICTURES = 6;

    private final Assessments assessments;
    private final Keys keys;
    private final Workshop workshop;
    private final Accounts accounts;

    FeedbackSheets(Assessments assessments, Keys keys, Workshop workshop, Accounts accounts) {
        this.assessments = assessments;
        this.keys = keys;
        this.workshop = workshop;
        this.accounts = accounts;
    }

    /** @throws Refusal if nothing was told yet */
    public FeedbackSheet of(String assessmentId) {
        Assessment a = assessments.get(assessmentId);
        Feedback feedback = a.feedback();
        Assessment.OutcomeGiven outcome = a.outcome();
        if (feedback == null || outcome == null) {
            throw Refusal.notFound("feedback");
        }
        List<Slot> slots = keys.sheet(a);
        return new FeedbackSheet(
                new FeedbackSheet.FeedbackOf(
                        accounts.nameOf(a.fixed().candidateId()),
                        keys.rig(a).name(),
                        workshop.bay(a.fixed().bayId()).number(),
                        keys.scheme(a).name(),
                        Objects.requireNonNull(a.handedInAt())),
                new FeedbackSheet.FeedbackTold(
                        outcome.given().words(),
                        Arrays.stream(Feedback.Kind.values())
                                .map(k -> new FeedbackSheet.FeedbackSection(
                                        k,
                                        FeedbackSheet.title(k),
                                        feedback.lines().stream()
                                                .filter(l -> l.kind() == k)
                                                .map(l -> new FeedbackSheet.FeedbackLine(l.text(), boxes(l, slots, a)))
                                                .toList()))
                                .filter(s -> !s.lines().isEmpty())
                                .toList(),
                        feedback.faults(),
                        pictures(feedback, slots, a)),
                new FeedbackSheet.FeedbackGivenBy(accounts.nameOf(feedback.by()), feedback.at()));
    }

    /** The same as a name for a file: who and when. */
    public static String fileName(FeedbackSheet sheet) {
        return sheet.of().candidate().toLowerCase(java.util.Locale.ROOT).replaceAll("[^a-z0-9]+", "-") + "-"
                + sheet.of().handedInAt().toLocalDate() + ".feedback.pdf";
    }

    private List<FeedbackSheet.OwnBox> boxes(Feedback.Sentence line, List<Slot> slots, Assessment a) {
        return slots.stream()
                .filter(s -> line.slots().contains(s.id().value()))
                .map(s -> new FeedbackSheet.OwnBox(s.quantity(), s.place(keys.rig(a)), written(s, a)))
                .toList();
    }

    private static String written(Slot slot, Assessment a) {
        Assessment.Entry<String> entry = a.readings().get(slot.id().value());
        return entry == null ? "" : entry.value();
    }

    private record Along(CircuitId circuit, Quantity quantity) {}

    private List<FeedbackSheet.Drawn> pictures(Feedback feedback, List<Slot> slots, Assessment a) {
        Set<String> taught = new HashSet<>();
        feedback.lines().stream().filter(l -> l.kind() != Feedback.Kind.RIGHT).forEach(l -> taught.addAll(l.slots()));
        List<Slot> along = slots.stream()
                .filter(s -> s.spot().point().isPresent() && s.circuit().isPresent())
                .toList();
        return along.stream()
                .filter(s -> taught.contains(s.id().value()))
                .map(s -> new Along(s.circuit().orElseThrow(), s.address().quantity()))
                .distinct()
                .limit(MOST_PICTURES)
                .flatMap(which -> drawn(which, along, taught, a).stream())
                .toList();
    }

    private Optional<FeedbackSheet.Drawn> drawn(Along which, List<Slot> along, Set<String> taught, Assessment a) {
        Circuit circuit = keys.rig(a).circuit(which.circuit());
        List<Slot> of = along.stream()
                .filter(s -> s.circuit().orElseThrow().equals(which.circuit())
                        && s.address().is(which.quantity()))
                .toList();
        List<OwnReadings.Dot> dots = of.stream()
                .flatMap(s -> dot(s, written(s, a), taught.contains(s.id().value())).stream())
                .toList();
        if (dots.isEmpty()) {
            return Optional.empty();
        }
        Unit unit = of.getFirst().boxUnit();
        Optional<OwnReadings.Limit> limit = of.getFirst()
                .limit()
                .filter(l -> l.demand() instanceof Limit.AtMost)
                .map(l -> new OwnReadings.Limit(l.end(), l.shown(unit)));
        return Optional.of(new FeedbackSheet.Drawn(
                OwnReadings.words(circuit, which.quantity().label(), dots),
                OwnReadings.svg(circuit, which.quantity().label(), dots, limit)));
    }

    private static Optional<OwnReadings.Dot> dot(Slot slot, String text, boolean taught) {
        String point = slot.spot().point().orElseThrow().value();
        return switch (Notation.read(text, slot.boxUnit())) {
            case Written.Number n -> Optional.of(new OwnReadings.Dot(point, Optional.of(n.base()), text, taught));
            case Written.Above above -> Optional.of(new OwnReadings.Dot(point, Optional.empty(), text, taught));
            case Written.Open open -> Optional.of(new OwnReadings.Dot(point, Optional.empty(), text, taught));
            default -> Optional.empty();
        };
    }
}
