package prantel.server.faultbox;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;
import static org.awaitility.Awaitility.await;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import java.io.IOException;
import java.net.ServerSocket;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import prantel.core.fault.BoxTruth;
import prantel.devices.SimulatedFaultBox;
import prantel.server.web.Refusal;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/** One server, and two of them, at a simulated box over real sockets. */
class FaultBoxesTest {
    private static final String BAY = "bay-1";

    private SimulatedFaultBox box;
    private FaultBoxes boxes;

    @BeforeEach
    void start() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            int port = socket.getLocalPort();
            socket.close();
            box = new SimulatedFaultBox(port, 8);
        }
        box.powerOn();
        boxes = server("127.0.0.1:" + box.port());
    }

    @AfterEach
    void stop() {
        boxes.destroy();
        box.close();
    }

    private static FaultBoxes server(@Nullable String address) {
        Workshop workshop = mock(Workshop.class);
        when(workshop.bay(BAY)).thenReturn(new Bay(BAY, 1, "rig", 1, address, null, false));
        return new FaultBoxes(workshop, Clock.systemUTC());
    }

    private BoxState state() {
        return boxes.of(BAY).orElseThrow();
    }

    private static Refusal refusal(FaultBoxes server, List<Integer> relays) {
        return catchThrowableOfType(Refusal.class, () -> server.command(BAY, relays));
    }

    @Test
    void whatIsCommandedIsReadBack() {
        BoxState armed = boxes.command(BAY, List.of(2, 5));
        assertThat(armed.closed()).containsExactlyInAnyOrder(2, 5);
        assertThat(boxes.truth(BAY, List.of(2, 5), false).isAsTold()).isTrue();
        assertThat(boxes.command(BAY, List.of()).closed()).isEmpty();
        assertThat(box.closed()).isEmpty();
    }

    @Test
    void weldedAndDeadContactsAreWrongRelays() {
        box.stick(2, false);
        box.stick(7, true);
        BoxState armed = boxes.command(BAY, List.of(2, 5));
        assertThat(armed.closed()).isNotEmpty();
        BoxTruth truth = boxes.truth(BAY, List.of(2, 5), false);
        assertThat(truth.relays(BoxTruth.Trouble.NOT_IN)).containsExactly(2);
        assertThat(truth.relays(BoxTruth.Trouble.NOT_COMMANDED)).containsExactly(7);
    }

    @Test
    void relayThatTheBoxHasNotIsRefusedAndNothingMoves() {
        assertThat(refusal(boxes, List.of(3, 12)).getMessage()).contains("8 relays");
        assertThat(box.closed()).isEmpty();
    }

    @Test
    void secondServerIsRefusedUntilTheFirstGivesTheBoxBack() {
        FaultBoxes second = server("127.0.0.1:" + box.port());
        try {
            boxes.command(BAY, List.of(1));
            assertThat(refusal(second, List.of(4)).getMessage()).contains("held by another server");
            assertThat(box.closed()).containsExactly(1);
            await().untilAsserted(
                            () -> assertThat(second.truth(BAY, List.of(), false).relays(BoxTruth.Trouble.NOT_COMMANDED))
                                    .as("it may look, and sees a relay in that it did not command")
                                    .containsExactly(1));
            boxes.command(BAY, List.of());
            assertThat(second.command(BAY, List.of(4)).closed()).containsExactly(4);
            assertThat(refusal(boxes, List.of(1)).getMessage()).contains("held by another server");
        } finally {
            second.destroy();
        }
    }

    @Test
    void lostPowerIsToldAndNothingIsArmedAgainByItself() {
        boxes.command(BAY, List.of(6));
        box.powerOff();
        assertThat(refusal(boxes, List.of(6)).getMessage()).contains("does not answer");
        assertThat(state().contact()).isFalse();
        box.powerOn();
        assertThat(boxes.command(BAY, List.of(6)).closed()).containsExactly(6);
    }

    @Test
    void bayWithoutABoxHasNoState() {
        FaultBoxes none = server(null);
        assertThat(none.of(BAY)).isEmpty();
        assertThat(refusal(none, List.of(1)).getMessage()).contains("by hand");
    }

    @Test
    void boxThatNeverAnsweredSaysSo() {
        box.powerOff();
        FaultBoxes fresh = server("127.0.0.1:" + box.port());
        await().untilAsserted(
                        () -> assertThat(fresh.of(BAY).orElseThrow().says()).contains("check its power and network"));
        BoxState state = fresh.of(BAY).orElseThrow();
        assertThat(state.contact()).isFalse();
        assertThat(state.heardAt()).isNull();
        fresh.destroy();
    }

    /** Two boxes that do not answer: the third is polled all the same, so that its watchdog does not let its relays go. */
    @Test
    void deadBoxesKeepNoSoundOneWaiting() throws Exception {
        try (ServerSocket silent = new ServerSocket(0);
                ServerSocket alsoSilent = new ServerSocket(0)) {
            Workshop workshop = mock(Workshop.class);
            when(workshop.bay(BAY)).thenReturn(new Bay(BAY, 1, "rig", 1, "127.0.0.1:" + box.port(), null, false));
            when(workshop.bay("bay-2"))
                    .thenReturn(new Bay("bay-2", 2, "rig", 1, "127.0.0.1:" + silent.getLocalPort(), null, false));
            when(workshop.bay("bay-3"))
                    .thenReturn(new Bay("bay-3", 3, "rig", 1, "127.0.0.1:" + alsoSilent.getLocalPort(), null, false));
            FaultBoxes three = new FaultBoxes(workshop, Clock.systemUTC());
            try {
                three.of("bay-2");
                three.of("bay-3");
                assertThat(three.command(BAY, List.of(3)).closed()).containsExactly(3);
                long start = System.nanoTime();
                while (System.nanoTime() - start < 8_000_000_000L) {
                    assertThat(box.closed()).as("held by the watchdog").containsExactly(3);
                    Thread.sleep(200);
                }
                assertThat(three.of(BAY).orElseThrow().contact()).isTrue();
                assertThat(three.of("bay-2").orElseThrow().contact()).isFalse();
            } finally {
                three.destroy();
            }
        }
    }

    /** Bytes of a device that is no fault box: nothing is said to be armed by it. */
    @Test
    void answersOfTheWrongLengthAreNoContact() throws Exception {
        try (ServerSocket stranger = new ServerSocket(0)) {
            Thread answering = Thread.ofPlatform().daemon().start(() -> answerShortly(stranger));
            FaultBoxes odd = server("127.0.0.1:" + stranger.getLocalPort());
            try {
                await().untilAsserted(() ->
                        assertThat(odd.of(BAY).orElseThrow().says()).isNotEqualTo("not heard yet"));
                BoxState state = odd.of(BAY).orElseThrow();
                assertThat(state.contact()).isFalse();
                assertThat(state.closed()).isEmpty();
                assertThat(refusal(odd, List.of(1)).getMessage()).doesNotContain("Exception");
            } finally {
                odd.destroy();
                answering.interrupt();
            }
        }
    }

    /** Modbus/TCP: transaction, protocol, length, unit, function, then one byte of data where more are asked for. */
    private static void answerShortly(ServerSocket server) {
        while (!server.isClosed()) {
            try (var socket = server.accept()) {
                var in = new java.io.DataInputStream(socket.getInputStream());
                var out = new java.io.DataOutputStream(socket.getOutputStream());
                while (true) {
                    int transaction = in.readUnsignedShort();
                    in.readUnsignedShort();
                    byte[] rest = in.readNBytes(in.readUnsignedShort());
                    boolean write = rest[1] == 6 || rest[1] == 15;
                    byte[] body = write ? rest : new byte[] {rest[0], rest[1], 1, 0};
                    out.writeShort(transaction);
                    out.writeShort(0);
                    out.writeShort(body.length);
                    out.write(body);
                    out.flush();
                }
            } catch (IOException e) {
                // the next connection
            }
        }
    }
}
