package prantel.devices;

import com.digitalpetri.modbus.ExceptionCode;
import com.digitalpetri.modbus.exceptions.ModbusResponseException;
import com.digitalpetri.modbus.pdu.ReadCoilsRequest;
import com.digitalpetri.modbus.pdu.ReadCoilsResponse;
import com.digitalpetri.modbus.pdu.ReadDiscreteInputsRequest;
import com.digitalpetri.modbus.pdu.ReadDiscreteInputsResponse;
import com.digitalpetri.modbus.pdu.ReadHoldingRegistersRequest;
import com.digitalpetri.modbus.pdu.ReadHoldingRegistersResponse;
import com.digitalpetri.modbus.pdu.ReadInputRegistersRequest;
import com.digitalpetri.modbus.pdu.ReadInputRegistersResponse;
import com.digitalpetri.modbus.pdu.WriteMultipleCoilsRequest;
import com.digitalpetri.modbus.pdu.WriteMultipleCoilsResponse;
import com.digitalpetri.modbus.pdu.WriteSingleCoilRequest;
import com.digitalpetri.modbus.pdu.WriteSingleCoilResponse;
import com.digitalpetri.modbus.pdu.WriteSingleRegisterRequest;
import com.digitalpetri.modbus.pdu.WriteSingleRegisterResponse;
import com.digitalpetri.modbus.server.ModbusRequestContext;
import com.digitalpetri.modbus.server.ModbusRequestContext.ModbusTcpRequestContext;
import com.digitalpetri.modbus.server.ModbusServices;
import com.digitalpetri.modbus.server.ModbusTcpServer;
import com.digitalpetri.modbus.tcp.server.NettyTcpServerTransport;
import java.util.Arrays;
import java.util.Set;
import java.util.TreeSet;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import org.jspecify.annotations.Nullable;

/**
 * A fault box in software: relays with auxiliary contacts, one owner at a time, and a watchdog that releases everything when
 * the owner falls silent. Its power can be cut and its contacts can be welded, as a real one's.
 */
public final class SimulatedFaultBox implements AutoCloseable {
    public static final int USUAL_RELAYS = 16;
    private static final int USUAL_WATCHDOG_SECONDS = 5;
    /** The watchdog counts ticks of its own, as a box's does: a computer that both slept on is nobody's silence. */
    private static final int TICK_MILLIS = 200;

    private final int port;
    private final boolean[] coils;
    /** Contacts that no longer follow their coil: null where they do. */
    private final @Nullable Boolean[] stuck;

    private final ScheduledExecutorService watchdog;
    private @Nullable ModbusTcpServer server;
    private int owner;
    private String ownerAddress = "";
    private int silentTicks;
    private int watchdogSeconds = USUAL_WATCHDOG_SECONDS;
    private int powerUps;

    /** @param port on this machine @param relays 1 to 64 */
    public SimulatedFaultBox(int port, int relays) {
        if (relays < 1 || relays > 64) {
            throw new IllegalArgumentException(relays + " relays: give 1 to 64");
        }
        this.port = port;
        this.coils = new boolean[relays];
        this.stuck = new Boolean[relays];
        this.watchdog = Executors.newSingleThreadScheduledExecutor(
                Thread.ofPlatform().daemon().name("fault-box-" + port).factory());
        watchdog.scheduleWithFixedDelay(this::tick, TICK_MILLIS, TICK_MILLIS, TimeUnit.MILLISECONDS);
    }

    /**
     * Switches its power on: every relay starts released.
     *
     * @throws IllegalStateException if the port is taken
     */
    public synchronized void powerOn() {
        if (server != null) {
            return;
        }
        Arrays.fill(coils, false);
        owner = 0;
        powerUps = (powerUps + 1) & 0xFFFF;
        ModbusTcpServer made = ModbusTcpServer.create(
                NettyTcpServerTransport.create(c -> {
                    c.setBindAddress("127.0.0.1");
                    c.setPort(port);
                }),
                new Services());
        try {
            made.start();
        } catch (ExecutionException e) {
            throw new IllegalStateException("Port " + port + " is taken; give another", e);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("Interrupted while starting the fault box", e);
        }
        server = made;
    }

    /** Cuts its power: relays fall out, nobody answers any more. */
    public void powerOff() {
        ModbusTcpServer running;
        synchronized (this) {
            Arrays.fill(coils, false);
            owner = 0;
            running = server;
            server = null;
        }
        // outside the lock: stopping waits for the thread of a request, which may wait for the lock
        if (running != null) {
            try {
                running.stop();
            } catch (ExecutionException e) {
                throw new IllegalStateException(e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Welds a contact in a position, or frees it with null. @param relay from 1 */
    public synchronized void stick(int relay, @Nullable Boolean closed) {
        stuck[relay - 1] = closed;
    }

    /** Relays whose contacts are really closed, from 1. */
    public synchronized Set<Integer> closed() {
        Set<Integer> closed = new TreeSet<>();
        for (int i = 0; i < coils.length; i++) {
            if (contact(i)) {
                closed.add(i + 1);
            }
        }
        return closed;
    }

    public int port() {
        return port;
    }

    private boolean contact(int index) {
        Boolean position = stuck[index];
        return position == null ? coils[index] : position;
    }

    /** One tick of the watchdog: silence of the owner for too long releases everything. */
    synchronized void tick() {
        if (owner != 0 && TICK_MILLIS * ++silentTicks > TimeUnit.SECONDS.toMillis(watchdogSeconds)) {
            owner = 0;
            Arrays.fill(coils, false);
        }
    }

    @Override
    public void close() {
        watchdog.shutdownNow();
        powerOff();
    }

    private static ModbusResponseException refusal(int function, ExceptionCode code) {
        return new ModbusResponseException(function, code.getCode());
    }

    private final class Services implements ModbusServices {
        private void heardFrom(ModbusRequestContext context) {
            if (owner != 0 && address(context).equals(ownerAddress)) {
                silentTicks = 0;
            }
        }

        private static String address(ModbusRequestContext context) {
            return context instanceof ModbusTcpRequestContext tcp
                    ? tcp.remoteAddress().toString()
                    : "";
        }

        private void mustBeOwner(ModbusRequestContext context, int function) throws ModbusResponseException {
            if (owner == 0 || !address(context).equals(ownerAddress)) {
                throw refusal(function, ExceptionCode.SLAVE_DEVICE_BUSY);
            }
        }

        private void mustBeInside(int address, int quantity, int count, int function) throws ModbusResponseException {
            if (address < 0 || quantity < 1 || address + quantity > count) {
                throw refusal(function, ExceptionCode.ILLEGAL_DATA_ADDRESS);
            }
        }

        @Override
        public ReadCoilsResponse readCoils(ModbusRequestContext context, int unit, ReadCoilsRequest request)
                throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                heardFrom(context);
                mustBeInside(request.address(), request.quantity(), coils.length, request.getFunctionCode());
                return new ReadCoilsResponse(BoxRegisters.bits(coils, request.address(), request.quantity()));
            }
        }

        @Override
        public ReadDiscreteInputsResponse readDiscreteInputs(
                ModbusRequestContext context, int unit, ReadDiscreteInputsRequest request)
                throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                heardFrom(context);
                mustBeInside(request.address(), request.quantity(), coils.length, request.getFunctionCode());
                boolean[] contacts = new boolean[coils.length];
                for (int i = 0; i < contacts.length; i++) {
                    contacts[i] = contact(i);
                }
                return new ReadDiscreteInputsResponse(
                        BoxRegisters.bits(contacts, request.address(), request.quantity()));
            }
        }

        @Override
        public ReadInputRegistersResponse readInputRegisters(
                ModbusRequestContext context, int unit, ReadInputRegistersRequest request)
                throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                heardFrom(context);
                mustBeInside(
                        request.address(), request.quantity(), BoxRegisters.INPUT_COUNT, request.getFunctionCode());
                byte[] all = BoxRegisters.bytes(coils.length, powerUps);
                return new ReadInputRegistersResponse(
                        Arrays.copyOfRange(all, 2 * request.address(), 2 * (request.address() + request.quantity())));
            }
        }

        @Override
        public ReadHoldingRegistersResponse readHoldingRegisters(
                ModbusRequestContext context, int unit, ReadHoldingRegistersRequest request)
                throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                heardFrom(context);
                mustBeInside(
                        request.address(), request.quantity(), BoxRegisters.HOLDING_COUNT, request.getFunctionCode());
                byte[] all = BoxRegisters.bytes(owner, watchdogSeconds);
                return new ReadHoldingRegistersResponse(
                        Arrays.copyOfRange(all, 2 * request.address(), 2 * (request.address() + request.quantity())));
            }
        }

        @Override
        public WriteSingleRegisterResponse writeSingleRegister(
                ModbusRequestContext context, int unit, WriteSingleRegisterRequest request)
                throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                int value = request.value() & 0xFFFF;
                switch (request.address()) {
                    case BoxRegisters.OWNER -> own(context, value, request.getFunctionCode());
                    case BoxRegisters.WATCHDOG_SECONDS -> {
                        mustBeOwner(context, request.getFunctionCode());
                        if (value < 1 || value > 60) {
                            throw refusal(request.getFunctionCode(), ExceptionCode.ILLEGAL_DATA_VALUE);
                        }
                        watchdogSeconds = value;
                    }
                    default -> throw refusal(request.getFunctionCode(), ExceptionCode.ILLEGAL_DATA_ADDRESS);
                }
                heardFrom(context);
                return new WriteSingleRegisterResponse(request.address(), request.value());
            }
        }

        /** Free, or the same server on a new line; anybody else waits until the watchdog has freed it. */
        private void own(ModbusRequestContext context, int value, int function) throws ModbusResponseException {
            if (value == 0) {
                mustBeOwner(context, function);
                owner = 0;
                Arrays.fill(coils, false);
                return;
            }
            if (owner != 0 && owner != value) {
                throw refusal(function, ExceptionCode.SLAVE_DEVICE_BUSY);
            }
            owner = value;
            ownerAddress = address(context);
            silentTicks = 0;
        }

        @Override
        public WriteSingleCoilResponse writeSingleCoil(
                ModbusRequestContext context, int unit, WriteSingleCoilRequest request) throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                mustBeOwner(context, request.getFunctionCode());
                mustBeInside(request.address(), 1, coils.length, request.getFunctionCode());
                coils[request.address()] = request.value() != 0;
                heardFrom(context);
                return new WriteSingleCoilResponse(request.address(), request.value());
            }
        }

        @Override
        public WriteMultipleCoilsResponse writeMultipleCoils(
                ModbusRequestContext context, int unit, WriteMultipleCoilsRequest request)
                throws ModbusResponseException {
            synchronized (SimulatedFaultBox.this) {
                mustBeOwner(context, request.getFunctionCode());
                mustBeInside(request.address(), request.quantity(), coils.length, request.getFunctionCode());
                for (int i = 0; i < request.quantity(); i++) {
                    coils[request.address() + i] = BoxRegisters.bit(request.values(), i);
                }
                heardFrom(context);
                return new WriteMultipleCoilsResponse(request.address(), request.quantity());
            }
        }
    }
}
