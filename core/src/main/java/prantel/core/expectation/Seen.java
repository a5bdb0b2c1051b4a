package prantel.core.expectation;

import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Alternating;
import prantel.core.network.BranchId;
import prantel.core.network.Edit;
import prantel.core.network.Port;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/**
 * What a reading of the rig without faults rests on: what is seen between its probes, in each position of the switches where
 * it is several trials.
 *
 * @param live the rig with the supply on; null for a dead test
 */
record Seen(Slot.Measured slot, List<At> ports, @Nullable EnergisedRig live) {

    /**
     * @param in the network that the port is of
     * @param position branches that switches operated for this trial
     */
    record At(Alternating in, Port port, List<BranchId> position) {}

    /** @param dead the network in the set-up of the test */
    static Seen dead(Slot.Measured slot, Alternating dead) {
        Measurement.TwoProbe probes = (Measurement.TwoProbe) slot.measurement();
        return new Seen(slot, List.of(new At(dead, dead.port(probes.a(), probes.b()), List.of())), null);
    }

    static Seen live(Slot.Measured slot, EnergisedRig live) {
        Alternating in = live.alternating();
        List<At> ports = switch (slot.measurement()) {
            case Measurement.TwoProbe probes -> List.of(new At(in, in.port(probes.a(), probes.b()), List.of()));
            case Measurement.Trip trip -> List.of(new At(in, in.port(trip.line(), trip.earth()), List.of()));
            case Measurement.Operation operation ->
                operation.trials().stream().map(t -> at(live, t)).toList();
            case Measurement.Button button -> List.of();
            case Measurement.Looked looked -> List.of();
            case Measurement.Inspected inspected -> List.of();
            case Measurement.Rotation rotation -> List.of();
            case Measurement.LoadCurrent load -> List.of();
        };
        return new Seen(slot, ports, live);
    }

    private static At at(EnergisedRig live, Measurement.Trial trial) {
        Alternating in = live.in(trial.position());
        List<BranchId> operated = trial.position().stream()
                .flatMap((Edit e) -> e.branches().stream())
                .toList();
        return new At(in, in.port(trial.a(), trial.b()), operated);
    }
}
