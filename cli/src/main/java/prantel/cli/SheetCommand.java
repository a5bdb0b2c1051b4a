package prantel.cli;

import java.io.PrintWriter;
import java.util.Locale;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.limits.Limit;
import prantel.core.scheme.TestKind;
import prantel.formats.KeyExport;

/** Prints the whole expectation sheet of a rig. */
@Command(name = "sheet", description = "Print what every box of the sheet must read.", mixinStandardHelpOptions = true)
final class SheetCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @ArgGroup
    private final Form form = new Form();

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        Key key = inputs.key();
        PrintWriter out = spec.commandLine().getOut();
        if (form.json) {
            out.println(KeyExport.json(key));
        } else if (form.csv) {
            out.print(KeyExport.csv(key));
        } else {
            table(key, out);
        }
        out.flush();
    }

    private static void table(Key key, PrintWriter out) {
        int faults = key.faults().faults().size();
        out.println(
                key.rig().name() + ": expected readings with " + key.tester().label()
                        + (faults == 0 ? ", healthy" : ", " + faults + " fault" + (faults == 1 ? "" : "s") + " set"));
        key.faults()
                .faults()
                .forEach(f -> out.println("  ▲ " + f.title() + ", " + f.place().label(key.rig())));
        for (TestKind step : key.scheme().tests()) {
            if (key.expectations().stream().noneMatch(e -> e.slot().step() == step)) {
                continue;
            }
            out.println();
            out.println(key.scheme().labelOf(step));
            TextTable table =
                    new TextTable().row("  slot", "quantity", "where", "healthy", "with faults", "band", "limit", "");
            key.expectations().stream()
                    .filter(e -> e.slot().step() == step)
                    .forEach(e -> table.row(
                            "  " + e.slot().id(),
                            e.slot().quantity(),
                            e.slot().where(),
                            e.healthy().shown(),
                            e.withFaults().shown(),
                            Words.window(e.window(), e.slot().boxUnit()),
                            e.slot().limit().map(l -> limit(l, e)).orElse(""),
                            changed(e)));
            out.print(table);
        }
    }

    private static String limit(Limit limit, Expectation e) {
        return limit.shown(e.slot().boxUnit()) + (e.satisfactory().orElse(true) ? "" : " not met");
    }

    private static String changed(Expectation e) {
        return e.change().timesTolerance() == 0
                ? ""
                : e.change().visibility().name().toLowerCase(Locale.ROOT);
    }

    /** How it is printed; a table if neither. */
    static final class Form {
        @Option(names = "--json", description = "as JSON")
        private boolean json;

        @Option(names = "--csv", description = "as CSV")
        private boolean csv;
    }
}
