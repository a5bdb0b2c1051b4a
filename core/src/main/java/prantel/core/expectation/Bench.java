package prantel.core.expectation;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.function.Predicate;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Source;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/**
 * A rig as it may be built, with faults set, ready to be measured: the whole mechanism in one place. Safe for use by
 * several threads.
 *
 * <pre>   reading = instrument( network( rig, edits ), probes )   </pre>
 */
public final class Bench {
    private final SetUpNetworks healthy;
    private final @Nullable Bench declared;
    private final FaultSet set;
    private final List<Edit> faults;
    private final List<Source> sources;
    private final Protection protection;
    private final Variation variation;
    private final boolean faultsDependOnVolts;
    /** By the healthy network. */
    private final Map<Network, EnergisedRig> live = new ConcurrentHashMap<>();

    /** By the healthy network and the test voltage, if the faults depend on that. */
    private final Map<Healthy, Network> dead = new ConcurrentHashMap<>();

    private record Healthy(Network network, double volts) {}

    /** Neighbouring boxes share a set-up: the last one is kept. In one piece, so that threads may overtake each other. */
    private @Nullable Last last;

    private record Last(SetUp setUp, double volts, Network network) {}

    public Bench(Rig rig, FaultSet faults, Variation variation) {
        this(new SetUpNetworks(RigCompiler.compile(rig, variation), null), rig, faults, variation, null);
    }

    /** A rig as built, every branch and every fault in its own way. @param each asked once for each of them */
    static Bench asBuilt(Rig rig, FaultSet faults, Supplier<Variation> each) {
        List<Edit> edits = new ArrayList<>();
        for (Fault fault : faults.faults()) {
            edits.addAll(fault.edits(rig, each.get()));
        }
        return new Bench(
                new SetUpNetworks(RigCompiler.compileAll(rig).network(each), null),
                rig,
                faults,
                edits,
                each.get(),
                null);
    }

    private Bench(SetUpNetworks healthy, Rig rig, FaultSet faults, Variation variation, @Nullable Bench declared) {
        this(healthy, rig, faults, faults.edits(rig, variation), variation, declared);
    }

    private Bench(
            SetUpNetworks healthy,
            Rig rig,
            FaultSet faults,
            List<Edit> edits,
            Variation variation,
            @Nullable Bench declared) {
        this.healthy = healthy;
        this.declared = declared;
        this.set = faults;
        this.faults = edits;
        this.faultsDependOnVolts = Edit.anyDependsOnVolts(this.faults);
        this.sources = RigCompiler.sources(rig, variation);
        this.protection = Protection.of(rig, faults);
        this.variation = variation;
    }

    /**
     * The same rig with the other faults, sharing the compiled network.
     *
     * @param declared the rig as declared with the same faults, if this is it as it may be built
     */
    static Bench of(SetUpNetworks healthy, Rig rig, FaultSet faults, Variation variation, @Nullable Bench declared) {
        return new Bench(healthy, rig, faults, variation, declared);
    }

    /** What is between the slot's probes in its set-up. */
    public Found find(Slot.Measured slot) {
        return find(slot.measurement(), slot.setUp());
    }

    /** True value of a slot that is a number, base unit; +∞ where nothing connects. */
    public double value(Slot.Measured slot) {
        return find(slot) instanceof Found.Number number ? number.base() : Double.POSITIVE_INFINITY;
    }

    /**
     * The electrical quantities that a reading rests on, for holding against another simulator: the value itself; for an
     * RCD test the residual current of each device, mA; for a rotation test the three voltages between lines; for an
     * operation the voltage of each trial. Empty for a test button.
     */
    public List<Double> quantities(Slot.Measured slot) {
        return slot.function().isLive() ? live(slot.setUp()).quantities(slot.measurement()) : List.of(value(slot));
    }

    /** True value when the set-up was not the one asked for, base unit: how a mistake is simulated. */
    public double value(Slot.Measured slot, SetUp other) {
        return find(slot.measurement(), other) instanceof Found.Number number
                ? number.base()
                : Double.POSITIVE_INFINITY;
    }

    private Found find(Measurement measurement, SetUp setUp) {
        if (measurement instanceof Measurement.Inspected inspected) {
            return Inspection.of(set, inspected);
        }
        if (measurement.function().isLive()) {
            return live(setUp).find(measurement);
        }
        Measurement.TwoProbe probes = (Measurement.TwoProbe) measurement;
        Network network = inSetUp(setUp, measurement.function());
        return new Found.Number(network.resistance(probes.a(), probes.b()));
    }

    /**
     * Which readings the faults leave as those of another bench without them.
     *
     * @param trips whether something may open by itself in a live set-up with the faults in
     */
    Unmoved unmovedFrom(Bench without, Predicate<SetUp> trips) {
        return new Unmoved(faults, protection.residuals().equals(without.protection.residuals()), trips);
    }

    /** What a slot's reading rests on. */
    Seen see(Slot.Measured slot) {
        return slot.function().isLive()
                ? Seen.live(slot, live(slot.setUp()))
                : Seen.dead(
                        slot, healthy.resistive(slot.setUp(), slot.function().volts()));
    }

    /** The network as the slot's probes meet it: live, after whatever opens when the supply comes on. */
    public Network inSetUp(Slot.Measured slot) {
        return slot.function().isLive() ? live(slot.setUp()).network() : inSetUp(slot.setUp(), slot.function());
    }

    /** The sources that go with {@link #inSetUp}. */
    public List<Source> sources() {
        return sources;
    }

    private Network inSetUp(SetUp setUp, Function function) {
        double volts = function.volts();
        Last known = last;
        if (known == null || known.setUp() != setUp || known.volts() != volts) {
            known = new Last(setUp, volts, faulty(setUp, function));
            last = known;
        }
        return known.network();
    }

    private Network faulty(SetUp setUp, Function function) {
        double volts = function.volts();
        Network in = healthy.in(setUp, volts);
        return faults.isEmpty()
                ? in
                : dead.computeIfAbsent(
                        new Healthy(in, faultsDependOnVolts ? volts : 0),
                        h -> in.with(faults, volts, declared == null ? null : declared.inSetUp(setUp, function)));
    }

    /** Live set-ups that change the same are the same: what stands without a test is worked out once for all of them. */
    EnergisedRig live(SetUp setUp) {
        double volts = Function.VOLTAGE.volts();
        return live.computeIfAbsent(
                healthy.in(setUp, volts),
                in -> new EnergisedRig(
                        in.with(faults, volts),
                        sources,
                        protection,
                        variation,
                        declared == null ? null : declared.live(setUp)));
    }
}
