package prantel.cli;

import java.io.PrintWriter;
import java.nio.charset.StandardCharsets;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.formats.ShippedSchemes;

/** Lists the schemes that ship, or prints one of them as its file. */
@Command(
        name = "schemes",
        description = "List the schemes that ship; with an id, print that one's file.",
        mixinStandardHelpOptions = true)
final class SchemesCommand implements Runnable {
    @Parameters(index = "0", arity = "0..1", paramLabel = "ID", description = "Print the file of this scheme")
    private @Nullable String id;

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        PrintWriter out = spec.commandLine().getOut();
        if (id == null) {
            TextTable table = new TextTable().row("id", "version", "steps", "criteria", "name");
            ShippedSchemes.all()
                    .values()
                    .forEach(s -> table.row(
                            s.scheme().id(),
                            String.valueOf(s.scheme().version()),
                            String.valueOf(s.scheme().steps().size()),
                            String.valueOf(s.scheme().criteria().size()),
                            s.scheme().name()));
            out.print(table);
        } else {
            ShippedSchemes.Shipped shipped = ShippedSchemes.all().get(id);
            if (shipped == null) {
                throw new ProblemsException(new Problem(
                        "unknown-scheme",
                        "ID",
                        id,
                        "give one of " + String.join(", ", ShippedSchemes.all().keySet())));
            }
            out.print(new String(shipped.file(), StandardCharsets.UTF_8));
        }
        out.flush();
    }
}
