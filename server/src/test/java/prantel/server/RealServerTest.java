package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.awaitility.Awaitility.await;

import ch.qos.logback.classic.Level;
import ch.qos.logback.classic.Logger;
import ch.qos.logback.classic.spi.ILoggingEvent;
import ch.qos.logback.core.read.ListAppender;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.InetAddress;
import java.net.InetSocketAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.boot.test.context.SpringBootTest;
import org.springframework.boot.test.web.server.LocalServerPort;
import org.springframework.context.annotation.Import;
import org.springframework.test.annotation.DirtiesContext;
import prantel.server.account.Accounts;

/** The server as it listens: what people on the same network can do to it, over real connections to this machine only. */
@SpringBootTest(
        webEnvironment = SpringBootTest.WebEnvironment.RANDOM_PORT,
        properties = {
            "prantel.demo=true",
            "prantel.demo.filled=devices",
            "spring.datasource.url=jdbc:h2:mem:${random.uuid};DB_CLOSE_DELAY=-1"
        })
@Import(TestWorkshop.class)
@DirtiesContext(classMode = DirtiesContext.ClassMode.AFTER_CLASS)
class RealServerTest {
    @LocalServerPort
    private int port;

    @Autowired
    private Accounts accounts;

    private final ListAppender<ILoggingEvent> log = new ListAppender<>();

    @BeforeEach
    void listen() {
        log.start();
        root().addAppender(log);
    }

    @AfterEach
    void stopListening() {
        root().detachAppender(log);
    }

    private static Logger root() {
        return (Logger) LoggerFactory.getLogger(org.slf4j.Logger.ROOT_LOGGER_NAME);
    }

    private List<String> loud() {
        return List.copyOf(log.list).stream()
                .filter(e -> e.getLevel().isGreaterOrEqual(Level.WARN))
                .map(e -> e.getLoggerName() + ": " + e.getFormattedMessage())
                .toList();
    }

    /** @param from an address of this machine, as if it came from another device */
    private Socket connect(String from) throws IOException {
        Socket socket = new Socket();
        socket.bind(new InetSocketAddress(InetAddress.getByName(from), 0));
        socket.connect(new InetSocketAddress("127.0.0.1", port), 5000);
        socket.setSoTimeout(40_000);
        return socket;
    }

    private static final String TOKEN = "0f1e2d3c-0000-4000-8000-000000000000";

    private static String head(String method, String path, String more, int length) {
        return method + " " + path + " HTTP/1.1\r\nHost: localhost\r\nConnection: close\r\n"
                + "Cookie: XSRF-TOKEN=" + TOKEN + "\r\nX-XSRF-TOKEN: " + TOKEN + "\r\n" + more
                + (length > 0 ? "Content-Type: application/json\r\nContent-Length: " + length + "\r\n" : "")
                + "\r\n";
    }

    /** The whole answer, head and body. */
    private String call(String from, String request) throws IOException {
        try (Socket socket = connect(from)) {
            socket.getOutputStream().write(request.getBytes(StandardCharsets.UTF_8));
            return new String(socket.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        }
    }

    private static int status(String answer) {
        return Integer.parseInt(answer.substring(9, 12));
    }

    private String signIn(String from, String id, String password) throws IOException {
        String body = "{\"id\":\"" + id + "\",\"password\":\"" + password + "\"}";
        return call(from, head("POST", "/api/session", "", body.length()) + body);
    }

    private String session(String id) throws IOException {
        String answer = signIn("127.0.0.1", id, TestWorkshop.password(id));
        assertThat(status(answer)).as(answer).isEqualTo(200);
        return answer.lines()
                .filter(l -> l.startsWith("Set-Cookie: prantel-session="))
                .map(l -> l.substring("Set-Cookie: ".length(), l.indexOf(';')))
                .findFirst()
                .orElseThrow();
    }

    private static <T> List<T> together(List<Callable<T>> deeds) throws Exception {
        try (ExecutorService threads = Executors.newFixedThreadPool(deeds.size())) {
            List<T> done = new ArrayList<>();
            for (Future<T> f : threads.invokeAll(deeds)) {
                done.add(f.get());
            }
            return done;
        }
    }

    /** 42 bodies that arrive a byte at a time kept 28 of 31 right sign-ins out. */
    @Test
    void slowBodiesKeepNobodyFromSigningIn() throws Exception {
        AtomicBoolean over = new AtomicBoolean();
        try (ExecutorService slow = Executors.newFixedThreadPool(42)) {
            for (int i = 0; i < 42; i++) {
                slow.submit(() -> {
                    while (!over.get()) {
                        trickle(over);
                    }
                });
            }
            Thread.sleep(1500);
            List<Integer> statuses = new ArrayList<>();
            for (int i = 0; i < 12; i++) {
                statuses.add(status(signIn("127.0.0.1", "ada", TestWorkshop.password("ada"))));
            }
            over.set(true);
            assertThat(statuses).containsOnly(200);
        }
    }

    private void trickle(AtomicBoolean over) {
        try (Socket socket = connect("127.0.0.1")) {
            OutputStream out = socket.getOutputStream();
            out.write(head("POST", "/api/session", "", 400).getBytes(StandardCharsets.UTF_8));
            for (int i = 0; i < 20 && !over.get(); i++) {
                out.write('{');
                out.flush();
                Thread.sleep(200);
            }
        } catch (IOException | InterruptedException e) {
            // thrown out: that is what should happen
        }
    }

    /** 40 threads with ever new names: 18 of 18 right sign-ins were refused; now each network has its turn. */
    @Test
    void guessersWithChangingNamesKeepNobodyFromSigningIn() throws Exception {
        AtomicBoolean over = new AtomicBoolean();
        try (ExecutorService guessers = Executors.newFixedThreadPool(40)) {
            for (int i = 0; i < 40; i++) {
                int guesser = i;
                guessers.submit(() -> {
                    for (int n = 0; !over.get(); n++) {
                        signIn("127.0.0.1", "no-" + guesser + "-" + n, "wrong password " + n);
                    }
                    return null;
                });
            }
            Thread.sleep(1000);
            List<Integer> statuses = new ArrayList<>();
            for (int i = 0; i < 4; i++) {
                statuses.add(status(signIn("127.0.0.1", "ben", TestWorkshop.password("ben"))));
                statuses.add(status(signIn("127.0.0.2", "tim", TestWorkshop.password("tim"))));
            }
            over.set(true);
            assertThat(statuses).containsOnly(200);
        }
    }

    /** A class comes in at nine: 13 of 24 were refused. */
    @Test
    void twentyFourHonestPeopleAtOnceAllComeIn() throws Exception {
        List<String> names =
                List.of("ada", "ben", "tim", "lea", "paul", "olga", "mona", "bela", "lutz", "axel", "theo", "pia");
        List<Callable<Integer>> people = IntStream.range(0, 24)
                .<Callable<Integer>>mapToObj(i -> () -> {
                    String name = names.get(i % names.size());
                    return status(signIn("127.0.0." + (1 + i / names.size()), name, TestWorkshop.password(name)));
                })
                .toList();
        assertThat(together(people)).containsOnly(200);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "GET /api/floor|Accept: nonsense",
                "GET /api/session|Accept: nonsense",
                "GET /api/session|Accept: text/html",
                "GET /api/rigs|Accept: application/pdf",
                "GET /error|Accept: text/html",
                "GET /error|Accept: */*",
                "GET /api/no-such|Accept: text/html",
                "GET /no/such/page|Accept: text/html",
                "POST /api/session|Accept: nonsense",
                "PATCH /api/session|Accept: */*",
                "GET /api/%zz|Accept: */*",
                "GET /api/a;b=%00|Accept: */*"
            })
    void whateverIsAskedForIsAProblemInJsonAndNothingInTheLog(String what) throws IOException {
        String[] parts = what.split("\\|");
        String[] line = parts[0].split(" ");
        String answer = call("127.0.0.1", head(line[0], line[1], parts[1] + "\r\n", 0));
        assertThat(status(answer)).as(answer).isBetween(400, 499);
        assertThat(answer).contains("application/json").contains("\"problems\"").doesNotContain("<html", "Tomcat");
        assertThat(loud()).isEmpty();
    }

    @Test
    void aKindThatIsNotThereIsNotAcceptable() throws IOException {
        for (String accept : List.of("nonsense", "text/html")) {
            assertThat(status(call("127.0.0.1", head("GET", "/api/session", "Accept: " + accept + "\r\n", 0))))
                    .isEqualTo(406);
        }
        assertThat(status(call("127.0.0.1", head("GET", "/api/session", "Accept: text/html, */*;q=0.8\r\n", 0))))
                .as("as a browser asks")
                .isEqualTo(200);
    }

    private Socket stream(String session) throws IOException {
        Socket socket = connect("127.0.0.1");
        socket.getOutputStream()
                .write(
                        ("GET /api/changes HTTP/1.1\r\nHost: localhost\r\nAccept: text/event-stream\r\nConnection: close\r\nCookie: "
                                        + session + "\r\n\r\n")
                                .getBytes(StandardCharsets.UTF_8));
        return socket;
    }

    private static String firstLine(Socket socket) throws IOException {
        InputStream in = socket.getInputStream();
        StringBuilder line = new StringBuilder();
        for (int c = in.read(); c >= 0 && c != '\r'; c = in.read()) {
            line.append((char) c);
        }
        return line.toString();
    }

    /** 27,000 lines of log in 25 minutes came of pages that were closed. */
    @Test
    void pagesThatGoLeaveNothingInTheLogAndFourStreamsAreOnesOwn() throws Exception {
        String ben = session("ben");
        List<Socket> open = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Socket socket = stream(ben);
            assertThat(firstLine(socket)).contains("200");
            open.add(socket);
        }
        try (Socket fifth = stream(ben)) {
            assertThat(firstLine(fifth)).as("the page asks by itself").contains("429");
        }
        String ada = session("ada");
        try (Socket hers = stream(ada)) {
            assertThat(firstLine(hers)).as("somebody else's are not counted").contains("200");
        }
        for (Socket socket : open) {
            socket.setSoLinger(true, 0);
            socket.close();
        }
        // the next beat notices that they are gone, and their places are free again
        await().atMost(Duration.ofSeconds(20))
                .pollInterval(Duration.ofSeconds(1))
                .untilAsserted(() -> {
                    try (Socket again = stream(ben)) {
                        assertThat(firstLine(again)).contains("200");
                    }
                });
        assertThat(loud()).isEmpty();
    }

    @Test
    void anOpenStreamOfSomebodyWhoIsBlockedEnds() throws Exception {
        accounts.add("brief", "Bri Ef", java.util.Set.of(prantel.server.account.Role.ASSESSOR), "brief signs in");
        String answer = signIn("127.0.0.1", "brief", "brief signs in");
        String session = answer.lines()
                .filter(l -> l.startsWith("Set-Cookie: prantel-session="))
                .map(l -> l.substring("Set-Cookie: ".length(), l.indexOf(';')))
                .findFirst()
                .orElseThrow();
        try (Socket socket = stream(session)) {
            assertThat(firstLine(socket)).contains("200");
            accounts.setStanding("brief", true, false);
            socket.setSoTimeout(15_000);
            // reads to its end: it would time out if the stream stayed open
            assertThat(socket.getInputStream().readAllBytes()).isNotNull();
        }
    }

    /** One candidate's reads, hundreds at a time, stopped everybody for 14 seconds. */
    @Test
    void onePersonsManyCallsHoldUpOnlyTheirOwn() throws Exception {
        String olga = session("olga");
        String ada = session("ada");
        AtomicBoolean over = new AtomicBoolean();
        try (ExecutorService greedy = Executors.newFixedThreadPool(60)) {
            for (int i = 0; i < 60; i++) {
                greedy.submit(() -> {
                    while (!over.get()) {
                        call("127.0.0.1", head("GET", "/api/my/sheets", "Cookie: " + olga + "\r\n", 0));
                    }
                    return null;
                });
            }
            Thread.sleep(500);
            List<Integer> statuses = new ArrayList<>();
            for (int i = 0; i < 10; i++) {
                statuses.add(status(call("127.0.0.1", head("GET", "/api/floor", "Cookie: " + ada + "\r\n", 0))));
            }
            over.set(true);
            assertThat(statuses).containsOnly(200);
        }
    }

    /** One code sent eight times at once made eight passwords; the last one counted. */
    @Test
    void anInvitationIsUsedOnceHoweverManySendItAtOnce() throws Exception {
        String code =
                accounts.invite("newest", "New Est", java.util.Set.of(prantel.server.account.Role.ASSESSOR), "lea");
        List<Callable<Integer>> senders = IntStream.range(0, 4)
                .<Callable<Integer>>mapToObj(i -> () -> {
                    String body = "{\"signInName\":\"newest\",\"code\":\"" + code
                            + "\",\"password\":\"heron pole water " + i + "\"}";
                    return status(call("127.0.0.1", head("POST", "/api/invitations", "", body.length()) + body));
                })
                .toList();
        Map<Integer, Long> statuses =
                together(senders).stream().collect(Collectors.groupingBy(s -> s, Collectors.counting()));
        assertThat(statuses.get(200)).isEqualTo(1);
        long rights = 0;
        for (int i = 0; i < 4; i++) {
            rights += status(signIn("127.0.0.3", "newest", "heron pole water " + i)) == 200 ? 1 : 0;
        }
        assertThat(rights).as("one password opens").isEqualTo(1);
    }

    /** Two administrators who shut each other out at the same moment left none. */
    @Test
    void twoAdministratorsWhoBlockEachOtherLeaveOne() throws Exception {
        accounts.add("chief", "Chi Ef", java.util.Set.of(prantel.server.account.Role.ADMINISTRATOR), "chief signs in");
        for (int round = 0; round < 5; round++) {
            List<Callable<Boolean>> both = List.of(() -> blocks("lea"), () -> blocks("chief"));
            assertThat(together(both)).as("round " + round).containsExactlyInAnyOrder(true, false);
            accounts.setStanding("lea", false, false);
            accounts.setStanding("chief", false, false);
        }
        accounts.setStanding("chief", false, true);
    }

    private boolean blocks(String id) {
        try {
            accounts.setStanding(id, true, false);
            return true;
        } catch (prantel.core.quantity.ProblemsException e) {
            return false;
        }
    }
}
