package prantel.core.network;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * A network on alternating current. The resistive part is reduced to the few terminals that matter; with the sources'
 * impedances between them that leaves a small complex network, solved directly. Not for several threads at once.
 */
public final class Alternating {
    private final Network passive;
    private final List<Branch> sourceBranches = new ArrayList<>();
    private final List<Source> sources = new ArrayList<>();
    private @Nullable Held undisturbed;

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
        Complex y = admittanceBetween(a, b);
        return y.isZero() ? Double.POSITIVE_INFINITY : 1 / y.size();
    }

    private Complex admittanceBetween(Terminal a, Terminal b) {
        List<Terminal> kept = keptWith(List.of(a, b));
        return admittances(kept, passive.reducedTo(kept)).betweenFirstTwo();
    }

    /**
     * Voltage between two terminals while a resistance connects them.
     *
     * @return V; 0 where one of them floats
     */
    public double voltsAcross(Terminal a, Terminal b, double ohms) {
        @Nullable Complex[] open = voltages(List.of(a, b), List.of());
        if (open[0] == null || open[1] == null || a.equals(b)) {
            return 0;
        }
        Complex volts = open[0].minus(open[1]);
        Complex y = admittanceBetween(a, b);
        // V · R ÷ (R + Z) with Z = 1 ÷ Y
        return volts.times(ohms)
                .times(y)
                .dividedBy(y.times(ohms).plus(new Complex(1, 0)))
                .size();
    }

    /**
     * Voltages of terminals with the sources on and nothing connected but what is said.
     *
     * @param terminals where to know the voltage
     * @param draws currents drawn from one terminal and given back at another
     * @return to the reference of the source; null for a terminal that nothing connects with a source
     */
    public @Nullable Complex[] voltages(List<Terminal> terminals, List<Draw> draws) {
        Held held = draws.isEmpty() ? undisturbed() : held(draws);
        return terminals.stream().map(held::at).toArray(Complex[]::new);
    }

    private Held undisturbed() {
        Held made = undisturbed;
        if (made == null) {
            made = held(List.of());
            undisturbed = made;
        }
        return made;
    }

    private Held held(List<Draw> draws) {
        Set<Terminal> drawn = new LinkedHashSet<>();
        draws.forEach(d -> {
            drawn.add(d.from());
            drawn.add(d.to());
        });
        List<Terminal> kept = keptWith(List.copyOf(drawn));
        if (kept.isEmpty()) {
            return new Held(null, new Complex[0]);
        }
        int reference = sourceBranches.isEmpty()
                ? 0
                : kept.indexOf(sourceBranches.getFirst().from());
        Reduction reduction = passive.reduction(kept);
        return new Held(reduction, admittances(kept, reduction.between()).voltages(currents(kept, draws), reference));
    }

    /** The terminals of sources and draws, whose voltages are known; all others lie between them. */
    private record Held(
            @Nullable Reduction reduction, @Nullable Complex[] volts) {
        @Nullable
        Complex at(Terminal terminal) {
            if (reduction == null) {
                return null;
            }
            double[] weights = reduction.weights(terminal);
            Complex sum = Complex.ZERO;
            boolean connected = false;
            for (int i = 0; i < weights.length; i++) {
                if (weights[i] > 0) {
                    Complex v = volts[i];
                    if (v == null) {
                        return null;
                    }
                    sum = sum.plus(v.times(weights[i]));
                    connected = true;
                }
            }
            return connected ? sum : null;
        }
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

    private Admittances admittances(List<Terminal> kept, double[] between) {
        Admittances y = new Admittances(kept.size(), between);
        for (int s = 0; s < sources.size(); s++) {
            Branch branch = sourceBranches.get(s);
            y.add(kept.indexOf(branch.from()), kept.indexOf(branch.to()), admittance(s));
        }
        return y;
    }

    private Complex admittance(int source) {
        return new Complex(1, 0)
                .dividedBy(new Complex(
                        sourceBranches.get(source).ohms(), sources.get(source).reactanceOhms()));
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
}
