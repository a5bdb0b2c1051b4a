package prantel.core.limits;

import java.util.Locale;
import prantel.core.quantity.Check;

/** Maxima of the AS/NZS 3000 school. From memory: hold against the book. */
public final class AsNzs {
    /** Main earthing conductor and equipotential bonds, Ω. */
    public static final double EARTHING_CONDUCTOR_MAX_OHMS = 0.5;

    public static final String SOURCE = "AS/NZS 3000 section 8 (from memory)";

    private AsNzs() {}

    /** Greatest resistance of line and earth of a circuit together, 0.8 · 0.8 · U0 / Ia with the mean tripping current, Ω. */
    public static double phaseEarthMaxOhms(double u0Volts, Breaker breaker) {
        return 0.8 * 0.8 * u0Volts / (breaker.curve().meanMultiple() * breaker.ratedAmps());
    }

    /** Greatest Zs as a cold reading, 0.8 · U0 / Ia with the mean tripping current, Ω. */
    public static double zsMaxColdOhms(double u0Volts, Breaker breaker) {
        return 0.8 * u0Volts / (breaker.curve().meanMultiple() * breaker.ratedAmps());
    }

    /** The same with the numbers put in. */
    public static String zsWorking(double u0Volts, Breaker breaker) {
        return String.format(
                Locale.ROOT,
                "0.8 × %s V ÷ (%s × %s A) = %.2f Ω",
                Check.plain(u0Volts),
                Check.plain(breaker.curve().meanMultiple()),
                Check.plain(breaker.ratedAmps()),
                zsMaxColdOhms(u0Volts, breaker));
    }

    /** {@link #phaseEarthMaxOhms} with the numbers put in. */
    public static String working(double u0Volts, Breaker breaker) {
        return String.format(
                Locale.ROOT,
                "0.8 × 0.8 × %s V ÷ (%s × %s A) = %.2f Ω",
                Check.plain(u0Volts),
                Check.plain(breaker.curve().meanMultiple()),
                Check.plain(breaker.ratedAmps()),
                phaseEarthMaxOhms(u0Volts, breaker));
    }
}
