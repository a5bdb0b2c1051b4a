package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Alternating;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Characteristic;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.BoxAddress;
import prantel.core.sequence.BoxWords;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Site;
import prantel.core.sequence.Slot;
import prantel.core.sequence.Spot;

// Hand-made circuits: what stays and what moves is seen by eye.
class UnmovedTest {
    private static final Terminal LINE = new Terminal("line");
    private static final Terminal NEUTRAL = new Terminal("neutral");
    private static final Terminal FAR = new Terminal("far");
    private static final BranchId DEVICE = new BranchId("device");
    private static final BranchId BEYOND = new BranchId("beyond");

    /** Insulation, a surge device taken out, and a piece of wire that leads nowhere. */
    private final Alternating rig = new Alternating(
            Network.of(List.of(
                    new Branch(new BranchId("insulation"), LINE, NEUTRAL, 200e6),
                    new Branch(DEVICE, LINE, NEUTRAL, Double.POSITIVE_INFINITY),
                    new Branch(BEYOND, NEUTRAL, FAR, 0.1))),
            List.of());

    private static final BoxAddress AT_BOARD = new BoxAddress(
            TestKind.INSULATION,
            Quantity.INSULATION,
            new Site.AtBoard(Board.MAIN),
            new BoxAddress.Detail(List.of(Conductor.LINE, Conductor.NEUTRAL), 500, 0, false, BoxAddress.Role.READING));

    private Seen seen(Function function) {
        return Seen.dead(
                new Slot.Measured(
                        new Slot.Heading(
                                AT_BOARD,
                                AT_BOARD.id(),
                                new Spot(Optional.empty(), Optional.empty(), Spot.NO_DISTANCE),
                                new BoxWords(Rigs.fiveSockets(), Schemes.workshop())),
                        new Measurement.TwoProbe(function, LINE, NEUTRAL),
                        new SetUp(Rigs.fiveSockets(), List.of()),
                        Optional.empty(),
                        Optional.empty()),
                rig);
    }

    @Test
    void whatConductsFromAVoltageOnMovesOnlyTheReadingsAboveIt() {
        Edit leftIn = new Edit.Install(
                DEVICE, Characteristic.steps(Double.POSITIVE_INFINITY).andFrom(400, 60e3));
        Unmoved unmoved = new Unmoved(List.of(leftIn), true, setUp -> false);
        assertThat(unmoved.isSo(seen(Function.INSULATION_250))).isTrue();
        assertThat(unmoved.isSo(seen(Function.INSULATION_500))).isFalse();
        assertThat(unmoved.isSo(seen(Function.INSULATION_250))).isTrue();
    }

    @Test
    void jointBeyondTheProbesMovesNothing() {
        assertThat(new Unmoved(List.of(new Edit.PutInSeries(BEYOND, 5)), true, setUp -> false)
                        .isSo(seen(Function.INSULATION_500)))
                .isTrue();
    }

    @Test
    void bridgeBetweenTheProbesMovesTheReading() {
        assertThat(new Unmoved(List.of(new Edit.Bridge(LINE, FAR, 1e6)), true, setUp -> false)
                        .isSo(seen(Function.INSULATION_500)))
                .isFalse();
    }
}
