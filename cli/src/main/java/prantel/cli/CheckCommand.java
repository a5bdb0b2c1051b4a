package prantel.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Key;
import prantel.core.scheme.Scheme;
import prantel.core.survey.SchemeSurvey;
import prantel.formats.SchemeFile;

/** Checks files and says that they are sound, or everything that is not. */
@Command(
        name = "check",
        description = "Check a rig and the files that go with it, or a scheme file alone.",
        mixinStandardHelpOptions = true)
final class CheckCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        if (Inputs.read(inputs.rig, SchemeFile::isScheme)) {
            Scheme scheme = Inputs.read(inputs.rig, SchemeFile::read);
            spec.commandLine()
                    .getOut()
                    .println(scheme.name() + " is sound: " + scheme.steps().size() + " step(s), "
                            + scheme.tests().size() + " test(s), "
                            + scheme.observations().size() + " observation(s), "
                            + scheme.questions().size() + " question(s), "
                            + scheme.criteria().size()
                            + " criteria.");
            return;
        }
        Key key = inputs.key();
        spec.commandLine()
                .getOut()
                .println(key.rig().name() + " is sound: " + key.rig().circuits().size() + " circuit(s), "
                        + key.rig().bonds().size() + " bond(s), "
                        + key.expectations().size() + " boxes, "
                        + key.faults().faults().size() + " fault(s).");
        prantel.core.survey.RigSurvey.of(key)
                .forEach(w -> spec.commandLine().getOut().println("  △ " + w.says() + " (" + w.source() + ")"));
        if (inputs.scheme != null) {
            SchemeSurvey.of(key.scheme(), key.rig())
                    .forEach(p -> spec.commandLine()
                            .getOut()
                            .println("  △ " + key.scheme().id() + ", " + p));
        }
    }
}
