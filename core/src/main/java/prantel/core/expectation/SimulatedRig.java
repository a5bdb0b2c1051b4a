package prantel.core.expectation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Supplier;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.BranchId;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Source;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/**
 * A rig with faults at which anything may be done, in any order. Each state is worked out from the compiled rig and nothing
 * of it is kept, so memory does not grow with what is tried. Safe for use by several threads.
 */
public final class SimulatedRig {
    private final Network compiled;
    private final List<Edit> faults;
    private final List<Source> sources;
    private final Protection protection;
    private final FaultSet set;

    private SimulatedRig(Rig rig, Network compiled, FaultSet set, List<Edit> faults) {
        this.compiled = compiled.factored();
        this.faults = faults;
        this.sources = RigCompiler.sources(rig, Variation.NONE);
        this.protection = Protection.of(rig, set);
        this.set = set;
    }

    private SimulatedRig(SimulatedRig rig, List<Edit> faults) {
        this.compiled = rig.compiled;
        this.faults = faults;
        this.sources = rig.sources;
        this.protection = rig.protection;
        this.set = rig.set;
    }

    /** As declared: what a key takes it to be. */
    public static SimulatedRig asDeclared(Rig rig, FaultSet faults) {
        return new SimulatedRig(rig, RigCompiler.compile(rig), faults, faults.edits(rig, Variation.NONE));
    }

    /** Built by hands. @param each asked once for each branch and fault: how it differs from what is declared */
    public static SimulatedRig asBuilt(Rig rig, FaultSet faults, Supplier<Variation> each) {
        List<Edit> edits = new ArrayList<>();
        for (Fault fault : faults.faults()) {
            edits.addAll(fault.edits(rig, each.get()));
        }
        return new SimulatedRig(rig, RigCompiler.compileAll(rig).network(each), faults, edits);
    }

    /**
     * @param open ids of devices that opened by themselves
     * @param volts test voltage, V: what depends on it has its resistance at this voltage
     */
    public Network network(SetUp setUp, Set<String> open, double volts) {
        List<Edit> opened = protection.devices().stream()
                .filter(d -> open.contains(d.id()))
                .flatMap(d -> d.poles().stream())
                .<Edit>map(Edit.Open::new)
                .toList();
        return network(setUp, volts).with(opened);
    }

    private Network network(SetUp setUp, double volts) {
        return compiled.with(setUp.isolation()).with(setUp.edits(), volts).with(faults, volts);
    }

    /** Devices by id, as they are called. */
    public Map<String, String> labels(Set<String> ids) {
        Map<String, String> labels = new LinkedHashMap<>();
        protection.devices().stream().filter(d -> ids.contains(d.id())).forEach(d -> labels.put(d.id(), d.label()));
        return labels;
    }

    /** What an item of an inspection comes to. */
    public Found inspected(Measurement.Inspected item) {
        return Inspection.of(set, item);
    }

    /** What is to be seen at an item of an inspection. */
    public List<FaultKind> seen(Measurement.Inspected item) {
        return Inspection.seen(set, item);
    }

    /** The same rig with a joint or contact as it was declared, tight and clean. */
    public SimulatedRig tightened(BranchId joint, double ohms) {
        List<Edit> edits = new ArrayList<>(faults);
        edits.add(new Edit.Substitute(joint, ohms));
        return new SimulatedRig(this, edits);
    }

    /** As compiled: which terminals and branches there are. */
    public Network compiled() {
        return compiled;
    }

    /**
     * With the supply on, if the set-up lets it in.
     *
     * @param open ids of devices that opened before and were not put on again
     */
    public SuppliedRig supplied(SetUp setUp, Set<String> open) {
        Network network = network(setUp, Function.VOLTAGE.volts());
        LiveState closed =
                new LiveState(protection, Variation.NONE, network, new Alternating(network, sources, null), Set.of());
        for (int i = 0; i < protection.devices().size(); i++) {
            if (open.contains(protection.devices().get(i).id())) {
                closed = closed.with(i);
            }
        }
        return new SuppliedRig(closed, protection);
    }
}
