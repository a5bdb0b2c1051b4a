package prantel.core.practice;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.quantity.Check;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/**
 * One test or one idea, practised by itself: data, like a scheme.
 *
 * @param idea what is learnt, in a sentence
 * @param asks what is read
 * @param faults kinds of which one is on the rig; none for a sound rig
 */
public record Drill(String id, String title, String idea, Asks asks, List<String> faults) {
    public Drill {
        Check.id(id, "id");
        faults = List.copyOf(faults);
        faults.forEach(FaultCatalogue::kind);
    }

    /** Whether what is wrong is to be named in the end. */
    public boolean asksWhatIsWrong() {
        return !faults.isEmpty();
    }

    /**
     * Which boxes of a sheet are read.
     *
     * @param quantities none for every one of the tests
     * @param most how many at most
     */
    public record Asks(Set<TestKind> tests, Set<Quantity> quantities, int most) {
        public Asks {
            tests = Set.copyOf(tests);
            quantities = Set.copyOf(quantities);
        }

        boolean includes(Slot slot) {
            return tests.contains(slot.step())
                    && (quantities.isEmpty()
                            || quantities.contains(slot.address().quantity()));
        }
    }

    /** The boxes to be read on a rig, all of one circuit where the test is a circuit's; none where the drill does not fit the rig. */
    public List<Slot.Measured> boxes(Rig rig, Scheme scheme) {
        Map<Optional<CircuitId>, List<Slot.Measured>> byCircuit = new LinkedHashMap<>();
        for (Slot slot : SlotPlan.of(rig, scheme)) {
            if (slot instanceof Slot.Measured measured && isPractised(measured) && asks.includes(slot)) {
                byCircuit
                        .computeIfAbsent(slot.circuit(), c -> new ArrayList<>())
                        .add(measured);
            }
        }
        // the circuit with most to read: rounds, spurs and points are what is practised
        return byCircuit.values().stream()
                .max(java.util.Comparator.comparingInt(List::size))
                .map(all -> all.subList(0, Math.min(all.size(), asks.most())))
                .map(List::copyOf)
                .orElse(List.of());
    }

    /** Whether a box can be read on a practice rig: what a plug-in load draws cannot, since there is none to plug in. */
    public static boolean isPractised(Slot.Measured slot) {
        return !(slot.measurement() instanceof Measurement.LoadCurrent);
    }

    /** Whether a rig has something for it. */
    public boolean fits(Rig rig, Scheme scheme) {
        return !boxes(rig, scheme).isEmpty();
    }

    /**
     * The fault of a drill on a rig, drawn by a number; none for a sound rig, or where none of its kinds fits.
     *
     * @param boxes what is read: the fault lies in their circuit
     */
    public FaultSet draw(Rig rig, List<Slot.Measured> boxes, long number) {
        List<Fault> fitting = FaultCatalogue.everyFault(rig).stream()
                .filter(f -> faults.contains(f.kind().id()))
                .filter(f -> boxes.stream()
                        .flatMap(b -> b.circuit().stream())
                        .anyMatch(c -> f.place().ofCircuit().filter(c::equals).isPresent()))
                .toList();
        return fitting.isEmpty()
                ? FaultSet.NONE
                : FaultSet.of(fitting.get((int) Math.floorMod(number, (long) fitting.size())));
    }
}
