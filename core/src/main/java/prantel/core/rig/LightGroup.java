package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * Lamps that are switched together.
 *
 * <pre>
 *  fed at the lamp:   trunk ─ lamp 1 ─ lamp 2 …          fed at the switch:  trunk ─ switch 1 ─ lamp 1 ─ lamp 2 …
 *                              └ switch 1 ─ switch 2 …                               └ switch 2 …
 *
 *  through the switches:   trunk ─ switch 1 ─ …
 *                                   └ switch 2 ─ … ─ last switch ─ lamp 1 ─ lamp 2 …
 * </pre>
 *
 * Between switches lie strapper 1, strapper 2, a switched line that comes back, and the CPC; through the switches the
 * neutral goes along instead, and the switched line leaves from the last one.
 */
public record LightGroup(String id, String label, Feed feed, List<Lamp> lamps, List<LightSwitch> switches) {
    private static final int MOST = 20;

    public LightGroup {
        Check.id(id, "id");
        Check.name(label, "label");
        lamps = List.copyOf(lamps);
        switches = List.copyOf(switches);
        checkCount(lamps.size(), "lamps");
        checkCount(switches.size(), "switches");
    }

    private static void checkCount(int count, String what) {
        Check.that(count >= 1 && count <= MOST, "bad-count", what, count + " " + what, "give 1 to " + MOST);
    }

    /** The switch that its first lamp hangs from; a group fed at the lamp has none. */
    public LightSwitch beforeLamps() {
        return feed == Feed.THROUGH ? switches.getLast() : switches.getFirst();
    }

    /** Where the permanent line arrives, and where the lamps hang. */
    public enum Feed {
        LAMP("lamp"),
        SWITCH("switch"),
        /** Fed at the first switch, the lamps beyond the last. */
        THROUGH("through-switches");

        private final String id;

        Feed(String id) {
            this.id = id;
        }

        public String id() {
            return id;
        }
    }

    /** A lamp. @param runMetres cable from the element before it, m @param metal exposed metalwork with its own terminal */
    public record Lamp(PointId id, String label, double runMetres, Load load, boolean metal) {
        public Lamp {
            Check.all(() -> Check.name(label, "label"), () -> Check.between(runMetres, 0.1, 500, "runMetres", "m"));
        }
    }
}
