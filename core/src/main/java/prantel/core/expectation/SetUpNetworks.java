package prantel.core.expectation;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Alternating;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.sequence.SetUp;

/**
 * One compiled rig in each set-up of its tests, healthy. Faults are edits of these, so what the set-up does is worked out
 * once for all faults. Safe for use by several threads.
 */
final class SetUpNetworks {
    private final Network compiled;
    /** The rig as declared, if this is it as it may be built: its networks are connected the same. */
    private final @Nullable SetUpNetworks declared;

    /** By what the set-up changes and the test voltage: many boxes share one. */
    private final Map<Changed, Network> networks = new ConcurrentHashMap<>();

    private final Map<Changed, Alternating> resistive = new ConcurrentHashMap<>();

    SetUpNetworks(Network compiled, @Nullable SetUpNetworks declared) {
        this.compiled = compiled;
        this.declared = declared;
    }

    /** @param volts test voltage: what is installed has its resistance at this voltage */
    Network in(SetUp setUp, double volts) {
        return networks.computeIfAbsent(
                new Changed(setUp.edits(), volts),
                c -> compiled.with(c.edits(), volts, declared == null ? null : declared.in(setUp, volts)));
    }

    /** The same without any source, to be seen from its ports. */
    Alternating resistive(SetUp setUp, double volts) {
        return resistive.computeIfAbsent(
                new Changed(setUp.edits(), volts), c -> new Alternating(in(setUp, volts), List.of()));
    }

    private record Changed(List<Edit> edits, double volts) {}
}
