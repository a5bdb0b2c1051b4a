package prantel.formats;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import prantel.core.expectation.Bench;
import prantel.core.expectation.Key;
import prantel.core.instrument.LiveMeters;
import prantel.core.network.Edit;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.rig.Residuals;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/**
 * Writes the readings of a key as a SPICE deck that a general circuit simulator runs unchanged: for each reading copies
 * of the network in its set-up, a source or load at the probes, and lines that print the quantities the reading rests on
 * ({@link Bench#quantities}). One analysis at mains frequency serves for all: a direct-current test is a resistive copy.
 * See {@code docs/formats/netlist.md}.
 */
public final class SpiceDeck {
    private final StringBuilder deck = new StringBuilder();
    private final List<String> prints = new ArrayList<>();
    private final Key key;
    private final Bench bench;
    private int copies;

    private SpiceDeck(Key key) {
        this.key = key;
        this.bench = new Bench(key.rig(), key.faults(), Variation.NONE);
    }

    /** The deck of every measured box, with the key's faults set. */
    public static String write(Key key) {
        List<Slot.Measured> slots = new ArrayList<>();
        key.expectations().forEach(e -> {
            if (e.slot() instanceof Slot.Measured slot) {
                slots.add(slot);
            }
        });
        return write(key, slots);
    }

    /** The deck of some boxes. Prints `reading-N-K = value` or `= open`: box N from 1 in the order given, quantity K. */
    public static String write(Key key, List<Slot.Measured> slots) {
        SpiceDeck writer = new SpiceDeck(key);
        writer.deck.append("* Prantel: readings of rig ").append(key.rig().id()).append(", ");
        writer.deck.append(key.faults().faults().size()).append(" faults set\n");
        for (int i = 0; i < slots.size(); i++) {
            writer.add(i + 1, slots.get(i));
        }
        writer.deck.append(".options gmin=1e-30\n.control\nset numdgt=9\nac lin 1 50 50\n");
        writer.prints.forEach(line -> writer.deck.append(line).append('\n'));
        return writer.deck.append("quit\n.endc\n.end\n").toString();
    }

    private void add(int number, Slot.Measured slot) {
        deck.append("\n* reading ")
                .append(number)
                .append(": ")
                .append(slot.id())
                .append('\n');
        Network network = bench.inSetUp(slot);
        switch (slot.measurement()) {
            case Measurement.TwoProbe probes -> twoProbe(number, network, probes);
            case Measurement.Trip trip -> trip(number, network, trip);
            case Measurement.Button button -> deck.append("* a test button draws nothing from the network\n");
            case Measurement.Looked looked -> deck.append("* looked at, not measured\n");
            case Measurement.Inspected inspected -> deck.append("* inspected, not measured\n");
            case Measurement.Rotation turn -> {
                voltage(number, 1, network, turn.l1(), turn.l2());
                voltage(number, 2, network, turn.l2(), turn.l3());
                voltage(number, 3, network, turn.l3(), turn.l1());
            }
            case Measurement.LoadCurrent load -> {
                Network loaded = bridged(network.with(load.connected()), load.a(), load.b(), load.loadOhms());
                SpiceCopy copy = live(loaded, load.b());
                print(number, 1, copy, load.a(), "mag(v(%s)) / " + load.loadOhms(), "0");
            }
            case Measurement.Operation operation -> {
                int k = 0;
                for (Measurement.Trial trial : operation.trials()) {
                    voltage(
                            number,
                            ++k,
                            indicated(network.with(trial.position()), trial.a(), trial.b()),
                            trial.a(),
                            trial.b());
                }
            }
        }
    }

    private void twoProbe(int number, Network network, Measurement.TwoProbe probes) {
        switch (probes.function()) {
            case VOLTAGE -> voltage(number, 1, indicated(network, probes.a(), probes.b()), probes.a(), probes.b());
            case FAULT_CURRENT -> {
                SpiceCopy copy = live(network, probes.b());
                if (copy.has(probes.a())) {
                    String probe = "vprobe" + copy.number();
                    deck.append(probe).append(' ').append(copy.node(probes.a())).append(" 0 0\n");
                    print(number, 1, copy, probes.a(), "mag(i(" + probe + "))", "0");
                } else {
                    print(number, 1, copy, probes.a(), "", "0");
                }
            }
            case LOOP_TWO_LEAD, LOOP_THREE_LEAD ->
                driven(number, new SpiceCopy(deck, ++copies, network, bench.sources(), false, probes.b()), probes.a());
            default -> driven(number, new SpiceCopy(deck, ++copies, network, List.of(), false, probes.b()), probes.a());
        }
    }

    /** 1 V across the probes: volts over amperes. */
    private void driven(int number, SpiceCopy copy, Terminal probe) {
        if (copy.has(probe)) {
            String source = "vprobe" + copy.number();
            deck.append(source).append(' ').append(copy.node(probe)).append(" 0 dc 0 ac 1\n");
            print(number, 1, copy, probe, "1 / mag(i(" + source + "))", "open");
        } else {
            print(number, 1, copy, probe, "", "open");
        }
    }

    private void voltage(int number, int quantity, Network network, Terminal a, Terminal b) {
        print(number, quantity, live(network, b), a, "mag(v(%s))", "0");
    }

    /** The forces on and nothing drawn, and 1 A drawn with the forces off: the residual current is put together of both. */
    private void trip(int number, Network network, Measurement.Trip trip) {
        SpiceCopy forces = live(network, trip.earth());
        SpiceCopy draw = new SpiceCopy(deck, ++copies, network, bench.sources(), false, trip.earth());
        List<Residuals.Placed> devices = Residuals.of(key.rig());
        if (!forces.has(trip.line())) {
            devices.forEach(d -> prints.add("echo reading-" + number + "-" + (devices.indexOf(d) + 1) + " = 0"));
            return;
        }
        deck.append("idraw")
                .append(draw.number())
                .append(' ')
                .append(draw.node(trip.line()))
                .append(" 0 dc 0 ac 1\n");
        String open = "v(" + forces.node(trip.line()) + ")";
        for (int i = 0; i < devices.size(); i++) {
            String alone = sum(forces, devices.get(i));
            String drawn = sum(draw, devices.get(i));
            emit(
                    number,
                    i + 1,
                    "mag(1000 * (" + alone + ") + " + trip.milliamps() + " * (" + drawn + ") * " + open + " / mag("
                            + open + "))");
        }
    }

    private static String sum(SpiceCopy copy, Residuals.Placed device) {
        String sum = device.poles().stream()
                .map(copy::ammeter)
                .flatMap(java.util.Optional::stream)
                .map(a -> "i(" + a + ")")
                .collect(Collectors.joining(" + "));
        return sum.isEmpty() ? "0" : sum;
    }

    private SpiceCopy live(Network network, Terminal reference) {
        return new SpiceCopy(deck, ++copies, network, bench.sources(), true, reference);
    }

    private static Network bridged(Network network, Terminal a, Terminal b, double ohms) {
        return network.with(List.of(new Edit.Bridge(a, b, ohms)));
    }

    private static Network indicated(Network network, Terminal a, Terminal b) {
        return bridged(network, a, b, LiveMeters.INDICATOR_OHMS);
    }

    /** @param expression of the probe's node, which takes the place of %s @param otherwise where nothing connects */
    private void print(int number, int quantity, SpiceCopy copy, Terminal probe, String expression, String otherwise) {
        if (copy.has(probe)) {
            emit(number, quantity, expression.replace("%s", copy.node(probe)));
        } else {
            deck.append("* nothing connects the probes\n");
            prints.add("echo reading-" + number + "-" + quantity + " = " + otherwise);
        }
    }

    private void emit(int number, int quantity, String expression) {
        String name = "reading_" + number + "_" + quantity;
        prints.add("let " + name + " = " + expression);
        prints.add("echo reading-" + number + "-" + quantity + " = $&" + name);
    }
}
