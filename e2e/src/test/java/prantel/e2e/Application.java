package prantel.e2e;

import java.io.IOException;
import java.net.BindException;
import java.net.ServerSocket;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.concurrent.ThreadLocalRandom;

/** The packaged application with its demo, on a free port and a database file of its own. */
final class Application implements AutoCloseable {
    /** Generous: another build may share the cores. */
    private static final Duration LONGEST_START = Duration.ofMinutes(4);

    private final Path data;
    private final String filled;
    private final int port;
    private Process process;

    private Application(Path data, String filled, int port) {
        this.data = data;
        this.filled = filled;
        this.port = port;
    }

    /** @param filled how much the demo begins with: "today", or "all" for the fortnight before it too */
    static Application start(Path data, String filled) throws IOException, InterruptedException {
        Application application = new Application(data, filled, freePort());
        application.run();
        return application;
    }

    /** Below those that the system hands out: until the server listens nobody else's connection is given the same one. */
    private static int freePort() throws IOException {
        for (int tries = 0; tries < 100; tries++) {
            int port = ThreadLocalRandom.current().nextInt(10_000, 30_000);
            try (ServerSocket socket = new ServerSocket(port)) {
                return socket.getLocalPort();
            } catch (BindException e) {
                // somebody listens there
            }
        }
        throw new IOException("No free port between 10000 and 30000");
    }

    String url() {
        return "http://localhost:" + port;
    }

    /** Starts the server again on the same data. */
    void run() throws IOException, InterruptedException {
        process = new ProcessBuilder(
                        Path.of(System.getProperty("java.home"), "bin", "java").toString(),
                        "-Xmx512m",
                        "-jar",
                        System.getProperty("prantel.jar"),
                        "--server.port=" + port,
                        "--prantel.data-folder=" + data,
                        "--prantel.demo=true",
                        "--prantel.demo.filled=" + filled)
                .redirectErrorStream(true)
                .redirectOutput(data.resolve("server.log").toFile())
                .start();
        Instant until = Instant.now().plus(LONGEST_START);
        while (!answers()) {
            if (!process.isAlive() || Instant.now().isAfter(until)) {
                throw new IOException(
                        "The application did not start:\n" + Files.readString(data.resolve("server.log")));
            }
            Thread.sleep(250);
        }
    }

    /** Ends it as a power cut would: no goodbye to the database. */
    void kill() throws InterruptedException {
        process.destroyForcibly().waitFor();
    }

    private boolean answers() throws InterruptedException {
        try (HttpClient client = HttpClient.newHttpClient()) {
            var request =
                    HttpRequest.newBuilder(URI.create(url() + "/api/session")).build();
            return client.send(request, HttpResponse.BodyHandlers.discarding()).statusCode() == 200;
        } catch (IOException e) {
            return false;
        }
    }

    @Override
    public void close() throws InterruptedException {
        process.destroy();
        process.waitFor();
    }
}
