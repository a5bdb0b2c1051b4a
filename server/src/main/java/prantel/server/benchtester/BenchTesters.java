package prantel.server.benchtester;

import java.util.Objects;
import java.util.OptionalDouble;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Service;
import prantel.core.instrument.Tester.Function;
import prantel.core.quantity.Problem;
import prantel.devices.BenchTester;
import prantel.devices.BenchTesterClient;
import prantel.devices.BenchTesterException;
import prantel.devices.BenchTesterException.Kind;
import prantel.formats.BenchWords;
import prantel.server.web.Refusal;
import prantel.server.workshop.Workshop;

/** Takes one reading from the tester of a bay. What goes wrong is told, and nothing is recorded. */
@Service
public class BenchTesters {
    private static final int TRIES_WHILE_IN_USE = 5;
    private static final long BETWEEN_MILLIS = 150;

    private final Workshop workshop;

    BenchTesters(Workshop workshop) {
        this.workshop = workshop;
    }

    public boolean isThere(String bayId) {
        return workshop.bay(bayId).benchTester() != null;
    }

    /** @param instrument as it says who it is @param text what its display shows @param nulled whether its leads were @param range where its knob was: "9.99 Ω", "auto"; empty where it does not say */
    public record TakenReading(String text, String instrument, String function, boolean nulled, String range) {}

    /** @param range top of the range to be used, base unit; empty leaves its knob where it is @throws Refusal if there is no tester, or no reading of it */
    public TakenReading take(String bayId, Function function, String place, OptionalDouble range) {
        String address = workshop.bay(bayId).benchTester();
        if (address == null) {
            throw Refusal.conflict("no-tester", "this bay has no bench tester: write the reading");
        }
        int colon = address.lastIndexOf(':');
        String host = address.substring(0, colon);
        int port = Integer.parseInt(address.substring(colon + 1));
        for (int tries = 1; ; tries++) {
            try (BenchTesterClient tester = new BenchTesterClient(host, port)) {
                BenchTester.Reading reading = tester.read(BenchWords.of(function), place, range);
                return new TakenReading(
                        reading.shown(), tester.identity(), reading.function(), reading.nulled(), reading.range());
            } catch (BenchTesterException e) {
                if (e.kind() != Kind.IN_USE || tries == TRIES_WHILE_IN_USE) {
                    throw new Refusal(
                            HttpStatus.CONFLICT,
                            new Problem(
                                    "tester-"
                                            + e.kind()
                                                    .name()
                                                    .toLowerCase(java.util.Locale.ROOT)
                                                    .replace('_', '-'),
                                    "",
                                    "",
                                    Objects.requireNonNullElse(e.getMessage(), "the tester gave no reading")));
                }
                pause();
            }
        }
    }

    /** Two hands at one tester: the second waits a moment. */
    private static void pause() {
        try {
            Thread.sleep(BETWEEN_MILLIS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
