package prantel.core.rig;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;
import static prantel.core.rig.Conductor.STRAPPER_1;
import static prantel.core.rig.Conductor.STRAPPER_2;
import static prantel.core.rig.Conductor.SWITCHED_LINE;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.network.Terminal;

/** Wires a lighting circuit: trunk, lamps, switches, strappers. Every group is switched on through strapper 1. */
final class LightWiring {
    private final Lighting circuit;
    private final CircuitId id;
    private final Wiring wiring;

    LightWiring(Lighting circuit, Wiring wiring) {
        this.circuit = circuit;
        this.id = circuit.id();
        this.wiring = wiring;
    }

    void add() {
        PointId trunk = null;
        for (LightGroup group : circuit.groups()) {
            boolean atLamp = group.feed() == LightGroup.Feed.LAMP;
            LightGroup.Lamp lamp = group.lamps().getFirst();
            LightSwitch first = group.switches().getFirst();
            if (atLamp) {
                cable(trunk, lamp.id(), lamp.runMetres(), true, LINE, NEUTRAL, CPC);
                cable(lamp.id(), first.id(), first.runMetres(), false, LINE, SWITCHED_LINE, CPC);
                trunk = lamp.id();
            } else {
                cable(trunk, first.id(), first.runMetres(), true, LINE, NEUTRAL, CPC);
                cable(group.beforeLamps().id(), lamp.id(), lamp.runMetres(), false, SWITCHED_LINE, NEUTRAL, CPC);
                trunk = first.id();
            }
            addLamps(group);
            addSwitches(group);
        }
    }

    private void addLamps(LightGroup group) {
        for (int i = 0; i < group.lamps().size(); i++) {
            LightGroup.Lamp lamp = group.lamps().get(i);
            if (i > 0) {
                PointId before = group.lamps().get(i - 1).id();
                cable(before, lamp.id(), lamp.runMetres(), false, SWITCHED_LINE, NEUTRAL, CPC);
            }
            Point point = new Point(
                    lamp.id(),
                    lamp.label(),
                    PointKind.LAMP,
                    1,
                    Optional.empty(),
                    Optional.of(lamp.load()),
                    lamp.metal());
            wiring.addFront(id, point, List.of(SWITCHED_LINE, NEUTRAL, CPC), circuit.cable());
        }
    }

    private void addSwitches(LightGroup group) {
        List<LightSwitch> switches = group.switches();
        int last = switches.size() - 1;
        for (int i = 0; i <= last; i++) {
            PointId at = switches.get(i).id();
            wiring.add(
                    Places.contact(id, at, CPC),
                    Places.accessory(id, at, CPC),
                    Places.front(id, at, CPC),
                    wiring.termination());
            wiring.addMetalwork(id, at, false, circuit.cable());
            if (last == 0) {
                contact(at, "1", accessory(at, LINE), accessory(at, SWITCHED_LINE), true);
            } else if (i == 0) {
                contact(at, "1", accessory(at, LINE), accessory(at, STRAPPER_1), true);
                contact(at, "2", accessory(at, LINE), accessory(at, STRAPPER_2), false);
            } else if (i == last) {
                contact(at, "1", accessory(at, STRAPPER_1), accessory(at, SWITCHED_LINE), true);
                contact(at, "2", accessory(at, STRAPPER_2), accessory(at, SWITCHED_LINE), false);
            } else {
                addIntermediate(at);
            }
            if (i < last) {
                strapperCable(at, switches.get(i + 1), i > 0, group.feed() == LightGroup.Feed.THROUGH);
            }
        }
    }

    private void addIntermediate(PointId at) {
        contact(at, "straight-1", accessory(at, STRAPPER_1), Places.onward(id, at, STRAPPER_1), true);
        contact(at, "straight-2", accessory(at, STRAPPER_2), Places.onward(id, at, STRAPPER_2), true);
        contact(at, "crossed-1", accessory(at, STRAPPER_1), Places.onward(id, at, STRAPPER_2), false);
        contact(at, "crossed-2", accessory(at, STRAPPER_2), Places.onward(id, at, STRAPPER_1), false);
    }

    private void contact(PointId at, String which, Terminal from, Terminal to, boolean closed) {
        if (closed) {
            wiring.add(Places.switchContact(id, at, which), from, to, Wiring.CLOSED_CONTACT);
        } else {
            wiring.addOpen(Places.switchContact(id, at, which), from, to);
        }
    }

    /** @param onward whether the lamps hang beyond the last switch */
    private void strapperCable(PointId from, LightSwitch next, boolean fromIntermediate, boolean onward) {
        PointId to = next.id();
        double metres = next.runMetres();
        List<Wiring.Core> cores = List.of(STRAPPER_1, STRAPPER_2, onward ? NEUTRAL : SWITCHED_LINE, CPC).stream()
                .map(c -> new Wiring.Core(
                        c,
                        fromIntermediate && (c == STRAPPER_1 || c == STRAPPER_2)
                                ? Places.onward(id, from, c)
                                : accessory(from, c),
                        Places.departing(id, to, c),
                        Places.cableFrom(id, to, c),
                        c == STRAPPER_2 ? next.secondStrapperMoreMetres() : 0))
                .toList();
        wiring.addCable(id, to, circuit.cable(), metres, cores);
        wiring.addEnclosure(id, to, circuit.cable(), metres, Places.enclosure(id, from));
    }

    /** @param from null for the board */
    private void cable(@Nullable PointId from, PointId to, double metres, boolean trunk, Conductor... conductors) {
        List<Wiring.Core> cores = java.util.Arrays.stream(conductors)
                .map(c -> core(from, to, trunk, c))
                .toList();
        wiring.addCable(id, to, circuit.cable(), metres, cores);
        Terminal enclosureFrom = from == null ? Places.earthBar(circuit.way().board()) : Places.enclosure(id, from);
        wiring.addEnclosure(id, to, circuit.cable(), metres, enclosureFrom);
    }

    private Wiring.Core core(@Nullable PointId from, PointId to, boolean trunk, Conductor conductor) {
        if (from == null) {
            return Wiring.Core.atBoard(id, conductor);
        }
        return trunk
                ? new Wiring.Core(
                        conductor,
                        accessory(from, conductor),
                        Places.outgoing(id, from, conductor),
                        Places.cableOut(id, from, conductor))
                : new Wiring.Core(
                        conductor,
                        accessory(from, conductor),
                        Places.departing(id, to, conductor),
                        Places.cableFrom(id, to, conductor));
    }

    private Terminal accessory(PointId at, Conductor conductor) {
        return Places.accessory(id, at, conductor);
    }
}
