package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What the rig may be instead: a set fault missing or elsewhere, something left over; and the healthy value, copied. */
final class RigWorlds {
    /** Each costs a key of the odd circuits: on a large rig the first ones have to do. */
    private static final int MOST_LEFT_OVER = 80;

    private final Boxes boxes;
    private final Set<SlotId> odd;
    private final List<World> worlds = new ArrayList<>();

    RigWorlds(Boxes boxes, Set<SlotId> odd) {
        this.boxes = boxes;
        this.odd = odd;
    }

    /** About what was set: a healthy value, a fault that is missing or elsewhere. */
    List<World> ofTheSet() {
        healthy();
        Key key = boxes.key();
        List<Fault> set = key.faults().faults();
        for (int i = 0; i < set.size(); i++) {
            List<Fault> others = new ArrayList<>(set);
            Fault fault = others.remove(i);
            add(Cause.FAULT_NOT_SET, "without “" + fault.kind().title() + "”", others, set.size());
            elsewhere(fault, others);
        }
        return worlds;
    }

    /** About what nobody set and is in all the same. The dearest of all: each is a rig of its own. */
    List<World> ofWhatWasLeft() {
        leftOver(boxes.key().faults().faults());
        return worlds;
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
                    && boxes.hasMeter(m)
                    && m.circuit().filter(circuits::contains).isPresent()
                    && boxes.written(m.id()).isReading()) {
                ids.add(m.id());
            }
        }
        return ids;
    }

    private void elsewhere(Fault fault, List<Fault> others) {
        Optional<CircuitId> circuit = fault.place().ofCircuit();
        if (circuit.isEmpty() || !oddCircuits().contains(circuit.get())) {
            return;
        }
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
                    places.size());
        }
    }

    /** Kinds without a size, at the circuits that read oddly: what may have stayed from another day. */
    private void leftOver(List<Fault> set) {
        Set<CircuitId> circuits = oddCircuits();
        List<Fault> all = FaultCatalogue.everyFault(boxes.key().rig()).stream()
                .filter(f -> f.place().ofCircuit().filter(circuits::contains).isPresent())
                .filter(f -> f.kind().magnitude().isEmpty() && !f.kind().isSeen())
                .limit(MOST_LEFT_OVER)
                .toList();
        for (Fault fault : all) {
            List<Fault> more = new ArrayList<>(set);
            more.add(fault);
            FaultKind kind = fault.kind();
            add(
                    Cause.FAULT_LEFT_OVER,
                    "with “" + kind.titleWith(fault.conductors()) + "” at "
                            + fault.place().label(boxes.key().rig()),
                    more,
                    all.size());
        }
    }

    private void add(Cause cause, String words, List<Fault> faults, int places) {
        Set<SlotId> wanted = measuredOf(oddCircuits());
        odd.stream().filter(id -> boxes.hasMeter(boxes.at(id).slot())).forEach(wanted::add);
        try {
            Key other = boxes.key().with(new FaultSet(faults), wanted);
            Map<SlotId, Predicted> says = new HashMap<>();
            for (SlotId id : wanted) {
                Expectation e = other.expectation(id);
                if (!e.withFaults().equals(boxes.at(id).withFaults())) {
                    says.put(id, Predicted.of(e.withFaults(), e.window()));
                }
            }
            if (says.keySet().stream().anyMatch(odd::contains)) {
                worlds.add(new World(cause, words, says, places));
            }
        } catch (ProblemsException e) {
            // the two do not go together on this rig
        }
    }
}
