package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.marking.AlikeOnTheRig.Alike;
import prantel.core.scheme.TestKind;

/** Several people at one rig. That the rig is looked at first where they read alike: common practice, no source. */
class AlikeOnTheRigTest {
    private static final Key SOUND = key();

    private static Key key(prantel.core.fault.Fault... faults) {
        return Key.of(Rigs.fiveSockets(), FaultSet.of(faults), Testers.usual(), Schemes.workshop());
    }

    private static MarkedSheet mark(Key key, Sheets sheet) {
        return Marker.mark(key, sheet.record());
    }

    private static Sheets with(Key key, String at4, String at5) {
        return Sheets.perfect(key).write("sockets/r1r2/socket-4", at4).write("sockets/r1r2/socket-5", at5);
    }

    @Test
    void aJointThatWorkedLooseIsTheRigsAndNobodysSlip() {
        MarkedSheet one = mark(SOUND, with(SOUND, "0.95", "1.13"));
        MarkedSheet two = mark(SOUND, with(SOUND, "0.97", "1.14"));
        MarkedSheet sound = mark(SOUND, Sheets.perfect(SOUND));
        List<Alike> alike = AlikeOnTheRig.of(one, List.of(two));
        assertThat(alike)
                .extracting(a -> a.slot().value())
                .containsExactly("sockets/r1r2/socket-4", "sockets/r1r2/socket-5");
        assertThat(AlikeOnTheRig.of(two, List.of(one))).as("for all of them").hasSize(2);
        assertThat(AlikeOnTheRig.of(one, List.of(sound))).as("one person alone").isEmpty();
        assertThat(AlikeOnTheRig.of(one, List.of(two, sound, sound)))
                .as("two of four read so: half of them")
                .hasSize(2);
        assertThat(AlikeOnTheRig.of(one, List.of(two, sound, sound, sound))).isEmpty();
        assertThat(AlikeOnTheRig.of(sound, List.of(one, two))).isEmpty();
    }

    @Test
    void whatTwoDoToTheirLeadsSaysNothingOfTheRig() {
        MarkedSheet one = mark(SOUND, Sheets.perfect(SOUND).add(SOUND, TestKind.R1_R2, 0.31));
        MarkedSheet two = mark(SOUND, Sheets.perfect(SOUND).add(SOUND, TestKind.R1_R2, 0.30));
        assertThat(one.findings()).anyMatch(f -> !f.explanations().isEmpty());
        assertThat(AlikeOnTheRig.of(one, List.of(two))).isEmpty();
    }

    @Test
    void offInAnotherWayIsNotAlike() {
        MarkedSheet above = mark(SOUND, with(SOUND, "0.95", "1.13"));
        MarkedSheet farAbove = mark(SOUND, with(SOUND, "3.40", "3.60"));
        assertThat(AlikeOnTheRig.of(above, List.of(farAbove))).isEmpty();
    }

    /** Each is held against what was set for that person: the same drift shows through other faults. */
    @Test
    void otherFaultsWereSetForTheOther() {
        Key faulted = key(Faults.clampOnPaint(Rigs.GAS));
        MarkedSheet one = mark(SOUND, with(SOUND, "0.95", "1.13"));
        MarkedSheet two = mark(faulted, with(faulted, "0.96", "1.14"));
        assertThat(AlikeOnTheRig.of(one, List.of(two))).hasSize(2);
    }
}
