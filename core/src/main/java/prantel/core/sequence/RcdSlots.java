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
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
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

    private final Rig rig;
    private final Headings headings;
    private final Scheme scheme;
    private final SetUps setUps;
    private final SetUp setUp;

    RcdSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
        this.setUp = setUps.live(ProbesAt.Usual.RCD);
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Placed placed : Residuals.of(rig)) {
            Probes probes = probes(placed);
            boolean buttonFirst = scheme.practice().rcd().button() == Practice.Button.FIRST;
            if (buttonFirst) {
                button(placed, probes, slots);
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
                        BoxAddress.of(TestKind.RCD, Quantity.RAMP, site(placed, probes)),
                        new Measurement.Trip(
                                Function.RCD_RAMP,
                                probes.line,
                                probes.earth,
                                1.5 * placed.device().ratedResidualMilliamps(),
                                false),
                        Optional.of(Limit.within(
                                placed.device().ratedResidualMilliamps() / 2000,
                                placed.device().ratedResidualMilliamps() / 1000,
                                "IEC 61008-1: not below ½, at most 1 × IΔn"))));
            }
            if (!buttonFirst) {
                button(placed, probes, slots);
            }
        }
        return slots;
    }

    private void button(Placed placed, Probes probes, List<Slot> slots) {
        if (does(RcdTest.BUTTON)) {
            slots.add(slot(
                    BoxAddress.of(TestKind.RCD, Quantity.TEST_BUTTON, site(placed, probes)),
                    new Measurement.Button(placed.id()),
                    Optional.empty()));
        }
    }

    private boolean does(RcdTest test) {
        return scheme.practice().rcd().tests().contains(test);
    }

    private void times(Placed placed, Probes probes, double multiple, List<Slot> slots) {
        BoxAddress times = BoxAddress.of(TestKind.RCD, Quantity.tripTime(multiple), site(placed, probes));
        List<SlotId> ids = new ArrayList<>();
        for (boolean negative : new boolean[] {false, true}) {
            BoxAddress address = times.half(negative);
            ids.add(address.id());
            slots.add(slot(
                    address,
                    new Measurement.Trip(
                            Function.RCD_TIME,
                            probes.line,
                            probes.earth,
                            multiple * placed.device().ratedResidualMilliamps(),
                            negative),
                    multiple == 0.5
                            ? Optional.of(new Limit(
                                    new Limit.MustNotTrip(NO_TRIP_MILLIS), "IEC 61008-1 Table 1: does not trip", ""))
                            : Optional.empty()));
        }
        if (multiple >= 1) {
            slots.add(new Slot.Composed(
                    headings.of(times.forTheRecord()),
                    Slot.Rule.SLOWER,
                    ids,
                    RcdTimes.window(placed.device().delayed(), multiple)
                            .map(w -> w.leastMillis() > 0
                                    ? Limit.within(w.leastMillis(), w.mostMillis(), "IEC 61008-1 Table 1")
                                    : Limit.atMost(w.mostMillis(), "IEC 61008-1 Table 1", ""))));
        }
    }

    private Slot slot(BoxAddress address, Measurement measurement, Optional<Limit> limit) {
        return new Slot.Measured(headings.of(address), measurement, setUp, limit, Optional.empty());
    }

    private static Site site(Placed placed, Probes probes) {
        return new Site.OfDevice(placed.id(), probes.socket);
    }

    /** @param socket where they are plugged in; empty at the device's own terminals */
    private record Probes(Terminal line, Terminal earth, Optional<Site.AtPoint> socket) {
        static Probes atTerminals(Terminal line, Terminal earth) {
            return new Probes(line, earth, Optional.empty());
        }
    }

    /** The nearest socket-outlet behind it, without another device between; else its own outgoing terminals. */
    private Probes probes(Placed placed) {
        return switch (placed.at()) {
            case Residuals.At.MainSwitch main -> {
                Board board = rig.board(main.board());
                yield atSocket(c -> c.way().board().equals(board.id()) && isAlone(placed, c))
                        .orElseGet(() -> Probes.atTerminals(
                                Places.behindMainSwitch(
                                        board.id(), rig.lines(board.id()).getFirst()),
                                Places.earthBar(board.id())));
            }
            case Residuals.At.Section section -> {
                Board board = rig.board(section.board());
                yield atSocket(c -> c.way().board().equals(board.id())
                                && c.way().section().equals(section.section())
                                && isAlone(placed, c))
                        .orElseGet(() -> Probes.atTerminals(
                                Places.bar(
                                        board.id(),
                                        section.section(),
                                        rig.lines(board.id()).getFirst()),
                                Places.earthBar(board.id())));
            }
            case Residuals.At.OfCircuit of -> {
                Circuit circuit = rig.circuit(of.circuit());
                yield atSocket(circuit::equals)
                        .orElseGet(() -> Probes.atTerminals(
                                Places.breakerOut(circuit.id(), circuit.lines().getFirst()),
                                Places.earthBar(circuit.way().board())));
            }
        };
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
                        Optional.of(new Site.AtPoint(s.circuit().id(), s.point().id()))));
    }

    private record Socket(Circuit circuit, Point point) {}
}
