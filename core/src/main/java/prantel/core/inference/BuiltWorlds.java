package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import prantel.core.rig.Circuit;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * One circuit whose cable is longer or thinner than drawn, or shorter or thicker: every reading of it moves by the same share of
 * its cable, and so does Zs, in which neither the leads nor the tester's low ohms have a part.
 */
final class BuiltWorlds {
    /** Nearer to 1 is within what any cable may differ. The next size of cable is 1.5 to 1.7 times as thin (IEC 60228, from memory). */
    private static final double[] FACTORS = {0.6, 0.68, 0.77, 0.86, 1.15, 1.28, 1.42, 1.58, 1.75};

    /** One reading always finds a factor that suits. */
    private static final int ENOUGH = 2;

    private static final List<TestKind> OF_CABLE = List.of(TestKind.R1_R2, TestKind.R1_RN, TestKind.R2, TestKind.RING);

    private final Boxes boxes;
    private final Set<SlotId> odd;

    BuiltWorlds(Boxes boxes, Set<SlotId> odd) {
        this.boxes = boxes;
        this.odd = odd;
    }

    List<World> all() {
        List<World> worlds = new ArrayList<>();
        List<Circuit> circuits = boxes.key().rig().circuits();
        for (Circuit circuit : circuits) {
            Map<SlotId, Double> cable = cable(circuit);
            if (cable.size() < ENOUGH || cable.keySet().stream().noneMatch(odd::contains)) {
                continue;
            }
            for (double factor : FACTORS) {
                Map<SlotId, Predicted> says = new HashMap<>();
                cable.forEach((id, ohms) ->
                        says.put(id, new Predicted.Near(boxes.right(id).orElseThrow() + (factor - 1) * ohms)));
                worlds.add(new World(Cause.CIRCUIT_AS_BUILT, words(factor), says, circuits.size() * FACTORS.length));
            }
        }
        return worlds;
    }

    private static String words(double factor) {
        return String.format(
                Locale.ROOT,
                "with %.0f %% %s resistance in this circuit's cable",
                100 * Math.abs(factor - 1),
                factor > 1 ? "more" : "less");
    }

    /** How much of each reading lies in the circuit's cable, Ω; what has none of it, or no number, is left out. */
    private Map<SlotId, Double> cable(Circuit circuit) {
        Map<SlotId, Double> cable = new HashMap<>();
        for (TestKind test : OF_CABLE) {
            for (Slot.Measured slot : boxes.measured(Optional.of(circuit.id()), test)) {
                inCable(slot).ifPresent(ohms -> cable.put(slot.id(), ohms));
            }
        }
        for (Slot.Measured zs : boxes.measured(Optional.of(circuit.id()), TestKind.ZS)) {
            if (boxes.number(zs.id()).isPresent() && boxes.right(zs.id()).isPresent()) {
                there(circuit, zs).ifPresent(ohms -> cable.put(zs.id(), ohms));
            }
        }
        return cable;
    }

    private OptionalDouble inCable(Slot.Measured slot) {
        return boxes.number(slot.id()).isEmpty() || boxes.right(slot.id()).isEmpty()
                ? OptionalDouble.empty()
                : OptionalDouble.of(Math.max(
                        0, boxes.right(slot.id()).orElseThrow() - boxes.key().inJoints(slot.id())));
    }

    /** R1+R2 at the point where a Zs is read, in the cable alone. */
    private OptionalDouble there(Circuit circuit, Slot.Measured zs) {
        for (TestKind test : List.of(TestKind.R1_R2, TestKind.RING)) {
            for (Slot.Measured slot : boxes.measured(Optional.of(circuit.id()), test)) {
                if (slot.address().is(Quantity.R1_R2)
                        && slot.spot().point().isPresent()
                        && slot.spot().point().equals(zs.spot().point())
                        && boxes.right(slot.id()).isPresent()) {
                    return OptionalDouble.of(
                            boxes.right(slot.id()).orElseThrow() - boxes.key().inJoints(slot.id()));
                }
            }
        }
        return OptionalDouble.empty();
    }
}
