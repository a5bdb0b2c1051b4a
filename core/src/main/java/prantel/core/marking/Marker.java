package prantel.core.marking;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.diagnosis.Cause;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.fault.Fault;
import prantel.core.instrument.Written;
import prantel.core.marking.Finding.Judged;
import prantel.core.marking.Mark.Award;
import prantel.core.quantity.Check;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.TestStep;

/** Proposes marks for a candidate's record. Weights are the workshop scheme's: common practice, no source. */
public final class Marker {
    /** With at most this share of a step's readings off, half of its mark is kept. */
    private static final double FEW = 0.25;

    /** Tests that belong to no circuit, marked once for the rig. */
    private static final List<TestStep> OF_THE_RIG = List.of(
            TestStep.SAFE_ISOLATION,
            TestStep.EARTHING,
            TestStep.BONDING,
            TestStep.INSULATION_BOARD,
            TestStep.LIVE_POLARITY,
            TestStep.ZE,
            TestStep.IPF,
            TestStep.RCD,
            TestStep.SEQUENCE,
            TestStep.FUNCTIONAL);

    /** Whose result is R1+R2 or R2 of a circuit. */
    private static final Set<TestStep> METHODS = EnumSet.of(TestStep.R1_R2, TestStep.RING, TestStep.R2);

    private final Key key;
    private final CandidateRecord record;
    private final List<Finding> findings;
    private final List<Mark> marks = new ArrayList<>();

    private Marker(Key key, CandidateRecord record) {
        this.key = key;
        this.record = record;
        this.findings = new Findings(key, record).all();
    }

    /** The same key and record always give the same result. */
    public static MarkedSheet mark(Key key, CandidateRecord record) {
        return mark(key, record, Map.of());
    }

    /** @param agreed answers that the assessor accepts besides a fault of the set, because they read the same */
    public static MarkedSheet mark(Key key, CandidateRecord record, Map<Fault, List<Fault>> agreed) {
        Marker marker = new Marker(key, record);
        marker.markPreparation();
        for (TestStep step : OF_THE_RIG) {
            List<Finding> asked = marker.of(step);
            marker.markStep(prefix(step), step, asked);
            marker.markChosen(prefix(step), step, asked);
        }
        for (Circuit circuit : key.rig().circuits()) {
            marker.markCircuit(circuit);
        }
        marker.marks.addAll(FaultMarks.of(key, record, agreed));
        return new MarkedSheet(
                key,
                marker.findings,
                marker.marks,
                Outcome.of(marker.marks, key.scheme().passShare()));
    }

    private void markCircuit(Circuit circuit) {
        CircuitId id = circuit.id();
        for (TestStep step : List.of(TestStep.R1_R2, TestStep.R2, TestStep.RING, TestStep.POLARITY, TestStep.ZS)) {
            List<Finding> asked = of(step, id).stream().filter(Finding::asked).toList();
            if (!asked.isEmpty()) {
                String prefix = id + "/" + prefix(step);
                markStep(prefix, step, asked);
                markChosen(prefix, step, asked);
            }
        }
        markOneMethod(circuit);
        List<Finding> insulation = of(TestStep.INSULATION, id);
        markStep(id + "/insulation", TestStep.INSULATION, insulation);
        markNotation(id + "/insulation", insulation);
    }

    private static String prefix(TestStep step) {
        return switch (step) {
            case R1_R2 -> "r1r2";
            case R2 -> "r2";
            default -> step.name().toLowerCase(java.util.Locale.ROOT).replace('_', '-');
        };
    }

    private void markStep(String prefix, TestStep step, List<Finding> asked) {
        List<Finding> measured = asked.stream()
                .filter(f -> f.expectation().slot() instanceof Slot.Measured)
                .toList();
        if (!measured.isEmpty()) {
            markMeasured(prefix, step, measured);
        }
        List<Finding> judged =
                asked.stream().filter(f -> f.judged() != Judged.NOT_ASKED).toList();
        if (!judged.isEmpty()) {
            markJudged(prefix, step, judged);
        }
    }

    /** Leads that were not nulled cost once, in the preparation, and not again in every reading. */
    private void markMeasured(String prefix, TestStep step, List<Finding> measured) {
        List<Finding> off = measured.stream()
                .filter(f -> f.side() != Side.INSIDE && !isTopCause(f, Cause.LEADS_NOT_NULLED))
                .toList();
        List<Finding> slips =
                off.stream().filter(f -> isTopCause(f, Cause.SLIP_OF_TEN)).toList();
        Award award = Award.NONE;
        if (off.isEmpty()) {
            award = Award.FULL;
        } else if (slips.size() == off.size() || off.size() <= FEW * measured.size()) {
            award = Award.HALF;
        }
        long leads = measured.stream()
                .filter(f -> isTopCause(f, Cause.LEADS_NOT_NULLED))
                .count();
        String evidence = off.isEmpty()
                ? "All " + measured.size() + " readings are what this rig gives"
                        + (leads > 0 ? ", less the leads." : ".")
                : off.size() + " of " + measured.size() + " are not what this rig gives: "
                        + off.stream().map(Marker::briefly).collect(Collectors.joining(", ")) + ".";
        add(
                prefix + "/measured",
                step.label(),
                "Measured rightly",
                2,
                award,
                evidence,
                slots(off.isEmpty() ? measured : off));
    }

    private void markJudged(String prefix, TestStep step, List<Finding> judged) {
        List<Finding> wrong =
                judged.stream().filter(f -> f.judged() != Judged.RIGHT).toList();
        String evidence = wrong.isEmpty()
                ? "Every judgement follows from the reading and the limit."
                : wrong.stream()
                        .map(f -> place(f)
                                + (f.judged() == Judged.MISSING
                                        ? " is not judged"
                                        : " is judged against its limit wrongly"))
                        .collect(Collectors.joining("; ", "", "."));
        Award award = wrong.isEmpty() ? Award.FULL : wrong.size() <= FEW * judged.size() ? Award.HALF : Award.NONE;
        add(
                prefix + "/judged",
                step.label(),
                "Judged against the limit",
                1,
                award,
                evidence,
                slots(wrong.isEmpty() ? judged : wrong));
    }

    private void markPreparation() {
        List<Finding> high = findings.stream()
                .filter(f -> isTopCause(f, Cause.LEADS_NOT_NULLED))
                .toList();
        boolean none = findings.stream()
                .noneMatch(f -> f.expectation().slot() instanceof Slot.Measured m
                        && m.function().isContinuity()
                        && isFilled(f));
        String evidence = none
                ? "No continuity reading is on the sheet."
                : high.isEmpty()
                        ? "No continuity reading carries the resistance of the leads."
                        : "Lead resistance is in " + high.size() + " reading" + (high.size() == 1 ? "" : "s")
                                + "; counts once for all of them.";
        add(
                "prepared",
                "Preparation",
                "Leads nulled",
                1,
                none ? Award.NONE : high.isEmpty() ? Award.FULL : Award.HALF,
                evidence,
                slots(high));
    }

    private static boolean isFilled(Finding finding) {
        return !(finding.written() instanceof Written.Blank);
    }

    /** Whether boxes that are chosen or worked out from others hold the right one: one mark for all of a test. */
    private void markChosen(String prefix, TestStep step, List<Finding> asked) {
        List<ChosenCheck> checks = new ArrayList<>();
        List<SlotId> slots = new ArrayList<>();
        for (Finding finding : asked) {
            if (finding.expectation().slot() instanceof Slot.Composed slot) {
                checks.add(ChosenCheck.of(finding, slot, findings));
                slots.add(slot.id());
            }
        }
        if (checks.isEmpty()) {
            return;
        }
        ChosenCheck worst = checks.stream()
                .min(java.util.Comparator.comparingDouble(c -> c.award().share()))
                .orElseThrow();
        double share =
                checks.stream().mapToDouble(c -> c.award().share()).average().orElse(0);
        add(
                prefix + "/highest",
                step.label(),
                step == TestStep.R1_R2 || step == TestStep.R2 || step == TestStep.RING
                        ? "Highest reading recorded"
                        : "The right one recorded",
                1,
                share == 1 ? Award.FULL : share >= 0.5 ? Award.HALF : Award.NONE,
                worst.evidence(),
                slots);
    }

    /** Both R1+R2 and R2 on record for one circuit suggests that numbers were made up. Common practice, no source. */
    private void markOneMethod(Circuit circuit) {
        List<Finding> filled = findings.stream()
                .filter(f -> f.expectation().slot() instanceof Slot.Composed)
                .filter(f -> METHODS.contains(f.expectation().slot().step()))
                .filter(f -> f.expectation()
                        .slot()
                        .circuit()
                        .filter(circuit.id()::equals)
                        .isPresent())
                .filter(Marker::isFilled)
                .toList();
        boolean both = filled.stream()
                        .map(f -> f.expectation().slot().step() == TestStep.R2)
                        .distinct()
                        .count()
                > 1;
        add(
                circuit.id() + "/one-method",
                "Record",
                "R1+R2 or R2, not both",
                1,
                both || filled.isEmpty() ? Award.NONE : Award.FULL,
                both
                        ? "Both R1+R2 and R2 are filled for " + circuit.label()
                                + ". One is asked for; ask how each was measured."
                        : filled.isEmpty()
                                ? "Neither is on record for " + circuit.label() + "."
                                : "One method is on record for " + circuit.label() + ".",
                slots(filled));
    }

    private void markNotation(String prefix, List<Finding> insulation) {
        boolean none = insulation.stream().noneMatch(Marker::isFilled);
        List<Finding> bad = insulation.stream()
                .filter(f ->
                        !(f.written() instanceof Written.Number) && !f.remarks().isEmpty())
                .toList();
        add(
                prefix + "/notation",
                TestStep.INSULATION.label(),
                "Written as the tester showed it",
                1,
                none ? Award.NONE : bad.isEmpty() ? Award.FULL : Award.HALF,
                none
                        ? "No insulation reading is on the sheet."
                        : bad.isEmpty()
                                ? "Units and over-range are written so that they can be read."
                                : bad.getFirst().remarks().getFirst(),
                slots(bad));
    }

    private void add(
            String id, String group, String title, double weight, Award award, String evidence, List<SlotId> slots) {
        marks.add(new Mark(id, group, title, weight, false, award, evidence, slots));
    }

    private List<Finding> of(TestStep step) {
        return findings.stream()
                .filter(f -> f.expectation().slot().step() == step)
                .toList();
    }

    private List<Finding> of(TestStep step, CircuitId circuit) {
        return of(step).stream()
                .filter(f ->
                        f.expectation().slot().circuit().filter(circuit::equals).isPresent())
                .toList();
    }

    private static boolean isTopCause(Finding finding, Cause cause) {
        return finding.asked()
                && !finding.explanations().isEmpty()
                && finding.explanations().getFirst().cause() == cause;
    }

    private static String briefly(Finding finding) {
        return switch (finding.side()) {
            case NOTHING -> place(finding) + " has no reading";
            case ABOVE -> place(finding) + " is above";
            case BELOW -> place(finding) + " is below";
            case OVER_RANGE_INSTEAD -> place(finding) + " is over-range";
            case DIFFERS -> place(finding) + " says something else";
            case INSIDE -> place(finding);
        };
    }

    private static String place(Finding finding) {
        Slot slot = finding.expectation().slot();
        return slot.step() == TestStep.INSULATION
                ? slot.quantity() + " at " + slot.where().replaceAll(".*, ", "")
                : slot.where();
    }

    private static List<SlotId> slots(List<Finding> of) {
        return of.stream().map(f -> f.expectation().slot().id()).toList();
    }

    /** Whether the box for the record holds what follows from the candidate's own readings. */
    private record ChosenCheck(Award award, String evidence) {
        static ChosenCheck of(Finding finding, Slot.Composed slot, List<Finding> all) {
            List<Written> own = all.stream()
                    .filter(f -> slot.of().contains(f.expectation().slot().id()))
                    .map(Finding::written)
                    .toList();
            boolean anyOver = own.stream().anyMatch(ChosenCheck::isOver);
            Written written = finding.written();
            if (written instanceof Written.Blank) {
                return new ChosenCheck(
                        Award.NONE,
                        slot.circuit().isPresent()
                                ? "Nothing is recorded for the circuit."
                                : "Nothing is recorded: " + slot.quantity() + ", " + slot.where() + ".");
            }
            if (anyOver && isOver(written)) {
                return new ChosenCheck(Award.FULL, "A point reads over-range, and that is what is recorded.");
            }
            double[] numbers = own.stream()
                    .filter(Written.Number.class::isInstance)
                    .mapToDouble(w -> ((Written.Number) w).base())
                    .toArray();
            if (written instanceof Written.Number number && numbers.length > 0) {
                return ofNumbers(number, slot, numbers, anyOver);
            }
            return finding.side() == Side.INSIDE
                    ? new ChosenCheck(Award.HALF, "Right, but the readings it was chosen from are missing.")
                    : new ChosenCheck(Award.NONE, "It is not one of the candidate's own readings.");
        }

        private static ChosenCheck ofNumbers(
                Written.Number number, Slot.Composed slot, double[] numbers, boolean anyOver) {
            double right = ruled(slot.rule(), numbers);
            if (isSame(number, right)) {
                return anyOver
                        ? new ChosenCheck(
                                Award.HALF,
                                "The highest number is recorded, but a point reads over-range: that is higher.")
                        : new ChosenCheck(
                                Award.FULL,
                                slot.rule() == Slot.Rule.HIGHEST
                                        ? "The highest of the candidate's own readings is recorded."
                                        : "It is " + slot.rule().words() + " the candidate's own readings.");
            }
            String shown = Check.plain(slot.boxUnit().fromBase(right)) + "\u2009"
                    + slot.boxUnit().symbol();
            return new ChosenCheck(
                    Award.NONE,
                    number.text().strip() + " is recorded; "
                            + (slot.rule() == Slot.Rule.HIGHEST
                                    ? "the highest reading on the sheet is " + shown
                                    : slot.rule().words() + " the readings on the sheet is " + shown)
                            + ".");
        }

        private static double ruled(Slot.Rule rule, double[] numbers) {
            java.util.stream.DoubleStream all = java.util.Arrays.stream(numbers);
            return switch (rule) {
                case HIGHEST, SLOWER -> all.max().orElseThrow();
                case LOWEST -> all.min().orElseThrow();
                case TWICE_HIGHEST -> 2 * all.max().orElseThrow();
                case SUM -> all.sum();
            };
        }

        /** To the digits that were written: 1130 A goes on the record as 1.13 kA. */
        private static boolean isSame(Written.Number number, double right) {
            double lastDigit = number.unit().toBase(Math.pow(10, -number.places()));
            boolean current = number.unit().dimension() == prantel.core.quantity.Unit.Dimension.CURRENT;
            return Check.same(number.base(), right) || current && Math.abs(number.base() - right) <= 0.5001 * lastDigit;
        }

        private static boolean isOver(Written written) {
            return written instanceof Written.Above || written instanceof Written.Open;
        }
    }
}
