package prantel.core.expectation;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.rig.CompiledRig;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/**
 * What is known of a rig without faults, under a scheme and with a tester: worked out once, shared by all keys made from
 * it. For several threads at once only after {@link #prepare}.
 */
final class HealthyRig {
    private final Rig rig;
    private final Scheme scheme;
    private final Tester tester;
    private final AsBuilt asBuilt;
    private final CompiledRig compiled;
    private final SetUpNetworks declared;
    private final Map<Variation, SetUpNetworks> varied = new HashMap<>();
    private final List<Slot> slots;
    private final Ends ends;
    private final Map<Slot, Known> known = new IdentityHashMap<>();
    private final Map<Slot, Seen> seen = new IdentityHashMap<>();
    private final Map<SlotId, Expectation> composed = new HashMap<>();
    private final Map<SlotId, Slot> byId = new HashMap<>();

    HealthyRig(Rig rig, Scheme scheme, Tester tester, AsBuilt asBuilt) {
        this.rig = rig;
        this.scheme = scheme;
        this.tester = tester;
        this.asBuilt = asBuilt;
        compiled = RigCompiler.compileAll(rig);
        declared = new SetUpNetworks(compiled.network(Variation.NONE), null);
        slots = SlotPlan.of(rig, scheme);
        slots.forEach(s -> byId.put(s.id(), s));
        ends = ends(FaultSet.NONE);
    }

    /** The rig as declared and at both ends of what it may be. */
    record Ends(Bench nominal, Bench low, Bench high) {}

    /**
     * A box of the healthy rig.
     *
     * @param found true value of the model
     * @param shift how it is moved to meet what was measured
     */
    record Known(Slot.Measured slot, Found found, AsBuilt.Shift shift, Expectation expectation) {}

    Rig rig() {
        return rig;
    }

    Scheme scheme() {
        return scheme;
    }

    Tester tester() {
        return tester;
    }

    AsBuilt asBuilt() {
        return asBuilt;
    }

    List<Slot> slots() {
        return slots;
    }

    Ends ends() {
        return ends;
    }

    /** @param slot one of {@link #slots} */
    Known known(Slot.Measured slot) {
        return known.computeIfAbsent(slot, s -> workOut(slot));
    }

    /** @param slot one of {@link #slots} */
    Seen seen(Slot.Measured slot) {
        return seen.computeIfAbsent(slot, s -> ends.nominal.see(slot));
    }

    /** @param slot one of {@link #slots} */
    Expectation composed(Slot.Composed slot) {
        Expectation made = composed.get(slot.id());
        if (made == null) {
            made = Composition.of(slot, slot.limit(), this::expectation);
            composed.put(slot.id(), made);
        }
        return made;
    }

    private Expectation expectation(SlotId id) {
        return switch (Objects.requireNonNull(byId.get(id))) {
            case Slot.Measured measured -> known(measured).expectation();
            case Slot.Composed other -> composed(other);
        };
    }

    void prepare() {
        for (Slot slot : slots) {
            switch (slot) {
                case Slot.Measured measured -> {
                    known(measured);
                    seen(measured);
                }
                case Slot.Composed other -> composed(other);
            }
        }
    }

    /** Any reading, whether or not it is a box of the sheet. */
    Known workOut(Slot.Measured slot) {
        Found found = ends.nominal.find(slot);
        AsBuilt.Shift shift =
                found instanceof Found.Number number ? asBuilt.shift(slot, number.base()) : AsBuilt.Shift.NONE;
        Reading reading = shown(slot, found, shift);
        Band band = found instanceof Found.Words(var saying) ? Band.exactly(saying.ordinal()) : band(slot, ends, shift);
        return new Known(slot, found, shift, new Expectation(slot, reading, reading, band, band, slot.limit()));
    }

    Reading shown(Slot.Measured slot, Found found, AsBuilt.Shift shift) {
        return switch (found) {
            case Found.Number number -> meter(slot).show(shift.of(number.base()));
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped -> new Reading.NoReading(stopped.why(), slot.boxUnit());
        };
    }

    Band band(Slot.Measured slot, Ends of, AsBuilt.Shift shift) {
        return switch (of.low.find(slot)) {
            case Found.Number number ->
                Band.around(shift.of(number.base()), shift.of(of.high.value(slot)), meter(slot));
            case Found.Words words -> Band.exactly(words.saying().ordinal());
            case Found.Stopped stopped -> Band.OVER_RANGE_ONLY;
        };
    }

    private Meter meter(Slot.Measured slot) {
        return tester.meter(slot.function()).orElseThrow();
    }

    Ends ends(FaultSet set) {
        Bench nominal = Bench.of(declared, rig, set, Variation.NONE, null);
        return new Ends(
                nominal,
                bench(set, scheme.tolerances().low(), nominal),
                bench(set, scheme.tolerances().high(), nominal));
    }

    private Bench bench(FaultSet set, Variation variation, Bench nominal) {
        SetUpNetworks networks =
                varied.computeIfAbsent(variation, v -> new SetUpNetworks(compiled.network(v), declared));
        return Bench.of(networks, rig, set, variation, nominal);
    }
}
