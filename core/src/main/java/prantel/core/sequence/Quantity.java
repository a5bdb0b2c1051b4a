package prantel.core.sequence;

import java.util.Locale;
import prantel.core.quantity.Unit;

/** What is written in a box, with the label it has on a sheet and the unit it is written in. */
public enum Quantity {
    R1_R2("R1+R2", Unit.OHM),
    R1_RN("R1+Rn", Unit.OHM),
    R2("R2", Unit.OHM),
    /** Line of a ring from end to end. */
    RING_LINE("r1", Unit.OHM),
    RING_NEUTRAL("rn", Unit.OHM),
    RING_CPC("r2", Unit.OHM),
    /** How far apart line and neutral of a ring are. */
    RING_ENDS_APART("r1 − rn", Unit.OHM),
    /** How far apart the sockets of a ring are in step 2. */
    RING_SPREAD("R1+Rn, spread", Unit.OHM),
    /** Between a pair of conductors. */
    INSULATION("Insulation", Unit.MEGOHM),
    /** Between a pair of conductors that must not be connected. */
    OPEN("open", Unit.OHM),
    /** Through a pole that is off. */
    THROUGH("through, open", Unit.OHM),
    /** The lowest of all that must be open on a circuit. */
    LOWEST_OPEN("open at every point", Unit.OHM),
    /** Between a pair of conductors. */
    VOLTAGE("", Unit.VOLT),
    RA("RA", Unit.OHM),
    ZE("Ze", Unit.OHM),
    ZDB("Zdb", Unit.OHM),
    ZS("Zs", Unit.OHM),
    PSCC("PSCC", Unit.KILOAMP),
    PEFC("PEFC", Unit.KILOAMP),
    IPF("Ipf", Unit.KILOAMP),
    TRIP_AT_HALF("½ × IΔn", Unit.MILLISECOND),
    TRIP_AT_1("1 × IΔn", Unit.MILLISECOND),
    TRIP_AT_2("2 × IΔn", Unit.MILLISECOND),
    TRIP_AT_5("5 × IΔn", Unit.MILLISECOND),
    RAMP("ramp", Unit.MILLIAMP),
    TEST_BUTTON("test button", Unit.WORDS),
    PHASE_SEQUENCE("sequence", Unit.WORDS),
    POINTS_RIGHT("L, N and E at every point", Unit.WORDS),
    CIRCUIT_WORKS("device, switches and points", Unit.WORDS),
    DEVICE_SWITCHES("its device switches it", Unit.WORDS),
    LAMP_SWITCHES("lamp, from every switch", Unit.WORDS),
    ISOLATOR_SWITCHES("isolator, on and off", Unit.WORDS),
    SUPPLY_PRESENT("supply present", Unit.WORDS),
    LOAD_CURRENT("load current", Unit.AMP),
    MAIN_SWITCH("main switch, on and off", Unit.WORDS),
    SURGE_STATUS("surge protection, status", Unit.WORDS),
    AFDD_TEST("AFDD, test function", Unit.WORDS),
    TIMER("timer, on and off", Unit.WORDS),
    INDICATOR("indicator", Unit.WORDS),
    LINKS_OUT("links out", Unit.WORDS),
    CONDUCTORS_BACK("conductors back", Unit.WORDS),
    EARTH_BACK("earth and bonds back", Unit.WORDS),
    RESET("reset", Unit.WORDS),
    ALL_LOOKED_AT("everything that is looked at", Unit.WORDS),
    /** An item of the scheme's inspection, which has its own words. */
    INSPECTION("", Unit.WORDS);

    private final String label;
    private final Unit unit;

    Quantity(String label, Unit unit) {
        this.label = label;
        this.unit = unit;
    }

    /** Whether it tells of many things at once: what is not right has to be named beside it. */
    public boolean isOfMany() {
        return this == POINTS_RIGHT || this == CIRCUIT_WORKS || this == ALL_LOOKED_AT;
    }

    /** Without the conductors that it may be between. */
    public String label() {
        return label;
    }

    public Unit unit() {
        return unit;
    }

    /** As a file names it: "r1-r2", "trip-at-half". */
    public String fileName() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    /** The time of an RCD at so many times IΔn. @throws IllegalArgumentException for a multiple that is not tested */
    static Quantity tripTime(double multiple) {
        if (multiple == 0.5) {
            return TRIP_AT_HALF;
        }
        return switch ((int) multiple) {
            case 1 -> TRIP_AT_1;
            case 2 -> TRIP_AT_2;
            case 5 -> TRIP_AT_5;
            default -> throw new IllegalArgumentException(multiple + " × IΔn is no test");
        };
    }
}
