package prantel.core.fault;

import static prantel.core.fault.FaultGroup.RESIDUAL;
import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import prantel.core.fault.Symptom.Shows;
import prantel.core.network.Branch.End;
import prantel.core.network.Edit;
import prantel.core.quantity.Unit;
import prantel.core.rig.Places;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.ResidualDevice.Behaviour;
import prantel.core.rig.Ring;
import prantel.core.scheme.TestKind;

/** Residual-current devices. Times and shares: common practice, no source. */
final class ResidualFaults {
    private static final double NEVER_MILLIAMPS = 5000;
    private static final double SENSITIVE_SHARE = 0.3;
    /** The smallest S type there is, mA. Source: IEC 61008-1, from memory. */
    private static final double LEAST_DELAYED_MILLIAMPS = 100;

    private static final Magnitude MILLIS = new Magnitude(Unit.MILLISECOND, 50, 1900, 500);

    private ResidualFaults() {}

    static List<FaultKind> all() {
        return List.of(
                noTrip(),
                slow(),
                oneHalfSlow(),
                oversensitive(),
                buttonDead(),
                delayed(),
                neutralEarthDownstream(),
                neutralsCrossed());
    }

    private static FaultKind kind(String id, String title) {
        return kind(id, title, Severity.C2, "no additional protection that can be relied on");
    }

    private static FaultKind kind(String id, String title, Severity severity, String because) {
        return FaultKind.of(RESIDUAL, id, title)
                .at(Where.RESIDUAL)
                .is(SafetyClass.EMULATED, severity, because)
                .set((f, rig) -> "Set the substitute device for " + f.place().label(rig) + " to “"
                        + f.title().toLowerCase(java.util.Locale.ROOT) + "”.");
    }

    private static ResidualDevice with(ResidualDevice device, Behaviour behaviour) {
        return new ResidualDevice(device.type(), device.ratedResidualMilliamps(), device.delayed(), behaviour);
    }

    private static FaultKind noTrip() {
        return kind("rcd-no-trip", "RCD does not trip")
                .alters((f, d) -> with(d, new Behaviour(NEVER_MILLIAMPS, 10_000, 10_000, 10_000, 10_000, false)))
                .shows(TestKind.RCD, Shows.OPENS)
                .symptom("No trip at any current; the test button does nothing.")
                .remedy("Replace the RCD.");
    }

    private static FaultKind slow() {
        return kind("rcd-slow", "RCD slow")
                .size(MILLIS)
                .alters((f, d) -> {
                    Behaviour b = d.behaviour();
                    double five = f.size() * b.fiveMillis0() / b.ratedMillis0();
                    return with(d, new Behaviour(b.tripMilliamps(), f.size(), f.size(), five, five, b.buttonWorks()));
                })
                .shows(TestKind.RCD, Shows.RISES)
                .symptom("It trips, but later than the limit at 1 × and 5 × IΔn, on both half-waves.")
                .remedy("Replace the RCD.");
    }

    private static FaultKind oneHalfSlow() {
        return kind("rcd-half-wave-slow", "RCD slow on one half-wave")
                .size(MILLIS)
                .alters((f, d) -> {
                    Behaviour b = d.behaviour();
                    double five = f.size() * b.fiveMillis180() / b.ratedMillis180();
                    return with(
                            d,
                            new Behaviour(
                                    b.tripMilliamps(),
                                    b.ratedMillis0(),
                                    f.size(),
                                    b.fiveMillis0(),
                                    five,
                                    b.buttonWorks()));
                })
                .shows(TestKind.RCD, Shows.RISES)
                .symptom("In time at 0° and late at 180°: seen only by who tests both.")
                .remedy("Replace the RCD.")
                .sameAs("rcd-slow");
    }

    private static FaultKind oversensitive() {
        return kind("rcd-oversensitive", "RCD trips too early", Severity.C3, "protects, but trips without need")
                .alters((f, d) -> {
                    Behaviour b = d.behaviour();
                    return with(
                            d,
                            new Behaviour(
                                    Math.max(1, SENSITIVE_SHARE * d.ratedResidualMilliamps()),
                                    b.ratedMillis0(),
                                    b.ratedMillis180(),
                                    b.fiveMillis0(),
                                    b.fiveMillis180(),
                                    b.buttonWorks()));
                })
                .shows(TestKind.RCD, Shows.FALLS)
                .symptom("It trips at ½ × IΔn; the ramp ends below half.")
                .remedy("Replace the RCD, after the circuits behind it are proved free of leakage.");
    }

    private static FaultKind buttonDead() {
        return kind(
                        "rcd-button-dead",
                        "RCD test button dead",
                        Severity.C3,
                        "trips by the tester; the user cannot prove it")
                .alters((f, d) -> {
                    Behaviour b = d.behaviour();
                    return with(
                            d,
                            new Behaviour(
                                    b.tripMilliamps(),
                                    b.ratedMillis0(),
                                    b.ratedMillis180(),
                                    b.fiveMillis0(),
                                    b.fiveMillis180(),
                                    false));
                })
                .shows(TestKind.RCD, Shows.SAYS)
                .symptom("All timed tests are right; the button does not trip it.")
                .remedy("Replace the RCD: the user could not prove it.");
    }

    private static FaultKind delayed() {
        return kind("rcd-delayed", "S type where an instantaneous RCD is needed")
                .at(Where.RESIDUAL.and(
                        (p, r) -> !((Place.AtResidual) p).placed(r).device().delayed(), "give an instantaneous RCD"))
                .is(SafetyClass.MAY_STAY_LIVE, Severity.C2, "too slow and too insensitive for additional protection")
                .alters((f, d) -> ResidualDevice.sound(
                        d.type(), Math.max(LEAST_DELAYED_MILLIAMPS, d.ratedResidualMilliamps()), true))
                .set((f, rig) -> "Fit the S type training device in place of "
                        + f.place().label(rig) + ".")
                .seen()
                .shows(TestKind.RCD, Shows.RISES)
                .symptom(
                        "Marked S and at least 100 mA; at IΔn of the chart it does not trip in time, at 5 × later than 40 ms.")
                .remedy("Fit an instantaneous RCD.")
                .sameAs("rcd-slow");
    }

    private static FaultKind neutralEarthDownstream() {
        return FaultKind.of(RESIDUAL, "neutral-earth-downstream", "Neutral touches earth behind the RCD")
                .at(Where.ACCESSORY.and(
                        (p, r) -> Where.isProtected(r, Where.circuit(p, r)), "give a point behind an RCD"))
                .conductors(List.of(NEUTRAL, CPC))
                .size(new Magnitude(Unit.OHM, 0.05, 100, 0.2))
                .edits(b -> List.of(new Edit.Bridge(b.accessory(NEUTRAL), b.accessory(CPC), b.ohms())))
                .is(SafetyClass.DEAD_ONLY, Severity.C2, "the RCD sees less than flows")
                .set((f, rig) -> "Link neutral and CPC in the terminals of " + Where.name(f.place(), rig) + " over "
                        + f.kind().magnitude().orElseThrow().shown(f.size()) + ".")
                .shows(TestKind.INSULATION, Shows.FALLS)
                .symptom("N–E reads 0.00 MΩ; part of the residual current comes back, so the RCD sees less than the"
                        + " tester draws.")
                .remedy("Find where neutral and CPC touch, by dividing the circuit, and separate them.")
                .sameAs("dead-short", "low-insulation")
                .accepts(Where::wholeCircuit);
    }

    private static FaultKind neutralsCrossed() {
        return FaultKind.of(RESIDUAL, "neutrals-crossed", "Neutrals crossed between two RCDs")
                .at(Where.SINGLE_PHASE_CIRCUIT.and(
                        (p, r) -> !(Where.circuit(p, r) instanceof Ring), "give a radial or lighting circuit"))
                .with((place, rig) -> Where.otherCircuits(
                        place,
                        rig,
                        (a, c) -> Where.bothSinglePhase(a, c)
                                && !(c instanceof Ring)
                                && Where.behindOther(a, c)
                                && (Where.isProtected(rig, a) || Where.isProtected(rig, c))))
                .edits(b -> new ArrayList<>(List.of(Build.exchange(
                        Places.terminationAtBoard(b.id(), NEUTRAL),
                        End.FROM,
                        Places.terminationAtBoard(b.other().id(), NEUTRAL),
                        End.FROM))))
                .is(
                        SafetyClass.MAY_STAY_LIVE,
                        Severity.C2,
                        "the RCDs trip without need, and a neutral that is parted can come alive")
                .set((f, rig) -> "Exchange the blues of "
                        + Where.circuit(f.place(), rig).label() + " and "
                        + Where.circuit(f.other().orElseThrow(), rig).label() + " between their neutral terminals.")
                .caution((f, rig) -> Where.PARTED_NEUTRAL)
                .shows(TestKind.FUNCTIONAL, Shows.STOPS)
                .symptom("Each RCD trips when the other one's circuit carries a load; the timed tests are right.")
                .remedy("Put each neutral back to the device or bar of its own circuit.")
                .sameAs("neutral-on-other-bar", "neutral-borrowed");
    }
}
