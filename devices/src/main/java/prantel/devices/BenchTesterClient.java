package prantel.devices;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStreamWriter;
import java.math.BigDecimal;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.OptionalDouble;
import prantel.devices.BenchTester.Reading;
import prantel.devices.BenchTesterException.Kind;

/** Asks a bench tester for one reading after another; whoever has it keeps others out until closed. */
public final class BenchTesterClient implements AutoCloseable {
    private static final Duration CONNECT = Duration.ofSeconds(2);
    /** For a whole answer, however many pieces it comes in: a byte every few seconds holds nobody. */
    private static final Duration ANSWER = Duration.ofSeconds(5);

    private final Duration patience;
    private final Socket socket;
    private final InputStream in;
    private final BufferedWriter out;
    private final String identity;

    /** @throws BenchTesterException if nobody answers, somebody else has it, or it is no tester */
    public BenchTesterClient(String host, int port) {
        this(host, port, ANSWER);
    }

    BenchTesterClient(String host, int port, Duration patience) {
        this.patience = patience;
        Socket opened = new Socket();
        try {
            opened.connect(new InetSocketAddress(host, port), (int) CONNECT.toMillis());
            opened.setTcpNoDelay(true);
            socket = opened;
            in = opened.getInputStream();
            out = new BufferedWriter(new OutputStreamWriter(opened.getOutputStream(), StandardCharsets.UTF_8));
        } catch (IOException e) {
            closeQuietly(opened);
            throw lost();
        }
        try {
            // what it answers is told to nobody before it is known to be a tester
            identity = BenchTester.identity(line("*IDN?"));
        } catch (BenchTesterException e) {
            close();
            throw e;
        }
    }

    private static BenchTesterException lost() {
        return new BenchTesterException(
                Kind.NO_CONTACT,
                "the bench tester does not answer: nothing was taken. Is it on, is its address right?");
    }

    /** Maker, model, serial number, version, as it says them. */
    public String identity() {
        return identity;
    }

    /** One reading, its knob left on the range where it is. */
    public Reading read(String function, String place) {
        return read(function, place, OptionalDouble.empty());
    }

    /**
     * One reading.
     *
     * @param function what the box is read with, one of {@link BenchTester#FUNCTIONS}
     * @param place where the probes are: only a simulated tester has to be told
     * @param range top of the range to be used, base unit; empty leaves its knob where it is
     * @throws BenchTesterException if there is none, or one of another function
     */
    public Reading read(String function, String place, OptionalDouble range) {
        tell("FUNC " + function);
        if (range.isPresent()) {
            tell("RANG " + BigDecimal.valueOf(range.getAsDouble()).toPlainString());
        }
        if (isSimulated()) {
            tell("SIM:PROB \"" + place.replace("\"", "") + "\"");
        }
        Reading reading = Reading.parse(ask("READ?"));
        if (!reading.function().equals(function)) {
            throw new BenchTesterException(
                    Kind.WRONG_FUNCTION,
                    "the tester is set to " + reading.function() + ", this box is read with " + function
                            + ": nothing was taken");
        }
        return reading;
    }

    private boolean isSimulated() {
        return identity.split(",")[3].strip().startsWith("SIM");
    }

    /** A command and what the tester makes of it. */
    private void tell(String command) {
        send(command);
        String error = ask("SYST:ERR?");
        if (!error.startsWith("0,")) {
            throw new BenchTesterException(
                    Kind.REFUSED,
                    "the tester says: " + error.replaceFirst("^-?\\d+,", "").replace("\"", ""));
        }
    }

    private String line(String query) {
        send(query);
        String line = line();
        if (line.startsWith("-200,")) {
            throw new BenchTesterException(
                    Kind.IN_USE, "somebody else takes readings from this tester at this moment; try again");
        }
        return line;
    }

    private String ask(String query) {
        String line = line(query);
        if (line.startsWith("-")) {
            String[] parts = line.split(",", 2);
            if (parts.length == 2 && parts[0].matches("-\\d{1,4}") && parts[1].startsWith("\"")) {
                throw new BenchTesterException(Kind.REFUSED, "the tester says: " + parts[1].replace("\"", ""));
            }
        }
        return line;
    }

    private void send(String line) {
        try {
            out.write(line);
            out.write('\n');
            out.flush();
        } catch (IOException e) {
            throw lost();
        }
    }

    /** A line of an honest length in honest UTF-8. */
    private String line() {
        byte[] bytes = new byte[BenchTester.LONGEST_LINE];
        int count = 0;
        long until = System.nanoTime() + patience.toNanos();
        try {
            while (true) {
                long left = Duration.ofNanos(until - System.nanoTime()).toMillis();
                if (left <= 0) {
                    throw lost();
                }
                socket.setSoTimeout((int) left);
                int next = in.read();
                if (next < 0) {
                    throw lost();
                }
                if (next == '\n') {
                    return new String(bytes, 0, count, StandardCharsets.UTF_8).strip();
                }
                if (count == bytes.length) {
                    throw new BenchTesterException(
                            Kind.GARBAGE, "the tester answered without an end: nothing was taken");
                }
                bytes[count++] = (byte) next;
            }
        } catch (IOException e) {
            throw lost();
        }
    }

    private static void closeQuietly(Socket socket) {
        try {
            socket.close();
        } catch (IOException e) {
            // it is given up anyway
        }
    }

    @Override
    public void close() {
        closeQuietly(socket);
    }
}
