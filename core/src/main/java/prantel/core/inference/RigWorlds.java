package prantel.core.inference;

import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What the rig may be instead: a set fault missing or elsewhere, something left over; and the healthy value, copied. */
final class RigWorlds {
    /** Of each sort; those of the circuits that read the oddest come first. */
    private static final int MOST_LEFT_OVER = 320;
    /** So many odd boxes are looked at before a key is worked out. */
    private static final int MOST_LOOKED_AT = 10;
    /**
     * Sizes of a set fault that are worked out, as parts of the one that was meant; not that one itself, which changes no box and
     * would leave the lines without an end.
     */
    private static final double[] SIZES = {0.4, 0.65, 1.01, 1.6, 2.5};

    /** Of what may have been left in one circuit so many are worked out in full, the likeliest by a first look. */
    private static final int MOST_IN_FULL = 10;

    /** The others are rarer than the likeliest by so much, natural logarithm. */
    private static final double FAR_RARER = 8;

    /** Whatever else speaks for it cannot make up for less, natural logarithm. */
    private static final double HOPELESS = -4;

    private static final int STEPS = 6;
    private static final int FEW_CIRCUITS = 2;

    private final Boxes boxes;
    private final Likelihood likelihood;
    private final Set<SlotId> odd;
    private final List<World> worlds = new ArrayList<>();
    private final List<Suspect> suspects = new ArrayList<>();

    /** @param first what it says of odd boxes, and of continuity @param gain by that alone */
    private record Suspect(World first, Fault fault, FaultSet faults, Bench bench, double gain) {
        Optional<CircuitId> circuit() {
            return fault.place().ofCircuit();
        }
    }

    RigWorlds(Boxes boxes, Likelihood likelihood, Set<SlotId> odd) {
        this.boxes = boxes;
        this.likelihood = likelihood;
        this.odd = odd;
    }

    /** About what was set: a healthy value, a fault that is missing, elsewhere or of another size. */
    List<World> ofTheSet() {
        healthy();
        Key key = boxes.key();
        List<Fault> set = key.faults().faults();
        for (int i = 0; i < set.size(); i++) {
            List<Fault> others = new ArrayList<>(set);
            Fault fault = others.remove(i);
            add(
                    Cause.FAULT_NOT_SET,
                    "without “" + fault.kind().title() + "”",
                    others,
                    set.size(),
                    Blame.missing(fault));
            if (movesWhatIsOdd(fault, others)) {
                elsewhere(fault, others);
                drifted(fault, others, set.size());
            }
        }
        return worlds;
    }

    /** About what nobody set and is in all the same. The dearest of all: each is a rig of its own. */
    List<World> ofWhatWasLeft() {
        List<Fault> set = boxes.key().faults().faults();
        List<Fault> others = atOddCircuits(f -> f.kind().magnitude().isEmpty());
        List<Fault> movers = others.stream()
                .filter(fault -> added(Cause.FAULT_LEFT_OVER, "with", fault, set, others.size(), Blame.there(fault)))
                .toList();
        ofSomeSize(set);
        // what is odd at several circuits is not one fault taken for another
        for (Fault meant : oddCircuits().size() > FEW_CIRCUITS ? List.<Fault>of() : set) {
            List<Fault> rest = new ArrayList<>(set);
            rest.remove(meant);
            if (movesWhatIsOdd(meant, rest)) {
                for (Fault fault : movers) {
                    added(
                            Cause.ANOTHER_FAULT,
                            "without “" + meant.kind().title() + "” and with",
                            fault,
                            rest,
                            others.size() * set.size(),
                            Blame.instead(meant, fault));
                }
            }
        }
        inFull();
        return worlds;
    }

    /** Whoever is likely by a first look is held against all boxes of its circuit. */
    private void inFull() {
        Map<Optional<CircuitId>, List<Suspect>> byCircuit = new HashMap<>();
        suspects.forEach(s ->
                byCircuit.computeIfAbsent(s.circuit(), c -> new ArrayList<>()).add(s));
        for (List<Suspect> here : byCircuit.values()) {
            here.sort(Comparator.comparingDouble(Suspect::gain).reversed());
            double least = Math.max(here.getFirst().gain() - FAR_RARER, HOPELESS);
            for (Suspect suspect : here.subList(0, Math.min(MOST_IN_FULL, here.size()))) {
                if (suspect.gain() >= least) {
                    World one = suspect.first();
                    keep(one.cause(), one.words(), said(suspect.faults(), suspect.bench()), one.places(), one.blame());
                }
            }
        }
    }

    private void keep(Cause cause, String words, Map<SlotId, Predicted> says, int places, Blame blame) {
        if (says.keySet().stream().anyMatch(odd::contains)) {
            worlds.add(new World(cause, words, says, places, blame));
        }
    }

    /** How much likelier the record is with what a world says, natural logarithm. */
    private double gain(World world) {
        Set<Likelihood.Shared> touched = new HashSet<>();
        world.says().keySet().forEach(id -> likelihood.groupOf(id).ifPresent(touched::add));
        return likelihood.of(touched, world.says()).log()
                - likelihood.of(touched, Map.of()).log()
                + world.logPrior();
    }

    /** Joints and leaks that stayed from another day, each of the size that the odd readings ask for. */
    private void ofSomeSize(List<Fault> set) {
        List<Fault> sized = atOddCircuits(f -> f.kind().magnitude().isPresent());
        for (Fault fault : sized) {
            try {
                List<Fault> more = new ArrayList<>(set);
                more.add(fault);
                OptionalDouble factor = asked(boxes.bench(new FaultSet(more)));
                if (factor.isPresent()) {
                    double size = significant(factor.getAsDouble() * fault.size());
                    added(
                            Cause.FAULT_LEFT_OVER,
                            "with, of about "
                                    + fault.kind().magnitude().orElseThrow().shown(size) + ",",
                            fault.withSize(size),
                            set,
                            SIZES.length * sized.size(),
                            Blame.there(fault));
                }
            } catch (ProblemsException e) {
                // of a size that is never set, or not together with what is set
            }
        }
    }

    /** By how much a fault has to be larger for the odd readings, most of which it has to move; empty where it does not. */
    private OptionalDouble asked(Bench with) {
        List<Double> factors = new ArrayList<>();
        int looked = 0;
        for (SlotId id : odd) {
            Optional<Double> written = boxes.number(id);
            if (looked >= MOST_LOOKED_AT
                    || written.isEmpty()
                    || !(boxes.at(id).slot() instanceof Slot.Measured slot)
                    || !boxes.hasMeter(slot)) {
                continue;
            }
            looked++;
            double now = boxes.bench().value(slot);
            double then = with.value(slot);
            double read = boxes.unmoved(slot, written.get());
            double factor = slot.function().isInsulation()
                    ? (1 / then - 1 / now) / (1 / read - 1 / now)
                    : (read - now) / (then - now);
            if (Double.isFinite(factor) && factor > 0) {
                factors.add(factor);
            } else if (looked == 2 && factors.isEmpty()) {
                return OptionalDouble.empty();
            }
        }
        factors.sort(null);
        return factors.isEmpty() || 2 * factors.size() < looked
                ? OptionalDouble.empty()
                : OptionalDouble.of(factors.get(factors.size() / 2));
    }

    /** @return whether it moves any of the odd boxes that are looked at; what moves none beside a fault moves none in its place */
    private boolean added(Cause cause, String with, Fault fault, List<Fault> rest, int places, Blame blame) {
        List<Fault> more = new ArrayList<>(rest);
        more.add(fault);
        String words = with + " “" + fault.kind().titleWith(fault.conductors()) + "” at "
                + fault.place().label(boxes.key().rig());
        try {
            FaultSet faults = new FaultSet(more);
            Bench bench = boxes.bench(faults);
            Look look = look(faults, bench);
            if (look.mayExplain()) {
                Map<SlotId, Predicted> says = continuity(fault, bench);
                says.putAll(look.says());
                World world = new World(cause, words, says, places, blame);
                suspects.add(new Suspect(world, fault, faults, bench, gain(world)));
            }
            return look.moves();
        } catch (ProblemsException e) {
            // they do not go together on this rig; in the other's place it may
            return true;
        }
    }

    /** Whether it is at a circuit that reads oddly, or moves what reads oddly elsewhere: a joined neutral does. */
    private boolean movesWhatIsOdd(Fault fault, List<Fault> others) {
        if (fault.place().ofCircuit().filter(oddCircuits()::contains).isPresent()) {
            return true;
        }
        try {
            Bench without = boxes.bench(new FaultSet(others));
            return odd.stream()
                    .map(id -> boxes.at(id).slot())
                    .anyMatch(s -> s instanceof Slot.Measured m
                            && boxes.hasMeter(m)
                            && differs(without.value(m), boxes.bench().value(m)));
        } catch (ProblemsException e) {
            return false;
        }
    }

    /** Of a size nobody set: worked out at a few sizes, and between two of them along a line. */
    private void drifted(Fault fault, List<Fault> others, int ofTheSet) {
        if (fault.kind().magnitude().isEmpty()) {
            return;
        }
        Map<Double, Map<SlotId, Predicted>> bySize = new TreeMap<>();
        for (double factor : SIZES) {
            try {
                List<Fault> set = new ArrayList<>(others);
                set.add(fault.withSize(factor * fault.size()));
                FaultSet faults = new FaultSet(set);
                bySize.put(factor * fault.size(), said(faults, boxes.bench(faults)));
            } catch (ProblemsException e) {
                // of a size that is never set
            }
        }
        List<Double> sizes = List.copyOf(bySize.keySet());
        int places = ofTheSet * STEPS * SIZES.length;
        for (int i = 0; i + 1 < sizes.size(); i++) {
            for (int step = 0; step < STEPS; step++) {
                double size = sizes.get(i) * Math.pow(sizes.get(i + 1) / sizes.get(i), (double) step / STEPS);
                Map<SlotId, Predicted> says = between(bySize, sizes.get(i), sizes.get(i + 1), size);
                if (says.keySet().stream().anyMatch(odd::contains)) {
                    String shown = fault.kind().magnitude().orElseThrow().shown(significant(size));
                    worlds.add(new World(
                            Cause.FAULT_DRIFTED,
                            "with “" + fault.kind().title() + "” of about " + shown,
                            says,
                            places));
                }
            }
        }
    }

    private static double significant(double size) {
        return new BigDecimal(size).round(new MathContext(2)).doubleValue();
    }

    /** A resistance in a line adds what it has; what leaks is compared by ratio. */
    private Map<SlotId, Predicted> between(
            Map<Double, Map<SlotId, Predicted>> bySize, double low, double high, double size) {
        Map<SlotId, Predicted> says = new HashMap<>();
        Map<SlotId, Predicted> above = bySize.getOrDefault(high, Map.of());
        bySize.getOrDefault(low, Map.of()).forEach((id, below) -> {
            if (!(below instanceof Predicted.Near(double from))
                    || !(above.get(id) instanceof Predicted.Near(double to))) {
                return;
            }
            boolean byRatio = boxes.at(id).slot() instanceof Slot.Measured m
                    && m.function().isInsulation()
                    && from > 0
                    && to > 0;
            double straight = (size - low) / (high - low);
            says.put(
                    id,
                    new Predicted.Near(
                            byRatio
                                    ? from * Math.pow(to / from, Math.log(size / low) / Math.log(high / low))
                                    : from + straight * (to - from)));
        });
        return says;
    }

    /** Circuit by circuit: where the faults move a reading, what the healthy rig gives. */
    private void healthy() {
        Map<Optional<CircuitId>, Map<SlotId, Predicted>> byCircuit = new HashMap<>();
        for (Expectation e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m
                    && boxes.hasMeter(m)
                    && !e.healthy().equals(e.withFaults())) {
                byCircuit
                        .computeIfAbsent(m.circuit(), c -> new HashMap<>())
                        .put(m.id(), Predicted.of(e.healthy(), e.healthyWindow()));
            }
        }
        byCircuit.forEach((circuit, says) -> {
            worlds.add(new World(Cause.HEALTHY_VALUE, "on the healthy circuit", says, byCircuit.size()));
            says.forEach((id, predicted) -> {
                if (odd.contains(id)) {
                    worlds.add(new World(
                            Cause.HEALTHY_VALUE, "on the healthy circuit", Map.of(id, predicted), 3 * says.size()));
                }
            });
        });
    }

    private Set<CircuitId> oddCircuits() {
        Set<CircuitId> circuits = new HashSet<>();
        odd.forEach(id -> boxes.at(id).slot().circuit().ifPresent(circuits::add));
        return circuits;
    }

    private Set<SlotId> measuredOf(Set<CircuitId> circuits) {
        Set<SlotId> ids = new HashSet<>();
        for (Expectation e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m
                    && m.measurement().isReading()
                    && m.circuit().filter(circuits::contains).isPresent()
                    && boxes.written(m.id()).isReading()) {
                ids.add(m.id());
            }
        }
        return ids;
    }

    private void elsewhere(Fault fault, List<Fault> others) {
        Optional<CircuitId> circuit = fault.place().ofCircuit();
        List<Place> places = FaultCatalogue.places(boxes.key().rig()).stream()
                .filter(p -> p.ofCircuit().equals(circuit)
                        && !p.equals(fault.place())
                        && fault.kind().fits(p, boxes.key().rig()))
                .toList();
        for (Place place : places) {
            List<Fault> moved = new ArrayList<>(others);
            moved.add(new Fault(fault.kind(), place, fault.conductors(), fault.size(), fault.other()));
            add(
                    Cause.FAULT_ELSEWHERE,
                    "with “" + fault.kind().title() + "” at "
                            + place.label(boxes.key().rig()),
                    moved,
                    places.size(),
                    Blame.instead(fault, moved.getLast()));
        }
    }

    /**
     * What may have stayed from another day at the circuits that read oddly, the oddest first; where that is more than one, or
     * none, at the origin and the boards as well.
     */
    private List<Fault> atOddCircuits(Predicate<Fault> which) {
        Map<Optional<CircuitId>, Integer> oddness = new HashMap<>();
        odd.forEach(id -> oddness.merge(boxes.at(id).slot().circuit(), 1, Integer::sum));
        if (oddness.size() > 1) {
            oddness.putIfAbsent(Optional.empty(), 0);
        }
        return boxes.key().everyFault().stream()
                .filter(f -> oddness.containsKey(f.place().ofCircuit()))
                .filter(f -> !f.kind().isSeen() && which.test(f))
                .sorted(Comparator.comparing(
                        f -> -oddness.getOrDefault(f.place().ofCircuit(), 0)))
                .limit(MOST_LEFT_OVER)
                .toList();
    }

    private void add(Cause cause, String words, List<Fault> faults, int places, Blame blame) {
        try {
            FaultSet set = new FaultSet(faults);
            Bench bench = boxes.bench(set);
            if (look(set, bench).mayExplain()) {
                keep(cause, words, said(set, bench), places, blame);
            }
        } catch (ProblemsException e) {
            // they do not go together on this rig
        }
    }

    /** What is otherwise, of the boxes of odd circuits and of those read to prove the set. */
    private Map<SlotId, Predicted> said(FaultSet faults, Bench bench) {
        Set<SlotId> wanted = measuredOf(oddCircuits());
        odd.stream()
                .filter(id -> boxes.at(id).slot() instanceof Slot.Measured m
                        && m.measurement().isReading())
                .forEach(wanted::add);
        wanted.addAll(boxes.checked());
        Map<SlotId, Predicted> says = new HashMap<>();
        Set<SlotId> byWindow = new HashSet<>();
        for (SlotId id : wanted) {
            Slot.Measured slot = (Slot.Measured) boxes.at(id).slot();
            if (!boxes.hasMeter(slot)) {
                byWindow.add(id);
                continue;
            }
            double value = bench.value(slot);
            boolean leaksByItself = slot.function().isInsulation() && value >= Likelihood.SOUND_INSULATION_OHMS;
            boolean isWords = slot.function().isLive()
                    && !(Double.isFinite(value) && Double.isFinite(boxes.bench().value(slot)));
            if (isWords || leaksByItself) {
                byWindow.add(id);
            } else if (differs(value, boxes.bench().value(slot))) {
                says.put(id, predicted(slot, value));
            }
        }
        if (!byWindow.isEmpty()) {
            Key other = boxes.key().with(faults, byWindow);
            for (SlotId id : byWindow) {
                Expectation e = other.expectation(id);
                if (!e.withFaults().equals(boxes.at(id).withFaults())) {
                    says.put(id, Predicted.of(e.withFaults(), e.window()));
                }
            }
        }
        return says;
    }

    private static boolean differs(double one, double other) {
        return one != other && !(Math.abs(one - other) <= 1e-6 * Math.abs(other));
    }

    private Predicted predicted(Slot.Measured slot, double value) {
        double moved = boxes.moved(slot, value);
        return moved < boxes.meter(slot).top() ? new Predicted.Near(moved) : Predicted.OVER;
    }

    /** What continuity of its circuit would read otherwise: cheap, and it tells one place from the next. */
    private Map<SlotId, Predicted> continuity(Fault fault, Bench bench) {
        Map<SlotId, Predicted> says = new HashMap<>();
        Set<CircuitId> here = fault.place().ofCircuit().map(Set::of).orElseGet(this::oddCircuits);
        for (SlotId id : measuredOf(here)) {
            Slot.Measured slot = (Slot.Measured) boxes.at(id).slot();
            if (slot.function().isContinuity() && boxes.hasMeter(slot)) {
                double value = bench.value(slot);
                if (differs(value, boxes.bench().value(slot))) {
                    says.put(id, predicted(slot, value));
                }
            }
        }
        return says;
    }

    /**
     * A look at some odd boxes, cheaper than at all that is otherwise.
     *
     * @param mayExplain whether what they would read is what stands there, in half of them at least
     * @param moves whether any of them would read otherwise than with what is set
     */
    private record Look(Map<SlotId, Predicted> says, boolean mayExplain, boolean moves) {}

    private Look look(FaultSet faults, Bench bench) {
        boolean moves = false;
        Map<SlotId, Predicted> says = new HashMap<>();
        int looked = 0;
        int may = 0;
        Set<SlotId> words = new HashSet<>();
        for (SlotId id : odd) {
            if (looked >= MOST_LOOKED_AT
                    || !(boxes.at(id).slot() instanceof Slot.Measured slot)
                    || !slot.measurement().isReading()) {
                continue;
            }
            looked++;
            boolean isWords = boxes.number(id).isEmpty() && !boxes.isOver(id);
            if (isWords || !boxes.hasMeter(slot)) {
                // which words only a key tells: here, that they are others
                if (!bench.find(slot).equals(boxes.bench().find(slot))) {
                    words.add(id);
                    moves = true;
                }
            } else {
                double value = bench.value(slot);
                moves |= differs(value, boxes.bench().value(slot));
                Predicted predicted = predicted(slot, value);
                says.put(id, predicted);
                may += likelihood.mayBe(id, predicted) ? 1 : 0;
            }
        }
        if (!words.isEmpty() && 2 * (may + words.size()) >= looked) {
            Key other = boxes.key().with(faults, words);
            for (SlotId id : words) {
                Expectation e = other.expectation(id);
                says.put(id, Predicted.of(e.withFaults(), e.window()));
                may += e.window().sideOf(boxes.written(id)) == Window.Side.INSIDE ? 1 : 0;
            }
        }
        return new Look(says, may > 0 && 2 * may >= looked, moves);
    }
}
