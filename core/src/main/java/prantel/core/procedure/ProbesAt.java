package prantel.core.procedure;

import java.util.List;

/** Where probes are held. */
public sealed interface ProbesAt {
    /** As a set-up says it for all boxes that it serves: which point, each box says itself. Common practice, no source. */
    enum Usual implements ProbesAt {
        LINE_AND_NEUTRAL_OF_POINT("probes on the line and N of the point"),
        LINE_AND_EARTH_OF_POINT("probes on the line and E of the point"),
        EARTH_OF_POINT("The other lead on E of the point"),
        EARTH_AND_PART("Probes on the earth terminal of the point and on the bare part"),
        SUPPLY_EARTH("the other on the supply's earth terminal"),
        STAKES("Earth tester on the free conductor, current stake far out, voltage stake half-way;"
                + " again with it nearer and further, and the mean written"),
        CONDUCTORS_AT_BOARD("probes on the conductors at the board"),
        SECTION_BARS("Probes on the section's line bar, neutral bar and the earth bar"),
        BEHIND_MAIN_SWITCH("Probes behind the main switch and on the earth bar"),
        PROVING_DEAD("Indicator proved before and after; probes behind the main switch"),
        INCOMING("Probes on the incoming terminals, earth or neutral first, line last"),
        INCOMING_AND_FREE_EARTH("Probes on the incoming line and the free earthing conductor"),
        INCOMING_AND_BAR("Earth connected; probes on the incoming line and the earth bar"),
        POINT_LIVE("Loads out; earth or neutral probe first, line last"),
        LOOP_AT_POINT("Loads out; probes on line and E of the point"),
        RCD("Loads out; the device on, reset after each test"),
        OPERATE("Operate and look");

        private final String words;

        Usual(String words) {
            this.words = words;
        }

        String words() {
            return words;
        }
    }

    /** On these places, one lead each. */
    record On(List<Contact> contacts) implements ProbesAt {
        public On {
            contacts = List.copyOf(contacts);
        }
    }
}
