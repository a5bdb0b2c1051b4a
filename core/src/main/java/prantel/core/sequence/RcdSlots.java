package prantel.core.sequence;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.RcdTimes;
import prantel.core.network.Terminal;
import prantel.core.procedure.SetUp;
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
import prantel.core.scheme.Practice;
import prantel.core.scheme.Practice.RcdTest;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Each residual-current device: ½, 1 and 5 × at 0° and 180°, ramp, button. */
final class RcdSlots {
    private static final double NO_TRIP_MILLIS = 1999;
    /** 5 × IΔn serves additional protection, which has at most 30 mA. Source: BS 7671 415.1.1, from memory. */
    private static final double ADDITIONAL_MILLIAMPS = 30;

    private static final String AT_TERMINALS = "outgoing terminals, live: fused probes, covers back at once";

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
            boolean buttonFirst = scheme.practice().rcd().button() == Practice.Button.FIRST;
            if (buttonFirst) {
                button(placed, slots);
            }
            if (does(RcdTest.HALF)) {
                times(placed, probes, 0.5, slots);
            }
            if (does(RcdTest.ONE)) {
                times(placed, probes, 1, slots);
            }
            if (does(RcdTest.TWO)) {
                times(placed, probes, 2, slots);
            }
            if (does(RcdTest.FIVE) && placed.device().ratedResidualMilliamps() <= ADDITIONAL_MILLIAMPS) {
                times(placed, probes, 5, slots);
            }
            if (does(RcdTest.RAMP)) {
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
                        Optional.of(Limit.within(
                                placed.device().ratedResidualMilliamps() / 2000,
                                placed.device().ratedResidualMilliamps() / 1000,
                                "IEC 61008-1: not below ½, at most 1 × IΔn"))));
            }
            if (!buttonFirst) {
                button(placed, slots);
            }
        }
        return slots;
    }

    private void button(Placed placed, List<Slot> slots) {
        if (does(RcdTest.BUTTON)) {
            slots.add(slot(
                    placed.id() + "/button",
                    "test button",
                    placed.label(),
                    new Measurement.Button(placed.id()),
                    Unit.WORDS,
                    Optional.empty()));
        }
    }

    private boolean does(RcdTest test) {
        return scheme.practice().rcd().tests().contains(test);
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
                            ? Optional.of(new Limit(
                                    new Limit.MustNotTrip(NO_TRIP_MILLIS), "IEC 61008-1 Table 1: does not trip", ""))
                            : Optional.empty()));
        }
        if (multiple >= 1) {
            slots.add(new Slot.Composed(
                    new Slot.Heading(
                            new SlotId(placed.id() + "/" + name),
                            TestKind.RCD,
                            quantity,
                            Spot.at(placed.label() + ", for the record"),
                            Unit.MILLISECOND),
                    Slot.Rule.SLOWER,
                    ids,
                    RcdTimes.window(placed.device().delayed(), multiple)
                            .map(w -> w.leastMillis() > 0
                                    ? Limit.within(w.leastMillis(), w.mostMillis(), "IEC 61008-1 Table 1")
                                    : Limit.atMost(w.mostMillis(), "IEC 61008-1 Table 1", ""))));
        }
    }

    private Slot slot(
            String id, String quantity, String where, Measurement measurement, Unit unit, Optional<Limit> limit) {
        return new Slot.Measured(
                new Slot.Heading(new SlotId(id), TestKind.RCD, quantity, Spot.at(where), unit),
                measurement,
                setUp,
                limit,
                Optional.empty());
    }

    private record Probes(Terminal line, Terminal earth, String where) {}

    /** The nearest socket-outlet behind it, without another device between; else its own outgoing terminals. */
    private Probes probes(Placed placed) {
        for (Board board : rig.boards()) {
            if (placed.id().equals(board.id() + "/main-rcd")) {
                return atSocket(c -> c.way().board().equals(board.id()) && isAlone(placed, c))
                        .orElseGet(() -> new Probes(
                                Places.behindMainSwitch(
                                        board.id(), setUps.lines(board).getFirst()),
                                Places.earthBar(board.id()),
                                AT_TERMINALS));
            }
            for (Board.Section section : board.sections()) {
                if (placed.id().equals(board.id() + "/" + section.id() + "/rcd")) {
                    return atSocket(c -> c.way().board().equals(board.id())
                                    && c.way().section().equals(section.id())
                                    && isAlone(placed, c))
                            .orElseGet(() -> new Probes(
                                    Places.bar(
                                            board.id(),
                                            section.id(),
                                            setUps.lines(board).getFirst()),
                                    Places.earthBar(board.id()),
                                    AT_TERMINALS));
                }
            }
        }
        Circuit circuit = rig.circuits().stream()
                .filter(c -> placed.id().equals(c.id() + "/rcbo"))
                .findFirst()
                .orElseThrow();
        return atSocket(circuit::equals)
                .orElseGet(() -> new Probes(
                        Places.breakerOut(circuit.id(), circuit.lines().getFirst()),
                        Places.earthBar(circuit.way().board()),
                        AT_TERMINALS));
    }

    /** Whether no further residual-current device stands between: that one might open instead. */
    private boolean isAlone(Placed placed, Circuit circuit) {
        return Residuals.protecting(rig, circuit).stream()
                .map(Placed::id)
                .reduce((a, b) -> b)
                .filter(placed.id()::equals)
                .isPresent();
    }

    private Optional<Probes> atSocket(Predicate<Circuit> behind) {
        return rig.atBoardVoltage().stream()
                .filter(behind)
                .flatMap(c ->
                        c.points().stream().filter(p -> p.kind().isSocket()).map(p -> new Socket(c, p)))
                .min(Comparator.comparingDouble(s -> s.point().atMetres()))
                .map(s -> new Probes(
                        Places.front(
                                s.circuit().id(),
                                s.point().id(),
                                s.circuit().lines().getFirst()),
                        Places.front(s.circuit().id(), s.point().id(), Conductor.CPC),
                        s.point().label()));
    }

    private record Socket(Circuit circuit, Point point) {}
}
