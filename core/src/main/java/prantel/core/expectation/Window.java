package prantel.core.expectation;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;
import prantel.core.instrument.Written;

/** What a box may hold when its reading was rightly taken. Numbers in base units. */
public sealed interface Window {
    /** A number between two values; both ends count. */
    record Between(double low, double high) implements Window {
        public Between {
            if (!(low >= 0 && high >= low && high < Double.POSITIVE_INFINITY)) {
                throw new IllegalArgumentException("Window from " + low + " to " + high);
            }
        }
    }

    /** A number from a value up, or over-range. */
    record From(double low) implements Window {
        public From {
            if (!(low >= 0 && low < Double.POSITIVE_INFINITY)) {
                throw new IllegalArgumentException("Window from " + low);
            }
        }
    }

    /** Over-range, and no number. */
    record OverRange() implements Window {}

    /** One of these words. */
    record Words(Set<Saying> sayings) implements Window {
        public Words {
            sayings = Set.copyOf(sayings);
        }
    }

    /** The test cannot be finished, for one of these reasons. */
    record Stopped(Set<Stop> why) implements Window {
        public Stopped {
            why = Set.copyOf(why);
        }
    }

    /** One kind or another, as tolerances fall; two and more, none of them again one of these. */
    record AnyOf(List<Window> parts) implements Window {
        public AnyOf {
            parts = List.copyOf(parts);
        }
    }

    Window OVER_RANGE = new OverRange();

    /**
     * @param oneTrue true value at one end of what the rig may be
     * @param otherTrue at the other end: a current falls where a resistance rises
     */
    static Window around(double oneTrue, double otherTrue, Meter meter) {
        double least = Math.min(oneTrue, otherTrue);
        double most = Math.max(oneTrue, otherTrue);
        if (least > meter.top() * 1.5) {
            return OVER_RANGE;
        }
        double low = Math.max(0, least - meter.uncertainty(least));
        double high = most + meter.uncertainty(most);
        return high > meter.top() ? new From(low) : new Between(low, high);
    }

    static Window words(Saying saying) {
        return words(saying, Set.of());
    }

    /** @param also what may be said as well */
    static Window words(Saying saying, Set<Saying> also) {
        EnumSet<Saying> all = EnumSet.of(saying);
        all.addAll(also);
        return new Words(all);
    }

    static Window stopped(Stop stop) {
        return new Stopped(Set.of(stop));
    }

    /** Whatever one of these holds; kinds that are alike are joined. @param windows at least one */
    static Window anyOf(List<Window> windows) {
        List<Window> parts = new ArrayList<>();
        windows.forEach(w -> addTo(parts, w));
        return parts.size() == 1 ? parts.getFirst() : new AnyOf(parts);
    }

    private static void addTo(List<Window> parts, Window window) {
        if (window instanceof AnyOf any) {
            any.parts().forEach(p -> addTo(parts, p));
            return;
        }
        for (int i = 0; i < parts.size(); i++) {
            Window joined = joined(parts.get(i), window);
            if (joined != null) {
                parts.set(i, joined);
                return;
            }
        }
        parts.add(window);
    }

    private static @org.jspecify.annotations.Nullable Window joined(Window a, Window b) {
        if (a instanceof Words(var x) && b instanceof Words(var y)) {
            Set<Saying> both = EnumSet.copyOf(x);
            both.addAll(y);
            return new Words(both);
        }
        if (a instanceof Stopped(var x) && b instanceof Stopped(var y)) {
            Set<Stop> both = EnumSet.copyOf(x);
            both.addAll(y);
            return new Stopped(both);
        }
        if (a instanceof OverRange && b instanceof OverRange) {
            return a;
        }
        if (a.isNumeric() && b.isNumeric()) {
            double low = Math.min(a.low(), b.low());
            return a.allowsOverRange() || b.allowsOverRange()
                    ? new From(low)
                    : new Between(low, Math.max(a.high(), b.high()));
        }
        if (a.isNumeric() && b instanceof OverRange) {
            return new From(a.low());
        }
        return b.isNumeric() && a instanceof OverRange ? new From(b.low()) : null;
    }

    /** Whether it has a number as its lower end. */
    default boolean isNumeric() {
        return this instanceof Between || this instanceof From;
    }

    /** The part of it that speaks of numbers or over-range; itself where it has no such part. */
    default Window measured() {
        return this instanceof AnyOf(var parts)
                ? parts.stream()
                        .filter(p -> p.isNumeric() || p instanceof OverRange)
                        .findFirst()
                        .orElse(this)
                : this;
    }

    /** Whether only over-range may be shown. */
    default boolean isOverRangeOnly() {
        return this instanceof OverRange;
    }

    /** Whether over-range may be shown. */
    default boolean allowsOverRange() {
        return switch (this) {
            case From from -> true;
            case OverRange over -> true;
            case AnyOf any -> any.parts().stream().anyMatch(Window::allowsOverRange);
            case Between between -> false;
            case Words words -> false;
            case Stopped stopped -> false;
        };
    }

    /** Lower end, base unit. @throws IllegalStateException where it has none: ask {@link #isNumeric} of {@link #measured} */
    default double low() {
        return switch (measured()) {
            case Between between -> between.low();
            case From from -> from.low();
            default -> throw new IllegalStateException("No lower end: " + this);
        };
    }

    /** Upper end, base unit. @throws IllegalStateException where it has none */
    default double high() {
        if (measured() instanceof Between between) {
            return between.high();
        }
        throw new IllegalStateException("No upper end: " + this);
    }

    /** Whether a number, base unit, lies inside; both ends count. */
    default boolean holds(double base) {
        // a written value sits on a decimal grid, the ends do not: a rounding error must not decide
        double slack = 1e-9 * Math.max(base, 1e-3);
        return switch (measured()) {
            case Between between -> base >= between.low() - slack && base <= between.high() + slack;
            case From from -> base >= from.low() - slack;
            default -> false;
        };
    }

    /** Where what was written lies. */
    default Side sideOf(Written written) {
        return switch (written) {
            case Written.Number number -> sideOfNumber(number.base());
            case Written.Above above -> sideOfTop(above.base());
            case Written.Open open -> allowsOverRange() ? Side.INSIDE : Side.OVER_RANGE_INSTEAD;
            case Written.Stopped stopped -> holds(stopped.stop()) ? Side.INSIDE : Side.DIFFERS;
            case Written.Said said -> holds(said.saying()) ? Side.INSIDE : Side.DIFFERS;
            case Written.Blank blank -> Side.NOTHING;
            case Written.NotTested not -> Side.NOTHING;
            case Written.Unreadable unreadable -> Side.NOTHING;
        };
    }

    private Side sideOfNumber(double base) {
        if (holds(base)) {
            return Side.INSIDE;
        }
        return switch (measured()) {
            case Between between -> base > between.high() ? Side.ABOVE : Side.BELOW;
            case From from -> Side.BELOW;
            case OverRange over -> Side.BELOW;
            default -> Side.DIFFERS;
        };
    }

    /** ">200" says no more than that it is above 200: it fits a window that ends above. */
    private Side sideOfTop(double top) {
        return switch (measured()) {
            case Between between -> between.high() >= top ? Side.INSIDE : Side.OVER_RANGE_INSTEAD;
            case From from -> Side.INSIDE;
            case OverRange over -> Side.INSIDE;
            default -> Side.DIFFERS;
        };
    }

    private boolean holds(Stop stop) {
        return switch (this) {
            case Stopped stopped -> stopped.why().contains(stop);
            case AnyOf any -> any.parts().stream().anyMatch(p -> p.holds(stop));
            default -> false;
        };
    }

    private boolean holds(Saying saying) {
        return switch (this) {
            case Words words -> words.sayings().stream().anyMatch(s -> s.isSaidBy(saying));
            case AnyOf any -> any.parts().stream().anyMatch(p -> p.holds(saying));
            default -> false;
        };
    }

    /** Whether one reading could lie in both. */
    default boolean overlaps(Window other) {
        if (this instanceof AnyOf(var parts)) {
            return parts.stream().anyMatch(p -> p.overlaps(other));
        }
        if (other instanceof AnyOf(var parts)) {
            return parts.stream().anyMatch(this::overlaps);
        }
        if (this instanceof Words(var x) && other instanceof Words(var y)) {
            return x.stream().anyMatch(y::contains);
        }
        if (this instanceof Stopped(var x) && other instanceof Stopped(var y)) {
            return x.stream().anyMatch(y::contains);
        }
        if (allowsOverRange() && other.allowsOverRange()) {
            return true;
        }
        if (!isNumeric() || !other.isNumeric()) {
            return false;
        }
        boolean belowOther = allowsOverRange() || high() >= other.low();
        return belowOther && (other.allowsOverRange() || other.high() >= low());
    }

    /** Where a written reading lies against a window. */
    enum Side {
        INSIDE,
        ABOVE,
        BELOW,
        /** Over-range was written where a number was to be expected. */
        OVER_RANGE_INSTEAD,
        /** Other words than the right ones, or a number where there is none to be had. */
        DIFFERS,
        /** Nothing, or nothing readable, was written. */
        NOTHING
    }
}
