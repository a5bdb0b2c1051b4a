package prantel.core.expectation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.rig.CompiledRig;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Variation;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/**
 * What is known of a rig without faults, under a scheme and with a tester: worked out once, shared by all keys made from
 * it. Safe for use by several threads.
 */
final class HealthyRig {
    private static final Variation TWICE_THE_JOINTS = new Variation(1, 2, 1, 1, 1, 1, 1);

    private final Rig rig;
    private final Scheme scheme;
    private final Tester tester;
    private final AsBuilt asBuilt;
    private final CompiledRig compiled;
    private final SetUpNetworks declared;
    private final Map<Variation, SetUpNetworks> varied = new ConcurrentHashMap<>();
    private final List<Slot> slots;
    private final Ends ends;
    /** Where in the list of slots a box stands. */
    private final Map<SlotId, Integer> places = new HashMap<>();
    // by place; two threads may both work one out, and find the same
    private final @Nullable Known[] known;
    private final @Nullable Seen[] seen;
    private final @Nullable Expectation[] composed;
    private final Map<SlotId, Double> inJoints = new ConcurrentHashMap<>();
    private volatile @Nullable List<Fault> everyFault;

    HealthyRig(Rig rig, Scheme scheme, Tester tester, AsBuilt asBuilt) {
        this.rig = rig;
        this.scheme = scheme;
        this.tester = tester;
        this.asBuilt = asBuilt;
        compiled = RigCompiler.compileAll(rig);
        declared = new SetUpNetworks(compiled.network(Variation.NONE), null);
        slots = SlotPlan.of(rig, scheme);
        for (int i = 0; i < slots.size(); i++) {
            places.put(slots.get(i).id(), i);
        }
        known = new Known[slots.size()];
        seen = new Seen[slots.size()];
        composed = new Expectation[slots.size()];
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

    /** @param place of a measured box in {@link #slots} */
    Known known(int place) {
        Known made = known[place];
        if (made == null) {
            made = workOut((Slot.Measured) slots.get(place));
            known[place] = made;
        }
        return made;
    }

    /** @param place of a measured box in {@link #slots} */
    Seen seen(int place) {
        Seen made = seen[place];
        if (made == null) {
            made = ends.nominal.see((Slot.Measured) slots.get(place));
            seen[place] = made;
        }
        return made;
    }

    /** @param place of a composed box in {@link #slots} */
    Expectation composed(int place) {
        Expectation made = composed[place];
        if (made == null) {
            Slot.Composed slot = (Slot.Composed) slots.get(place);
            made = Composition.of(slot, slot.limit(), this::expectation);
            composed[place] = made;
        }
        return made;
    }

    private Expectation expectation(SlotId id) {
        int place = Objects.requireNonNull(places.get(id));
        return slots.get(place) instanceof Slot.Measured ? known(place).expectation() : composed(place);
    }

    /** Everything worked out now, so that it is not worked out by several threads at once. */
    void prepare() {
        for (int i = 0; i < slots.size(); i++) {
            if (slots.get(i) instanceof Slot.Measured) {
                known(i);
                seen(i);
            } else {
                composed(i);
            }
        }
    }

    /** Any reading, whether or not it is a box of the sheet. */
    Known workOut(Slot.Measured slot) {
        Found found = ends.nominal.find(slot);
        AsBuilt.Shift shift =
                found instanceof Found.Number number ? asBuilt.shift(slot, number.base()) : AsBuilt.Shift.NONE;
        Reading reading = shown(slot, found, shift);
        Window window = window(slot, found, ends, shift);
        return new Known(slot, found, shift, new Expectation(slot, reading, reading, window, window, slot.limit()));
    }

    Reading shown(Slot.Measured slot, Found found, AsBuilt.Shift shift) {
        return switch (found) {
            case Found.Number number -> meter(slot).show(shift.of(number.base()));
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped -> new Reading.NoReading(stopped.stop(), stopped.where(), slot.boxUnit());
        };
    }

    /** @param nominal what is found on the rig as declared */
    Window window(Slot.Measured slot, Found nominal, Ends of, AsBuilt.Shift shift) {
        List<Found> founds = new ArrayList<>(List.of(of.low.find(slot), of.high.find(slot)));
        if (slot.function().isLive()) {
            // tolerances of a live rig can part what opens and what does not, and need not move a reading one way only
            founds.add(nominal);
            founds.addAll(of.nominal
                    .live(slot.setUp())
                    .spread(of.low.live(slot.setUp()), of.high.live(slot.setUp()))
                    .apart(slot.measurement(), nominal));
        }
        double least = Double.POSITIVE_INFINITY;
        double most = 0;
        boolean number = false;
        List<Window> windows = new ArrayList<>();
        for (Found found : founds) {
            switch (found) {
                case Found.Number one -> {
                    number = true;
                    least = Math.min(least, shift.of(one.base()));
                    most = Math.max(most, shift.of(one.base()));
                }
                case Found.Words words -> windows.add(Window.words(words.saying(), words.also()));
                case Found.Stopped stopped -> windows.add(Window.stopped(stopped.stop()));
            }
        }
        if (number) {
            double hands = slot.function().isContinuity()
                    ? scheme.practice().tolerances().handsOhms()
                    : 0;
            windows.addFirst(Window.around(Math.max(0, least - hands / 2), most + hands, meter(slot)));
        }
        return Window.anyOf(windows);
    }

    private Meter meter(Slot.Measured slot) {
        return tester.meter(slot.function()).orElseThrow();
    }

    /** Every single fault that fits the rig. */
    List<Fault> everyFault() {
        List<Fault> made = everyFault;
        if (made == null) {
            made = List.copyOf(FaultCatalogue.everyFault(rig));
            everyFault = made;
        }
        return made;
    }

    /** The rig as declared with faults. */
    Bench nominal(FaultSet set) {
        return Bench.of(declared, rig, set, Variation.NONE, null);
    }

    /** Of a healthy reading what lies in its joints, in the unit of the reading; 0 where that is none of its business. */
    double inJoints(SlotId id) {
        return inJoints.computeIfAbsent(id, i -> {
            if (!(slots.get(Objects.requireNonNull(places.get(i))) instanceof Slot.Measured m)
                    || !m.function().isContinuity()) {
                return 0.0;
            }
            double more = bench(FaultSet.NONE, TWICE_THE_JOINTS, ends.nominal).value(m) - ends.nominal.value(m);
            return Double.isFinite(more) ? more : 0;
        });
    }

    Ends ends(FaultSet set) {
        Bench nominal = nominal(set);
        return new Ends(
                nominal,
                bench(set, scheme.practice().tolerances().low(), nominal),
                bench(set, scheme.practice().tolerances().high(), nominal));
    }

    /** The rig varied in another way than to its two ends; not kept. */
    Bench varied(FaultSet set, Variation variation, Bench nominal) {
        return variation.equals(Variation.NONE)
                ? nominal
                : Bench.of(new SetUpNetworks(compiled.network(variation), declared), rig, set, variation, nominal);
    }

    private Bench bench(FaultSet set, Variation variation, Bench nominal) {
        SetUpNetworks networks =
                varied.computeIfAbsent(variation, v -> new SetUpNetworks(compiled.network(v), declared));
        return Bench.of(networks, rig, set, variation, nominal);
    }
}
