package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Tester.Function;
import prantel.core.instrument.Written;
import prantel.core.quantity.Unit;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.BoxAddress;
import prantel.core.sequence.Site;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * How likely a record is in a world. Spreads: common practice, no source; a few per cent of scale for the cables of a circuit,
 * a hundredth or two of an ohm for what is left of nulling, a digit or so for each reading.
 */
final class Likelihood {
    /** Cables of a circuit, temperature, gain. */
    private static final double CABLE_SCALE = 0.035;

    /** All joints of a circuit were made by one hand. */
    private static final double JOINTS_SPREAD = 0.4;

    private static final double NULL_RESIDUE_OHMS = 0.015;
    private static final double WANDER_RESIDUE_OHMS = 0.025;
    /** Contacts and hands, Ω. */
    private static final double HANDS_OHMS = 0.012;

    private static final double LOOP_SCALE = 0.04;
    private static final double CURRENT_SCALE = 0.12;
    private static final double VOLTS_SCALE = 0.04;
    private static final double DEVICE_SCALE = 0.12;

    /** A box that nothing explains: anything within six decades, and rare. */
    private static final double LOG_UNKNOWN = -Math.log(6 * Math.log(10)) - 4.5;

    /** What a window holds that is too wide to be told from others: about a decade, and not rare. */
    private static final double WITHIN_A_DECADE = 5;

    /** Common practice, no source: below it a new circuit is looked into. */
    static final double SOUND_INSULATION_OHMS = 20e6;

    private static final double LOG_OTHER_ANSWER = -11;
    private static final double LOG_RIGHT_ANSWER = -0.05;
    private static final double LOWER_RANGE = 2;
    /** A number that is copied or chosen is written to the digit nine times of ten. */
    private static final double EXACT = 0.9;
    /** Who makes a number up stays within such a factor of what is right. */
    private static final double ROUND_WITHIN = 3;

    private final Boxes boxes;
    private final double dryness;
    private final Map<Shared, List<SlotId>> groups;
    private final Map<SlotId, Shared> groupOf;
    private final Map<Shared, Score> healthy = new LinkedHashMap<>();
    private final Map<SlotId, Predicted> asKey;
    private final Build build;

    Likelihood(Boxes boxes) {
        this.boxes = boxes;
        this.dryness = Weather.dryness(boxes);
        this.build = Build.AS_DRAWN;
        this.groups = new LinkedHashMap<>();
        this.groupOf = new HashMap<>();
        this.asKey = new HashMap<>();
        for (Expectation e : boxes.all()) {
            Written written = boxes.written(e.slot().id());
            if (written.isReading()) {
                Shared group = group(e.slot());
                groups.computeIfAbsent(group, g -> new ArrayList<>())
                        .add(e.slot().id());
                groupOf.put(e.slot().id(), group);
            }
        }
    }

    private Likelihood(Likelihood same, Build build) {
        this.boxes = same.boxes;
        this.dryness = same.dryness;
        this.build = build;
        this.groups = same.groups;
        this.groupOf = same.groupOf;
        this.asKey = same.asKey;
        same.healthy.forEach((group, score) -> {
            if (!(group instanceof Shared.Continuity)) {
                healthy.put(group, score);
            }
        });
    }

    /** The same record at a rig that is built otherwise. */
    Likelihood at(Build other) {
        return new Likelihood(this, other);
    }

    Build build() {
        return build;
    }

    /** Groups that read otherwise at a rig that is built otherwise. */
    Set<Shared> ofTheBuild() {
        Set<Shared> some = new HashSet<>(groups.keySet());
        some.removeIf(group -> !(group instanceof Shared.Continuity));
        return some;
    }

    /**
     * @param unknown boxes that are left to chance
     * @param strained boxes whose shared error would have to be one that hardly ever is: worth trying causes on
     */
    record Score(double log, Set<SlotId> unknown, Set<SlotId> strained) {
        Set<SlotId> odd() {
            Set<SlotId> both = new HashSet<>(unknown);
            both.addAll(strained);
            return both;
        }
    }

    /** Whose boxes have an error in common. */
    sealed interface Shared {
        /** Cable and joints of a circuit, and what is left of the leads. */
        record Continuity(Optional<CircuitId> circuit) implements Shared {}

        record Loops() implements Shared {}

        record Currents() implements Shared {}

        record Volts() implements Shared {}

        /** The times of one residual-current device. */
        record Times(Site device) implements Shared {}

        /** A box by itself. */
        record Nothing(SlotId box) implements Shared {}
    }

    private static Shared group(Slot slot) {
        if (!(slot instanceof Slot.Measured m)) {
            return new Shared.Nothing(slot.id());
        }
        if (m.function().isContinuity()) {
            return new Shared.Continuity(m.circuit());
        }
        if (m.function().isLoop()) {
            return new Shared.Loops();
        }
        return switch (m.function()) {
            case FAULT_CURRENT -> new Shared.Currents();
            case VOLTAGE -> new Shared.Volts();
            case RCD_TIME -> new Shared.Times(m.address().site());
            default -> new Shared.Nothing(m.id());
        };
    }

    /** What a box shares its error with; empty where it holds no reading. */
    Optional<Shared> groupOf(SlotId id) {
        return Optional.ofNullable(groupOf.get(id));
    }

    /** Of the whole record. @param changed what a world says; boxes it does not name are as the key says */
    Score of(Map<SlotId, Predicted> changed) {
        Set<Shared> touched = new HashSet<>();
        changed.keySet().forEach(id -> groupOf(id).ifPresent(touched::add));
        double log = 0;
        Set<SlotId> unknown = new HashSet<>();
        Set<SlotId> strained = new HashSet<>();
        for (Shared group : groups.keySet()) {
            Score score = touched.contains(group)
                    ? score(group, changed, Map.of())
                    : healthy.computeIfAbsent(group, g -> score(g, Map.of(), Map.of()));
            log += score.log();
            unknown.addAll(score.unknown());
            strained.addAll(score.strained());
        }
        return new Score(log, unknown, strained);
    }

    /** Whether what a world says of a box may be what stands there at all: most worlds need not be held against the record. */
    boolean mayBe(SlotId id, Predicted predicted) {
        Optional<Double> number = boxes.number(id);
        return switch (predicted) {
            case Predicted.Exactly(double base) -> boxes.isSame(id, base);
            case Predicted.Near(double base) -> number.isEmpty() || isNear(id, number.get(), base);
            case Predicted.Round round -> number.isPresent() && isRound(id, round);
            case Predicted.Slipped(double base, double factor) ->
                number.filter(n -> isNear(id, n / factor, base)).isPresent();
            case Predicted.AboveTop(double top) -> boxes.isAbove(id, top);
            case Predicted.Over over -> boxes.isOver(id) || insideFrom(id);
            case Predicted.InWindow window -> true;
        };
    }

    private boolean isNear(SlotId id, double written, double base) {
        if (!(base < Double.MAX_VALUE)) {
            return false;
        }
        SharedTerms.Row row = row(boxes.at(id).slot(), written, base);
        return LeftToChance.mayBeNear(row);
    }

    /** Of the groups a world touches alone. */
    Score of(Set<Shared> some, Map<SlotId, Predicted> changed) {
        return of(some, changed, Map.of());
    }

    /** The same. @param before what is said already of boxes that it says nothing of */
    Score of(Set<Shared> some, Map<SlotId, Predicted> changed, Map<SlotId, Predicted> before) {
        double log = 0;
        Set<SlotId> unknown = new HashSet<>();
        Set<SlotId> strained = new HashSet<>();
        for (Shared group : some) {
            if (groups.containsKey(group)) {
                Score score = score(group, changed, before);
                log += score.log();
                unknown.addAll(score.unknown());
                strained.addAll(score.strained());
            }
        }
        return new Score(log, unknown, strained);
    }

    private Score score(Shared group, Map<SlotId, Predicted> changed, Map<SlotId, Predicted> before) {
        List<SlotId> rowIds = new ArrayList<>();
        List<SharedTerms.Row> rows = new ArrayList<>();
        List<Double> unknownLogs = new ArrayList<>();
        double log = 0;
        Set<SlotId> unknown = new HashSet<>();
        for (SlotId id : groups.getOrDefault(group, List.of())) {
            Slot slot = boxes.at(id).slot();
            Predicted predicted = changed.get(id);
            if (predicted == null) {
                predicted = before.get(id);
            }
            if (predicted == null) {
                predicted = asKey(slot);
            }
            Optional<Double> number = boxes.number(id);
            if (predicted instanceof Predicted.Near(double base) && number.isPresent() && base < Double.MAX_VALUE) {
                rowIds.add(id);
                rows.add(row(slot, number.get(), base));
                unknownLogs.add(unknownLog(slot, number.get()));
                continue;
            }
            if (predicted instanceof Predicted.Slipped(double base, double factor) && number.isPresent()) {
                // as if it stood where it belongs; the density is that of the number as it was written
                rowIds.add(id);
                rows.add(row(slot, number.get() / factor, base));
                double stretched = isLog(slot) ? 0 : Math.log(factor);
                unknownLogs.add(unknownLog(slot, number.get()) + stretched);
                log -= stretched;
                continue;
            }
            double one = single(slot, predicted);
            double other = number.map(n -> unknownLog(slot, n)).orElse(LOG_OTHER_ANSWER);
            if (one >= other) {
                log += one;
            } else {
                log += other;
                unknown.add(id);
            }
        }
        Set<SlotId> strained = new HashSet<>();
        return new Score(log + LeftToChance.shared(rowIds, rows, unknownLogs, unknown, strained), unknown, strained);
    }

    /** As the key says: a number where it gives one that can be told from others, else what its window holds. */
    Predicted asKey(Slot slot) {
        return asKey.computeIfAbsent(slot.id(), id -> toldByKey(slot));
    }

    private Predicted toldByKey(Slot slot) {
        Expectation e = boxes.at(slot.id());
        if (slot instanceof Slot.Composed composed) {
            return chosen(composed);
        }
        if (isLog(slot) && e.window().isOverRangeOnly()) {
            return new Predicted.InWindow(e.window());
        }
        // where a device may trip as well a number is held against the numbers, and not against the edge of a window
        return Predicted.of(
                e.withFaults(), boxes.number(slot.id()).isPresent() ? e.window().measured() : e.window());
    }

    /** What follows from the candidate's own readings; what the key says where there are none. */
    private Predicted chosen(Slot.Composed slot) {
        List<Double> own = new ArrayList<>();
        boolean over = false;
        for (SlotId id : slot.of()) {
            boxes.number(id).ifPresent(own::add);
            over |= boxes.isOver(id);
        }
        Optional<Window> words = wordsOfOneOf(slot);
        if (words.isPresent()) {
            return new Predicted.InWindow(words.get());
        }
        boolean summed = slot.rule() == Slot.Rule.SUM || slot.rule() == Slot.Rule.SPREAD;
        if (over && slot.rule() != Slot.Rule.LOWEST) {
            return Predicted.OVER;
        }
        if (own.isEmpty() || summed && own.size() < slot.of().size()) {
            return new Predicted.InWindow(boxes.at(slot.id()).window());
        }
        double right = slot.rule().of(own);
        // the same current, rounded more or less than where it was read, is no other choice
        return boxes.written(slot.id()) instanceof Written.Number n
                        && n.unit().dimension() == Unit.Dimension.CURRENT
                        && n.agreesWith(right, coarsest(slot))
                ? new Predicted.Exactly(n.base())
                : new Predicted.Exactly(right);
    }

    private double coarsest(Slot.Composed slot) {
        return slot.of().stream()
                .map(boxes::written)
                .filter(Written.Number.class::isInstance)
                .mapToDouble(w -> ((Written.Number) w).lastDigit())
                .max()
                .orElse(0);
    }

    /** The words that stand in a box that is chosen from others, where one of those says the same. */
    private Optional<Window> wordsOfOneOf(Slot.Composed slot) {
        Written chosen = boxes.written(slot.id());
        List<Written> own = slot.of().stream().map(boxes::written).toList();
        return switch (chosen) {
            case Written.Stopped(String text, Stop stop)
            when own.stream().anyMatch(w -> w instanceof Written.Stopped s && s.stop() == stop) ->
                Optional.of(Window.stopped(stop));
            case Written.Said(String text, Saying saying)
            when own.stream().anyMatch(w -> w instanceof Written.Said s && s.saying() == saying) ->
                Optional.of(Window.words(saying));
            default -> Optional.empty();
        };
    }

    private double single(Slot slot, Predicted predicted) {
        SlotId id = slot.id();
        Written written = boxes.written(id);
        return switch (predicted) {
            case Predicted.Exactly(double base) ->
                boxes.isSame(id, base)
                        ? Math.log(EXACT / (digit(slot, base) * boxes.stepInDigits(slot)))
                        : Double.NEGATIVE_INFINITY;
            case Predicted.AboveTop(double top) -> boxes.isAbove(id, top) ? LOG_RIGHT_ANSWER : Double.NEGATIVE_INFINITY;
            case Predicted.Over over ->
                boxes.isOver(id) ? rightAnswer(id) : insideFrom(id) ? LOG_RIGHT_ANSWER : Double.NEGATIVE_INFINITY;
            case Predicted.Near(double base) ->
                // not a number: over-range where it could not be told from one
                boxes.isOver(id) && isNearTop(slot, base) ? LOG_RIGHT_ANSWER - 1 : Double.NEGATIVE_INFINITY;
            case Predicted.Round round ->
                isRound(id, round)
                        ? Math.log(EXACT * round.step() / (digit(slot, round.right()) * ROUND_WITHIN * round.right()))
                        : Double.NEGATIVE_INFINITY;
            case Predicted.Slipped slipped -> Double.NEGATIVE_INFINITY;
            case Predicted.InWindow(Window window) -> inWindow(window, id, slot, written);
        };
    }

    /** A whole multiple of its step, and of the size of what is right. */
    private boolean isRound(SlotId id, Predicted.Round round) {
        return boxes.number(id)
                .filter(n -> Math.abs(n / round.step() - Math.rint(n / round.step())) < 1e-6)
                .filter(n -> n > round.right() / ROUND_WITHIN && n < round.right() * ROUND_WITHIN)
                .isPresent();
    }

    /** A number above all that the window asks for where over-range is expected too. */
    private boolean insideFrom(SlotId id) {
        return boxes.at(id).window() instanceof Window.From
                && boxes.at(id).window().sideOf(boxes.written(id)) == Side.INSIDE;
    }

    private double inWindow(Window window, SlotId id, Slot slot, Written written) {
        if (window.sideOf(written) != Side.INSIDE
                && !isSoundInsulation(window, id, slot, written)
                && !isOfADampDay(window, slot, written)) {
            return Double.NEGATIVE_INFINITY;
        }
        return written instanceof Written.Number n ? unknownLog(slot, n.base()) + WITHIN_A_DECADE : rightAnswer(id);
    }

    /** Over-range with the top of a lower range is a right answer, though the knob was hardly meant to be there. */
    private double rightAnswer(SlotId id) {
        return LOG_RIGHT_ANSWER - (boxes.isOnALowerRange(id) ? LOWER_RANGE : 0);
    }

    /** What leaks by itself varies with weather and dust by more than any window: above this nobody asks. */
    private boolean isSoundInsulation(Window window, SlotId id, Slot slot, Written written) {
        return isLog(slot)
                && written instanceof Written.Number n
                && n.base() >= SOUND_INSULATION_OHMS
                && (window.allowsOverRange()
                        || boxes.right(id)
                                .filter(r -> r >= SOUND_INSULATION_OHMS)
                                .isPresent());
    }

    /** Inside its window, had that been drawn for the weather that the whole record speaks of. */
    private boolean isOfADampDay(Window window, Slot slot, Written written) {
        return isLog(slot)
                && window instanceof Window.From(double low)
                && written instanceof Written.Number n
                && n.base() >= dryness * low;
    }

    private boolean isNearTop(Slot slot, double base) {
        return slot instanceof Slot.Measured m
                && base > boxes.meter(m).top() / (m.function().isInsulation() ? 50 : 1.2);
    }

    private double digit(Slot slot, double base) {
        return isLog(slot) ? 0.01 : boxes.digit(slot, base);
    }

    /** Insulation is compared by ratio; all else by difference. */
    private static boolean isLog(Slot slot) {
        return slot instanceof Slot.Measured m && m.function().isInsulation();
    }

    private double unknownLog(Slot slot, double number) {
        return isLog(slot)
                ? LOG_UNKNOWN
                : LOG_UNKNOWN - Math.log(Math.max(Math.abs(number), 3 * boxes.digit(slot, number)));
    }

    private SharedTerms.Row row(Slot slot, double written, double base) {
        if (!(slot instanceof Slot.Measured m)) {
            double sigma = Math.max(0.05 * base, boxes.digit(slot, base));
            return new SharedTerms.Row(written - base, sigma, new double[] {0});
        }
        double digit = boxes.digit(slot, base);
        Function function = m.function();
        if (function.isContinuity()) {
            boolean wander = function == Function.CONTINUITY_WANDER_LEAD;
            // each bond has a conductor of its own: what a circuit shares, it has alone
            double own = m.circuit().isPresent() ? 0.006 * base : CABLE_SCALE * base;
            double joints = boxes.key().inJoints(m.id());
            return new SharedTerms.Row(
                    written - build.of(base, joints), hypot(HANDS_OHMS, 0.35 * digit, own), new double[] {
                        m.circuit().isPresent() ? CABLE_SCALE * base : 0,
                        wander ? 0 : NULL_RESIDUE_OHMS,
                        wander ? WANDER_RESIDUE_OHMS : 0,
                        JOINTS_SPREAD * joints
                    });
        }
        if (function.isInsulation()) {
            return new SharedTerms.Row(
                    Math.log(Math.max(written, digit / 2)) - Math.log(Math.max(base, digit / 2)),
                    hypot(logSpread(m, base), 0.5 * digit / Math.max(base, digit), 0.02),
                    new double[] {0});
        }
        if (function.isLoop()) {
            boolean three = function == Function.LOOP_THREE_LEAD;
            return new SharedTerms.Row(
                    written - base,
                    hypot((three ? 0.03 : 0.02) * base, three ? 0.03 : 0.015, 0.5 * digit),
                    new double[] {LOOP_SCALE * base, 0.08 * upstream(base)});
        }
        return switch (function) {
            case FAULT_CURRENT ->
                new SharedTerms.Row(written - base, hypot(0.05 * base, digit, 0), new double[] {CURRENT_SCALE * base});
            case VOLTAGE ->
                new SharedTerms.Row(written - base, hypot(0.015 * base, digit, 1), new double[] {VOLTS_SCALE * base});
            case RCD_TIME ->
                new SharedTerms.Row(written - base, hypot(0.06 * base, 1, digit), new double[] {DEVICE_SCALE * base});
            default -> new SharedTerms.Row(written - base, hypot(half(m) / 2.5, digit, 0), new double[] {0});
        };
    }

    /** Ze is in every loop. */
    private double upstream(double base) {
        return boxes.has(ZE) ? Math.min(base, boxes.right(ZE).orElse(base)) : base;
    }

    static final SlotId ZE = BoxAddress.ZE.id();

    private double half(Slot.Measured slot) {
        return boxes.at(slot.id()).window().measured() instanceof Window.Between(double low, double high)
                ? (high - low) / 2
                : 0.1 * boxes.right(slot.id()).orElse(1.0);
    }

    /** A set resistor is known to a few per cent, what leaks by itself to a factor. */
    private double logSpread(Slot.Measured slot, double base) {
        if (boxes.at(slot.id()).window() instanceof Window.Between(double low, double high)
                && boxes.right(slot.id()).filter(r -> r == base).isPresent()) {
            return Math.max(0.04, Math.log(Math.max(high, 1) / Math.max(low, high / 1e4)) / 5);
        }
        return 0.06;
    }

    private static double hypot(double a, double b, double c) {
        return Math.sqrt(a * a + b * b + c * c);
    }
}
