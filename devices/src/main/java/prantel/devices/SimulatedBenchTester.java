package prantel.devices;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.util.ArrayDeque;
import java.util.Deque;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;
import prantel.devices.BenchTester.Reading;

/**
 * A bench tester in software: answers with what its world really reads where its probes are. One client at a time; whoever
 * comes second is told so. Its line can be cut and it can be set to another function by hand, as a real one's.
 */
public final class SimulatedBenchTester implements AutoCloseable {
    /** What the probes touch. */
    @FunctionalInterface
    public interface World {
        /**
         * @param place as it was told
         * @param function one of {@link BenchTester#FUNCTIONS}
         * @param nulled whether the leads are
         * @param range a value in base units that its range must hold; empty where it finds its range by itself
         * @return what the display shows; empty if there is no such place
         * @throws IllegalStateException if the tester would refuse, with what it would say
         */
        Optional<Shown> read(String place, String function, boolean nulled, OptionalDouble range);
    }

    /** @param number empty for over-range and for none @param range where its knob was: "9.99 Ω", "auto" */
    public record Shown(Optional<Double> number, boolean overRange, String unit, String text, String range) {}

    private final String identity;
    private final World world;
    private final ServerSocket server;
    private final Thread accepting;
    private @Nullable Socket client;
    private volatile boolean open = true;
    /** Somebody turned the knob: what is asked for is not taken up. */
    private volatile @Nullable String knob;

    /** @param port on this machine, 0 for any that is free @throws IllegalStateException if the port is taken */
    public SimulatedBenchTester(int port, String label, World world) {
        this.identity = "Prantel," + label.replaceAll("[,\"\\p{Cntrl}]", " ") + ",0001,SIM 1.0";
        this.world = world;
        try {
            this.server = new ServerSocket(port, 8, InetAddress.getLoopbackAddress());
        } catch (IOException e) {
            throw new IllegalStateException("Port " + port + " is taken; give another", e);
        }
        this.accepting = Thread.ofPlatform()
                .daemon()
                .name("bench-tester-" + server.getLocalPort())
                .start(this::accept);
    }

    public int port() {
        return server.getLocalPort();
    }

    /** Turns its knob by hand; null lets a client set it again. */
    public void turnTo(@Nullable String function) {
        knob = function;
    }

    /** Cuts the line of whoever is connected. */
    public synchronized void cut() {
        close(client);
        client = null;
    }

    private void accept() {
        while (open) {
            try {
                Socket socket = server.accept();
                if (!open) {
                    close(socket);
                } else if (take(socket)) {
                    Thread.ofPlatform().daemon().name("bench-tester-client").start(() -> talk(socket));
                } else {
                    socket.getOutputStream().write("-200,\"In use\"\n".getBytes(StandardCharsets.UTF_8));
                    close(socket);
                }
            } catch (IOException e) {
                // a client that went away; or the end, which the loop sees
            }
        }
    }

    /** @return whether it may talk */
    private synchronized boolean take(Socket socket) {
        if (client != null && !client.isClosed()) {
            return false;
        }
        client = socket;
        return true;
    }

    private synchronized void leave(Socket socket) {
        close(socket);
        if (client == socket) {
            client = null;
        }
    }

    private static void close(@Nullable Socket socket) {
        if (socket != null) {
            try {
                socket.close();
            } catch (IOException e) {
                // it is given up anyway
            }
        }
    }

    private void talk(Socket socket) {
        try (BufferedReader in =
                new BufferedReader(new InputStreamReader(socket.getInputStream(), StandardCharsets.UTF_8))) {
            OutputStream out = socket.getOutputStream();
            Session session = new Session();
            for (String line = in.readLine(); line != null; line = in.readLine()) {
                String answer = line.length() > BenchTester.LONGEST_LINE
                        ? session.refuse(-223, "Too much data")
                        : session.answer(line.strip());
                if (answer != null) {
                    out.write((answer + "\n").getBytes(StandardCharsets.UTF_8));
                    out.flush();
                }
            }
        } catch (IOException e) {
            // cut
        } finally {
            leave(socket);
        }
    }

    /** Afterwards nobody is answered: a thread that still waits in accept keeps the port alive, so its end is waited for. */
    @Override
    public void close() {
        open = false;
        try {
            server.close();
            accepting.join();
        } catch (IOException e) {
            // closed anyway
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        cut();
    }

    /** What one client set. */
    private final class Session {
        private static final int MOST_ERRORS = 10;

        private String function = "CONT";
        private boolean nulled = true;
        private String place = "";
        private OptionalDouble range = OptionalDouble.empty();
        private @Nullable Reading last;
        private final Deque<String> errors = new ArrayDeque<>();

        /** @return null where nothing is answered */
        @Nullable
        String answer(String line) {
            String[] parts = line.split("\\s+", 2);
            String head = parts[0].toUpperCase(Locale.ROOT);
            String rest = parts.length > 1 ? parts[1].strip() : "";
            return switch (head) {
                case "" -> null;
                case "*IDN?" -> identity;
                case "*RST" -> {
                    function = "CONT";
                    nulled = true;
                    place = "";
                    range = OptionalDouble.empty();
                    last = null;
                    yield null;
                }
                case "*CLS" -> {
                    errors.clear();
                    yield null;
                }
                case "*OPC?" -> "1";
                case "SYST:ERR?", "SYSTEM:ERROR?" -> errors.isEmpty() ? "0,\"No error\"" : errors.poll();
                case "FUNC", "FUNCTION" -> set(rest.replace("\"", "").toUpperCase(Locale.ROOT));
                case "FUNC?", "FUNCTION?" -> set();
                case "RANG", "RANGE" -> range(rest.toUpperCase(Locale.ROOT));
                case "RANG?", "RANGE?" -> range.isPresent() ? String.valueOf(range.getAsDouble()) : "AUTO";
                case "NULL" -> nullLeads(rest.toUpperCase(Locale.ROOT));
                case "NULL?" -> nulled ? "1" : "0";
                case "SIM:PROB", "SIMULATE:PROBES" -> {
                    place = rest.replace("\"", "");
                    yield null;
                }
                case "READ?", "MEAS?", "MEASURE?" -> read();
                case "FETC?", "FETCH?" -> last == null ? refuse(-230, "No reading yet") : last.line();
                default -> {
                    refuse(-113, "Undefined header");
                    yield null;
                }
            };
        }

        private String set() {
            String turned = knob;
            return turned == null ? function : turned;
        }

        private @Nullable String set(String wanted) {
            if (!BenchTester.FUNCTIONS.contains(wanted)) {
                refuse(-224, "No such function");
            } else {
                if (!function.equals(wanted)) {
                    range = OptionalDouble.empty();
                }
                function = wanted;
            }
            return null;
        }

        private @Nullable String range(String wanted) {
            if (wanted.equals("AUTO")) {
                range = OptionalDouble.empty();
            } else if (wanted.matches("[0-9]{1,12}(\\.[0-9]{1,9})?(E[0-9]{1,2})?")) {
                range = OptionalDouble.of(Double.parseDouble(wanted));
            } else {
                refuse(-224, "AUTO or a number in ohms, volts, amps or milliseconds");
            }
            return null;
        }

        private @Nullable String nullLeads(String wanted) {
            switch (wanted) {
                case "ON", "1" -> nulled = true;
                case "OFF", "0" -> nulled = false;
                default -> refuse(-224, "ON or OFF");
            }
            return null;
        }

        private String read() {
            String now = set();
            try {
                Optional<Shown> shown = world.read(place, now, nulled, range);
                if (shown.isEmpty()) {
                    return refuse(-221, "The probes are nowhere: tell where with SIM:PROB");
                }
                Shown s = shown.get();
                last = new Reading(s.number(), s.overRange(), s.unit(), now, nulled, s.text(), s.range());
                return last.line();
            } catch (IllegalStateException e) {
                return refuse(-221, String.valueOf(e.getMessage()));
            }
        }

        private String refuse(int code, String words) {
            String error = code + ",\"" + words.replace("\"", "'") + "\"";
            if (errors.size() < MOST_ERRORS) {
                errors.add(error);
            }
            return error;
        }
    }
}
