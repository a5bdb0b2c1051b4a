package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.RingLoop;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** The three steps of a ring: ends, line crossed with neutral, line crossed with CPC. */
final class RingSlots {
    private static final double EVEN_OHMS = 0.05;

    private final Rig rig;
    private final SetUps setUps;
    private final CircuitLimits limits;

    RingSlots(Rig rig, Scheme scheme, CircuitLimits limits) {
        this.rig = rig;
        this.setUps = new SetUps(rig);
        this.limits = limits;
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Ring ring) {
                ends(ring, slots);
                crossed(ring, NEUTRAL, "step-2", "R1+Rn", slots);
                List<Slot> third = crossed(ring, CPC, "step-3", "R1+R2", slots);
                slots.add(ContinuitySlots.highest(ring, TestKind.RING, "r1r2", "R1+R2", third, limits.r1PlusR2(ring)));
            }
        }
        return slots;
    }

    /**
     * How even a ring is: r1 and rn apart, and the readings of step 2 at the sockets on the ring apart, spurs left out.
     * Both against 0.05 Ω: common practice, no source.
     */
    List<Slot> evenness() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Ring ring) {
                String id = SlotIds.of(ring.id()) + "/ring/";
                slots.add(spread(
                        ring,
                        "ends",
                        "r1 − rn",
                        ring.label() + ", line against neutral",
                        List.of(id + "r1", id + "rn")));
                slots.add(spread(
                        ring,
                        "step-2",
                        "R1+Rn, spread",
                        ring.label() + ", step 2 at the sockets on the ring",
                        ring.onRing().stream().map(p -> id + "step-2/" + p.id()).toList()));
            }
        }
        return slots;
    }

    private static Slot spread(Ring ring, String id, String quantity, String where, List<String> of) {
        return new Slot.Composed(
                new Slot.Heading(
                        new SlotId(SlotIds.of(ring.id()) + "/ring-even/" + id),
                        TestKind.RING_EVENNESS,
                        quantity,
                        Spot.of(ring, where),
                        Unit.OHM),
                Slot.Rule.SPREAD,
                of.stream().map(SlotId::new).toList(),
                Optional.of(Limit.atMost(EVEN_OHMS, "substantially the same: common practice, no source", "")));
    }

    private void ends(Ring ring, List<Slot> slots) {
        for (Conductor conductor : ring.conductors()) {
            String name = switch (conductor) {
                case LINE -> "r1";
                case NEUTRAL -> "rn";
                default -> "r2";
            };
            double ohms = ring.openLoopOhms(conductor);
            slots.add(new Slot.Measured(
                    new Slot.Heading(
                            new SlotId(SlotIds.of(ring.id()) + "/ring/" + name),
                            TestKind.RING,
                            name,
                            Spot.of(ring, ring.label() + ", " + conductor.word() + " end to end"),
                            Unit.OHM),
                    new Measurement.TwoProbe(
                            Function.CONTINUITY,
                            Places.cableAtBoard(ring.id(), conductor),
                            Places.secondCableAtBoard(ring.id(), conductor)),
                    setUps.ringOpened(ring),
                    Optional.empty(),
                    Optional.of(new ByHand(
                            CircuitLimits.text(
                                    "%s m × %s mΩ/m = %.2f Ω",
                                    Check.plain(ring.ringMetres()),
                                    Check.plain(ring.cable().milliohmPerMetre(conductor)),
                                    ohms),
                            ohms))));
        }
    }

    private List<Slot> crossed(Ring ring, Conductor with, String id, String quantity, List<Slot> slots) {
        SetUp setUp = setUps.ringCrossed(ring, with);
        List<Slot> made = new ArrayList<>();
        for (Point point : ring.points()) {
            made.add(new Slot.Measured(
                    new Slot.Heading(
                            new SlotId(SlotIds.of(ring.id()) + "/ring/" + id + "/" + point.id()),
                            TestKind.RING,
                            quantity,
                            Spot.of(ring, point),
                            Unit.OHM),
                    new Measurement.TwoProbe(
                            Function.CONTINUITY,
                            Places.front(ring.id(), point.id(), LINE),
                            Places.front(ring.id(), point.id(), with)),
                    setUp,
                    Optional.empty(),
                    Optional.of(byHand(ring, with, point))));
        }
        slots.addAll(made);
        return made;
    }

    /** (r1+rn)/4 or (r1+r2)/4, and on a spur its own cable on top. */
    private static ByHand byHand(Ring ring, Conductor with, Point point) {
        RingLoop loop = new RingLoop(ring.openLoopOhms(LINE), ring.openLoopOhms(NEUTRAL), ring.openLoopOhms(CPC));
        double ohms = with == NEUTRAL ? loop.stepTwoOhms() : loop.stepThreeOhms();
        String working = CircuitLimits.text(
                "(r1 + %s) ÷ 4 = (%.2f + %.2f) ÷ 4 = %.2f Ω",
                with == NEUTRAL ? "rn" : "r2",
                loop.lineOhms(),
                with == NEUTRAL ? loop.neutralOhms() : loop.cpcOhms(),
                ohms);
        double spurMetres = RingSpurs.metres(ring, point);
        if (spurMetres <= 0) {
            return new ByHand(working, ohms);
        }
        double perMetre = ring.cable().milliohmPerMetre(LINE) + ring.cable().milliohmPerMetre(with);
        double whole = ohms + perMetre * spurMetres / 1000;
        return new ByHand(
                working
                        + CircuitLimits.text(
                                "; spur %s m × %s mΩ/m on top = %.2f Ω",
                                Check.plain(spurMetres), Check.plain(perMetre), whole),
                whole);
    }
}
