package prantel.core.practice;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import prantel.core.expectation.SimulatedRig;
import prantel.core.expectation.SuppliedRig;
import prantel.core.fault.FaultSet;
import prantel.core.procedure.Deed;
import prantel.core.procedure.RigState;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Circuit;
import prantel.core.rig.Loads;
import prantel.core.rig.Rig;

/** What loads that are in get of the supply: whether they run, and which of them burn out. */
final class LoadsOnTheRig {
    /** So many times the voltage it is made for burns a load out. Common practice, no source. */
    private static final double BURNING = 1.25;
    /** With less of its voltage a load does not run. Common practice, no source. */
    private static final double RUNNING = 0.7;

    private final Rig rig;
    private final Map<Loads.Between, Double> inService = new HashMap<>();

    LoadsOnTheRig(Rig rig) {
        this.rig = rig;
    }

    /** Those that get far more than they are made for, as where a neutral is lost between three phases. */
    Moment.Harm burnt(Moment.Harm harm, RigState state, SuppliedRig supplied, List<Consequence> consequences) {
        if (harm.supplyLost()) {
            return harm;
        }
        Set<Deed.LoadIn> spoilt = new HashSet<>(harm.spoilt());
        for (Deed deed : state.standing()) {
            if (deed instanceof Deed.LoadIn in && !harm.spoilt().contains(in)) {
                Circuit circuit = rig.circuit(in.circuit());
                for (Loads.Between ends : Loads.between(circuit, circuit.point(in.point()))) {
                    double volts = supplied.volts(ends.a(), ends.b());
                    double meant = meant(ends);
                    if (volts > BURNING * meant && spoilt.add(in)) {
                        consequences.add(new Consequence.Overvolted(in, volts, meant));
                    }
                }
            }
        }
        return new Moment.Harm(spoilt, harm.fuseGone(), harm.supplyLost(), harm.liveMetal());
    }

    /** What a load gets on the sound rig in service, V; worked out when the first load comes in. */
    private synchronized double meant(Loads.Between ends) {
        if (inService.isEmpty()) {
            SuppliedRig sound =
                    SimulatedRig.asDeclared(rig, FaultSet.NONE).supplied(new SetUp(rig, List.of()), Set.of());
            for (Circuit circuit : rig.circuits()) {
                circuit.points().stream()
                        .flatMap(p -> Loads.between(circuit, p).stream())
                        .forEach(b -> inService.put(
                                b,
                                Math.max(sound.volts(b.a(), b.b()), rig.supply().nominalVolts())));
            }
        }
        return Objects.requireNonNull(inService.get(ends));
    }

    boolean isRunning(Deed.LoadIn load, SuppliedRig supplied) {
        Circuit circuit = rig.circuit(load.circuit());
        List<Loads.Between> ends = Loads.between(circuit, circuit.point(load.point()));
        return !ends.isEmpty() && ends.stream().allMatch(e -> supplied.volts(e.a(), e.b()) > RUNNING * meant(e));
    }
}
