package prantel.core.expectation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.network.Network;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** The whole marking key: an expectation for every box of a rig under a scheme, with a tester and a set of faults. */
public final class Key {
    private final Rig rig;
    private final FaultSet faults;
    private final Tester tester;
    private final Scheme scheme;
    private final Map<Variation, Network> compiled = new java.util.HashMap<>();
    private final Ends healthy;
    private final Ends faulted;
    private final Map<SlotId, Expectation> bySlot = new LinkedHashMap<>();

    private final AsBuilt asBuilt;

    private Key(Rig rig, FaultSet faults, Tester tester, Scheme scheme, AsBuilt asBuilt) {
        this.asBuilt = asBuilt;
        this.rig = rig;
        this.faults = faults;
        this.tester = tester;
        this.scheme = scheme;
        healthy = ends(FaultSet.NONE);
        faulted = faults.isEmpty() ? healthy : ends(faults);
    }

    /** @throws ProblemsException if a fault does not fit the rig */
    public static Key of(Rig rig, FaultSet faults, Tester tester, Scheme scheme) {
        return of(rig, faults, tester, scheme, AsBuilt.NONE);
    }

    /**
     * @param asBuilt healthy readings of the real rig that the key follows
     * @throws ProblemsException if a fault does not fit the rig
     */
    public static Key of(Rig rig, FaultSet faults, Tester tester, Scheme scheme, AsBuilt asBuilt) {
        faults.checkOn(rig);
        Key key = new Key(rig, faults, tester, scheme, asBuilt);
        for (Slot slot : SlotPlan.of(rig, scheme)) {
            key.bySlot.put(
                    slot.id(),
                    switch (slot) {
                        case Slot.Measured measured -> key.expect(measured);
                        case Slot.Composed composed -> Composition.of(composed, key::expectation);
                    });
        }
        return key;
    }

    public Rig rig() {
        return rig;
    }

    public FaultSet faults() {
        return faults;
    }

    public Tester tester() {
        return tester;
    }

    public Scheme scheme() {
        return scheme;
    }

    /** In the order of the sheet. */
    public List<Expectation> expectations() {
        return List.copyOf(bySlot.values());
    }

    /** @throws ProblemsException if the sheet has no such box */
    public Expectation expectation(SlotId id) {
        Expectation found = bySlot.get(id);
        if (found == null) {
            throw new ProblemsException(
                    new Problem("unknown-slot", "slot", '"' + id.value() + '"', "give a box of this rig's sheet"));
        }
        return found;
    }

    public boolean has(SlotId id) {
        return bySlot.containsKey(id);
    }

    /** Why the band of a reading is as wide as it is, each cause alone; causes that move it by less
     * than a tenth of a digit are left out, and so are all where words are read. */
    public List<BandReason> reasons(Slot.Measured slot) {
        return tester.meter(slot.function())
                .map(meter -> new BandReasons(rig, faults, scheme, meter, slot).all())
                .orElse(List.of());
    }

    /** What a reading with these probes in this set-up must be, whether or not it is a box of the sheet. */
    Expectation expect(Slot.Measured slot) {
        Found nominal = healthy.nominal.find(slot);
        AsBuilt.Shift shift = nominal instanceof Found.Number number
                ? asBuilt.shift(slot, number.base())
                : AsBuilt.Shift.NONE;
        Reading healthyReading = shown(slot, nominal, shift);
        Band healthyBand = band(slot, healthy, shift);
        if (faulted == healthy) {
            return new Expectation(slot, healthyReading, healthyReading, healthyBand, healthyBand);
        }
        return new Expectation(
                slot,
                healthyReading,
                shown(slot, faulted.nominal.find(slot), shift),
                healthyBand,
                band(slot, faulted, shift));
    }

    private Reading shown(Slot.Measured slot, Found found, AsBuilt.Shift shift) {
        return switch (found) {
            case Found.Number number -> meter(slot).show(shift.of(number.base()));
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped -> new Reading.NoReading(stopped.why(), slot.boxUnit());
        };
    }

    private Band band(Slot.Measured slot, Ends ends, AsBuilt.Shift shift) {
        return switch (ends.low.find(slot)) {
            case Found.Number number ->
                Band.around(shift.of(number.base()), shift.of(ends.high.value(slot)), meter(slot));
            case Found.Words words -> Band.exactly(words.saying().ordinal());
            case Found.Stopped stopped -> Band.OVER_RANGE_ONLY;
        };
    }

    private Meter meter(Slot.Measured slot) {
        return tester.meter(slot.function()).orElseThrow();
    }

    private Ends ends(FaultSet set) {
        return new Ends(
                bench(set, Variation.NONE),
                bench(set, scheme.tolerances().low()),
                bench(set, scheme.tolerances().high()));
    }

    private Bench bench(FaultSet set, Variation variation) {
        Network healthy = compiled.computeIfAbsent(variation, v -> RigCompiler.compile(rig, v));
        return Bench.of(healthy, rig, set, variation);
    }

    /** The rig as declared and at both ends of what it may be. */
    private record Ends(Bench nominal, Bench low, Bench high) {}

    /** One cause of a band's width: how far it alone moves the reading, Ω. */
    public record BandReason(String cause, double down, double up) {}
}
