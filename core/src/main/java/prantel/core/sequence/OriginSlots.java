package prantel.core.sequence;

import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.SupplyLimits;
import prantel.core.network.Terminal;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Readings where a supply arrives: proving dead, polarity, Ze or Zdb, prospective currents. */
final class OriginSlots {
    private final Rig rig;
    private final Scheme scheme;
    private final SetUps setUps;

    OriginSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
    }

    List<Slot> safeIsolation() {
        Board board = rig.origin();
        SetUp setUp = setUps.atIncoming(board, "Indicator proved before and after; probes behind the main switch");
        return pairs(
                "isolation",
                TestKind.SAFE_ISOLATION,
                "behind the main switch",
                setUp,
                c -> Places.behindMainSwitch(board.id(), c),
                Places.earthBar(board.id()),
                false);
    }

    List<Slot> polarity() {
        Board board = rig.origin();
        SetUp setUp = setUps.atIncoming(board, "Probes on the incoming terminals, earth or neutral first, line last");
        return pairs(
                "origin/volts",
                TestKind.LIVE_POLARITY,
                "incoming",
                setUp,
                c -> Places.incoming(rig, board.id(), c),
                Places.MET,
                true);
    }

    private List<Slot> pairs(
            String id,
            TestKind step,
            String where,
            SetUp setUp,
            java.util.function.Function<Conductor, Terminal> terminal,
            Terminal earth,
            boolean judged) {
        List<Slot> slots = new ArrayList<>();
        List<Conductor> all = setUps.poles(rig.origin());
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j <= all.size(); j++) {
                boolean toEarth = j == all.size();
                String name =
                        all.get(i).letter() + "–" + (toEarth ? "E" : all.get(j).letter());
                slots.add(new Slot.Measured(
                        new Slot.Heading(
                                new SlotId(
                                        id + "/" + name.toLowerCase(Locale.ROOT).replace('–', '-')),
                                step,
                                name,
                                Spot.at(where),
                                Unit.VOLT),
                        new Measurement.TwoProbe(
                                Function.VOLTAGE,
                                terminal.apply(all.get(i)),
                                toEarth ? earth : terminal.apply(all.get(j))),
                        setUp,
                        judged
                                ? Optional.of(
                                        SupplyLimits.voltage(all.get(i) == NEUTRAL, toEarth || all.get(j) == NEUTRAL))
                                : Optional.empty(),
                        Optional.empty()));
            }
        }
        return slots;
    }

    List<Slot> ze() {
        List<Slot> slots = new ArrayList<>();
        Function function = scheme.practice().loop().leads() == Practice.LoopLeads.THREE
                ? Function.LOOP_THREE_LEAD
                : Function.LOOP_TWO_LEAD;
        Limit limit = Limit.atMost(
                rig.supply().declaredZeOhms(),
                "declared for this rig, " + rig.supply().declared().earthing().label() + "; " + SupplyLimits.ZE_SOURCE,
                "");
        loops(
                slots,
                rig.origin(),
                "origin/ze",
                "Ze",
                function,
                setUps.ze(),
                Places.EARTHING_CONDUCTOR_END,
                Optional.of(limit));
        for (Board board : rig.boards().subList(1, rig.boards().size())) {
            Circuit feed = rig.feedOf(board.id()).orElseThrow();
            boolean residual = !prantel.core.rig.Residuals.protecting(rig, feed).isEmpty();
            loops(
                    slots,
                    board,
                    SlotIds.of(board.id()) + "/zdb",
                    "Zdb",
                    residual ? Function.LOOP_THREE_LEAD : function,
                    setUps.atIncoming(board, "Earth connected; probes on the incoming line and the earth bar"),
                    Places.earthBar(board.id()),
                    Optional.empty());
        }
        return slots;
    }

    private void loops(
            List<Slot> slots,
            Board board,
            String id,
            String quantity,
            Function function,
            SetUp setUp,
            Terminal earth,
            Optional<Limit> limit) {
        List<Conductor> lines = setUps.lines(board);
        List<SlotId> ids = new ArrayList<>();
        for (Conductor line : lines) {
            SlotId slotId = new SlotId(lines.size() == 1 ? id : id + "/" + line.id());
            ids.add(slotId);
            slots.add(new Slot.Measured(
                    new Slot.Heading(
                            slotId,
                            TestKind.ZE,
                            quantity,
                            Spot.at(board.label() + (lines.size() == 1 ? "" : ", " + line.letter())),
                            Unit.OHM),
                    new Measurement.TwoProbe(
                            function,
                            Places.incoming(rig, board.id(), line),
                            earth,
                            function == Function.LOOP_THREE_LEAD
                                    ? Optional.of(Places.incoming(rig, board.id(), NEUTRAL))
                                    : Optional.empty()),
                    setUp,
                    lines.size() == 1 ? limit : Optional.empty(),
                    Optional.empty()));
        }
        if (lines.size() > 1) {
            slots.add(new Slot.Composed(
                    new Slot.Heading(
                            new SlotId(id),
                            TestKind.ZE,
                            quantity,
                            Spot.at(board.label() + ", for the record"),
                            Unit.OHM),
                    Slot.Rule.HIGHEST,
                    ids,
                    limit));
        }
    }

    List<Slot> faultCurrents() {
        List<Slot> slots = new ArrayList<>();
        for (Board board : rig.boards()) {
            if (board.equals(rig.origin())
                    || prantel.core.rig.Residuals.protecting(
                                    rig, rig.feedOf(board.id()).orElseThrow())
                            .isEmpty()) {
                faultCurrents(board, slots);
            }
        }
        return slots;
    }

    private void faultCurrents(Board board, List<Slot> slots) {
        boolean origin = board.equals(rig.origin());
        String id = origin ? "origin/ipf" : SlotIds.of(board.id()) + "/ipf";
        Terminal earth = origin ? Places.MET : Places.earthBar(board.id());
        SetUp setUp = setUps.atIncoming(board, "Main earth connected: parallel paths count");
        List<Conductor> lines = setUps.lines(board);
        List<SlotId> single = new ArrayList<>();
        List<SlotId> between = new ArrayList<>();
        for (Conductor line : lines) {
            String suffix = lines.size() == 1 ? "" : "-" + line.id();
            single.add(current(slots, board, id + "/pscc" + suffix, "PSCC", line, NEUTRAL, setUp, earth));
            single.add(current(slots, board, id + "/pefc" + suffix, "PEFC", line, Conductor.CPC, setUp, earth));
        }
        boolean measured =
                lines.size() == 3 && scheme.practice().loop().threePhase() == Practice.ThreePhase.LINE_TO_LINE;
        if (measured) {
            for (int i = 0; i < 3; i++) {
                between.add(current(
                        slots,
                        board,
                        id + "/pscc-" + lines.get(i).id() + "-"
                                + lines.get((i + 1) % 3).id(),
                        "PSCC",
                        lines.get(i),
                        lines.get((i + 1) % 3),
                        setUp,
                        earth));
            }
        }
        slots.add(new Slot.Composed(
                new Slot.Heading(
                        new SlotId(id), TestKind.IPF, "Ipf", Spot.at(board.label() + ", for the record"), Unit.KILOAMP),
                lines.size() == 3 && !measured ? Slot.Rule.TWICE_HIGHEST : Slot.Rule.HIGHEST,
                measured ? concat(single, between) : single,
                breakingCapacity(board)));
    }

    private static List<SlotId> concat(List<SlotId> a, List<SlotId> b) {
        List<SlotId> all = new ArrayList<>(a);
        all.addAll(b);
        return all;
    }

    private SlotId current(
            List<Slot> slots,
            Board board,
            String id,
            String quantity,
            Conductor from,
            Conductor to,
            SetUp setUp,
            Terminal earth) {
        SlotId slotId = new SlotId(id);
        slots.add(new Slot.Measured(
                new Slot.Heading(
                        slotId,
                        TestKind.IPF,
                        quantity,
                        Spot.at(board.label() + ", " + from.letter() + "–" + to.letter()),
                        Unit.KILOAMP),
                new Measurement.TwoProbe(
                        Function.FAULT_CURRENT,
                        Places.incoming(rig, board.id(), from),
                        to == Conductor.CPC ? earth : Places.incoming(rig, board.id(), to)),
                setUp,
                Optional.empty(),
                Optional.empty()));
        return slotId;
    }

    /** The weakest device of the board. */
    private Optional<Limit> breakingCapacity(Board board) {
        return rig.circuits().stream()
                .filter(c -> c.way().board().equals(board.id()))
                .min(java.util.Comparator.comparingDouble(c -> c.device().breakingKiloamps()))
                .map(c -> Limit.atMost(
                        c.device().breakingKiloamps() * 1000,
                        "rated short-circuit capacity, marked on the device",
                        "lowest of the board: " + c.device().label() + " of " + c.label() + ", "
                                + Check.plain(c.device().breakingKiloamps()) + " kA"));
    }
}
