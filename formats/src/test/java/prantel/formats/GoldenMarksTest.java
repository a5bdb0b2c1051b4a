package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.CandidateRecord.FaultReport;
import prantel.core.marking.Mark;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.quantity.Check;
import prantel.core.quantity.ProblemsException;
import prantel.core.sequence.SlotId;

/**
 * Marks of {@value #RECORDS} random records as values: verdict, points, and every mark that is not given whole with its award,
 * the boxes it rests on and the cause that leads in them. A changed rule shows here mark by mark; a changed sentence does not.
 * Written anew with {@code -Dprantel.golden.update=true}, by whoever says in the change log which rule moved.
 *
 * <p>The records are those of engine version 3. Since then: a sum may be written to the digits of its parts (4); what lies just
 * outside its window, where leads, hands and a damp day account for it, costs nothing (8); what is very likely the rig's or
 * the tester's counts neither way until it was looked at (11); insulation is held against a day as wet as most of the record
 * says, and leads that were in for all tests of a circuit are one cause (12);
 * what is far outside its window is told though it shares its error with others: one box of record 36, three of record 54 (16).
 */
class GoldenMarksTest {
    private static final Set<String> NEWER_KINDS = Set.of("clamp-resistance", "live-open-after");
    private static final Path GOLDEN = Path.of("src/test/resources/golden-marks.txt");
    private static final List<String> RIGS =
            List.of("toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse");
    private static final int RECORDS = 150;

    @Test
    void theWorkshopsFileGivesTheMarksItGaveInCode() throws Exception {
        List<String> lines = new ArrayList<>();
        Map<String, Key> keys = new HashMap<>();
        for (int seed = 0; seed < RECORDS; seed++) {
            lines.addAll(lines(seed, keys));
        }
        if (Boolean.getBoolean("prantel.golden.update")) {
            Files.writeString(GOLDEN, String.join("\n", lines) + "\n");
        }
        assertThat(lines).isEqualTo(Files.readAllLines(GOLDEN));
        assertThat(lines.stream().filter(l -> !l.startsWith(" "))).hasSize(RECORDS);
    }

    private static List<String> lines(int seed, Map<String, Key> keys) throws Exception {
        Random random = new Random(seed);
        String rig = RIGS.get(seed % RIGS.size());
        boolean full = seed % 3 == 0;
        Key healthy = keys.computeIfAbsent(rig + full, k -> healthy(rig, full));
        FaultSet faults = faults(healthy, random);
        Key key = healthy.with(faults);
        CandidateRecord record = record(key, random);
        MarkedSheet sheet = Marker.mark(key, record);
        List<String> lines = new ArrayList<>();
        long whole = sheet.marks().stream().filter(m -> m.award() == Award.FULL).count();
        lines.add(String.join(
                " ",
                String.valueOf(seed),
                rig,
                full ? "full" : "dead",
                sheet.outcome().verdict().name(),
                Check.plain(sheet.outcome().points()),
                "of",
                Check.plain(sheet.outcome().outOf()) + ",",
                whole + " marks whole"));
        // the order on the sheet is the scheme's; what each mark is must not move
        sheet.marks().stream()
                .filter(m -> m.award() != Award.FULL)
                .sorted(Comparator.comparing(Mark::id))
                .map(m -> "  " + m.id() + " " + m.award() + (m.key() ? " key" : "") + ", " + boxes(m, sheet))
                .forEach(lines::add);
        return lines;
    }

    /** How many boxes a mark rests on, and the causes that lead in them. */
    private static String boxes(Mark mark, MarkedSheet sheet) {
        String causes = sheet.findings().stream()
                .filter(f -> mark.slots().contains(f.expectation().slot().id()))
                .filter(f -> !f.explanations().isEmpty())
                .map(f -> f.explanations().getFirst().cause().name())
                .distinct()
                .sorted()
                .collect(Collectors.joining(" "));
        return mark.slots().size() + " boxes" + (causes.isEmpty() ? "" : ": " + causes);
    }

    private static Key healthy(String rig, boolean full) {
        try {
            return Key.of(
                    DemoRigsTest.rig(rig),
                    FaultSet.NONE,
                    Testers.usual(),
                    full
                            ? ShippedSchemes.everyTest()
                            : ShippedSchemes.all().get("workshop").scheme());
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    /** Of the kinds there were when the marks were written down: newer ones would shift what is drawn. */
    private static List<Fault> known(Key key) {
        return FaultCatalogue.everyFault(key.rig()).stream()
                .filter(f -> !NEWER_KINDS.contains(f.kind().id()))
                .toList();
    }

    /** None to three faults that are sound together. */
    private static FaultSet faults(Key key, Random random) {
        List<Fault> all = known(key);
        FaultSet set = FaultSet.NONE;
        for (int i = random.nextInt(4); i > 0; i--) {
            try {
                FaultSet more = set.with(all.get(random.nextInt(all.size())));
                more.checkChosenOn(key.rig());
                set = more;
            } catch (ProblemsException e) {
                // not together: another time
            }
        }
        return set;
    }

    private static CandidateRecord record(Key key, Random random) {
        Map<SlotId, String> readings = new HashMap<>();
        Map<SlotId, Boolean> judgements = new HashMap<>();
        double leads = random.nextInt(4) == 0 ? key.tester().leads().pairOhms() : 0;
        double care = 0.4 + 0.6 * random.nextDouble();
        boolean wander = random.nextInt(3) == 0;
        for (Expectation e : key.expectations()) {
            boolean r2 = e.slot().step().name().equals("R2");
            if (r2 != wander && (r2 || e.slot().step().name().equals("R1_R2")) && random.nextInt(20) != 0) {
                continue;
            }
            String text = text(e, leads, care, random);
            if (!text.isEmpty()) {
                readings.put(e.slot().id(), text);
            }
            e.satisfactory().ifPresent(s -> {
                if (random.nextDouble() < 0.9 * care + 0.1) {
                    judgements.put(e.slot().id(), random.nextDouble() < care ? s : !s);
                }
            });
        }
        List<FaultReport> reports = new ArrayList<>();
        List<Fault> all = known(key);
        for (Fault fault : key.faults().faults()) {
            if (random.nextDouble() < care) {
                reports.add(report(fault));
            }
        }
        if (random.nextInt(4) == 0) {
            reports.add(report(all.get(random.nextInt(all.size()))));
        }
        Set<SlotId> out = random.nextInt(8) == 0 ? Set.copyOf(readings.keySet()) : Set.of();
        return new CandidateRecord(readings, judgements, reports, out);
    }

    private static FaultReport report(Fault fault) {
        return new FaultReport(fault.kind(), fault.place(), fault.conductors(), "put right");
    }

    private static String text(Expectation e, double leads, double care, Random random) {
        Reading right = e.withFaults();
        if (random.nextDouble() < care) {
            return right instanceof Reading.Value v
                            && leads > 0
                            && e.slot().boxUnit().symbol().equals("Ω")
                    ? Check.plain(Math.round(100 * (v.base() + leads)) / 100.0)
                    : right.shown();
        }
        return switch (random.nextInt(9)) {
            case 0 -> "";
            case 1 -> "12,5";
            case 2 -> "OL";
            case 3 -> "0";
            case 4 ->
                right instanceof Reading.Value v
                        ? Check.plain(10 * e.slot().boxUnit().fromBase(v.base()))
                        : "x?";
            case 5 -> e.healthy().shown();
            case 6 -> "> 999";
            case 7 -> "tripped";
            default -> right.shown();
        };
    }
}
