package prantel.core.expectation;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Alternating;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Complex;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Port;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/** A rig with the supply on and some of its devices open. Safe for use by several threads. */
final class LiveState {
    private static final double TO_MILLI = 1000;

    private final Protection protection;
    private final Variation variation;
    private final Network network;
    private final Alternating alternating;
    /** Positions in {@link Protection#devices}. */
    private final Set<Integer> open;

    private volatile @Nullable List<List<Pole>> poles;
    private volatile Complex @Nullable [] standing;

    LiveState(Protection protection, Variation variation, Network network, Alternating alternating, Set<Integer> open) {
        this.protection = protection;
        this.variation = variation;
        this.network = network;
        this.alternating = alternating;
        this.open = open;
    }

    LiveState with(int device) {
        List<Edit> edits = protection.devices().get(device).poles().stream()
                .<Edit>map(Edit.Open::new)
                .toList();
        Set<Integer> more = new LinkedHashSet<>(open);
        more.add(device);
        return new LiveState(protection, variation, network.with(edits), alternating.with(edits), more);
    }

    /** After whatever opens by itself. @param tell of each, with what it opened from */
    LiveState settled(Consumer<Opened> tell) {
        LiveState state = this;
        for (List<Integer> devices = state.opening(); !devices.isEmpty(); devices = state.opening()) {
            int first = devices.getFirst();
            tell.accept(protection.opened(first, state.opensFrom(first)));
            state = state.with(first);
        }
        return state;
    }

    /** What flows that a device does not stand, A. */
    private double opensFrom(int device) {
        if (device < standing().length) {
            return standing()[device].size();
        }
        double most = 0;
        for (Pole pole : closedOnes(protection.devices().get(device).poles())) {
            most = Math.max(most, pole.ends().openVolts().size() * pole.siemens());
        }
        return most;
    }

    /** The closed ones of each residual-current device. */
    List<List<Pole>> poles() {
        List<List<Pole>> known = poles;
        if (known == null) {
            known = protection.residuals().stream()
                    .map(p -> closedOnes(p.poles()))
                    .toList();
            poles = known;
        }
        return known;
    }

    List<Pole> closedOnes(List<BranchId> ids) {
        List<Pole> found = new ArrayList<>();
        for (BranchId id : ids) {
            Branch pole = network.branch(id);
            if (!pole.isOpen()) {
                found.add(new Pole(id, alternating.port(pole.from(), pole.to()), 1 / pole.ohms()));
            }
        }
        return found;
    }

    /** Residual current of each device without a test, A. */
    Complex[] standing() {
        Complex[] known = standing;
        if (known == null) {
            known = new Complex[protection.residuals().size()];
            for (int i = 0; i < known.length; i++) {
                Complex sum = Complex.ZERO;
                for (Pole pole : poles().get(i)) {
                    sum = sum.plus(pole.ends().openVolts().times(pole.siemens()));
                }
                known[i] = sum;
            }
            standing = known;
        }
        return known;
    }

    Port port(Measurement.TwoProbe probes) {
        return alternating.port(probes.a(), probes.b());
    }

    /** A current drawn from the first terminal of a port to its second, in phase with the voltage. */
    TestCurrent testing(Port port) {
        Complex volts = port.openVolts();
        return new TestCurrent(this, port, volts.size() == 0 ? Complex.ZERO : volts.times(1 / volts.size()));
    }

    /**
     * Devices that do not stand what flows, the one taken to be first in front: of residual-current devices the one
     * without delay nearest to the fault, then overcurrent devices. Which of several really is first, nobody knows.
     */
    List<Integer> opening() {
        List<Integer> found = new ArrayList<>();
        List<Integer> delayed = new ArrayList<>();
        for (int i = standing().length - 1; i >= 0; i--) {
            if (!open.contains(i) && standing()[i].size() * TO_MILLI >= tripMilliamps(i)) {
                (protection.residuals().get(i).device().delayed() ? delayed : found).add(i);
            }
        }
        found.addAll(overcurrent());
        if (found.isEmpty()) {
            found.addAll(delayed);
        }
        return found;
    }

    /** A line that draws little draws little in each of its circuits: then no device is looked at. */
    private List<Integer> overcurrent() {
        double most = 0;
        for (Pole pole : closedOnes(protection.supplyPoles())) {
            most = Math.max(most, pole.ends().openVolts().size() * pole.siemens());
        }
        double[] times = new double[protection.devices().size()];
        List<Integer> found = new ArrayList<>();
        for (int i = protection.residuals().size(); i < protection.devices().size(); i++) {
            double trips =
                    protection.devices().get(i).amps() * (variation.trip().current() < 1 ? Protection.SOONEST : 1);
            if (open.contains(i) || most < trips) {
                continue;
            }
            for (Pole pole : closedOnes(protection.devices().get(i).poles())) {
                double amps = pole.ends().openVolts().size() * pole.siemens();
                times[i] = Math.max(times[i], amps / trips);
            }
            if (times[i] >= 1) {
                found.add(i);
            }
        }
        found.sort(Comparator.comparingDouble(i -> -times[i]));
        return found;
    }

    /** With something connected, or switches operated. */
    LiveState with(List<Edit> edits) {
        return new LiveState(protection, variation, network.with(edits), alternating.with(edits), open);
    }

    Network network() {
        return network;
    }

    Alternating alternating() {
        return alternating;
    }

    Set<Integer> open() {
        return open;
    }

    boolean isOpen(int device) {
        return open.contains(device);
    }

    /** What trips a residual-current device at this end of its tolerance, mA. */
    double tripMilliamps(int residual) {
        return protection.residuals().get(residual).device().behaviour().tripMilliamps()
                * variation.trip().current();
    }
}
