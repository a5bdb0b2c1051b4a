package prantel.devices;

import com.digitalpetri.modbus.ExceptionCode;
import com.digitalpetri.modbus.client.ModbusTcpClient;
import com.digitalpetri.modbus.exceptions.ModbusException;
import com.digitalpetri.modbus.exceptions.ModbusResponseException;
import com.digitalpetri.modbus.pdu.ReadDiscreteInputsRequest;
import com.digitalpetri.modbus.pdu.ReadInputRegistersRequest;
import com.digitalpetri.modbus.pdu.WriteMultipleCoilsRequest;
import com.digitalpetri.modbus.pdu.WriteSingleRegisterRequest;
import com.digitalpetri.modbus.tcp.client.NettyTcpClientTransport;
import java.time.Duration;
import java.util.Collection;
import java.util.Set;
import java.util.TreeSet;
import prantel.devices.FaultBoxException.Why;

/**
 * One fault box, as a server talks to it. Every call is one question and its answer; a call that fails leaves nothing half
 * done here, and the box releases its relays by itself when it hears nothing more. Not for several threads at once.
 */
public final class FaultBoxClient implements AutoCloseable {
    private static final Duration PATIENCE = Duration.ofMillis(800);
    private static final int MOST_RELAYS = 64;

    private final String address;
    private final ModbusTcpClient client;
    private final int token;
    private boolean open;

    /**
     * @param token 1 to 65535: this server's name in the box's owner register
     */
    public FaultBoxClient(String host, int port, int token) {
        if (token < 1 || token > 0xFFFF) {
            throw new IllegalArgumentException("Token " + token + ": give 1 to 65535");
        }
        this.address = host + ":" + port;
        this.token = token;
        client = ModbusTcpClient.create(
                NettyTcpClientTransport.create(c -> {
                    c.setHostname(host);
                    c.setPort(port);
                    c.setConnectTimeout(PATIENCE);
                    c.setConnectPersistent(false);
                }),
                c -> c.setRequestTimeout(PATIENCE));
    }

    /**
     * What the box says of itself.
     *
     * @param relays how many it has
     * @param powerUps counts up each time it gets its power back
     * @param closed numbers of the relays whose auxiliary contact says they have pulled in, from 1
     */
    public record State(int relays, int powerUps, Set<Integer> closed) {
        public State {
            closed = Set.copyOf(closed);
        }
    }

    /** Becomes, or stays, the one whose commands the box takes. @throws FaultBoxException BUSY when another one is */
    public void claim() throws FaultBoxException {
        asked(
                "claimed",
                () -> client.writeSingleRegister(
                        BoxRegisters.UNIT, new WriteSingleRegisterRequest(BoxRegisters.OWNER, token)));
    }

    /** Gives it back; the box releases every relay. */
    public void release() throws FaultBoxException {
        asked(
                "released",
                () -> client.writeSingleRegister(
                        BoxRegisters.UNIT, new WriteSingleRegisterRequest(BoxRegisters.OWNER, 0)));
    }

    /**
     * Commands all relays at once: these in, all others out.
     *
     * @param in numbers from 1
     * @param relays how many the box has
     */
    public void command(Collection<Integer> in, int relays) throws FaultBoxException {
        boolean[] states = new boolean[relays];
        in.forEach(n -> states[n - 1] = true);
        asked(
                "commanded",
                () -> client.writeMultipleCoils(
                        BoxRegisters.UNIT,
                        new WriteMultipleCoilsRequest(0, relays, BoxRegisters.bits(states, 0, relays))));
    }

    /** Reads back what really is, from the auxiliary contacts. Keeps the box's watchdog quiet when it is ours. */
    public State read() throws FaultBoxException {
        byte[] about = asked(
                "read",
                () -> client.readInputRegisters(
                                BoxRegisters.UNIT, new ReadInputRegistersRequest(0, BoxRegisters.INPUT_COUNT))
                        .registers());
        mustBe(about.length == 2 * BoxRegisters.INPUT_COUNT);
        int relays = BoxRegisters.register(about, BoxRegisters.RELAYS);
        mustBe(relays >= 1 && relays <= MOST_RELAYS);
        byte[] contacts = asked(
                "read",
                () -> client.readDiscreteInputs(BoxRegisters.UNIT, new ReadDiscreteInputsRequest(0, relays))
                        .inputs());
        mustBe(contacts.length == (relays + 7) / 8);
        Set<Integer> closed = new TreeSet<>();
        for (int i = 0; i < relays; i++) {
            if (BoxRegisters.bit(contacts, i)) {
                closed.add(i + 1);
            }
        }
        return new State(relays, BoxRegisters.register(about, BoxRegisters.POWER_UPS), closed);
    }

    /** An answer of another shape says nothing of the relays. */
    private void mustBe(boolean sound) throws FaultBoxException {
        if (!sound) {
            throw new FaultBoxException(
                    Why.REFUSED, "Fault box " + address + " answers what no fault box does: is it the right device?");
        }
    }

    private interface Question<T> {
        T ask() throws ModbusException;
    }

    private <T> T asked(String what, Question<T> question) throws FaultBoxException {
        try {
            if (!open) {
                client.connect();
                open = true;
            }
            return question.ask();
        } catch (ModbusResponseException e) {
            boolean busy = e.getExceptionCode() == ExceptionCode.SLAVE_DEVICE_BUSY.getCode();
            throw new FaultBoxException(
                    busy ? Why.BUSY : Why.REFUSED,
                    busy
                            ? "Fault box " + address + " is held by another server."
                            : "Fault box " + address + " refused to be " + what + ": " + e.getMessage() + ".");
        } catch (ModbusException e) {
            close();
            throw new FaultBoxException(
                    Why.UNREACHABLE, "Fault box " + address + " does not answer: check its power and network.");
        }
    }

    /** Lets go of the line without a word: the box's watchdog will release the relays. */
    @Override
    public void close() {
        open = false;
        client.disconnectAsync();
    }
}
