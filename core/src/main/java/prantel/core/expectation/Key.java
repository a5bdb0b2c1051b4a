package prantel.core.expectation;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToDoubleFunction;
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

    private Key(Rig rig, FaultSet faults, Tester tester, Scheme scheme) {
        this.rig = rig;
        this.faults = faults;
        this.tester = tester;
        this.scheme = scheme;
        healthy = ends(FaultSet.NONE);
        faulted = faults.isEmpty() ? healthy : ends(faults);
    }

    /** @throws ProblemsException if a fault does not fit the rig */
    public static Key of(Rig rig, FaultSet faults, Tester tester, Scheme scheme) {
        faults.checkOn(rig);
        Key key = new Key(rig, faults, tester, scheme);
        for (Slot slot : SlotPlan.of(rig, scheme)) {
            key.bySlot.put(
                    slot.id(),
                    switch (slot) {
                        case Slot.Measured measured -> key.expect(measured);
                        case Slot.Highest highest -> key.highest(highest);
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
     * than a tenth of a digit are left out. */
    public List<BandReason> reasons(Slot.Measured slot) {
        Meter meter = tester.meter(slot.function());
        double nominal = new Bench(rig, faults, Variation.NONE).ohms(slot);
        List<BandReason> reasons = new ArrayList<>();
        Variation low = scheme.tolerances().low();
        Variation high = scheme.tolerances().high();
        addReason(reasons, "cable make, length and temperature", slot, nominal, low.onlyCable(), high.onlyCable());
        addReason(reasons, "joints and contacts", slot, nominal, low.onlyJoints(), high.onlyJoints());
        addReason(reasons, "insulation, damp to dry", slot, nominal, low.onlyInsulation(), high.onlyInsulation());
        addReason(reasons, "resistor set as fault", slot, nominal, low.onlySetResistor(), high.onlySetResistor());
        if (Double.isFinite(nominal)) {
            double uncertainty = meter.uncertaintyOhms(nominal);
            reasons.add(new BandReason(
                    "tester ±(" + prantel.core.quantity.Check.plain(meter.percent()) + " % + " + meter.digits()
                            + " digits)",
                    -uncertainty,
                    uncertainty));
        }
        return reasons;
    }

    private void addReason(
            List<BandReason> reasons, String cause, Slot.Measured slot, double nominal, Variation low, Variation high) {
        double down = new Bench(rig, faults, low).ohms(slot) - nominal;
        double up = new Bench(rig, faults, high).ohms(slot) - nominal;
        double worthSaying = tester.meter(slot.function()).resolutionOhms(nominal) / 10;
        if (Math.abs(down) > worthSaying || Math.abs(up) > worthSaying) {
            reasons.add(new BandReason(cause, down, up));
        }
    }

    /** What a reading with these probes in this set-up must be, whether or not it is a box of the sheet. */
    Expectation expect(Slot.Measured slot) {
        Meter meter = tester.meter(slot.function());
        return new Expectation(
                slot,
                meter.show(healthy.nominal.ohms(slot)),
                meter.show(faulted.nominal.ohms(slot)),
                Band.around(healthy.low.ohms(slot), healthy.high.ohms(slot), meter),
                Band.around(faulted.low.ohms(slot), faulted.high.ohms(slot), meter));
    }

    /** If every reading is inside its band, their highest lies between the highest low end and the highest high end. */
    private Expectation highest(Slot.Highest slot) {
        List<Expectation> of = slot.of().stream().map(this::expectation).toList();
        return new Expectation(
                slot,
                highestReading(of.stream().map(Expectation::healthy).toList()),
                highestReading(of.stream().map(Expectation::withFaults).toList()),
                highestBand(of.stream().map(Expectation::healthyBand).toList()),
                highestBand(of.stream().map(Expectation::band).toList()));
    }

    private static Reading highestReading(List<Reading> readings) {
        return readings.stream()
                .max(java.util.Comparator.comparingDouble(Reading::ohms))
                .orElseThrow();
    }

    private static Band highestBand(List<Band> bands) {
        return new Band(max(bands, Band::lowOhms), max(bands, Band::highOhms));
    }

    private static double max(List<Band> bands, ToDoubleFunction<Band> end) {
        return bands.stream().mapToDouble(end).max().orElseThrow();
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
    public record BandReason(String cause, double downOhms, double upOhms) {}
}
