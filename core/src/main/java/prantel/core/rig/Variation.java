package prantel.core.rig;

/**
 * How a rig as built may differ from the rig as declared: a factor for each kind of branch. Because raising any
 * resistance never lowers a reading, compiling with all factors low and with all high gives the two ends between which
 * every reading of the real rig lies.
 *
 * @param cable on conductor resistance
 * @param joints on terminations and contacts
 * @param insulation on insulation resistance
 * @param setResistor on the resistance of a fault that is set
 * @param supply on source impedances and electrodes
 * @param volts on the supply voltage
 * @param trip on tripping currents and times
 */
public record Variation(
        double cable, double joints, double insulation, double setResistor, double supply, double volts, Trip trip) {
    public static final Variation NONE = new Variation(1, 1, 1, 1, 1, 1, Trip.NONE);

    /** @param current factor on tripping currents @param time on tripping times */
    public record Trip(double current, double time) {
        static final Trip NONE = new Trip(1, 1);

        public Trip {
            if (!(current > 0 && time > 0)) {
                throw new IllegalArgumentException("Variation factors must be above 0");
            }
        }
    }

    public Variation {
        if (!(cable > 0 && joints > 0 && insulation > 0 && setResistor > 0 && supply > 0 && volts > 0)) {
            throw new IllegalArgumentException("Variation factors must be above 0");
        }
    }

    /** The same on tripping currents and times. */
    public Variation(
            double cable,
            double joints,
            double insulation,
            double setResistor,
            double supply,
            double volts,
            double trip) {
        this(cable, joints, insulation, setResistor, supply, volts, new Trip(trip, trip));
    }

    public Variation onlyCable() {
        return new Variation(cable, 1, 1, 1, 1, 1, 1);
    }

    public Variation onlyJoints() {
        return new Variation(1, joints, 1, 1, 1, 1, 1);
    }

    public Variation onlyInsulation() {
        return new Variation(1, 1, insulation, 1, 1, 1, 1);
    }

    public Variation onlySetResistor() {
        return new Variation(1, 1, 1, setResistor, 1, 1, 1);
    }

    public Variation onlySupply() {
        return new Variation(1, 1, 1, 1, supply, volts, 1);
    }

    public Variation onlyTrip() {
        return new Variation(1, 1, 1, 1, 1, 1, trip);
    }
}
