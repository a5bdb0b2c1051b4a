package prantel.cli;

import java.io.PrintWriter;
import java.nio.file.Path;
import java.util.List;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.inference.Explanation;
import prantel.core.instrument.Written;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Finding;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.marking.Outcome;
import prantel.core.quantity.Check;
import prantel.formats.FaultSetFile;
import prantel.formats.MarkExport;
import prantel.formats.ReadingsCsv;

/** Marks a file of readings. */
@Command(name = "mark", description = "Mark a candidate's readings.", mixinStandardHelpOptions = true)
final class MarkCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @Parameters(index = "1", paramLabel = "READINGS", description = "Readings file (CSV)")
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private Path readings;

    @Option(
            names = "--found",
            paramLabel = "FILE",
            description = "What the candidate reports as faults (fault set file); none: nothing reported")
    private @Nullable Path found;

    @Option(names = "--json", description = "as JSON")
    private boolean json;

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        Key key = inputs.key();
        List<CandidateRecord.FaultReport> reports =
                found == null ? List.of() : Inputs.read(found, bytes -> FaultSetFile.readReports(bytes, key.rig()));
        CandidateRecord record = Inputs.read(readings, bytes -> ReadingsCsv.read(bytes, key, reports));
        MarkedSheet sheet = Marker.mark(key, record);
        PrintWriter out = spec.commandLine().getOut();
        if (json) {
            out.println(MarkExport.json(sheet));
        } else {
            printReadings(sheet, out);
            printMarks(sheet, out);
            printOutcome(sheet.outcome(), out);
        }
        out.flush();
    }

    private static void printReadings(MarkedSheet sheet, PrintWriter out) {
        TextTable table = new TextTable().row("slot", "recorded", "", "expected", "band");
        for (Finding finding : sheet.findings()) {
            if (finding.asked()) {
                table.row(
                        finding.expectation().slot().id().value(),
                        text(finding.written()),
                        sign(finding.side()),
                        finding.expectation().withFaults().shown(),
                        Words.window(
                                finding.expectation().window(),
                                finding.expectation().slot().boxUnit()));
            }
        }
        out.print(table);
        for (Finding finding : sheet.findings()) {
            if (finding.wantsEye()) {
                printFinding(finding, out);
            }
        }
    }

    private static void printFinding(Finding finding, PrintWriter out) {
        out.println();
        out.println(finding.expectation().slot().id() + ": " + text(finding.written()) + " " + sign(finding.side()));
        finding.remarks().forEach(remark -> out.println("  " + remark));
        for (Explanation explanation : finding.explanations()) {
            out.println("  " + explanation.cause().label() + ". " + explanation.evidence());
        }
        if (finding.side() != Side.INSIDE
                && finding.side() != Side.NOTHING
                && finding.explanations().isEmpty()) {
            out.println("  No known mistake gives this value. Ask how it was taken.");
        }
        switch (finding.judged()) {
            case WRONG -> out.println("  Judged wrongly against its limit.");
            case MISSING -> out.println("  Not judged.");
            case RIGHT, NOT_ASKED -> {}
        }
    }

    private static void printMarks(MarkedSheet sheet, PrintWriter out) {
        out.println();
        TextTable table = new TextTable();
        for (Mark mark : sheet.marks()) {
            table.row(
                    mark.award() == Mark.Award.NOT_SEEN
                            ? "not seen"
                            : Check.plain(mark.points()) + " of " + Check.plain(mark.weight()),
                    mark.group(),
                    mark.title(),
                    mark.words());
        }
        out.print(table);
    }

    private static void printOutcome(Outcome outcome, PrintWriter out) {
        out.println();
        out.println("Proposed: " + Words.verdict(outcome.verdict()) + ", "
                + Check.plain(outcome.points()) + " of " + Check.plain(outcome.outOf())
                + ". The assessor decides.");
        outcome.reasons().forEach(reason -> out.println("  " + reason));
    }

    private static String text(Written written) {
        return written instanceof Written.Blank ? "(nothing)" : written.asWritten();
    }

    private static String sign(Side side) {
        return switch (side) {
            case INSIDE -> "◆";
            case ABOVE -> "▲ above";
            case BELOW -> "▼ below";
            case OVER_RANGE_INSTEAD -> "› over-range";
            case DIFFERS -> "≠ differs";
            case NOTHING -> "○ none";
        };
    }
}
