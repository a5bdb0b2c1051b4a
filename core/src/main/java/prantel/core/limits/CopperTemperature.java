package prantel.core.limits;

/** Resistance of copper at other temperatures than 20 °C. */
public final class CopperTemperature {
    /** Per K, as guides round it. Common practice, no source; copper itself has 0.00393 (IEC 60028). */
    public static final double PER_KELVIN = 0.004;

    private CopperTemperature() {}

    /** Factor from 20 °C to this temperature, °C: 70 °C gives 1.20. */
    public static double factor(double celsius) {
        return 1 + PER_KELVIN * (celsius - 20);
    }

    /** Resistance at another temperature, Ω. */
    public static double corrected(double ohms, double fromCelsius, double toCelsius) {
        return ohms * factor(toCelsius) / factor(fromCelsius);
    }
}
