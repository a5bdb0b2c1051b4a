package prantel.core.fault;

import static prantel.core.fault.FaultGroup.INSPECTION;

import java.util.List;
import java.util.function.BiFunction;
import prantel.core.rig.Rig;

/** What is seen before any reading. They change no reading. Codes from memory of condition-report practice. */
final class InspectionFaults {
    private InspectionFaults() {}

    static List<FaultKind> all() {
        return List.of(
                kind("unsleeved-switched-line", "Switched line not sleeved", Where.SWITCH)
                        .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "may be taken for a neutral")
                        .set(at("Take the brown sleeve off the switched conductor in"))
                        .symptom("A blue or black conductor is used as line without a sleeve.")
                        .remedy("Sleeve the conductor brown at both ends."),
                kind("missing-blank", "Blank missing", Where.BOARD)
                        .is(
                                SafetyClass.DEAD_ONLY,
                                Severity.C2,
                                "fingers can reach live parts; C1 where they are within reach")
                        .or(Severity.C1)
                        .set(at("Take a blank off the spare way of"))
                        .symptom("Fingers reach live parts through the opening.")
                        .remedy("Fit the blank."),
                kind("missing-grommet", "Grommet missing", Where.BOARD)
                        .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "the cable may chafe in time")
                        .set(at("Pull the grommet out of a cable entry of"))
                        .symptom("The cable lies on the bare edge of its entry.")
                        .remedy("Fit the grommet."),
                kind("exposed-copper", "Exposed copper", Where.POINT)
                        .is(
                                SafetyClass.DEAD_ONLY,
                                Severity.C3,
                                "inside an accessory that needs a tool; potentially dangerous where it can touch metal")
                        .set(at("Strip too much insulation in the terminals of"))
                        .symptom("Bare conductor shows outside its terminal.")
                        .remedy("Cut back and terminate so that no copper shows."),
                kind("damaged-accessory", "Damaged accessory", Where.POINT)
                        .is(SafetyClass.DEAD_ONLY, Severity.C2, "live parts may be reached, or it burns")
                        .set(at("Fit the cracked training plate on"))
                        .symptom("The plate is cracked or burnt.")
                        .remedy("Replace the accessory and look for the cause."),
                kind("bond-label-missing", "Label missing at the bonding clamp", Where.BOND)
                        .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "somebody may take the bond off unaware")
                        .set(at("Take the warning label off the clamp of the"))
                        .symptom("No “do not remove” label at the clamp.")
                        .remedy("Fit the label."),
                kind("cable-too-small", "Cable too small for its device", Where.FINAL_CIRCUIT)
                        .is(SafetyClass.DEAD_ONLY, Severity.C2, "the cable is not protected by its device")
                        .set(at("Clip the undersized training tail into the device of"))
                        .symptom("The conductor in the device is smaller than its rating needs.")
                        .remedy("Fit a smaller device or a larger cable.")
                        .sameAs("rating-too-large"),
                kind("no-rcd", "No RCD where one is required", Where.FINAL_CIRCUIT)
                        .is(
                                SafetyClass.MAY_STAY_LIVE,
                                Severity.C3,
                                "for sockets not likely to serve equipment outdoors; else potentially dangerous")
                        .set(at("Hang the “device without residual part” cover over the device of"))
                        .symptom("Sockets, or cable hidden in walls, without additional protection.")
                        .remedy("Fit a 30 mA RCD or RCBO."),
                kind("combustible-enclosure", "Combustible enclosure on the escape route", Where.BOARD)
                        .is(
                                SafetyClass.MAY_STAY_LIVE,
                                Severity.C3,
                                "without signs of heat; with them potentially dangerous")
                        .set(at("Hang the plastic training cover on"))
                        .symptom("The board on the escape route has a combustible enclosure.")
                        .remedy("Fit a non-combustible enclosure."),
                kind("loose-cover", "Loose cover", Where.POINT)
                        .is(SafetyClass.DEAD_ONLY, Severity.C2, "live parts may be reached")
                        .set(at("Leave the cover screws loose at"))
                        .symptom("The cover moves and can be taken off without a tool.")
                        .remedy("Fit and tighten the cover."),
                kind("missing-chart", "Circuit chart missing", Where.BOARD)
                        .is(SafetyClass.MAY_STAY_LIVE, Severity.C3, "the wrong circuit may be switched off")
                        .set(at("Take the circuit chart out of"))
                        .symptom("No chart tells which device serves which circuit.")
                        .remedy("Write and fit the chart."));
    }

    private static FaultKind kind(String id, String title, Where where) {
        return FaultKind.of(INSPECTION, id, title).at(where).seen();
    }

    private static BiFunction<Fault, Rig, String> at(String words) {
        return (fault, rig) -> words + " " + fault.place().label(rig) + ".";
    }
}
