package prantel.core.instrument;

import prantel.core.quantity.Check;

/** A multifunction tester with its leads. */
public record Tester(String id, String label, Meter ohmmeter, Meter insulationTester, Leads leads) {
    public Tester {
        Check.id(id, "id");
        Check.name(label, "label");
    }

    public Meter meter(Function function) {
        return function.isInsulation() ? insulationTester : ohmmeter;
    }

    /** Lead resistance that a reading contains when the leads were not nulled, Ω; 0 where it cannot matter. */
    public double leadOhms(Function function) {
        return switch (function) {
            case CONTINUITY -> leads.pairOhms();
            case CONTINUITY_WANDER_LEAD -> leads.wanderOhms();
            case INSULATION_250, INSULATION_500 -> 0;
        };
    }

    /** The function a reading is taken with. */
    public enum Function {
        CONTINUITY("low-resistance ohmmeter"),
        CONTINUITY_WANDER_LEAD("low-resistance ohmmeter, wander lead"),
        INSULATION_250("insulation, 250 V DC"),
        INSULATION_500("insulation, 500 V DC");

        private final String label;

        Function(String label) {
            this.label = label;
        }

        public String label() {
            return label;
        }

        public boolean isInsulation() {
            return this == INSULATION_250 || this == INSULATION_500;
        }
    }
}
