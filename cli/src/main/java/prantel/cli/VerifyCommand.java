package prantel.cli;

import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import prantel.formats.RecordFile;

/** Proves an exported record whole and unaltered. */
@Command(
        name = "verify",
        description = "Is an exported record whole and unaltered? Needs no server.",
        mixinStandardHelpOptions = true)
final class VerifyCommand implements Runnable {
    @Parameters(paramLabel = "RECORD", description = "Record file (JSON)")
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private Path record;

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        RecordFile.Content content = Inputs.read(record, RecordFile::verify);
        var events = content.events();
        spec.commandLine()
                .getOut()
                .println("Whole and unaltered: assessment " + content.pinned().assessmentId() + " of "
                        + content.pinned().candidateId() + ", " + events.size() + " event(s)"
                        + (events.isEmpty()
                                ? ""
                                : " from " + events.getFirst().at() + " to "
                                        + events.getLast().at())
                        + (content.result().isPresent() ? ", with the result it was decided on" : "")
                        + ". Seal " + content.seal());
    }
}
