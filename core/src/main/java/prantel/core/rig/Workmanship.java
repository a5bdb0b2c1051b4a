package prantel.core.rig;

import java.util.Optional;
import prantel.core.quantity.Check;

/**
 * What is small but never zero on a real board.
 *
 * @param terminationMilliohms each conductor end in its terminal, mΩ
 * @param contactMilliohms each pole of a socket, from its terminal to a probe in its front, mΩ
 * @param insulationMegohmKilometres insulation between two conductors of one cable, MΩ·km: a metre has a thousand times
 *     this number of MΩ
 * @param byPair the same by pair, where it is known apart: armour or moisture makes it lower to earth
 */
public record Workmanship(
        double terminationMilliohms,
        double contactMilliohms,
        double insulationMegohmKilometres,
        Optional<ByPair> byPair) {
    /** Insulation alike between all conductors. */
    public Workmanship(double terminationMilliohms, double contactMilliohms, double insulationMegohmKilometres) {
        this(terminationMilliohms, contactMilliohms, insulationMegohmKilometres, Optional.empty());
    }

    /** Between any line (or two of them) and the neutral, a line and the CPC, the neutral and the CPC, MΩ·km. */
    public record ByPair(double lineNeutral, double lineEarth, double neutralEarth) {
        public ByPair {
            Check.all(
                    () -> Check.between(lineNeutral, 0.001, 1e6, "insulationByPair/lineNeutral", "MΩ·km"),
                    () -> Check.between(lineEarth, 0.001, 1e6, "insulationByPair/lineEarth", "MΩ·km"),
                    () -> Check.between(neutralEarth, 0.001, 1e6, "insulationByPair/neutralEarth", "MΩ·km"));
        }
    }

    /** Between two conductors of a cable, MΩ·km. */
    double insulationMegohmKilometres(Conductor a, Conductor b) {
        if (byPair.isEmpty()) {
            return insulationMegohmKilometres;
        }
        boolean earth = a == Conductor.CPC || b == Conductor.CPC;
        boolean neutral = a == Conductor.NEUTRAL || b == Conductor.NEUTRAL;
        ByPair pairs = byPair.get();
        return earth && neutral ? pairs.neutralEarth() : earth ? pairs.lineEarth() : pairs.lineNeutral();
    }

    public Workmanship {
        Check.all(
                () -> Check.between(terminationMilliohms, 0.01, 100, "terminationMilliohms", "mΩ"),
                () -> Check.between(contactMilliohms, 0.01, 500, "contactMilliohms", "mΩ"),
                () -> Check.between(insulationMegohmKilometres, 0.001, 1e6, "insulationMegohmKilometres", "MΩ·km"));
    }
}
