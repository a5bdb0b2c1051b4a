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

    /** A magnitude in the base unit of its dimension, for people: "0.62 Ω". */
    public String shown(double base) {
        return Check.plain(unit.fromBase(base)) + "\u2009" + unit.symbol();
    }

    void check(double base) {
        Check.between(unit.fromBase(base), low, high, fieldName(), unit.symbol());
    }

    /** The name of the field in files. */
    public String fieldName() {
        return switch (unit) {
            case MEGOHM -> "megohms";
            case MILLISECOND -> "milliseconds";
            case KILOAMP -> "kiloamps";
            case AMP -> "amps";
            case METRE -> "metres";
            case SQUARE_MILLIMETRE -> "squareMillimetres";
            default -> "ohms";
        };
    }
}
