package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.inference.Cause;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Written;
import prantel.core.marking.Mark.Award;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.LikelyKeys;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/**
 * One figure a circuit instead of every reading. The reference is the key of the same rig with every reading: highest R2
 * and Zs, lowest insulation (BS 7671 643.3, from memory), all right where all is.
 */
class OneFigureTest {
    private static final Scheme EVERY = Schemes.fullSequence();
    private static final Scheme FIGURES = with(Practice.Recording.HAVE_ONE_FIGURE);

    private static Scheme with(Set<TestKind> figures) {
        return new Scheme(
                EVERY.about(),
                EVERY.practice().with(figures),
                EVERY.steps(),
                EVERY.order(),
                EVERY.criteria(),
                EVERY.pass());
    }

    /** A random rig with one random fault, or none, under both. */
    private record Both(Key every, Key figures) {
        static Both of(long seed) {
            SplittableRandom random = new SplittableRandom(seed);
            Rig rig = RandomRigs.rig(random);
            Key every = Key.of(rig, FaultSet.NONE, Testers.usual(), EVERY);
            List<Fault> faults = every.everyFault();
            FaultSet set = seed % 4 == 0 || faults.isEmpty()
                    ? FaultSet.NONE
                    : FaultSet.of(faults.get(random.nextInt(faults.size())));
            return new Both(every.with(set), Key.of(rig, set, Testers.usual(), FIGURES));
        }

        List<Expectation> every(TestKind test, CircuitId circuit) {
            return every.expectations().stream()
                    .filter(e -> e.slot() instanceof Slot.Measured
                            && e.slot().step() == test
                            && e.slot().circuit().filter(circuit::equals).isPresent())
                    .toList();
        }

        List<Slot> sheet() {
            return SlotPlan.sheet(figures.rig(), figures.scheme());
        }
    }

    @Test
    void aFigureIsTheWorstOfTheReadingsOfItsCircuit() {
        int seen = 0;
        for (long seed = 0; seed < 24; seed++) {
            Both both = Both.of(seed);
            for (Slot slot : both.sheet()) {
                if (!slot.address().isForTheRecord()
                        || !FIGURES.isOneFigure(slot.step())
                        || slot.circuit().isEmpty()) {
                    continue;
                }
                List<Double> readings = both.every(slot.step(), slot.circuit().get()).stream()
                        .filter(e -> slot.step() != TestKind.INSULATION
                                || e.slot()
                                                .address()
                                                .detail()
                                                .conductors()
                                                .equals(slot.address().detail().conductors())
                                        && e.slot().address().detail().volts()
                                                == slot.address().detail().volts())
                        .map(e -> e.withFaults().base())
                        .toList();
                boolean highest = slot.step() == TestKind.R2 || slot.step() == TestKind.ZS;
                double worst = readings.stream()
                        .mapToDouble(x -> x)
                        .reduce(highest ? Math::max : Math::min)
                        .orElseThrow();
                assertThat(both.figures().expectation(slot.id()).withFaults().base())
                        .as(slot.id() + " of " + seed)
                        .isEqualTo(worst);
                seen++;
            }
        }
        assertThat(seen).isGreaterThan(150);
    }

    @Test
    void allIsRightWhereEveryPointIs() {
        int wrong = 0;
        int right = 0;
        for (long seed = 0; seed < 40; seed++) {
            Both both = Both.of(seed);
            for (Slot slot : both.sheet()) {
                Quantity quantity = slot.address().quantity();
                if (quantity != Quantity.POINTS_RIGHT && quantity != Quantity.CIRCUIT_WORKS) {
                    continue;
                }
                boolean all = both.every(slot.step(), slot.circuit().orElseThrow()).stream()
                        .filter(e -> !e.slot().address().is(Quantity.LOAD_CURRENT))
                        .allMatch(e -> isRight(e.slot(), e.withFaults()));
                assertThat(both.figures().expectation(slot.id()).withFaults())
                        .as(slot.id() + " of " + seed)
                        .isEqualTo(new Reading.Said(all ? Saying.ALL_RIGHT : Saying.NOT_ALL_RIGHT));
                wrong += all ? 0 : 1;
                right += all ? 1 : 0;
            }
        }
        assertThat(wrong).isGreaterThan(5);
        assertThat(right).isGreaterThan(100);
    }

    private static boolean isRight(Slot slot, Reading reading) {
        return switch (reading) {
            case Reading.Said said -> said.saying() == Saying.WORKS;
            case Reading.Value value -> slot.limit().orElseThrow().isMetBy(value.base());
            default -> false;
        };
    }

    /** What is written is less, what is tested is the same. */
    @Test
    void theSheetHasFewerBoxesOfTheSameTests() {
        Both both = Both.of(3);
        List<Slot> all = SlotPlan.sheet(both.every().rig(), EVERY);
        assertThat(both.sheet().size()).isLessThan(all.size() * 3 / 4);
        assertThat(tests(both.sheet())).isEqualTo(tests(all));
        Set<SlotId> ids = new HashSet<>();
        both.sheet().forEach(s -> assertThat(ids.add(s.id())).as(s.id().value()).isTrue());
    }

    private static Set<TestKind> tests(List<Slot> slots) {
        Set<TestKind> tests = new HashSet<>();
        slots.forEach(s -> tests.add(s.step()));
        return tests;
    }

    private static Map<SlotId, String> honest(Key key) {
        Map<SlotId, String> texts = new LinkedHashMap<>();
        for (Slot slot : SlotPlan.sheet(key.rig(), key.scheme())) {
            texts.put(slot.id(), key.expectation(slot.id()).withFaults().shown());
        }
        return texts;
    }

    private static MarkedSheet marked(Key key, Map<SlotId, String> texts) {
        return Marker.mark(key, new CandidateRecord(texts, Map.of(), List.of()));
    }

    private static List<Mark> measured(MarkedSheet sheet, TestKind test) {
        return sheet.marks().stream()
                .filter(m -> m.id().endsWith("/measured") && m.of().test().equals(java.util.Optional.of(test)))
                .toList();
    }

    @Test
    void whoeverWritesTheFiguresOfTheRigHasMeasuredItRightly() {
        for (long seed = 0; seed < 12; seed++) {
            Key key = Both.of(seed).figures();
            for (TestKind test : Practice.Recording.HAVE_ONE_FIGURE) {
                assertThat(measured(marked(key, honest(key)), test))
                        .as(test + " of " + seed)
                        .allMatch(m -> m.award() == Award.FULL);
            }
        }
    }

    @Test
    void aFigureThatIsNotOfThisRigCostsItsMarkAndNoOther() {
        Key key = Both.of(4).figures();
        Slot zs = key.expectations().stream()
                .map(Expectation::slot)
                .filter(s -> s.step() == TestKind.ZS && s.address().isForTheRecord())
                .findFirst()
                .orElseThrow();
        Map<SlotId, String> texts = honest(key);
        texts.put(zs.id(), number(key.expectation(zs.id()).withFaults().base() + 3.7));
        List<Mark> lost = measured(marked(key, texts), TestKind.ZS).stream()
                .filter(m -> m.award() != Award.FULL)
                .toList();
        assertThat(lost).singleElement().satisfies(m -> assertThat(m.slots()).contains(zs.id()));
    }

    /** Leads that were not nulled are in the highest of a circuit as they are in every reading of it. */
    @Test
    void leadsInTheFiguresAreTold() {
        Key key = Both.of(8).figures();
        Map<SlotId, String> texts = honest(key);
        List<SlotId> r2 = new ArrayList<>();
        for (Slot slot : SlotPlan.sheet(key.rig(), key.scheme())) {
            boolean wander = slot.step() == TestKind.R2 || slot.step() == TestKind.BONDING;
            if (wander && key.expectation(slot.id()).withFaults() instanceof Reading.Value v) {
                texts.put(slot.id(), number(v.base() + 0.6));
                r2.add(slot.id());
            }
            if (slot.step() == TestKind.R1_R2) {
                texts.remove(slot.id());
            }
        }
        List<Finding> figures = marked(key, texts).findings().stream()
                .filter(f -> f.expectation().slot().step() == TestKind.R2 && f.asked())
                .filter(f -> r2.contains(f.expectation().slot().id()))
                .toList();
        assertThat(figures)
                .isNotEmpty()
                .allSatisfy(f -> assertThat(f.explanations())
                        .first()
                        .satisfies(e -> assertThat(e.cause()).isIn(Cause.LEADS_NOT_NULLED, Cause.NULLED_WRONG)));
    }

    /** A reading that has no box on the sheet is not asked about, whatever came of it. */
    @Test
    void whatIsNotOnTheSheetIsNotMarked() {
        Key key = Both.of(4).figures();
        Set<SlotId> sheet = new HashSet<>();
        SlotPlan.sheet(key.rig(), key.scheme()).forEach(s -> sheet.add(s.id()));
        Map<SlotId, String> texts = honest(key);
        List<Mark> before = marked(key, texts).marks();
        key.expectations().stream()
                .map(e -> e.slot().id())
                .filter(id -> !sheet.contains(id))
                .forEach(id -> texts.put(id, "77.7"));
        assertThat(texts.size()).isGreaterThan(sheet.size());
        assertThat(marked(key, texts).findings())
                .filteredOn(f -> !sheet.contains(f.expectation().slot().id()))
                .isNotEmpty()
                .noneMatch(Finding::asked);
        assertThat(marked(key, texts).marks())
                .extracting(Mark::points)
                .isEqualTo(before.stream().map(Mark::points).toList());
    }

    private static String number(double ohms) {
        return String.format(Locale.ROOT, "%.2f", ohms);
    }

    @Test
    void whatIsNotRightIsNamedBesideIt() {
        Key key = Both.of(3).figures();
        Slot points = key.expectations().stream()
                .map(Expectation::slot)
                .filter(s -> s.address().is(Quantity.POINTS_RIGHT))
                .findFirst()
                .orElseThrow();
        assertThat(LikelyKeys.of(points, "")).containsExactly("all right", "not all right:");
        assertThat(prantel.core.instrument.Notation.read("not all right: socket 3", points.boxUnit()))
                .isInstanceOfSatisfying(
                        Written.Said.class, s -> assertThat(s.saying()).isEqualTo(Saying.NOT_ALL_RIGHT));
        assertThat(key.expectation(points.id())
                        .window()
                        .sideOf(new Written.Said("not all right: socket 3", Saying.NOT_ALL_RIGHT)))
                .isEqualTo(
                        key.expectation(points.id()).withFaults().equals(new Reading.Said(Saying.ALL_RIGHT))
                                ? Side.DIFFERS
                                : Side.INSIDE);
    }

    @Test
    void aTestWithoutAFigureIsRefused() {
        assertThatThrownBy(() -> with(Set.of(TestKind.RING)))
                .isInstanceOfSatisfying(
                        ProblemsException.class,
                        e -> assertThat(e.problems().getFirst().mend()).contains("box by box"));
    }
}
