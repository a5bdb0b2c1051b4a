package prantel.bench.mistakes;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.FaultSet;
import prantel.core.inference.Beside;
import prantel.core.inference.Cause;
import prantel.core.inference.Explainer;
import prantel.core.inference.Explanation;
import prantel.core.inference.WrittenSheet;
import prantel.core.instrument.Tester;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Marker;
import prantel.core.marking.Watched;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.formats.RigFile;
import prantel.formats.ShippedSchemes;
import prantel.formats.TesterFile;

/** Records with known truth, explained: how often the top cause is what was done, and how often an honest one is asked about. */
public final class MistakeBench {
    private static final List<String> RIGS =
            List.of("toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse");

    private static final List<String> TESTERS = List.of("t1", "t2");

    private static final List<Cause> OPEN = List.of(Cause.LINK_MISSING, Cause.SWITCH_OPEN, Cause.LEAD_BROKEN);

    private static final int RECORDS_OF_A_DRAWN_RIG = 20;

    /** So many times as many records on drawn rigs, all together, as with one tester on one rig of the demo. */
    private static final int DRAWN_FOR_EACH = 10;

    /** Causes that are as good an answer for what was done: they cannot be told apart, or are the same thing. */
    private static final Map<String, List<Cause>> RIGHT = new LinkedHashMap<>();

    static {
        RIGHT.put("leads", List.of(Cause.LEADS_NOT_NULLED));
        RIGHT.put("leads-one-circuit", List.of(Cause.LEADS_NOT_NULLED));
        RIGHT.put("wander", List.of(Cause.LEADS_NOT_NULLED));
        RIGHT.put("link", List.of(Cause.LINK_MISSING, Cause.LEAD_BROKEN, Cause.SWITCH_OPEN));
        RIGHT.put("switch-open", List.of(Cause.SWITCH_OPEN, Cause.LINK_MISSING, Cause.LEAD_BROKEN));
        RIGHT.put("another-point", List.of(Cause.ANOTHER_POINT, Cause.OTHER_POSITION));
        RIGHT.put("other-step", List.of(Cause.ANOTHER_BOX));
        RIGHT.put("not-crossed", List.of(Cause.NOT_CROSSED));
        RIGHT.put("one-pair", List.of(Cause.ONE_PAIR));
        RIGHT.put("not-divided", List.of(Cause.NOT_DIVIDED));
        RIGHT.put("lowest", List.of(Cause.LOWEST_RECORDED, Cause.MIDDLE_RECORDED));
        RIGHT.put("faster", List.of(Cause.FASTER_RECORDED));
        RIGHT.put("not-doubled", List.of(Cause.NOT_DOUBLED));
        RIGHT.put("slip", List.of(Cause.SLIP_OF_TEN));
        RIGHT.put("healthy", List.of(Cause.HEALTHY_VALUE, Cause.FAULT_NOT_SET));
        RIGHT.put("load-in", List.of(Cause.LOAD_LEFT_IN));
        RIGHT.put("bond-left-on", List.of(Cause.BOND_LEFT_ON));
        RIGHT.put("earth-left-on", List.of(Cause.EARTH_LEFT_ON));
        RIGHT.put("surge-protection-in", List.of(Cause.LOAD_LEFT_IN));
        RIGHT.put("load-in-throughout", List.of(Cause.LOAD_LEFT_IN));
        RIGHT.put("earth-left-off", List.of(Cause.EARTH_LEFT_OFF));
        RIGHT.put("ends-left-in", List.of(Cause.ENDS_LEFT_IN));
        RIGHT.put("not-joined", List.of(Cause.LINK_MISSING, Cause.LEAD_BROKEN));
        RIGHT.put("switch-closed", List.of(Cause.OTHER_POSITION));
        RIGHT.put("current-of-ze", List.of(Cause.CURRENT_OF_ZE));
        RIGHT.put("neighbour", List.of(Cause.NEIGHBOUR));
        RIGHT.put("zs-calculated", List.of(Cause.CALCULATED));
        RIGHT.put("by-length", List.of(Cause.COPIED_CALCULATION));
        RIGHT.put("middle", List.of(Cause.MIDDLE_RECORDED));
        RIGHT.put("doubled", List.of(Cause.DOUBLED));
        RIGHT.put("halved", List.of(Cause.HALVED));
        RIGHT.put("wrong-volts", List.of(Cause.WRONG_VOLTS));
        RIGHT.put("range-too-low", List.of(Cause.WRONG_RANGE));
        RIGHT.put("range-too-high", List.of(Cause.WRONG_RANGE));
        RIGHT.put("device-on", List.of(Cause.DEVICE_LEFT_ON));
        RIGHT.put("neutral-in", List.of(Cause.NEUTRAL_LEFT_IN));
        RIGHT.put("cpc-off", List.of(Cause.CPC_OFF_BAR, Cause.LEAD_BROKEN));
        RIGHT.put("lead-broken", List.of(Cause.LEAD_BROKEN, Cause.LINK_MISSING, Cause.SWITCH_OPEN));
        RIGHT.put("rounds", List.of(Cause.OTHER_POSITION));
        RIGHT.put("nulled-wrong", List.of(Cause.NULLED_WRONG));
        RIGHT.put("tester-off", List.of(Cause.TESTER_OFF));
        RIGHT.put("copied-record", List.of(Cause.COPIED_RECORD));
        RIGHT.put("tester-stuck", List.of(Cause.TESTER_STUCK));
        RIGHT.put("round-numbers", List.of(Cause.ROUND_NUMBERS));
        RIGHT.put("fault-not-set", List.of(Cause.FAULT_NOT_SET, Cause.HEALTHY_VALUE));
        RIGHT.put("fault-elsewhere", List.of(Cause.FAULT_ELSEWHERE));
        RIGHT.put("fault-left-over", List.of(Cause.FAULT_LEFT_OVER));
        RIGHT.put("fault-left-over-seen", List.of(Cause.FAULT_LEFT_OVER));
        RIGHT.put("fault-left-over-sized", List.of(Cause.FAULT_LEFT_OVER));
        RIGHT.put("fault-drifted", List.of(Cause.FAULT_DRIFTED));
        RIGHT.put("built-longer", List.of(Cause.CIRCUIT_AS_BUILT));
        RIGHT.put("leads-leak", List.of(Cause.LEADS_LEAK));
        RIGHT.put("five-times-in-one", List.of(Cause.ANOTHER_BOX));
    }

    private MistakeBench() {}

    /** @param args how many records a rig, 60 if left out; then by how much all spreads are wider, 1 if left out */
    public static void main(String[] args) throws Exception {
        int each = args.length > 0 ? Integer.parseInt(args[0]) : 60;
        double wider = args.length > 1 ? Double.parseDouble(args[1]) : 1;
        Path demo = Path.of(System.getProperty("prantel.demo", "demo"));
        Random random = new Random(11);
        Tally ofTheDemo = new Tally();
        for (String rig : RIGS) {
            for (String tester : TESTERS) {
                Key key = Key.of(
                                RigFile.read(Files.readAllBytes(demo.resolve(rig + ".rig.json"))),
                                FaultSet.NONE,
                                tester(demo, tester),
                                ShippedSchemes.everyTest())
                        .prepared();
                fill(ofTheDemo, new Corpus(random.nextLong(), wider), random, key, each / 2);
            }
        }
        Tally ofDrawn = new Tally();
        DrawnRigs rigs = new DrawnRigs(random);
        List<Scheme> schemes = ShippedSchemes.all().values().stream()
                .map(ShippedSchemes.Shipped::scheme)
                .toList();
        for (int made = 0; made < DRAWN_FOR_EACH * each; made += RECORDS_OF_A_DRAWN_RIG) {
            Tester tester = rigs.tester(tester(demo, TESTERS.get(random.nextInt(TESTERS.size()))));
            Scheme scheme =
                    random.nextBoolean() ? ShippedSchemes.everyTest() : schemes.get(random.nextInt(schemes.size()));
            Key key = Key.of(rigs.rig(), FaultSet.NONE, tester, scheme);
            fill(ofDrawn, new Corpus(random.nextLong(), wider), random, key, RECORDS_OF_A_DRAWN_RIG / 2);
        }
        System.out.printf("On the rigs of the demo, full sequence:%n%n");
        ofTheDemo.print();
        System.out.printf(
                "%nOn rigs drawn at random, each with other leads, half of them by one of the shipped schemes:%n%n");
        ofDrawn.print();
        ofTheDemo.calibration.add(ofDrawn.calibration);
        System.out.printf("%nOf what was told with a share, how much was so:%n%n%s%n", ofTheDemo.calibration.table());
        String plot = System.getProperty("prantel.bench.plot");
        if (plot != null) {
            Files.writeString(Path.of(plot), ofTheDemo.calibration.svg());
        }
    }

    /** Half of them honest, half with a mistake; and for every fourth one more, with several. */
    private static void fill(Tally tally, Corpus corpus, Random random, Key healthy, int count) {
        for (int i = 0; i < count; i++) {
            Key faulty = corpus.with(healthy, random.nextInt(3));
            corpus.make(faulty, "").ifPresent(tally::add);
            String kind = Corpus.KINDS.get(random.nextInt(Corpus.KINDS.size()));
            corpus.make(faulty, kind).ifPresent(tally::add);
            if (i % 2 == 0) {
                tally.addSeveral(corpus.several(faulty, 2 + random.nextInt(2)));
            }
        }
    }

    private static Tester tester(Path demo, String id) throws Exception {
        return TesterFile.read(Files.readAllBytes(demo.resolve(id + ".tester.json")));
    }

    /** What came out. */
    static final class Tally {
        private int honest;
        private int asked;
        private int full;
        /** How many records lost so many marks. */
        private final Map<Integer, Integer> leadsLost = new TreeMap<>();

        private final Map<String, int[]> byKind = new TreeMap<>();
        private final Map<String, Map<String, Integer>> instead = new TreeMap<>();
        private static final int WARM = 100;
        /** The kind of mistake that shows in most readings. */
        private static final String LEADS = "leads";

        /** The rig with most boxes. */
        private static final String LARGEST = "creamery";

        /** For whoever looks into what went wrong. */
        private static final boolean SHOW = Boolean.getBoolean("prantel.bench.show");

        /** Nanoseconds a record may take. */
        private static final long SLOW = 200_000_000;

        private long nanos;
        private long longest;
        private String longestOf = "";
        private final Calibration calibration = new Calibration();
        private int records;
        /** Nanoseconds. */
        private final List<Long> ofTheLargest = new ArrayList<>();

        void add(MadeRecord made) {
            judge(made, explained(made));
        }

        /** Several mistakes in one record: each is looked for in the boxes that it spoilt. */
        void addSeveral(List<MadeRecord> ofOne) {
            if (ofOne.isEmpty()) {
                return;
            }
            Map<SlotId, List<Explanation>> told = explained(ofOne.getFirst());
            ofOne.forEach(made -> {
                String kind = "one of " + ofOne.size();
                RIGHT.putIfAbsent(kind + ": " + made.kind(), RIGHT.getOrDefault(made.kind(), List.of()));
                judge(made.named(kind + ": " + made.kind()), told);
            });
        }

        private Map<SlotId, List<Explanation>> explained(MadeRecord made) {
            long from = System.nanoTime();
            Map<SlotId, List<Explanation>> told =
                    Explainer.explain(made.key(), WrittenSheet.read(made.texts(), made.key()), made.beside());
            long took = System.nanoTime() - from;
            nanos += took;
            if (SHOW && took > SLOW) {
                System.out.printf(
                        "SLOW %d ms, %s, %s, %s%n",
                        took / 1_000_000,
                        made.key().rig().id(),
                        made.kind(),
                        made.key().faults());
            }
            if (records > WARM && took > longest) {
                longest = took;
                longestOf = made.key().rig().id() + ", " + (made.kind().isEmpty() ? "honest" : made.kind());
            }
            if (records > WARM && made.key().rig().id().equals(LARGEST)) {
                ofTheLargest.add(took);
            }
            records++;
            return told;
        }

        private void judge(MadeRecord made, Map<SlotId, List<Explanation>> told) {
            if (made.kind().isEmpty()) {
                honest++;
                if (lost(made).isEmpty()) {
                    full++;
                } else if (SHOW) {
                    showLost(made);
                }
                if (!told.isEmpty()) {
                    asked++;
                    if (SHOW) {
                        told.forEach((id, e) -> System.out.println("HONEST "
                                + made.key().rig().id() + " " + id + " "
                                + made.texts().get(id) + " for "
                                + made.key().expectation(id).withFaults().shown() + " "
                                + e.stream().map(x -> x.cause().name()).toList() + " "
                                + made.key().faults().faults().stream()
                                        .map(f -> f.title() + " " + f.place().id())
                                        .toList()));
                    }
                }
                return;
            }
            if (LEADS.equals(made.kind())) {
                leadsLost.merge(lost(made).size(), 1, Integer::sum);
            }
            int[] counts = byKind.computeIfAbsent(made.kind(), k -> new int[4]);
            counts[0]++;
            List<List<Explanation>> here = made.spoilt().stream()
                    .filter(told::containsKey)
                    .map(told::get)
                    .toList();
            if (here.isEmpty()) {
                counts[3]++;
                if (SHOW) {
                    made.spoilt().stream()
                            .limit(6)
                            .forEach(id -> System.out.println("MISSED " + made.kind() + " "
                                    + made.key().rig().id() + " "
                                    + made.key().tester().id() + " " + id + " "
                                    + made.texts().get(id) + " for "
                                    + made.key().expectation(id).withFaults().shown()));
                }
                return;
            }
            List<Cause> right = new ArrayList<>(RIGHT.getOrDefault(made.kind(), List.of()));
            if (right.contains(Cause.FAULT_LEFT_OVER) && isOverRangeOnly(made)) {
                right.addAll(OPEN);
            }
            Optional<Cause> top = most(here);
            top.ifPresent(t -> calibrate(here, t, right));
            if (top.filter(right::contains).isPresent()) {
                counts[1]++;
            } else {
                if (SHOW) {
                    showWrong(made, told);
                }
                instead.computeIfAbsent(made.kind(), k -> new TreeMap<>())
                        .merge(top.map(Cause::name).orElse("nothing known"), 1, Integer::sum);
            }
            if (here.stream().flatMap(List::stream).anyMatch(e -> right.contains(e.cause()))) {
                counts[2]++;
            }
        }

        /** A link that was left off, an open switch, an open lead and an open conductor all read over-range. */
        private static boolean isOverRangeOnly(MadeRecord made) {
            return made.spoilt().stream()
                    .allMatch(id -> made.texts().getOrDefault(id, "").startsWith(">"));
        }

        private static void showWrong(MadeRecord made, Map<SlotId, List<Explanation>> told) {
            System.out.println("WRONG " + made.kind() + " " + made.key().rig().id() + " "
                    + made.key().faults().faults().stream()
                            .map(f -> f.title() + " " + f.place().id())
                            .toList()
                    + " " + made.spoilt().size() + " boxes");
            told.entrySet().stream()
                    .limit(8)
                    .forEach(e -> System.out.println("    " + e.getKey() + " "
                            + made.texts().get(e.getKey()) + " for "
                            + made.key().expectation(e.getKey()).withFaults().shown() + " "
                            + e.getValue().stream()
                                    .map(x -> x.cause() + " " + Math.round(100 * x.likelihood()) + " " + x.evidence())
                                    .toList()));
        }

        /** Marks for measuring that were not given in full. */
        private static List<String> lost(MadeRecord made) {
            return Marker.mark(made.key(), record(made)).marks().stream()
                    .filter(m -> m.of().criterion().equals("measured"))
                    .filter(m -> m.award() != Award.FULL && m.award() != Award.NOT_SEEN)
                    .map(m -> m.id())
                    .toList();
        }

        /** What belongs to a part that was not done, since the rig must not go live, is out of account. */
        private static CandidateRecord record(MadeRecord made) {
            List<Slot> live = made.key().expectations().stream()
                    .map(Expectation::slot)
                    .filter(s -> s.step().isLive())
                    .toList();
            Map<SlotId, String> out = live.stream().anyMatch(s -> made.texts().containsKey(s.id()))
                    ? Map.of()
                    : live.stream().collect(Collectors.toMap(Slot::id, s -> "not gone live"));
            return new CandidateRecord(
                    new CandidateRecord.Sheet(made.texts(), Map.of(), Map.of()),
                    List.of(),
                    Set.of(),
                    Watched.NOTHING,
                    out,
                    Beside.NOTHING);
        }

        private static void showLost(MadeRecord made) {
            Marker.mark(made.key(), record(made)).findings().stream()
                    .filter(f -> f.asked() && f.side() != Window.Side.INSIDE)
                    .limit(3)
                    .forEach(f -> System.out.println("LOST " + made.key().rig().id() + " "
                            + f.expectation().slot().id() + " "
                            + made.texts().get(f.expectation().slot().id()) + " " + f.side() + " for "
                            + f.expectation().window()));
        }

        /** In a box of the leading cause: each cause told with its share; those that cannot be told apart as one. */
        private void calibrate(List<List<Explanation>> here, Cause top, List<Cause> right) {
            List<Explanation> box = here.stream()
                    .filter(e -> !e.isEmpty() && e.getFirst().cause() == top)
                    .findFirst()
                    .orElseThrow();
            double so = box.stream()
                    .filter(e -> right.contains(e.cause()))
                    .mapToDouble(Explanation::likelihood)
                    .sum();
            if (so > 0) {
                calibration.add(so, true);
            }
            box.stream().filter(e -> !right.contains(e.cause())).forEach(e -> calibration.add(e.likelihood(), false));
        }

        /** The cause that leads in most of the boxes. */
        private static Optional<Cause> most(List<List<Explanation>> here) {
            Map<Cause, Integer> leads = new LinkedHashMap<>();
            here.stream()
                    .filter(e -> !e.isEmpty())
                    .forEach(e -> leads.merge(e.getFirst().cause(), 1, Integer::sum));
            return leads.entrySet().stream().max(Map.Entry.comparingByValue()).map(Map.Entry::getKey);
        }

        /** How many records of a kind: made, its top cause right, among the causes, not noticed. */
        int[] ofKind(String kind) {
            return byKind.getOrDefault(kind, new int[4]).clone();
        }

        double shareOfTopRight() {
            return share(1);
        }

        double shareOfHonestAsked() {
            return honest == 0 ? 0 : (double) asked / honest;
        }

        /** Of mistakes of which anything at all was noticed. */
        private double share(int column) {
            int right = byKind.values().stream().mapToInt(c -> c[column]).sum();
            return noticed() == 0 ? 0 : (double) right / noticed();
        }

        int noticed() {
            return byKind.values().stream().mapToInt(c -> c[0] - c[3]).sum();
        }

        /** The time that so many of a hundred keep within. */
        private double millis(int ofHundred) {
            List<Long> sorted = ofTheLargest.stream().sorted().toList();
            return sorted.isEmpty()
                    ? 0
                    : sorted.get(Math.min(sorted.size() - 1, sorted.size() * ofHundred / 100)) / 1e6;
        }

        void print() {
            System.out.printf(
                    "| done | records | not noticed | top | among three | taken for |%n|---|---|---|---|---|---|%n");
            byKind.forEach((kind, c) -> System.out.printf(
                    "| %s | %d | %d | %d | %d | %s |%n",
                    kind, c[0], c[3], c[1], c[2], instead.getOrDefault(kind, Map.of())));
            if (!ofTheLargest.isEmpty()) {
                System.out.printf(
                        "%nThe %s, %d records: half within %.0f ms, 95 of 100 within %.0f ms, 99 of 100 within %.0f ms%n",
                        LARGEST, ofTheLargest.size(), millis(50), millis(95), millis(99));
            }
            System.out.printf(
                    "%nFull marks for measuring: %d of %d honest records. Leads not nulled at all: marks lost, records: %s%n",
                    full, honest, leadsLost);
            System.out.printf(
                    "%nTop cause right in %.1f %% of %d noticed, among the first three in %.1f %%; honest records asked about: %d of %d (%.1f %%); %.0f ms a"
                            + " record, %.0f ms the longest once warm (%s)%n",
                    100 * share(1),
                    noticed(),
                    100 * share(2),
                    asked,
                    honest,
                    100 * shareOfHonestAsked(),
                    nanos / 1e6 / records,
                    longest / 1e6,
                    longestOf);
        }
    }
}
