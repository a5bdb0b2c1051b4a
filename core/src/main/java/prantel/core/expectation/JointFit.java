package prantel.core.expectation;

import java.util.List;
import java.util.function.DoubleUnaryOperator;
import prantel.core.fault.FaultSet;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.rig.Workmanship;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;

/**
 * Joint and contact resistance fitted to measured healthy readings, within sensible bounds: least squares over the
 * continuity readings, one of the two after the other by golden section.
 *
 * @param rmsBeforeOhms root mean square of the differences with the declared workmanship, Ω
 * @param rmsAfterOhms the same with the fitted one, Ω; never more
 */
public record JointFit(Workmanship fitted, double rmsBeforeOhms, double rmsAfterOhms, int readings) {
    /** Common practice, no source: a joint better than this does not exist, one worse is a fault. */
    private static final double LEAST_JOINT = 0.05;

    private static final double WORST_JOINT = 10;
    private static final double LEAST_CONTACT = 0.5;
    private static final double WORST_CONTACT = 60;
    private static final int PASSES = 12;
    private static final int STEPS = 30;

    /** @throws prantel.core.quantity.ProblemsException if no continuity reading was measured */
    public static JointFit of(Rig rig, Scheme scheme, AsBuilt asBuilt) {
        List<Slot.Measured> slots = SlotPlan.of(rig, scheme).stream()
                .filter(s -> s instanceof Slot.Measured m
                        && m.function().isContinuity()
                        && m.boxUnit() == Unit.OHM
                        && asBuilt.at(m.id()).filter(Double::isFinite).isPresent())
                .map(s -> (Slot.Measured) s)
                .toList();
        Check.that(
                slots.size() >= 3,
                "too-few-readings",
                "readings",
                slots.size() + " continuity readings",
                "measure at least three continuity readings of the healthy rig first");
        Workmanship now = rig.workmanship();
        double before = rms(rig, now, slots, asBuilt);
        for (int pass = 0; pass < PASSES; pass++) {
            Workmanship start = now;
            double contact = golden(
                    c -> rms(rig, with(start, start.terminationMilliohms(), c), slots, asBuilt),
                    LEAST_CONTACT,
                    WORST_CONTACT);
            Workmanship middle = with(start, start.terminationMilliohms(), contact);
            double joint = golden(
                    j -> rms(rig, with(middle, j, middle.contactMilliohms()), slots, asBuilt),
                    LEAST_JOINT,
                    WORST_JOINT);
            now = with(middle, joint, contact);
        }
        double after = rms(rig, now, slots, asBuilt);
        return after < before
                ? new JointFit(now, before, after, slots.size())
                : new JointFit(rig.workmanship(), before, before, slots.size());
    }

    private static Workmanship with(Workmanship old, double joint, double contact) {
        return new Workmanship(joint, contact, old.insulationMegohmKilometres(), old.byPair());
    }

    private static double rms(Rig rig, Workmanship workmanship, List<Slot.Measured> slots, AsBuilt asBuilt) {
        Rig tried = new Rig(
                new Rig.Nameplate(rig.id(), rig.name(), rig.comments()),
                new Rig.Intake(rig.supply(), rig.earthing()),
                workmanship,
                rig.boards(),
                rig.circuits(),
                List.of());
        Bench bench = new Bench(tried, FaultSet.NONE, Variation.NONE);
        double sum = 0;
        int count = 0;
        for (Slot.Measured slot : slots) {
            double modelled = bench.value(slot);
            if (Double.isFinite(modelled)) {
                double off = asBuilt.at(slot.id()).orElseThrow() - modelled;
                sum += off * off;
                count++;
            }
        }
        return count == 0 ? 0 : Math.sqrt(sum / count);
    }

    /** Where a function of one hill is least between two positive ends; searched on a logarithmic scale. */
    private static double golden(DoubleUnaryOperator function, double least, double most) {
        double ratio = (Math.sqrt(5) - 1) / 2;
        double low = Math.log(least);
        double high = Math.log(most);
        for (int i = 0; i < STEPS; i++) {
            double a = high - ratio * (high - low);
            double b = low + ratio * (high - low);
            if (function.applyAsDouble(Math.exp(a)) <= function.applyAsDouble(Math.exp(b))) {
                high = b;
            } else {
                low = a;
            }
        }
        return Math.exp((low + high) / 2);
    }
}
