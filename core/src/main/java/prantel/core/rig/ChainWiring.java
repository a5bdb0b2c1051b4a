package prantel.core.rig;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.network.Terminal;

/** Wires the points of a radial or ring one after the other, spurs from where they come. */
final class ChainWiring {
    private final Circuit circuit;
    private final CircuitId id;
    private final Wiring wiring;

    ChainWiring(Circuit circuit, Wiring wiring) {
        this.circuit = circuit;
        this.id = circuit.id();
        this.wiring = wiring;
    }

    void add(Radial radial) {
        addPoints(radial.points());
    }

    void add(Ring ring) {
        addPoints(ring.points());
        Point last = ring.onRing().getLast();
        List<Terminal> ends = new ArrayList<>();
        for (Conductor conductor : ring.conductors()) {
            Terminal start = Places.cableOut(id, last.id(), conductor);
            Terminal end = Places.secondCableAtBoard(id, conductor);
            wiring.add(Places.outgoing(id, last.id(), conductor), out(last, conductor), start, wiring.termination());
            wiring.add(
                    Places.returnRun(id, conductor),
                    start,
                    end,
                    wiring.run(ring.cable(), conductor, ring.returnMetres()));
            ends.add(end);
        }
        wiring.addInsulation((a, b) -> Places.runInsulation(id, a, b), ring.conductors(), ends, ring.returnMetres());
        ring.cable()
                .enclosure()
                .ifPresent(e -> wiring.add(
                        Places.runEnclosure(id),
                        Places.enclosure(id, last.id()),
                        Places.earthBar(ring.way().board()),
                        wiring.run(e, ring.returnMetres()).and(wiring.termination())));
    }

    private void addPoints(List<Point> points) {
        for (int i = 0; i < points.size(); i++) {
            Point point = points.get(i);
            double metres = Chain.runMetres(points, i);
            Optional<Point> parent = Chain.parent(points, i);
            List<Wiring.Core> cores = circuit.conductors().stream()
                    .map(c -> core(point, parent, c))
                    .toList();
            wiring.addCable(id, point.id(), circuit.cable(), metres, cores);
            Terminal enclosureFrom = parent.map(p -> Places.enclosure(id, p.id()))
                    .orElse(Places.earthBar(circuit.way().board()));
            wiring.addEnclosure(id, point.id(), circuit.cable(), metres, enclosureFrom);
            wiring.addFront(id, point, circuit.conductors(), circuit.cable());
        }
    }

    private Wiring.Core core(Point point, Optional<Point> parent, Conductor conductor) {
        if (parent.isEmpty()) {
            return Wiring.Core.atBoard(id, conductor);
        }
        PointId before = parent.get().id();
        Terminal from = out(parent.get(), conductor);
        return point.after().isPresent()
                ? new Wiring.Core(
                        conductor,
                        from,
                        Places.departing(id, point.id(), conductor),
                        Places.cableFrom(id, point.id(), conductor))
                : new Wiring.Core(
                        conductor,
                        from,
                        Places.outgoing(id, before, conductor),
                        Places.cableOut(id, before, conductor));
    }

    /** Where a cable that goes on is connected: behind an isolator's poles. */
    private Terminal out(Point point, Conductor conductor) {
        return point.kind().hasPoleFor(conductor)
                ? Places.loadSide(id, point.id(), conductor)
                : Places.accessory(id, point.id(), conductor);
    }
}
