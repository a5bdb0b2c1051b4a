package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Severity;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;
import prantel.core.survey.SchemeSurvey;

/** The schemes that ship, as files: each fits its rigs, and says where it comes from. */
class ShippedSchemesTest {
    static Stream<Scheme> all() {
        return ShippedSchemes.all().values().stream().map(ShippedSchemes.Shipped::scheme);
    }

    @ParameterizedTest
    @MethodSource("all")
    void saysWhatItFollowsAndWhatWasDecided(Scheme scheme) {
        assertThat(scheme.about().follows()).isNotEmpty();
        assertThat(scheme.about().decided())
                .isNotEmpty()
                .allSatisfy(d -> assertThat(d.why()).isNotBlank());
        assertThat(scheme.criteria()).isNotEmpty();
    }

    @ParameterizedTest
    @MethodSource("all")
    void fileIsUnderItsName(Scheme scheme) {
        assertThat(ShippedSchemesTest.class.getResource("/prantel/schemes/" + scheme.id() + ".scheme.json"))
                .isNotNull();
    }

    /** A rig that it is meant for gives every test it asks for. */
    @ParameterizedTest
    @CsvSource({
        "initial-single-phase,toll-cottage",
        "initial-every-point,toll-cottage",
        "initial-earlier-practice,toll-cottage",
        "condition-check,toll-cottage",
        "dead-verification-as-nzs,toll-cottage",
        "ring-drill,toll-cottage",
        "initial-three-phase,creamery",
        "full-sequence,creamery"
    })
    void rigGivesAllThatIsAsked(String scheme, String rig) throws Exception {
        assertThat(SchemeSurvey.of(named(scheme), DemoRigsTest.rig(rig))).isEmpty();
    }

    @Test
    void whatARigCannotGiveIsTold() throws Exception {
        assertThat(SchemeSurvey.of(named("initial-three-phase"), DemoRigsTest.rig("toll-cottage")))
                .singleElement()
                .satisfies(p -> assertThat(p.where()).startsWith("steps/").endsWith("/tests/0"));
        assertThat(SchemeSurvey.of(named("ring-drill"), DemoRigsTest.rig("ferry-kiosk")))
                .anySatisfy(p -> assertThat(p.mend()).contains("ring"));
    }

    /** A paper schedule of such a cottage holds about fifty values besides what is ticked: common practice, no source. */
    @Test
    void fourCircuitsAreWrittenInAtMostAHundredAndTenBoxesWithNothingUntested() throws Exception {
        Rig cottage = DemoRigsTest.rig("toll-cottage");
        List<Slot> boxes = SlotPlan.sheet(cottage, named("initial-single-phase"));
        List<Slot> every = SlotPlan.sheet(cottage, named("initial-every-point"));
        assertThat(boxes).hasSizeLessThanOrEqualTo(110);
        assertThat(perTestAndCircuit(boxes)).isEqualTo(perTestAndCircuit(every));
        assertThat(boxes)
                .filteredOn(s -> s.step() == TestKind.R1_R2 || s.step() == TestKind.RING)
                .containsExactlyElementsOf(every.stream()
                        .filter(s -> s.step() == TestKind.R1_R2 || s.step() == TestKind.RING)
                        .toList());
    }

    private static Set<List<Object>> perTestAndCircuit(List<Slot> slots) {
        return slots.stream().map(s -> List.<Object>of(s.step(), s.circuit())).collect(Collectors.toSet());
    }

    private static Scheme named(String id) {
        return ShippedSchemes.named(id).orElseThrow();
    }

    /** Honest readings and judgements of a healthy rig: full marks for all that can be marked without having watched. */
    @ParameterizedTest
    @CsvSource({
        "initial-single-phase,toll-cottage",
        "initial-every-point,toll-cottage",
        "initial-earlier-practice,toll-cottage",
        "condition-check,toll-cottage",
        "dead-verification-as-nzs,toll-cottage",
        "ring-drill,toll-cottage",
        "initial-three-phase,creamery",
        "initial-single-phase,signal-cabin",
        "initial-single-phase,bunkhouse"
    })
    void honestRecordHasFullMarks(String scheme, String rig) throws Exception {
        Key key = Key.of(DemoRigsTest.rig(rig), FaultSet.NONE, Testers.usual(), named(scheme));
        MarkedSheet sheet = Marker.mark(key, honest(key));
        assertThat(sheet.marks())
                .filteredOn(m -> m.award() != Mark.Award.NOT_SEEN)
                .isNotEmpty()
                .allSatisfy(
                        m -> assertThat(m.award()).as(m.id() + ": " + m.words()).isEqualTo(Mark.Award.FULL));
    }

    /** As the tester shows it; one of the two continuity methods; the expected values of the ring said first. */
    static CandidateRecord honest(Key key) {
        Set<SlotId> asked = SlotPlan.sheet(key.rig(), key.scheme()).stream()
                .filter(s -> !(key.scheme().eitherMethod() && s.step() == TestKind.R2))
                .map(s -> s.id())
                .collect(Collectors.toSet());
        List<Expectation> boxes = key.expectations().stream()
                .filter(e -> asked.contains(e.slot().id()))
                .toList();
        Map<SlotId, String> readings = boxes.stream()
                .collect(
                        Collectors.toMap(e -> e.slot().id(), e -> e.withFaults().shown()));
        Map<SlotId, Boolean> judgements = boxes.stream()
                .filter(e -> e.satisfactory().isPresent())
                .collect(Collectors.toMap(
                        e -> e.slot().id(), e -> e.satisfactory().get()));
        Map<SlotId, String> expected = boxes.stream()
                .filter(e -> e.slot() instanceof prantel.core.sequence.Slot.Measured m
                        && m.byHand().isPresent())
                .collect(Collectors.toMap(
                        e -> e.slot().id(),
                        e -> String.format(
                                java.util.Locale.ROOT,
                                "%.2f",
                                ((prantel.core.sequence.Slot.Measured) e.slot())
                                        .byHand()
                                        .orElseThrow()
                                        .base())));
        return new CandidateRecord(
                readings, judgements, List.of(), Set.of(), expected, prantel.core.marking.Watched.NOTHING);
    }

    @ParameterizedTest
    @ValueSource(strings = {"initial-single-phase", "initial-three-phase", "condition-check", "ring-drill"})
    void isolationComesBeforeEverythingThatTouches(String id) {
        Scheme scheme = named(id);
        assertThat(scheme.order()).anySatisfy(r -> {
            assertThat(r.first()).isEqualTo("isolate");
            assertThat(r.severity()).isEqualTo(Severity.SAFETY);
        });
        List<Step> steps = scheme.steps();
        int firstLive = (int) steps.stream().takeWhile(s -> !s.isLive()).count();
        assertThat(steps.subList(0, firstLive)).extracting(Step::id).contains("isolate");
    }

    /** A scheme written by hand from the format's page alone runs without a change of code. */
    @Test
    void aSeventhSchemeRuns() throws Exception {
        Scheme seventh = SchemeFile.read(Files.readAllBytes(Path.of("src/test/resources/lighting-drill.scheme.json")));
        Key key = Key.of(DemoRigsTest.rig("toll-cottage"), FaultSet.NONE, Testers.usual(), seventh);
        assertThat(key.expectations()).extracting(e -> e.slot().step()).containsOnly(TestKind.R1_R2, TestKind.POLARITY);
        MarkedSheet sheet = Marker.mark(key, honest(key));
        assertThat(sheet.outcome().points()).isEqualTo(sheet.outcome().outOf()).isPositive();
    }

    /** Changing one weight changes the mark; nothing else moves. */
    @Test
    void oneWeightChangesTheMark() throws Exception {
        String file = new String(ShippedSchemes.all().get("workshop").file(), java.nio.charset.StandardCharsets.UTF_8);
        Scheme heavier = SchemeFile.read(
                file.replace("\"title\": \"Leads nulled\", \"weight\": 1", "\"title\": \"Leads nulled\", \"weight\": 5")
                        .getBytes(java.nio.charset.StandardCharsets.UTF_8));
        Key key = Key.of(DemoRigsTest.rig("toll-cottage"), FaultSet.NONE, Testers.usual(), named("workshop"));
        MarkedSheet before = Marker.mark(key, honest(key));
        MarkedSheet after = Marker.mark(key, heavier, honest(key), Map.of());
        assertThat(after.outcome().outOf() - before.outcome().outOf()).isEqualTo(4);
        assertThat(after.marks())
                .extracting(Mark::award)
                .isEqualTo(before.marks().stream().map(Mark::award).toList());
    }

    /** Any one step can be done again by itself; what keeps it safe stays in, and nothing of it contradicts itself. */
    @Test
    void eachStepCanBeDoneAgainByItself() {
        for (ShippedSchemes.Shipped shipped : ShippedSchemes.all().values()) {
            Scheme scheme = shipped.scheme();
            for (var step : scheme.steps()) {
                if (step.tests().isEmpty()) {
                    continue;
                }
                Scheme part = scheme.only(java.util.Set.of(step.id()), false);
                assertThat(part.steps()).as(scheme.id() + "/" + step.id()).contains(step);
                assertThat(part.criteria()).isNotEmpty();
                scheme.order().stream()
                        .filter(r -> r.severity() == prantel.core.scheme.Severity.SAFETY)
                        .filter(r -> r.then().equals(step.id()))
                        .forEach(r -> assertThat(part.step(r.first()))
                                .as(scheme.id() + ": " + r.first() + " before " + step.id())
                                .isPresent());
            }
            Scheme all = scheme.only(
                    scheme.steps().stream()
                            .map(prantel.core.scheme.Step::id)
                            .collect(java.util.stream.Collectors.toSet()),
                    true);
            assertThat(all).as("all of it is all of it").isEqualTo(scheme);
            boolean asksForFaults =
                    scheme.criteria().stream().anyMatch(prantel.core.scheme.Criterion.FaultReported.class::isInstance);
            if (asksForFaults) {
                Scheme faults = scheme.only(java.util.Set.of(), true);
                assertThat(faults.steps()).as("faults are found by measuring").isEqualTo(scheme.steps());
                assertThat(faults.criteria())
                        .as("and nothing else counts but what is unsafe")
                        .noneMatch(prantel.core.scheme.Criterion.OfTests.class::isInstance)
                        .anyMatch(prantel.core.scheme.Criterion.FaultReported.class::isInstance);
            }
        }
    }

    /** What a school's order lets happen: the plain list of dead tests aside, no shipped scheme wants a look. */
    @Test
    void theOrderOfShippedSchemesWantsNoLook() {
        ShippedSchemes.all().forEach((id, shipped) -> {
            if (!id.equals("workshop")) {
                assertThat(prantel.core.survey.OrderSurvey.of(shipped.scheme()))
                        .as(id)
                        .isEmpty();
            }
        });
        assertThat(prantel.core.survey.OrderSurvey.of(
                        Objects.requireNonNull(ShippedSchemes.all().get("workshop"))
                                .scheme()))
                .as("a list of dead tests for the bench: it says what it lacks")
                .isNotEmpty()
                .allMatch(p -> p.code().equals("reading-before-isolation"));
    }
}
