package prantel.core.network;

/**
 * Two terminals of a network on alternating current, as seen by what is connected to them: the voltage between them while
 * nothing is, and the impedance behind it.
 */
public final class Port {
    /** 1 A that cannot flow arrives somewhere as 1 A; rounding is far below. */
    private static final double CANNOT_FLOW_AMPS = 0.5;

    private final Flow flow;
    private final KeptMesh.Currents currents;
    private final KeptMesh.Currents sources;

    Flow flow() {
        return flow;
    }

    KeptMesh.Currents currents() {
        return currents;
    }

    Port(Flow flow, KeptMesh.Currents currents, KeptMesh.Currents sources) {
        this.flow = flow;
        this.currents = currents;
        this.sources = sources;
    }

    /** Whether nothing connects the two terminals. */
    public boolean isOpen() {
        return flow.isOpen() || currents.lost() > CANNOT_FLOW_AMPS;
    }

    /** From the first terminal to the second while nothing is connected, V; 0 where one of them floats. */
    public Complex openVolts() {
        return isOpen() ? Complex.ZERO : currents.times(sources);
    }

    /**
     * Every force replaced by its own impedance.
     *
     * @return Z, Ω; 0 for a terminal with itself; only to be used where the port is not open
     */
    public Complex impedance() {
        return currents.times(currents).plus(new Complex(flow.ohms(), 0));
    }

    /** |Z|, Ω; +∞ where nothing connects. */
    public double impedanceOhms() {
        return isOpen() ? Double.POSITIVE_INFINITY : impedance().size();
    }

    /**
     * Current while a resistance connects the terminals, from the first through the resistance to the second, A; 0 where
     * one of them floats.
     *
     * @param ohms Ω, above 0
     */
    public Complex ampsThrough(double ohms) {
        return isOpen() ? Complex.ZERO : openVolts().dividedBy(impedance().plus(new Complex(ohms, 0)));
    }

    /** How many volts 1 A put in at another port, and taken out there, makes between the terminals of this one; Ω. */
    public Complex transfer(Port other) {
        return currents.times(other.currents).plus(new Complex(flow.transferOhms(other.flow), 0));
    }
}
