package prantel.core.marking;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.expectation.Key;
import prantel.core.inference.Cause;
import prantel.core.inference.Explanation;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Written;
import prantel.core.marking.Evidence.Box;
import prantel.core.marking.Finding.Judged;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Mark.Worth;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.Criterion;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Severity;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.BoxWords;
import prantel.core.sequence.ExpectedBoxes;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** Marks for what stands in the boxes. */
final class BoxMarks {
    /** Share from which readings are nobody's until the rig was looked at. */
    private static final double BY_THE_RIG = 0.9;

    private final Key key;
    private final Scheme scheme;
    private final CandidateRecord record;
    private final List<Finding> findings;

    BoxMarks(Key key, Scheme scheme, CandidateRecord record) {
        this.key = key;
        this.scheme = scheme;
        this.record = record;
        this.findings = new Findings(key, record)
                .all().stream()
                        .filter(f -> scheme.asks(f.expectation().slot().step()))
                        .toList();
    }

    List<Finding> findings() {
        return findings;
    }

    /** What the candidate's own record says was not done when the rig was left. */
    List<String> leftUndone() {
        return of(TestKind.CLOSING).stream()
                .filter(f -> f.written() instanceof Written.Said said && said.saying() == Saying.NOT_DONE)
                .map(f -> f.expectation().slot().quantity() + ": " + Saying.NOT_DONE.words())
                .toList();
    }

    /** A test that is done once for the rig. */
    List<Mark> ofRig(Criterion.OfTests criterion, TestKind test) {
        return of(criterion, test, new Item(test.markPrefix(), "", Optional.empty()), of(test));
    }

    /** A test on one circuit. */
    List<Mark> ofCircuit(Criterion.OfTests criterion, TestKind test, Circuit circuit) {
        List<Finding> asked = of(test).stream()
                .filter(f -> f.asked() && isOf(f, circuit.id()))
                .toList();
        return of(
                criterion,
                test,
                new Item(circuit.id() + "/" + test.markPrefix(), circuit.label(), Optional.of(circuit.id())),
                asked);
    }

    /** What looks at a whole circuit. */
    List<Mark> ofCircuit(Criterion criterion, Circuit circuit) {
        return switch (criterion) {
            case Criterion.OneMethod one -> List.of(oneMethod(one, circuit));
            case Criterion.Consistent consistent ->
                new Agreement(key, findings).of(consistent, circuit).stream().toList();
            default -> List.of();
        };
    }

    List<Mark> ofRecord(Criterion.Consistent consistent) {
        return new Agreement(key, findings).ofOrigin(consistent).stream().toList();
    }

    /** @param prefix of the ids of its marks @param label of the circuit; empty for what is done once for the rig */
    private record Item(String prefix, String label, Optional<CircuitId> circuit) {}

    private List<Mark> of(Criterion.OfTests criterion, TestKind test, Item item, List<Finding> all) {
        List<Finding> asked = all.stream().filter(f -> !isExcused(f)).toList();
        Optional<Proposed> proposed = asked.isEmpty()
                ? Optional.empty()
                : switch (criterion) {
                    case Criterion.MeasuredRightly measured -> measured(measured, costingHere(test, asked));
                    case Criterion.JudgedRightly judged -> judged(judged, item.label(), costingHere(test, asked));
                    case Criterion.RightOneOfSeveral chosen -> chosen(costingHere(test, asked));
                    case Criterion.Notation notation -> notation(test, asked);
                    case Criterion.Complete complete -> complete(complete, asked);
                    case Criterion.ExpectedFirst expected -> expected(asked);
                };
        return proposed.stream().map(p -> mark(criterion, item, test, p)).toList();
    }

    /** Left out with a reason where the scheme allows it: counts neither way. */
    private boolean isExcused(Finding finding) {
        return scheme.practice().recording().notTested() == Practice.NotTested.WITH_REASON
                && finding.written() instanceof Written.NotTested;
    }

    /** Where an open box costs in a criterion of its own it does not cost here as well, unless all are open. */
    private List<Finding> costingHere(TestKind test, List<Finding> asked) {
        boolean elsewhere = scheme.criteria().stream()
                .anyMatch(c -> c instanceof Criterion.Complete complete
                        && complete.tests().contains(test));
        List<Finding> filled = asked.stream().filter(BoxMarks::isFilled).toList();
        return elsewhere && !filled.isEmpty() ? filled : asked;
    }

    /** @param atLeast what missing it means at least, whatever the scheme says */
    private record Proposed(Award award, Evidence evidence, List<SlotId> slots, Severity atLeast) {
        Proposed(Award award, Evidence evidence, List<SlotId> slots) {
            this(award, evidence, slots, Severity.COUNTS);
        }
    }

    private Mark mark(Criterion criterion, Item item, TestKind test, Proposed proposed) {
        Criterion.Common common = criterion.common();
        return new Mark(
                new Mark.Item(
                        item.prefix() + "/" + criterion.id(),
                        Mark.Of.of(common, partOf(test)).about(Optional.of(test), item.circuit()),
                        common.group().isEmpty() ? scheme.labelOf(test) : common.group(),
                        common.title()),
                new Worth(
                        common.weight(), common.severity() == Severity.COUNTS ? proposed.atLeast() : common.severity()),
                proposed.award(),
                proposed.evidence(),
                proposed.slots());
    }

    /** Leads that were not nulled cost once, in a criterion of their own, and not again in every reading. */
    private Optional<Proposed> measured(Criterion.MeasuredRightly criterion, List<Finding> asked) {
        List<Finding> measured = asked.stream()
                .filter(f -> f.expectation().slot().isDoneAtTheRig())
                .toList();
        if (measured.isEmpty()) {
            return Optional.empty();
        }
        List<Finding> leads = measured.stream().filter(BoxMarks::isByTheLeads).toList();
        List<Finding> byTheRig = measured.stream()
                .filter(f -> !f.isMeasuredRightly() && isByTheRig(f))
                .toList();
        List<Finding> off = measured.stream()
                .filter(f -> !f.isMeasuredRightly() && !leads.contains(f) && !byTheRig.contains(f))
                .toList();
        if (off.isEmpty() && !byTheRig.isEmpty()) {
            String cause = byTheRig.getFirst().explanations().getFirst().cause().label();
            return Optional.of(new Proposed(
                    byTheRig.size() == measured.size() ? Award.NOT_SEEN : Award.FULL,
                    new Evidence.ByTheRig(cause, measured.size(), byTheRig.size()),
                    slots(byTheRig)));
        }
        boolean slips = off.stream().allMatch(f -> isTopCause(f, Cause.SLIP_OF_TEN));
        Award award = off.isEmpty()
                ? Award.FULL
                : slips || off.size() <= criterion.few() * measured.size() && !isARoundOff(measured, off)
                        ? Award.HALF
                        : Award.NONE;
        return Optional.of(new Proposed(
                award,
                new Evidence.Measured(
                        measured.size(),
                        off.stream().map(f -> new Box(place(f), how(f))).toList(),
                        leads.size()),
                slots(off.isEmpty() ? measured : off)));
    }

    /** Whoever passes what fails lets it be used: that is a key mark, however few they are. Failing what passes is a slip. */
    private Optional<Proposed> judged(Criterion.JudgedRightly criterion, String circuit, List<Finding> asked) {
        List<Finding> all =
                asked.stream().filter(f -> f.judged() != Judged.NOT_ASKED).toList();
        List<Finding> filled = all.stream()
                .filter(f -> isFilled(f) || f.judged() != Judged.MISSING)
                .toList();
        // an empty box costs where it is measured; a test that was not begun is not judged either
        List<Finding> judged = filled.isEmpty() ? all : filled;
        if (judged.isEmpty()) {
            return Optional.empty();
        }
        List<Finding> wrong =
                judged.stream().filter(f -> f.judged() != Judged.RIGHT).toList();
        boolean passed = wrong.stream().anyMatch(this::isPassedThoughItFails);
        return Optional.of(new Proposed(
                passed ? Award.NONE : byFew(wrong.size(), judged.size(), criterion.few()),
                new Evidence.Judged(
                        passed ? circuit : "",
                        wrong.stream().map(f -> new Box(place(f), howJudged(f))).toList()),
                slots(wrong.isEmpty() ? judged : wrong),
                passed ? Severity.KEY : Severity.COUNTS));
    }

    private boolean isPassedThoughItFails(Finding finding) {
        return finding.judged() == Judged.WRONG
                && Boolean.TRUE.equals(
                        record.judgements().get(finding.expectation().slot().id()));
    }

    private Evidence.How howJudged(Finding finding) {
        if (finding.judged() == Judged.MISSING) {
            return Evidence.How.NOT_JUDGED;
        }
        return isPassedThoughItFails(finding) ? Evidence.How.PASSED_THOUGH_IT_FAILS : Evidence.How.JUDGED_WRONGLY;
    }

    /** A step of the ring test that is off at every socket was done in the wrong way: that is no slip of a few. */
    private static boolean isARoundOff(List<Finding> measured, List<Finding> off) {
        Map<Quantity, List<Finding>> rounds = measured.stream()
                .filter(f -> f.expectation().slot().step() == TestKind.RING)
                .collect(Collectors.groupingBy(
                        f -> f.expectation().slot().address().quantity()));
        return rounds.values().stream().anyMatch(round -> round.size() > 1 && off.containsAll(round));
    }

    private static Award byFew(int wrong, int of, double few) {
        return wrong == 0 ? Award.FULL : wrong <= few * of ? Award.HALF : Award.NONE;
    }

    /** Whether boxes that are chosen or worked out from others hold the right one: one mark for all of a test. */
    private Optional<Proposed> chosen(List<Finding> asked) {
        List<ChosenCheck> checks = new ArrayList<>();
        List<SlotId> slots = new ArrayList<>();
        for (Finding finding : asked) {
            if (finding.expectation().slot() instanceof Slot.Composed slot && !slot.isFigure()) {
                checks.add(ChosenCheck.of(finding, slot, findings));
                slots.add(slot.id());
            }
        }
        if (checks.isEmpty()) {
            return Optional.empty();
        }
        ChosenCheck worst = checks.stream()
                .min(java.util.Comparator.comparingDouble(c -> c.award().share()))
                .orElseThrow();
        double share =
                checks.stream().mapToDouble(c -> c.award().share()).average().orElse(0);
        return Optional.of(new Proposed(
                share == 1 ? Award.FULL : share >= 0.5 ? Award.HALF : Award.NONE, worst.evidence(), slots));
    }

    /** The range of another tester is one habit: it costs where it stands first, not in each circuit. */
    private boolean isCountedElsewhere(Finding finding) {
        return finding.written() instanceof Written.Above
                && findings.stream()
                        .filter(f -> f.asked()
                                && f.written() instanceof Written.Above
                                && !f.remarks().isEmpty())
                        .findFirst()
                        .filter(first -> !first.equals(finding))
                        .isPresent();
    }

    private Optional<Proposed> notation(TestKind test, List<Finding> asked) {
        boolean any = asked.stream().anyMatch(BoxMarks::isFilled);
        List<Finding> bad = asked.stream()
                .filter(f -> !(f.written() instanceof Written.Number)
                        && !(f.written() instanceof Written.NotTested)
                        && !f.remarks().isEmpty()
                        && !isCountedElsewhere(f))
                .toList();
        return Optional.of(new Proposed(
                !any ? Award.NONE : bad.isEmpty() ? Award.FULL : Award.HALF,
                new Evidence.Written(
                        test == TestKind.INSULATION || test == TestKind.INSULATION_BOARD
                                ? "insulation reading"
                                : "reading",
                        any,
                        bad.stream().findFirst().map(f -> f.remarks().getFirst())),
                slots(bad)));
    }

    private static Optional<Proposed> complete(Criterion.Complete criterion, List<Finding> asked) {
        List<Finding> open = asked.stream()
                .filter(f -> f.written() instanceof Written.Blank || f.written() instanceof Written.NotTested)
                .toList();
        return Optional.of(new Proposed(
                byFew(open.size(), asked.size(), criterion.few()),
                new Evidence.Filled(
                        asked.size(), open.stream().map(BoxMarks::place).toList()),
                slots(open)));
    }

    /** Full where each was said and most of them come near, half where some were said. */
    private Optional<Proposed> expected(List<Finding> asked) {
        Set<SlotId> boxes = ExpectedBoxes.of(
                        key.rig(),
                        asked.stream().map(f -> f.expectation().slot()).toList())
                .keySet();
        List<Finding> could = asked.stream()
                .filter(f -> boxes.contains(f.expectation().slot().id()))
                .toList();
        if (could.isEmpty()) {
            return Optional.empty();
        }
        List<Finding> said = could.stream()
                .filter(f -> saidFirst(f.expectation().slot()) != null)
                .toList();
        int near = (int) said.stream()
                .filter(f -> isNear((Slot.Measured) f.expectation().slot()))
                .count();
        Award award = said.isEmpty() || near == 0
                ? Award.NONE
                : 2 * said.size() >= could.size() && 2 * near >= said.size() ? Award.FULL : Award.HALF;
        return Optional.of(new Proposed(award, new Evidence.Expected(said.size(), could.size(), near), slots(said)));
    }

    private @org.jspecify.annotations.Nullable String saidFirst(Slot slot) {
        String said = record.expected().get(slot.id());
        return said == null || said.isBlank() ? null : said;
    }

    /** Within a fifth, or three hundredths of an ohm: arithmetic from a table, not a reading. Common practice, no source. */
    private boolean isNear(Slot.Measured slot) {
        String said = saidFirst(slot);
        if (said == null
                || !(prantel.core.instrument.Notation.read(said, slot.boxUnit()) instanceof Written.Number n)) {
            return false;
        }
        double right = slot.byHand().orElseThrow().base();
        return Math.abs(n.base() - right) <= Math.max(0.2 * right, 0.03);
    }

    Mark leads(Criterion.LeadsNulled criterion) {
        List<Finding> high = findings.stream().filter(BoxMarks::isByTheLeads).toList();
        Optional<TestKind> test =
                high.stream().map(f -> f.expectation().slot().step()).findFirst();
        boolean any = findings.stream()
                .anyMatch(f -> f.expectation().slot() instanceof Slot.Measured m
                        && m.function().isContinuity()
                        && isFilled(f));
        Criterion.Common common = criterion.common();
        return new Mark(
                new Mark.Item(
                        common.id(),
                        Mark.Of.of(common, test.map(this::partOf).orElse(Part.WHOLE))
                                .about(test, Optional.empty()),
                        common.group(),
                        common.title()),
                new Worth(common.weight(), common.severity()),
                !any ? Award.NONE : high.isEmpty() ? Award.FULL : Award.HALF,
                new Evidence.Leads(any, high.size()),
                slots(high));
    }

    /** Both R1+R2 and R2 on record for one circuit suggests that numbers were made up. Common practice, no source. */
    private Mark oneMethod(Criterion.OneMethod criterion, Circuit circuit) {
        List<Finding> filled = findings.stream()
                .filter(f -> f.expectation().slot() instanceof Slot.Composed)
                .filter(f -> Criterion.OneMethod.TESTS.contains(
                        f.expectation().slot().step()))
                .filter(f -> isOf(f, circuit.id()))
                .filter(BoxMarks::isFilled)
                .toList();
        int methods = (int) filled.stream()
                .map(f -> f.expectation().slot().step() == TestKind.R2)
                .distinct()
                .count();
        Criterion.Common common = criterion.common();
        return new Mark(
                new Mark.Item(
                        circuit.id() + "/" + common.id(),
                        Mark.Of.of(
                                        common,
                                        Criterion.OneMethod.TESTS.stream()
                                                .filter(scheme::asks)
                                                .findFirst()
                                                .map(this::partOf)
                                                .orElse(Part.WHOLE))
                                .about(
                                        filled.stream()
                                                .map(f -> f.expectation().slot().step())
                                                .findFirst(),
                                        Optional.of(circuit.id())),
                        common.group(),
                        common.title()),
                new Worth(common.weight(), common.severity()),
                methods == 1 ? Award.FULL : Award.NONE,
                new Evidence.Methods(circuit.label(), methods),
                slots(filled));
    }

    /** The step that asks for a test. */
    private Part partOf(TestKind test) {
        return scheme.stepOf(test).map(Part::of).orElse(Part.WHOLE);
    }

    private List<Finding> of(TestKind test) {
        return findings.stream()
                .filter(f -> f.expectation().slot().step() == test)
                .toList();
    }

    private static boolean isOf(Finding finding, CircuitId circuit) {
        return finding.expectation().slot().circuit().filter(circuit::equals).isPresent();
    }

    static boolean isFilled(Finding finding) {
        return !(finding.written() instanceof Written.Blank);
    }

    private static boolean isByTheLeads(Finding finding) {
        return isTopCause(finding, Cause.LEADS_NOT_NULLED) || isTopCause(finding, Cause.NULLED_WRONG);
    }

    /** Whether it is very likely the rig or the tester: nobody's mistake until that was looked at. */
    private static boolean isByTheRig(Finding finding) {
        return finding.explanations().stream()
                        .filter(e -> e.cause().isOfTheRig())
                        .mapToDouble(Explanation::likelihood)
                        .sum()
                >= BY_THE_RIG;
    }

    private static boolean isTopCause(Finding finding, Cause cause) {
        return finding.asked()
                && !finding.explanations().isEmpty()
                && finding.explanations().getFirst().cause() == cause;
    }

    private static Evidence.How how(Finding finding) {
        if (finding.written() instanceof Written.Number number
                && number.base() == 0
                && !finding.remarks().isEmpty()) {
            return Evidence.How.NO_READING;
        }
        return switch (finding.side()) {
            case NOTHING -> Evidence.How.NO_READING;
            case ABOVE -> Evidence.How.ABOVE;
            case BELOW -> Evidence.How.BELOW;
            case OVER_RANGE_INSTEAD -> Evidence.How.OVER_RANGE;
            case DIFFERS, INSIDE -> Evidence.How.SAYS_OTHERWISE;
        };
    }

    static String place(Finding finding) {
        Slot slot = finding.expectation().slot();
        if (slot.where().isBlank()) {
            return slot.quantity();
        }
        return slot.step() == TestKind.INSULATION
                ? slot.quantity() + " at " + BoxWords.volts(slot.address())
                : slot.where();
    }

    private static List<SlotId> slots(List<Finding> of) {
        return of.stream().map(f -> f.expectation().slot().id()).toList();
    }
}
