package prantel.formats;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Key;
import prantel.core.network.Branch;
import prantel.core.network.Terminal;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;

/**
 * Writes the readings of a key as a SPICE deck that a general circuit simulator runs unchanged: for each reading a copy
 * of the network in its set-up, 1 V across the probes, and a line that prints volts over amperes. See {@code
 * docs/formats/netlist.md}.
 *
 * <p>Small resistances are written as current-controlled voltage sources: a milliohm stamped as a conductance beside
 * gigaohms loses the insulation readings to cancellation (0.14 % on a 40-point radial), as a voltage it does not.
 */
public final class SpiceDeck {
    private static final double LARGE_OHMS = 1000;

    private final StringBuilder deck = new StringBuilder();
    private final List<String> prints = new ArrayList<>();
    private int element;

    private SpiceDeck() {}

    /** The deck of every measured box, with the key's faults set. Prints `reading-N = Ω`, or says that it is open. */
    public static String write(Key key) {
        SpiceDeck writer = new SpiceDeck();
        writer.deck.append("* Prantel: readings of rig ").append(key.rig().id()).append(", ");
        writer.deck.append(key.faults().faults().size()).append(" faults set\n");
        Bench bench = new Bench(key.rig(), key.faults(), Variation.NONE);
        int number = 0;
        for (var expectation : key.expectations()) {
            if (expectation.slot() instanceof Slot.Measured slot) {
                writer.add(++number, slot, bench);
            }
        }
        writer.deck.append(".options gmin=1e-30\n.control\nset numdgt=9\nop\n");
        writer.prints.forEach(line -> writer.deck.append(line).append('\n'));
        return writer.deck.append("quit\n.endc\n.end\n").toString();
    }

    private void add(int number, Slot.Measured slot, Bench bench) {
        List<Branch> branches =
                bench.inSetUp(slot).branches().stream().filter(b -> !b.isOpen()).toList();
        Set<Terminal> reached = reachedFrom(slot.probeB(), branches);
        deck.append("\n* reading ")
                .append(number)
                .append(": ")
                .append(slot.id())
                .append(", ");
        deck.append(slot.quantity()).append(" at ").append(slot.where()).append('\n');
        if (!reached.contains(slot.probeA())) {
            deck.append("* open: nothing connects the probes\n");
            prints.add("echo reading-" + number + " = open");
            return;
        }
        Map<Terminal, String> nodes = new LinkedHashMap<>();
        nodes.put(slot.probeB(), "0");
        for (Branch branch : branches) {
            if (reached.contains(branch.from())) {
                resistor(number, node(nodes, number, branch.from()), node(nodes, number, branch.to()), branch);
            }
        }
        String probe = node(nodes, number, slot.probeA());
        deck.append("Vprobe").append(number).append(' ').append(probe).append(" 0 1\n");
        prints.add("let reading_" + number + " = -1/i(vprobe" + number + ")");
        prints.add("echo reading-" + number + " = $&reading_" + number);
    }

    private void resistor(int number, String from, String to, Branch branch) {
        if (from.equals(to)) {
            return;
        }
        int n = ++element;
        if (branch.ohms() > LARGE_OHMS) {
            deck.append(String.format(java.util.Locale.ROOT, "R%d %s %s %.17g%n", n, from, to, branch.ohms()));
        } else {
            String middle = "m" + number + "_" + n;
            deck.append(String.format(java.util.Locale.ROOT, "V%d %s %s 0%n", n, from, middle));
            deck.append(String.format(java.util.Locale.ROOT, "H%d %s %s V%d %.17g", n, middle, to, n, branch.ohms()));
            deck.append(" $ ").append(branch.id()).append('\n');
        }
    }

    private static String node(Map<Terminal, String> nodes, int number, Terminal terminal) {
        return nodes.computeIfAbsent(terminal, t -> "n" + number + "_" + nodes.size());
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
