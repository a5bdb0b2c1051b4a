package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Key;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;

/** Reference tool: ngspice, from Debian's packages, runs decks unchanged. */
final class Ngspice {
    private static final int READINGS_A_DECK = 3;
    private static final double AGREE = 1e-3;
    /**
     * Beyond any display, Ω: the simulator's matrix of doubles holds milliohm contacts as well and loses the third digit;
     * the solver against exact fractions is tested in core.
     */
    private static final double BEYOND_OHMS = 1e10;

    private static final double AGREE_BEYOND = 5e-3;

    private static double agree(double value) {
        return value > BEYOND_OHMS ? AGREE_BEYOND : AGREE;
    }

    /** Below this a voltage or current is noise of either side: V, mA. */
    private static final double NOTHING = 1e-3;

    private static final Pattern RESULT = Pattern.compile("reading-(\\d+)-(\\d+) = (\\S+)");

    private Ngspice() {}

    /** Small decks, several at once: the simulator's time grows faster than a deck. @return how many were compared */
    static int compareAll(Key key, Path folder, String name) throws Exception {
        List<Slot.Measured> slots = measured(key);
        List<Callable<Integer>> tasks = new ArrayList<>();
        for (int from = 0; from < slots.size(); from += READINGS_A_DECK) {
            List<Slot.Measured> some = slots.subList(from, Math.min(slots.size(), from + READINGS_A_DECK));
            Path own = Files.createDirectory(folder.resolve("deck-" + from));
            tasks.add(() -> compare(key, some, own, name));
        }
        int compared = 0;
        try (ExecutorService pool =
                Executors.newFixedThreadPool(Runtime.getRuntime().availableProcessors())) {
            for (Future<Integer> result : pool.invokeAll(tasks)) {
                compared += result.get();
            }
        }
        return compared;
    }

    private static List<Slot.Measured> measured(Key key) {
        return key.expectations().stream()
                .filter(e -> e.slot() instanceof Slot.Measured)
                .map(e -> (Slot.Measured) e.slot())
                .toList();
    }

    /** Holds every quantity of every box against the simulator's: within 0.1 %. @return how many were compared */
    static int compare(Key key, List<Slot.Measured> slots, Path folder, String name) throws Exception {
        Bench bench = new Bench(key.rig(), key.faults(), Variation.NONE);
        Map<List<Integer>, Double> simulated = run(SpiceDeck.write(key, slots), folder);
        int compared = 0;
        for (int i = 0; i < slots.size(); i++) {
            List<Double> ours = bench.quantities(slots.get(i));
            for (int k = 0; k < ours.size(); k++) {
                String what = slots.get(i).id() + ", quantity " + (k + 1) + ", " + name;
                Double theirs = simulated.get(List.of(i + 1, k + 1));
                assertThat(theirs).as(what).isNotNull();
                if (Double.isInfinite(ours.get(k))) {
                    assertThat(theirs).as(what).isInfinite();
                } else if (slots.get(i).function().isLive() && ours.get(k) < NOTHING) {
                    assertThat(theirs).as(what).isLessThan(2 * NOTHING);
                } else {
                    assertThat(theirs).as(what).isCloseTo(ours.get(k), within(agree(ours.get(k)) * ours.get(k)));
                }
                compared++;
            }
        }
        return compared;
    }

    private static Map<List<Integer>, Double> run(String deck, Path folder) throws IOException, InterruptedException {
        Path file = Files.writeString(folder.resolve("deck.cir"), deck);
        Process process;
        try {
            process = new ProcessBuilder("ngspice", "-b", file.toString())
                    .redirectErrorStream(true)
                    .start();
        } catch (IOException e) {
            throw new IOException("ngspice is needed for this test: apt-get install ngspice", e);
        }
        String output = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        process.waitFor();
        Map<List<Integer>, Double> values = new HashMap<>();
        Matcher matcher = RESULT.matcher(output);
        while (matcher.find()) {
            values.put(
                    List.of(Integer.parseInt(matcher.group(1)), Integer.parseInt(matcher.group(2))),
                    matcher.group(3).equals("open") ? Double.POSITIVE_INFINITY : Double.parseDouble(matcher.group(3)));
        }
        if (values.isEmpty()) {
            throw new AssertionError(
                    "ngspice printed no reading:\n" + output.substring(0, Math.min(3000, output.length())));
        }
        return values;
    }
}
