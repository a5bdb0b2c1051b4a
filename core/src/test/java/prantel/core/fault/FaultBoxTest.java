package prantel.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.util.List;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Conductor;
import prantel.core.rig.Relay;
import prantel.core.rig.Rig;

class FaultBoxTest {
    private static Rig with(Relay... relays) {
        Rig rig = Rigs.fiveSockets();
        return new Rig(
                new Rig.Nameplate(rig.id(), rig.name(), rig.comments()),
                new Rig.Intake(rig.supply(), rig.earthing()),
                rig.workmanship(),
                rig.boards(),
                rig.circuits(),
                List.of(relays));
    }

    private static Relay relay(int number, String kind, String at, double size, Conductor... conductors) {
        return new Relay(number, kind, at, List.of(conductors), size, "");
    }

    @Test
    void relaySetsExactlyTheFaultItIsWiredFor() {
        Rig rig = with(
                relay(1, "cpc-open-after", "sockets/socket-2", 0),
                relay(4, "high-resistance-joint", "sockets/socket-3", 0.6, Conductor.CPC),
                relay(6, "high-ze", "supply", 1));
        FaultBox box = FaultBox.of(rig);
        assertThat(box.relayFor(Faults.cpcOpenAfter(2))).contains(1);
        assertThat(box.relayFor(Faults.cpcOpenAfter(3))).isEmpty();
        assertThat(box.relayFor(Faults.joint(3, Conductor.CPC, 0.6))).contains(4);
        assertThat(box.relayFor(Faults.joint(3, Conductor.CPC, 0.9)))
                .as("another size")
                .isEmpty();
        assertThat(box.relayFor(Faults.joint(3, Conductor.LINE, 0.6))).isEmpty();
        assertThat(box.faultOf(1)).contains(Faults.cpcOpenAfter(2));
        assertThat(box.faultOf(2)).isEmpty();
    }

    @Test
    void emulatedFaultIsSetByItsRelayOrNotAtAll() {
        Fault highZe = FaultCatalogue.kind("high-ze")
                .usual(new Place.AtSupply(), List.of(), java.util.Optional.empty(), with());
        assertThat(FaultBox.of(with()).canSet(highZe)).isFalse();
        assertThat(FaultBox.of(with()).canSet(Faults.cpcOpenAfter(1))).isTrue();
        FaultBox box = FaultBox.of(with(relay(6, "high-ze", "supply", 1)));
        assertThat(box.canSet(highZe)).isTrue();
        assertThat(box.isByHand(highZe)).isFalse();
        assertThat(box.canSet(highZe.withSize(3))).as("no relay for that size").isFalse();
    }

    @Test
    void everyRelayThatDoesNotFitIsNamed() {
        Rig rig = with(
                relay(1, "cpc-open-after", "sockets/socket-5", 0),
                relay(2, "no-such-fault", "sockets/socket-1", 0),
                relay(3, "high-resistance-joint", "sockets/socket-1", 900, Conductor.CPC),
                relay(5, "loose-cover", "sockets/socket-1", 0));
        ProblemsException problems = catchThrowableOfType(ProblemsException.class, () -> FaultBox.of(rig));
        assertThat(problems.problems())
                .extracting(p -> p.where())
                .containsExactly("faultBox/0/at", "faultBox/1/kind", "faultBox/2/size", "faultBox/3/kind");
    }

    @Test
    void twoRelaysWithOneNumberAreRefused() {
        assertThat(catchThrowableOfType(
                        ProblemsException.class,
                        () -> with(
                                relay(1, "cpc-open-after", "sockets/socket-2", 0),
                                relay(1, "cpc-open-after", "sockets/socket-3", 0))))
                .isNotNull();
    }
}
