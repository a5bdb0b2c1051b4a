package prantel.core.procedure;

import java.util.List;

/** Where probes are held. */
public sealed interface ProbesAt {
    /** As a set-up says it for all boxes that it serves: which point, each box says itself. Common practice, no source. */
    enum Usual implements ProbesAt {
        LINE_AND_NEUTRAL_OF_POINT,
        LINE_AND_EARTH_OF_POINT,
        EARTH_OF_POINT,
        EARTH_AND_PART,
        SUPPLY_EARTH,
        STAKES,
        CONDUCTORS_AT_BOARD,
        SECTION_BARS,
        BEHIND_MAIN_SWITCH,
        PROVING_DEAD,
        INCOMING,
        INCOMING_AND_FREE_EARTH,
        INCOMING_AND_BAR,
        POINT_LIVE,
        LOOP_AT_POINT,
        RCD,
        OPERATE
    }

    /** On these places, one lead each. */
    record On(List<Contact> contacts) implements ProbesAt {
        public On {
            contacts = List.copyOf(contacts);
        }
    }
}
