package prantel.core.feedback;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.Feedback.Kind;
import prantel.core.assessment.Feedback.Sentence;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Judged;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.inference.Cause;
import prantel.core.instrument.Reading;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Mark;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/** What a candidate is told of a record. What belongs into it: common practice, no source. */
class FeedbackDraftTest {
    private static Key key(Fault... faults) {
        return Key.of(Rigs.fiveSockets(), FaultSet.of(faults), Testers.usual(), Schemes.fullSequence());
    }

    private static Map<SlotId, String> honest(Key key) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            if (e.slot().step() != TestKind.R2) {
                readings.put(e.slot().id(), e.withFaults().shown());
            }
        }
        return readings;
    }

    private static List<Sentence> draft(Key key, Map<SlotId, String> readings, boolean named) {
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, Judged.rightly(key), List.of()));
        return FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), named, Set.of());
    }

    private static String all(List<Sentence> lines) {
        return String.join("\n", lines.stream().map(Sentence::text).toList());
    }

    @Test
    void leadsThatWereNotNulledAreSaidOnceWithTheReadingsThatTaughtIt() {
        Key key = key();
        Map<SlotId, String> readings = honest(key);
        int touched = 0;
        for (Expectation e : key.expectations()) {
            if (e.slot().step() == TestKind.R1_R2 && e.withFaults() instanceof Reading.Value v) {
                readings.put(e.slot().id(), String.format(java.util.Locale.ROOT, "%.2f", v.value() + 0.13));
                touched++;
            }
        }
        List<Sentence> lines = draft(key, readings, false);
        assertThat(lines)
                .filteredOn(l -> l.text().contains("Null the leads"))
                .singleElement()
                .satisfies(l -> assertThat(l.slots()).hasSizeGreaterThan(1))
                .satisfies(l -> assertThat(l.kind()).isEqualTo(Kind.CHANGE));
        assertThat(touched).isGreaterThan(1);
    }

    /** The key of a set that is used again stays in the house: neither its faults nor what was expected are told. */
    @Test
    void neitherAFaultNorAnExpectedValueIsTold() {
        Fault open = Faults.cpcOpenAfter(3);
        Key faulted = key(open);
        // written as if the rig were sound: every reading that the fault moves is off
        Map<SlotId, String> asIfSound = honest(key());
        List<Sentence> lines = draft(faulted, asIfSound, false);
        assertThat(lines).isNotEmpty();
        assertThat(all(lines)).doesNotContain(open.title());
        for (Expectation e : faulted.expectations()) {
            String written = asIfSound.get(e.slot().id());
            String expected = e.withFaults().shown();
            boolean told = asIfSound.containsValue(expected) || expected.length() < 5;
            if (written != null && !told) {
                assertThat(all(lines)).doesNotContain(expected);
            }
        }
        assertThat(all(draft(faulted, asIfSound, true)))
                .as("where it is not used again it may be told")
                .contains(open.title());
    }

    @Test
    void whatAnAssessorGaveAfterAllIsNotHeldAgainstAnybody() {
        Key key = key();
        Map<SlotId, String> readings = honest(key);
        SlotId odd = key.expectations().stream()
                .filter(e -> e.slot().step() == TestKind.BONDING)
                .findFirst()
                .orElseThrow()
                .slot()
                .id();
        readings.put(odd, "3.71");
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, Map.of(), List.of()));
        Map<String, Award> given = new LinkedHashMap<>();
        sheet.marks().forEach(m -> given.put(m.id(), Award.FULL));
        assertThat(FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of()))
                .as("as proposed it is said")
                .anyMatch(l -> l.kind() == Kind.CHANGE && l.text().contains("3.71"));
        List<Sentence> lines = FeedbackDraft.of(sheet, given, sheet.outcome(), false, Set.of());
        assertThat(lines).noneMatch(l -> l.kind() == Kind.CHANGE);
    }

    @Test
    void whatTheRigIsSuspectedOfIsNobodysToDoOtherwise() {
        Key key = key();
        Map<SlotId, String> readings = honest(key);
        SlotId odd = new SlotId("sockets/r1r2/socket-4");
        readings.put(odd, "2.94");
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, Map.of(), List.of()));
        assertThat(all(FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of())))
                .contains("2.94");
        assertThat(all(FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of(odd))))
                .doesNotContain("you wrote 2.94");
    }

    /** Read as at a rig with a joint left over: nobody's, until somebody looked and found the rig sound. */
    @Test
    void afterALookThatFoundTheRigSoundItIsSaidPlainly() {
        Key key = key();
        Map<SlotId, String> readings = honest(key(Faults.joint(3, Conductor.LINE, 0.9)));
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, Map.of(), List.of()));
        Map<String, Award> none = new LinkedHashMap<>();
        sheet.marks().stream().filter(Mark::isLookedAtFirst).forEach(m -> none.put(m.id(), Award.NONE));
        assertThat(none).isNotEmpty();
        String written = readings.get(new SlotId("sockets/r1r2/socket-4"));
        assertThat(all(FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of())))
                .as("as proposed")
                .doesNotContain(written);
        assertThat(FeedbackDraft.of(sheet, none, sheet.outcome(), false, Set.of()))
                .as("found sound, and given nothing")
                .anyMatch(l -> l.kind() == Kind.CHANGE && l.text().contains(written));
    }

    /** A draft is there whatever stands on the sheet: nothing in it is longer than may be given. */
    @Test
    void aRecordInWhichEverythingIsOffIsDraftedAllTheSame() {
        Key key = Key.of(
                prantel.core.fixtures.RandomRigs.rig(new java.util.SplittableRandom(7)),
                FaultSet.NONE,
                Testers.usual(),
                Schemes.fullSequence());
        for (String text : List.of("", "?", "77.7", "999+", "not tested: " + "because ".repeat(12))) {
            Map<SlotId, String> readings = new LinkedHashMap<>();
            key.expectations().forEach(e -> readings.put(e.slot().id(), text));
            List<Sentence> lines = draft(key, readings, true);
            assertThat(lines).isNotEmpty();
            assertThat(lines).allMatch(l -> l.text().length() <= Sentence.LONGEST);
        }
    }

    @Test
    void everyCauseOfAPersonHasItsAdviceAndOneOfTheRigHasNone() {
        for (Cause cause : EnumSet.allOf(Cause.class)) {
            assertThat(Advice.of(cause).isPresent()).as(cause.name()).isEqualTo(!cause.isOfTheRig());
        }
    }

    /** A record that was stopped early had a sentence for every box of every test: more than anybody may send. */
    @Test
    void whatWasNotReachedIsSaidOnce() {
        Key key = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Map<SlotId, String> begun = new LinkedHashMap<>();
        honest(key).forEach((slot, text) -> {
            if (key.expectation(slot).slot().step() == TestKind.BONDING) {
                begun.put(slot, text);
            }
        });
        assertThat(begun).isNotEmpty();
        List<Sentence> lines = draft(key, begun, false);
        assertThat(lines)
                .filteredOn(l -> l.text().startsWith("Not begun: "))
                .singleElement()
                .satisfies(l -> assertThat(l.text()).contains("Insulation").doesNotContain("onding"));
        assertThat(all(lines)).doesNotContain("boxes stayed empty");
        assertThat(lines).hasSizeLessThan(8);
    }

    @Test
    void whoFoundAllOfItIsToldSoAndWhatItWasOnlyWhereThatMayBeTold() {
        Fault open = Faults.cpcOpenAfter(3);
        Key key = key(open);
        var report = new CandidateRecord.FaultReport(open.kind(), open.place(), open.conductors(), "reconnect it");
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(honest(key), Map.of(), List.of(report)));
        List<Sentence> told = FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), true, Set.of());
        List<Sentence> untold = FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of());
        assertThat(told)
                .filteredOn(l -> l.kind() == Kind.RIGHT)
                .anySatisfy(l -> assertThat(l.text()).startsWith("Faults: ").contains("CPC"));
        assertThat(untold)
                .filteredOn(l -> l.text().startsWith("Faults: "))
                .singleElement()
                .satisfies(l -> assertThat(l.text()).doesNotContain("CPC"));
    }

    /** One screen, whatever is off: a sentence a stage, seven things to do otherwise, one to practise. */
    @Test
    void itFitsOneScreenHoweverMuchIsOff() {
        Key key = key(Faults.cpcOpenAfter(3));
        Map<SlotId, String> readings = honest(key);
        int nth = 0;
        for (SlotId slot : List.copyOf(readings.keySet())) {
            switch (nth++ % 9) {
                case 0 -> readings.put(slot, "7.77");
                case 2 -> readings.put(slot, "");
                case 4 -> readings.put(slot, "about 3");
                default -> {
                    // honest
                }
            }
        }
        List<Sentence> lines = draft(key, readings, true);
        assertThat(lines).filteredOn(l -> l.kind() == Kind.RIGHT).hasSizeLessThanOrEqualTo(2);
        assertThat(lines).filteredOn(l -> l.kind() == Kind.CHANGE).hasSize(FeedbackDraft.MOST_CHANGES);
        assertThat(lines).filteredOn(l -> l.kind() == Kind.PRACTISE).hasSize(1);
        List<Sentence> whole = lines.stream()
                .filter(l -> l.text().startsWith("Smaller points"))
                .toList();
        assertThat(whole).singleElement().satisfies(l -> assertThat(l.slots()).isNotEmpty());
    }

    /** What lost a key mark is told before what lost half a point. */
    @Test
    void theDearestComesFirst() {
        Key key = key();
        Map<SlotId, String> readings = honest(key);
        readings.replaceAll((slot, text) -> slot.value().contains("/r1r2/") ? "9.99" : text);
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, Map.of(), List.of()));
        List<Sentence> changes = FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of()).stream()
                .filter(l -> l.kind() == Kind.CHANGE)
                .toList();
        List<Double> lost = changes.stream()
                .filter(l -> !l.slots().isEmpty())
                .map(l -> sheet.marks().stream()
                        .filter(m -> m.slots().stream().anyMatch(s -> l.slots().contains(s.value())))
                        .filter(m -> m.award() == Award.NONE || m.award() == Award.HALF)
                        .mapToDouble(m -> (m.key() ? 1000 : 0) + m.weight() - m.points())
                        .max()
                        .orElse(0))
                .toList();
        assertThat(lost).hasSizeGreaterThan(1);
        assertThat(lost.getFirst())
                .isEqualTo(lost.stream().mapToDouble(d -> d).max().orElseThrow());
    }

    @Test
    void whatWasRightIsOneSentenceAStageAndNothingInItIsAmongWhatIsNot() {
        Key key = key();
        Map<SlotId, String> readings = honest(key);
        readings.replaceAll((slot, text) -> slot.value().contains("/ring/") ? "5.55" : text);
        List<String> right = draft(key, readings, false).stream()
                .filter(l -> l.kind() == Kind.RIGHT)
                .map(Sentence::text)
                .toList();
        assertThat(right).hasSizeLessThanOrEqualTo(2);
        assertThat(right).anyMatch(t -> t.startsWith("Dead: ") && t.contains("Bonding"));
        assertThat(right).noneMatch(t -> t.contains("Ring"));
    }

    /** A limit teaches only beside the figure that was held against it. */
    @Test
    void aJudgementThatWasWrongIsToldWithTheFigureAndItsLimit() {
        Key key = key();
        Map<SlotId, String> readings = honest(key);
        Map<SlotId, Boolean> judged = new LinkedHashMap<>();
        key.expectations()
                .forEach(e ->
                        e.satisfactory().ifPresent(ok -> judged.put(e.slot().id(), ok)));
        Expectation zs = key.expectations().stream()
                .filter(e ->
                        e.slot().step() == TestKind.BONDING && e.satisfactory().isPresent())
                .findFirst()
                .orElseThrow();
        judged.put(zs.slot().id(), !zs.satisfactory().orElseThrow());
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, judged, List.of()));
        String limit = zs.slot().limit().orElseThrow().shown(zs.slot().boxUnit());
        assertThat(all(FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of())))
                .contains("you wrote " + readings.get(zs.slot().id()))
                .contains("the limit is " + limit);
    }

    /** The limit of what is really fitted would tell that another device is in the way. */
    @Test
    void theLimitOfADeviceThatWasExchangedIsNotTold() {
        Key key = key(Faults.wrongCurve());
        Map<SlotId, Boolean> judged = new LinkedHashMap<>();
        key.expectations()
                .forEach(e ->
                        e.satisfactory().ifPresent(ok -> judged.put(e.slot().id(), !ok)));
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(honest(key), judged, List.of()));
        List<Expectation> moved = key.expectations().stream()
                .filter(e -> e.slot().limit().isPresent() && !e.slot().limit().equals(e.healthyLimit()))
                .toList();
        assertThat(moved).isNotEmpty();
        String told = all(FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), false, Set.of()));
        for (Expectation e : moved) {
            assertThat(told)
                    .doesNotContain(
                            e.slot().limit().orElseThrow().shown(e.slot().boxUnit()));
        }
    }
}
