package prantel.core.practice;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.ProbesAt;
import prantel.core.procedure.RigState;
import prantel.core.rig.Conductor;

/** What can be done at all as things are. Whether it should be is {@link prantel.core.procedure.Need}'s question. */
final class Possible {
    private final PracticeRig rig;
    private final Moment now;
    private final RigState state;

    Possible(PracticeRig rig, Moment now) {
        this.rig = rig;
        this.now = now;
        this.state = now.state();
    }

    Optional<Cannot> cannot(Deed deed) {
        Optional<Cannot> covered = contacts(deed)
                .flatMap(c -> rig.places().cover(c).stream())
                .filter(c -> !now.coversOff().contains(c))
                .findFirst()
                .map(Cannot.Covered::new);
        return covered.isPresent() ? covered : Optional.ofNullable(because(deed));
    }

    private Cannot.@org.jspecify.annotations.Nullable Because because(Deed deed) {
        return switch (deed) {
            case Deed.MainSwitchOff off -> when(standing(off), Cannot.Because.OFF_ALREADY);
            case Deed.Energise on ->
                now.harm().supplyLost()
                        ? Cannot.Because.SUPPLY_LOST
                        : !standing(new Deed.MainSwitchOff(on.board()))
                                ? Cannot.Because.ON_ALREADY
                                : when(state.locks(on.board()), Cannot.Because.LOCKED);
            case Deed.LockOff lock ->
                !standing(new Deed.MainSwitchOff(lock.board()))
                        ? Cannot.Because.NOTHING_TO_LOCK
                        : when(state.locks(lock.board()), Cannot.Because.LOCKED);
            case Deed.Unlock unlock -> when(!state.locks(unlock.board()), Cannot.Because.NOT_LOCKED);
            case Deed.TakeOut out -> when(out.ends().stream().anyMatch(state::isOut), Cannot.Because.OUT_ALREADY);
            case Deed.PutBack back ->
                when(!back.ends().stream().allMatch(state::isOut), Cannot.Because.IN_ITS_TERMINAL);
            case Deed.PutElsewhere elsewhere ->
                elsewhere.where().equals(new Contact.AtEnd(elsewhere.end()))
                        ? Cannot.Because.SAME_PLACE
                        : when(!state.isOut(elsewhere.end()), Cannot.Because.NOT_OUT);
            case Deed.Link link ->
                link.joints().stream().anyMatch(j -> j.a().equals(j.b()))
                        ? Cannot.Because.SAME_PLACE
                        : when(link.joints().stream().anyMatch(this::isLinked), Cannot.Because.LINKED_ALREADY);
            case Deed.Unlink unlink -> when(!isLinked(unlink.joint()), Cannot.Because.NOT_LINKED);
            case Deed.Cross cross -> when(isCrossed(cross.ring()), Cannot.Because.LINKED_ALREADY);
            case Deed.Uncross uncross -> when(!isCrossed(uncross.ring()), Cannot.Because.NOT_LINKED);
            case Deed.LoadIn in ->
                now.harm().spoilt().contains(in)
                        ? Cannot.Because.SPOILT
                        : when(standing(in), Cannot.Because.LOAD_IN_ALREADY);
            case Deed.LoadOut out ->
                when(!standing(new Deed.LoadIn(out.circuit(), out.point())), Cannot.Because.NO_LOAD_IN);
            case Deed.SurgeProtectionIn in -> when(standing(in), Cannot.Because.LOAD_IN_ALREADY);
            case Deed.SurgeProtectionOut out ->
                when(!standing(new Deed.SurgeProtectionIn(out.board())), Cannot.Because.NO_LOAD_IN);
            case Deed.CoverOff off -> when(now.coversOff().contains(off.cover()), Cannot.Because.COVER_OFF_ALREADY);
            case Deed.CoverOn on -> when(!now.coversOff().contains(on.cover()), Cannot.Because.COVER_ON_ALREADY);
            case Deed.Reset reset -> when(!now.open().contains(reset.device()), Cannot.Because.NOT_TRIPPED);
            case Deed.PressTestButton press -> when(!rig.isResidual(press.device()), Cannot.Because.NO_SUCH_DEVICE);
            case Deed.NullLeads leads -> when(!now.hand().function().isContinuity(), Cannot.Because.NOTHING_TO_NULL);
            case Deed.PutProbes probes -> when(contacts(probes).size() > 3, Cannot.Because.TOO_MANY_PROBES);
            case Deed.TakeReading take -> notReadable();
            case Deed.TakeLoadsOut out ->
                when(
                        state.standing().stream()
                                .noneMatch(d -> d instanceof Deed.LoadIn || d instanceof Deed.SurgeProtectionIn),
                        Cannot.Because.NO_LOAD_IN);
            case Deed.Operate operate -> null;
            case Deed.ProveDead dead -> null;
            case Deed.ProveIndicator indicator -> null;
            case Deed.Choose choose -> null;
            case Deed.SetTestCurrent current -> null;
            case Deed.CloseUp up -> null;
            case Deed.Heed heed -> null;
        };
    }

    private Cannot.@org.jspecify.annotations.Nullable Because notReadable() {
        Hand hand = now.hand();
        return switch (hand.function()) {
            case RCD_BUTTON, OPERATION -> Cannot.Because.NOT_A_TESTERS;
            case CLAMP -> when(hand.probes().isEmpty(), Cannot.Because.PROBES_MISSING);
            case PHASE_ROTATION -> when(hand.probes().size() < 3, Cannot.Because.PROBES_MISSING);
            default -> when(hand.probes().size() < 2, Cannot.Because.PROBES_MISSING);
        };
    }

    private static Cannot.@org.jspecify.annotations.Nullable Because when(boolean so, Cannot.Because why) {
        return so ? why : null;
    }

    private boolean standing(Deed deed) {
        return state.standing().contains(deed);
    }

    private boolean isLinked(Deed.Joint joint) {
        Deed.Joint other = new Deed.Joint(joint.b(), joint.a());
        return state.standing().stream()
                .anyMatch(d -> d instanceof Deed.Link link
                        && (link.joints().contains(joint) || link.joints().contains(other)));
    }

    private boolean isCrossed(prantel.core.rig.CircuitId ring) {
        return state.standing().stream()
                .anyMatch(d -> d instanceof Deed.Cross c && c.ring().equals(ring));
    }

    /** Where leads are put; none for a place that only a scheme's words name. */
    static List<Contact> contacts(Deed.PutProbes probes) {
        return probes.at() instanceof ProbesAt.On on ? on.contacts() : List.of();
    }

    /** All that hands and probes must reach. */
    static Stream<Contact> contacts(Deed deed) {
        return switch (deed) {
            case Deed.TakeOut out -> out.ends().stream().map(Contact.AtEnd::new);
            case Deed.PutBack back -> back.ends().stream().map(Contact.AtEnd::new);
            case Deed.PutElsewhere elsewhere -> Stream.of(new Contact.AtEnd(elsewhere.end()), elsewhere.where());
            case Deed.Link link -> link.joints().stream().flatMap(j -> Stream.of(j.a(), j.b()));
            case Deed.Unlink unlink ->
                Stream.of(unlink.joint().a(), unlink.joint().b());
            case Deed.Cross cross -> Stream.of(new Contact.AtEnd(new End.AtBoard(cross.ring(), Conductor.LINE)));
            case Deed.Uncross uncross -> Stream.of(new Contact.AtEnd(new End.AtBoard(uncross.ring(), Conductor.LINE)));
            case Deed.PutProbes probes -> contacts(probes).stream();
            case Deed.ProveDead dead -> Stream.of(new Contact.EarthBar(dead.board()));
            default -> Stream.empty();
        };
    }

    /** What is in the way of a deed and off by now or not. */
    static Stream<Cover> covers(PracticeRig rig, Deed deed) {
        return contacts(deed).flatMap(c -> rig.places().cover(c).stream()).distinct();
    }
}
