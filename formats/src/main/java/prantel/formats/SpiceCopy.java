package prantel.formats;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.network.Branch;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.network.Source;
import prantel.core.network.Terminal;

/**
 * One network in a SPICE deck: what is connected with its reference, under names of its own.
 *
 * <p>Small resistances are written as current-controlled voltage sources: a milliohm stamped as a conductance beside
 * gigaohms loses the insulation readings to cancellation (0.14 % on a 40-point radial), as a voltage it does not.
 */
final class SpiceCopy {
    private static final double LARGE_OHMS = 1000;
    private static final double RADIANS_PER_SECOND = 2 * Math.PI * 50;

    private final StringBuilder deck;
    private final int number;
    private final Map<BranchId, Source> sources = new HashMap<>();
    private final boolean forces;
    private final Map<Terminal, String> nodes = new LinkedHashMap<>();
    private final Map<BranchId, String> ammeters = new HashMap<>();
    private int element;

    /**
     * @param sources reactances and forces of some branches
     * @param forces whether the forces are on
     * @param reference node 0
     */
    SpiceCopy(
            StringBuilder deck, int number, Network network, List<Source> sources, boolean forces, Terminal reference) {
        this.deck = deck;
        this.number = number;
        this.forces = forces;
        sources.forEach(s -> this.sources.put(s.branch(), s));
        List<Branch> branches =
                network.branches().stream().filter(b -> !b.isOpen()).toList();
        Set<Terminal> reached = reachedFrom(reference, branches);
        nodes.put(reference, "0");
        for (Branch branch : branches) {
            if (reached.contains(branch.from())) {
                write(branch);
            }
        }
    }

    int number() {
        return number;
    }

    /** Whether a terminal is connected with the reference. */
    boolean has(Terminal terminal) {
        return nodes.containsKey(terminal);
    }

    String node(Terminal terminal) {
        return nodes.computeIfAbsent(terminal, t -> "n" + number + "_" + nodes.size());
    }

    /** The source through which a branch's current flows, from its FROM to its TO; empty for a large or open one. */
    Optional<String> ammeter(BranchId branch) {
        return Optional.ofNullable(ammeters.get(branch));
    }

    private void write(Branch branch) {
        String from = node(branch.from());
        String to = node(branch.to());
        if (from.equals(to)) {
            return;
        }
        String n = number + "_" + ++element;
        Source source = sources.get(branch.id());
        if (source == null && branch.ohms() > LARGE_OHMS) {
            line("r%s %s %s %.17g", n, from, to, branch.ohms());
            return;
        }
        String middle = "m" + n;
        ammeters.put(branch.id(), "v" + n);
        // the force drives from FROM to TO: its far end is the higher one
        if (source != null && forces && source.volts() > 0) {
            line("v%s %s %s dc 0 ac %.17g %.17g", n, from, middle, source.volts(), source.degrees() + 180);
        } else {
            line("v%s %s %s 0", n, from, middle);
        }
        if (source != null && source.reactanceOhms() > 0) {
            line("h%s %s k%s v%s %.17g $ %s", n, middle, n, n, branch.ohms(), branch.id());
            line("l%s k%s %s %.17g", n, n, to, source.reactanceOhms() / RADIANS_PER_SECOND);
        } else {
            line("h%s %s %s v%s %.17g $ %s", n, middle, to, n, branch.ohms(), branch.id());
        }
    }

    private void line(String pattern, Object... values) {
        deck.append(String.format(Locale.ROOT, pattern, values)).append('\n');
    }

    private static Set<Terminal> reachedFrom(Terminal start, List<Branch> branches) {
        Map<Terminal, List<Terminal>> next = new HashMap<>();
        for (Branch branch : branches) {
            next.computeIfAbsent(branch.from(), t -> new ArrayList<>()).add(branch.to());
            next.computeIfAbsent(branch.to(), t -> new ArrayList<>()).add(branch.from());
        }
        Set<Terminal> reached = new java.util.HashSet<>(Set.of(start));
        Deque<Terminal> todo = new ArrayDeque<>(reached);
        while (!todo.isEmpty()) {
            for (Terminal neighbour : next.getOrDefault(todo.remove(), List.of())) {
                if (reached.add(neighbour)) {
                    todo.add(neighbour);
                }
            }
        }
        return reached;
    }
}
