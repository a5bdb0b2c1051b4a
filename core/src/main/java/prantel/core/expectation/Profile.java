package prantel.core.expectation;

import java.util.ArrayList;
import java.util.List;
import prantel.core.network.Terminal;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.PointId;
import prantel.core.sequence.Slot;
import prantel.core.sequence.TestStep;

/**
 * A reading against the cable's distance from the board: what the profile picture draws. Every station stands in it
 * twice, once on the cable just before its joint and once at its front, so that a bad joint comes out as a step.
 */
public final class Profile {
    private Profile() {}

    /** A place on the cable and what is expected there; `station` is null between stations. */
    public record Sample(double atMetres, PointId station, boolean atFront, Expectation expected) {}

    /** @param step R1+R2 or R2; @throws IllegalArgumentException for a step that is not taken along a circuit */
    public static List<Sample> of(Key key, CircuitId id, TestStep step) {
        Circuit circuit = key.rig().circuit(id);
        List<Sample> samples = new ArrayList<>();
        for (Expectation expectation : key.expectations()) {
            if (expectation.slot() instanceof Slot.Measured slot
                    && slot.step() == step
                    && slot.circuit().filter(id::equals).isPresent()) {
                PointId station = circuit.points().get(samples.size() / 2).id();
                samples.add(new Sample(slot.atMetres(), station, false, key.expect(beforeJoint(slot, id, station))));
                samples.add(new Sample(slot.atMetres(), station, true, expectation));
            }
        }
        if (samples.isEmpty()) {
            throw new IllegalArgumentException(step + " is not taken along a circuit");
        }
        return samples;
    }

    private static Slot.Measured beforeJoint(Slot.Measured slot, CircuitId circuit, PointId station) {
        Terminal a = slot.step() == TestStep.R1_R2 ? Places.cableIn(circuit, station, Conductor.LINE) : slot.probeA();
        Terminal b = Places.cableIn(circuit, station, Conductor.CPC);
        return new Slot.Measured(
                slot.id(),
                slot.step(),
                slot.circuit(),
                slot.quantity(),
                slot.where(),
                slot.atMetres(),
                slot.function(),
                slot.setUp(),
                a,
                b,
                slot.boxUnit(),
                slot.limit());
    }
}
