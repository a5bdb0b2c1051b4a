package prantel.core.safety;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.network.Alternating;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.CompiledRig;
import prantel.core.rig.Conductor;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Submain;
import prantel.core.rig.Variation;
import prantel.core.scheme.Tolerances;

/**
 * The rig with faults, supply on: touch voltages of all metal, disconnection of a fault to it at every point, short circuits
 * and leakage at energising.
 *
 * <p>It knows this rig's network and nothing else: it is no risk assessment. The site's rules and the assessor come first.
 */
public final class SafetyCheck {
    /** Conventional touch voltage limit, AC, V. Source: IEC 60364-4-41 / BS 7671 (50 V), from memory. */
    public static final double TOUCH_LIMIT_VOLTS = 50;
    /** Body resistance the voltage is held against, Ω. Source: IEC 60479-1, order of magnitude, from memory. */
    public static final double BODY_OHMS = 1000;

    private static final double VOLTAGE_FACTOR = 0.95;
    /** A trip at this multiple of IΔn is certain within the RCD's short time. Source: IEC 61008-1 Table 1. */
    private static final double SURE_TRIP_MULTIPLE = 5;
    /** Later than this it protects nobody at 5 × IΔn, ms: the S type's limit. Source: IEC 61008-1 Table 1. */
    private static final double LATEST_TRIP_MILLIS = 150;

    /** A resistor of a training rig stands a few watts. Common practice, no source. */
    public static final double MOST_WATTS = 5;

    /** Above this there is no earth, only insulation, Ω. */
    private static final double UNEARTHED_OHMS = 1e5;

    private final Rig rig;
    private final Rig fitted;
    private final FaultSet faults;
    private final Variation variation;
    private final Network dead;
    private final Network live;
    private final Alternating supply;
    private final List<Residuals.Placed> residuals;
    private final List<Danger> dangers = new ArrayList<>();

    private SafetyCheck(Rig rig, Network compiled, FaultSet faults, Variation variation) {
        this.rig = rig;
        this.faults = faults;
        this.variation = variation;
        this.fitted = faults.fitted(rig);
        this.live = compiled.with(faults.edits(rig, variation), volts());
        this.dead = live.with(mainSwitchOff(rig));
        this.supply = new Alternating(live, RigCompiler.sources(rig, variation));
        this.residuals = faults.residuals(rig);
    }

    private double volts() {
        return rig.supply().nominalVolts() * variation.volts();
    }

    /**
     * @param dangers by simulation; empty when none was found
     * @param strictest of the catalogue's classes of the faults and, with a danger, dead only
     */
    public record Report(List<Danger> dangers, SafetyClass strictest) {
        public Report {
            dangers = List.copyOf(dangers);
        }

        /** Whether the rig may be energised with these faults in, emulated ones aside. */
        public boolean mayGoLive() {
            return dangers.isEmpty() && strictest != SafetyClass.DEAD_ONLY;
        }
    }

    /** By the worse end of the usual tolerances everywhere: most current for what heats and trips, least for what has to trip. */
    public static Report of(Rig rig, FaultSet faults) {
        return of(rig, RigCompiler.compileAll(rig), faults, Tolerances.usual());
    }

    /** The same, for a rig that is compiled already. @param tolerances how far the rig may be from its declaration */
    public static Report of(Rig rig, CompiledRig compiled, FaultSet faults, Tolerances tolerances) {
        Map<List<Object>, Danger> dangers = new LinkedHashMap<>();
        for (Variation variation : List.of(tolerances.low(), tolerances.high())) {
            SafetyCheck check = new SafetyCheck(rig, compiled.network(variation), faults, variation);
            check.touchVoltages();
            check.disconnection();
            check.energising();
            check.heating();
            check.dangers.forEach(d -> dangers.putIfAbsent(List.of(d.kind(), d.where()), d));
        }
        SafetyClass strictest = faults.faults().stream()
                .map(Fault::safety)
                .max(java.util.Comparator.naturalOrder())
                .orElse(SafetyClass.MAY_STAY_LIVE);
        if (!dangers.isEmpty() && strictest == SafetyClass.MAY_STAY_LIVE) {
            strictest = SafetyClass.DEAD_ONLY;
        }
        boolean anyDeadOnly = faults.faults().stream().anyMatch(f -> f.safety() == SafetyClass.DEAD_ONLY);
        return new Report(List.copyOf(dangers.values()), anyDeadOnly ? SafetyClass.DEAD_ONLY : strictest);
    }

    /**
     * I²R in every resistor set in a line or neutral, at what the circuit's loads draw and at In, which is what a socket
     * invites; U²/R in every one set between two conductors. Source boxes are made for it, and are left out.
     */
    private void heating() {
        for (Fault fault : faults.faults()) {
            if (fault.safety() == SafetyClass.EMULATED
                    || fault.kind()
                            .magnitude()
                            .filter(m -> m.unit().dimension() == Unit.Dimension.RESISTANCE)
                            .isEmpty()
                    || fault.place().ofCircuit().isEmpty()) {
                continue;
            }
            Circuit circuit = fitted.circuit(fault.place().ofCircuit().get());
            for (Edit edit : fault.edits(rig, variation)) {
                switch (edit) {
                    case Edit.PutInSeries(var branch, double ohms) -> {
                        if (carriesLoad(fault)) {
                            inSeries(fault, circuit, ohms);
                        }
                    }
                    case Edit.Bridge(var a, var b, double ohms) ->
                        heats(fault, volts() * volts() / ohms, "between its conductors");
                    default -> {}
                }
            }
        }
    }

    /**
     * No load current flows in a CPC, unless another fault of the set joins it to a live conductor or exchanges it for one. What a
     * circuit as a whole is given sits in its line.
     */
    private boolean carriesLoad(Fault fault) {
        return !fault.conductors().equals(List.of(Conductor.CPC))
                || faults.faults().stream()
                        .filter(o -> !o.equals(fault))
                        .filter(o -> o.place().ofCircuit().equals(fault.place().ofCircuit()))
                        .anyMatch(
                                o -> o.conductors().size() > 1 && o.conductors().contains(Conductor.CPC));
    }

    private void inSeries(Fault fault, Circuit circuit, double ohms) {
        double loads = circuit.points().stream()
                .flatMap(p -> p.load().stream())
                .mapToDouble(l -> l.watts() / rig.supply().nominalVolts())
                .sum();
        double rated = circuit.device().overcurrent().ratedAmps();
        double amps = Math.max(loads, rated);
        heats(
                fault,
                amps * amps * ohms,
                loads > 0
                        ? text("at %.0f A (its loads draw %.3g A, which is %.3g W)", amps, loads, loads * loads * ohms)
                        : text("at %.0f A", amps));
    }

    private void heats(Fault fault, double watts, String when) {
        if (watts > MOST_WATTS) {
            dangers.add(new Danger(
                    Danger.Kind.HEATING,
                    fault.where(rig),
                    text(
                            "%s, %s, would turn %.3g W into heat %s; a training resistor stands %.0f W. Dead tests only.",
                            fault.title(), fault.where(rig), watts, when, MOST_WATTS)));
        }
    }

    private static List<Edit> mainSwitchOff(Rig rig) {
        List<Edit> edits = new ArrayList<>();
        for (Conductor pole : rig.poles(rig.origin().id())) {
            edits.add(new Edit.Open(Places.mainSwitch(rig.origin().id(), pole)));
        }
        return edits;
    }

    /** All that can be touched: metalwork, earth contacts, conduit, bonded parts, the MET. */
    private Map<Terminal, String> touchable() {
        Map<Terminal, String> parts = new LinkedHashMap<>();
        parts.put(Places.MET, "main earthing terminal");
        rig.bonds().forEach(b -> parts.put(Places.part(b.id()), b.part()));
        for (Circuit circuit : rig.circuits()) {
            for (Point point : circuit.points()) {
                String where = point.label() + ", " + circuit.label();
                parts.put(Places.front(circuit.id(), point.id(), Conductor.CPC), "earth terminal of " + where);
                if (point.metal()) {
                    parts.put(Places.metalwork(circuit.id(), point.id()), "metalwork of " + where);
                }
                Terminal enclosure = Places.enclosure(circuit.id(), point.id());
                if (live.has(enclosure)) {
                    parts.put(enclosure, "conduit or armour at " + where);
                }
            }
        }
        return parts;
    }

    private void touchVoltages() {
        for (Map.Entry<Terminal, String> part : touchable().entrySet()) {
            double touched = supply.voltsAcross(part.getKey(), Places.MASS_OF_EARTH, BODY_OHMS);
            if (touched > TOUCH_LIMIT_VOLTS) {
                dangers.add(new Danger(
                        Danger.Kind.TOUCH_VOLTAGE,
                        part.getValue(),
                        text(
                                "%s would stand at %.0f V to earth with the supply on; %.0f V is the limit.",
                                capital(part.getValue()), touched, TOUCH_LIMIT_VOLTS)));
            }
        }
    }

    /** A line that touches metal at a point must be disconnected by the device, or by an RCD that works. */
    private void disconnection() {
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Submain) {
                continue;
            }
            for (Point point : circuit.points()) {
                if (point.kind() != PointKind.SWITCH || !(circuit instanceof Lighting)) {
                    disconnection(circuit, point, Places.front(circuit.id(), point.id(), Conductor.CPC), "");
                }
                if (point.metal()) {
                    disconnection(circuit, point, Places.metalwork(circuit.id(), point.id()), "metalwork of ");
                }
            }
        }
    }

    private void disconnection(Circuit circuit, Point point, Terminal metal, String prefix) {
        Conductor line = circuit instanceof Lighting
                ? Conductor.SWITCHED_LINE
                : circuit.lines().getFirst();
        if (point.kind() == PointKind.SWITCH) {
            return;
        }
        double ohms = supply.impedanceOhms(Places.accessory(circuit.id(), point.id(), line), metal);
        double volts = rig.supply().nominalVolts();
        double amps = VOLTAGE_FACTOR * volts / ohms;
        double needed = fitted.circuit(circuit.id()).device().overcurrent().iaAmps(volts);
        if (amps >= needed || residualTrips(circuit, amps)) {
            return;
        }
        boolean unearthed = ohms > UNEARTHED_OHMS;
        if (unearthed
                && supply.impedanceOhms(
                                Places.breakerOut(circuit.id(), circuit.lines().getFirst()), metal)
                        <= UNEARTHED_OHMS) {
            // the metal has its earth: it is the line that does not reach the point
            return;
        }
        String where = prefix + point.label() + ", " + circuit.label();
        dangers.add(new Danger(
                Danger.Kind.NO_DISCONNECTION,
                where,
                unearthed
                        ? "A line touching metal at " + where + " would trip nothing: the metal has no earth."
                        : text(
                                "A line touching metal at %s would draw %.3g A; %s needs %.0f A to trip at once, and no"
                                        + " working RCD stands in front.",
                                where,
                                amps,
                                fitted.circuit(circuit.id()).device().label(),
                                needed)));
    }

    private boolean residualTrips(Circuit circuit, double amps) {
        List<String> inFront = Residuals.protecting(rig, circuit).stream()
                .map(Residuals.Placed::id)
                .toList();
        return residuals.stream().filter(p -> inFront.contains(p.id())).anyMatch(p -> {
            double sure = SURE_TRIP_MULTIPLE * p.device().ratedResidualMilliamps();
            return amps * 1000 >= sure
                    && Math.max(p.device().tripMillis(sure, false), p.device().tripMillis(sure, true))
                            <= LATEST_TRIP_MILLIS;
        });
    }

    /** What flows the moment the circuit's device is closed, loads out. */
    private void energising() {
        double volts = volts();
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Submain) {
                continue;
            }
            List<Edit> off = new ArrayList<>();
            circuit.lines().forEach(l -> off.add(new Edit.Open(Places.breaker(circuit.id(), l))));
            Network apart = dead.with(off);
            for (Conductor line : circuit.lines()) {
                Terminal from = Places.breakerOut(circuit.id(), line);
                double toNeutral = apart.resistance(
                        from, Places.bar(circuit.way().board(), circuit.way().section(), Conductor.NEUTRAL));
                double toEarth =
                        apart.resistance(from, Places.earthBar(circuit.way().board()));
                energising(circuit, line, volts / toNeutral, "neutral");
                energising(circuit, line, volts / toEarth, "earth");
                leaks(circuit, line, volts / toEarth * 1000);
            }
            between(circuit, apart, volts);
        }
    }

    private void between(Circuit circuit, Network apart, double volts) {
        List<Conductor> lines = circuit.lines();
        for (int i = 0; i < lines.size(); i++) {
            for (int j = i + 1; j < lines.size(); j++) {
                double ohms = apart.resistance(
                        Places.breakerOut(circuit.id(), lines.get(i)), Places.breakerOut(circuit.id(), lines.get(j)));
                energising(
                        circuit,
                        lines.get(i),
                        Math.sqrt(3) * volts / ohms,
                        lines.get(j).letter());
            }
        }
    }

    private void energising(Circuit circuit, Conductor line, double amps, String to) {
        double trips = fitted.circuit(circuit.id())
                .device()
                .overcurrent()
                .iaAmps(rig.supply().nominalVolts());
        if (amps >= trips) {
            dangers.add(new Danger(
                    Danger.Kind.SUPPLY_SHORT,
                    circuit.label(),
                    text(
                            "Switching %s on would make a short circuit from %s to %s (about %.0f A without the supply's"
                                    + " own impedance).",
                            circuit.label(), line == Conductor.LINE ? "line" : line.letter(), to, amps)));
        }
    }

    private void leaks(Circuit circuit, Conductor line, double milliamps) {
        List<String> inFront = Residuals.protecting(rig, circuit).stream()
                .map(Residuals.Placed::id)
                .toList();
        residuals.stream()
                .filter(p -> inFront.contains(p.id()))
                .filter(p -> milliamps
                        >= p.device().behaviour().tripMilliamps()
                                * variation.trip().current())
                .findFirst()
                .ifPresent(p -> dangers.add(new Danger(
                        Danger.Kind.WILL_NOT_STAY_ON,
                        circuit.label(),
                        text(
                                "%s would leak %.0f mA from %s to earth and trip %s at once.",
                                circuit.label(),
                                milliamps,
                                line == Conductor.LINE ? "line" : line.letter(),
                                p.label()))));
    }

    private static String text(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }

    private static String capital(String words) {
        return words.substring(0, 1).toUpperCase(Locale.ROOT) + words.substring(1);
    }
}
