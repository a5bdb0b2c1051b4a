package prantel.core.limits;

/** What interrupts a fault in a circuit: a circuit-breaker's characteristic or a fuse. */
public sealed interface Overcurrent permits Breaker, Fuse {
    double ratedAmps();

    /** As written on a board chart: "B32", "BS 88-3, 32 A". */
    String label();

    /**
     * Greatest Zs with which it still disconnects in time.
     *
     * @param u0Volts V, above 0
     * @return Ω, conductors at operating temperature
     */
    double zsMaxOhms(double u0Volts);

    /** The formula of {@link #zsMaxOhms} with the numbers put in, or the table's name. */
    String zsWorking(double u0Volts);

    String zsSource();

    /** The current at which it surely operates in time, A. */
    double iaAmps(double u0Volts);
}
