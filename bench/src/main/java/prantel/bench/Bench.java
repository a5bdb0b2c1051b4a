package prantel.bench;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import org.openjdk.jmh.results.RunResult;
import org.openjdk.jmh.runner.Runner;
import org.openjdk.jmh.runner.options.OptionsBuilder;
import prantel.bench.mistakes.MistakeBench;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Tester;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.formats.ShippedSchemes;
import prantel.formats.SpiceDeck;

/** Runs everything in one go, or only "keys" or "growth", and prints ratios as Markdown tables. */
public final class Bench {
    private static final int SAMPLE = 20;
    private static final int READINGS_A_DECK = 3;

    private Bench() {}

    public static void main(String[] arguments) throws Exception {
        if (arguments.length > 0 && arguments[0].equals("mistakes")) {
            MistakeBench.main(Arrays.copyOfRange(arguments, 1, arguments.length));
            return;
        }
        Path demo = Path.of(System.getProperty("prantel.demo", "demo"));
        boolean keys = arguments.length == 0 || arguments[0].equals("keys");
        boolean growth = arguments.length == 0 || arguments[0].equals("growth");
        Collection<RunResult> results = new Runner(new OptionsBuilder()
                        .include((keys ? KeyBench.class : GrowthBench.class).getSimpleName())
                        .include((growth ? GrowthBench.class : KeyBench.class).getSimpleName())
                        .jvmArgsAppend("-Xmx1g", "-Dprantel.demo=" + demo.toAbsolutePath())
                        .build())
                .run();
        System.out.println("\n## Results\n");
        if (keys) {
            keys(results, demo);
        }
        if (growth) {
            growth(results);
        }
    }

    private static void keys(Collection<RunResult> results, Path demo) throws IOException, InterruptedException {
        System.out.println("| rig | boxes | full key, ms | ngspice, same readings once, ms | ngspice ÷ full key |"
                + " fresh key with a fault ÷ one fault on a known rig |");
        System.out.println("|---|---|---|---|---|---|");
        for (String which : List.of("creamery", "100 points")) {
            Rig rig = which.equals("creamery") ? BenchRigs.creamery(demo) : BenchRigs.generated(12, 100);
            Key key = Key.of(rig, FaultSet.NONE, Tester.usual(), ShippedSchemes.everyTest());
            double full = score(results, "fullKey", "which", which);
            double fresh = score(results, "freshKeyWithFault", "which", which);
            double known = score(results, "oneFaultOnKnownRig", "which", which);
            double spice = ngspiceMillis(key, which.equals("creamery") ? 1 : SAMPLE);
            row(
                    which,
                    String.valueOf(key.expectations().size()),
                    number(full),
                    number(spice),
                    number(spice / full),
                    number(fresh / known));
        }
    }

    private static void growth(Collection<RunResult> results) {
        System.out.println("\n| points | star–mesh, ms | ms a point | sparse Cholesky, ms | Cholesky ÷ star–mesh |");
        System.out.println("|---|---|---|---|---|");
        for (int points : new int[] {50, 150, 500, 1500, 5000}) {
            double ours = score(results, "starMesh", "points", String.valueOf(points));
            double cholesky = score(results, "sparseCholesky", "points", String.valueOf(points));
            row(String.valueOf(points), number(ours), number(ours / points), number(cholesky), number(cholesky / ours));
        }
    }

    private static double score(Collection<RunResult> results, String benchmark, String parameter, String value) {
        return results.stream()
                .filter(r -> r.getParams().getBenchmark().endsWith("." + benchmark)
                        && value.equals(r.getParams().getParam(parameter)))
                .findFirst()
                .orElseThrow()
                .getPrimaryResult()
                .getScore();
    }

    /**
     * Every measured box once, in small decks one after the other: one large deck takes the simulator far longer.
     *
     * @param every run each how many-eth deck, and take the others to cost as much: the large rig would run for an hour
     */
    private static double ngspiceMillis(Key key, int every) throws IOException, InterruptedException {
        List<Slot.Measured> slots = new ArrayList<>();
        for (Expectation e : key.expectations()) {
            if (e.slot() instanceof Slot.Measured measured) {
                slots.add(measured);
            }
        }
        Path deck = Files.createTempFile("prantel", ".cir");
        double nanos = 0;
        for (int from = 0; from < slots.size(); from += READINGS_A_DECK * every) {
            String text = SpiceDeck.write(key, slots.subList(from, Math.min(slots.size(), from + READINGS_A_DECK)));
            Files.writeString(deck, text, StandardCharsets.UTF_8);
            long start = System.nanoTime();
            Process process = new ProcessBuilder("ngspice", "-b", deck.toString())
                    .redirectErrorStream(true)
                    .start();
            process.getInputStream().readAllBytes();
            process.waitFor();
            nanos += System.nanoTime() - start;
        }
        Files.delete(deck);
        return nanos / 1e6 * every;
    }

    private static String number(double value) {
        return String.format(Locale.ROOT, value >= 100 ? "%.0f" : value >= 1 ? "%.1f" : "%.4f", value);
    }

    private static void row(String... cells) {
        System.out.println("| " + String.join(" | ", cells) + " |");
    }
}
