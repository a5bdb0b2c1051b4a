package prantel.server.practice;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.Tester.Function;
import prantel.core.practice.Moment;
import prantel.core.practice.Place;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.RigControls;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.ProbesAt;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.BoardId;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.sequence.Slot;

/**
 * A deed as a learner's screen says it, and as it is kept.
 *
 * @param at what it is done to: a place, a switch or load, a board, a ring, a device; of NEXT the box it leads to
 * @param places where the leads go, or which ends come out
 * @param number test current, mA
 * @param flag whether from the negative half-wave
 */
record DeedInput(
        Verb verb,
        @Nullable String at,
        @Nullable String to,
        @Nullable List<String> places,
        @Nullable Double number,
        @Nullable Boolean flag) {

    enum Verb {
        /** What the guide would do next. */
        NEXT,
        OPERATE,
        RESET,
        LOCK,
        UNLOCK,
        PROVE_INDICATOR,
        PROVE_DEAD,
        COVER,
        TAKE_OUT,
        PUT_BACK,
        MOVE,
        LINK,
        UNLINK,
        CROSS,
        UNCROSS,
        LOADS_OUT,
        CLOSE_UP,
        CHOOSE,
        CURRENT,
        NULL_LEADS,
        PROBES,
        TAKE_READING,
        /** At what a box is about; of a box that is operated it is operated as well. */
        LOOK
    }

    /** The deeds it is, one after the other. @throws ProblemsException if the rig does not have what it names */
    List<Deed> deeds(Going going) {
        PracticeRig practice = going.practice();
        RigControls controls = going.controls();
        Moment now = going.now();
        Rig rig = practice.rig();
        return switch (verb) {
            case NEXT -> {
                Slot.Measured box = box(going);
                yield going.guide(box)
                        .next(now, going.asDone(box))
                        .map(List::of)
                        .orElse(List.of());
            }
            case OPERATE -> List.of(controls.operate(now, controls.control(place())));
            case RESET -> List.of(new Deed.Reset(place()));
            case LOCK -> List.of(new Deed.LockOff(board(rig)));
            case UNLOCK -> List.of(new Deed.Unlock(board(rig)));
            case PROVE_INDICATOR -> List.of(new Deed.ProveIndicator());
            case PROVE_DEAD -> List.of(new Deed.ProveDead(board(rig)));
            case COVER -> {
                Cover cover = CoverId.of(place(), practice);
                yield List.of(now.coversOff().contains(cover) ? new Deed.CoverOn(cover) : new Deed.CoverOff(cover));
            }
            case TAKE_OUT -> List.of(new Deed.TakeOut(ends(practice)));
            case PUT_BACK -> List.of(new Deed.PutBack(ends(practice)));
            case MOVE -> {
                List<Deed> deeds = new ArrayList<>();
                End end = end(practice.places().place(place()));
                if (!now.state().isOut(end)) {
                    deeds.add(new Deed.TakeOut(end));
                }
                deeds.add(new Deed.PutElsewhere(end, contact(practice, other())));
                yield deeds;
            }
            case LINK -> List.of(new Deed.Link(joint(practice)));
            case UNLINK -> List.of(new Deed.Unlink(joint(practice)));
            case CROSS -> List.of(new Deed.Cross(ring(rig), Conductor.of(other())));
            case UNCROSS -> List.of(new Deed.Uncross(ring(rig)));
            case LOADS_OUT -> List.of(new Deed.TakeLoadsOut(true));
            case CLOSE_UP -> List.of(new Deed.CloseUp());
            case CHOOSE -> List.of(new Deed.Choose(function()));
            case CURRENT ->
                List.of(new Deed.SetTestCurrent(
                        Check.between(number == null ? 0 : number, 1, 2000, "number", "mA"),
                        Boolean.TRUE.equals(flag)));
            case NULL_LEADS ->
                List.of(new Deed.NullLeads(
                        now.hand().function() == Function.CONTINUITY_WANDER_LEAD
                                ? Deed.Leads.WANDER_ON_MET
                                : Deed.Leads.PAIR));
            case PROBES ->
                List.of(new Deed.PutProbes(new ProbesAt.On((places == null ? List.<String>of() : places)
                        .stream().map(p -> contact(practice, p)).toList())));
            case TAKE_READING -> List.of(new Deed.TakeReading());
            case LOOK -> List.of();
        };
    }

    /** The box that is looked at, with nothing else to do before. */
    Optional<Slot.Measured> looksAt(Going going) {
        return switch (verb) {
            case LOOK -> Optional.of(box(going));
            case NEXT -> Optional.of(box(going)).filter(b -> going.guide(b).isToBeLookedAt(going.now(), b));
            default -> Optional.empty();
        };
    }

    private Slot.Measured box(Going going) {
        return going.box(place()).orElseThrow(() -> unknown("box"));
    }

    private String place() {
        return given(at, "at");
    }

    private String other() {
        return given(to, "to");
    }

    private String given(@Nullable String what, String field) {
        if (what == null) {
            throw new ProblemsException(new Problem("missing", field, "nothing", "say what " + verb + " is done to"));
        }
        return what;
    }

    private ProblemsException unknown(String what) {
        return new ProblemsException(new Problem(
                "unknown-" + what, "at", Check.quoted(String.valueOf(at)), "give one that this practice has"));
    }

    private BoardId board(Rig rig) {
        return rig.board(new BoardId(place())).id();
    }

    private CircuitId ring(Rig rig) {
        CircuitId id = new CircuitId(place());
        if (!(rig.circuit(id) instanceof Ring)) {
            throw unknown("ring");
        }
        return id;
    }

    private Function function() {
        for (Function function : Function.values()) {
            if (function.name().equals(at)) {
                return function;
            }
        }
        throw unknown("function");
    }

    private List<End> ends(PracticeRig practice) {
        List<String> all = places == null ? List.of(place()) : places;
        return all.stream().map(p -> end(practice.places().place(p))).toList();
    }

    private End end(Place place) {
        return place.end().orElseThrow(() -> unknown("end"));
    }

    private static Contact contact(PracticeRig practice, String id) {
        return practice.places().place(id).contact();
    }

    private Deed.Joint joint(PracticeRig practice) {
        return new Deed.Joint(contact(practice, place()), contact(practice, other()));
    }
}
