package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.AssessmentEvent;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Streams;
import prantel.core.assessment.WatchedOf;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.instrument.Tester;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Evidence;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.marking.Outcome.Verdict;
import prantel.core.rig.Circuit;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** Whole sittings by a shipped scheme, proposed as an examiner would: common practice, no source. */
class ExaminersProposalTest {
    private static final Scheme SCHEME = Objects.requireNonNull(
                    ShippedSchemes.all().get("initial-single-phase"))
            .scheme();
    private static final Rig RIG = rig();
    private static final List<Slot> SLOTS = SlotPlan.sheet(RIG, SCHEME);

    private static Rig rig() {
        try {
            return RigFile.read(Files.readAllBytes(Path.of("../demo/toll-cottage.rig.json")));
        } catch (java.io.IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }

    private static Key key(FaultSet faults) {
        return Key.of(RIG, faults, Tester.usual(), SCHEME);
    }

    private static Fault loose() {
        Circuit circuit = RIG.circuits().stream()
                .filter(c -> c instanceof Ring)
                .findFirst()
                .orElseThrow();
        return FaultCatalogue.kind("loose-at-breaker")
                .usual(new Place.AtCircuit(circuit.id()), List.of(), Optional.empty(), RIG);
    }

    /** What is written, and what is called satisfactory; by the key, and otherwise where a sitting says so. */
    private static final class Candidate {
        private final Key key;
        private final Streams s = Streams.atWork();
        private final Map<SlotId, String> readings = new HashMap<>();
        private final Map<SlotId, Boolean> judged = new HashMap<>();

        Candidate(Key key) {
            this.key = key;
        }

        void write(TestKind test) {
            SLOTS.stream().filter(b -> b.step() == test).forEach(b -> write(b, right(b)));
        }

        String right(Slot slot) {
            return key.expectation(slot.id()).withFaults().shown();
        }

        void write(Slot slot, String text) {
            s.write(slot.id().value(), text);
            readings.put(slot.id(), text);
            Expectation e = key.expectation(slot.id());
            slot.limit().ifPresent(l -> judged.put(slot.id(), e.withFaults().meets(l)));
        }

        void see(Step step) {
            for (Observation o : step.observations()) {
                s.add(new AssessmentEvent.Observed(o.id(), Sight.RIGHT, ""));
            }
        }

        void live(boolean on) {
            if (on) {
                s.tickAll(Checklist.LIVE_ASKED, Checklist.LIVE_GIVEN);
            }
            s.add(new AssessmentEvent.Energised(on, on ? "with the assessor's leave" : null));
        }

        MarkedSheet marked() {
            return Marker.mark(
                    key,
                    new CandidateRecord(
                            readings,
                            judged,
                            List.of(),
                            java.util.Set.of(),
                            Map.of(),
                            WatchedOf.of(s.state(), RIG, SCHEME, SLOTS)));
        }
    }

    private static Candidate inOrder(Key key, boolean watched) {
        Candidate c = new Candidate(key);
        for (Step step : SCHEME.steps()) {
            boolean live = c.s.state().energisedAt() != null;
            if (step.isLive() != live && !step.tests().contains(TestKind.CLOSING)) {
                c.live(step.isLive());
            }
            if (watched) {
                c.see(step);
            }
            step.tests().stream().filter(t -> t != TestKind.R2).forEach(c::write);
        }
        return c;
    }

    @Test
    void whatWasDoneRightAndSeenIsCompetentAndWhatNobodySawWantsAWord() {
        assertThat(inOrder(key(FaultSet.NONE), true).marked().outcome().verdict())
                .isEqualTo(Verdict.PASS);
        MarkedSheet unseen = inOrder(key(FaultSet.NONE), false).marked();
        assertThat(unseen.outcome().verdict()).isEqualTo(Verdict.YOUR_WORD);
        assertThat(unseen.outcome().reasons()).anyMatch(r -> r.contains("nobody saw it"));
    }

    /** Read before isolation, same ends joined in step 3, insulation after live, over-range and a failing Zs passed, nobody watching. */
    @Test
    void everyMistakeOfALongListIsNotAReferralForFindingFaults() {
        Key key = key(FaultSet.of(loose()));
        Candidate c = new Candidate(key);
        c.write(TestKind.BONDING);
        c.write(TestKind.INDICATOR);
        c.write(TestKind.SAFE_ISOLATION);
        c.write(TestKind.R1_R2);
        for (Slot slot : SLOTS) {
            if (slot.step() == TestKind.RING) {
                // step 3 with the same ends joined: each socket reads otherwise, growing to the middle
                boolean third = slot.quantity().equals("R1+R2");
                c.write(slot, third ? "1.9 Ω" : c.right(slot));
            }
        }
        c.live(true);
        c.write(TestKind.LIVE_POLARITY);
        c.write(TestKind.ZE);
        c.write(TestKind.ZS);
        c.live(false);
        c.write(TestKind.INSULATION);
        SLOTS.stream()
                .filter(b -> b.limit().isPresent() && c.readings.containsKey(b.id()))
                .forEach(b -> c.judged.put(b.id(), true));
        MarkedSheet sheet = c.marked();
        assertThat(sheet.outcome().verdict()).isEqualTo(Verdict.STOPPED);
        String safe = mark(sheet, "safe").words();
        assertThat(safe)
                .contains("Stopped for safety")
                .contains("“Earthing and bonding” was begun before “Safe isolation”")
                .contains("“Supply polarity” was begun before “Insulation resistance”");
        List<Mark> passed = sheet.marks().stream()
                .filter(m -> m.evidence() instanceof Evidence.Judged)
                .filter(m -> m.award() == Mark.Award.NONE && m.key())
                .toList();
        assertThat(passed).as("a failing Zs called satisfactory is a key mark").isNotEmpty();
        assertThat(sheet.outcome().reasons())
                .anySatisfy(r -> assertThat(r)
                        .contains("Zs")
                        .contains(RIG.circuit(loose().place().ofCircuit().orElseThrow())
                                .label())
                        .contains("called satisfactory"));
        assertThat(sheet.marks().stream()
                        .filter(m -> m.id().contains("/ring/") && m.id().endsWith("/measured"))
                        .map(Mark::award))
                .as("a step of the ring that is wholly wrong is no half")
                .containsOnly(Mark.Award.NONE);
    }

    /** What the candidate's own record says was not done when the rig was left is safety. */
    @Test
    void aRigThatWasNotLeftSafeIsNotCompetent() {
        Candidate c = inOrder(key(FaultSet.NONE), true);
        Slot earth = SLOTS.stream()
                .filter(b -> b.id().value().equals("closing/earth"))
                .findFirst()
                .orElseThrow();
        c.write(earth, "not done");
        MarkedSheet sheet = c.marked();
        assertThat(sheet.outcome().verdict()).isEqualTo(Verdict.STOPPED);
        assertThat(mark(sheet, "safe").words()).contains("earth and bonds back: not done");
    }

    private static Mark mark(MarkedSheet sheet, String id) {
        return sheet.marks().stream().filter(m -> m.id().equals(id)).findFirst().orElseThrow();
    }
}
