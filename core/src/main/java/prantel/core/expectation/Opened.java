package prantel.core.expectation;

import prantel.core.rig.CircuitId;

/**
 * A device that opened by itself.
 *
 * @param id stable within the rig: of a residual-current device that of {@link prantel.core.rig.Residuals.Placed}
 * @param residual whether by residual current, or by overcurrent
 * @param amps what it opened from, A
 */
public record Opened(String id, String label, boolean residual, double amps) {
    /** The id of a circuit's overcurrent device. */
    public static String overcurrentOf(CircuitId circuit) {
        return circuit.value() + "/overcurrent";
    }
}
