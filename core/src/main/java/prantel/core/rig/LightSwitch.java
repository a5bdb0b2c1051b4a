package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * A switch of a lighting group. The first and the last of a group of two or more are two-way, those between them
 * intermediates; a single one is one-way.
 *
 * @param runMetres cable from the element before it: the lamp, the switch before, or the board side when fed at the switch
 */
public record LightSwitch(PointId id, String label, double runMetres) {
    public LightSwitch {
        Check.all(() -> Check.name(label, "label"), () -> Check.between(runMetres, 0.1, 500, "runMetres", "m"));
    }
}
