package prantel.core.expectation;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;
import java.util.stream.Collectors;
import prantel.core.network.Alternating;
import prantel.core.network.BranchId;
import prantel.core.network.Disturbance;
import prantel.core.network.Edit;
import prantel.core.network.Port;
import prantel.core.procedure.SetUp;
import prantel.core.sequence.Measurement;

/**
 * Tells which readings a set of faults leaves as they are, without setting the faults: most of a key is not touched by one
 * fault, and to know that costs less than to read again. Not for several threads at once.
 */
final class Unmoved {
    /** A change by less than this share of a reading is none: a million times finer than any display. */
    private static final double SAME = 1e-10;

    private static final double SAME_VOLTS = 1e-9;
    /** For what stands in front of a test and may trip a device. */
    private static final double SAME_AMPS = 1e-10;

    private final List<Edit> faults;
    private final boolean dependOnVolts;
    /** Branches that the faults change. */
    private final Set<BranchId> changed;

    private final boolean devicesAsBefore;
    private final Predicate<SetUp> trips;
    /** By what is disturbed, and by the test voltage if the faults depend on that. */
    private final Map<Disturbed, Disturbance> disturbances = new HashMap<>();

    private record Disturbed(Alternating in, double volts) {}

    private final Map<EnergisedRig, Standing> standing = new IdentityHashMap<>();

    /**
     * Of a rig with the supply on.
     *
     * @param stays whether the residual currents without a test do
     * @param poles of all devices
     */
    private record Standing(boolean stays, List<PoleTouch> poles) {}

    private record PoleTouch(Pole pole, Disturbance.Touch touch) {}

    /**
     * @param devicesAsBefore whether the faults leave every residual-current device as it is
     * @param trips whether something opens by itself in a set-up once the faults are in: then nothing is as it was
     */
    Unmoved(List<Edit> faults, boolean devicesAsBefore, Predicate<SetUp> trips) {
        this.trips = trips;
        this.faults = faults;
        this.changed = faults.stream().flatMap(e -> e.branches().stream()).collect(Collectors.toSet());
        this.devicesAsBefore = devicesAsBefore;
        this.dependOnVolts = Edit.anyDependsOnVolts(faults);
    }

    boolean isSo(Seen seen) {
        EnergisedRig live = seen.live();
        if (live != null && !devicesAsBefore) {
            return false;
        }
        double volts = seen.slot().function().volts();
        for (Seen.At at : seen.ports()) {
            Disturbance disturbance = disturbance(at.in(), volts);
            // what is operated and faulty is one thing or the other by which comes last
            if (!disturbance.isTellable()
                    || !at.position().isEmpty() && at.position().stream().anyMatch(changed::contains)) {
                return false;
            }
            if (!at.port().isOpen() && !sameVoltsAndOhms(disturbance.touch(at.port()), at.port(), live != null)) {
                return false;
            }
        }
        if (live != null
                && !standing(live, volts).stays()
                && trips.test(seen.slot().setUp())) {
            return false;
        }
        return switch (seen.slot().measurement()) {
            case Measurement.TwoProbe probes ->
                !probes.function().isLoop() || live == null || sameResidualCurrents(live, seen, volts);
            case Measurement.Trip trip -> live != null && sameResidualCurrents(live, seen, volts);
            case Measurement.Button button -> true;
            case Measurement.Looked looked -> true;
            // told from the faults, not from the network
            case Measurement.Inspected inspected -> false;
            case Measurement.Operation operation -> true;
            // few, and read as quickly as told
            case Measurement.Rotation rotation -> false;
            case Measurement.LoadCurrent load -> false;
        };
    }

    private Disturbance disturbance(Alternating in, double volts) {
        return disturbances.computeIfAbsent(
                new Disturbed(in, dependOnVolts ? volts : 0), d -> in.disturbance(faults, volts));
    }

    private static boolean sameVoltsAndOhms(Disturbance.Touch touch, Port port, boolean live) {
        return touch.ohms() <= SAME * port.impedanceOhms()
                && (!live || touch.volts() <= SAME * port.openVolts().size() + SAME_VOLTS);
    }

    private boolean sameResidualCurrents(EnergisedRig live, Seen seen, double volts) {
        Standing known = standing(live, volts);
        if (!known.stays()) {
            return false;
        }
        Disturbance.Touch touch = disturbance(live.alternating(), volts)
                .touch(seen.ports().getFirst().port());
        for (PoleTouch pole : known.poles()) {
            if (touch.ohms(pole.touch()) * pole.pole().siemens() > SAME) {
                return false;
            }
        }
        return true;
    }

    private Standing standing(EnergisedRig live, double volts) {
        Disturbance disturbance = disturbance(live.alternating(), volts);
        return standing.computeIfAbsent(live, l -> standing(l, disturbance));
    }

    private Standing standing(EnergisedRig live, Disturbance disturbance) {
        List<PoleTouch> poles = new ArrayList<>();
        boolean stays = true;
        if (!disturbance.isTellable()) {
            return new Standing(false, List.of());
        }
        for (List<Pole> device : live.poles()) {
            for (Pole pole : device) {
                Disturbance.Touch touch = disturbance.touch(pole.ends());
                stays &= !changed.contains(pole.branch()) && touch.volts() * pole.siemens() <= SAME_AMPS;
                poles.add(new PoleTouch(pole, touch));
            }
        }
        for (Pole pole : live.supplyPoles()) {
            stays &= !changed.contains(pole.branch())
                    && disturbance.touch(pole.ends()).volts() * pole.siemens() <= SAME_AMPS;
        }
        return new Standing(stays, poles);
    }
}
