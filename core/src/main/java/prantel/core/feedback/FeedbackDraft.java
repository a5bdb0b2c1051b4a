package prantel.core.feedback;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import prantel.core.assessment.Feedback.Kind;
import prantel.core.assessment.Feedback.Sentence;
import prantel.core.inference.Cause;
import prantel.core.instrument.Written;
import prantel.core.marking.Evidence;
import prantel.core.marking.Finding;
import prantel.core.marking.Mark;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Outcome;
import prantel.core.marking.Part;
import prantel.core.sequence.SlotId;

/**
 * Drafts what a candidate is told, from the marks as they were given: what was right, what to do otherwise with the reading
 * that taught it, what to practise. Nothing in it says what was set or what a box should have read, unless that is asked for.
 */
public final class FeedbackDraft {
    private static final int MOST_PLACES = 4;

    /** As many parts to practise have a sentence each; more are named in one. */
    private static final int MOST_ALONE = 3;

    private final MarkedSheet sheet;
    private final Map<String, Award> given;
    private final Outcome outcome;
    private final boolean faultsNamed;
    private final Set<SlotId> ofTheRig;
    private final Set<SlotId> blank;
    /** Tests of a circuit, or of the rig, of which nothing at all is written. */
    private final Set<Done> notBegun;

    /** What is done by itself. @param circuit its label; empty for what is done once for the rig */
    private record Done(String group, String circuit) {}

    private FeedbackDraft(
            MarkedSheet sheet, Map<String, Award> given, Outcome outcome, boolean faultsNamed, Set<SlotId> ofTheRig) {
        this.ofTheRig = Set.copyOf(ofTheRig);
        this.sheet = sheet;
        this.given = given;
        this.outcome = outcome;
        this.faultsNamed = faultsNamed;
        this.blank = sheet.findings().stream()
                .filter(f -> f.written() instanceof Written.Blank)
                .map(f -> f.expectation().slot().id())
                .collect(Collectors.toSet());
        Map<Done, List<SlotId>> boxes = new LinkedHashMap<>();
        for (Mark mark : sheet.marks()) {
            boxes.computeIfAbsent(done(mark), d -> new ArrayList<>()).addAll(mark.slots());
        }
        this.notBegun = new LinkedHashSet<>();
        boxes.forEach((done, slots) -> {
            if (!done.group().isEmpty() && !slots.isEmpty() && blank.containsAll(slots)) {
                notBegun.add(done);
            }
        });
    }

    private Done done(Mark mark) {
        return new Done(mark.group(), circuit(mark));
    }

    /**
     * @param given what was given where it is not what is proposed, by mark
     * @param outcome of the marks as given
     * @param faultsNamed whether it may say what was set
     * @param ofTheRig boxes for which the rig is suspected: nobody is told to do them otherwise
     */
    public static List<Sentence> of(
            MarkedSheet sheet, Map<String, Award> given, Outcome outcome, boolean faultsNamed, Set<SlotId> ofTheRig) {
        FeedbackDraft draft = new FeedbackDraft(sheet, given, outcome, faultsNamed, ofTheRig);
        List<Sentence> lines = new ArrayList<>();
        lines.addAll(draft.unsafe());
        lines.addAll(draft.right());
        lines.addAll(draft.found());
        lines.addAll(draft.readings());
        lines.addAll(draft.notBegun());
        lines.addAll(draft.others());
        lines.addAll(draft.practise());
        return lines;
    }

    private Award award(Mark mark) {
        return given.getOrDefault(mark.id(), mark.award());
    }

    /** What could have hurt somebody comes first. */
    private List<Sentence> unsafe() {
        return sheet.marks().stream()
                .filter(m -> award(m) == Award.NONE && m.evidence() instanceof Evidence.Unsafe)
                .map(m -> line(Kind.CHANGE, Words.unsafe((Evidence.Unsafe) m.evidence())))
                .toList();
    }

    /** One sentence for each test that held up, with its circuits and with what it held up in. */
    private List<Sentence> right() {
        Map<String, Set<String>> byGroup = new LinkedHashMap<>();
        Map<String, Set<String>> titles = new LinkedHashMap<>();
        Set<String> notAll = new LinkedHashSet<>();
        Set<SlotId> lost = sheet.marks().stream()
                .filter(m -> award(m) == Award.NONE || award(m) == Award.HALF)
                .flatMap(m -> m.slots().stream())
                .collect(Collectors.toSet());
        for (Mark mark : sheet.marks()) {
            boolean counts = award(mark) != Award.NOT_SEEN && !(mark.evidence() instanceof Evidence.OfFaults);
            if (!counts || mark.group().isEmpty()) {
                continue;
            }
            String key = mark.group() + "\n" + circuit(mark);
            // a reading that something else was lost on is no example of how it should be
            if (award(mark) == Award.FULL && mark.slots().stream().noneMatch(lost::contains)) {
                byGroup.computeIfAbsent(mark.group(), g -> new LinkedHashSet<>())
                        .add(circuit(mark));
                titles.computeIfAbsent(mark.group(), g -> new LinkedHashSet<>()).add(mark.title());
            } else {
                notAll.add(key);
            }
        }
        List<Sentence> lines = new ArrayList<>();
        byGroup.forEach((group, circuits) -> {
            List<String> held = circuits.stream()
                    .filter(c -> !notAll.contains(group + "\n" + c))
                    .toList();
            if (!held.isEmpty()) {
                lines.add(line(
                        Kind.RIGHT,
                        Words.right(
                                group,
                                held.stream().filter(c -> !c.isEmpty()).toList(),
                                List.copyOf(titles.getOrDefault(group, Set.of())))));
            }
        });
        return lines;
    }

    /** Finding what is wrong is half the work: where all of it was found, that is said, though not always what it was. */
    private List<Sentence> found() {
        List<Mark> marks = sheet.marks().stream()
                .filter(m -> m.evidence() instanceof Evidence.OfFaults && award(m) != Award.NOT_SEEN)
                .toList();
        List<String> named = marks.stream()
                .filter(m -> award(m) == Award.FULL)
                .flatMap(m -> m.evidence() instanceof Evidence.Found f ? Stream.of(f.named()) : Stream.empty())
                .distinct()
                .toList();
        boolean all = marks.stream().allMatch(m -> award(m) == Award.FULL);
        return named.isEmpty() || !all
                ? List.of()
                : List.of(line(Kind.RIGHT, Words.found(faultsNamed ? named : List.of())));
    }

    private String circuit(Mark mark) {
        return sheet.circuitOf(mark);
    }

    /** What readings came from, said once for each cause with the readings that show it; what nothing explains last. */
    private List<Sentence> readings() {
        Map<Cause, List<Finding>> led = new LinkedHashMap<>();
        List<Finding> unexplained = new ArrayList<>();
        for (Finding finding : sheet.findings()) {
            if (!finding.asked()
                    || ofTheRig.contains(finding.expectation().slot().id())
                    || isSpared(finding)
                    || !costs(finding)) {
                continue;
            }
            if (costsAfterALook(finding)) {
                unexplained.add(finding);
            } else if (!finding.explanations().isEmpty()) {
                led.computeIfAbsent(finding.explanations().getFirst().cause(), c -> new ArrayList<>())
                        .add(finding);
            } else if (!finding.isMeasuredRightly() && finding.written().isReading()) {
                unexplained.add(finding);
            }
        }
        List<Sentence> lines = new ArrayList<>();
        led.forEach((cause, of) -> Advice.of(cause)
                .ifPresent(advice -> lines.add(line(Kind.CHANGE, Words.readings(places(of), advice), slots(of)))));
        if (!unexplained.isEmpty()) {
            lines.add(line(Kind.CHANGE, Words.unexplained(places(unexplained)), slots(unexplained)));
        }
        return lines;
    }

    /** Whether it lost a mark as it was given: an assessor who gave it all the same thought otherwise. */
    private boolean costs(Finding finding) {
        SlotId slot = finding.expectation().slot().id();
        return sheet.marks().stream()
                .filter(m -> m.slots().contains(slot))
                .anyMatch(m -> award(m) == Award.NONE || award(m) == Award.HALF);
    }

    /** Whether somebody looked at the rig or the tester, found it sound, and so gave less than was proposed. */
    private boolean costsAfterALook(Finding finding) {
        SlotId slot = finding.expectation().slot().id();
        return sheet.marks().stream()
                .filter(m -> m.isLookedAtFirst() && m.slots().contains(slot))
                .anyMatch(m -> award(m) == Award.NONE || award(m) == Award.HALF);
    }

    private boolean isSpared(Finding finding) {
        SlotId slot = finding.expectation().slot().id();
        return sheet.marks().stream()
                .anyMatch(m ->
                        m.evidence() instanceof Evidence.Spared && m.slots().contains(slot));
    }

    /** Said once: what was not reached, whether time ran out or it was stopped, is no list of slips. */
    private List<Sentence> notBegun() {
        Map<String, List<String>> circuits = new LinkedHashMap<>();
        sheet.marks().stream()
                .filter(m -> award(m) == Award.NONE || award(m) == Award.HALF)
                .map(this::done)
                .distinct()
                .filter(notBegun::contains)
                .forEach(d -> circuits.computeIfAbsent(d.group(), g -> new ArrayList<>())
                        .add(d.circuit()));
        Set<String> begun = sheet.marks().stream()
                .filter(m -> !m.slots().isEmpty() && !notBegun.contains(done(m)))
                .map(Mark::group)
                .collect(Collectors.toSet());
        List<String> tests = new ArrayList<>();
        circuits.forEach((group, of) -> tests.add(
                begun.contains(group) && !of.contains("") ? group + " (" + String.join(", ", of) + ")" : group));
        return tests.isEmpty() ? List.of() : List.of(line(Kind.CHANGE, Words.notBegun(tests)));
    }

    /** What is of no reading: judgements, notation, what was seen, asked and in which order. */
    private List<Sentence> others() {
        Map<String, Set<SlotId>> said = new LinkedHashMap<>();
        for (Mark mark : sheet.marks()) {
            if (award(mark) != Award.NONE && award(mark) != Award.HALF || notBegun.contains(done(mark))) {
                continue;
            }
            Words.of(mark, circuit(mark), faultsNamed)
                    .ifPresent(text -> said.computeIfAbsent(text, t -> new LinkedHashSet<>())
                            .addAll(mark.slots()));
        }
        return said.entrySet().stream()
                .map(e -> line(
                        Kind.CHANGE,
                        e.getKey(),
                        e.getValue().stream().map(SlotId::value).toList()))
                .toList();
    }

    private List<Sentence> practise() {
        List<Part> again = outcome.verdict() == Outcome.Verdict.NOT_YET
                ? List.of(Part.WHOLE)
                : outcome.repeat().stream().map(Outcome.Repeat::part).toList();
        List<Part> steps =
                again.stream().filter(p -> p.kind() == Part.Kind.STEP).toList();
        if (steps.size() <= MOST_ALONE) {
            return again.stream().map(p -> line(Kind.PRACTISE, Words.again(p))).toList();
        }
        List<Sentence> lines = new ArrayList<>(List.of(line(Kind.PRACTISE, Words.again(steps))));
        again.stream()
                .filter(p -> p.kind() != Part.Kind.STEP)
                .forEach(p -> lines.add(line(Kind.PRACTISE, Words.again(p))));
        return lines;
    }

    private String places(List<Finding> of) {
        String places = of.stream()
                .limit(MOST_PLACES)
                .map(f -> f.expectation().slot().title(sheet.key().rig()) + ": you wrote "
                        + f.written().asWritten())
                .collect(Collectors.joining("; "));
        return of.size() > MOST_PLACES ? places + "; and " + (of.size() - MOST_PLACES) + " more" : places;
    }

    private static List<String> slots(List<Finding> of) {
        return of.stream().map(f -> f.expectation().slot().id().value()).toList();
    }

    private static Sentence line(Kind kind, String text) {
        return line(kind, text, List.of());
    }

    private static Sentence line(Kind kind, String text, List<String> slots) {
        return new Sentence(kind, Words.shortened(text), slots);
    }
}
