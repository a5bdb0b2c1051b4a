package prantel.core.network;

import java.util.List;
import prantel.core.network.Branch.End;

/**
 * A small change of a network. Faults, set-ups for a test and mistakes in them are all lists of these; what they mean is
 * known outside.
 */
public sealed interface Edit {

    /** Branches of the network that it changes; none for one that only adds. */
    List<BranchId> branches();

    /** Whether what it makes depends on the voltage of the test. */
    default boolean dependsOnVolts() {
        return false;
    }

    static boolean anyDependsOnVolts(List<Edit> edits) {
        for (Edit edit : edits) {
            if (edit.dependsOnVolts()) {
                return true;
            }
        }
        return false;
    }

    /** Nothing flows through the branch any more. */
    record Open(BranchId branch) implements Edit {
        @Override
        public List<BranchId> branches() {
            return List.of(branch);
        }
    }

    /** The branch has this resistance from now on, Ω, above 0: a switch closed, another cable, a worn joint. */
    record Substitute(BranchId branch, double ohms) implements Edit {
        public Substitute {
            requirePositive(ohms, "Substitute " + branch);
        }

        @Override
        public List<BranchId> branches() {
            return List.of(branch);
        }
    }

    /** Adds resistance to a branch, Ω, above 0. An open branch stays open. */
    record PutInSeries(BranchId branch, double ohms) implements Edit {
        public PutInSeries {
            requirePositive(ohms, "PutInSeries " + branch);
        }

        @Override
        public List<BranchId> branches() {
            return List.of(branch);
        }
    }

    /** The branch has the resistance that a characteristic gives at the voltage of the test: something connected. */
    record Install(BranchId branch, Characteristic characteristic) implements Edit {
        @Override
        public List<BranchId> branches() {
            return List.of(branch);
        }

        @Override
        public boolean dependsOnVolts() {
            return true;
        }
    }

    /** A new resistance between two terminals, Ω, above 0, beside whatever is there. */
    record Bridge(Terminal a, Terminal b, double ohms) implements Edit {
        public Bridge {
            requirePositive(ohms, "Bridge " + a + " to " + b);
        }

        @Override
        public List<BranchId> branches() {
            return List.of();
        }
    }

    /** Two branch ends change places: what was connected where x is, is now connected where y was, and back. */
    record Exchange(BranchEnd x, BranchEnd y) implements Edit {
        @Override
        public List<BranchId> branches() {
            return List.of(x.branch(), y.branch());
        }
    }

    /** A branch end is taken out of its terminal and put into another. */
    record Move(BranchEnd end, Terminal to) implements Edit {
        @Override
        public List<BranchId> branches() {
            return List.of(end.branch());
        }
    }

    /** An end of a branch, for {@link Exchange} and {@link Move}. */
    record BranchEnd(BranchId branch, End end) {}

    private static void requirePositive(double ohms, String what) {
        if (!(ohms > 0) || ohms == Double.POSITIVE_INFINITY) {
            throw new IllegalArgumentException(what + ": resistance is " + ohms + " Ω; give a finite number above 0");
        }
    }
}
