package prantel.core.sequence;

import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import prantel.core.procedure.LightStates;
import prantel.core.rig.BoardId;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.SectionId;
import prantel.core.rig.Submain;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;

/** How boxes are told, with the rig's labels. The only place that words an address. */
public final class BoxWords {
    private static final String FOR_THE_RECORD = "for the record";
    private static final String AT_TERMINALS = "outgoing terminals, live: fused probes, covers back at once";

    private final Rig rig;
    private final Scheme scheme;
    private final Map<CircuitId, Map<PointId, Point>> points = new ConcurrentHashMap<>();
    private final Map<String, String> devices = new ConcurrentHashMap<>();

    public BoxWords(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.scheme = scheme;
    }

    /** "R1+R2", "Insulation L–N", "N–E, open". */
    public String quantity(BoxAddress address) {
        Quantity quantity = address.quantity();
        return switch (quantity) {
            case INSULATION -> quantity.label() + " " + pair(address);
            case VOLTAGE -> pair(address);
            case OPEN -> pair(address) + ", " + quantity.label();
            case THROUGH -> pair(address) + " " + quantity.label();
            case INSPECTION -> item(((Site.Item) address.site()).id());
            default -> quantity.label();
        };
    }

    private String item(String id) {
        return scheme.practice().recording().inspection().stream()
                .filter(i -> i.id().equals(id))
                .map(Practice.Item::text)
                .findFirst()
                .orElse(id);
    }

    /** "L–N"; one conductor by itself: "L1". */
    public static String pair(BoxAddress address) {
        return address.detail().conductors().stream().map(Conductor::letter).collect(Collectors.joining("–"));
    }

    /** "socket 3", "water pipe, on the clamp". */
    public String where(BoxAddress address) {
        String of = of(address);
        String more = more(address);
        return of.isEmpty() || more.isEmpty() ? of + more : of + ", " + more;
    }

    /** What it is at: the point, the board, the device with where its tester is. */
    private String of(BoxAddress address) {
        return switch (address.site()) {
            case Site.Origin origin ->
                switch (address.test()) {
                    case SAFE_ISOLATION -> "behind the main switch";
                    case LIVE_POLARITY -> "incoming";
                    case INSPECTION -> "the whole rig";
                    default -> rig.origin().label();
                };
            case Site.Electrode electrode -> "earth electrode";
            case Site.EarthingConductor conductor -> "earthing conductor";
            case Site.Bond bond -> rig.bond(bond.bond()).part();
            case Site.SupplementaryBond bond ->
                rig.earthing().supplementaryBonds().stream()
                        .filter(b -> b.id().equals(bond.bond()))
                        .findFirst()
                        .orElseThrow()
                        .label();
            case Site.AtBoard at -> rig.board(at.board()).label();
            case Site.AtSection at ->
                rig.board(at.board()).section(at.section()).label();
            case Site.Whole whole -> rig.circuit(whole.of()).label();
            case Site.FarEnd end ->
                rig.board(((Submain) rig.circuit(end.of())).feeds()).label();
            case Site.AtPoint at -> label(at.of(), at.at());
            case Site.Metalwork metal -> label(metal.of(), metal.at());
            case Site.IsolatorOff off -> label(off.of(), off.at());
            case Site.LampFrom from -> label(from.of(), from.at());
            case Site.LampOn on -> label(on.of(), on.at());
            case Site.Lights lights -> {
                LightGroup group = group(lights.of(), lights.group());
                yield group.label() + ": " + LightStates.labels(group);
            }
            case Site.OfDevice device -> label(device.device());
            case Site.Item item -> "";
            case Site.Proving proving -> proving == Site.Proving.BEFORE ? "before proving dead" : "after proving dead";
            case Site.Left left ->
                switch (address.quantity()) {
                    case LINKS_OUT -> "every link and lead out";
                    case CONDUCTORS_BACK -> "at the stated torque";
                    case EARTH_BACK -> "on the MET, tight";
                    default -> "devices and RCDs on, covers on";
                };
        };
    }

    /** What is said of it beside that: the line, the round, what it is the highest of. */
    private String more(BoxAddress address) {
        return switch (address.detail().role()) {
            case FOR_THE_RECORD -> recorded(address);
            case BY_CALCULATION -> "by calculation";
            case READING -> reading(address);
        };
    }

    private String recorded(BoxAddress address) {
        return switch (address.quantity()) {
            case INSULATION -> volts(address) + ", lowest of the rounds";
            case LOWEST_OPEN -> "the lowest of its readings";
            case R2, ZS -> scheme.isOneFigure(address.test()) ? "the highest of its points" : FOR_THE_RECORD;
            case RING_ENDS_APART -> "line against neutral";
            case RING_SPREAD -> "step 2 at the sockets on the ring";
            default -> FOR_THE_RECORD;
        };
    }

    private String reading(BoxAddress address) {
        return switch (address.site()) {
            case Site.EarthingConductor conductor -> "end to end";
            case Site.Bond bond -> bond.part() ? "on the bare metal of the part" : "on the clamp";
            case Site.Origin origin -> address.is(Quantity.PHASE_SEQUENCE) ? "incoming" : atBoard(address);
            case Site.AtBoard at ->
                address.is(Quantity.INSULATION) ? "all together, " + volts(address) : atBoard(address);
            case Site.AtSection at -> volts(address);
            case Site.Whole whole -> ofCircuit(address, whole.of());
            case Site.FarEnd end -> {
                boolean only = address.detail().conductors().equals(List.of(Conductor.LINE));
                yield address.is(Quantity.R2) ? "earth bar" : only ? "" : pair(address);
            }
            case Site.AtPoint at -> address.is(Quantity.VOLTAGE) || address.is(Quantity.OPEN) ? "" : pair(address);
            case Site.Metalwork metal -> "metalwork";
            case Site.IsolatorOff off -> "off";
            case Site.LampFrom from -> {
                LightGroup group = group(from.of(), from.group());
                yield LightStates.words(group, LightStates.only(group, from.operated()));
            }
            case Site.LampOn on -> {
                LightGroup group = group(on.of(), on.group());
                yield LightStates.words(group, LightStates.onStates(group).get(on.position() - 1));
            }
            case Site.OfDevice device -> {
                String half = half(address);
                String at = address.is(Quantity.TEST_BUTTON)
                        ? ""
                        : device.socket().map(s -> label(s.of(), s.at())).orElse(AT_TERMINALS);
                yield at + (half.isEmpty() ? "" : ", " + half);
            }
            case Site.Electrode electrode -> "";
            case Site.SupplementaryBond bond -> "";
            case Site.Lights lights -> "";
            case Site.Item item -> "";
            case Site.Proving proving -> "";
            case Site.Left left -> "";
        };
    }

    private static String atBoard(BoxAddress address) {
        return address.is(Quantity.VOLTAGE) ? "" : pair(address);
    }

    private String ofCircuit(BoxAddress address, CircuitId id) {
        Circuit circuit = rig.circuit(id);
        return switch (address.quantity()) {
            case INSULATION -> volts(address);
            case RING_LINE -> Conductor.LINE.word() + " end to end";
            case RING_NEUTRAL -> Conductor.NEUTRAL.word() + " end to end";
            case RING_CPC -> Conductor.CPC.word() + " end to end";
            case DEVICE_SWITCHES -> "at " + circuit.points().getFirst().label();
            default -> "";
        };
    }

    private static String half(BoxAddress address) {
        return switch (address.quantity()) {
            case TRIP_AT_HALF, TRIP_AT_1, TRIP_AT_2, TRIP_AT_5 -> halfWave(address);
            default -> "";
        };
    }

    private static String halfWave(BoxAddress address) {
        return address.detail().negativeHalf() ? "180°" : "0°";
    }

    private String label(String device) {
        if (devices.isEmpty()) {
            Residuals.of(rig).forEach(p -> devices.put(p.id(), p.label()));
        }
        return devices.getOrDefault(device, device);
    }

    private String label(CircuitId circuit, PointId point) {
        return point(circuit, point).label();
    }

    /** Of a rig's points, looked up once for all boxes. */
    Point point(CircuitId circuit, PointId point) {
        Map<PointId, Point> of = points.computeIfAbsent(
                circuit, c -> rig.circuit(c).points().stream().collect(Collectors.toMap(Point::id, p -> p)));
        return java.util.Objects.requireNonNull(of.get(point));
    }

    private LightGroup group(CircuitId circuit, String id) {
        return ((Lighting) rig.circuit(circuit)).group(id);
    }

    /** What is left to say of it under the heading of its group and beside its point. */
    public String within(BoxAddress address) {
        return switch (address.site()) {
            case Site.Lights lights -> of(address);
            case Site.InCircuit in -> more(address);
            case Site.Bond bond -> more(address);
            case Site.Origin origin -> where(address);
            case Site.Electrode electrode -> where(address);
            case Site.EarthingConductor earthingConductor -> where(address);
            case Site.SupplementaryBond supplementaryBond -> where(address);
            case Site.AtBoard at -> address.is(Quantity.INSULATION) ? volts(address) : where(address);
            case Site.AtSection section -> more(address);
            case Site.OfDevice device -> more(address);
            case Site.Item item -> where(address);
            case Site.Proving proving -> where(address);
            case Site.Left left -> where(address);
        };
    }

    /** "500 V, round 2", of an insulation test. */
    public static String volts(BoxAddress address) {
        int round = address.detail().round();
        return address.detail().volts() + " V" + (round == 0 ? "" : ", round " + round);
    }

    /** In which line of a grid it stands; empty for a box of no grid. */
    public String row(BoxAddress address) {
        return switch (address.test()) {
            case INSULATION, INSULATION_BOARD -> volts(address);
            case RCD -> quantity(address);
            case POINT_POLARITY -> address.is(Quantity.POINTS_RIGHT) ? "" : where(address) + which(address);
            default -> "";
        };
    }

    /** " (2)" for a point that is called like another before it: in a grid it would lie in the cell of that one. */
    private String which(BoxAddress address) {
        PointId at = address.site().point().orElseThrow();
        Circuit circuit = rig.circuit(address.site().circuit().orElseThrow());
        List<PointId> alike = circuit.points().stream()
                .filter(p -> p.label().equals(circuit.point(at).label()))
                .map(Point::id)
                .toList();
        int place = alike.indexOf(at);
        return place == 0 ? "" : " (" + (place + 1) + ")";
    }

    /** In which column of a grid it stands; empty for a box of no grid. */
    public String column(BoxAddress address) {
        return switch (address.test()) {
            case INSULATION, INSULATION_BOARD, POINT_POLARITY -> pair(address);
            // a ramp starts at 0°, and a button has no half-wave
            case RCD ->
                address.isForTheRecord() || address.is(Quantity.TEST_BUTTON) ? FOR_THE_RECORD : halfWave(address);
            default -> "";
        };
    }

    /** What it stands with on a sheet: its circuit, bonded part, device or board; empty where a test needs no heading. */
    public String group(BoxAddress address) {
        return address.site().circuit().map(c -> rig.circuit(c).label()).orElseGet(() -> switch (address.test()) {
            case BONDING -> of(address);
            case RCD -> device(((Site.OfDevice) address.site()).device());
            case INSULATION_BOARD ->
                address.site() instanceof Site.AtSection(var board, var section)
                        ? section(board, section)
                        : of(address) + ", all together";
            default -> "";
        });
    }

    /** With its board where another board has a section that is called so. */
    private String section(BoardId board, SectionId id) {
        String label = rig.board(board).section(id).label();
        long alike = rig.boards().stream()
                .flatMap(b -> b.sections().stream())
                .filter(s -> s.label().equals(label))
                .count();
        return alike > 1 ? rig.board(board).label() + ", " + label : label;
    }

    /** With its board where another device is called so. */
    private String device(String id) {
        String label = label(id);
        boolean alone = devices.values().stream().filter(label::equals).count() == 1;
        return alone
                ? label
                : Residuals.of(rig).stream()
                        .filter(p -> p.id().equals(id))
                        .map(p -> switch (p.at()) {
                            case Residuals.At.MainSwitch main ->
                                rig.board(main.board()).label() + ", " + label;
                            case Residuals.At.Section section ->
                                rig.board(section.board()).label() + ", " + label;
                            case Residuals.At.OfCircuit of -> label;
                        })
                        .findFirst()
                        .orElse(label);
    }
}
