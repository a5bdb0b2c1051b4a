package prantel.cli;

import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import prantel.formats.RecordFile;

/** Holds an exported record against its own hashes: what was changed by accident is told. Who writes it all anew can make it fit. */
@Command(
        name = "verify",
        description = "Does an exported record fit itself? Needs no server.",
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
                .println("It fits itself: nothing was changed by accident. Assessment "
                        + content.pinned().assessmentId() + " of "
                        + content.pinned().candidateId() + ", " + Words.count(events.size(), "event")
                        + (events.isEmpty()
                                ? ""
                                : " from " + events.getFirst().at() + " to "
                                        + events.getLast().at())
                        + (content.result().isPresent() ? ", with the result it was decided on" : "")
                        + ". Seal " + content.seal());
    }
}
