package prantel.core.sequence;

import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.SupplyLimits;
import prantel.core.network.Terminal;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
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
    private final Headings headings;
    private final Scheme scheme;
    private final SetUps setUps;

    OriginSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
    }

    List<Slot> safeIsolation() {
        Board board = rig.origin();
        SetUp setUp = setUps.atIncoming(board, ProbesAt.Usual.PROVING_DEAD);
        return pairs(
                TestKind.SAFE_ISOLATION,
                setUp,
                c -> Places.behindMainSwitch(board.id(), c),
                Places.earthBar(board.id()),
                false);
    }

    List<Slot> polarity() {
        Board board = rig.origin();
        SetUp setUp = setUps.atIncoming(board, ProbesAt.Usual.INCOMING);
        return pairs(TestKind.LIVE_POLARITY, setUp, c -> Places.incoming(rig, board.id(), c), Places.MET, true);
    }

    private List<Slot> pairs(
            TestKind test,
            SetUp setUp,
            java.util.function.Function<Conductor, Terminal> terminal,
            Terminal earth,
            boolean judged) {
        List<Slot> slots = new ArrayList<>();
        List<Conductor> all = rig.poles(rig.origin().id());
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j <= all.size(); j++) {
                boolean toEarth = j == all.size();
                slots.add(new Slot.Measured(
                        headings.of(BoxAddress.of(test, Quantity.VOLTAGE, new Site.Origin())
                                .between(all.get(i), toEarth ? Conductor.CPC : all.get(j))),
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
                BoxAddress.ZE,
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
                    BoxAddress.of(TestKind.ZE, Quantity.ZDB, new Site.AtBoard(board.id())),
                    residual ? Function.LOOP_THREE_LEAD : function,
                    setUps.atIncoming(board, ProbesAt.Usual.INCOMING_AND_BAR),
                    Places.earthBar(board.id()),
                    Optional.empty());
        }
        return slots;
    }

    private void loops(
            List<Slot> slots,
            Board board,
            BoxAddress address,
            Function function,
            SetUp setUp,
            Terminal earth,
            Optional<Limit> limit) {
        List<Conductor> lines = rig.lines(board.id());
        List<SlotId> ids = new ArrayList<>();
        for (Conductor line : lines) {
            BoxAddress one = lines.size() == 1 ? address : address.between(line);
            ids.add(one.id());
            slots.add(new Slot.Measured(
                    headings.of(one),
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
            slots.add(new Slot.Composed(headings.of(address.forTheRecord()), Slot.Rule.HIGHEST, ids, limit));
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
        Site site = origin ? new Site.Origin() : new Site.AtBoard(board.id());
        Terminal earth = origin ? Places.MET : Places.earthBar(board.id());
        SetUp setUp = setUps.faultCurrent(board);
        List<Conductor> lines = rig.lines(board.id());
        List<SlotId> single = new ArrayList<>();
        List<SlotId> between = new ArrayList<>();
        for (Conductor line : lines) {
            single.add(current(slots, board, site, Quantity.PSCC, line, NEUTRAL, setUp, earth));
            single.add(current(slots, board, site, Quantity.PEFC, line, Conductor.CPC, setUp, earth));
        }
        boolean measured =
                lines.size() == 3 && scheme.practice().loop().threePhase() == Practice.ThreePhase.LINE_TO_LINE;
        if (measured) {
            for (int i = 0; i < 3; i++) {
                between.add(
                        current(slots, board, site, Quantity.PSCC, lines.get(i), lines.get((i + 1) % 3), setUp, earth));
            }
        }
        slots.add(new Slot.Composed(
                headings.of(BoxAddress.of(TestKind.IPF, Quantity.IPF, site).forTheRecord()),
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
            Site site,
            Quantity quantity,
            Conductor from,
            Conductor to,
            SetUp setUp,
            Terminal earth) {
        BoxAddress address = BoxAddress.of(TestKind.IPF, quantity, site).between(from, to);
        slots.add(new Slot.Measured(
                headings.of(address),
                new Measurement.TwoProbe(
                        Function.FAULT_CURRENT,
                        Places.incoming(rig, board.id(), from),
                        to == Conductor.CPC ? earth : Places.incoming(rig, board.id(), to)),
                setUp,
                Optional.empty(),
                Optional.empty()));
        return address.id();
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
