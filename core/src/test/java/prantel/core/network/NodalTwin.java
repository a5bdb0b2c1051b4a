package prantel.core.network;

import java.util.ArrayList;
import java.util.List;

/**
 * The textbook's way of solving an alternating network: nodal equations Y·V = I as a full matrix of complex numbers, Gauss
 * with the largest pivot. Shares nothing with the star–mesh elimination it is held against.
 */
final class NodalTwin {
    private final List<Terminal> terminals = new ArrayList<>();
    private final Complex[][] y;
    private final Complex[] driven;

    /** The first terminal of the network is the reference; all others must be connected with it. */
    NodalTwin(Network network, List<Source> sources) {
        for (Branch branch : network.branches()) {
            for (Terminal end : List.of(branch.from(), branch.to())) {
                if (!terminals.contains(end)) {
                    terminals.add(end);
                }
            }
        }
        int size = terminals.size();
        y = new Complex[size][size];
        driven = new Complex[size];
        for (int i = 0; i < size; i++) {
            driven[i] = Complex.ZERO;
            for (int j = 0; j < size; j++) {
                y[i][j] = Complex.ZERO;
            }
        }
        for (Branch branch : network.branches()) {
            if (!branch.isOpen()) {
                add(branch, sources);
            }
        }
    }

    private void add(Branch branch, List<Source> sources) {
        Complex z = new Complex(branch.ohms(), 0);
        Complex force = Complex.ZERO;
        for (Source source : sources) {
            if (source.branch().equals(branch.id())) {
                z = new Complex(branch.ohms(), source.reactanceOhms());
                force = source.force();
            }
        }
        Complex g = new Complex(1, 0).dividedBy(z);
        int from = terminals.indexOf(branch.from());
        int to = terminals.indexOf(branch.to());
        y[from][from] = y[from][from].plus(g);
        y[to][to] = y[to][to].plus(g);
        y[from][to] = y[from][to].minus(g);
        y[to][from] = y[to][from].minus(g);
        driven[to] = driven[to].plus(force.times(g));
        driven[from] = driven[from].minus(force.times(g));
    }

    Complex volts(Terminal a, Terminal b) {
        return between(driven, a, b);
    }

    /** Volts between two terminals when 1 A goes in at one and out at another, all forces off. */
    Complex transfer(Terminal a, Terminal b, Terminal in, Terminal out) {
        Complex[] amps = new Complex[terminals.size()];
        java.util.Arrays.fill(amps, Complex.ZERO);
        amps[terminals.indexOf(in)] = new Complex(1, 0);
        amps[terminals.indexOf(out)] = amps[terminals.indexOf(out)].minus(new Complex(1, 0));
        return between(amps, a, b);
    }

    private Complex between(Complex[] amps, Terminal a, Terminal b) {
        Complex[] volts = solve(amps);
        return volts[terminals.indexOf(a)].minus(volts[terminals.indexOf(b)]);
    }

    private Complex[] solve(Complex[] amps) {
        int n = terminals.size() - 1;
        Complex[][] a = new Complex[n][n + 1];
        for (int i = 0; i < n; i++) {
            System.arraycopy(y[i + 1], 1, a[i], 0, n);
            a[i][n] = amps[i + 1];
        }
        for (int k = 0; k < n; k++) {
            int pivot = k;
            for (int r = k + 1; r < n; r++) {
                pivot = a[r][k].size() > a[pivot][k].size() ? r : pivot;
            }
            Complex[] row = a[pivot];
            a[pivot] = a[k];
            a[k] = row;
            for (int r = 0; r < n; r++) {
                if (r != k) {
                    Complex factor = a[r][k].dividedBy(row[k]);
                    for (int c = k; c <= n; c++) {
                        a[r][c] = a[r][c].minus(factor.times(row[c]));
                    }
                }
            }
        }
        Complex[] volts = new Complex[n + 1];
        volts[0] = Complex.ZERO;
        for (int i = 0; i < n; i++) {
            volts[i + 1] = a[i][n].dividedBy(a[i][i]);
        }
        return volts;
    }
}
