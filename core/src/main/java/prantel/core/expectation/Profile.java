package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import prantel.core.network.Terminal;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.PointId;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;

/**
 * A reading against the cable's distance from the board: what the profile picture draws. Every station stands in it
 * twice, once on the cable just before its joint and once at its front, so that a bad joint comes out as a step.
 */
public final class Profile {
    private Profile() {}

    /** A place on the cable and what is expected there; `station` is null between stations. */
    public record Sample(double atMetres, PointId station, boolean atFront, Expectation expected) {}

    /**
     * @param quantity R1+R2, R1+Rn, R2 or Zs
     * @return in order of distance; empty where the quantity is not taken along this circuit
     */
    public static List<Sample> of(Key key, CircuitId id, Quantity quantity) {
        Circuit circuit = key.rig().circuit(id);
        List<Sample> samples = new ArrayList<>();
        Set<PointId> seen = new HashSet<>();
        for (Expectation expectation : key.expectations()) {
            if (expectation.slot() instanceof Slot.Measured slot
                    && slot.address().is(quantity)
                    && slot.circuit().filter(id::equals).isPresent()
                    && slot.measurement() instanceof Measurement.TwoProbe probes
                    && slot.spot().point().isPresent()
                    && seen.add(slot.spot().point().get())) {
                PointId station = slot.spot().point().get();
                double at = slot.spot().atMetres();
                Measurement before = new Measurement.TwoProbe(
                        probes.function(),
                        beforeJoint(probes.a(), circuit, station),
                        beforeJoint(probes.b(), circuit, station),
                        probes.neutral());
                samples.add(new Sample(at, station, false, key.expect(slot.with(before))));
                samples.add(new Sample(at, station, true, expectation));
            }
        }
        samples.sort(Comparator.comparingDouble(Sample::atMetres));
        return samples;
    }

    /** The cable's end just before the joint of an accessory at whose front a probe is held. */
    private static Terminal beforeJoint(Terminal probe, Circuit circuit, PointId station) {
        for (Conductor conductor : Conductor.values()) {
            if (probe.equals(Places.front(circuit.id(), station, conductor)) && conductor != Conductor.SWITCHED_LINE) {
                return Places.cableIn(circuit.id(), station, conductor);
            }
        }
        return probe;
    }
}
