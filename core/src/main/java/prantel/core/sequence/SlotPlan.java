package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import prantel.core.rig.Rig;

/** Lists, in order, every box that a rig and a scheme ask for. */
public final class SlotPlan {
    private SlotPlan() {}

    /** Ids are distinct. Empty only for a scheme that asks for nothing this rig has. */
    public static List<Slot> of(Rig rig, Scheme scheme) {
        List<Slot> all = new ArrayList<>();
        CircuitLimits limits = new CircuitLimits(rig, scheme);
        for (TestStep step : TestStep.values()) {
            if (scheme.asks(step)) {
                all.addAll(of(step, rig, scheme, limits));
            }
        }
        return List.copyOf(all);
    }

    private static List<Slot> of(TestStep step, Rig rig, Scheme scheme, CircuitLimits limits) {
        return switch (step) {
            case SAFE_ISOLATION -> new OriginSlots(rig, scheme).safeIsolation();
            case EARTHING -> new BondSlots(rig, scheme).earthingConductor();
            case BONDING -> new BondSlots(rig, scheme).bonds();
            case R1_R2 -> new ContinuitySlots(rig, scheme, limits).method1();
            case R2 -> new ContinuitySlots(rig, scheme, limits).method2();
            case RING -> new RingSlots(rig, scheme, limits).all();
            case INSULATION -> new InsulationSlots(rig, scheme).circuits();
            case INSULATION_BOARD -> new InsulationSlots(rig, scheme).boards();
            case POLARITY -> new PolaritySlots(rig).all();
            case LIVE_POLARITY -> new OriginSlots(rig, scheme).polarity();
            case ZE -> new OriginSlots(rig, scheme).ze();
            case IPF -> new OriginSlots(rig, scheme).faultCurrents();
            case ZS -> new ZsSlots(rig, scheme, limits).all();
            case RCD -> new RcdSlots(rig, scheme).all();
            case SEQUENCE -> new FunctionalSlots(rig).sequence();
            case FUNCTIONAL -> new FunctionalSlots(rig).all();
        };
    }
}
