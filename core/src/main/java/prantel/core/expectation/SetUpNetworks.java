package prantel.core.expectation;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Alternating;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.procedure.SetUp;

/**
 * One compiled rig in each set-up of its tests, healthy. Faults are edits of these, so what the set-up does is worked out
 * once for all faults. Safe for use by several threads.
 */
final class SetUpNetworks {
    private final Network compiled;
    /** The rig as declared, if this is it as it may be built: its networks are connected the same. */
    private final @Nullable SetUpNetworks declared;

    /** Isolated, by what is switched off: most tests begin with the same. */
    private final Map<List<Edit>, Network> isolated = new ConcurrentHashMap<>();
    /** By what the set-up changes and the test voltage: many boxes share one. */
    private final Map<Changed, Network> networks = new ConcurrentHashMap<>();

    /** The same, found without going through what a set-up changes: every reading asks. */
    private final Map<At, Network> bySetUp = new ConcurrentHashMap<>();

    private record At(SetUp setUp, double volts) {
        @Override
        public int hashCode() {
            return 31 * setUp.hashCode() + Double.hashCode(volts);
        }
    }

    private final Map<Network, Alternating> resistive = new ConcurrentHashMap<>();

    SetUpNetworks(Network compiled, @Nullable SetUpNetworks declared) {
        this.compiled = compiled;
        this.declared = declared;
    }

    /**
     * The same network for all test voltages where none of the set-up's edits depends on it.
     *
     * @param volts test voltage: what is installed has its resistance at this voltage
     */
    Network in(SetUp setUp, double volts) {
        At at = new At(setUp, volts);
        Network known = bySetUp.get(at);
        if (known == null) {
            known = networks.computeIfAbsent(Changed.by(setUp, volts), this::changed);
            bySetUp.put(at, known);
        }
        return known;
    }

    private Network changed(Changed how) {
        return isolated(how.isolation)
                .with(
                        how.edits,
                        how.volts,
                        declared == null ? null : declared.networks.computeIfAbsent(how, declared::changed));
    }

    private Network isolated(List<Edit> isolation) {
        return isolated.computeIfAbsent(
                isolation,
                i -> compiled.with(i, 0, declared == null ? null : declared.isolated(i))
                        .factored());
    }

    /** The same without any source, to be seen from its ports. */
    Alternating resistive(SetUp setUp, double volts) {
        return resistive.computeIfAbsent(in(setUp, volts), n -> new Alternating(n, List.of()));
    }

    private record Changed(List<Edit> isolation, List<Edit> edits, double volts) {
        static Changed by(SetUp setUp, double volts) {
            return new Changed(setUp.isolation(), setUp.edits(), Edit.anyDependsOnVolts(setUp.edits()) ? volts : 0);
        }
    }
}
