package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * A residual-current device, or the residual part of an RCBO.
 *
 * @param ratedResidualMilliamps IΔn, mA
 * @param delayed type S
 * @param behaviour what this very device does
 */
public record ResidualDevice(Type type, double ratedResidualMilliamps, boolean delayed, Behaviour behaviour) {
    /** Up to here a device serves additional protection, and is never delayed. */
    private static final double ADDITIONAL_MILLIAMPS = 30;

    public ResidualDevice {
        Check.between(ratedResidualMilliamps, 5, 1000, "ratedResidualMilliamps", "mA");
        Check.that(
                !delayed || ratedResidualMilliamps > ADDITIONAL_MILLIAMPS,
                "delayed-too-sensitive",
                "delayed",
                Check.plain(ratedResidualMilliamps) + " mA, S",
                "there is no S type of 30 mA or less (IEC 61008-1, from memory); give another IΔn or no delay");
        Check.between(behaviour.tripMilliamps(), 1, 5000, "tripMilliamps", "mA");
    }

    /** A sound device of its kind. Times well inside the standard's; common practice, no source. */
    public static ResidualDevice sound(Type type, double ratedResidualMilliamps, boolean delayed) {
        return new ResidualDevice(
                type,
                ratedResidualMilliamps,
                delayed,
                delayed
                        ? new Behaviour(0.8 * ratedResidualMilliamps, 240, 225, 95, 88, true)
                        : new Behaviour(0.75 * ratedResidualMilliamps, 31, 26, 18, 15, true));
    }

    /** As on its front: "30 mA type A". */
    public String label() {
        return Check.plain(ratedResidualMilliamps) + "\u2009mA type " + type + (delayed ? ", S" : "");
    }

    /**
     * Time to trip, ms; +∞ below its tripping current. Between the two times known it follows a power of the current, and
     * so beyond them: an invented curve that never rises with the current. Common practice, no source.
     *
     * @param residualMilliamps mA, 0 or above
     * @param negativeHalf starting with the negative half-wave (180°)
     */
    public double tripMillis(double residualMilliamps, boolean negativeHalf) {
        if (residualMilliamps < behaviour.tripMilliamps) {
            return Double.POSITIVE_INFINITY;
        }
        double atRated = negativeHalf ? behaviour.ratedMillis180 : behaviour.ratedMillis0;
        double atFive = negativeHalf ? behaviour.fiveMillis180 : behaviour.fiveMillis0;
        double power = Math.log(atRated / atFive) / Math.log(5);
        return atRated * Math.pow(residualMilliamps / ratedResidualMilliamps, -power);
    }

    /** Waveforms it answers to. */
    public enum Type {
        AC,
        A,
        F,
        B
    }

    /**
     * @param tripMilliamps the current at which it trips when the current rises slowly, mA
     * @param ratedMillis0 time at IΔn from the positive half-wave, ms; and so on
     * @param buttonWorks whether its test button trips it
     */
    public record Behaviour(
            double tripMilliamps,
            double ratedMillis0,
            double ratedMillis180,
            double fiveMillis0,
            double fiveMillis180,
            boolean buttonWorks) {
        public Behaviour {
            Check.all(
                    () -> Check.positive(tripMilliamps, "tripMilliamps", "mA"),
                    () -> Check.between(ratedMillis0, 1, 10_000, "ratedMillis/0", "ms"),
                    () -> Check.between(ratedMillis180, 1, 10_000, "ratedMillis/1", "ms"),
                    () -> Check.between(fiveMillis0, 1, ratedMillis0, "fiveTimesMillis/0", "ms"),
                    () -> Check.between(fiveMillis180, 1, ratedMillis180, "fiveTimesMillis/1", "ms"));
        }
    }
}
