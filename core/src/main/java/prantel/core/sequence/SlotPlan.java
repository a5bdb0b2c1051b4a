package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import prantel.core.rig.Circuit;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Lists, in the order of the scheme, every box that it asks for on a rig. */
public final class SlotPlan {
    private SlotPlan() {}

    /** Ids are distinct. Empty only for a scheme that asks for nothing this rig has. */
    public static List<Slot> of(Rig rig, Scheme scheme) {
        List<Slot> all = new ArrayList<>();
        CircuitLimits limits = new CircuitLimits(rig, scheme);
        for (TestKind test : scheme.tests()) {
            List<Slot> of = of(test, rig, scheme, limits);
            all.addAll(
                    scheme.isOneFigure(test)
                            ? of.stream().map(s -> alone(s, of)).toList()
                            : of);
        }
        return List.copyOf(all);
    }

    /** @param all of the test */
    private static Slot alone(Slot slot, List<Slot> all) {
        if (!(slot instanceof Slot.Composed figure) || !slot.address().isForTheRecord()) {
            return slot;
        }
        Set<SlotId> readings = Set.copyOf(figure.of());
        return figure.alone(all.stream()
                .filter(s -> readings.contains(s.id()))
                .flatMap(s -> s.setUps().stream())
                .distinct()
                .toList());
    }

    /**
     * The boxes that stand on a candidate's sheet. Others are known besides: for check readings, and what a figure of a
     * circuit is the worst of.
     */
    public static List<Slot> sheet(Rig rig, Scheme scheme) {
        return sheet(of(rig, scheme), rig, scheme);
    }

    /** The same of boxes that are known already. */
    public static List<Slot> sheet(List<Slot> all, Rig rig, Scheme scheme) {
        Set<SlotId> inAFigure = all.stream()
                .flatMap(s -> s instanceof Slot.Composed c && c.isFigure() ? c.of().stream() : Stream.of())
                .collect(Collectors.toSet());
        return all.stream()
                .filter(s -> !inAFigure.contains(s.id()))
                .filter(s -> s.step() != TestKind.R2
                        || s.circuit()
                                .filter(c -> isRingByItself(rig.circuit(c), scheme))
                                .isEmpty())
                .toList();
    }

    /**
     * Whether a circuit is tested as a ring: its R1+R2 comes from step 3, and R2 by wander lead is never asked for as well
     * (BS 7671 643.2.1, from memory).
     */
    public static boolean isRingByItself(Circuit circuit, Scheme scheme) {
        return circuit instanceof Ring && scheme.asks(TestKind.RING);
    }

    private static List<Slot> of(TestKind test, Rig rig, Scheme scheme, CircuitLimits limits) {
        return switch (test) {
            case INDICATOR -> new LookedSlots(rig, scheme).indicator();
            case SAFE_ISOLATION -> new OriginSlots(rig, scheme).safeIsolation();
            case INSPECTION -> new InspectionSlots(rig, scheme).all();
            case EARTHING -> new BondSlots(rig, scheme).earthingConductor();
            case BONDING -> new BondSlots(rig, scheme).bonds();
            case R1_R2 -> new ContinuitySlots(rig, scheme, limits).method1();
            case R1_RN -> new ContinuitySlots(rig, scheme, limits).lineAndNeutral();
            case R2 -> new ContinuitySlots(rig, scheme, limits).method2();
            case RING -> new RingSlots(rig, scheme, limits).all();
            case RING_EVENNESS -> new RingSlots(rig, scheme, limits).evenness();
            case INSULATION -> new InsulationSlots(rig, scheme).circuits();
            case INSULATION_BOARD -> new InsulationSlots(rig, scheme).boards();
            case POLARITY -> new PolaritySlots(rig, scheme).all();
            case ELECTRODE -> new ElectrodeSlots(rig, scheme).byStakes();
            case ELECTRODE_LOOP -> new ElectrodeSlots(rig, scheme).byLoop();
            case POINT_POLARITY -> new PointPolaritySlots(rig, scheme).all();
            case LIVE_POLARITY -> new OriginSlots(rig, scheme).polarity();
            case ZE -> new OriginSlots(rig, scheme).ze();
            case IPF -> new OriginSlots(rig, scheme).faultCurrents();
            case ZS -> new ZsSlots(rig, scheme, limits).all();
            case RCD -> new RcdSlots(rig, scheme).all();
            case SEQUENCE -> new FunctionalSlots(rig, scheme).sequence();
            case FUNCTIONAL -> new FunctionalSlots(rig, scheme).all();
            case SWITCHGEAR -> new SwitchgearSlots(rig, scheme).all();
            case CLOSING -> new LookedSlots(rig, scheme).closing();
        };
    }
}
