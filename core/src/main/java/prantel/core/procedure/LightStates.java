package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import prantel.core.network.Edit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Places;
import prantel.core.rig.PointId;

/** Positions of light switches as edits: a group as compiled is on, each switch operated changes it. */
public final class LightStates {
    private static final double CLOSED_OHMS = 1e-3;

    private LightStates() {}

    /** A position of a group. @param operated for each switch whether it was operated once since the group was on */
    public record State(List<Boolean> operated) {
        public State {
            operated = List.copyOf(operated);
        }

        public boolean isOn() {
            return operated.stream().filter(o -> o).count() % 2 == 0;
        }
    }

    /** The first {@code count} switches operated, one after the other. */
    public static State after(LightGroup group, int count) {
        List<Boolean> operated = new ArrayList<>();
        for (int i = 0; i < group.switches().size(); i++) {
            operated.add(i < count);
        }
        return new State(operated);
    }

    /** One switch operated alone. */
    public static State only(LightGroup group, int index) {
        List<Boolean> operated = new ArrayList<>();
        for (int i = 0; i < group.switches().size(); i++) {
            operated.add(i == index);
        }
        return new State(operated);
    }

    /** One switch operated alone. */
    public static State only(LightGroup group, PointId at) {
        return only(
                group, group.switches().stream().map(LightSwitch::id).toList().indexOf(at));
    }

    /** Positions in which a group is on, as found and with each switch operated together with the first: every strapper is used once. */
    public static List<State> onStates(LightGroup group) {
        List<State> states = new ArrayList<>(List.of(after(group, 0)));
        for (int i = 1; i < group.switches().size(); i++) {
            states.add(pair(group, i));
        }
        return states;
    }

    /** The first switch and another one operated: on again. */
    public static State pair(LightGroup group, int index) {
        List<Boolean> operated = new ArrayList<>();
        for (int i = 0; i < group.switches().size(); i++) {
            operated.add(i == 0 || i == index);
        }
        return new State(operated);
    }

    public static List<Edit> edits(CircuitId circuit, LightGroup group, State state) {
        List<Edit> edits = new ArrayList<>();
        int last = group.switches().size() - 1;
        for (int i = 0; i <= last; i++) {
            if (!state.operated().get(i)) {
                continue;
            }
            PointId at = group.switches().get(i).id();
            if (i > 0 && i < last) {
                open(edits, circuit, at, "straight-1");
                open(edits, circuit, at, "straight-2");
                close(edits, circuit, at, "crossed-1");
                close(edits, circuit, at, "crossed-2");
            } else {
                open(edits, circuit, at, "1");
                if (last > 0) {
                    close(edits, circuit, at, "2");
                }
            }
        }
        return edits;
    }

    /** Rounds that an insulation test needs: one more than the switches of the largest group of two and more. */
    public static int rounds(Lighting lighting) {
        return 1
                + lighting.groups().stream()
                        .mapToInt(g -> g.switches().size())
                        .filter(n -> n > 1)
                        .max()
                        .orElse(0);
    }

    /** Position of the whole circuit in a round, from 0; a single switch stays on, so that what lies behind it is tested. */
    public static List<Edit> round(Lighting lighting, int round) {
        return lighting.groups().stream()
                .filter(g -> g.switches().size() > 1)
                .flatMap(g -> edits(lighting.id(), g, after(g, round)).stream())
                .toList();
    }

    public static String words(LightGroup group, State state) {
        List<String> operated = new ArrayList<>();
        for (int i = 0; i < state.operated().size(); i++) {
            if (state.operated().get(i)) {
                operated.add(group.switches().get(i).label());
            }
        }
        return operated.isEmpty() ? "switches as found, lamp on" : String.join(" and ", operated) + " operated";
    }

    public static String labels(LightGroup group) {
        return String.join(
                ", ", group.switches().stream().map(LightSwitch::label).toList());
    }

    private static void open(List<Edit> edits, CircuitId circuit, PointId at, String which) {
        edits.add(new Edit.Open(Places.switchContact(circuit, at, which)));
    }

    private static void close(List<Edit> edits, CircuitId circuit, PointId at, String which) {
        edits.add(new Edit.Substitute(Places.switchContact(circuit, at, which), CLOSED_OHMS));
    }
}
