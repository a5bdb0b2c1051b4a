package prantel.core.sequence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.limits.Limit;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/**
 * A record as it is filed: one line a circuit with what it is, one line a circuit with what it read, and the devices. Of several
 * readings of a kind the one that is worst stands on it. Only what was written is on it, nothing that was expected.
 *
 * @param circuits what each circuit is, as drawn
 * @param columns over the readings of the circuits; a test that the scheme does not ask for has none
 * @param results readings, a line a circuit, under those columns; "" where nothing was written
 * @param devices what each residual-current device read
 * @param origin what was read once for the rig, in the order of the sheet
 */
public record Schedule(
        List<ScheduledCircuit> circuits,
        List<String> columns,
        List<CircuitResults> results,
        List<DeviceResults> devices,
        List<ReadOnce> origin) {

    /**
     * @param way "1", "2 L3", with its board where the rig has several
     * @param conductors cross-sections of live conductors and CPC, mm²
     * @param breaking "6 kA"
     * @param residual what watches it; empty for none
     * @param zsLimit greatest cold Zs, "≤ 1.09 Ω"
     * @param source where that stands
     */
    public record ScheduledCircuit(
            String way,
            String label,
            String device,
            String breaking,
            String conductors,
            String residual,
            String zsLimit,
            String source) {}

    public record CircuitResults(String way, String label, List<String> readings) {
        public CircuitResults {
            readings = List.copyOf(readings);
        }
    }

    public record DeviceResults(String label, List<ReadOnce> readings) {
        public DeviceResults {
            readings = List.copyOf(readings);
        }
    }

    public record ReadOnce(String what, String written) {}

    public Schedule {
        circuits = List.copyOf(circuits);
        columns = List.copyOf(columns);
        results = List.copyOf(results);
        devices = List.copyOf(devices);
        origin = List.copyOf(origin);
    }

    /** Which of several readings of a circuit stands on the schedule. */
    private enum Worst {
        HIGHEST,
        LOWEST,
        /** Of words and of what must be open nothing is worst: all that is written, or how many where they differ. */
        COUNTED
    }

    /** So many different texts are told one by one. */
    private static final int FEW = 2;

    private record Column(String heading, Predicate<BoxAddress> holds, Worst worst) {}

    private static final List<Column> COLUMNS = List.of(
            new Column("R1+R2", a -> a.test() == TestKind.R1_R2, Worst.HIGHEST),
            new Column("R2", a -> a.test() == TestKind.R2, Worst.HIGHEST),
            new Column("r1", a -> a.is(Quantity.RING_LINE), Worst.HIGHEST),
            new Column("rn", a -> a.is(Quantity.RING_NEUTRAL), Worst.HIGHEST),
            new Column("r2", a -> a.is(Quantity.RING_CPC), Worst.HIGHEST),
            new Column("Ring, R1+R2", a -> a.test() == TestKind.RING && a.is(Quantity.R1_R2), Worst.HIGHEST),
            new Column("Insulation, live", a -> isInsulation(a) && !toEarth(a), Worst.LOWEST),
            new Column("Insulation, to earth", a -> isInsulation(a) && toEarth(a), Worst.LOWEST),
            new Column("Polarity", a -> a.test() == TestKind.POLARITY, Worst.COUNTED),
            new Column("Polarity, live", a -> a.test() == TestKind.POINT_POLARITY, Worst.COUNTED),
            new Column("Zs", a -> a.test() == TestKind.ZS && a.is(Quantity.ZS), Worst.HIGHEST),
            new Column("Functional", a -> a.test() == TestKind.FUNCTIONAL, Worst.COUNTED));

    private static boolean isInsulation(BoxAddress address) {
        return address.test() == TestKind.INSULATION;
    }

    private static boolean toEarth(BoxAddress address) {
        return address.detail().conductors().contains(Conductor.CPC);
    }

    /**
     * @param written what stands in a box; empty for nothing
     */
    public static Schedule of(Rig rig, Scheme scheme, Function<SlotId, Optional<String>> written) {
        return new Making(rig, scheme, written).made();
    }

    private static final class Making {
        private final Rig rig;
        private final Function<SlotId, Optional<String>> written;
        private final CircuitLimits limits;
        private final List<Slot> sheet;

        Making(Rig rig, Scheme scheme, Function<SlotId, Optional<String>> written) {
            this.rig = rig;
            this.written = written;
            this.limits = new CircuitLimits(rig, scheme);
            this.sheet = SlotPlan.sheet(rig, scheme);
        }

        Schedule made() {
            List<Column> columns = COLUMNS.stream()
                    .filter(c -> sheet.stream()
                            .anyMatch(s -> s.circuit().isPresent() && c.holds().test(s.address())))
                    .toList();
            return new Schedule(
                    rig.circuits().stream().map(this::circuit).toList(),
                    columns.stream().map(Column::heading).toList(),
                    rig.circuits().stream()
                            .map(c -> new CircuitResults(
                                    way(c),
                                    c.label(),
                                    columns.stream().map(col -> cell(c, col)).toList()))
                            .toList(),
                    devices(),
                    origin());
        }

        private ScheduledCircuit circuit(Circuit circuit) {
            Limit zs = limits.zs(circuit);
            return new ScheduledCircuit(
                    way(circuit),
                    circuit.label(),
                    circuit.device().label(),
                    Check.plain(circuit.device().breakingKiloamps()) + "\u2009kA",
                    circuit.head().cable().label(),
                    Residuals.protecting(rig, circuit).stream()
                            .map(p -> p.device().label())
                            .collect(Collectors.joining("; ")),
                    zs.shown(Quantity.ZS.unit()),
                    zs.source());
        }

        private String way(Circuit circuit) {
            String board =
                    rig.boards().size() > 1 ? rig.board(circuit.way().board()).label() + " " : "";
            return board + circuit.way().number();
        }

        /** Of the circuit's boxes under a heading the one for the record, else the worst of its readings. */
        private String cell(Circuit circuit, Column column) {
            List<Slot> boxes = sheet.stream()
                    .filter(s -> s.circuit().filter(circuit.id()::equals).isPresent())
                    .filter(s -> column.holds().test(s.address()))
                    .toList();
            int volts = boxes.stream()
                    .mapToInt(s -> s.address().detail().volts())
                    .max()
                    .orElse(0);
            List<Slot> judged = boxes.stream()
                    .filter(s -> s.address().detail().volts() == volts)
                    .toList();
            Optional<String> chosen = judged.stream()
                    .filter(s -> s.address().isForTheRecord())
                    .flatMap(s -> written.apply(s.id()).stream())
                    .findFirst();
            return chosen.orElseGet(() -> worst(judged, column.worst()));
        }

        private String worst(List<Slot> boxes, Worst worst) {
            Map<Slot, String> there = new LinkedHashMap<>();
            boxes.forEach(s -> written.apply(s.id()).ifPresent(text -> there.put(s, text)));
            if (there.size() < 2) {
                return there.values().stream().findFirst().orElse("");
            }
            Comparator<Map.Entry<Slot, String>> size = Comparator.comparingDouble(
                    e -> size(Notation.read(e.getValue(), e.getKey().boxUnit())));
            return switch (worst) {
                case HIGHEST ->
                    there.entrySet().stream().max(size).orElseThrow().getValue();
                case LOWEST -> there.entrySet().stream().min(size).orElseThrow().getValue();
                case COUNTED -> {
                    List<String> texts = there.values().stream().distinct().toList();
                    yield texts.size() <= FEW
                            ? String.join("; ", texts)
                            : there.size() + " of " + boxes.size() + " written";
                }
            };
        }

        /** What is no number is as large as any: it is never the lowest, and where the highest counts it stands out. */
        private static double size(Written written) {
            return written instanceof Written.Number n ? n.base() : Double.POSITIVE_INFINITY;
        }

        private List<DeviceResults> devices() {
            List<DeviceResults> lines = new ArrayList<>();
            for (Residuals.Placed placed : Residuals.of(rig)) {
                List<ReadOnce> readings = sheet.stream()
                        .filter(s -> s.address().test() == TestKind.RCD
                                && s.address().site() instanceof Site.OfDevice d
                                && d.device().equals(placed.id()))
                        .flatMap(s -> written.apply(s.id()).map(text -> new ReadOnce(ofDevice(s), text)).stream())
                        .toList();
                if (!readings.isEmpty()) {
                    lines.add(new DeviceResults(placed.label(), readings));
                }
            }
            return lines;
        }

        /** "1 × IΔn, 180°": which device it is stands beside it. */
        private static String ofDevice(Slot slot) {
            BoxAddress address = slot.address();
            String which = address.isForTheRecord()
                    ? ", for the record"
                    : slot.boxUnit() == Unit.MILLISECOND ? address.detail().negativeHalf() ? ", 180°" : ", 0°" : "";
            return slot.quantity() + which;
        }

        /** Readings of the rig as a whole; what is only looked at stays among the readings. */
        private List<ReadOnce> origin() {
            return sheet.stream()
                    .filter(s -> s.circuit().isEmpty())
                    .filter(s -> switch (s.address().test()) {
                        case EARTHING, BONDING, ELECTRODE, ELECTRODE_LOOP, INSULATION_BOARD, ZE, IPF, SEQUENCE -> true;
                        default -> false;
                    })
                    .flatMap(s -> line(s).stream())
                    .toList();
        }

        private Optional<ReadOnce> line(Slot slot) {
            return written.apply(slot.id()).map(text -> new ReadOnce(slot.title(rig), text));
        }
    }
}
