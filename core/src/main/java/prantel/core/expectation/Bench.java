package prantel.core.expectation;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.FaultSet;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.SetUp;
import prantel.core.sequence.Slot;

/**
 * A rig as it may be built, with faults set, ready to be measured: the whole mechanism in one place.
 *
 * <pre>   reading = instrument( network( rig, edits ), probes )   </pre>
 */
public final class Bench {
    private final Network network;

    public Bench(Rig rig, FaultSet faults, Variation variation) {
        network = RigCompiler.compile(rig, variation).with(faults.edits(rig, variation));
    }

    private Bench(Network network) {
        this.network = network;
    }

    /** The same rig with the other faults, sharing the compiled network. */
    static Bench of(Network healthy, Rig rig, FaultSet faults, Variation variation) {
        return new Bench(healthy.with(faults.edits(rig, variation)));
    }

    /** True resistance between the slot's probes in its set-up, Ω; +∞ where nothing connects. */
    public double ohms(Slot.Measured slot) {
        return inSetUp(slot).resistance(slot.probeA(), slot.probeB());
    }

    /** The network as the slot's probes meet it. */
    public Network inSetUp(Slot.Measured slot) {
        return network.with(slot.setUp().edits());
    }

    /** True resistance when the set-up was not the one asked for, Ω: how a mistake is simulated. */
    public double ohms(Slot.Measured slot, SetUp other, List<Edit> extra) {
        List<Edit> edits = new ArrayList<>(other.edits());
        edits.addAll(extra);
        return network.with(edits).resistance(slot.probeA(), slot.probeB());
    }
}
