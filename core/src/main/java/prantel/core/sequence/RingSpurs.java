package prantel.core.sequence;

import prantel.core.rig.Point;
import prantel.core.rig.Ring;

/** Points of a ring that hang on a cable of their own. */
public final class RingSpurs {
    private RingSpurs() {}

    /** Cable of its own that a point of a ring hangs on, m; 0 on the ring itself. */
    public static double metres(Ring ring, Point point) {
        double metres = 0;
        Point at = point;
        while (at.after().isPresent()) {
            Point parent = ring.point(at.after().get());
            metres += at.atMetres() - parent.atMetres();
            at = parent;
        }
        return metres;
    }
}
