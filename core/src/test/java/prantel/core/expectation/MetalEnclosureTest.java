package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Reading;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.SlotId;

/** Steel conduit is an earth path of its own: it joins the metalwork, not the CPC's terminal. Physics, no source. */
class MetalEnclosureTest {
    private static Rig rig(Optional<Cable.Enclosure> enclosure) {
        Circuit circuit = new Radial(
                Rigs.head(Rigs.SOCKETS, 1, 20, new Cable(4, 4, enclosure)),
                false,
                List.of(
                        new Point(
                                Rigs.socket(1),
                                "socket 1",
                                PointKind.TWIN_SOCKET,
                                10,
                                Optional.empty(),
                                Optional.empty(),
                                true),
                        new Point(
                                Rigs.socket(2),
                                "socket 2",
                                PointKind.TWIN_SOCKET,
                                20,
                                Optional.empty(),
                                Optional.empty(),
                                true)));
        return Rigs.rig(Rigs.usual(), List.of(circuit));
    }

    private static Reading metalwork(Rig rig, String kind) {
        Fault fault = FaultCatalogue.kind(kind)
                .usual(
                        Faults.socket(2),
                        FaultCatalogue.kind(kind).conductorChoices().getFirst(),
                        Optional.empty(),
                        rig);
        return Key.of(rig, FaultSet.of(fault), Testers.usual(), Schemes.workshop())
                .expectation(new SlotId("sockets/r2/socket-2/metalwork"))
                .withFaults();
    }

    private static final Optional<Cable.Enclosure> CONDUIT =
            Optional.of(new Cable.Enclosure(Cable.Enclosure.Kind.STEEL_CONDUIT, 1.6));

    @Test
    void metalworkInConduitReadsThroughTheMetalWhenItsTerminalIsOff() {
        assertThat(metalwork(rig(CONDUIT), "metalwork-unearthed"))
                .isInstanceOfSatisfying(
                        Reading.Value.class, v -> assertThat(v.value()).isBetween(0.01, 0.2));
    }

    @Test
    void metalworkWithoutConduitHasNoOtherWay() {
        assertThat(metalwork(rig(Optional.empty()), "metalwork-unearthed")).isInstanceOf(Reading.OverRange.class);
    }

    private static Practice conduit(Practice.Conduit where) {
        return Schemes.usual().with(where);
    }

    /** With the CPC off the bar the metal is no longer a way of its own from end to end. Physics. */
    @Test
    void cpcOffTheBarReadsHigherAndTheRecordIsHeldAgainstWhatWasDone() {
        Rig rig = Rigs.rig(
                Rigs.usual(),
                List.of(new Radial(
                        Rigs.head(Rigs.SOCKETS, 1, 20, new Cable(4, 1.5, CONDUIT)),
                        false,
                        List.of(new Point(Rigs.socket(2), "socket 2", PointKind.TWIN_SOCKET, 60)))));
        Scheme either = Schemes.workshop().with(conduit(Practice.Conduit.EITHER));
        Key on = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.workshop().with(conduit(Practice.Conduit.ON_BAR)));
        Key off =
                Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.workshop().with(conduit(Practice.Conduit.OFF_BAR)));
        Key open = Key.of(rig, FaultSet.NONE, Testers.usual(), either);
        SlotId far = new SlotId("sockets/r1r2/socket-2");
        assertThat(off.expectation(far).withFaults().base())
                .isGreaterThan(on.expectation(far).window().high());
        for (Key done : List.of(on, off)) {
            List<Expectation> asDone = open.asDone(slot -> Notation.read(
                    done.expectation(slot).withFaults().shown(),
                    done.expectation(slot).slot().boxUnit()));
            assertThat(asDone)
                    .allSatisfy(e -> assertThat(e.window())
                            .isEqualTo(done.expectation(e.slot().id()).window()));
        }
    }
}
