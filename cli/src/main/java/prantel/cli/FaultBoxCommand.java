package prantel.cli;

import java.util.concurrent.CountDownLatch;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.devices.SimulatedFaultBox;

/** Runs a simulated fault box until it is stopped. */
@Command(
        name = "faultbox",
        description = "Run a simulated fault box, Modbus/TCP on this machine, until Ctrl-C.",
        mixinStandardHelpOptions = true)
final class FaultBoxCommand implements Runnable {
    @Option(names = "--port", paramLabel = "N", defaultValue = "1502", description = "Port; default 1502")
    int port;

    @Option(names = "--relays", paramLabel = "N", defaultValue = "16", description = "Relays, 1 to 64; default 16")
    int relays;

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        try (SimulatedFaultBox box = new SimulatedFaultBox(port, relays)) {
            box.powerOn();
            spec.commandLine()
                    .getOut()
                    .println("Fault box with " + relays + " relays on 127.0.0.1:" + port
                            + "; without a word from its owner it releases all of them. Ctrl-C ends it.");
            new CountDownLatch(1).await();
        } catch (IllegalArgumentException | IllegalStateException e) {
            throw new ProblemsException(new Problem("fault-box", "", "", String.valueOf(e.getMessage())));
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }
}
