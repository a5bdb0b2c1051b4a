package prantel.core.fault;

import static prantel.core.fault.FaultGroup.LOOP;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.limits.Breaker;
import prantel.core.network.Edit;
import prantel.core.quantity.Unit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Device;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Supply;
import prantel.core.scheme.TestKind;

/** Loop impedance, fault current and what disconnects it. Sizes: common practice, no source. */
final class LoopFaults {
    private LoopFaults() {}

    static List<FaultKind> all() {
        return List.of(
                highZe(),
                weakNeutral(),
                electrodeHigh(),
                wrongCurve(),
                ratingTooLarge(),
                circuitTooLong(),
                looseAtBreaker(),
                breakingCapacity());
    }

    private static FaultKind highZe() {
        return FaultKind.of(LOOP, "high-ze", "Ze too high")
                .at(Where.TN_SUPPLY)
                .size(new Magnitude(Unit.OHM, 0.2, 20, 1))
                .edits(b -> List.of(new Edit.PutInSeries(Places.source(CPC), b.ohms())))
                .is(SafetyClass.EMULATED, Severity.C2, "no reliable means of earthing; the distributor has to look")
                .set((f, rig) -> "Set the source box to "
                        + f.kind().magnitude().orElseThrow().shown(f.size()) + " more in the supply's earth.")
                .shows(TestKind.ZE, Shows.RISES)
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("Ze is above what is declared, and every Zs with it.")
                .remedy("Report to the distributor; do not energise until the supply's earth is put right.");
    }

    private static FaultKind weakNeutral() {
        return FaultKind.of(LOOP, "weak-neutral", "Weak supply neutral")
                .at(Where.SUPPLY)
                .size(new Magnitude(Unit.OHM, 0.1, 10, 0.5))
                .edits(b -> List.of(new Edit.PutInSeries(Places.source(NEUTRAL), b.ohms())))
                .is(SafetyClass.EMULATED, Severity.C2, "voltages wander with the load; the distributor has to look")
                .set((f, rig) -> "Set the source box to "
                        + f.kind().magnitude().orElseThrow().shown(f.size()) + " more in the supply's neutral.")
                .shows(TestKind.ZE, Shows.RISES)
                .shows(TestKind.IPF, Shows.FALLS)
                .symptom("PSCC is far below what the lines allow; in TN-C-S Ze and PEFC suffer as well.")
                .remedy("Report to the distributor; the neutral joint is outside this installation.")
                // only where neutral and earth are one conductor does a weak neutral raise Ze
                .sameAsWhere("high-ze", rig -> rig.supply().earth().earthing() == Supply.Earthing.TN_C_S);
    }

    private static FaultKind electrodeHigh() {
        return FaultKind.of(LOOP, "electrode-high", "Earth electrode too high")
                .at(Where.TT_SUPPLY)
                .size(new Magnitude(Unit.OHM, 20, 5000, 400))
                .edits(b -> List.of(new Edit.PutInSeries(Places.source(CPC), b.ohms())))
                .is(SafetyClass.EMULATED, Severity.C2, "unstable: in dry ground the RCD may not see enough")
                .set((f, rig) -> "Set the source box to "
                        + f.kind().magnitude().orElseThrow().shown(f.size()) + " more in the electrode.")
                .shows(TestKind.ZE, Shows.RISES)
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("The electrode reads above 200 Ω: unstable, and near or beyond 50 V ÷ IΔn.")
                .remedy("Improve the electrode: another rod, deeper, in parallel; measure again.")
                .sameAs("high-ze");
    }

    private static FaultKind wrongCurve() {
        return FaultKind.of(LOOP, "wrong-curve", "Breaker of a slower curve")
                .at(Where.FINAL_CIRCUIT.and(
                        (p, r) -> Where.circuit(p, r).device().overcurrent() instanceof Breaker breaker
                                && breaker.curve() != Breaker.Curve.D,
                        "give a circuit with a B or C breaker"))
                .fits((f, rig) -> {
                    Breaker now = (Breaker) device(f, rig).overcurrent();
                    Breaker.Curve next = Breaker.Curve.values()[now.curve().ordinal() + 1];
                    return with(f, rig, new Breaker(next, now.ratedAmps()));
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C2, "disconnection may be too late")
                .set((f, rig) -> {
                    Breaker now = (Breaker) device(f, rig).overcurrent();
                    Breaker.Curve next = Breaker.Curve.values()[now.curve().ordinal() + 1];
                    return "Fit a " + new Breaker(next, now.ratedAmps()).label() + " for the " + now.label() + " of "
                            + Where.circuit(f.place(), rig).label() + ".";
                })
                .seen()
                .shows(TestKind.ZS, Shows.FAILS_LIMIT)
                .symptom("Seen on the device; the greatest Zs allowed is half of what the chart leads one to expect.")
                .remedy("Fit a breaker of the right curve.");
    }

    private static FaultKind ratingTooLarge() {
        return FaultKind.of(LOOP, "rating-too-large", "Breaker rated too high")
                .at(Where.FINAL_CIRCUIT.and(
                        (p, r) -> Where.circuit(p, r).device().overcurrent() instanceof Breaker breaker
                                && breaker.ratedAmps() < 63,
                        "give a circuit with a breaker"))
                .size(new Magnitude(Unit.AMP, 2, 63, 32))
                .onlyIf(
                        (f, rig) -> f.size() > device(f, rig).overcurrent().ratedAmps(),
                        "give a higher rating than the breaker that belongs there",
                        40.0,
                        50.0,
                        63.0)
                .fits((f, rig) -> {
                    Breaker now = (Breaker) device(f, rig).overcurrent();
                    return with(f, rig, new Breaker(now.curve(), f.size()));
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C2, "the cable is not protected")
                .set((f, rig) -> {
                    Breaker now = (Breaker) device(f, rig).overcurrent();
                    return "Fit a " + new Breaker(now.curve(), f.size()).label() + " for the " + now.label() + " of "
                            + Where.circuit(f.place(), rig).label() + ".";
                })
                .seen()
                .shows(TestKind.ZS, Shows.FAILS_LIMIT)
                .symptom("Seen on the device; the cable is not protected and Zs may be too high for it.")
                .remedy("Fit a breaker of the right rating.")
                .sameAs("cable-too-small");
    }

    private static Device device(Fault fault, Rig rig) {
        return Where.circuit(fault.place(), rig).device();
    }

    private static Rig with(Fault fault, Rig rig, Breaker breaker) {
        Device now = device(fault, rig);
        return rig.withDevice(
                fault.place().ofCircuit().orElseThrow(),
                new Device(now.kind(), breaker, now.breakingKiloamps(), now.residual()));
    }

    private static FaultKind circuitTooLong() {
        return FaultKind.of(LOOP, "circuit-too-long", "Circuit longer than stated")
                .at(Where.FINAL_CIRCUIT)
                .size(new Magnitude(Unit.METRE, 5, 500, 50))
                .edits(b -> {
                    List<Edit> edits = new ArrayList<>();
                    for (Conductor c : b.circuit().conductors()) {
                        edits.add(new Edit.PutInSeries(
                                Places.run(b.id(), b.firstElement(), c),
                                b.copper(
                                        b.circuit().cable().milliohmPerMetre(c),
                                        b.fault().size())));
                    }
                    return edits;
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C2, "disconnection may be too late")
                .set((f, rig) -> "Put the " + f.kind().magnitude().orElseThrow().shown(f.size())
                        + " cable drum into the first run of "
                        + Where.circuit(f.place(), rig).label() + ".")
                .shows(TestKind.R1_R2, Shows.RISES)
                .shows(TestKind.RING, Shows.RISES)
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("R1+R2 and Zs are higher by the same amount at every point of the circuit.")
                .remedy("Larger cable, or a device with a smaller tripping current.");
    }

    private static FaultKind looseAtBreaker() {
        return FaultKind.of(LOOP, "loose-at-breaker", "Line loose in its device")
                .at(Where.FINAL_CIRCUIT)
                .size(new Magnitude(Unit.OHM, 0.1, 20, 1.5))
                .edits(b -> {
                    Conductor line = b.circuit().lines().getFirst();
                    List<Edit> edits = new ArrayList<>(
                            List.of(new Edit.PutInSeries(Places.terminationAtBoard(b.id(), line), b.ohms())));
                    if (b.circuit() instanceof Ring) {
                        edits.add(new Edit.PutInSeries(Places.secondTerminationAtBoard(b.id(), line), b.ohms()));
                    }
                    return edits;
                })
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C2, "the terminal warms under load")
                .set((f, rig) -> "Put " + f.kind().magnitude().orElseThrow().shown(f.size())
                        + " between the device and the line of "
                        + Where.circuit(f.place(), rig).label() + ".")
                .shows(TestKind.ZS, Shows.RISES)
                .symptom("Zs is too high at every point although R1+R2 is right: the joint is not in the dead test.")
                .remedy("Clean and tighten the terminal to torque, replace the device if it is burnt.");
    }

    private static FaultKind breakingCapacity() {
        return FaultKind.of(LOOP, "breaking-capacity-low", "Breaking capacity below Ipf")
                .at(Where.FINAL_CIRCUIT)
                .size(new Magnitude(Unit.KILOAMP, 0.5, 50, 3))
                .onlyIf(
                        (f, rig) -> f.size() < 1000 * device(f, rig).breakingKiloamps(),
                        "give less than the breaking capacity of the device that belongs there",
                        1.5,
                        1.0)
                .fits((f, rig) -> {
                    Device now = device(f, rig);
                    return rig.withDevice(
                            f.place().ofCircuit().orElseThrow(),
                            new Device(now.kind(), now.overcurrent(), f.size() / 1000, now.residual()));
                })
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the device may burst when it breaks a short circuit")
                .set((f, rig) -> "Fit the training device marked "
                        + f.kind().magnitude().orElseThrow().shown(f.size()) + " for "
                        + Where.circuit(f.place(), rig).label() + ".")
                .seen()
                .shows(TestKind.IPF, Shows.FAILS_LIMIT)
                .symptom("Seen on the device: the larger of PSCC and PEFC is above what it can break.")
                .remedy("Fit a device whose breaking capacity is above Ipf.");
    }
}
