package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.function.DoubleUnaryOperator;
import prantel.core.expectation.Expectation;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * Insulation that reads low throughout: what the tester or its leads leak lies beside everything they are put on, 1/R = 1/R of
 * the rig + 1/R of the leak; or the tester shows the same share of everything.
 */
final class LeakWorlds {
    /** Fewer boxes may be low each for a reason of its own. */
    private static final int ENOUGH = 5;

    /** Sizes that could be told from each other between 1 and 20 MΩ: its prior is shared among them. */
    private static final int SIZES = 25;

    /** A tester that leaks more would be sent back at its first null. Common practice, no source. */
    private static final double LEAST_LEAK_OHMS = 0.5e6;

    /** Within this of 1 no tester is off: its data sheet allows as much. */
    private static final double AS_IT_SHOULD_BE = 0.25;

    private final Boxes boxes;
    private final Set<SlotId> odd;

    LeakWorlds(Boxes boxes, Set<SlotId> odd) {
        this.boxes = boxes;
        this.odd = odd;
    }

    List<World> all() {
        Map<SlotId, Double> rig = ofTheRig();
        if (rig.size() < ENOUGH || rig.keySet().stream().noneMatch(odd::contains)) {
            return List.of();
        }
        double leak = 1 / middle(rig, (written, there) -> Math.max(0, 1 / written - 1 / there));
        double part = middle(rig, (written, there) -> written / there);
        List<World> worlds = new ArrayList<>();
        if (leak > LEAST_LEAK_OHMS && leak < Likelihood.SOUND_INSULATION_OHMS) {
            worlds.add(world(
                    Cause.LEADS_LEAK,
                    String.format(Locale.ROOT, "with %.3g MΩ across the tester or its leads", leak / 1e6),
                    rig,
                    there -> 1 / (1 / there + 1 / leak)));
        }
        if (Math.abs(part - 1) > AS_IT_SHOULD_BE) {
            worlds.add(world(
                    Cause.TESTER_OFF,
                    String.format(Locale.ROOT, "with a tester that shows %.2f of what is there", part),
                    rig,
                    there -> part * there));
        }
        return worlds;
    }

    private World world(Cause cause, String words, Map<SlotId, Double> rig, DoubleUnaryOperator shown) {
        Map<SlotId, Predicted> says = new HashMap<>();
        rig.forEach((id, there) -> {
            double base = shown.applyAsDouble(there);
            if (base < boxes.meter((Slot.Measured) boxes.at(id).slot()).top()) {
                says.put(id, new Predicted.Near(base));
            }
        });
        return new World(cause, words, says, SIZES);
    }

    /** What really lies there, Ω, in each insulation box; one that reads over-range speaks against any leak. */
    private Map<SlotId, Double> ofTheRig() {
        Map<SlotId, Double> rig = new LinkedHashMap<>();
        for (Expectation e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m
                    && m.function().isInsulation()
                    && boxes.hasMeter(m)
                    && boxes.written(m.id()).isReading()) {
                double there = boxes.right(m.id()).orElseGet(() -> boxes.bench().value(m));
                if (there > 0) {
                    rig.put(m.id(), there);
                }
            }
        }
        return rig;
    }

    private interface Both {
        double of(double written, double there);
    }

    private double middle(Map<SlotId, Double> rig, Both both) {
        List<Double> all = rig.entrySet().stream()
                .flatMap(e -> boxes.number(e.getKey()).map(n -> both.of(n, e.getValue())).stream())
                .sorted()
                .toList();
        return all.isEmpty() ? Double.NaN : all.get(all.size() / 2);
    }
}
