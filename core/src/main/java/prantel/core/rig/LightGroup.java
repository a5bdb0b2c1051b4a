package prantel.core.rig;

import java.util.List;
import prantel.core.quantity.Check;

/**
 * Lamps that are switched together.
 *
 * <pre>
 *  fed at the lamp:   trunk ─ lamp 1 ─ lamp 2 …          fed at the switch:  trunk ─ switch 1 ─ lamp 1 ─ lamp 2 …
 *                              └ switch 1 ─ switch 2 …                               └ switch 2 …
 * </pre>
 *
 * Between switches lie strapper 1, strapper 2, a switched line that comes back, and the CPC.
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

    /** Where the permanent line arrives. */
    public enum Feed {
        LAMP("lamp"),
        SWITCH("switch");

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
