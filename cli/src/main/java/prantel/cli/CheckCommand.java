package prantel.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Key;

/** Checks files and says that they are sound, or everything that is not. */
@Command(name = "check", description = "Check a rig and the files that go with it.", mixinStandardHelpOptions = true)
final class CheckCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        Key key = inputs.key();
        spec.commandLine()
                .getOut()
                .println(key.rig().name() + " is sound: " + key.rig().circuits().size() + " circuit(s), "
                        + key.rig().bonds().size() + " bond(s), "
                        + key.expectations().size() + " boxes, "
                        + key.faults().faults().size() + " fault(s).");
        prantel.core.survey.RigSurvey.of(key)
                .forEach(w -> spec.commandLine().getOut().println("  △ " + w.says() + " (" + w.source() + ")"));
    }
}
