package prantel.core.expectation;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.FaultSet;
import prantel.core.network.BranchId;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Residuals.Placed;
import prantel.core.rig.Rig;

/**
 * All that opens by itself on a rig with faults.
 *
 * @param residuals residual-current devices as the faults leave them, upstream first
 * @param devices everything that can open: those, then every circuit's overcurrent device
 * @param supplyPoles line poles of the main switch: what flows in all circuits together flows here
 */
record Protection(List<Placed> residuals, List<Opening> devices, List<BranchId> supplyPoles) {
    /** A breaker may trip at once from this share of the current at which it surely does. Source: IEC 60898-1, B: 3 to 5 In. */
    static final double SOONEST = 0.6;

    /** @param amps at which it opens at once, A; 0 for a residual-current device @param poles what it opens */
    record Opening(String id, String label, double amps, List<BranchId> poles) {}

    /** @param amps what it opened from, A */
    Opened opened(int device, double amps) {
        Opening one = devices.get(device);
        return new Opened(one.id(), one.label(), device < residuals.size(), amps);
    }

    static Protection of(Rig rig, FaultSet faults) {
        List<Placed> residuals = faults.residuals(rig);
        List<Opening> devices = new ArrayList<>();
        residuals.forEach(p -> devices.add(new Opening(p.id(), p.label(), 0, p.poles())));
        Rig fitted = faults.fitted(rig);
        double volts = rig.supply().nominalVolts();
        for (Circuit circuit : fitted.circuits()) {
            devices.add(new Opening(
                    Opened.overcurrentOf(circuit.id()),
                    circuit.label() + ", " + circuit.device().label(),
                    circuit.device().overcurrent().iaAmps(volts),
                    circuit.lines().stream()
                            .map(l -> Places.breaker(circuit.id(), l))
                            .toList()));
        }
        List<Conductor> lines = rig.supply().isThreePhase() ? Conductor.THREE_LINES : List.of(Conductor.LINE);
        return new Protection(
                residuals,
                devices,
                lines.stream().map(l -> Places.mainSwitch(rig.origin().id(), l)).toList());
    }
}
