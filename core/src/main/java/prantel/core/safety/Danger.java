package prantel.core.safety;

/**
 * One thing that would be dangerous with the supply on.
 *
 * @param kind what would happen
 * @param where "metalwork of lamp 2, Hall lighting"
 * @param finding with figures, one sentence
 */
public record Danger(Kind kind, String where, String finding) {
    public enum Kind {
        /** Something that can be touched stands at a dangerous voltage. */
        TOUCH_VOLTAGE("live metal"),
        /** A fault from line to metal would not be disconnected, neither by the device nor by an RCD. */
        NO_DISCONNECTION("protection defeated"),
        /** Energising makes a short circuit. */
        SUPPLY_SHORT("short at energising"),
        /** What is set would get hot under the circuit's load. */
        HEATING("overheats"),
        /** The supply cannot stay on: an RCD trips at once. No danger, but no live test either. */
        WILL_NOT_STAY_ON("will not stay on");

        private final String words;

        Kind(String words) {
            this.words = words;
        }

        public String words() {
            return words;
        }
    }
}
