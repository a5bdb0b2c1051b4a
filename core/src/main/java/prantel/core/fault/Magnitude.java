package prantel.core.fault;

import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;

/**
 * The size of a fault, for kinds that have one.
 *
 * @param unit the unit it is given in
 * @param low least sensible value, in `unit`
 * @param high greatest sensible value, in `unit`
 * @param usual a good one to start with, in `unit`
 */
public record Magnitude(Unit unit, double low, double high, double usual) {

    /** A magnitude in Ω, for people: "0.62 Ω". */
    public String shown(double ohms) {
        return Check.plain(unit.fromBase(ohms)) + "\u2009" + unit.symbol();
    }

    void check(double ohms) {
        Check.between(unit.fromBase(ohms), low, high, fieldName(), unit.symbol());
    }

    /** The name of the field in files: "ohms" or "megohms". */
    public String fieldName() {
        return unit == Unit.MEGOHM ? "megohms" : "ohms";
    }
}
