package prantel.core.practice;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.DeedEdits;
import prantel.core.procedure.DeedWords;
import prantel.core.procedure.End;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Board;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.RigCompiler;
import prantel.core.rig.Ring;

/** Every place of a rig that can be touched. */
public final class RigPlaces {
    private final Rig rig;
    private final Network compiled;
    private final DeedEdits edits;
    private final DeedWords words;
    private final Map<String, Place> byId = new LinkedHashMap<>();
    private final Map<Contact, Place> byContact = new HashMap<>();
    private final Map<Terminal, Place> byTerminal = new HashMap<>();

    public RigPlaces(Rig rig) {
        this.rig = rig;
        this.compiled = RigCompiler.compile(rig);
        this.edits = new DeedEdits(rig);
        this.words = new DeedWords(rig);
        addEarthing();
        rig.boards().forEach(this::addBoard);
        rig.circuits().forEach(this::addAtBoard);
        for (Circuit circuit : rig.circuits()) {
            circuit.points().forEach(p -> addPoint(circuit, p));
        }
        // where a spur's cable starts is known only when every accessory is
        for (Circuit circuit : rig.circuits()) {
            for (Point point : circuit.points()) {
                for (Conductor conductor : Conductor.values()) {
                    addDeparting(circuit, point, conductor);
                }
            }
        }
    }

    public Collection<Place> all() {
        return Collections.unmodifiableCollection(byId.values());
    }

    /** @throws ProblemsException if the rig has no such place */
    public Place place(String id) {
        Place place = byId.get(id);
        if (place == null) {
            throw new ProblemsException(
                    new Problem("unknown-place", "place", Check.quoted(id), "give a place of rig " + rig.id()));
        }
        return place;
    }

    public Optional<Place> at(Contact contact) {
        return Optional.ofNullable(byContact.get(contact));
    }

    /** Where a probe is held for a terminal of the compiled rig; empty for one that nobody can reach. */
    public Optional<Place> at(Terminal terminal) {
        return Optional.ofNullable(byTerminal.get(terminal));
    }

    /** What is in the way of a contact. */
    public Optional<Cover> cover(Contact contact) {
        return at(contact).flatMap(Place::cover);
    }

    private void addEarthing() {
        add("met", new Contact.Met(), Optional.empty());
        add("earthing-conductor", new Contact.AtEnd(new End.OfEarthing()), Optional.empty());
        for (MainBond bond : rig.bonds()) {
            add("bond:" + bond.id(), new Contact.AtEnd(new End.OfBond(bond.id())), Optional.empty());
            add("clamp:" + bond.id(), new Contact.Clamp(bond.id()), Optional.empty());
            add("part:" + bond.id(), new Contact.Part(bond.id()), Optional.empty());
        }
        add("supply-earth", new Contact.SupplyEarth(), Optional.empty());
        add("stake", new Contact.Stake(), Optional.empty());
    }

    private void addBoard(Board board) {
        Optional<Cover> cover = Optional.of(new Cover.OfBoard(board.id()));
        String id = "board:" + board.id();
        for (Conductor pole : rig.poles(board.id())) {
            add(id + ":incoming:" + pole.id(), new Contact.Incoming(board.id(), pole), cover);
            add(id + ":behind:" + pole.id(), new Contact.BehindMainSwitch(board.id(), pole), cover);
            for (Board.Section section : board.sections()) {
                add(id + ":" + section.id() + ":" + pole.id(), new Contact.Bar(board.id(), section.id(), pole), cover);
            }
        }
        add(id + ":earth", new Contact.EarthBar(board.id()), cover);
        for (Board.Section section : board.sections()) {
            add(
                    id + ":" + section.id() + ":tail",
                    new Contact.AtEnd(new End.OfNeutralTail(board.id(), section.id())),
                    cover);
        }
    }

    private void addAtBoard(Circuit circuit) {
        Optional<Cover> cover = Optional.of(new Cover.OfBoard(circuit.way().board()));
        String id = "circuit:" + circuit.id();
        for (Conductor conductor : circuit.conductors()) {
            add(id + ":" + conductor.id(), new Contact.AtEnd(new End.AtBoard(circuit.id(), conductor)), cover);
            if (circuit instanceof Ring) {
                add(
                        id + ":" + conductor.id() + ":second",
                        new Contact.AtEnd(new End.AtBoard(circuit.id(), conductor, true)),
                        cover);
            }
            add(id + ":device:" + conductor.id(), new Contact.DeviceOut(circuit.id(), conductor), cover);
        }
    }

    private void addPoint(Circuit circuit, Point point) {
        Optional<Cover> cover = Optional.of(new Cover.OfPoint(circuit.id(), point.id()));
        String id = "point:" + circuit.id() + ":" + point.id();
        boolean open = point.kind().probing() == PointKind.Probing.FRONT;
        for (Conductor conductor : Conductor.values()) {
            add(
                    id + ":front:" + conductor.id(),
                    new Contact.Front(circuit.id(), point.id(), conductor),
                    open ? Optional.empty() : cover);
            add(id + ":behind:" + conductor.id(), new Contact.Behind(circuit.id(), point.id(), conductor), cover);
            for (End.Side side : List.of(End.Side.INCOMING, End.Side.OUTGOING)) {
                addEnd(id, new End.AtPoint(circuit.id(), point.id(), conductor, side), cover);
            }
        }
        add(id + ":metalwork", new Contact.Metalwork(circuit.id(), point.id()), Optional.empty());
    }

    private void addDeparting(Circuit circuit, Point point, Conductor conductor) {
        End.AtPoint end = new End.AtPoint(circuit.id(), point.id(), conductor, End.Side.DEPARTING);
        if (compiled.has(DeedEdits.joint(end))) {
            Optional<Cover> cover =
                    at(compiled.branch(DeedEdits.joint(end)).from()).flatMap(Place::cover);
            addEnd("point:" + circuit.id() + ":" + point.id(), end, cover);
        }
    }

    private void addEnd(String of, End.AtPoint end, Optional<Cover> cover) {
        if (compiled.has(DeedEdits.joint(end))) {
            add(
                    of + ":" + end.side().name().toLowerCase(java.util.Locale.ROOT) + ":"
                            + end.conductor().id(),
                    new Contact.AtEnd(end),
                    cover);
        }
    }

    /** What the rig does not have is left out. */
    private void add(String id, Contact contact, Optional<Cover> cover) {
        Terminal terminal = edits.terminal(contact);
        if (!compiled.terminals().contains(terminal)) {
            return;
        }
        Place place = new Place(id, contact, terminal, words.contact(contact), cover);
        byId.put(id, place);
        byContact.put(contact, place);
        byTerminal.putIfAbsent(terminal, place);
    }

    /** Everything that can be taken off. */
    public List<Cover> covers() {
        List<Cover> covers = new ArrayList<>();
        rig.boards().forEach(b -> covers.add(new Cover.OfBoard(b.id())));
        for (Circuit circuit : rig.circuits()) {
            circuit.points().forEach(p -> covers.add(new Cover.OfPoint(circuit.id(), p.id())));
        }
        return covers;
    }
}
