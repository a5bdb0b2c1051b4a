package prantel.core.fault;

import java.util.List;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.stream.Stream;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Submain;
import prantel.core.rig.Supply;

/**
 * Which places a kind of fault fits, each with the words that refuse another place.
 *
 * @param why what to give instead
 */
record Where(BiPredicate<Place, Rig> fits, String why) {
    /** Said wherever a neutral carries the current of another circuit. Common practice, no source. */
    static final String PARTED_NEUTRAL =
            "the neutral of a circuit that is switched off comes alive when it is parted, as long as the other circuit"
                    + " is on. Isolate the whole board, not one circuit, before a neutral is touched.";

    static final Where BOND = new Where((p, r) -> p instanceof Place.AtBond, "give a main bond");
    static final Where SUPPLEMENTARY =
            new Where((p, r) -> p instanceof Place.AtSupplementaryBond, "give a supplementary bond");
    static final Where EARTHING =
            new Where((p, r) -> p instanceof Place.AtEarthingConductor, "give earthing-conductor");
    static final Where SUPPLY = new Where((p, r) -> p instanceof Place.AtSupply, "give supply");
    static final Where BOARD = new Where((p, r) -> p instanceof Place.AtBoard, "give a board");
    static final Where RESIDUAL =
            new Where((p, r) -> p instanceof Place.AtResidual, "give a residual-current device of the rig");
    static final Where CIRCUIT = new Where((p, r) -> p instanceof Place.AtCircuit, "give a circuit, at the board");
    static final Where POINT = new Where((p, r) -> p instanceof Place.AtPoint, "give a point of a circuit");

    /** A point with line, neutral and CPC of its own: not a lamp, a switch or a three-phase outlet. */
    static final Where ACCESSORY = POINT.and(
            (p, r) -> !(circuit(p, r) instanceof Lighting) && !circuit(p, r).isThreePhase(),
            "give a point of a single-phase socket or appliance circuit");

    static final Where GOES_ON = ACCESSORY.and(
            (p, r) -> circuit(p, r) instanceof Radial radial && radial.goesOn(at(p).point()),
            "give a point with cable going on from it: at the last point nothing lies beyond");
    static final Where RING_POINT = POINT.and(
            (p, r) -> circuit(p, r) instanceof Ring && point(p, r).after().isEmpty(), "give a socket on a ring");
    static final Where SPUR = POINT.and(
            (p, r) -> circuit(p, r) instanceof Ring && point(p, r).after().isPresent(), "give a spur of a ring");
    static final Where METAL = POINT.and((p, r) -> point(p, r).metal(), "give a point with exposed metalwork");
    static final Where LOADED = POINT.and(
            (p, r) -> point(p, r).load().isPresent() && !circuit(p, r).isThreePhase(), "give a point with a load");
    static final Where ELEMENT = ACCESSORY.and(
            (p, r) -> point(p, r)
                    .load()
                    .filter(l -> l.kind() == Load.Kind.ELEMENT)
                    .isPresent(),
            "give a point with a heating element");
    static final Where LAMP = POINT.and((p, r) -> point(p, r).kind() == PointKind.LAMP, "give a lamp");
    static final Where SWITCH = POINT.and((p, r) -> point(p, r).kind() == PointKind.SWITCH, "give a light switch");
    static final Where ISOLATOR = POINT.and(
            (p, r) -> point(p, r).kind() == PointKind.ISOLATOR && !circuit(p, r).isThreePhase(),
            "give a double-pole isolator");
    static final Where IN_METAL = ACCESSORY.and(
            (p, r) -> circuit(p, r).cable().enclosure().isPresent(), "give a point of a circuit in conduit or armour");
    static final Where FINAL_CIRCUIT =
            CIRCUIT.and((p, r) -> !(circuit(p, r) instanceof Submain), "give a final circuit, at the board");
    static final Where SINGLE_PHASE_CIRCUIT =
            FINAL_CIRCUIT.and((p, r) -> !circuit(p, r).isThreePhase(), "give a single-phase circuit, at the board");
    static final Where RING_AT_BOARD =
            CIRCUIT.and((p, r) -> circuit(p, r) instanceof Ring, "give a ring, at the board");
    static final Where THREE_PHASE_SUPPLY =
            SUPPLY.and((p, r) -> r.supply().isThreePhase(), "give the supply of a three-phase rig");
    static final Where SINGLE_PHASE_SUPPLY =
            SUPPLY.and((p, r) -> !r.supply().isThreePhase(), "give the supply of a single-phase rig");
    static final Where TN_SUPPLY =
            SUPPLY.and((p, r) -> r.supply().earth().earthing() != Supply.Earthing.TT, "give the supply of a TN rig");
    static final Where TT_SUPPLY =
            SUPPLY.and((p, r) -> r.supply().earth().earthing() == Supply.Earthing.TT, "give the supply of a TT rig");
    static final Where THREE_PHASE_POINT =
            POINT.and((p, r) -> circuit(p, r).isThreePhase(), "give a point of a three-phase circuit");

    Where and(BiPredicate<Place, Rig> more, String otherwise) {
        return new Where(fits.and(more), otherwise);
    }

    static Circuit circuit(Place place, Rig rig) {
        return rig.circuit(place.ofCircuit().orElseThrow());
    }

    static Place.AtPoint at(Place place) {
        if (place instanceof Place.AtPoint point) {
            return point;
        }
        throw new IllegalArgumentException("Not a point: " + place);
    }

    static Point point(Place place, Rig rig) {
        return circuit(place, rig).point(at(place).point());
    }

    static String name(Place place, Rig rig) {
        return point(place, rig).label();
    }

    /** The point this many steps along the circuit; empty beyond its ends. */
    static Optional<Place> neighbour(Place place, Rig rig, int steps) {
        Circuit circuit = circuit(place, rig);
        List<Point> points = circuit.points();
        int index = points.indexOf(point(place, rig)) + steps;
        return index < 0 || index >= points.size()
                ? Optional.empty()
                : Optional.of(new Place.AtPoint(circuit.id(), points.get(index).id()));
    }

    static List<Place> withNeighbour(Fault fault, Rig rig, int steps) {
        return Stream.concat(Stream.of(fault.place()), neighbour(fault.place(), rig, steps).stream())
                .toList();
    }

    /** The place itself first, then every other point of its circuit. */
    static List<Place> wholeCircuit(Fault fault, Rig rig) {
        Circuit circuit = circuit(fault.place(), rig);
        return Stream.concat(
                        Stream.of(fault.place()),
                        circuit.points().stream()
                                .<Place>map(p -> new Place.AtPoint(circuit.id(), p.id()))
                                .filter(p -> !p.equals(fault.place())))
                .toList();
    }

    static LightGroup group(Lighting lighting, PointId at) {
        return lighting.groups().stream()
                .filter(g -> g.switches().stream().anyMatch(s -> s.id().equals(at))
                        || g.lamps().stream().anyMatch(l -> l.id().equals(at)))
                .findFirst()
                .orElseThrow();
    }

    /** Position of a switch in its group, from 0; −1 for a lamp. */
    static int switchIndex(LightGroup group, PointId at) {
        return group.switches().stream().map(LightSwitch::id).toList().indexOf(at);
    }

    static LightGroup group(Place place, Rig rig) {
        return group((Lighting) circuit(place, rig), at(place).point());
    }

    /** A switch of a group of two and more that is first or last. */
    static final Where TWO_WAY = SWITCH.and(
            (p, r) -> {
                LightGroup group = group(p, r);
                int index = switchIndex(group, at(p).point());
                return group.switches().size() > 1
                        && (index == 0 || index == group.switches().size() - 1);
            },
            "give the first or last switch of a two-way group");

    static final Where INTERMEDIATE = SWITCH.and(
            (p, r) -> {
                LightGroup group = group(p, r);
                int index = switchIndex(group, at(p).point());
                return index > 0 && index < group.switches().size() - 1;
            },
            "give an intermediate switch");

    /** A switch that strappers lead to. */
    static final Where AFTER_STRAPPERS =
            SWITCH.and((p, r) -> switchIndex(group(p, r), at(p).point()) > 0, "give a switch that strappers lead to");

    /** A lamp alone in its group whose line comes to the lamp, or to a single switch. */
    static final Where LAMP_ALONE = LAMP.and(
            (p, r) -> {
                LightGroup group = group(p, r);
                return group.lamps().size() == 1
                        && (group.feed() == LightGroup.Feed.LAMP
                                || group.switches().size() == 1);
            },
            "give a lamp alone in its group, fed at the lamp or by one switch");

    static final Where LAMP_FED = LAMP.and(
            (p, r) -> {
                LightGroup group = group(p, r);
                return group.feed() == LightGroup.Feed.LAMP
                        && group.lamps().getFirst().id().equals(at(p).point());
            },
            "give the lamp at which its group is fed");

    /** Other circuits of the same board, as places at the board. */
    static List<Place> otherCircuits(Place place, Rig rig, BiPredicate<Circuit, Circuit> suits) {
        Circuit mine = circuit(place, rig);
        return rig.circuits().stream()
                .filter(c -> !c.id().equals(mine.id()) && !(c instanceof Submain))
                .filter(c -> c.way().board().equals(mine.way().board()) && suits.test(mine, c))
                .<Place>map(c -> new Place.AtCircuit(c.id()))
                .toList();
    }

    /** Whether neutrals pass through different residual-current devices. */
    static boolean behindOther(Circuit a, Circuit b) {
        boolean sameSection = a.way().section().equals(b.way().section());
        return !sameSection
                || a.device().residual().isPresent()
                || b.device().residual().isPresent();
    }

    static boolean isProtected(Rig rig, Circuit circuit) {
        return !Residuals.protecting(rig, circuit).isEmpty();
    }

    static boolean bothSinglePhase(Circuit a, Circuit b) {
        return !a.isThreePhase() && !b.isThreePhase();
    }

    static List<Conductor> live(Circuit circuit) {
        return circuit.conductors().stream().filter(c -> c != Conductor.CPC).toList();
    }
}
