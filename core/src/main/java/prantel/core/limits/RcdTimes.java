package prantel.core.limits;

import java.util.List;

/** How soon a residual-current device must trip. Source: IEC 61008-1 Table 1. */
public final class RcdTimes {
    private RcdTimes() {}

    /** @param multiple of IΔn @param leastMillis it may not trip before, ms @param mostMillis it must have tripped by, ms */
    public record Window(double multiple, double leastMillis, double mostMillis) {}

    /** Without delay: types AC, A and F. */
    public static List<Window> general() {
        return List.of(new Window(1, 0, 300), new Window(2, 0, 150), new Window(5, 0, 40));
    }

    /** Type S, delayed. */
    public static List<Window> delayed() {
        return List.of(new Window(1, 130, 500), new Window(2, 60, 200), new Window(5, 50, 150));
    }

    /** Greatest Zs in a TT installation with this device: 50 V / IΔn, Ω. Source: BS 7671 411.5.3. */
    public static double ttZsMaxOhms(double ratedResidualMilliamps) {
        return 50 / (ratedResidualMilliamps / 1000);
    }

    /** The window for a test at this multiple of IΔn; below 1 it may not trip at all. */
    public static java.util.Optional<Window> window(boolean delayed, double multiple) {
        return (delayed ? delayed() : general())
                .stream().filter(w -> w.multiple() == multiple).findFirst();
    }
}
