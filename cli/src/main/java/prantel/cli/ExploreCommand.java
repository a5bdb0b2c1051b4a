package prantel.cli;

import java.io.PrintWriter;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Spec;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultKind;
import prantel.core.setting.Difficulty;
import prantel.core.setting.Effect;
import prantel.core.setting.Exploration;

/** Every single fault of a rig and whether it can be found. */
@Command(
        name = "explore",
        description = "Every single fault of a rig, at every place: findable, borderline or hidden.",
        mixinStandardHelpOptions = true)
final class ExploreCommand implements Runnable {
    @Mixin
    private final Inputs inputs = new Inputs();

    @Option(names = "--table", description = "A Markdown table, one line a kind; otherwise one line a fault")
    private boolean table;

    @Spec
    @SuppressWarnings("NullAway.Init") // picocli fills it
    private CommandSpec spec;

    @Override
    public void run() {
        Key key = inputs.key();
        Exploration singles = Exploration.of(key);
        PrintWriter out = spec.commandLine().getOut();
        if (table) {
            table(singles, out);
        } else {
            int boxes = key.expectations().size();
            for (Effect e : singles.effects()) {
                out.printf(
                        Locale.ROOT,
                        "%-11s %.1f  %-22s %s, %s%n",
                        e.visibility().name().toLowerCase(Locale.ROOT),
                        Difficulty.of(e, boxes),
                        e.firstTest(),
                        e.fault().title(),
                        e.fault().where(key.rig()));
            }
        }
        out.flush();
    }

    private static void table(Exploration singles, PrintWriter out) {
        Map<FaultKind, int[]> counts = new LinkedHashMap<>();
        Map<FaultKind, String> first = new LinkedHashMap<>();
        for (FaultKind kind : prantel.core.fault.FaultCatalogue.kinds()) {
            counts.put(kind, new int[3]);
        }
        for (Effect e : singles.effects()) {
            counts.computeIfAbsent(e.fault().kind(), k -> new int[3])[
                    e.visibility().ordinal()]++;
            first.putIfAbsent(e.fault().kind(), e.firstTest());
        }
        out.println("| group | kind | findable | borderline | hidden | first seen, at its first place |");
        out.println("|---|---|---|---|---|---|");
        counts.forEach((kind, n) -> {
            if (n[0] + n[1] + n[2] > 0) {
                out.println("| " + kind.group().label() + " | " + kind.title() + " | " + n[0] + " | " + n[1] + " | "
                        + n[2] + " | " + first.get(kind) + " |");
            }
        });
    }
}
