package prantel.cli;

import java.util.Optional;
import java.util.OptionalDouble;
import java.util.concurrent.CountDownLatch;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Key;
import prantel.core.expectation.Probing;
import prantel.core.instrument.Range;
import prantel.core.instrument.Reading;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.devices.SimulatedBenchTester;
import prantel.devices.SimulatedBenchTester.Shown;
import prantel.formats.BenchWords;

/** Runs a simulated bench tester on a rig file until it is stopped. */
@Command(
        name = "tester",
        description = "Run a simulated bench tester on a rig, text over TCP on this machine, until Ctrl-C.",
        mixinStandardHelpOptions = true)
final class TesterCommand implements Runnable {
    @Mixin
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private Inputs inputs;

    @Option(names = "--port", paramLabel = "N", defaultValue = "5025", description = "Port; default 5025")
    int port;

    @Option(names = "--dead", description = "The supply is off: live tests find none")
    boolean dead;

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        Key key = inputs.key();
        try (SimulatedBenchTester tester = new SimulatedBenchTester(
                port,
                key.tester().label(),
                (place, function, nulled, range) -> read(key, place, function, nulled, range))) {
            spec.commandLine()
                    .getOut()
                    .println("Bench tester on " + key.rig().name() + ", 127.0.0.1:" + tester.port()
                            + "; tell where its probes are with SIM:PROB \"BOX\", then READ?. Ctrl-C ends it.");
            spec.commandLine().getOut().flush();
            new CountDownLatch(1).await();
        } catch (IllegalStateException e) {
            throw new ProblemsException(new Problem("tester", "--port", "", String.valueOf(e.getMessage())));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    Optional<Shown> read(Key key, String place, String function, boolean nulled, OptionalDouble wanted) {
        SlotId id = new SlotId(place);
        if (!key.has(id) || !(key.expectation(id).slot() instanceof Slot.Measured measured)) {
            return Optional.empty();
        }
        if (dead && measured.step().isLive()) {
            return Optional.of(new Shown(Optional.empty(), false, "V", "no supply", "auto"));
        }
        if (!BenchWords.of(measured.function()).equals(function)) {
            throw new IllegalStateException(
                    "These probes are for " + measured.function().label());
        }
        Optional<Range> range = BenchWords.range(measured.function(), key.tester(), wanted);
        Reading reading = Probing.of(key.expectation(id), key.tester(), nulled, 1, 0, range);
        return Optional.of(new Shown(
                reading instanceof Reading.Value value ? Optional.of(value.value()) : Optional.empty(),
                reading instanceof Reading.OverRange,
                BenchWords.of(reading.unit()),
                reading.shown(),
                range.map(Range::label).orElse("auto")));
    }
}
