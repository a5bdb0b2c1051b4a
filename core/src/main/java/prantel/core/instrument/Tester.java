package prantel.core.instrument;

import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;

/**
 * A multifunction tester with its leads.
 *
 * @param calibrationDue the last day on which it may be used; empty where the file says nothing
 */
public record Tester(
        String id,
        String label,
        Meter ohmmeter,
        Meter insulationTester,
        LiveMeters live,
        Leads leads,
        Optional<LocalDate> calibrationDue) {
    public Tester {
        Check.id(id, "id");
        Check.name(label, "label");
    }

    /** The same instrument under another name, or after another calibration. */
    public Tester as(String otherLabel, Optional<LocalDate> due) {
        return new Tester(id, otherLabel, ohmmeter, insulationTester, live, leads, due);
    }

    /** A tester of whose calibration nothing is known. */
    public Tester(String id, String label, Meter ohmmeter, Meter insulationTester, LiveMeters live, Leads leads) {
        this(id, label, ohmmeter, insulationTester, live, leads, Optional.empty());
    }

    /** Whether it may be used on a day. */
    public boolean isInDate(LocalDate day) {
        return calibrationDue.map(due -> !day.isAfter(due)).orElse(true);
    }

    /** A tester of which only the dead functions are known; the live ones have usual figures. */
    public Tester(String id, String label, Meter ohmmeter, Meter insulationTester, Leads leads) {
        this(id, label, ohmmeter, insulationTester, LiveMeters.usual(), leads);
    }

    /** Usual data-sheet figures and leads. Common practice, no source. */
    public static Tester usual() {
        Meter ohms = new Meter(
                List.of(
                        new Range(9.99, 0.01, Unit.OHM),
                        new Range(99.9, 0.1, Unit.OHM),
                        new Range(999, 1, Unit.OHM),
                        new Range(99.9, 0.1, Unit.KILOHM)),
                2,
                2);
        Meter insulation = new Meter(
                List.of(
                        new Range(9.99, 0.01, Unit.MEGOHM),
                        new Range(99.9, 0.1, Unit.MEGOHM),
                        new Range(999, 1, Unit.MEGOHM)),
                3,
                2);
        return new Tester("usual", "usual tester", ohms, insulation, new Leads(0.3, 0.85));
    }

    /** The meter behind a function; empty where words are found, not numbers. */
    public Optional<Meter> meter(Function function) {
        return switch (function) {
            // an earth tester is an instrument of its own; its stand-in shows what this one's ohmmeter would
            case CONTINUITY, CONTINUITY_WANDER_LEAD, EARTH_RESISTANCE -> Optional.of(ohmmeter);
            case INSULATION_250, INSULATION_500, INSULATION_1000 -> Optional.of(insulationTester);
            case VOLTAGE -> Optional.of(live.voltmeter());
            case LOOP_TWO_LEAD -> Optional.of(live.loopTwoLead());
            case LOOP_THREE_LEAD -> Optional.of(live.loopThreeLead());
            case FAULT_CURRENT -> Optional.of(live.faultCurrent());
            case RCD_TIME -> Optional.of(live.rcdTime());
            case RCD_RAMP -> Optional.of(live.rcdCurrent());
            case CLAMP -> Optional.of(live.clamp());
            case RCD_BUTTON, PHASE_ROTATION, OPERATION -> Optional.empty();
        };
    }

    /** Lead resistance that a reading contains when the leads were not nulled, Ω; 0 where it cannot matter. */
    public double leadOhms(Function function) {
        return switch (function) {
            case CONTINUITY -> leads.pairOhms();
            case CONTINUITY_WANDER_LEAD -> leads.wanderOhms();
            default -> 0;
        };
    }

    /** The function a reading is taken with. @see #volts */
    public enum Function {
        CONTINUITY("low-resistance ohmmeter", 4),
        CONTINUITY_WANDER_LEAD("low-resistance ohmmeter, wander lead", 4),
        INSULATION_250("insulation, 250 V DC", 250),
        INSULATION_500("insulation, 500 V DC", 500),
        INSULATION_1000("insulation, 1000 V DC", 1000),
        EARTH_RESISTANCE("earth tester, two stakes", 4),
        VOLTAGE("voltage indicator", 230),
        LOOP_TWO_LEAD("loop, two leads, high current", 230),
        LOOP_THREE_LEAD("loop, three leads, low current", 230),
        FAULT_CURRENT("prospective current, two leads", 230),
        RCD_TIME("RCD tester", 230),
        RCD_RAMP("RCD tester, ramp", 230),
        RCD_BUTTON("test button", 230),
        PHASE_ROTATION("phase rotation tester", 230),
        CLAMP("clamp meter", 230),
        OPERATION("none: operate and look", 230);

        private final String label;
        private final double volts;

        Function(String label, double volts) {
            this.label = label;
            this.volts = volts;
        }

        public String label() {
            return label;
        }

        /** Voltage across the probes, V: direct or of the tester for the dead functions, mains for the rest. */
        public double volts() {
            return volts;
        }

        public boolean isInsulation() {
            return this == INSULATION_250 || this == INSULATION_500 || this == INSULATION_1000;
        }

        public boolean isContinuity() {
            return this == CONTINUITY || this == CONTINUITY_WANDER_LEAD;
        }

        public boolean isLoop() {
            return this == LOOP_TWO_LEAD || this == LOOP_THREE_LEAD;
        }

        public boolean isLive() {
            return !isInsulation() && !isContinuity() && this != EARTH_RESISTANCE;
        }

        /** @throws IllegalArgumentException for another voltage than 250, 500 or 1000 */
        public static Function insulation(int volts) {
            return switch (volts) {
                case 250 -> INSULATION_250;
                case 500 -> INSULATION_500;
                case 1000 -> INSULATION_1000;
                default -> throw new IllegalArgumentException("No insulation test at " + volts + " V");
            };
        }
    }
}
