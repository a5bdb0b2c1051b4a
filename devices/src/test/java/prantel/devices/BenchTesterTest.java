package prantel.devices;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.ServerSocket;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.Optional;
import java.util.OptionalDouble;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import prantel.devices.BenchTester.Reading;
import prantel.devices.BenchTesterException.Kind;
import prantel.devices.SimulatedBenchTester.Shown;

/** Common commands are IEEE 488.2's, the numbers that stand for over-range and for none SCPI-99's (both from memory). */
class BenchTesterTest {
    private final SimulatedBenchTester tester = new SimulatedBenchTester(0, "T1", BenchTesterTest::world);

    private static Optional<Shown> world(String place, String function, boolean nulled, OptionalDouble range) {
        String knob = range.isPresent() ? range.getAsDouble() + " Ω" : "auto";
        return switch (place) {
            case "socket" -> Optional.of(new Shown(Optional.of(nulled ? 0.43 : 0.73), false, "OHM", "0.43 Ω", knob));
            case "open" -> Optional.of(new Shown(Optional.empty(), true, "MOHM", ">999 MΩ", knob));
            case "trips" -> Optional.of(new Shown(Optional.empty(), false, "OHM", "tripped: RCD \"A\"", knob));
            case "live" -> throw new IllegalStateException("Voltage at the probes");
            default -> Optional.empty();
        };
    }

    @AfterEach
    void off() {
        tester.close();
    }

    private BenchTesterClient client() {
        return new BenchTesterClient("127.0.0.1", tester.port(), Duration.ofSeconds(2));
    }

    private static Kind kind(org.assertj.core.api.ThrowableAssert.ThrowingCallable call) {
        try {
            call.call();
        } catch (BenchTesterException e) {
            return e.kind();
        } catch (Throwable e) {
            throw new AssertionError(e);
        }
        throw new AssertionError("nothing was thrown");
    }

    @Test
    void aReadingComesWithItsUnitItsFunctionAndWhatTheDisplayShows() {
        try (BenchTesterClient c = client()) {
            assertThat(c.identity()).isEqualTo("Prantel,T1,0001,SIM 1.0");
            Reading r = c.read("CONT", "socket");
            assertThat(r).isEqualTo(new Reading(Optional.of(0.43), false, "OHM", "CONT", true, "0.43 Ω", "auto"));
            assertThat(c.read("INS500", "open").overRange()).isTrue();
            Reading none = c.read("LOOP2", "trips");
            assertThat(none.number()).isEmpty();
            assertThat(none.overRange()).isFalse();
            assertThat(none.shown()).contains("tripped");
        }
    }

    /** As on a real one: the knob stays where it was put for one function, and another function begins by itself. */
    @Test
    void theRangeIsChosenAndSaid() {
        try (BenchTesterClient c = client()) {
            assertThat(c.read("CONT", "socket", OptionalDouble.of(99.9)).range())
                    .isEqualTo("99.9 Ω");
            assertThat(c.read("CONT", "socket").range()).isEqualTo("99.9 Ω");
            assertThat(c.read("INS500", "open").range()).isEqualTo("auto");
        }
    }

    /** One that says nothing of its range is as good as before; what is neither a range nor AUTO is refused. */
    @Test
    void aRangeIsNotAskedOfEveryTester() throws IOException {
        assertThat(Reading.parse("0.43,OHM,CONT,1,\"0.43 Ω\"").range()).isEmpty();
        assertThat(Reading.parse("0.4,OHM,CONT,1,\"0.4 Ω\",\"99.9 Ω\"").range()).isEqualTo("99.9 Ω");
        try (Socket line = new Socket("127.0.0.1", tester.port())) {
            OutputStream out = line.getOutputStream();
            BufferedReader in =
                    new BufferedReader(new InputStreamReader(line.getInputStream(), StandardCharsets.UTF_8));
            out.write("RANG 99.9\nRANG?\nRANG far\nSYST:ERR?\nRANG AUTO\nRANG?\n".getBytes(StandardCharsets.UTF_8));
            assertThat(in.readLine()).isEqualTo("99.9");
            assertThat(in.readLine()).startsWith("-224,");
            assertThat(in.readLine()).isEqualTo("AUTO");
        }
    }

    @Test
    void whatIsNotAReadingIsNeverTaken() {
        try (BenchTesterClient c = client()) {
            assertThatThrownBy(() -> c.read("CONT", "live")).hasMessageContaining("Voltage at the probes");
            assertThat(kind(() -> c.read("CONT", "nowhere"))).isEqualTo(Kind.REFUSED);
            assertThat(kind(() -> c.read("TEMP", "socket"))).isEqualTo(Kind.REFUSED);
            assertThat(c.read("CONT", "socket").shown())
                    .as("goes on after a refusal")
                    .isEqualTo("0.43 Ω");
            tester.turnTo("INS500");
            assertThat(kind(() -> c.read("CONT", "socket"))).isEqualTo(Kind.WRONG_FUNCTION);
        }
    }

    @Test
    void oneClientAtATime() {
        try (BenchTesterClient first = client()) {
            assertThat(kind(this::client)).isEqualTo(Kind.IN_USE);
            assertThat(first.read("CONT", "socket").shown()).isEqualTo("0.43 Ω");
        }
        for (int i = 0; i < 50; i++) {
            try (BenchTesterClient next = client()) {
                assertThat(next.identity()).startsWith("Prantel");
                return;
            } catch (BenchTesterException e) {
                // the one before is still leaving
                sleep();
            }
        }
        throw new AssertionError("the tester stays taken");
    }

    private static void sleep() {
        try {
            Thread.sleep(20);
        } catch (InterruptedException e) {
            throw new AssertionError(e);
        }
    }

    @Test
    void aLostLineIsToldAndNothingIsTaken() {
        try (BenchTesterClient c = client()) {
            tester.cut();
            assertThat(kind(() -> c.read("CONT", "socket"))).isEqualTo(Kind.NO_CONTACT);
        }
        tester.close();
        assertThat(kind(this::client)).isEqualTo(Kind.NO_CONTACT);
    }

    /** Whoever waits in accept keeps the port alive for a moment after it was closed: nobody may be let in by then. */
    @Test
    void whoeverComesAsItIsSwitchedOffIsNotAnswered() {
        for (int i = 0; i < 300; i++) {
            try (SimulatedBenchTester off = new SimulatedBenchTester(0, "T2", BenchTesterTest::world)) {
                int port = off.port();
                off.close();
                assertThat(kind(() -> new BenchTesterClient("127.0.0.1", port, Duration.ofSeconds(2)).close()))
                        .as("round %d", i)
                        .isEqualTo(Kind.NO_CONTACT);
            }
        }
    }

    /** Something answers on the port that is no tester. */
    @Test
    void garbageOnTheLineIsTold() throws Exception {
        for (String said :
                new String[] {"HTTP/1.1 400 Bad Request\r\n", "x".repeat(2000), "\0\1\2\n", "a,b,c,SIM\nz\n"}) {
            try (ServerSocket stranger = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
                Thread.ofPlatform().daemon().start(() -> {
                    try (Socket s = stranger.accept()) {
                        s.getOutputStream().write(said.getBytes(StandardCharsets.UTF_8));
                        s.getOutputStream().flush();
                        Thread.sleep(1500);
                    } catch (Exception e) {
                        // the test went on
                    }
                });
                assertThat(kind(() -> {
                            try (BenchTesterClient c = new BenchTesterClient(
                                    "127.0.0.1", stranger.getLocalPort(), Duration.ofSeconds(1))) {
                                c.read("CONT", "socket");
                            }
                        }))
                        .as(said.substring(0, Math.min(8, said.length())))
                        .isIn(Kind.GARBAGE, Kind.NO_CONTACT, Kind.REFUSED);
            }
        }
    }

    /** A byte every few seconds held a request for over 45 s: the whole answer has one deadline. */
    @Test
    void anAnswerThatTricklesIsGivenUpInTime() throws Exception {
        try (ServerSocket stranger = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
            Thread.ofPlatform().daemon().start(() -> {
                try (Socket s = stranger.accept()) {
                    for (int i = 0; i < 100; i++) {
                        s.getOutputStream().write('P');
                        s.getOutputStream().flush();
                        Thread.sleep(100);
                    }
                } catch (Exception e) {
                    // given up, as it should be
                }
            });
            long before = System.nanoTime();
            assertThat(kind(() -> new BenchTesterClient("127.0.0.1", stranger.getLocalPort(), Duration.ofMillis(700))
                            .close()))
                    .isEqualTo(Kind.NO_CONTACT);
            assertThat(Duration.ofNanos(System.nanoTime() - before)).isLessThan(Duration.ofSeconds(5));
        }
    }

    /** Nobody reads through this server what some other service on the network says of itself. */
    @Test
    void aBannerIsNotQuoted() throws Exception {
        for (String banner : new String[] {"SSH-2.0-secret_host_7\n", "-77,\"secret_host_7\"\n"}) {
            try (ServerSocket stranger = new ServerSocket(0, 1, InetAddress.getLoopbackAddress())) {
                Thread.ofPlatform().daemon().start(() -> {
                    try (Socket s = stranger.accept()) {
                        s.getOutputStream().write(banner.getBytes(StandardCharsets.UTF_8));
                        s.getOutputStream().flush();
                        Thread.sleep(1000);
                    } catch (Exception e) {
                        // the test went on
                    }
                });
                assertThatThrownBy(
                                () -> new BenchTesterClient("127.0.0.1", stranger.getLocalPort(), Duration.ofSeconds(1))
                                        .close())
                        .hasMessageNotContaining("secret");
            }
        }
    }

    @Test
    void theProtocolIsTheOneThatIsDescribed() throws Exception {
        try (Socket s = new Socket("127.0.0.1", tester.port())) {
            s.setSoTimeout(2000);
            BufferedReader in = new BufferedReader(new InputStreamReader(s.getInputStream(), StandardCharsets.UTF_8));
            String[][] talk = {
                {"*IDN?", "Prantel,T1,0001,SIM 1.0"},
                {"*OPC?", "1"},
                {"FETC?", "-230,\"No reading yet\""},
                {"*CLS\nSYST:ERR?", "0,\"No error\""},
                {"FUNC?", "CONT"},
                {"func ins500\nFUNC?", "INS500"},
                {"nonsense 4\nSYST:ERR?", "-113,\"Undefined header\""},
                {"NULL OFF\nNULL?", "0"},
                {"FUNC CONT\nSIM:PROB \"socket\"\nREAD?", "0.73,OHM,CONT,0,\"0.43 Ω\",\"auto\""},
                {"FETC?", "0.73,OHM,CONT,0,\"0.43 Ω\",\"auto\""},
                {"SIM:PROB \"open\"\nREAD?", "9.90E+37,MOHM,CONT,0,\">999 MΩ\",\"auto\""},
                {"SIM:PROB \"trips\"\nREAD?", "9.91E+37,OHM,CONT,0,\"tripped: RCD 'A'\",\"auto\""},
                {"*RST\nNULL?", "1"},
                {"x".repeat(500), "-223,\"Too much data\""},
            };
            for (String[] turn : talk) {
                s.getOutputStream().write((turn[0] + "\n").getBytes(StandardCharsets.UTF_8));
                assertThat(in.readLine()).as(turn[0]).isEqualTo(turn[1]);
            }
        }
    }
}
