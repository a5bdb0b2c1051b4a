package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import prantel.core.network.BranchId;
import prantel.core.network.Edit;
import prantel.core.network.Terminal;
import prantel.core.rig.BoardId;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.LightGroup;
import prantel.core.rig.Lighting;
import prantel.core.rig.Loads;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;

/** What a deed does to the network of its compiled rig. The only place that knows. */
public final class DeedEdits {
    private final Rig rig;

    public DeedEdits(Rig rig) {
        this.rig = rig;
    }

    /** Of deeds one after the other; of one that is undone by a later one see {@link RigState#standing}. */
    public List<Edit> of(List<Deed> deeds) {
        return deeds.stream().flatMap(d -> of(d).stream()).toList();
    }

    /** Empty for a deed that changes nothing there. */
    public List<Edit> of(Deed deed) {
        return switch (deed) {
            case Deed.MainSwitchOff off -> mainSwitchOff(off.board());
            case Deed.TakeOut out -> out.ends().stream().map(this::open).toList();
            case Deed.PutElsewhere elsewhere ->
                List.of(new Edit.Bridge(terminal(elsewhere.end()), terminal(elsewhere.where()), jointOhms()));
            case Deed.Link link ->
                link.joints().stream().map(j -> bridge(j, jointOhms())).toList();
            case Deed.Cross cross -> crossed(cross);
            case Deed.Operate operate -> of(operate.position());
            case Deed.LoadIn in -> Loads.in(rig.circuit(in.circuit()), point(in.circuit(), in.point()));
            case Deed.SurgeProtectionIn in -> Loads.surgeProtection(rig, rig.board(in.board()));
            // as compiled: loads out, everything on, every end in its terminal
            case Deed.TakeLoadsOut takeLoadsOut -> List.of();
            case Deed.PutBack putBack -> List.of();
            case Deed.Unlink unlink -> List.of();
            case Deed.CloseUp closeUp -> List.of();
            case Deed.Energise energise -> List.of();
            case Deed.Reset reset -> List.of();
            case Deed.Uncross uncross -> List.of();
            case Deed.LoadOut loadOut -> List.of();
            case Deed.SurgeProtectionOut surgeOut -> List.of();
            case Deed.CoverOff coverOff -> List.of();
            case Deed.CoverOn coverOn -> List.of();
            case Deed.Unlock unlock -> List.of();
            case Deed.ProveIndicator proveIndicator -> List.of();
            case Deed.SetTestCurrent testCurrent -> List.of();
            case Deed.TakeReading takeReading -> List.of();
            case Deed.LockOff lockOff -> List.of();
            case Deed.ProveDead proveDead -> List.of();
            case Deed.NullLeads nullLeads -> List.of();
            case Deed.Choose choose -> List.of();
            case Deed.PutProbes putProbes -> List.of();
            case Deed.PressTestButton pressTestButton -> List.of();
            case Deed.Heed heed -> List.of();
        };
    }

    private List<Edit> of(Position position) {
        return switch (position) {
            case Position.Device device -> device.on() ? List.of() : deviceOff(rig.circuit(device.circuit()));
            case Position.Feed feed ->
                feed.on()
                        ? List.of()
                        : rig.poles(feed.board()).stream()
                                .<Edit>map(p -> new Edit.Open(Places.feed(feed.board(), feed.section(), p)))
                                .toList();
            case Position.FarSwitch far -> far.on() ? List.of() : mainSwitchOff(far.board());
            // the origin's is off already: the whole rig is isolated
            case Position.AllTogether all ->
                all.board().equals(rig.origin().id()) ? List.of() : mainSwitchOff(all.board());
            case Position.Isolator isolator -> isolator.on() ? List.of() : isolatorOff(isolator);
            case Position.Timer timer ->
                timer.on()
                        ? List.of()
                        : rig.circuit(timer.circuit()).lines().stream()
                                .<Edit>map(l -> new Edit.Open(Places.pole(timer.circuit(), timer.point(), l)))
                                .toList();
            case Position.Lights lights ->
                LightStates.edits(lights.circuit(), group(lights.circuit(), lights.group()), lights.state());
            case Position.Round round -> LightStates.round(lighting(round.circuit()), round.operated());
        };
    }

    private List<Edit> mainSwitchOff(BoardId board) {
        return rig.poles(board).stream()
                .<Edit>map(p -> new Edit.Open(Places.mainSwitch(board, p)))
                .toList();
    }

    private static List<Edit> deviceOff(Circuit circuit) {
        List<Edit> edits = new ArrayList<>();
        circuit.lines().forEach(l -> edits.add(new Edit.Open(Places.breaker(circuit.id(), l))));
        if (circuit.device().residual().isPresent()) {
            edits.add(new Edit.Open(Places.breaker(circuit.id(), Conductor.NEUTRAL)));
        }
        return edits;
    }

    private List<Edit> isolatorOff(Position.Isolator isolator) {
        List<Edit> off = new ArrayList<>();
        Circuit circuit = rig.circuit(isolator.circuit());
        circuit.lines().forEach(l -> off.add(new Edit.Open(Places.pole(circuit.id(), isolator.point(), l))));
        off.add(new Edit.Open(Places.pole(circuit.id(), isolator.point(), Conductor.NEUTRAL)));
        return off;
    }

    private Edit open(End end) {
        return new Edit.Open(joint(end));
    }

    /** Where an end meets its terminal. */
    public static BranchId joint(End end) {
        return switch (end) {
            case End.AtBoard at ->
                at.second()
                        ? Places.secondTerminationAtBoard(at.circuit(), at.conductor())
                        : Places.terminationAtBoard(at.circuit(), at.conductor());
            case End.AtPoint at -> joint(at);
            case End.OfBond of -> Places.bondAtMet(of.bond());
            case End.OfNeutralTail of -> Places.feed(of.board(), of.section(), Conductor.NEUTRAL);
            case End.OfEarthing of -> Places.EARTHING_CONDUCTOR_AT_MET;
        };
    }

    private static BranchId joint(End.AtPoint at) {
        return switch (at.side()) {
            case INCOMING -> Places.incoming(at.circuit(), at.point(), at.conductor());
            case OUTGOING -> Places.outgoing(at.circuit(), at.point(), at.conductor());
            case DEPARTING -> Places.departing(at.circuit(), at.point(), at.conductor());
        };
    }

    private static Terminal free(End.AtPoint at) {
        return switch (at.side()) {
            case INCOMING -> Places.cableIn(at.circuit(), at.point(), at.conductor());
            case OUTGOING -> Places.cableOut(at.circuit(), at.point(), at.conductor());
            case DEPARTING -> Places.cableFrom(at.circuit(), at.point(), at.conductor());
        };
    }

    private Terminal terminal(End end) {
        return switch (end) {
            case End.AtBoard at ->
                at.second()
                        ? Places.secondCableAtBoard(at.circuit(), at.conductor())
                        : Places.cableAtBoard(at.circuit(), at.conductor());
            case End.AtPoint at -> free(at);
            case End.OfBond of -> Places.bondMetEnd(of.bond());
            case End.OfNeutralTail of -> Places.behindMainSwitch(of.board(), Conductor.NEUTRAL);
            case End.OfEarthing of -> Places.EARTHING_CONDUCTOR_END;
        };
    }

    /** Where it is in the compiled rig. */
    public Terminal terminal(Contact contact) {
        return switch (contact) {
            case Contact.AtEnd at -> terminal(at.end());
            case Contact.EarthBar bar -> Places.earthBar(bar.board());
            case Contact.Bar bar -> Places.bar(bar.board(), bar.section(), bar.pole());
            case Contact.BehindMainSwitch behind -> Places.behindMainSwitch(behind.board(), behind.pole());
            case Contact.Incoming in -> Places.incoming(rig, in.board(), in.pole());
            case Contact.Met met -> Places.MET;
            case Contact.DeviceOut out -> Places.breakerOut(out.circuit(), out.pole());
            case Contact.SupplyEarth supply -> Places.SUPPLY_EARTH;
            case Contact.Stake stake -> Places.MASS_OF_EARTH;
            case Contact.Behind behind -> Places.accessory(behind.circuit(), behind.point(), behind.conductor());
            case Contact.Front front -> Places.front(front.circuit(), front.point(), front.conductor());
            case Contact.Metalwork metal -> Places.metalwork(metal.circuit(), metal.point());
            case Contact.Clamp clamp -> Places.clamp(clamp.bond());
            case Contact.Part part -> Places.part(part.bond());
        };
    }

    private Edit bridge(Deed.Joint joint, double ohms) {
        return new Edit.Bridge(terminal(joint.a()), terminal(joint.b()), ohms);
    }

    /** Each through a connector, which has two joints. */
    private List<Edit> crossed(Deed.Cross cross) {
        return joints(cross).stream().map(j -> bridge(j, 2 * jointOhms())).toList();
    }

    /** What a crossing joins. */
    public static List<Deed.Joint> joints(Deed.Cross cross) {
        return switch (cross.legs()) {
            case CROSSWISE -> List.of(joint(cross, false, true), joint(cross, true, false));
            case EACH_WITH_ITSELF -> List.of(joint(cross, false, false), joint(cross, true, true));
            case FIRST_LINE_ONLY -> List.of(joint(cross, false, true));
            case SECOND_LINE_ONLY -> List.of(joint(cross, true, false));
        };
    }

    private static Deed.Joint joint(Deed.Cross cross, boolean lineOfSecond, boolean withOfSecond) {
        return new Deed.Joint(
                new Contact.AtEnd(new End.AtBoard(cross.ring(), Conductor.LINE, lineOfSecond)),
                new Contact.AtEnd(new End.AtBoard(cross.ring(), cross.with(), withOfSecond)));
    }

    private Lighting lighting(CircuitId circuit) {
        return (Lighting) rig.circuit(circuit);
    }

    private LightGroup group(CircuitId circuit, String id) {
        return lighting(circuit).group(id);
    }

    private Point point(CircuitId circuit, PointId id) {
        return rig.circuit(circuit).point(id);
    }

    /** Of one joint as this rig's are made. */
    private double jointOhms() {
        return rig.workmanship().terminationMilliohms() / 1000;
    }
}
