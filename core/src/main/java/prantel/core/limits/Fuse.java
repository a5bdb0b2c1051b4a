package prantel.core.limits;

import prantel.core.quantity.Check;

/**
 * A fuse of {@link FuseTable}.
 *
 * @param ratedAmps A
 * @param tableZsMaxOhms greatest Zs at 230 V, Ω, conductors at operating temperature
 */
public record Fuse(String standard, double ratedAmps, double tableZsMaxOhms) implements Overcurrent {
    private static final double TABLE_VOLTS = 230;

    @Override
    public String label() {
        return standard + ", " + Check.plain(ratedAmps) + " A";
    }

    @Override
    public double zsMaxOhms(double u0Volts) {
        return tableZsMaxOhms * u0Volts / TABLE_VOLTS;
    }

    @Override
    public double iaAmps(double u0Volts) {
        return ZsLimit.C_MIN * TABLE_VOLTS / tableZsMaxOhms;
    }

    @Override
    public String zsWorking(double u0Volts) {
        return label() + " from the table, 0.4 s at 230 V: " + Check.plain(tableZsMaxOhms) + " Ω";
    }

    @Override
    public String zsSource() {
        return "BS 7671 fuse tables, from memory: hold against the book";
    }
}
