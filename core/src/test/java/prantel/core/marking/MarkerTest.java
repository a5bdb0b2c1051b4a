package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.inference.Cause;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.SlotId;

/** What is marked and why: handbook §6 and §7, common practice, no source. */
class MarkerTest {
    private final Key key =
            key(Faults.joint(3, Conductor.CPC, 0.60), Faults.lowInsulation(4, Conductor.LINE, Conductor.CPC, 0.5));

    private static Key key(prantel.core.fault.Fault... faults) {
        return Key.of(Rigs.fiveSockets(), new FaultSet(List.of(faults)), Testers.usual(), Schemes.workshop());
    }

    private MarkedSheet mark(Sheets sheet) {
        return Marker.mark(key, sheet.record());
    }

    private static Mark mark(MarkedSheet sheet, String id) {
        return sheet.marks().stream().filter(m -> m.id().equals(id)).findFirst().orElseThrow();
    }

    private static Finding finding(MarkedSheet sheet, String slot) {
        return sheet.findings().stream()
                .filter(f -> f.expectation().slot().id().equals(new SlotId(slot)))
                .findFirst()
                .orElseThrow();
    }

    @Test
    void perfectSheetPassesWithFullMarks() {
        MarkedSheet sheet = mark(Sheets.perfect(key));
        assertThat(sheet.outcome().verdict()).isEqualTo(Outcome.Verdict.PASS);
        assertThat(sheet.outcome().points()).isEqualTo(sheet.outcome().outOf());
        assertThat(sheet.findings().stream().filter(Finding::wantsEye)).isEmpty();
    }

    @Test
    void perfectHealthySheetExplainsNothing() {
        Key healthy = key();
        MarkedSheet sheet = Marker.mark(healthy, Sheets.perfect(healthy).record());
        assertThat(sheet.findings().stream().flatMap(f -> f.explanations().stream()))
                .isEmpty();
        assertThat(sheet.outcome().verdict()).isEqualTo(Outcome.Verdict.PASS);
    }

    @Test
    void leadsThatWereNotNulledAreSeenInAllReadingsAndCountOnce() {
        MarkedSheet sheet = mark(Sheets.perfect(key).add(key, TestKind.R1_R2, 0.30));
        Finding far = finding(sheet, "sockets/r1r2/socket-5");
        assertThat(far.side()).isEqualTo(Side.ABOVE);
        assertThat(far.explanations().getFirst().cause()).isEqualTo(Cause.LEADS_NOT_NULLED);
        assertThat(far.explanations().getFirst().evidence()).contains("leads").contains("5 boxes");
        assertThat(mark(sheet, "prepared").award()).isEqualTo(Award.HALF);
        assertThat(mark(sheet, "sockets/r1r2/measured").award()).isEqualTo(Award.FULL);
        assertThat(mark(sheet, "sockets/r1r2/highest").award()).isEqualTo(Award.FULL);
    }

    @Test
    void valueOfAnotherPointIsNamedWithThatPoint() {
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/r1r2/socket-5", "0.29"));
        assertThat(finding(sheet, "sockets/r1r2/socket-5").explanations().getFirst())
                .satisfies(e -> {
                    assertThat(e.cause()).isEqualTo(Cause.ANOTHER_POINT);
                    assertThat(e.evidence()).contains("socket 2");
                });
    }

    @Test
    void lowestInsteadOfHighestIsSeenFromTheCandidatesOwnReadings() {
        Sheets sheet = Sheets.perfect(key);
        sheet.write("sockets/r1r2", sheet.readings.get(new SlotId("sockets/r1r2/socket-1")));
        MarkedSheet marked = mark(sheet);
        assertThat(mark(marked, "sockets/r1r2/highest").award()).isEqualTo(Award.NONE);
        assertThat(finding(marked, "sockets/r1r2").explanations().getFirst().cause())
                .isEqualTo(Cause.LOWEST_RECORDED);
    }

    @Test
    void healthyValueAlthoughAFaultIsSetIsAskedAbout() {
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/ir500/l-e", ">999 MΩ"));
        // over-range in one box: the CPC off the bar, or the healthy value, cannot be told; both are named
        assertThat(finding(sheet, "sockets/ir500/l-e").explanations())
                .extracting(e -> e.cause())
                .contains(Cause.HEALTHY_VALUE);
    }

    @ParameterizedTest
    @CsvSource({"13.2,divided by 10", "0.13,multiplied by 10", "1320,divided by 1,000"})
    void slippedPointIsASlipOfThePen(String written, String factor) {
        // socket 5 with the joint gives 1.32 Ω
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/r1r2/socket-5", written));
        assertThat(finding(sheet, "sockets/r1r2/socket-5").explanations())
                .anySatisfy(e -> assertThat(e.evidence()).contains(factor));
        assertThat(mark(sheet, "sockets/r1r2/measured").award()).isEqualTo(Award.HALF);
    }

    @Test
    void missingLinkReadsOverRangeEverywhere() {
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/r1r2/socket-5", ">99.9 kΩ"));
        assertThat(finding(sheet, "sockets/r1r2/socket-5")
                        .explanations()
                        .getFirst()
                        .cause())
                .isEqualTo(Cause.LINK_MISSING);
    }

    @Test
    void bothMethodsOnRecordIsNoticed() {
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/r2", "1.04"));
        assertThat(mark(sheet, "sockets/one-method").award()).isEqualTo(Award.NONE);
        assertThat(mark(mark(Sheets.perfect(key)), "sockets/one-method").award())
                .isEqualTo(Award.FULL);
    }

    @ParameterizedTest
    @ValueSource(strings = {">999", "+999", "> 999 MΩ", "+999MΩ", ">0.999 GΩ"})
    void overRangeIsUnderstoodInEveryNotation(String text) {
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/ir500/l-n", text));
        assertThat(finding(sheet, "sockets/ir500/l-n").wantsEye()).isFalse();
    }

    @ParameterizedTest
    @CsvSource({"> 200 MΩ,up to 999", "open,with its range", "∞,not a reading", "clear,not a reading"})
    void looseNotationIsRemarkedOn(String text, String remark) {
        MarkedSheet sheet = mark(Sheets.perfect(key).write("sockets/ir500/l-n", text));
        assertThat(finding(sheet, "sockets/ir500/l-n").remarks().getFirst()).contains(remark);
        assertThat(mark(sheet, "sockets/insulation/notation").award()).isEqualTo(Award.HALF);
    }

    @Test
    void judgementIsHeldAgainstTheCandidatesOwnReading() {
        Sheets sheet = Sheets.perfect(key).write("sockets/ir500/l-e", "400");
        sheet.judgements.put(new SlotId("sockets/ir500/l-e"), true);
        MarkedSheet marked = mark(sheet);
        assertThat(finding(marked, "sockets/ir500/l-e").judged()).isEqualTo(Finding.Judged.RIGHT);
        assertThat(finding(marked, "sockets/ir500/l-e").side()).isEqualTo(Side.ABOVE);
    }

    @Test
    void missedFaultIsAReferralWhateverThePoints() {
        Sheets sheet = Sheets.perfect(key);
        sheet.faults = sheet.faults.subList(0, 1);
        MarkedSheet marked = mark(sheet);
        assertThat(marked.outcome().verdict()).isEqualTo(Outcome.Verdict.REFERRAL);
        assertThat(marked.outcome().reasons()).anyMatch(r -> r.contains("Low insulation"));
    }

    @Test
    void faultNamedAtThePointNextDoorIsRightWhereNoReadingTellsThemApart() {
        Key open = key(Faults.cpcOpenAfter(3));
        Sheets sheet = Sheets.perfect(open);
        sheet.faults = List.of(Sheets.report(new prantel.core.fault.Fault(
                Faults.cpcOpenAfter(1).kind(), Faults.socket(4), List.of(Conductor.CPC), 0)));
        assertThat(mark(Marker.mark(open, sheet.record()), "faults/1").award()).isEqualTo(Award.FULL);
        sheet.faults = List.of(Sheets.report(Faults.cpcOpenAfter(1)));
        assertThat(mark(Marker.mark(open, sheet.record()), "faults/1").award()).isEqualTo(Award.HALF);
    }

    @Test
    void soundPartCalledFaultyCosts() {
        Sheets sheet = Sheets.perfect(key);
        sheet.faults = new java.util.ArrayList<>(sheet.faults);
        sheet.faults.add(Sheets.report(Faults.clampOnPaint(Rigs.GAS)));
        assertThat(mark(mark(sheet), "faults/none-invented").award()).isEqualTo(Award.NONE);
    }

    @Test
    void emptySheetIsMarkedWithoutComplaint() {
        MarkedSheet sheet = Marker.mark(key, new CandidateRecord(java.util.Map.of(), java.util.Map.of(), List.of()));
        assertThat(sheet.outcome().verdict()).isEqualTo(Outcome.Verdict.REFERRAL);
        assertThat(mark(sheet, "sockets/r1r2/measured").award()).isEqualTo(Award.NONE);
        assertThat(sheet.outcome().points()).as("nothing written earns nothing").isZero();
    }

    @Test
    void honestRecordOfTheFullSequenceIsAccusedOfNothing() {
        Key full = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        MarkedSheet sheet = Marker.mark(full, Sheets.perfect(full).record());
        assertThat(sheet.findings().stream().flatMap(f -> f.explanations().stream()))
                .isEmpty();
        assertThat(sheet.marks())
                .filteredOn(m -> m.award() != Award.FULL)
                .extracting(Mark::id)
                .isEmpty();
        assertThat(sheet.outcome().verdict()).isEqualTo(Outcome.Verdict.PASS);
    }

    @Test
    void wrongLiveReadingCostsItsMark() {
        Key full = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        double all = Marker.mark(full, Sheets.perfect(full).record()).outcome().points();
        MarkedSheet wrong = Marker.mark(
                full, Sheets.perfect(full).write("origin/ze", "9.99").record());
        assertThat(wrong.outcome().points()).isLessThan(all);
        assertThat(finding(wrong, "origin/ze").wantsEye()).isTrue();
    }

    // Property: readings anywhere inside their bands are never explained away and never lose the mark.
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10})
    void readingInsideItsBandIsRight(long seed) {
        RandomGenerator random = new SplittableRandom(seed);
        Sheets sheet = Sheets.perfect(key);
        key.expectations().stream()
                .filter(e -> e.slot().step() == TestKind.R1_R2 && !e.slot().id().equals(new SlotId("sockets/r1r2")))
                .forEach(e -> sheet.readings.put(
                        e.slot().id(),
                        String.format(
                                java.util.Locale.ROOT,
                                "%.4f",
                                random.nextDouble(
                                        e.window().low() + 1e-4, e.window().high() - 1e-4))));
        MarkedSheet marked = mark(sheet);
        assertThat(mark(marked, "sockets/r1r2/measured").award())
                .as("seed " + seed)
                .isEqualTo(Award.FULL);
    }

    @Test
    void markingAgainGivesTheSame() {
        CandidateRecord record =
                Sheets.perfect(key).add(key, TestKind.BONDING, 0.85).record();
        MarkedSheet once = Marker.mark(key, record);
        // what a key keeps from other sheets, and the order in which boxes are given, change nothing
        Marker.mark(key, Sheets.perfect(key).add(key, TestKind.R1_R2, 0.09).record());
        Key fresh =
                key(Faults.joint(3, Conductor.CPC, 0.60), Faults.lowInsulation(4, Conductor.LINE, Conductor.CPC, 0.5));
        java.util.Map<SlotId, String> backwards = new java.util.LinkedHashMap<>();
        List.copyOf(record.readings().entrySet()).reversed().forEach(e -> backwards.put(e.getKey(), e.getValue()));
        CandidateRecord same = new CandidateRecord(backwards, record.judgements(), record.faults());
        for (MarkedSheet again : List.of(Marker.mark(key, same), Marker.mark(fresh, same))) {
            assertThat(again.marks()).isEqualTo(once.marks());
            assertThat(again.findings().stream().map(Finding::explanations))
                    .isEqualTo(
                            once.findings().stream().map(Finding::explanations).toList());
        }
        assertThat(once.marks())
                .as("and another record is another result")
                .isNotEqualTo(Marker.mark(key, Sheets.perfect(key).record()).marks());
    }
}
