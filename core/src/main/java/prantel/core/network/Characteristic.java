package prantel.core.network;

import java.util.ArrayList;
import java.util.List;

/**
 * A resistance that depends on the voltage it is tested with, in steps.
 *
 * @param steps lowest voltage first, the first from 0 V
 */
public record Characteristic(List<Step> steps) {
    public Characteristic {
        steps = List.copyOf(steps);
    }

    /** The same at every voltage until {@link #andFrom} says otherwise. @param ohms Ω, above 0 */
    public static Characteristic steps(double ohms) {
        return new Characteristic(List.of(new Step(0, ohms)));
    }

    /** Another resistance from this voltage on. @param volts V, above the last step's @param ohms Ω, above 0 */
    public Characteristic andFrom(double volts, double ohms) {
        List<Step> more = new ArrayList<>(steps);
        more.add(new Step(volts, ohms));
        return new Characteristic(more);
    }

    /** Ω at a test voltage, V, 0 or above. */
    public double ohmsAt(double volts) {
        double ohms = steps.getFirst().ohms();
        for (Step step : steps) {
            if (volts >= step.fromVolts()) {
                ohms = step.ohms();
            }
        }
        return ohms;
    }

    public record Step(double fromVolts, double ohms) {}
}
