package prantel.core.rig;

import prantel.core.quantity.Check;

/**
 * A switch of a lighting group. The first and the last of a group of two or more are two-way, those between them
 * intermediates; a single one is one-way.
 *
 * @param runMetres cable from the element before it: the lamp, the switch before, or the board side when fed at the switch
 * @param secondStrapperMoreMetres what strapper 2 to it is longer than strapper 1, m; 0 where they lie in one cable
 */
public record LightSwitch(PointId id, String label, double runMetres, double secondStrapperMoreMetres) {
    public LightSwitch {
        Check.all(
                () -> Check.name(label, "label"),
                () -> Check.between(runMetres, 0.1, 500, "runMetres", "m"),
                () -> Check.between(secondStrapperMoreMetres, 0, 500, "secondStrapperMoreMetres", "m"));
    }

    /** Both strappers in one cable. */
    public LightSwitch(PointId id, String label, double runMetres) {
        this(id, label, runMetres, 0);
    }
}
