package prantel.cli;

import java.io.PrintStream;
import java.nio.charset.StandardCharsets;
import picocli.CommandLine;
import picocli.CommandLine.Command;
import prantel.core.quantity.ProblemsException;

/** Entry point of the file commands. */
@Command(
        name = "prantel",
        description = "Expected readings, netlists and marks from files.",
        mixinStandardHelpOptions = true,
        subcommands = {
            SheetCommand.class,
            NetlistCommand.class,
            MarkCommand.class,
            CheckCommand.class,
            SchemesCommand.class,
            ExploreCommand.class,
            FaultBoxCommand.class,
            TesterCommand.class,
            VerifyCommand.class
        })
public final class Prantel {
    private static final int WRONG_INPUT = 2;

    private Prantel() {}

    public static void main(String[] args) {
        PrintStream out = new PrintStream(System.out, true, StandardCharsets.UTF_8);
        PrintStream err = new PrintStream(System.err, true, StandardCharsets.UTF_8);
        System.exit(run(out, err, args));
    }

    /** @return exit code: 0 done, 2 wrong input or wrong use */
    static int run(PrintStream out, PrintStream err, String... args) {
        CommandLine line = new CommandLine(new Prantel());
        line.setOut(new java.io.PrintWriter(out, true, StandardCharsets.UTF_8));
        line.setErr(new java.io.PrintWriter(err, true, StandardCharsets.UTF_8));
        line.setExecutionStrategy(parsed -> {
            if (!parsed.hasSubcommand() && !parsed.isUsageHelpRequested()) {
                line.usage(line.getErr());
                return WRONG_INPUT;
            }
            return new CommandLine.RunLast().execute(parsed);
        });
        line.setExecutionExceptionHandler((problem, command, parsed) -> {
            if (problem instanceof ProblemsException problems) {
                problems.problems().forEach(p -> command.getErr().println(p));
                return WRONG_INPUT;
            }
            throw problem;
        });
        return line.execute(args);
    }
}
