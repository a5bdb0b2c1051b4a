package prantel.core.network;

/**
 * A resistance between two terminals.
 *
 * @param ohms Ω, above 0; {@code +∞} is an open branch, kept so that an edit can close it
 */
public record Branch(BranchId id, Terminal from, Terminal to, double ohms) {
    public Branch {
        if (!(ohms > 0)) {
            throw new IllegalArgumentException(
                    "Branch " + id + ": resistance is " + ohms + " Ω; give a number above 0, or infinity for open");
        }
        if (from.equals(to)) {
            throw new IllegalArgumentException("Branch " + id + " starts and ends at " + from);
        }
    }

    public boolean isOpen() {
        return ohms == Double.POSITIVE_INFINITY;
    }

    public Terminal at(End end) {
        return end == End.FROM ? from : to;
    }

    /** One end of a branch. */
    public enum End {
        FROM,
        TO
    }
}
