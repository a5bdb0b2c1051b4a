package prantel.core.procedure;

import prantel.core.rig.BoardId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.PointId;
import prantel.core.rig.SectionId;

/** How something stands that is operated. As compiled every device and isolator is on, and every lamp. */
public sealed interface Position {
    /** What is operated: a later position of the same takes the place of an earlier one. */
    Object what();

    /** A circuit's own device. */
    record Device(CircuitId circuit, boolean on) implements Position {
        @Override
        public Object what() {
            return circuit;
        }
    }

    /** The feed of a section, all devices of the section on. */
    record Feed(BoardId board, SectionId section, boolean on) implements Position {
        @Override
        public Object what() {
            return new Feed(board, section, true);
        }
    }

    /** The main switch of a board that is fed by a submain, operated for a test behind the main isolation. */
    record FarSwitch(BoardId board, boolean on) implements Position {
        @Override
        public Object what() {
            return new FarSwitch(board, true);
        }
    }

    /** A whole board tested together: its devices on, its main switch off. */
    record AllTogether(BoardId board) implements Position {
        @Override
        public Object what() {
            return new FarSwitch(board, true);
        }
    }

    record Isolator(CircuitId circuit, PointId point, boolean on) implements Position {
        @Override
        public Object what() {
            return new Isolator(circuit, point, true);
        }
    }

    /** A timer, which opens the line alone. */
    record Timer(CircuitId circuit, PointId point, boolean on) implements Position {
        @Override
        public Object what() {
            return new Timer(circuit, point, true);
        }
    }

    /** Switches of one group. @param group its id */
    record Lights(CircuitId circuit, String group, LightStates.State state) implements Position {
        @Override
        public Object what() {
            return new Group(circuit, group);
        }

        private record Group(CircuitId circuit, String group) {}
    }

    /** All groups with two switches and more. @param operated so many switches of each, from its first on */
    record Round(CircuitId circuit, int operated) implements Position {
        @Override
        public Object what() {
            return new Round(circuit, 0);
        }
    }
}
