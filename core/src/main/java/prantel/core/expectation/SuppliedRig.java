package prantel.core.expectation;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import prantel.core.instrument.LiveMeters;
import prantel.core.network.Branch;
import prantel.core.network.BranchCurrent;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.network.Port;
import prantel.core.network.Terminal;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

/** A {@link SimulatedRig} in one state with its supply, after whatever opened by itself. Not for several threads. */
public final class SuppliedRig {
    private final Protection protection;
    private final LiveState before;
    private final LiveState settled;
    private final List<Opened> opened = new ArrayList<>();

    SuppliedRig(LiveState before, Protection protection) {
        this.protection = protection;
        this.before = before;
        this.settled = before.settled(opened::add);
    }

    /** What opened by itself just now, in order. */
    public List<Opened> opened() {
        return List.copyOf(opened);
    }

    /** Ids of all that is open. */
    public Set<String> open() {
        return ids(settled);
    }

    private Set<String> ids(LiveState state) {
        Set<String> ids = new LinkedHashSet<>();
        state.open().forEach(i -> ids.add(protection.devices().get(i).id()));
        return ids;
    }

    /** What a voltage indicator shows between two terminals, V. */
    public double volts(Terminal a, Terminal b) {
        return volts(a, b, LiveMeters.INDICATOR_OHMS);
    }

    /** Voltage between two terminals while a resistance lies between them, V. @param ohms Ω */
    public double volts(Terminal a, Terminal b, double ohms) {
        return settled.alternating().voltsAcross(a, b, ohms);
    }

    /** Current that the supply drives through a branch, A; 0 for an open one. */
    public double amps(BranchId id) {
        Branch branch = settled.network().branch(id);
        return branch.isOpen()
                ? 0
                : settled.alternating()
                                .port(branch.from(), branch.to())
                                .openVolts()
                                .size()
                        / branch.ohms();
    }

    /** Impedance between two terminals with every force off, Ω; +∞ where nothing connects them. */
    public double impedanceOhms(Terminal a, Terminal b) {
        return settled.alternating().impedanceOhms(a, b);
    }

    /** Where 1 A between two terminals goes, the supply's own impedances among it. */
    public List<BranchCurrent> currents(Terminal a, Terminal b) {
        Port port = settled.alternating().port(a, b);
        return port.isOpen() ? List.of() : settled.alternating().currents(port);
    }

    public Network network() {
        return settled.network();
    }

    /**
     * What a live test finds and leaves behind.
     *
     * @param opened what it tripped, in order @param open ids of all that is open afterwards
     */
    public record Taken(Found found, List<Opened> opened, Set<String> open) {}

    public Taken take(Measurement measurement) {
        LiveReading.Taken taken =
                new LiveReading(new EnergisedRig(before, settled, protection, Variation.NONE)).take(measurement);
        return new Taken(taken.found(), taken.opened(), ids(taken.after()));
    }
}
