package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.Limit.Side;
import prantel.core.limits.RcdTimes;
import prantel.core.network.Terminal;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Residuals;
import prantel.core.rig.Residuals.Placed;
import prantel.core.rig.Rig;

/** Each residual-current device: ½, 1 and 5 × at 0° and 180°, ramp, button. */
final class RcdSlots {
    private static final double NO_TRIP_MILLIS = 1999;

    private final Rig rig;
    private final Scheme scheme;
    private final SetUps setUps;
    private final SetUp setUp;

    RcdSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
        this.setUp = setUps.live("Loads out; the device on, reset after each test");
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Placed placed : Residuals.of(rig)) {
            Probes probes = probes(placed);
            times(placed, probes, 0.5, slots);
            times(placed, probes, 1, slots);
            if (scheme.options().twoTimes()) {
                times(placed, probes, 2, slots);
            }
            if (scheme.options().fiveTimes()) {
                times(placed, probes, 5, slots);
            }
            if (scheme.options().ramp()) {
                slots.add(slot(
                        placed.id() + "/ramp",
                        "ramp",
                        placed.label() + ", " + probes.where,
                        new Measurement.Trip(
                                Function.RCD_RAMP,
                                probes.line,
                                probes.earth,
                                1.5 * placed.device().ratedResidualMilliamps(),
                                false),
                        Unit.MILLIAMP,
                        Optional.of(new Limit(
                                Side.AT_MOST,
                                placed.device().ratedResidualMilliamps() / 1000,
                                placed.device().ratedResidualMilliamps() / 2000,
                                "IEC 61008-1: not below ½, at most 1 × IΔn",
                                ""))));
            }
            slots.add(slot(
                    placed.id() + "/button",
                    "test button",
                    placed.label(),
                    new Measurement.Button(placed.id()),
                    Unit.WORDS,
                    Optional.empty()));
        }
        return slots;
    }

    private void times(Placed placed, Probes probes, double multiple, List<Slot> slots) {
        String name = multiple == 0.5 ? "half" : Check.plain(multiple) + "x";
        String quantity = multiple == 0.5 ? "½ × IΔn" : Check.plain(multiple) + " × IΔn";
        List<SlotId> ids = new ArrayList<>();
        for (boolean negative : new boolean[] {false, true}) {
            String id = placed.id() + "/" + name + "/" + (negative ? "180" : "0");
            ids.add(new SlotId(id));
            slots.add(slot(
                    id,
                    quantity,
                    placed.label() + ", " + probes.where + ", " + (negative ? "180°" : "0°"),
                    new Measurement.Trip(
                            Function.RCD_TIME,
                            probes.line,
                            probes.earth,
                            multiple * placed.device().ratedResidualMilliamps(),
                            negative),
                    Unit.MILLISECOND,
                    multiple == 0.5
                            ? Optional.of(
                                    new Limit(Side.AT_LEAST, NO_TRIP_MILLIS, "IEC 61008-1 Table 1: does not trip", ""))
                            : Optional.empty()));
        }
        if (multiple >= 1) {
            slots.add(new Slot.Composed(
                    new SlotId(placed.id() + "/" + name),
                    TestStep.RCD,
                    quantity,
                    Spot.at(placed.label() + ", for the record"),
                    Slot.Rule.SLOWER,
                    ids,
                    Unit.MILLISECOND,
                    RcdTimes.window(placed.device().delayed(), multiple)
                            .map(w -> new Limit(
                                    Side.AT_MOST, w.mostMillis(), w.leastMillis(), "IEC 61008-1 Table 1", ""))));
        }
    }

    private Slot slot(
            String id, String quantity, String where, Measurement measurement, Unit unit, Optional<Limit> limit) {
        return new Slot.Measured(
                new SlotId(id),
                TestStep.RCD,
                quantity,
                Spot.at(where),
                measurement,
                setUp,
                unit,
                limit,
                Optional.empty());
    }

    private record Probes(Terminal line, Terminal earth, String where) {}

    /** The nearest point of the first circuit behind it, or the outgoing terminals where it has circuits in between. */
    private Probes probes(Placed placed) {
        for (Board board : rig.boards()) {
            if (placed.id().equals(board.id() + "/main-rcd")) {
                return new Probes(
                        Places.behindMainSwitch(board.id(), setUps.lines(board).getFirst()),
                        Places.earthBar(board.id()),
                        "outgoing terminals");
            }
            for (Board.Section section : board.sections()) {
                if (placed.id().equals(board.id() + "/" + section.id() + "/rcd")) {
                    return rig.circuitsOf(board.id(), section.id()).stream()
                            .filter(c -> !c.points().isEmpty()
                                    && c.device().residual().isEmpty())
                            .findFirst()
                            .map(this::atFirstPoint)
                            .orElseGet(() -> new Probes(
                                    Places.bar(
                                            board.id(),
                                            section.id(),
                                            setUps.lines(board).getFirst()),
                                    Places.earthBar(board.id()),
                                    "outgoing terminals"));
                }
            }
        }
        return rig.circuits().stream()
                .filter(c -> placed.id().equals(c.id() + "/rcbo"))
                .findFirst()
                .map(this::atFirstPoint)
                .orElseThrow();
    }

    private Probes atFirstPoint(Circuit circuit) {
        if (circuit.points().isEmpty()) {
            return new Probes(
                    Places.breakerOut(circuit.id(), circuit.lines().getFirst()),
                    Places.earthBar(circuit.way().board()),
                    "outgoing terminals");
        }
        Point point = circuit.points().getFirst();
        Conductor line = circuit instanceof prantel.core.rig.Lighting
                ? Conductor.SWITCHED_LINE
                : circuit.lines().getFirst();
        return new Probes(
                Places.front(circuit.id(), point.id(), line),
                Places.front(circuit.id(), point.id(), Conductor.CPC),
                point.label());
    }
}
