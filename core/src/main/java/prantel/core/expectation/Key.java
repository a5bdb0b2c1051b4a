package prantel.core.expectation;

import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Written;
import prantel.core.limits.Limit;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** The whole marking key: an expectation for every box of a rig under a scheme, with a tester and a set of faults. */
public final class Key {
    /** Two true values this near are the same reading: rounding of the last bits. */
    private static final double SAME = 1e-12;

    private final KeyName name;
    private final FaultSet faults;
    private final HealthyRig healthy;
    private final HealthyRig.Ends faulted;
    private final Map<SlotId, Expectation> bySlot = new LinkedHashMap<>();
    /** The same with CPCs in conduit off the bar; worked out when it is asked for. */
    private volatile @Nullable Key offBar;

    private Key(FaultSet faults, HealthyRig healthy, KeyName name, Predicate<SlotId> wanted, boolean rigIsKnown) {
        this.name = name;
        this.faults = faults;
        this.healthy = healthy;
        this.faulted = faults.isEmpty() ? healthy.ends() : healthy.ends(faults);
        // to know what each reading rests on pays from the second key on
        Unmoved unmoved = rigIsKnown
                ? faulted.nominal()
                        .unmovedFrom(
                                healthy.ends().nominal(),
                                setUp -> faulted.nominal().live(setUp).trips()
                                        || faulted.low().live(setUp).trips())
                : null;
        Map<SlotId, Optional<Limit>> limits = limitsAsFitted();
        List<Slot> slots = healthy.slots();
        for (int i = 0; i < slots.size(); i++) {
            Slot slot = slots.get(i);
            if (!wanted.test(slot.id())) {
                continue;
            }
            Optional<Limit> limit = limits.getOrDefault(slot.id(), slot.limit());
            Expectation expected = slot instanceof Slot.Composed composed ? compose(composed, i) : expect(i, unmoved);
            bySlot.put(slot.id(), limit.equals(slot.limit()) ? expected : expected.heldAgainst(limit));
        }
    }

    /** The same key with some boxes left out, or as another key has them. */
    private Key(Key base, KeyName name, Function<Expectation, @Nullable Expectation> as) {
        this.name = name;
        this.faults = base.faults;
        this.healthy = base.healthy;
        this.faulted = base.faulted;
        for (Expectation e : base.bySlot.values()) {
            Expectation mine = as.apply(e);
            if (mine != null) {
                bySlot.put(e.slot().id(), mine);
            }
        }
    }

    /** What boxes are held against when a fault exchanged a device; empty when none did. */
    private Map<SlotId, Optional<Limit>> limitsAsFitted() {
        Rig fitted = faults.fitted(rig());
        Map<SlotId, Optional<Limit>> limits = new HashMap<>();
        if (fitted != rig() && !fitted.equals(rig())) {
            SlotPlan.of(fitted, scheme()).forEach(s -> limits.put(s.id(), s.limit()));
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
        KeyName name = KeyName.of(rig, scheme, tester, asBuilt, faults);
        return new Key(faults, new HealthyRig(rig, scheme, tester, asBuilt), name, slot -> true, false);
    }

    /**
     * The key of the same rig with other faults. What is known of the healthy rig is shared, and a reading that the faults
     * do not move is taken as it is, so this costs a fraction of a new key.
     *
     * @throws ProblemsException if a fault does not fit the rig
     */
    public Key with(FaultSet others) {
        others.checkOn(rig());
        return new Key(others, healthy, name.with(others), slot -> true, true);
    }

    /**
     * The same for a few measured boxes only: for trying many sets.
     *
     * @param boxes none that is chosen or worked out from others
     */
    public Key with(FaultSet others, Set<SlotId> boxes) {
        others.checkOn(rig());
        return new Key(others, healthy, name.with(others).only(boxes), boxes::contains, true);
    }

    /**
     * The rig as declared with other faults, without windows: for readings one at a time.
     *
     * @throws ProblemsException if a fault does not fit the rig
     */
    public Bench bench(FaultSet others) {
        others.checkOn(rig());
        return healthy.nominal(others);
    }

    /** Every single fault that fits the rig, with its usual size. */
    public List<Fault> everyFault() {
        return healthy.everyFault();
    }

    /** Of a healthy reading of continuity what lies in its joints, Ω; 0 for any other. */
    public double inJoints(SlotId box) {
        return healthy.inJoints(box);
    }

    /** The key for a part of the rig: boxes of these circuits, and those of no circuit. @param circuits none for all */
    public Key of(Set<CircuitId> circuits) {
        return circuits.isEmpty()
                ? this
                : new Key(
                        this,
                        name.of(circuits),
                        e -> e.slot()
                                        .circuit()
                                        .filter(c -> !circuits.contains(c))
                                        .isPresent()
                                ? null
                                : e);
    }

    /** This key with some boxes as another key has them: those that were read with another instrument. */
    public Key readWith(Key other, Set<SlotId> boxes) {
        return new Key(
                this,
                name.readWith(other.name, boxes),
                e -> boxes.contains(e.slot().id()) ? other.expectation(e.slot().id()) : e);
    }

    /** The circuits that it has boxes for, in the order of the rig. */
    public List<Circuit> circuits() {
        Set<CircuitId> asked = bySlot.values().stream()
                .flatMap(e -> e.slot().circuit().stream())
                .collect(Collectors.toSet());
        return rig().circuits().stream().filter(c -> asked.contains(c.id())).toList();
    }

    /** This key with all that is known of the healthy rig worked out, before many keys are made from it by several threads. */
    public Key prepared() {
        healthy.prepare();
        return this;
    }

    /** What it is made from. */
    public KeyName name() {
        return name;
    }

    public Rig rig() {
        return healthy.rig();
    }

    public FaultSet faults() {
        return faults;
    }

    public Tester tester() {
        return healthy.tester();
    }

    public Scheme scheme() {
        return healthy.scheme();
    }

    /** Healthy readings of the real rig that it follows. */
    public AsBuilt asBuilt() {
        return healthy.asBuilt();
    }

    /** In the order of the sheet. */
    public List<Expectation> expectations() {
        return List.copyOf(bySlot.values());
    }

    /** The boxes that are measured, in the order of the sheet. */
    public List<Slot.Measured> measured() {
        return bySlot.values().stream()
                .map(Expectation::slot)
                .filter(Slot.Measured.class::isInstance)
                .map(Slot.Measured.class::cast)
                .toList();
    }

    /** How many boxes it has. */
    public int size() {
        return bySlot.size();
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

    /**
     * In the order of the sheet, each circuit in the way that what was written says it was done: where a candidate may take
     * a CPC in conduit or armour off the bar for R1+R2 or leave it on, the way is the one that more of the circuit's boxes
     * agree with, and the CPC on the bar where both agree alike.
     *
     * @param written what stands in a box
     */
    public List<Expectation> asDone(Function<SlotId, Written> written) {
        if (scheme().practice().continuity().conduit() != Practice.Conduit.EITHER) {
            return expectations();
        }
        Set<CircuitId> off = rig().circuits().stream()
                .filter(c -> c.cable().enclosure().isPresent())
                .map(Circuit::id)
                .filter(c -> agreeing(c, offBar(), written) > agreeing(c, this, written))
                .collect(Collectors.toSet());
        return expectations().stream()
                .map(e -> e.slot().circuit().filter(off::contains).isPresent()
                        ? offBar().expectation(e.slot().id())
                        : e)
                .toList();
    }

    private static long agreeing(CircuitId circuit, Key key, Function<SlotId, Written> written) {
        return key.expectations().stream()
                .filter(e -> e.slot().step() == TestKind.R1_R2
                        && e.slot().circuit().filter(circuit::equals).isPresent())
                .filter(e -> e.window().sideOf(written.apply(e.slot().id())) == Window.Side.INSIDE)
                .count();
    }

    private Key offBar() {
        Key made = offBar;
        if (made == null) {
            Scheme other = scheme().with(scheme().practice().with(Practice.Conduit.OFF_BAR));
            made = Key.of(rig(), faults, tester(), other, asBuilt());
            offBar = made;
        }
        return made;
    }

    /**
     * Why the bands of these boxes are as wide as they are, each cause alone; causes that move a reading by less than a tenth
     * of a digit are left out, and so are all where words are read. The rig is varied for it in twelve ways, and none of
     * them is kept: whoever asks again keeps the answer, which is small.
     */
    public Map<SlotId, List<BandReason>> reasons(Collection<Slot.Measured> boxes) {
        BandReasons reasons = new BandReasons(v -> healthy.varied(faults, v, faulted.nominal()), healthy.scheme());
        Map<SlotId, List<BandReason>> of = new HashMap<>();
        for (Slot.Measured box : boxes) {
            tester().meter(box.function()).ifPresent(meter -> of.put(box.id(), reasons.of(box, meter)));
        }
        return of;
    }

    /** What a reading with these probes in this set-up must be, whether or not it is a box of the sheet. */
    public Expectation expect(Slot.Measured slot) {
        return expect(healthy.workOut(slot));
    }

    private Expectation expect(int place, @Nullable Unmoved unmoved) {
        HealthyRig.Known known = healthy.known(place);
        return faults.isEmpty() || unmoved != null && unmoved.isSo(healthy.seen(place))
                ? known.expectation()
                : expect(known);
    }

    private Expectation expect(HealthyRig.Known known) {
        Expectation healthyOne = known.expectation();
        Slot.Measured slot = known.slot();
        Found found = faulted.nominal().find(slot);
        // on a live rig what opens may differ although the reading is the same
        return !slot.function().isLive() && isSame(known.found(), found)
                ? healthyOne
                : new Expectation(
                        slot,
                        healthyOne.healthy(),
                        healthy.shown(slot, found, known.shift()),
                        healthyOne.healthyWindow(),
                        healthy.window(slot, found, faulted, known.shift()),
                        slot.limit());
    }

    private Expectation compose(Slot.Composed slot, int place) {
        for (SlotId id : slot.of()) {
            if (Composition.isMoved(expectation(id))) {
                return Composition.of(slot, slot.limit(), this::expectation);
            }
        }
        return healthy.composed(place);
    }

    private static boolean isSame(Found a, Found b) {
        if (a instanceof Found.Number(double x) && b instanceof Found.Number(double y)) {
            return Double.compare(x, y) == 0 || Double.isFinite(x + y) && Math.abs(x - y) <= SAME * Math.max(x, y);
        }
        return a.equals(b);
    }

    /** One cause of a band's width: how far it alone moves the reading, Ω. */
    public record BandReason(String cause, double down, double up) {}
}
