package prantel.core.inference;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import prantel.core.instrument.Tester.Function;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.Position;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Point;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** What was done otherwise at the rig: an action of a set-up left out, doubled or replaced, and how the leads were. */
final class SetUpWorlds {
    private static final double LEADS_AROUND = 0.3;

    private static final int LEAST_LEAD_STEPS = 6;
    private static final double LEAD_STEP_OHMS = 0.03;
    /** Nulled through other clips, or with the leads not touching: less is taken off than is in, or more. */
    private static final double[] NULLED_WRONG = {-1, -0.75, -0.5, -0.35, 0.35, 0.5};

    /** A tester off by less is within what each of its functions may be off. */
    private static final double[] TESTER_FACTORS = {0.75, 0.82, 0.88, 1.12, 1.18, 1.25, 1.35};

    private static final Deed EARTH_OFF = new Deed.TakeOut(new End.OfEarthing());

    /** A circuit, all circuits, and what is read at the origin as well. */
    private static final int EARTH_SCOPES = 3;

    /** So many circuits, each off by so much to one side. */
    private static final int EVERYWHERE = 3;

    private static final double OFF = 0.14;
    private static final int DIGITS_THAT_TELL = 12;
    private static final int ENOUGH_FOR_THE_TESTER = 5;
    private static final int ENOUGH_FOR_A_SIZE = 4;

    private final Boxes boxes;
    private final Set<SlotId> odd;
    private final List<World> worlds = new ArrayList<>();

    SetUpWorlds(Boxes boxes, Set<SlotId> odd) {
        this.boxes = boxes;
        this.odd = odd;
    }

    /** Leads and tester: the commonest, and told without solving anything. */
    List<World> ofTheTester() {
        return ofTheTester(ENOUGH_FOR_A_SIZE);
    }

    /** @param enough so many readings tell how much of the leads is in them */
    List<World> ofTheTester(int enough) {
        leads(enough);
        tester();
        return worlds;
    }

    List<World> ofActions() {
        for (Optional<CircuitId> circuit : boxes.circuits()) {
            for (TestKind test : TestKind.values()) {
                List<Slot.Measured> of = boxes.measured(circuit, test);
                if (of.stream().anyMatch(s -> odd.contains(s.id()))) {
                    test(circuit, test, of);
                }
            }
        }
        earthLeftOff();
        return worlds;
    }

    /** For all loops, or for all that is read with the supply on and the earth in it. */
    private void earthLeftOff() {
        List<Slot.Measured> loops = new ArrayList<>();
        List<Slot.Measured> more = new ArrayList<>();
        for (Optional<CircuitId> circuit : boxes.circuits()) {
            loops.addAll(boxes.measured(circuit, TestKind.ZS));
            more.addAll(boxes.measured(circuit, TestKind.IPF));
        }
        if (loops.stream().anyMatch(s -> odd.contains(s.id()))) {
            earthLeftOff(loops, EARTH_SCOPES);
            more.addAll(loops);
            earthLeftOff(more, EARTH_SCOPES);
        }
    }

    private void earthLeftOff(List<Slot.Measured> of, int places) {
        otherwise(of, Cause.EARTH_LEFT_OFF, "with the earthing conductor still off", s -> s.and(EARTH_OFF), places);
    }

    private void leads(int enough) {
        for (Function function : List.of(Function.CONTINUITY, Function.CONTINUITY_WANDER_LEAD)) {
            List<Slot.Measured> all = new ArrayList<>();
            Map<List<Object>, List<Slot.Measured>> byPart = new LinkedHashMap<>();
            for (var e : boxes.all()) {
                if (e.slot() instanceof Slot.Measured m
                        && m.function() == function
                        && boxes.number(m.id()).isPresent()
                        && boxes.right(m.id()).isPresent()) {
                    all.add(m);
                    byPart.computeIfAbsent(List.of(m.circuit(), m.step()), k -> new ArrayList<>())
                            .add(m);
                    byPart.computeIfAbsent(List.of(m.step()), k -> new ArrayList<>())
                            .add(m);
                    byPart.computeIfAbsent(List.of(m.circuit()), k -> new ArrayList<>())
                            .add(m);
                }
            }
            byPart.put(List.of(), all);
            // one test alone of a circuit, or of the rig, is no scope of its own
            Set<List<Slot.Measured>> scopes = new LinkedHashSet<>(byPart.values());
            for (List<Slot.Measured> scope : scopes) {
                if (scope.stream().anyMatch(s -> odd.contains(s.id()))) {
                    double lead = boxes.key().tester().leadOhms(function);
                    for (double ohms : leadsFrom(lead, scope.size() < enough)) {
                        lead(scope, Cause.LEADS_NOT_NULLED, "with the leads in", ohms, scopes.size());
                    }
                    // of any size: one or two readings would always find one that suits
                    for (double factor : scope.size() < enough ? new double[0] : NULLED_WRONG) {
                        String words =
                                factor < 0 ? "with more taken off than the leads have" : "with part of the leads in";
                        lead(scope, Cause.NULLED_WRONG, words, factor * lead, scopes.size() * NULLED_WRONG.length);
                    }
                }
            }
        }
    }

    /**
     * What a pair may have, Ω: the file's value and a good quarter around it, in steps that what is left of nulling bridges.
     *
     * @param few whether they are too few to tell it: one or two would always find a step that suits
     */
    private static List<Double> leadsFrom(double lead, boolean few) {
        int steps = few
                ? LEAST_LEAD_STEPS
                : (int) Math.max(LEAST_LEAD_STEPS, Math.ceil(2 * LEADS_AROUND * lead / LEAD_STEP_OHMS));
        List<Double> all = new ArrayList<>();
        for (int i = 0; i <= steps; i++) {
            all.add(lead * (1 - LEADS_AROUND + 2 * LEADS_AROUND * i / steps));
        }
        return all;
    }

    private void lead(List<Slot.Measured> scope, Cause cause, String words, double ohms, int places) {
        Map<SlotId, Predicted> says = new HashMap<>();
        for (Slot.Measured slot : scope) {
            says.put(
                    slot.id(),
                    new Predicted.Near(Math.max(0, boxes.right(slot.id()).orElseThrow() + ohms)));
        }
        worlds.add(new World(cause, words, says, places));
    }

    /** What one tester shows is off everywhere by the same factor, function by function. */
    private void tester() {
        Map<List<Object>, List<Slot.Measured>> byFunction = new LinkedHashMap<>();
        for (var e : boxes.all()) {
            if (e.slot() instanceof Slot.Measured m
                    && (m.function().isContinuity() || m.function().isLoop())
                    && boxes.number(m.id()).isPresent()
                    && boxes.right(m.id()).isPresent()) {
                byFunction
                        .computeIfAbsent(List.of(m.function().isLoop()), f -> new ArrayList<>())
                        .add(m);
            }
        }
        byFunction
                .values()
                .removeIf(of -> of.size() < ENOUGH_FOR_THE_TESTER
                        || of.stream().filter(s -> odd.contains(s.id())).count() < ENOUGH_FOR_THE_TESTER
                                && !isOffEverywhere(of));
        for (List<Slot.Measured> of : byFunction.values()) {
            for (double factor : TESTER_FACTORS) {
                Map<SlotId, Predicted> says = new HashMap<>();
                of.forEach(s -> says.put(
                        s.id(), new Predicted.Near(factor * boxes.right(s.id()).orElseThrow())));
                String words = String.format(
                        Locale.ROOT,
                        "with a tester that reads %.0f %% too %s",
                        100 * Math.abs(factor - 1),
                        factor < 1 ? "low" : "high");
                worlds.add(new World(Cause.TESTER_OFF, words, says, byFunction.size() * TESTER_FACTORS.length));
            }
        }
    }

    /** Whether circuit by circuit the readings lie to one side, none of them far enough to be odd by itself. */
    private boolean isOffEverywhere(List<Slot.Measured> of) {
        Map<Optional<CircuitId>, List<Double>> byCircuit = new HashMap<>();
        for (Slot.Measured slot : of) {
            double right = boxes.right(slot.id()).orElse(0.0);
            if (right > DIGITS_THAT_TELL * boxes.digit(slot, right)) {
                byCircuit
                        .computeIfAbsent(slot.circuit(), c -> new ArrayList<>())
                        .add(boxes.number(slot.id()).orElseThrow() / right - 1);
            }
        }
        List<Double> medians = byCircuit.values().stream()
                .map(off -> off.stream().sorted().toList().get(off.size() / 2))
                .toList();
        return medians.size() >= EVERYWHERE
                && (medians.stream().allMatch(m -> m > OFF) || medians.stream().allMatch(m -> m < -OFF));
    }

    private void test(Optional<CircuitId> circuit, TestKind test, List<Slot.Measured> of) {
        switch (test) {
            case R1_R2, R1_RN -> {
                left(of, Cause.LINK_MISSING, "without the link at the board", Deed.Link.class::isInstance);
                switches(of);
                loads(circuit, of);
            }
            case RING -> ring(circuit, of);
            case BONDING -> left(of, Cause.BOND_LEFT_ON, "with both ends on", Deed.TakeOut.class::isInstance);
            case EARTHING, ZE, ELECTRODE, ELECTRODE_LOOP ->
                left(of, Cause.EARTH_LEFT_ON, "with the earthing conductor on", Deed.TakeOut.class::isInstance);
            case ZS -> earthLeftOff(of, EARTH_SCOPES * boxes.circuits().size());
            case POLARITY -> {
                left(of, Cause.OTHER_POSITION, "with the switch as it was", Deed.Operate.class::isInstance);
                loads(circuit, of);
            }
            case INSULATION -> insulation(circuit, of);
            case INSULATION_BOARD -> ofBoards(of);
            default -> {}
        }
        over(of);
    }

    private void left(List<Slot.Measured> of, Cause cause, String words, Predicate<Deed> forgotten) {
        otherwise(of, cause, words, s -> s.without(forgotten), 1);
    }

    /** Every box of a test in another set-up; where nothing changes there is no world to tell. */
    private void otherwise(List<Slot.Measured> of, Cause cause, String words, UnaryOperator<SetUp> other, int places) {
        addWorld(said(of, other), cause, words, places);
    }

    /** Boxes that read otherwise in another set-up. */
    private Map<SlotId, Predicted> said(List<Slot.Measured> of, UnaryOperator<SetUp> other) {
        Map<SlotId, Predicted> says = new LinkedHashMap<>();
        for (Slot.Measured slot : of) {
            if (boxes.hasMeter(slot)) {
                SetUp set = other.apply(slot.setUp());
                if (!set.equals(slot.setUp())) {
                    say(says, slot, boxes.otherwise(slot, set));
                }
            }
        }
        return says;
    }

    private void addWorld(Map<SlotId, Predicted> says, Cause cause, String words, int places) {
        if (!says.isEmpty()) {
            worlds.add(new World(cause, words, says, places));
            single(says, cause, words, places);
        }
    }

    /** Only what would show: a box that reads the same, or over-range where that is right too, says nothing for a cause. */
    private void say(Map<SlotId, Predicted> says, Slot.Measured slot, double then) {
        double top = boxes.meter(slot).top();
        if (then > top) {
            if (!boxes.at(slot.id()).window().allowsOverRange()) {
                says.put(slot.id(), Predicted.OVER);
            }
            return;
        }
        // what leaks by itself varies by more than this moves it: as the key says, and no nearer
        if (slot.function().isInsulation() && then >= Likelihood.SOUND_INSULATION_OHMS) {
            return;
        }
        double now = boxes.right(slot.id()).orElse(Double.POSITIVE_INFINITY);
        if (Math.abs(then - now) > boxes.digit(slot, Math.min(now, top))) {
            says.put(slot.id(), new Predicted.Near(then));
        }
    }

    /** The same at one box only: a candidate need not do the same wrong thing everywhere. */
    private void single(Map<SlotId, Predicted> says, Cause cause, String words, int places) {
        if (says.size() > 1) {
            says.forEach((id, predicted) -> {
                if (odd.contains(id)) {
                    worlds.add(new World(cause, words, Map.of(id, predicted), 3 * places * says.size()));
                }
            });
        }
    }

    private void switches(List<Slot.Measured> of) {
        Map<LightGroup, Map<SlotId, Predicted>> groups = new LinkedHashMap<>();
        for (Slot.Measured slot : of) {
            group(slot.setUp())
                    .ifPresent(group ->
                            groups.computeIfAbsent(group, g -> new HashMap<>()).put(slot.id(), Predicted.OVER));
        }
        groups.forEach((group, says) -> {
            worlds.add(
                    new World(Cause.SWITCH_OPEN, "with a switch of " + group.label() + " open", says, groups.size()));
            single(says, Cause.SWITCH_OPEN, "with a switch open", groups.size());
        });
    }

    /** The lights whose switches a set-up puts into a position. */
    private Optional<LightGroup> group(SetUp setUp) {
        return setUp.deeds().stream()
                .flatMap(d -> d instanceof Deed.Operate(Position.Lights lights)
                        ? java.util.stream.Stream.of(
                                ((Lighting) boxes.key().rig().circuit(lights.circuit())).group(lights.group()))
                        : java.util.stream.Stream.empty())
                .findFirst();
    }

    /** One load left in, wherever the circuit has one, or all of them. */
    private void loads(Optional<CircuitId> circuit, List<Slot.Measured> of) {
        if (circuit.isEmpty()) {
            return;
        }
        Circuit c = boxes.key().rig().circuit(circuit.get());
        List<Point> loaded =
                c.points().stream().filter(p -> p.load().isPresent()).toList();
        List<Deed> every = new ArrayList<>();
        for (Point point : loaded) {
            Deed in = new Deed.LoadIn(c.id(), point.id());
            every.add(in);
            otherwise(
                    of,
                    Cause.LOAD_LEFT_IN,
                    "with the load of " + point.label() + " in",
                    s -> s.and(in),
                    loaded.size() + 1);
        }
        if (loaded.size() > 1) {
            otherwise(
                    of,
                    Cause.LOAD_LEFT_IN,
                    "with all loads in",
                    s -> every.stream().reduce(s, SetUp::and, (a, b) -> b),
                    loaded.size() + 1);
        }
    }

    private void ring(Optional<CircuitId> circuit, List<Slot.Measured> of) {
        if (!(boxes.key().rig().circuit(circuit.orElseThrow()) instanceof Ring ring)) {
            return;
        }
        left(
                of.stream()
                        .filter(s -> s.setUp().deed(Deed.Cross.class).isEmpty())
                        .toList(),
                Cause.ENDS_LEFT_IN,
                "with the ends in their terminals",
                Deed.TakeOut.class::isInstance);
        for (Conductor with : List.of(Conductor.NEUTRAL, Conductor.CPC)) {
            Quantity quantity = with == Conductor.NEUTRAL ? Quantity.R1_RN : Quantity.R1_R2;
            List<Slot.Measured> step =
                    of.stream().filter(s -> s.address().is(quantity)).toList();
            otherwise(
                    step,
                    Cause.NOT_CROSSED,
                    "with each leg joined to itself",
                    s -> crossed(s, Deed.Legs.EACH_WITH_ITSELF),
                    2);
            left(step, Cause.LINK_MISSING, "without the ends joined", Deed.Cross.class::isInstance);
            otherwise(step, Cause.ONE_PAIR, "with one pair joined", s -> crossed(s, Deed.Legs.FIRST_LINE_ONLY), 4);
            otherwise(
                    step, Cause.ONE_PAIR, "with the other pair joined", s -> crossed(s, Deed.Legs.SECOND_LINE_ONLY), 4);
        }
    }

    private static SetUp crossed(SetUp setUp, Deed.Legs legs) {
        return setUp.instead(d -> d instanceof Deed.Cross c ? new Deed.Cross(c.ring(), c.with(), legs) : d);
    }

    private void insulation(Optional<CircuitId> circuit, List<Slot.Measured> of) {
        loads(circuit, of);
        left(of, Cause.NEUTRAL_LEFT_IN, "with the neutral in its bar", Deed.TakeOut.class::isInstance);
        left(of, Cause.DEVICE_LEFT_ON, "with the device on", d -> d instanceof Deed.Operate(Position.Device device));
        circuit.ifPresent(c -> otherwise(
                of,
                Cause.CPC_OFF_BAR,
                "with the CPC off the bar",
                s -> s.and(new Deed.TakeOut(new End.AtBoard(c, Conductor.CPC))),
                1));
        notJoined(of);
        lowVolts(of);
        rounds(of);
    }

    /** Where live conductors are joined for the test: only the one under the probe is tested. */
    private void notJoined(List<Slot.Measured> of) {
        left(of, Cause.LINK_MISSING, "with line and neutral not joined", Deed.Link.class::isInstance);
    }

    /** @param circuit whose own test it spoils as well; empty for what is no circuit's */
    private record LeftIn(String words, Deed in, Optional<CircuitId> circuit) {
        SetUp in(SetUp setUp) {
            return setUp.and(in);
        }
    }

    /** Circuits all together: a load of any of them, here only or at its own circuit as well; surge protection; 250 V. */
    private void ofBoards(List<Slot.Measured> of) {
        List<Slot.Measured> oddOnes =
                of.stream().filter(s -> odd.contains(s.id())).toList();
        Rig rig = boxes.key().rig();
        List<LeftIn> all = new ArrayList<>();
        for (Circuit circuit : rig.atBoardVoltage()) {
            circuit.points().stream()
                    .filter(p -> p.load().isPresent())
                    .forEach(p -> all.add(new LeftIn(
                            "with the load of " + circuit.label() + ", " + p.label() + " in",
                            new Deed.LoadIn(circuit.id(), p.id()),
                            Optional.of(circuit.id()))));
        }
        for (Board board : rig.boards()) {
            if (board.surgeProtection()) {
                all.add(new LeftIn(
                        "with the surge protection of " + board.label() + " in",
                        new Deed.SurgeProtectionIn(board.id()),
                        Optional.empty()));
            }
        }
        for (LeftIn one : all) {
            if (!said(oddOnes, one::in).isEmpty()) {
                Map<SlotId, Predicted> says = said(of, one::in);
                addWorld(says, Cause.LOAD_LEFT_IN, one.words(), 2 * all.size());
                one.circuit().ifPresent(c -> {
                    Map<SlotId, Predicted> throughout = new LinkedHashMap<>(says);
                    throughout.putAll(said(boxes.measured(Optional.of(c), TestKind.INSULATION), one::in));
                    worlds.add(new World(Cause.LOAD_LEFT_IN, one.words(), throughout, 2 * all.size()));
                });
            }
        }
        notJoined(of);
        lowVolts(of);
    }

    private void lowVolts(List<Slot.Measured> of) {
        Map<SlotId, Predicted> says = new HashMap<>();
        for (Slot.Measured slot : of) {
            if (slot.function() == Function.INSULATION_500
                    && slot.measurement() instanceof Measurement.TwoProbe probes) {
                double base = boxes.bench()
                        .value(slot.with(new Measurement.TwoProbe(Function.INSULATION_250, probes.a(), probes.b())));
                say(says, slot, base);
            }
        }
        addWorld(says, Cause.WRONG_VOLTS, "at 250 V", 1);
    }

    /** A round whose switch was not operated reads as the first one does. */
    private void rounds(List<Slot.Measured> of) {
        Map<SlotId, Predicted> says = new HashMap<>();
        for (Slot.Measured slot : of) {
            if (slot.address().isOfALaterRound()) {
                SlotId first = slot.address().inRound(1).id();
                if (boxes.has(first)) {
                    say(says, slot, boxes.right(first).orElse(Double.POSITIVE_INFINITY));
                }
            }
        }
        addWorld(says, Cause.OTHER_POSITION, "with the switches left as they were", 1);
    }

    /** A lead that is open shows over-range in every box of a test. */
    private void over(List<Slot.Measured> of) {
        Map<SlotId, Predicted> says = new HashMap<>();
        of.stream()
                .filter(s -> boxes.hasMeter(s) && !s.function().isLive())
                .forEach(s -> say(says, s, Double.POSITIVE_INFINITY));
        addWorld(says, Cause.LEAD_BROKEN, "with a lead open", 2);
    }
}
