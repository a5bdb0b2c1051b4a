package prantel.bench.mistakes;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.function.Predicate;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.inference.Beside;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.Position;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.ProblemsException;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Point;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Variation;
import prantel.core.safety.SafetyCheck;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/**
 * Makes candidates' records: a rig that is built a little otherwise than drawn, a tester with its own gain and leads, a hand
 * that nulls almost, and one mistake or none. It knows nothing of how they are explained. Spreads: common practice, no source.
 */
final class Corpus {
    /** Nobody's mistake: one circuit has a third to two thirds more cable than is drawn. */
    private static final String BUILT_LONGER = "built-longer";

    static final List<String> KINDS = List.of(
            "leads",
            "leads-one-circuit",
            "wander",
            "link",
            "switch-open",
            "another-point",
            "other-step",
            "not-crossed",
            "one-pair",
            "not-divided",
            "lowest",
            "faster",
            "not-doubled",
            "slip",
            "healthy",
            "load-in",
            "bond-left-on",
            "earth-left-on",
            "current-of-ze",
            "neighbour",
            "zs-calculated",
            "by-length",
            "middle",
            "doubled",
            "halved",
            "range-too-low",
            "range-too-high",
            "wrong-volts",
            "device-on",
            "neutral-in",
            "cpc-off",
            "lead-broken",
            "rounds",
            "nulled-wrong",
            "tester-off",
            "tester-stuck",
            "copied-record",
            "round-numbers",
            "surge-protection-in",
            "load-in-throughout",
            "earth-left-off",
            "ends-left-in",
            "not-joined",
            "switch-closed",
            "fault-not-set",
            "fault-elsewhere",
            "fault-left-over",
            "fault-left-over-sized",
            "fault-left-over-seen",
            "fault-drifted",
            BUILT_LONGER,
            "five-times-in-one",
            "leads-leak");
    /** Mistakes that leave each other their boxes, mostly. */
    private static final List<String> TOGETHER = List.of(
            "leads-one-circuit",
            "link",
            "switch-open",
            "another-point",
            "not-crossed",
            "not-divided",
            "slip",
            "load-in",
            "wander",
            "neighbour",
            "healthy",
            "wrong-volts",
            "rounds");
    /** Top of the first range of an insulation tester, Ω. */
    private static final double LOWEST_RANGE = 9.99e6;
    /** A joint or a leak that was left over, and whoever stood there before read it as well. */
    private static final String SEEN = "fault-left-over-seen";

    /** Honest records of the same rig that lie beside each. */
    private static final int OTHERS = 3;

    private final Random random;
    /** How far all spreads are off what a model may assume. */
    private final double wider;

    Corpus(long seed, double wider) {
        this.random = new Random(seed);
        this.wider = wider;
    }

    private double gauss(double sigma) {
        return random.nextGaussian() * sigma * wider;
    }

    private double factor(double sigma) {
        return Math.max(0.7, 1 + gauss(sigma));
    }

    /** None to two faults that go together. */
    Key with(Key healthy, int faults) {
        List<Fault> all = FaultCatalogue.everyFault(healthy.rig()).stream()
                .filter(f -> !f.kind().isSeen())
                .toList();
        FaultSet set = FaultSet.NONE;
        for (int tries = 0; set.faults().size() < faults && tries < 50; tries++) {
            try {
                FaultSet more = set.with(all.get(random.nextInt(all.size())));
                more.checkChosenOn(healthy.rig());
                set = more;
            } catch (ProblemsException e) {
                // not together
            }
        }
        return healthy.with(set);
    }

    /** Empty where a kind cannot be made on this rig, or makes no box otherwise. */
    Optional<MadeRecord> make(Key key, String kind) {
        Making making = new Making(key);
        Map<SlotId, String> honest = making.honest();
        List<Map<SlotId, String>> theirs = new ArrayList<>();
        for (int i = 0; i < OTHERS; i++) {
            theirs.add(new Making(key).honest());
        }
        List<Beside.Other> others = new ArrayList<>();
        theirs.forEach(t -> others.add(new Beside.Other("record " + others.size(), onTheSheet(key, t))));
        Making person = making.anotherPerson();
        Beside beside = beside(others, person.honest(), key);
        if (kind.isEmpty()) {
            return Optional.of(new MadeRecord(key, onTheSheet(key, honest), kind, Set.of(), beside));
        }
        if (kind.equals(BUILT_LONGER)) {
            return builtLonger(key)
                    .flatMap(really -> off(
                            key,
                            kind,
                            honest,
                            making.at(really).honest(),
                            beside(others, person.at(really).honest(), key)));
        }
        if (kind.startsWith("fault-")) {
            return otherwiseSet(key, kind)
                    .flatMap(really -> off(
                            key,
                            kind,
                            honest,
                            making.at(really).honest(),
                            kind.equals(SEEN)
                                    ? new Beside(
                                            Map.of(),
                                            Set.of(),
                                            List.of(),
                                            List.of(onTheSheet(
                                                    key, person.at(really).honest())))
                                    : Beside.NOTHING));
        }
        Map<SlotId, String> spoilt = new LinkedHashMap<>(honest);
        if (kind.equals("copied-record")) {
            spoilt.putAll(theirs.getFirst());
        }
        making.spoil(kind, spoilt);
        making.choose(kind, spoilt);
        making.compose(spoilt, kind);
        return off(key, kind, honest, spoilt, beside);
    }

    private static Beside beside(List<Beside.Other> others, Map<SlotId, String> atThisRig, Key key) {
        return new Beside(Map.of(), Set.of(), others, List.of(onTheSheet(key, atThisRig)));
    }

    /** The same rig, one of whose radials really is longer than drawn. */
    private Optional<Key> builtLonger(Key key) {
        Rig drawn = key.rig();
        List<Circuit> radials =
                drawn.circuits().stream().filter(Radial.class::isInstance).toList();
        if (radials.isEmpty()) {
            return Optional.empty();
        }
        Circuit longer = radials.get(random.nextInt(radials.size()));
        double factor = 1.33 + random.nextDouble() / 3;
        List<Circuit> circuits = drawn.circuits().stream()
                .map(c -> c == longer && c instanceof Radial r
                        ? new Radial(
                                r.head(),
                                r.threePhase(),
                                r.points().stream()
                                        .map(p -> new Point(
                                                p.id(),
                                                p.label(),
                                                p.kind(),
                                                factor * p.atMetres(),
                                                p.after(),
                                                p.load(),
                                                p.metal()))
                                        .toList())
                        : c)
                .toList();
        Rig really = new Rig(
                drawn.nameplate(), drawn.intake(), drawn.workmanship(), drawn.boards(), circuits, drawn.relays());
        return Optional.of(Key.of(really, key.faults(), key.tester(), key.scheme()));
    }

    /** Several mistakes one after the other in one record, with the boxes that each spoilt last; those that spoilt none are left out. */
    List<MadeRecord> several(Key key, int count) {
        Making making = new Making(key);
        Map<SlotId, String> texts = making.honest();
        List<String> kinds = new ArrayList<>(TOGETHER);
        java.util.Collections.shuffle(kinds, random);
        Map<SlotId, String> by = new LinkedHashMap<>();
        for (String kind : kinds.subList(0, count)) {
            Map<SlotId, String> before = new LinkedHashMap<>(texts);
            making.spoil(kind, texts);
            texts.forEach((id, text) -> {
                if (!text.equals(before.get(id))) {
                    by.put(id, kind);
                }
            });
        }
        making.compose(texts, "");
        // what spoilt a reading spoilt the figure it came from
        for (Slot slot : SlotPlan.sheet(key.rig(), key.scheme())) {
            if (slot instanceof Slot.Composed c && c.isFigure()) {
                c.of().stream()
                        .map(by::get)
                        .filter(java.util.Objects::nonNull)
                        .findFirst()
                        .ifPresent(kind -> by.put(c.id(), kind));
            }
        }
        Map<SlotId, String> written = onTheSheet(key, texts);
        by.keySet().retainAll(written.keySet());
        List<MadeRecord> made = new ArrayList<>();
        for (String kind : kinds.subList(0, count)) {
            Set<SlotId> spoilt = new HashSet<>();
            by.forEach((id, k) -> {
                if (k.equals(kind)) {
                    spoilt.add(id);
                }
            });
            if (!spoilt.isEmpty()) {
                made.add(new MadeRecord(key, written, kind, spoilt, Beside.NOTHING));
            }
        }
        return made;
    }

    /** The rig as it is when somebody set it otherwise than was meant. */
    private Optional<Key> otherwiseSet(Key key, String kind) {
        List<Fault> set = key.faults().faults();
        boolean leftOver = kind.startsWith("fault-left-over");
        if (set.isEmpty() && !leftOver) {
            return Optional.empty();
        }
        List<Fault> there = new ArrayList<>(set);
        Fault one = set.isEmpty() ? null : there.remove(random.nextInt(there.size()));
        List<Fault> all = FaultCatalogue.everyFault(key.rig());
        List<Fault> others = switch (kind) {
            case "fault-elsewhere" ->
                all.stream()
                        .filter(f -> one != null
                                && f.kind() == one.kind()
                                && f.conductors().equals(one.conductors())
                                && !f.place().equals(one.place())
                                && f.place().ofCircuit().equals(one.place().ofCircuit()))
                        .map(f -> f.withSize(one == null ? 0 : one.size()))
                        .toList();
            case "fault-left-over" ->
                all.stream()
                        .filter(f -> !f.kind().isSeen() && f.kind().magnitude().isEmpty())
                        .toList();
            case "fault-left-over-sized", SEEN ->
                all.stream()
                        .filter(f -> !f.kind().isSeen() && f.kind().magnitude().isPresent())
                        .map(f -> f.withSize(f.size() * Math.exp(0.5 * random.nextGaussian())))
                        .toList();
            case "fault-drifted" ->
                one == null || one.kind().magnitude().isEmpty()
                        ? List.of()
                        : List.of(one.withSize(one.size() * Math.exp(0.35 + random.nextDouble() * 0.4)));
            default -> List.of();
        };
        if (others.isEmpty() && !kind.equals("fault-not-set")) {
            return Optional.empty();
        }
        if (leftOver && one != null) {
            there.add(one);
        }
        if (!others.isEmpty()) {
            there.add(others.get(random.nextInt(others.size())));
        }
        try {
            return Optional.of(key.with(new FaultSet(there)));
        } catch (ProblemsException e) {
            return Optional.empty();
        }
    }

    /** Only what has a box: where a scheme asks for a figure, what it comes from stays in the head. */
    private static Map<SlotId, String> onTheSheet(Key key, Map<SlotId, String> texts) {
        Map<SlotId, String> written = new LinkedHashMap<>();
        for (Slot slot : SlotPlan.sheet(key.rig(), key.scheme())) {
            String text = texts.get(slot.id());
            if (text != null) {
                written.put(slot.id(), text);
            } else if (slot instanceof Slot.Composed c
                    && c.isFigure()
                    && texts.keySet().containsAll(c.of())
                    && !(key.expectation(slot.id()).withFaults() instanceof Reading.Value)) {
                written.put(slot.id(), key.expectation(slot.id()).withFaults().shown());
            }
        }
        return written;
    }

    private static Optional<MadeRecord> off(
            Key key, String kind, Map<SlotId, String> inTheHead, Map<SlotId, String> otherwise, Beside beside) {
        Map<SlotId, String> honest = onTheSheet(key, inTheHead);
        Map<SlotId, String> spoilt = onTheSheet(key, otherwise);
        Set<SlotId> other = new HashSet<>();
        spoilt.forEach((id, text) -> {
            if (!text.equals(honest.get(id))) {
                other.add(id);
            }
        });
        return other.isEmpty() ? Optional.empty() : Optional.of(new MadeRecord(key, spoilt, kind, other, beside));
    }

    /** One candidate at one rig with one tester. */
    private final class Making {
        private final Key key;
        private final Variation built;
        private final Bench bench;
        private final Map<Function, Double> gain;
        private final Map<String, Double> residue;
        private final Map<SlotId, Double> hands;
        private final double leadFactor;
        private final Set<CircuitId> byMethodOne = new HashSet<>();
        private final boolean mayGoLive;

        Making(Key key) {
            this(
                    new Variation(
                            factor(0.025),
                            Math.exp(gauss(0.4)),
                            Math.exp(gauss(0.7)),
                            factor(0.02),
                            factor(0.03),
                            factor(0.012),
                            factor(0.04)),
                    key);
        }

        private Making(Key key, Making same) {
            this.key = key;
            this.leadFactor = same.leadFactor;
            this.built = same.built;
            this.bench = new Bench(key.rig(), key.faults(), built);
            this.gain = same.gain;
            this.residue = same.residue;
            this.hands = same.hands;
            this.byMethodOne.addAll(same.byMethodOne);
            this.mayGoLive = same.mayGoLive;
        }

        private Making(Variation built, Key key) {
            this.key = key;
            this.leadFactor = 1 + gauss(0.1);
            this.built = built;
            this.bench = new Bench(key.rig(), key.faults(), built);
            this.gain = new LinkedHashMap<>();
            this.residue = new LinkedHashMap<>();
            this.hands = new LinkedHashMap<>();
            this.mayGoLive = SafetyCheck.of(key.rig(), key.faults()).mayGoLive();
            key.expectations().stream()
                    .map(Expectation::slot)
                    .filter(s -> s.step() == TestKind.R1_R2 && !(s instanceof Slot.Composed))
                    .flatMap(s -> s.circuit().stream())
                    .forEach(byMethodOne::add);
        }

        /** Another one at the very same rig. */
        Making anotherPerson() {
            return new Making(built, key);
        }

        /** The same person with the same tester at a rig of the same build, with other faults on it. */
        Making at(Key really) {
            return new Making(really, this);
        }

        private double shownBase(Slot.Measured slot, double base) {
            double g = gain.computeIfAbsent(slot.function(), f -> factor(f.isContinuity() ? 0.008 : 0.015));
            if (!Double.isFinite(base)) {
                return base;
            }
            if (!slot.function().isContinuity()) {
                return base * g * (1 + hand(slot, 0.01));
            }
            String leads =
                    slot.function() + slot.circuit().map(CircuitId::value).orElse("");
            double left = residue.computeIfAbsent(
                    leads, l -> Math.abs(gauss(slot.function() == Function.CONTINUITY ? 0.008 : 0.012)));
            return Math.max(0, base * g + left + hand(slot, 0.006));
        }

        private double hand(Slot slot, double sigma) {
            return hands.computeIfAbsent(slot.id(), i -> random.nextGaussian()) * sigma * wider;
        }

        private String text(Slot.Measured slot, double base) {
            Meter meter = key.tester().meter(slot.function()).orElseThrow();
            return meter.show(shownBase(slot, base)).shown().replace('\u2009', ' ');
        }

        Map<SlotId, String> honest() {
            Map<SlotId, String> texts = new LinkedHashMap<>();
            for (Expectation e : key.expectations()) {
                if (e.slot() instanceof Slot.Measured m && wanted(m)) {
                    boolean number = key.tester().meter(m.function()).isPresent()
                            && !(e.withFaults() instanceof Reading.NoReading);
                    double base = number ? bench.value(m) : 0;
                    texts.put(
                            m.id(),
                            number && Double.isFinite(base)
                                            || number && !m.function().isLive()
                                    ? text(m, base)
                                    : e.withFaults().shown());
                }
            }
            compose(texts, "");
            return texts;
        }

        /** One method for each circuit, the first where a scheme asks for either; nothing live where that would be dangerous. */
        private boolean wanted(Slot.Measured slot) {
            return slot.step() == TestKind.R2
                    ? slot.circuit().filter(byMethodOne::contains).isEmpty()
                    : mayGoLive || !slot.step().isLive();
        }

        /** Boxes for the record, from the candidate's own. */
        void compose(Map<SlotId, String> texts, String kind) {
            for (Expectation e : key.expectations()) {
                if (!(e.slot() instanceof Slot.Composed c) || c.step().isLive() && !mayGoLive) {
                    continue;
                }
                List<Double> own = new ArrayList<>();
                boolean over = false;
                for (SlotId id : c.of()) {
                    String text = texts.get(id);
                    if (text != null && text.startsWith(">")) {
                        over = true;
                    } else if (text != null) {
                        base(text).ifPresent(own::add);
                    }
                }
                if (own.isEmpty() && !over) {
                    continue;
                }
                Slot first = key.expectation(c.of().getFirst()).slot();
                if (over && (c.rule() != Slot.Rule.LOWEST || own.isEmpty())) {
                    if (first instanceof Slot.Measured m) {
                        texts.put(
                                c.id(),
                                key.tester()
                                        .meter(m.function())
                                        .orElseThrow()
                                        .overRange()
                                        .shown());
                    }
                    continue;
                }
                double max = own.stream().mapToDouble(x -> x).max().orElseThrow();
                double min = own.stream().mapToDouble(x -> x).min().orElseThrow();
                boolean here = c.id().equals(chosen);
                double between =
                        own.stream().filter(x -> x > min && x < max).findFirst().orElse(max);
                double value = switch (c.rule()) {
                    case HIGHEST ->
                        kind.equals("lowest") && here
                                ? min
                                : kind.equals("middle")
                                        ? between
                                        : kind.equals("doubled") && c.step() == TestKind.IPF ? 2 * max : max;
                    case SLOWER -> kind.equals("faster") && here ? min : max;
                    case LOWEST -> min;
                    case TWICE_HIGHEST -> kind.equals("not-doubled") ? max : 2 * max;
                    case SUM -> own.stream().mapToDouble(x -> x).sum();
                    case SPREAD -> max - min;
                };
                if (c.rule() == Slot.Rule.SUM && own.size() < c.of().size()) {
                    continue;
                }
                texts.put(c.id(), written(c, value));
            }
        }

        private @org.jspecify.annotations.Nullable SlotId chosen;

        /** A box of a mistake that is made once: one that has readings to choose from. */
        void choose(String kind, Map<SlotId, String> texts) {
            Slot.Rule rule = kind.equals("faster") ? Slot.Rule.SLOWER : Slot.Rule.HIGHEST;
            List<SlotId> all = key.expectations().stream()
                    .map(Expectation::slot)
                    .filter(s -> s instanceof Slot.Composed c
                            && c.rule() == rule
                            && c.of().stream()
                                            .flatMap(id -> base(texts.getOrDefault(id, "")).stream())
                                            .distinct()
                                            .count()
                                    > 1)
                    .map(Slot::id)
                    .toList();
            chosen = all.isEmpty() ? null : all.get(random.nextInt(all.size()));
        }

        private String written(Slot.Composed slot, double base) {
            Unit unit = slot.boxUnit();
            int places = unit == Unit.OHM || unit == Unit.KILOAMP ? 2 : unit == Unit.MILLISECOND ? 1 : 2;
            return String.format(Locale.ROOT, "%." + places + "f %s", unit.fromBase(base), unit.symbol());
        }

        private Optional<Double> base(String text) {
            String[] parts = text.trim().split("\\s+");
            try {
                double n = Double.parseDouble(parts[0]);
                double factor = parts.length < 2
                        ? 1
                        : switch (parts[1]) {
                            case "kΩ", "kA" -> 1e3;
                            case "MΩ" -> 1e6;
                            case "mA" -> 1e-3;
                            default -> 1;
                        };
                return Optional.of(n * factor);
            } catch (NumberFormatException e) {
                return Optional.empty();
            }
        }

        private List<Slot.Measured> of(Predicate<Slot.Measured> which) {
            List<Slot.Measured> found = new ArrayList<>();
            for (Expectation e : key.expectations()) {
                if (e.slot() instanceof Slot.Measured m && wanted(m) && which.test(m)) {
                    found.add(m);
                }
            }
            return found;
        }

        private Optional<Circuit> any(Predicate<Circuit> which) {
            List<Circuit> all = key.rig().circuits().stream().filter(which).toList();
            return all.isEmpty() ? Optional.empty() : Optional.of(all.get(random.nextInt(all.size())));
        }

        private List<Slot.Measured> of(Circuit circuit, TestKind test) {
            return of(m ->
                    m.step() == test && m.circuit().filter(circuit.id()::equals).isPresent());
        }

        private void otherwise(Map<SlotId, String> texts, Slot.Measured slot, SetUp setUp) {
            texts.put(slot.id(), text(slot, bench.value(slot, setUp)));
        }

        private void with(Map<SlotId, String> texts, Slot.Measured slot, Deed deed) {
            otherwise(texts, slot, slot.setUp().and(deed));
        }

        private void onRange(Map<SlotId, String> texts, Slot.Measured slot, int range) {
            Meter meter = key.tester().meter(slot.function()).orElseThrow();
            double base = bench.value(slot);
            if (texts.containsKey(slot.id()) && meter.ranges().size() > range + 1) {
                texts.put(
                        slot.id(),
                        meter.on(meter.ranges().get(range))
                                .show(shownBase(slot, base))
                                .shown()
                                .replace('\u2009', ' '));
            }
        }

        private void add(Map<SlotId, String> texts, Slot.Measured slot, double ohms) {
            double base = bench.value(slot);
            if (Double.isFinite(base)) {
                texts.put(slot.id(), text(slot, base + ohms));
            }
        }

        void spoil(String kind, Map<SlotId, String> texts) {
            double pair = key.tester().leads().pairOhms() * leadFactor;
            double wander = key.tester().leads().wanderOhms() * leadFactor;
            switch (kind) {
                case "leads" -> of(m -> m.function() == Function.CONTINUITY).forEach(m -> add(texts, m, pair));
                case "leads-one-circuit" ->
                    any(c -> !of(c, TestKind.R1_R2).isEmpty())
                            .ifPresent(c -> of(c, TestKind.R1_R2).forEach(m -> add(texts, m, pair)));
                case "wander" ->
                    of(m -> m.step() == TestKind.BONDING).forEach(m -> {
                        if (m.function() == Function.CONTINUITY_WANDER_LEAD) {
                            add(texts, m, wander);
                        }
                    });
                case "link" ->
                    any(c -> !of(c, TestKind.R1_R2).isEmpty())
                            .ifPresent(c -> of(c, TestKind.R1_R2)
                                    .forEach(m -> otherwise(texts, m, m.setUp().without(Deed.Link.class::isInstance))));
                case "switch-open" -> {
                    List<Slot.Measured> all = of(m -> m.step() == TestKind.R1_R2
                            && m.setUp().deeds().stream()
                                    .anyMatch(d -> d instanceof Deed.Operate(Position.Lights lights)));
                    if (!all.isEmpty()) {
                        Slot.Measured m = all.get(random.nextInt(all.size()));
                        texts.put(m.id(), key.tester().ohmmeter().overRange().shown());
                    }
                }
                case "another-point" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 2).ifPresent(c -> {
                        List<Slot.Measured> all = of(c, TestKind.R1_R2);
                        int i = random.nextInt(all.size());
                        int j = (i + 1 + random.nextInt(all.size() - 1)) % all.size();
                        texts.put(all.get(i).id(), texts.get(all.get(j).id()));
                    });
                case "other-step" ->
                    any(Ring.class::isInstance).ifPresent(c -> {
                        List<Slot.Measured> all = of(c, TestKind.RING);
                        for (Slot.Measured m : all) {
                            if (m.address().is(Quantity.R1_R2)) {
                                texts.put(
                                        m.id(),
                                        texts.get(new SlotId(m.id().value().replace("step-3", "step-2"))));
                            }
                        }
                    });
                case "leads-leak" -> {
                    double leak = 2e6 + 16e6 * random.nextDouble();
                    of(m -> m.function().isInsulation())
                            .forEach(m -> texts.put(m.id(), text(m, 1 / (1 / bench.value(m) + 1 / leak))));
                }
                case "five-times-in-one" -> {
                    List<Slot.Measured> fives = of(m -> m.address().is(Quantity.TRIP_AT_5));
                    of(m -> m.address().is(Quantity.TRIP_AT_1))
                            .forEach(one -> fives.stream()
                                    .filter(five -> five.address()
                                                    .site()
                                                    .equals(one.address().site())
                                            && five.address().detail().negativeHalf()
                                                    == one.address().detail().negativeHalf())
                                    .findFirst()
                                    .ifPresent(five -> texts.put(one.id(), texts.get(five.id()))));
                }
                case "not-crossed", "one-pair" ->
                    any(Ring.class::isInstance)
                            .ifPresent(c -> of(c, TestKind.RING).stream()
                                    .filter(m -> m.address().is(Quantity.R1_R2))
                                    .forEach(m -> otherwise(texts, m, crossed(m.setUp(), kind.equals("one-pair")))));
                case "not-divided", "halved" ->
                    any(Ring.class::isInstance)
                            .ifPresent(c -> of(c, TestKind.RING).stream()
                                    .filter(m -> m.address().is(Quantity.R1_RN))
                                    .forEach(m -> {
                                        double base = (kind.equals("halved") ? 2 : 4) * bench.value(m);
                                        if (Double.isFinite(base)) {
                                            texts.put(m.id(), text(m, base));
                                        }
                                    }));
                case "wrong-volts" ->
                    insulation().forEach(m -> {
                        if (m.function() == Function.INSULATION_500
                                && m.measurement() instanceof Measurement.TwoProbe probes) {
                            texts.put(
                                    m.id(),
                                    text(
                                            m,
                                            bench.value(m.with(new Measurement.TwoProbe(
                                                    Function.INSULATION_250, probes.a(), probes.b())))));
                        }
                    });
                case "range-too-low" ->
                    any(c -> of(c, TestKind.INSULATION).stream()
                                    .anyMatch(
                                            m -> bench.value(m) > LOWEST_RANGE && bench.value(m) < 100 * LOWEST_RANGE))
                            .ifPresent(c -> of(c, TestKind.INSULATION).forEach(m -> onRange(texts, m, 0)));
                case "range-too-high" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 2)
                            .ifPresent(c -> of(c, TestKind.R1_R2).forEach(m -> onRange(texts, m, 1)));
                case "device-on" ->
                    insulation()
                            .forEach(m -> otherwise(
                                    texts,
                                    m,
                                    m.setUp().without(d -> d instanceof Deed.Operate(Position.Device device))));
                case "neutral-in" ->
                    insulation().forEach(m -> otherwise(texts, m, m.setUp().without(Deed.TakeOut.class::isInstance)));
                case "cpc-off" ->
                    any(c -> !of(c, TestKind.INSULATION).isEmpty())
                            .ifPresent(c -> of(c, TestKind.INSULATION)
                                    .forEach(m ->
                                            with(texts, m, new Deed.TakeOut(new End.AtBoard(c.id(), Conductor.CPC)))));
                case "lead-broken" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 1)
                            .ifPresent(c -> of(c, TestKind.R1_R2)
                                    .forEach(m -> texts.put(
                                            m.id(),
                                            key.tester().ohmmeter().overRange().shown())));
                case "rounds" ->
                    any(c -> of(c, TestKind.INSULATION).stream()
                                    .anyMatch(m -> m.id().value().endsWith("/round-2")))
                            .ifPresent(c -> of(c, TestKind.INSULATION).forEach(m -> {
                                String first = m.id().value().replaceAll("/round-\\d+", "/round-1");
                                if (texts.containsKey(new SlotId(first))) {
                                    texts.put(m.id(), texts.get(new SlotId(first)));
                                }
                            }));
                case "nulled-wrong" ->
                    of(m -> m.function() == Function.CONTINUITY)
                            .forEach(m -> add(texts, m, -(0.6 + 0.3 * random.nextDouble()) * pair));
                case "tester-off" -> {
                    double factor = random.nextBoolean() ? 0.8 : 1.2;
                    of(m -> m.function().isContinuity()).forEach(m -> {
                        double base = bench.value(m);
                        if (Double.isFinite(base)) {
                            texts.put(m.id(), text(m, base * factor));
                        }
                    });
                }
                case "tester-stuck" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 3)
                            .ifPresent(c -> of(c, TestKind.R1_R2)
                                    .forEach(m -> texts.put(
                                            m.id(),
                                            texts.get(of(c, TestKind.R1_R2)
                                                    .getFirst()
                                                    .id()))));
                case "round-numbers" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 3)
                            .ifPresent(c -> of(c, TestKind.R1_R2).forEach(m -> {
                                double base = bench.value(m) * (0.6 + 0.9 * random.nextDouble());
                                if (Double.isFinite(base)) {
                                    texts.put(
                                            m.id(),
                                            String.format(
                                                    Locale.ROOT, "%.2f Ω", Math.max(0.05, Math.rint(base * 20) / 20)));
                                }
                            }));
                case "slip" -> {
                    List<Slot.Measured> all = of(m -> m.boxUnit() == Unit.OHM
                            && base(texts.getOrDefault(m.id(), ""))
                                    .filter(b -> b > 0.05)
                                    .isPresent());
                    if (!all.isEmpty()) {
                        Slot.Measured m = all.get(random.nextInt(all.size()));
                        double base = base(texts.getOrDefault(m.id(), "")).orElseThrow();
                        texts.put(
                                m.id(),
                                String.format(Locale.ROOT, "%.3f Ω", random.nextBoolean() ? base * 10 : base / 10));
                    }
                }
                case "healthy" -> {
                    Optional<CircuitId> where = key.faults().faults().stream()
                            .flatMap(f -> f.place().ofCircuit().stream())
                            .findFirst();
                    Key healthy = key.with(FaultSet.NONE);
                    for (Expectation e : key.expectations()) {
                        if (e.slot() instanceof Slot.Measured m
                                && wanted(m)
                                && where.isPresent()
                                && m.circuit().equals(where)
                                && healthy.expectation(m.id()).withFaults() instanceof Reading.Value v
                                && !v.equals(e.withFaults())) {
                            texts.put(m.id(), text(m, v.base()));
                        }
                    }
                }
                case "load-in" ->
                    any(c -> c.points().stream().anyMatch(p -> p.load().isPresent())
                                    && !of(c, TestKind.INSULATION).isEmpty())
                            .ifPresent(c -> {
                                List<Point> loaded = c.points().stream()
                                        .filter(p -> p.load().isPresent())
                                        .toList();
                                Deed in = new Deed.LoadIn(
                                        c.id(),
                                        loaded.get(random.nextInt(loaded.size()))
                                                .id());
                                of(c, TestKind.INSULATION).forEach(m -> with(texts, m, in));
                            });
                case "surge-protection-in" ->
                    key.rig()
                            .boards()
                            .forEach(b -> of(m -> m.step() == TestKind.INSULATION_BOARD)
                                    .forEach(m -> with(texts, m, new Deed.SurgeProtectionIn(b.id()))));
                case "load-in-throughout" ->
                    any(c -> c.points().stream().anyMatch(p -> p.load().isPresent()))
                            .ifPresent(c -> {
                                List<Point> loaded = c.points().stream()
                                        .filter(p -> p.load().isPresent())
                                        .toList();
                                Deed in = new Deed.LoadIn(
                                        c.id(),
                                        loaded.get(random.nextInt(loaded.size()))
                                                .id());
                                of(m -> m.step() == TestKind.INSULATION_BOARD
                                                || m.step() == TestKind.INSULATION
                                                        && m.circuit()
                                                                .filter(c.id()::equals)
                                                                .isPresent())
                                        .forEach(m -> with(texts, m, in));
                            });
                case "earth-left-off" ->
                    any(c -> !of(c, TestKind.ZS).isEmpty())
                            .ifPresent(c -> of(c, TestKind.ZS)
                                    .forEach(m -> with(texts, m, new Deed.TakeOut(new End.OfEarthing()))));
                case "ends-left-in" ->
                    any(Ring.class::isInstance)
                            .ifPresent(c -> of(c, TestKind.RING).stream()
                                    .filter(m -> !m.address().is(Quantity.R1_R2)
                                            && !m.address().is(Quantity.R1_RN))
                                    .forEach(m ->
                                            otherwise(texts, m, m.setUp().without(Deed.TakeOut.class::isInstance))));
                case "not-joined" ->
                    any(Ring.class::isInstance)
                            .ifPresent(c -> of(c, TestKind.RING).stream()
                                    .filter(m -> m.address().is(Quantity.R1_RN))
                                    .forEach(
                                            m -> otherwise(texts, m, m.setUp().without(Deed.Cross.class::isInstance))));
                case "switch-closed" ->
                    any(c -> !of(c, TestKind.POLARITY).isEmpty())
                            .ifPresent(c -> of(c, TestKind.POLARITY)
                                    .forEach(m ->
                                            otherwise(texts, m, m.setUp().without(Deed.Operate.class::isInstance))));
                case "bond-left-on" ->
                    of(m -> m.step() == TestKind.BONDING)
                            .forEach(m -> otherwise(texts, m, m.setUp().without(Deed.TakeOut.class::isInstance)));
                case "earth-left-on" ->
                    of(m -> m.step() == TestKind.ZE && m.address().is(Quantity.ZE))
                            .forEach(m -> otherwise(texts, m, m.setUp().without(Deed.TakeOut.class::isInstance)));
                case "current-of-ze" -> {
                    Optional<Double> ze = base(texts.getOrDefault(new SlotId("origin/ze"), ""));
                    ze.filter(z -> z > 0)
                            .ifPresent(z -> of(m -> m.address().is(Quantity.PEFC))
                                    .forEach(m -> texts.put(m.id(), String.format(Locale.ROOT, "%.2f kA", 0.230 / z))));
                }
                case "neighbour" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 1)
                            .ifPresent(c -> any(o -> !o.equals(c)
                                            && of(o, TestKind.R1_R2).size() > 1)
                                    .ifPresent(o -> {
                                        List<Slot.Measured> mine = of(c, TestKind.R1_R2);
                                        List<Slot.Measured> theirs = of(o, TestKind.R1_R2);
                                        for (int i = 0; i < Math.min(mine.size(), theirs.size()); i++) {
                                            texts.put(
                                                    mine.get(i).id(),
                                                    texts.get(theirs.get(i).id()));
                                        }
                                    }));
                case "zs-calculated" -> calculated(texts);
                case "by-length" ->
                    any(c -> of(c, TestKind.R1_R2).size() > 3
                                    && of(c, TestKind.R1_R2).stream()
                                            .allMatch(m -> m.byHand().isPresent()))
                            .ifPresent(c -> of(c, TestKind.R1_R2)
                                    .forEach(m -> texts.put(
                                            m.id(),
                                            String.format(
                                                    Locale.ROOT,
                                                    "%.2f Ω",
                                                    m.byHand().orElseThrow().base()))));
                default -> {}
            }
        }

        /** Of one circuit that has a test of it. */
        private List<Slot.Measured> insulation() {
            return any(c -> !of(c, TestKind.INSULATION).isEmpty())
                    .map(c -> of(c, TestKind.INSULATION))
                    .orElse(List.of());
        }

        private static SetUp crossed(SetUp setUp, boolean onePair) {
            Deed.Legs legs = onePair ? Deed.Legs.FIRST_LINE_ONLY : Deed.Legs.EACH_WITH_ITSELF;
            return setUp.instead(d -> d instanceof Deed.Cross c ? new Deed.Cross(c.ring(), c.with(), legs) : d);
        }

        private void calculated(Map<SlotId, String> texts) {
            Optional<Double> ze = base(texts.getOrDefault(new SlotId("origin/ze"), ""));
            if (ze.isEmpty()) {
                return;
            }
            for (Slot.Measured zs : of(m -> m.step() == TestKind.ZS)) {
                Circuit circuit = key.rig().circuit(zs.circuit().orElseThrow());
                if (!circuit.way().board().equals(key.rig().origin().id())) {
                    continue;
                }
                of(m -> (m.step() == TestKind.R1_R2
                                        || m.step() == TestKind.RING
                                                && m.address().is(Quantity.R1_R2))
                                && m.circuit().equals(zs.circuit())
                                && m.spot().point().equals(zs.spot().point()))
                        .stream()
                        .flatMap(m -> base(texts.getOrDefault(m.id(), "")).stream())
                        .max(Double::compare)
                        .ifPresent(r -> texts.put(zs.id(), String.format(Locale.ROOT, "%.2f Ω", ze.get() + r)));
            }
        }
    }
}
