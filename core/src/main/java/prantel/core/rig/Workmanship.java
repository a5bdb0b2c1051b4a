package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * What is small but never zero on a real board.
 *
 * @param terminationMilliohms each conductor end in its terminal, mΩ
 * @param contactMilliohms each pole of a socket, from its terminal to a probe in its front, mΩ
 * @param insulationMegohmKilometres insulation between two conductors of one cable, MΩ·km: a metre has a thousand times
 *     this number of MΩ
 */
public record Workmanship(double terminationMilliohms, double contactMilliohms, double insulationMegohmKilometres) {
    public Workmanship {
        Check.all(
                () -> Check.between(terminationMilliohms, 0.01, 100, "terminationMilliohms", "mΩ"),
                () -> Check.between(contactMilliohms, 0.01, 500, "contactMilliohms", "mΩ"),
                () -> Check.between(insulationMegohmKilometres, 0.001, 1e6, "insulationMegohmKilometres", "MΩ·km"));
    }
}
