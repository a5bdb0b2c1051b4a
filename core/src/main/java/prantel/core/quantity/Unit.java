package prantel.core.quantity;

import java.util.Locale;

/** A unit in which readings are shown and written down. */
public enum Unit {
    OHM("Ω", Dimension.RESISTANCE, 1),
    MILLIOHM("mΩ", Dimension.RESISTANCE, 1e-3),
    KILOHM("kΩ", Dimension.RESISTANCE, 1e3),
    MEGOHM("MΩ", Dimension.RESISTANCE, 1e6),
    GIGAOHM("GΩ", Dimension.RESISTANCE, 1e9),
    VOLT("V", Dimension.VOLTAGE, 1),
    MILLIAMP("mA", Dimension.CURRENT, 1e-3),
    AMP("A", Dimension.CURRENT, 1),
    KILOAMP("kA", Dimension.CURRENT, 1e3),
    MILLISECOND("ms", Dimension.TIME, 1),
    SECOND("s", Dimension.TIME, 1000),
    METRE("m", Dimension.LENGTH, 1),
    SQUARE_MILLIMETRE("mm²", Dimension.AREA, 1),
    /** No number: what was found is said in words. */
    WORDS("", Dimension.WORDS, 1);

    /** What a unit measures; only units of one dimension convert into each other. */
    public enum Dimension {
        RESISTANCE("Ω"),
        VOLTAGE("V"),
        CURRENT("A"),
        TIME("ms"),
        LENGTH("m"),
        AREA("mm²"),
        WORDS("");

        private final String baseSymbol;

        Dimension(String baseSymbol) {
            this.baseSymbol = baseSymbol;
        }

        /** The unit that values are computed in; empty for words. */
        public String baseSymbol() {
            return baseSymbol;
        }
    }

    private final String symbol;
    private final Dimension dimension;
    private final double inBase;

    Unit(String symbol, Dimension dimension, double inBase) {
        this.symbol = symbol;
        this.dimension = dimension;
        this.inBase = inBase;
    }

    public String symbol() {
        return symbol;
    }

    public Dimension dimension() {
        return dimension;
    }

    /** A value in this unit, given in the base unit of the dimension. */
    public double toBase(double value) {
        return value * inBase;
    }

    /** A value in the base unit, given in this unit. */
    public double fromBase(double base) {
        return base / inBase;
    }

    /**
     * For sentences: a value in the base unit with as many places as workshops write for this unit. Whole volts and
     * milliseconds; two places for the rest, or three where two would leave nothing.
     */
    public String number(double base) {
        double value = fromBase(base);
        boolean whole = this == VOLT || this == MILLISECOND;
        return String.format(Locale.ROOT, whole ? "%.0f" : value < 0.01 ? "%.3f" : "%.2f", value);
    }

    /** {@link #number} with its symbol. */
    public String text(double base) {
        return number(base) + "\u2009" + symbol;
    }
}
