package prantel.core.network;

import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The slow and obviously right twin: star–mesh over one map of exact fractions, no ordering, no tree, no reuse. */
final class RationalTwin {
    private RationalTwin() {}

    /** Exact resistance rounded once, Ω; +∞ where nothing connects. */
    static double resistance(List<Branch> branches, Terminal a, Terminal b) {
        Map<Terminal, Map<Terminal, Fraction>> g = new HashMap<>();
        g.put(a, new HashMap<>());
        g.put(b, new HashMap<>());
        for (Branch branch : branches) {
            if (!branch.isOpen()) {
                // the solver starts from the double 1/ohms, so the twin does too: what is compared is the elimination
                add(g, branch.from(), branch.to(), Fraction.of(1 / branch.ohms()));
            }
        }
        while (g.size() > 2) {
            Terminal k = g.keySet().stream()
                    .filter(t -> !t.equals(a) && !t.equals(b))
                    .min(Comparator.comparingInt(
                            t -> Objects.requireNonNull(g.get(t)).size()))
                    .orElseThrow();
            Map<Terminal, Fraction> row = g.remove(k);
            Fraction sum = row.values().stream().reduce(Fraction.ZERO, Fraction::plus);
            List<Terminal> ends = List.copyOf(row.keySet());
            ends.forEach(end -> g.get(end).remove(k));
            for (int i = 0; i < ends.size(); i++) {
                for (int j = 0; j < i; j++) {
                    add(
                            g,
                            ends.get(i),
                            ends.get(j),
                            row.get(ends.get(i)).times(row.get(ends.get(j))).over(sum));
                }
            }
        }
        Fraction last = g.get(a).get(b);
        return last == null ? Double.POSITIVE_INFINITY : 1 / last.toDouble();
    }

    private static void add(Map<Terminal, Map<Terminal, Fraction>> g, Terminal x, Terminal y, Fraction value) {
        g.computeIfAbsent(x, t -> new HashMap<>()).merge(y, value, Fraction::plus);
        g.computeIfAbsent(y, t -> new HashMap<>()).merge(x, value, Fraction::plus);
    }

    private record Fraction(BigInteger up, BigInteger down) {
        static final Fraction ZERO = new Fraction(BigInteger.ZERO, BigInteger.ONE);

        static Fraction of(double value) {
            BigDecimal exact = new BigDecimal(value);
            return reduced(exact.unscaledValue(), BigInteger.TEN.pow(Math.max(0, exact.scale())));
        }

        static Fraction reduced(BigInteger up, BigInteger down) {
            BigInteger gcd = up.gcd(down);
            return gcd.signum() == 0 ? new Fraction(up, down) : new Fraction(up.divide(gcd), down.divide(gcd));
        }

        Fraction plus(Fraction o) {
            return reduced(up.multiply(o.down).add(o.up.multiply(down)), down.multiply(o.down));
        }

        Fraction times(Fraction o) {
            return reduced(up.multiply(o.up), down.multiply(o.down));
        }

        Fraction over(Fraction o) {
            return reduced(up.multiply(o.down), down.multiply(o.up));
        }

        double toDouble() {
            return new BigDecimal(up)
                    .divide(new BigDecimal(down), java.math.MathContext.DECIMAL64)
                    .doubleValue();
        }
    }
}
