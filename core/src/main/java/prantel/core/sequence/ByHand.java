package prantel.core.sequence;

import java.util.function.Supplier;

/** What a candidate works out beforehand. */
public final class ByHand {
    private final Supplier<String> working;
    private final double base;

    /** @param working formula with the numbers put in, made when it is shown @param base result, base unit */
    ByHand(Supplier<String> working, double base) {
        this.working = working;
        this.base = base;
    }

    /** Formula with the numbers put in. */
    public String working() {
        return working.get();
    }

    /** The result, base unit. */
    public double base() {
        return base;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof ByHand b && Double.compare(base, b.base) == 0;
    }

    @Override
    public int hashCode() {
        return Double.hashCode(base);
    }
}
