package prantel.core.rig;

import prantel.core.network.Characteristic;

/** A surge protective device as an insulation tester meets it. Figures: common practice, no source. */
final class SurgeDevice {
    private SurgeDevice() {}

    /** Varistor between line and neutral: sound at 250 V, clamps at 500 V. */
    static Characteristic lineNeutral() {
        return Characteristic.steps(800e6).andFrom(400, 60e3);
    }

    /** Varistor to earth: sound at 250 V, clamps at 500 V. */
    static Characteristic toEarth() {
        return lineNeutral();
    }

    /** Spark gap between neutral and earth: holds at 250 V, fires at 500 V. */
    static Characteristic neutralEarth() {
        return Characteristic.steps(900e6).andFrom(400, 45e3);
    }
}
