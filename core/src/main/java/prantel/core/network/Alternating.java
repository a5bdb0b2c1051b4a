package prantel.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A network on alternating current. The resistive part is reduced to the few terminals that matter; with the sources'
 * impedances between them that leaves a small complex network, solved directly.
 */
public final class Alternating {
    private final Network passive;
    private final List<Branch> sourceBranches = new ArrayList<>();
    private final List<Source> sources = new ArrayList<>();

    /** @param sources those whose branch is open in the network are left out */
    public Alternating(Network network, List<Source> sources) {
        List<Edit> opened = new ArrayList<>();
        for (Source source : sources) {
            Branch branch = network.branch(source.branch());
            if (!branch.isOpen()) {
                sourceBranches.add(branch);
                this.sources.add(source);
                opened.add(new Edit.Open(source.branch()));
            }
        }
        passive = network.with(opened);
    }

    /**
     * Impedance seen between two terminals, every force replaced by its own impedance.
     *
     * @return |Z|, Ω; 0 for a terminal with itself; +∞ where nothing connects
     */
    public double impedanceOhms(Terminal a, Terminal b) {
        if (a.equals(b)) {
            return 0;
        }
        List<Terminal> kept = keptWith(List.of(a, b));
        Complex[][] y = admittances(kept);
        for (int k = kept.size() - 1; k > 1; k--) {
            starToMesh(y, k);
        }
        return y[1][0].isZero() ? Double.POSITIVE_INFINITY : 1 / y[1][0].size();
    }

    /**
     * Voltages of terminals with the sources on and nothing connected but what is said.
     *
     * @param terminals where to know the voltage, all different
     * @param draws currents drawn from one terminal and given back at another
     * @return to the reference of the source; null for a terminal that nothing connects with a source
     */
    public @Nullable Complex[] voltages(List<Terminal> terminals, List<Draw> draws) {
        Set<Terminal> wanted = new LinkedHashSet<>(terminals);
        draws.forEach(d -> {
            wanted.add(d.from());
            wanted.add(d.to());
        });
        List<Terminal> kept = keptWith(List.copyOf(wanted));
        Complex[][] y = admittances(kept);
        Complex[] currents = currents(kept, draws);
        int reference = sourceBranches.isEmpty() ? 0 : kept.indexOf(sourceBranches.getFirst().from());
        @Nullable Complex[] solved = solve(y, currents, reference);
        @Nullable Complex[] found = new Complex[terminals.size()];
        for (int i = 0; i < found.length; i++) {
            found[i] = solved[kept.indexOf(terminals.get(i))];
        }
        return found;
    }

    /** A current drawn out of the network at one terminal and returned at another, A; negative the other way. */
    public record Draw(Terminal from, Terminal to, Complex amps) {}

    private List<Terminal> keptWith(List<Terminal> first) {
        Set<Terminal> kept = new LinkedHashSet<>(first);
        for (Branch branch : sourceBranches) {
            kept.add(branch.from());
            kept.add(branch.to());
        }
        return List.copyOf(kept);
    }

    /** Lower triangle used: y[i][j] with j below i. */
    private Complex[][] admittances(List<Terminal> kept) {
        int n = kept.size();
        double[] mesh = passive.reducedTo(kept);
        Complex[][] y = new Complex[n][n];
        for (int i = 0, at = 0; i < n; i++) {
            Arrays.fill(y[i], Complex.ZERO);
            for (int j = 0; j < i; j++, at++) {
                y[i][j] = new Complex(mesh[at], 0);
            }
        }
        for (int s = 0; s < sources.size(); s++) {
            Branch branch = sourceBranches.get(s);
            int i = kept.indexOf(branch.from());
            int j = kept.indexOf(branch.to());
            int high = Math.max(i, j);
            int low = Math.min(i, j);
            y[high][low] = y[high][low].plus(admittance(s));
        }
        return y;
    }

    private Complex admittance(int source) {
        return new Complex(1, 0)
                .dividedBy(new Complex(
                        sourceBranches.get(source).ohms(), sources.get(source).reactanceOhms()));
    }

    private static void starToMesh(Complex[][] y, int k) {
        Complex sum = Complex.ZERO;
        for (int i = 0; i < k; i++) {
            sum = sum.plus(y[k][i]);
        }
        if (sum.isZero()) {
            return;
        }
        for (int i = 1; i < k; i++) {
            for (int j = 0; j < i; j++) {
                y[i][j] = y[i][j].plus(y[k][i].times(y[k][j]).dividedBy(sum));
            }
        }
    }

    private Complex[] currents(List<Terminal> kept, List<Draw> draws) {
        Complex[] currents = new Complex[kept.size()];
        Arrays.fill(currents, Complex.ZERO);
        for (int s = 0; s < sources.size(); s++) {
            Complex norton = sources.get(s).force().times(admittance(s));
            int from = kept.indexOf(sourceBranches.get(s).from());
            int to = kept.indexOf(sourceBranches.get(s).to());
            currents[to] = currents[to].plus(norton);
            currents[from] = currents[from].minus(norton);
        }
        for (Draw draw : draws) {
            int from = kept.indexOf(draw.from());
            int to = kept.indexOf(draw.to());
            currents[from] = currents[from].minus(draw.amps());
            currents[to] = currents[to].plus(draw.amps());
        }
        return currents;
    }

    /** Node voltages to the reference; null for nodes not connected to it. */
    private static @Nullable Complex[] solve(Complex[][] y, Complex[] currents, int reference) {
        int n = y.length;
        boolean[] reached = reachedFrom(y, reference);
        int[] unknown = java.util.stream.IntStream.range(0, n)
                .filter(i -> reached[i] && i != reference)
                .toArray();
        int m = unknown.length;
        Complex[][] a = new Complex[m][m + 1];
        for (int r = 0; r < m; r++) {
            Complex diagonal = Complex.ZERO;
            for (int c = 0; c < n; c++) {
                if (c != unknown[r]) {
                    diagonal = diagonal.plus(between(y, unknown[r], c));
                }
            }
            for (int c = 0; c < m; c++) {
                a[r][c] = c == r ? diagonal : between(y, unknown[r], unknown[c]).times(-1);
            }
            a[r][m] = currents[unknown[r]];
        }
        Complex[] values = gauss(a);
        @Nullable Complex[] voltages = new Complex[n];
        voltages[reference] = Complex.ZERO;
        for (int r = 0; r < m; r++) {
            voltages[unknown[r]] = values[r];
        }
        return voltages;
    }

    private static Complex between(Complex[][] y, int i, int j) {
        return i > j ? y[i][j] : y[j][i];
    }

    private static boolean[] reachedFrom(Complex[][] y, int start) {
        boolean[] reached = new boolean[y.length];
        java.util.ArrayDeque<Integer> todo = new java.util.ArrayDeque<>(List.of(start));
        reached[start] = true;
        while (!todo.isEmpty()) {
            int i = todo.remove();
            for (int j = 0; j < y.length; j++) {
                if (!reached[j] && j != i && !between(y, i, j).isZero()) {
                    reached[j] = true;
                    todo.add(j);
                }
            }
        }
        return reached;
    }

    /** Elimination with the largest pivot; the last column is the right-hand side. The matrix is never singular here. */
    private static Complex[] gauss(Complex[][] a) {
        int n = a.length;
        for (int k = 0; k < n; k++) {
            int pivot = k;
            for (int r = k + 1; r < n; r++) {
                if (a[r][k].size() > a[pivot][k].size()) {
                    pivot = r;
                }
            }
            Complex[] row = a[pivot];
            a[pivot] = a[k];
            a[k] = row;
            for (int r = k + 1; r < n; r++) {
                if (!a[r][k].isZero()) {
                    Complex factor = a[r][k].dividedBy(row[k]);
                    for (int c = k; c <= n; c++) {
                        a[r][c] = a[r][c].minus(factor.times(row[c]));
                    }
                }
            }
        }
        Complex[] x = new Complex[n];
        for (int r = n - 1; r >= 0; r--) {
            Complex sum = a[r][n];
            for (int c = r + 1; c < n; c++) {
                sum = sum.minus(a[r][c].times(x[c]));
            }
            x[r] = sum.dividedBy(a[r][r]);
        }
        return x;
    }
}
