package prantel.core.feedback;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
import prantel.core.scheme.Step;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Drafts what a candidate is told, from the marks as they were given: what was right, what to do otherwise with the reading
 * that taught it, what to practise. Nothing in it says what was set or what a box should have read, unless that is asked for.
 */
public final class FeedbackDraft {
    /** More than this nobody takes home from one talk: common practice, no source. What could hurt somebody is all told. */
    static final int MOST_CHANGES = 7;

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
        lines.addAll(draft.changes());
        lines.addAll(draft.practise());
        return lines;
    }

    /**
     * A thing to do otherwise.
     *
     * @param about what it is about, in a word or two
     * @param lost by the marks it is said for
     */
    private record Change(Sentence says, String about, Lost lost) {
        static Change of(String about, String text, List<SlotId> slots, Lost lost) {
            return new Change(
                    line(Kind.CHANGE, text, slots.stream().map(SlotId::value).toList()), about, lost);
        }
    }

    /** @param key how many key marks @param points besides */
    private record Lost(long key, double points) {
        static final Comparator<Lost> MOST_FIRST = Comparator.comparingLong(Lost::key)
                .thenComparingDouble(Lost::points)
                .reversed();
    }

    private Lost lost(List<Mark> marks) {
        return new Lost(
                marks.stream().filter(Mark::key).count(),
                marks.stream()
                        .mapToDouble(m -> m.weight() * (1 - award(m).share()))
                        .sum());
    }

    /** Everything to do otherwise, the dearest first; what is beyond the most that anybody is told is named in one line. */
    private List<Sentence> changes() {
        List<Change> all = new ArrayList<>();
        all.addAll(readings());
        all.addAll(notBegun());
        all.addAll(others());
        all.sort(Comparator.comparing(Change::lost, Lost.MOST_FIRST));
        if (all.size() <= MOST_CHANGES) {
            return all.stream().map(Change::says).toList();
        }
        List<Change> told = all.subList(0, MOST_CHANGES - 1);
        List<Change> rest = all.subList(MOST_CHANGES - 1, all.size());
        return Stream.concat(
                        told.stream().map(Change::says),
                        Stream.of(line(
                                Kind.CHANGE,
                                Words.besides(rest.stream()
                                        .map(Change::about)
                                        .distinct()
                                        .toList()),
                                rest.stream()
                                        .flatMap(c -> c.says().slots().stream())
                                        .distinct()
                                        .toList())))
                .toList();
    }

    private boolean isLost(Mark mark) {
        return award(mark) == Award.NONE || award(mark) == Award.HALF;
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

    /** One sentence a stage: the steps that held up, with their circuits where not all of them did. */
    private List<Sentence> right() {
        Map<Part, Set<String>> held = new LinkedHashMap<>();
        Map<Part, Set<String>> off = new LinkedHashMap<>();
        Set<SlotId> lost = sheet.marks().stream()
                .filter(this::isLost)
                .flatMap(m -> m.slots().stream())
                .collect(Collectors.toSet());
        for (Mark mark : sheet.marks()) {
            if (award(mark) == Award.NOT_SEEN || mark.evidence() instanceof Evidence.OfFaults) {
                continue;
            }
            // a reading that something else was lost on is no example of how it should be
            boolean sound = award(mark) == Award.FULL && mark.slots().stream().noneMatch(lost::contains);
            (sound ? held : off)
                    .computeIfAbsent(mark.part(), p -> new LinkedHashSet<>())
                    .add(circuit(mark));
        }
        List<Sentence> lines = new ArrayList<>();
        for (Step.Stage stage : Step.Stage.values()) {
            List<String> steps = sheet.key().scheme().steps().stream()
                    .filter(s -> s.stage() == stage)
                    .flatMap(s -> held.keySet().stream().filter(p -> p.id().equals(s.id())))
                    .flatMap(p -> held(p, held.getOrDefault(p, Set.of()), off.getOrDefault(p, Set.of())).stream())
                    .toList();
            if (!steps.isEmpty()) {
                lines.add(line(Kind.RIGHT, Words.right(stage, steps)));
            }
        }
        return lines;
    }

    /** The step's name, with the circuits it held up on where it did not on all; empty where it did on none. */
    private static Optional<String> held(Part part, Set<String> circuits, Set<String> off) {
        if (off.isEmpty()) {
            return Optional.of(part.title());
        }
        List<String> named =
                circuits.stream().filter(c -> !c.isEmpty() && !off.contains(c)).toList();
        return named.isEmpty() ? Optional.empty() : Optional.of(part.title() + " (" + String.join(", ", named) + ")");
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
    private List<Change> readings() {
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
        List<Change> changes = new ArrayList<>();
        led.forEach((cause, of) -> Advice.of(cause)
                .ifPresent(advice -> changes.add(Change.of(
                        places(of.subList(0, 1), false),
                        Words.readings(places(of, true), advice),
                        slots(of),
                        lostOn(of)))));
        if (!unexplained.isEmpty()) {
            changes.add(Change.of(
                    places(unexplained.subList(0, 1), false),
                    Words.unexplained(places(unexplained, true)),
                    slots(unexplained),
                    lostOn(unexplained)));
        }
        return changes;
    }

    private Lost lostOn(Part part) {
        return lost(sheet.marks().stream()
                .filter(this::isLost)
                .filter(m -> m.part().equals(part))
                .toList());
    }

    private Lost lostOn(List<Finding> of) {
        Set<SlotId> slots = Set.copyOf(slots(of));
        return lost(sheet.marks().stream()
                .filter(this::isLost)
                .filter(m -> m.slots().stream().anyMatch(slots::contains))
                .toList());
    }

    /** Whether it lost a mark as it was given: an assessor who gave it all the same thought otherwise. */
    private boolean costs(Finding finding) {
        SlotId slot = finding.expectation().slot().id();
        return sheet.marks().stream().filter(m -> m.slots().contains(slot)).anyMatch(this::isLost);
    }

    /** Whether somebody looked at the rig or the tester, found it sound, and so gave less than was proposed. */
    private boolean costsAfterALook(Finding finding) {
        SlotId slot = finding.expectation().slot().id();
        return sheet.marks().stream()
                .filter(m -> m.isLookedAtFirst() && m.slots().contains(slot))
                .anyMatch(this::isLost);
    }

    private boolean isSpared(Finding finding) {
        SlotId slot = finding.expectation().slot().id();
        return sheet.marks().stream()
                .anyMatch(m ->
                        m.evidence() instanceof Evidence.Spared && m.slots().contains(slot));
    }

    /** Said once: what was not reached, whether time ran out or it was stopped, is no list of slips. */
    private List<Change> notBegun() {
        Map<String, List<String>> circuits = new LinkedHashMap<>();
        List<Mark> marks = sheet.marks().stream()
                .filter(this::isLost)
                .filter(m -> notBegun.contains(done(m)))
                .toList();
        marks.stream()
                .map(this::done)
                .distinct()
                .forEach(d -> circuits.computeIfAbsent(d.group(), g -> new ArrayList<>())
                        .add(d.circuit()));
        Set<String> begun = sheet.marks().stream()
                .filter(m -> !m.slots().isEmpty() && !notBegun.contains(done(m)))
                .map(Mark::group)
                .collect(Collectors.toSet());
        List<String> tests = new ArrayList<>();
        circuits.forEach((group, of) -> tests.add(
                begun.contains(group) && !of.contains("") ? group + " (" + String.join(", ", of) + ")" : group));
        return tests.isEmpty()
                ? List.of()
                : List.of(Change.of("what was not begun", Words.notBegun(tests), List.of(), lost(marks)));
    }

    /** What is of no reading: judgements, notation, what was seen, asked and in which order. */
    private List<Change> others() {
        Map<String, List<Mark>> marks = new LinkedHashMap<>();
        Map<String, Set<String>> of = new LinkedHashMap<>();
        for (Mark mark : sheet.marks()) {
            if (!isLost(mark) || notBegun.contains(done(mark))) {
                continue;
            }
            Words.of(mark, circuit(mark), faultsNamed, judgedWrongly(mark)).ifPresent(said -> {
                marks.computeIfAbsent(said.advice(), t -> new ArrayList<>()).add(mark);
                of.computeIfAbsent(said.advice(), t -> new LinkedHashSet<>()).addAll(said.of());
            });
        }
        return marks.entrySet().stream()
                .map(e -> Change.of(
                        Words.about(
                                e.getValue().getFirst(), circuit(e.getValue().getFirst())),
                        Words.said(e.getKey(), List.copyOf(of.getOrDefault(e.getKey(), Set.of()))),
                        e.getValue().stream()
                                .flatMap(m -> m.slots().stream())
                                .distinct()
                                .toList(),
                        lost(e.getValue())))
                .toList();
    }

    /** Each box that was judged wrongly, with what was written there and its limit, unless that would tell what is set. */
    private List<String> judgedWrongly(Mark mark) {
        return mark.evidence() instanceof Evidence.Judged
                ? sheet.findings().stream()
                        .filter(f -> f.judged() == Finding.Judged.WRONG || f.judged() == Finding.Judged.MISSING)
                        .filter(f ->
                                mark.slots().contains(f.expectation().slot().id()))
                        .map(f -> againstItsLimit(mark.group(), f))
                        .toList()
                : List.of();
    }

    private String againstItsLimit(String test, Finding finding) {
        Slot slot = finding.expectation().slot();
        boolean tells = faultsNamed || slot.limit().equals(finding.expectation().healthyLimit());
        return Words.againstItsLimit(
                // a voltage between two conductors is read in more than one test
                (slot.address().is(Quantity.VOLTAGE) ? test + ", " : "")
                        + slot.title(sheet.key().rig()),
                finding.written().asWritten(),
                slot.limit().filter(l -> tells).map(l -> l.shown(slot.boxUnit())));
    }

    /** One thing to practise: all of it where the whole is done again, else the parts that are. */
    private List<Sentence> practise() {
        List<Part> again = outcome.verdict() == Outcome.Verdict.NOT_YET
                ? List.of(Part.WHOLE)
                : outcome.repeat().stream().map(Outcome.Repeat::part).toList();
        return again.stream()
                .min(Comparator.comparing(this::lostOn, Lost.MOST_FIRST))
                .map(dearest -> List.of(line(Kind.PRACTISE, Words.again(dearest, again))))
                .orElse(List.of());
    }

    private String places(List<Finding> of, boolean asWritten) {
        String places = of.stream()
                .limit(Words.MOST_PLACES)
                .map(f -> f.expectation().slot().title(sheet.key().rig())
                        + (asWritten ? ": you wrote " + f.written().asWritten() : ""))
                .collect(Collectors.joining("; "));
        return of.size() > Words.MOST_PLACES ? places + "; and " + (of.size() - Words.MOST_PLACES) + " more" : places;
    }

    private static List<SlotId> slots(List<Finding> of) {
        return of.stream().map(f -> f.expectation().slot().id()).toList();
    }

    private static Sentence line(Kind kind, String text) {
        return line(kind, text, List.of());
    }

    private static Sentence line(Kind kind, String text, List<String> slots) {
        return new Sentence(kind, Words.shortened(text), slots);
    }
}
