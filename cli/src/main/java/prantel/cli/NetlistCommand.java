package prantel.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import prantel.formats.SpiceDeck;

/** Writes the readings as a deck for a circuit simulator. */
@Command(
        name = "netlist",
        description = "Write a SPICE deck that reproduces every reading: ngspice -b FILE.",
        mixinStandardHelpOptions = true)
final class NetlistCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        spec.commandLine().getOut().print(SpiceDeck.write(inputs.key()));
        spec.commandLine().getOut().flush();
    }
}
