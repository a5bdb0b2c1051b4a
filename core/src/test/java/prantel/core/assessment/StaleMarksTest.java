package prantel.core.assessment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.AssessmentEvent.Handling;
import prantel.core.assessment.AssessmentEvent.Sight;
import prantel.core.marking.Mark.Award;

/** What marks are worked out of, and when that is of yesterday: a mark kept by too old a number would stay as it was. */
class StaleMarksTest {
    private static int marked(Streams s) {
        return s.state().markedSeq();
    }

    private static Streams handedIn() {
        return Streams.atWork().write("a", "0.43").add(new AssessmentEvent.HandedIn());
    }

    @Test
    void whatChangesMarksMakesTheOldOnesStale() {
        for (AssessmentEvent event : List.of(
                new AssessmentEvent.ReadingWritten("a", "0.44", ""),
                new AssessmentEvent.Observed("locked", Sight.RIGHT, ""),
                new AssessmentEvent.FaultsReported("{}"),
                new AssessmentEvent.FaultHandled(0, Handling.OUT, true),
                new AssessmentEvent.BoxFellOut(List.of(2), "fell out"))) {
            Streams s = Streams.atWork().write("a", "0.43");
            int before = marked(s);
            s.add(event);
            assertThat(marked(s))
                    .as(event.toString())
                    .isEqualTo(s.state().seq())
                    .isGreaterThan(before);
        }
    }

    @Test
    void whatIsDecidedAboutMarksLeavesTheOthersAsTheyWere() {
        Streams s = handedIn();
        int before = marked(s);
        s.add(
                new AssessmentEvent.MarkDecided("a/measured", Award.HALF, Award.FULL, "seen at the rig"),
                new AssessmentEvent.ClearCheckTaken("a", "0.12"));
        assertThat(marked(s)).isEqualTo(before);
        s.add(new AssessmentEvent.HandedBack("two boxes are empty")).write("a", "0.45");
        assertThat(marked(s))
                .as("written anew: everything is looked at again")
                .isEqualTo(s.state().seq());
    }

    /** Each box is held against the rig as it was when it was last written. Common practice, no source. */
    @Test
    void aBoxIsOfTheRigAsItWasWhenItWasWritten() {
        Streams s = Streams.atWork()
                .write("before", "1")
                .add(new AssessmentEvent.FaultHandled(0, Handling.SET, true))
                .write("set", "1")
                .add(new AssessmentEvent.FaultHandled(1, Handling.OUT, true))
                .write("after", "1");
        assertThat(s.state().takenOut()).as("what was set is not out").containsExactly(1);
        assertThat(s.state().outWhenWritten("before")).isEmpty();
        assertThat(s.state().outWhenWritten("set")).isEmpty();
        assertThat(s.state().outWhenWritten("after")).containsExactly(1);
        s.write("before", "2");
        assertThat(s.state().outWhenWritten("before")).as("rewritten later").containsExactly(1);
        s.add(new AssessmentEvent.FaultHandled(1, Handling.OUT, false)).write("after", "2");
        assertThat(s.state().outWhenWritten("after")).as("it was in again").isEmpty();
    }

    @Test
    void whatIsWrittenWhileTheRelaysAreOutIsOfAnotherRig() {
        Streams s = Streams.atWork()
                .write("before", "1")
                .add(new AssessmentEvent.BoxFellOut(List.of(2), "contact was lost"))
                .write("meanwhile", "1")
                .write("twice", "1");
        assertThat(s.state().writtenWhileOut()).containsExactlyInAnyOrder("meanwhile", "twice");
        s.add(new AssessmentEvent.BoxCommanded(List.of(2))).write("twice", "2").write("later", "1");
        assertThat(s.state().relaysOutSince()).isNull();
        assertThat(s.state().writtenWhileOut()).as("written anew with them in").containsExactly("meanwhile");
    }

    @Test
    void anotherSetIsProvedAnew() {
        Streams s = Streams.atWork().add(new AssessmentEvent.LiveCheckTaken("a", "0.12"));
        s.add(new AssessmentEvent.FaultHandled(0, Handling.SEEN, true));
        assertThat(s.state().liveChecks())
                .as("somebody looked: the set is the same")
                .hasSize(1);
        s.add(new AssessmentEvent.FaultHandled(0, Handling.OUT, true));
        assertThat(s.state().liveChecks()).isEmpty();
    }

    @Test
    void liveToProveWhatIsSetIsNotTheCandidatesLiveStage() {
        Streams s = new Streams()
                .add(new AssessmentEvent.LockedOff(), new AssessmentEvent.Energised(true, null))
                .add(new AssessmentEvent.Energised(false, null), new AssessmentEvent.SheetOpened());
        assertThat(s.state().wasLive()).isFalse();
        s.add(new AssessmentEvent.Energised(true, "only the loop"));
        assertThat(s.state().wasLive()).isTrue();
        s.add(new AssessmentEvent.Energised(false, null));
        assertThat(s.state().wasLive()).as("and stays so").isTrue();
    }
}
