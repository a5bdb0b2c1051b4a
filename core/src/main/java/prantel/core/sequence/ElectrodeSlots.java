package prantel.core.sequence;

import java.util.List;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.Limit;
import prantel.core.limits.SupplyLimits;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Conductor;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.Supply;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** The installation's own electrode, where it has one: by an earth tester with two stakes, or with the loop tester. */
final class ElectrodeSlots {
    private final Rig rig;
    private final Headings headings;
    private final Scheme scheme;
    private final SetUps setUps;

    ElectrodeSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
    }

    List<Slot> byStakes() {
        return hasElectrode()
                ? List.of(slot(
                        TestKind.ELECTRODE,
                        new Measurement.TwoProbe(
                                Function.EARTH_RESISTANCE, Places.EARTHING_CONDUCTOR_END, Places.MASS_OF_EARTH),
                        setUps.electrode()))
                : List.of();
    }

    /** The supply's own path is in it: the reading is on the safe side. */
    List<Slot> byLoop() {
        Function function = scheme.practice().loop().leads() == Practice.LoopLeads.THREE
                ? Function.LOOP_THREE_LEAD
                : Function.LOOP_TWO_LEAD;
        Conductor line = rig.lines(rig.origin().id()).getFirst();
        return hasElectrode()
                ? List.of(slot(
                        TestKind.ELECTRODE_LOOP,
                        new Measurement.TwoProbe(
                                function,
                                Places.incoming(rig, rig.origin().id(), line),
                                Places.EARTHING_CONDUCTOR_END,
                                function == Function.LOOP_THREE_LEAD
                                        ? Optional.of(Places.incoming(
                                                rig, rig.origin().id(), Conductor.NEUTRAL))
                                        : Optional.empty()),
                        setUps.ze()))
                : List.of();
    }

    private boolean hasElectrode() {
        return rig.supply().earth().earthing() == Supply.Earthing.TT;
    }

    private Slot slot(TestKind test, Measurement measurement, SetUp setUp) {
        return new Slot.Measured(
                headings.of(BoxAddress.of(test, Quantity.RA, new Site.Electrode())),
                measurement,
                setUp,
                Optional.of(Limit.atMost(SupplyLimits.ELECTRODE_STABLE_OHMS, SupplyLimits.ELECTRODE_SOURCE, "")),
                Optional.empty());
    }
}
