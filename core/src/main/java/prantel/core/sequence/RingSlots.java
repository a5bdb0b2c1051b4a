package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.function.Supplier;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.RingLoop;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
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
    private final Headings headings;
    private final SetUps setUps;
    private final CircuitLimits limits;

    RingSlots(Rig rig, Scheme scheme, CircuitLimits limits) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.setUps = new SetUps(rig);
        this.limits = limits;
    }

    List<Slot> all() {
        List<Slot> slots = new ArrayList<>();
        for (Circuit circuit : rig.circuits()) {
            if (circuit instanceof Ring ring) {
                ends(ring, slots);
                crossed(ring, NEUTRAL, slots);
                List<Slot> third = crossed(ring, CPC, slots);
                slots.add(ContinuitySlots.highest(
                        headings, ring, TestKind.RING, Quantity.R1_R2, third, limits.r1PlusR2(ring)));
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
                slots.add(spread(ring, Quantity.RING_ENDS_APART, List.of(end(ring, LINE), end(ring, NEUTRAL))));
                slots.add(spread(
                        ring,
                        Quantity.RING_SPREAD,
                        ring.onRing().stream()
                                .map(p -> atSocket(ring, p, NEUTRAL))
                                .toList()));
            }
        }
        return slots;
    }

    private static BoxAddress end(Ring ring, Conductor conductor) {
        Quantity quantity = switch (conductor) {
            case LINE -> Quantity.RING_LINE;
            case NEUTRAL -> Quantity.RING_NEUTRAL;
            default -> Quantity.RING_CPC;
        };
        return BoxAddress.of(TestKind.RING, quantity, new Site.Whole(ring.id()));
    }

    /** @param with neutral for step 2, CPC for step 3 */
    private static BoxAddress atSocket(Ring ring, Point point, Conductor with) {
        return BoxAddress.of(
                TestKind.RING,
                with == NEUTRAL ? Quantity.R1_RN : Quantity.R1_R2,
                new Site.AtPoint(ring.id(), point.id()));
    }

    private Slot spread(Ring ring, Quantity quantity, List<BoxAddress> of) {
        return new Slot.Composed(
                headings.of(BoxAddress.of(TestKind.RING_EVENNESS, quantity, new Site.Whole(ring.id()))
                        .forTheRecord()),
                Slot.Rule.SPREAD,
                of.stream().map(BoxAddress::id).toList(),
                Optional.of(Limit.atMost(EVEN_OHMS, "substantially the same: common practice, no source", "")));
    }

    private void ends(Ring ring, List<Slot> slots) {
        for (Conductor conductor : ring.conductors()) {
            double ohms = ring.openLoopOhms(conductor);
            slots.add(new Slot.Measured(
                    headings.of(end(ring, conductor)),
                    new Measurement.TwoProbe(
                            Function.CONTINUITY,
                            Places.cableAtBoard(ring.id(), conductor),
                            Places.secondCableAtBoard(ring.id(), conductor)),
                    setUps.ringOpened(ring),
                    Optional.empty(),
                    Optional.of(new ByHand(
                            () -> CircuitLimits.text(
                                    "%s m × %s mΩ/m = %.2f Ω",
                                    Check.plain(ring.ringMetres()),
                                    Check.plain(ring.cable().milliohmPerMetre(conductor)),
                                    ohms),
                            ohms))));
        }
    }

    private List<Slot> crossed(Ring ring, Conductor with, List<Slot> slots) {
        SetUp setUp = setUps.ringCrossed(ring, with);
        List<Slot> made = new ArrayList<>();
        for (Point point : ring.points()) {
            made.add(new Slot.Measured(
                    headings.of(atSocket(ring, point, with)),
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
        Supplier<String> working = () -> CircuitLimits.text(
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
                () -> working.get()
                        + CircuitLimits.text(
                                "; spur %s m × %s mΩ/m on top = %.2f Ω",
                                Check.plain(spurMetres), Check.plain(perMetre), whole),
                whole);
    }
}
