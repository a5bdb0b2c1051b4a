package prantel.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import com.digitalpetri.modbus.client.ModbusTcpClient;
import com.digitalpetri.modbus.pdu.ReadCoilsRequest;
import com.digitalpetri.modbus.tcp.client.NettyTcpClientTransport;
import java.io.IOException;
import java.net.ServerSocket;
import java.util.List;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import prantel.devices.FaultBoxException.Why;

// Function codes, addressing and exception codes: Modbus Application Protocol Specification V1.1b3.
class FaultBoxTest {
    private static final int RELAYS = 12;
    private static final int TICKS_A_SECOND = 5;

    private SimulatedFaultBox box;
    private FaultBoxClient client;

    @BeforeEach
    void start() throws IOException {
        box = new SimulatedFaultBox(freePort(), RELAYS);
        box.powerOn();
        client = new FaultBoxClient("127.0.0.1", box.port(), 7);
    }

    @AfterEach
    void stop() {
        client.close();
        box.close();
    }

    private static int freePort() throws IOException {
        try (ServerSocket socket = new ServerSocket(0)) {
            return socket.getLocalPort();
        }
    }

    private void pass(int seconds) {
        for (int tick = 0; tick < seconds * TICKS_A_SECOND; tick++) {
            box.tick();
        }
    }

    @Test
    void relaysFollowTheCommandAndAreReadBack() throws FaultBoxException {
        client.claim();
        client.command(List.of(1, 9, 12), RELAYS);
        assertThat(client.read().closed()).containsExactlyInAnyOrder(1, 9, 12);
        assertThat(client.read().relays()).isEqualTo(RELAYS);
        client.command(List.of(9), RELAYS);
        assertThat(client.read().closed()).containsExactly(9);
        assertThat(box.closed()).containsExactly(9);
    }

    @Test
    void withoutAClaimNothingIsSwitched() {
        assertThat(why(() -> client.command(List.of(1), RELAYS))).isEqualTo(Why.BUSY);
        assertThat(box.closed()).isEmpty();
    }

    @Test
    void weldedContactShowsInTheReadBack() throws FaultBoxException {
        client.claim();
        client.command(List.of(3), RELAYS);
        box.stick(5, true);
        box.stick(3, false);
        assertThat(client.read().closed()).containsExactly(5);
    }

    @Test
    void silenceReleasesEveryRelay() throws FaultBoxException {
        client.claim();
        client.command(List.of(1, 2), RELAYS);
        pass(4);
        client.read();
        pass(4);
        assertThat(box.closed()).as("the owner was heard 4 s ago").containsExactly(1, 2);
        pass(2);
        assertThat(box.closed()).as("6 s of silence").isEmpty();
        assertThat(why(() -> client.command(List.of(1), RELAYS)))
                .as("must claim again")
                .isEqualTo(Why.BUSY);
    }

    @Test
    void somebodyElseReadingDoesNotKeepTheRelaysIn() throws FaultBoxException {
        client.claim();
        client.command(List.of(4), RELAYS);
        try (FaultBoxClient other = new FaultBoxClient("127.0.0.1", box.port(), 8)) {
            pass(3);
            other.read();
            pass(3);
            assertThat(other.read().closed()).isEmpty();
        }
    }

    @Test
    void twoServersCannotBothHoldIt() throws FaultBoxException {
        client.claim();
        client.command(List.of(2), RELAYS);
        try (FaultBoxClient other = new FaultBoxClient("127.0.0.1", box.port(), 8)) {
            assertThat(why(other::claim)).isEqualTo(Why.BUSY);
            assertThat(why(() -> other.command(List.of(), RELAYS))).isEqualTo(Why.BUSY);
            assertThat(box.closed()).containsExactly(2);
            client.release();
            other.claim();
            assertThat(other.read().closed()).as("released on giving back").isEmpty();
        }
    }

    @Test
    void powerCutReleasesAndIsNoticed() throws FaultBoxException {
        client.claim();
        client.command(List.of(6), RELAYS);
        int before = client.read().powerUps();
        box.powerOff();
        assertThat(why(client::read)).isEqualTo(Why.UNREACHABLE);
        box.powerOn();
        FaultBoxClient.State state = client.read();
        assertThat(state.closed()).isEmpty();
        assertThat(state.powerUps()).isEqualTo(before + 1);
    }

    @Test
    void sameServerOnANewLineKeepsItsClaim() throws FaultBoxException {
        client.claim();
        client.command(List.of(7), RELAYS);
        client.close();
        try (FaultBoxClient again = new FaultBoxClient("127.0.0.1", box.port(), 7)) {
            again.claim();
            assertThat(again.read().closed()).containsExactly(7);
        }
    }

    @Test
    void anyModbusMasterCanReadIt() throws Exception {
        client.claim();
        client.command(List.of(1, 3), RELAYS);
        ModbusTcpClient plain = ModbusTcpClient.create(NettyTcpClientTransport.create(c -> {
            c.setHostname("127.0.0.1");
            c.setPort(box.port());
        }));
        plain.connect();
        try {
            assertThat(plain.readCoils(1, new ReadCoilsRequest(0, 8)).coils()).containsExactly(0b0000_0101);
        } finally {
            plain.disconnect();
        }
    }

    private interface Call {
        void run() throws FaultBoxException;
    }

    private static Why why(Call call) {
        return catchThrowableOfType(FaultBoxException.class, call::run).why();
    }
}
