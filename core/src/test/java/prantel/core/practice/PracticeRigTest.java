package prantel.core.practice;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.SimulatedRig;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.procedure.Deed;
import prantel.core.rig.Rig;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/** Whoever follows the guide does nothing too early and reads what the key says, at every box, whatever went before. */
class PracticeRigTest {
    private static final int MOST_DEEDS = 60;

    private static PracticeRig practice(Rig rig, FaultSet faults) {
        return new PracticeRig(rig, Testers.usual(), SimulatedRig.asDeclared(rig, faults));
    }

    private record Walked(Moment moment, List<Deed> deeds, List<Answer> answers) {}

    private static Walked walk(PracticeRig practice, Moment from, Slot.Measured box) {
        Guide guide = new Guide(practice);
        List<Deed> deeds = new ArrayList<>();
        List<Answer> answers = new ArrayList<>();
        Moment now = from;
        for (Optional<Deed> next = guide.next(now, box); next.isPresent(); next = guide.next(now, box)) {
            Answer answer = practice.after(now, next.get());
            deeds.add(next.get());
            answers.add(answer);
            assertThat(answer.cannot()).as(box.id() + " " + deeds).isEmpty();
            assertThat(deeds.size()).as(box.id() + " " + deeds).isLessThan(MOST_DEEDS);
            now = answer.moment();
        }
        return new Walked(now, deeds, answers);
    }

    private static boolean isReadWithATester(Slot slot) {
        return slot instanceof Slot.Measured m
                && m.measurement().isReading()
                && !(m.measurement() instanceof Measurement.Operation)
                && !(m.measurement() instanceof Measurement.Button)
                && !(m.measurement() instanceof Measurement.LoadCurrent);
    }

    @Test
    void whoFollowsTheGuideReadsWhatTheKeySays() {
        SplittableRandom random = new SplittableRandom(11);
        int read = 0;
        for (int n = 0; n < 8; n++) {
            Rig rig = RandomRigs.rig(random);
            PracticeRig practice = practice(rig, FaultSet.NONE);
            Key key = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
            Moment now = practice.asFound();
            for (Expectation expected : key.expectations()) {
                if (!isReadWithATester(expected.slot())) {
                    continue;
                }
                Slot.Measured box = (Slot.Measured) expected.slot();
                Walked walked = walk(practice, now, box);
                now = walked.moment();
                for (int i = 0; i < walked.answers().size(); i++) {
                    assertThat(walked.answers().get(i).slips())
                            .as(box.id() + ": " + walked.deeds().get(i) + " in " + walked.deeds())
                            .isEmpty();
                }
                assertThat(now.display()).as(box.id() + " " + walked.deeds()).isPresent();
                Reading shown = now.display().get().reading();
                assertThat(shown.shown())
                        .as(rig.id() + " " + box.id() + " " + walked.deeds())
                        .isEqualTo(expected.withFaults().shown());
                read++;
            }
        }
        assertThat(read).isGreaterThan(500);
    }
}
