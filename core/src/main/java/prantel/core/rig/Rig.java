package prantel.core.rig;

import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** A training rig: everything on the wall that a reading depends on. Immutable; a change makes another version. */
public record Rig(
        String id,
        String name,
        Supply supply,
        EarthingConductor earthingConductor,
        List<MainBond> bonds,
        Workmanship workmanship,
        List<Circuit> circuits) {

    public Rig {
        Check.id(id, "id");
        Check.name(name, "name");
        bonds = List.copyOf(bonds);
        circuits = List.copyOf(circuits);
        Check.distinct(bonds, b -> b.id().value(), "bonds");
        Check.distinct(circuits, c -> c.id().value(), "circuits");
        Check.that(!circuits.isEmpty(), "bad-count", "circuits", "no circuit", "give at least one circuit");
        Map<Integer, CircuitId> ways = new HashMap<>();
        for (int i = 0; i < circuits.size(); i++) {
            CircuitId first =
                    ways.putIfAbsent(circuits.get(i).way(), circuits.get(i).id());
            Check.that(
                    first == null,
                    "way-taken",
                    "circuits/" + i + "/way",
                    String.valueOf(circuits.get(i).way()),
                    "circuit " + first + " is on that way; give each circuit its own");
        }
    }

    /** @throws ProblemsException if the rig has no such circuit, naming those it has */
    public Circuit circuit(CircuitId wanted) {
        return circuits.stream()
                .filter(c -> c.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-circuit",
                        "circuit",
                        Check.quoted(wanted.value()),
                        "give a circuit of rig " + id + ": "
                                + circuits.stream().map(c -> c.id().value()).collect(Collectors.joining(", ")))));
    }

    /** @throws ProblemsException if the rig has no such bond, naming those it has */
    public MainBond bond(BondId wanted) {
        return bonds.stream()
                .filter(b -> b.id().equals(wanted))
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new Problem(
                        "unknown-bond",
                        "bond",
                        Check.quoted(wanted.value()),
                        "give a bond of rig " + id + ": "
                                + bonds.stream().map(b -> b.id().value()).collect(Collectors.joining(", ")))));
    }
}
