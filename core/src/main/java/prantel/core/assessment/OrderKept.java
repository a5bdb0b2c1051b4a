package prantel.core.assessment;

import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Course.Broken;
import prantel.core.assessment.Course.Trace;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Scheme.OrderRule;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;

/**
 * Which rules of order were broken. A step is before another when all that is asked of it is written, not when its first box is.
 * Of two dead tests that holds circuit by circuit: one circuit may be finished before the next one is begun. A live step has
 * the whole board behind it.
 *
 * <p>Boxes that are never written cost in their own step already: they break a rule of safety only.
 */
final class OrderKept {
    private final Assessment assessment;
    private final Scheme scheme;
    private final Map<String, List<Slot>> own;
    private final Map<String, List<Trace>> deeds;
    private final List<Slot> slots;
    /** Number of the event that first wrote in a box, by the box's id. */
    private final Map<String, Integer> written = new HashMap<>();

    /**
     * @param own boxes of each step on this rig
     * @param deeds what is on record about each step
     * @param slots all boxes of the sheet
     */
    OrderKept(
            Assessment assessment,
            Scheme scheme,
            Map<String, List<Slot>> own,
            Map<String, List<Trace>> deeds,
            List<Slot> slots) {
        this.assessment = assessment;
        this.scheme = scheme;
        this.own = own;
        this.deeds = deeds;
        this.slots = slots;
        for (Slot slot : slots) {
            Assessment.First first =
                    assessment.firstAbout("reading/" + slot.id().value());
            if (first != null && !OpenBoxes.isOpen(assessment, slot)) {
                written.put(slot.id().value(), first.seq());
            }
        }
    }

    List<Broken> broken(List<OrderRule> rules) {
        return rules.stream().flatMap(r -> broken(r).stream()).toList();
    }

    private Optional<Broken> broken(OrderRule rule) {
        Optional<Broken> sure = written(rule);
        if (sure.isPresent()) {
            return sure;
        }
        List<Trace> before = seen(rule.first());
        Trace hint = earliest(seen(rule.then()));
        Trace any = earliest(before);
        boolean unknown = hint != null && (any == null || hint.seq() < any.seq());
        boolean bothWritten = anyTimed(before) && anyTimed(seen(rule.then()));
        return unknown && !bothWritten
                ? Optional.of(new Broken(rule, Objects.requireNonNull(hint), any, false, Broken.Left.NOTHING))
                : Optional.empty();
    }

    /** By what the candidate wrote when it was done. */
    private Optional<Broken> written(OrderRule rule) {
        Map<Optional<CircuitId>, Trace> begun = new HashMap<>();
        boolean wholeBoard = scheme.step(rule.then()).filter(Step::isLive).isPresent();
        Map<String, Optional<CircuitId>> circuits = new HashMap<>();
        own(rule.then()).forEach(s -> circuits.put(s.id().value(), s.circuit()));
        for (Trace deed : deeds.getOrDefault(rule.then(), List.of())) {
            if (deed.timed()) {
                Optional<CircuitId> circuit =
                        wholeBoard ? Optional.empty() : circuits.getOrDefault(deed.of(), Optional.empty());
                begun.merge(circuit, deed, (a, b) -> a.seq() <= b.seq() ? a : b);
            }
        }
        return begun.entrySet().stream()
                .sorted(Comparator.comparingInt(e -> e.getValue().seq()))
                .flatMap(e -> written(rule, e.getValue(), e.getKey()).stream())
                .findFirst();
    }

    private Optional<Broken> written(OrderRule rule, Trace then, Optional<CircuitId> circuit) {
        List<Slot> needed = own(rule.first()).stream()
                .filter(Slot::isDoneAtTheRig)
                .filter(s -> circuit.isEmpty()
                        || s.circuit().isEmpty()
                        || s.circuit().equals(circuit))
                .filter(this::isOfTheMethodTaken)
                .toList();
        List<Slot> open = OpenBoxes.ofStep(scheme, needed, slots, s -> seq(s) >= then.seq());
        boolean safety = rule.severity() == Severity.SAFETY;
        List<Slot> late =
                open.stream().filter(s -> seq(s) < Integer.MAX_VALUE || safety).toList();
        if (late.isEmpty()) {
            return Optional.empty();
        }
        Trace first = deeds.getOrDefault(rule.first(), List.of()).stream()
                .filter(d -> d.kind() == Course.Kind.READING)
                .min(Comparator.comparingInt(Trace::seq))
                .filter(d -> d.seq() > then.seq())
                .orElse(null);
        boolean begun = open.size() < needed.size() && first == null;
        return Optional.of(new Broken(
                rule, then, first, true, new Broken.Left(begun ? open.size() : 0, isPermitted(then) && begun)));
    }

    /** Of two ways to prove the same thing, the one that the candidate took in the end. */
    private boolean isOfTheMethodTaken(Slot slot) {
        return scheme.alternativeTo(slot.step())
                .filter(other -> isTaken(slot, other) && !isTaken(slot, slot.step()))
                .isEmpty();
    }

    private boolean isTaken(Slot of, TestKind test) {
        return slots.stream()
                .anyMatch(s ->
                        s.step() == test && s.circuit().equals(of.circuit()) && written.containsKey(s.id().value()));
    }

    /** Whether it went live with open boxes by the assessor's own word. */
    private boolean isPermitted(Trace then) {
        return scheme.step(then.step()).filter(Step::isLive).isPresent()
                && assessment.conduct().live().stream()
                        .filter(s -> !s.from().isAfter(then.first().at()))
                        .filter(s -> s.to().isEmpty()
                                || !s.to().get().isBefore(then.first().at()))
                        .anyMatch(s -> !s.reason().isBlank());
    }

    /** Number of the event that first wrote in it; none is after all of them. */
    private int seq(Slot slot) {
        return written.getOrDefault(slot.id().value(), Integer.MAX_VALUE);
    }

    private List<Slot> own(String step) {
        return own.getOrDefault(step, List.of());
    }

    /** A question about a step may be asked before it. */
    private List<Trace> seen(String step) {
        return deeds.getOrDefault(step, List.of()).stream()
                .filter(d -> d.kind() != Course.Kind.ANSWER)
                .toList();
    }

    private static boolean anyTimed(List<Trace> deeds) {
        return deeds.stream().anyMatch(Trace::timed);
    }

    static @Nullable Trace earliest(List<Trace> deeds) {
        return deeds.stream()
                .filter(d -> d.kind() != Course.Kind.ANSWER)
                .min(Comparator.comparingInt(Trace::seq))
                .orElse(null);
    }
}
