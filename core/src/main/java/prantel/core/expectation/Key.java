package prantel.core.expectation;

import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.limits.Limit;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.CompiledRig;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.sequence.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** The whole marking key: an expectation for every box of a rig under a scheme, with a tester and a set of faults. */
public final class Key {
    /** Two true values this near are the same reading: rounding of the last bits. */
    private static final double SAME = 1e-12;

    private final Rig rig;
    private final FaultSet faults;
    private final Tester tester;
    private final Scheme scheme;
    private final AsBuilt asBuilt;
    private final Healthy healthy;
    private final Ends faulted;
    private final Map<SlotId, Expectation> bySlot = new LinkedHashMap<>();

    private Key(
            Rig rig,
            FaultSet faults,
            Tester tester,
            Scheme scheme,
            AsBuilt asBuilt,
            Healthy healthy,
            Predicate<SlotId> wanted) {
        this.rig = rig;
        this.faults = faults;
        this.tester = tester;
        this.scheme = scheme;
        this.asBuilt = asBuilt;
        this.healthy = healthy;
        this.faulted = faults.isEmpty() ? healthy.ends : healthy.ends(faults);
        Map<SlotId, Optional<Limit>> limits = limitsAsFitted();
        for (Slot slot : healthy.slots) {
            if (!wanted.test(slot.id())) {
                continue;
            }
            Optional<Limit> limit = limits.getOrDefault(slot.id(), slot.limit());
            Expectation expected = switch (slot) {
                case Slot.Measured measured -> expect(measured);
                case Slot.Composed composed -> Composition.of(composed, composed.limit(), this::expectation);
            };
            bySlot.put(slot.id(), limit.equals(slot.limit()) ? expected : expected.heldAgainst(limit));
        }
    }

    /** What boxes are held against when a fault exchanged a device; empty when none did. */
    private Map<SlotId, Optional<Limit>> limitsAsFitted() {
        Rig fitted = faults.fitted(rig);
        Map<SlotId, Optional<Limit>> limits = new HashMap<>();
        if (!fitted.equals(rig)) {
            SlotPlan.of(fitted, scheme).forEach(s -> limits.put(s.id(), s.limit()));
        }
        return limits;
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
        return new Key(rig, faults, tester, scheme, asBuilt, new Healthy(rig, scheme), slot -> true);
    }

    /**
     * The key of the same rig with other faults. What is known of the healthy rig is shared, and a reading that the faults
     * do not move keeps its band, so this costs a fraction of a new key.
     *
     * @throws ProblemsException if a fault does not fit the rig
     */
    public Key with(FaultSet others) {
        others.checkOn(rig);
        return new Key(rig, others, tester, scheme, asBuilt, healthy, slot -> true);
    }

    /**
     * The same for a few measured boxes only: for trying many sets.
     *
     * @param boxes none that is chosen or worked out from others
     */
    public Key with(FaultSet others, Set<SlotId> boxes) {
        others.checkOn(rig);
        return new Key(rig, others, tester, scheme, asBuilt, healthy, boxes::contains);
    }

    /** This key with all that is known of the healthy rig worked out, so that several threads may make keys from it. */
    public Key prepared() {
        healthy.prepare(tester, asBuilt);
        return this;
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

    /** Healthy readings of the real rig that it follows. */
    public AsBuilt asBuilt() {
        return asBuilt;
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
        Found nominal = healthy.found(slot);
        AsBuilt.Shift shift = healthy.shift(slot, asBuilt);
        Reading healthyReading = shown(slot, nominal, shift);
        Band healthyBand = nominal instanceof Found.Words(var saying)
                ? Band.exactly(saying.ordinal())
                : healthy.band(slot, shift, tester);
        Found found = faults.isEmpty() ? nominal : faulted.nominal.find(slot);
        return isSame(nominal, found)
                ? new Expectation(slot, healthyReading, healthyReading, healthyBand, healthyBand, slot.limit())
                : new Expectation(
                        slot,
                        healthyReading,
                        shown(slot, found, shift),
                        healthyBand,
                        band(slot, faulted, shift, tester),
                        slot.limit());
    }

    private static boolean isSame(Found a, Found b) {
        if (a instanceof Found.Number(double x) && b instanceof Found.Number(double y)) {
            return Double.compare(x, y) == 0 || Double.isFinite(x + y) && Math.abs(x - y) <= SAME * Math.max(x, y);
        }
        return a.equals(b);
    }

    private Reading shown(Slot.Measured slot, Found found, AsBuilt.Shift shift) {
        return switch (found) {
            case Found.Number number -> meter(slot).show(shift.of(number.base()));
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped -> new Reading.NoReading(stopped.why(), slot.boxUnit());
        };
    }

    private static Band band(Slot.Measured slot, Ends ends, AsBuilt.Shift shift, Tester tester) {
        return switch (ends.low.find(slot)) {
            case Found.Number number ->
                Band.around(
                        shift.of(number.base()),
                        shift.of(ends.high.value(slot)),
                        tester.meter(slot.function()).orElseThrow());
            case Found.Words words -> Band.exactly(words.saying().ordinal());
            case Found.Stopped stopped -> Band.OVER_RANGE_ONLY;
        };
    }

    private Meter meter(Slot.Measured slot) {
        return tester.meter(slot.function()).orElseThrow();
    }

    /** What is known of the rig without faults: worked out once, shared by all keys made from it. */
    private static final class Healthy {
        private final Rig rig;
        private final Scheme scheme;
        private final CompiledRig compiled;
        private final SetUpNetworks declared;
        private final Map<Variation, SetUpNetworks> networks = new HashMap<>();
        private final List<Slot> slots;
        private final Ends ends;
        private final Map<Slot.Measured, Found> found = new IdentityHashMap<>();
        private final Map<Slot.Measured, Band> bands = new IdentityHashMap<>();

        Healthy(Rig rig, Scheme scheme) {
            this.rig = rig;
            this.scheme = scheme;
            compiled = RigCompiler.compileAll(rig);
            declared = new SetUpNetworks(compiled.network(Variation.NONE), null);
            slots = SlotPlan.of(rig, scheme);
            ends = ends(FaultSet.NONE);
        }

        Found found(Slot.Measured slot) {
            return found.computeIfAbsent(slot, ends.nominal::find);
        }

        Band band(Slot.Measured slot, AsBuilt.Shift shift, Tester tester) {
            // shift and tester are the same for all keys that share this
            return bands.computeIfAbsent(slot, s -> Key.band(s, ends, shift, tester));
        }

        void prepare(Tester tester, AsBuilt asBuilt) {
            for (Slot slot : slots) {
                if (slot instanceof Slot.Measured measured && !(found(measured) instanceof Found.Words)) {
                    band(measured, shift(measured, asBuilt), tester);
                }
            }
        }

        AsBuilt.Shift shift(Slot.Measured slot, AsBuilt asBuilt) {
            return found(slot) instanceof Found.Number number ? asBuilt.shift(slot, number.base()) : AsBuilt.Shift.NONE;
        }

        Ends ends(FaultSet set) {
            Bench nominal = Bench.of(declared, rig, set, Variation.NONE, null);
            return new Ends(
                    nominal,
                    bench(set, scheme.tolerances().low(), nominal),
                    bench(set, scheme.tolerances().high(), nominal));
        }

        private Bench bench(FaultSet set, Variation variation, Bench nominal) {
            SetUpNetworks network =
                    networks.computeIfAbsent(variation, v -> new SetUpNetworks(compiled.network(v), declared));
            return Bench.of(network, rig, set, variation, nominal);
        }
    }

    /** The rig as declared and at both ends of what it may be. */
    private record Ends(Bench nominal, Bench low, Bench high) {}

    /** One cause of a band's width: how far it alone moves the reading, Ω. */
    public record BandReason(String cause, double down, double up) {}
}
