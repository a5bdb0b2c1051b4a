package prantel.core.practice;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.Terminal;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.Need;
import prantel.core.procedure.ProbesAt;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/**
 * The way from any moment to a reading, one deed after the other: what is too much is taken back, what is missing is done,
 * and each only after what it needs.
 */
public final class Guide {
    private final PracticeRig practice;
    private final Rig rig;
    private final boolean unnulled;

    public Guide(PracticeRig practice) {
        this(practice, false);
    }

    /** @param unnulled whether it leads as somebody goes who never nulls the leads */
    public Guide(PracticeRig practice, boolean unnulled) {
        this.practice = practice;
        this.rig = practice.rig();
        this.unnulled = unnulled;
    }

    /** The next deed towards a box's reading; empty when it stands on the display, or is not taken with a tester. */
    public Optional<Deed> next(Moment now, Slot.Measured box) {
        if (isOnDisplay(now, box) && difference(now, box).isNone()) {
            return Optional.empty();
        }
        Optional<Deed> atTheRig = towards(now, box);
        return atTheRig.isPresent() || box.measurement().isByEye() ? atTheRig : atTheTester(now, box);
    }

    /** Whether the rig is as a box asks, and it only wants a look. */
    public boolean isToBeLookedAt(Moment now, Slot.Measured box) {
        return box.measurement().isByEye()
                && !isOnDisplay(now, box)
                && towards(now, box).isEmpty();
    }

    /** What of the rig is still otherwise than a box asks for. */
    public Difference difference(Moment now, Slot.Measured box) {
        Set<Alteration> is = Alteration.of(rig, now.standing());
        Set<Alteration> wanted = wanted(box);
        boolean loadsMatter = loadsMatter(box);
        List<Deed> tooMuch = is.stream()
                .filter(a -> !wanted.contains(a) && (loadsMatter || !a.isLoad()))
                .map(Alteration::undone)
                .toList();
        List<Deed> missing = wanted.stream()
                .filter(a -> !is.contains(a))
                .map(Alteration::made)
                .toList();
        return new Difference(tooMuch, missing);
    }

    /**
     * @param tooMuch deeds that take back what is done and not asked for
     * @param missing deeds that are asked for and not done
     */
    public record Difference(List<Deed> tooMuch, List<Deed> missing) {
        public Difference {
            tooMuch = List.copyOf(tooMuch);
            missing = List.copyOf(missing);
        }

        public boolean isNone() {
            return tooMuch.isEmpty() && missing.isEmpty();
        }
    }

    private Set<Alteration> wanted(Slot.Measured box) {
        List<Deed> deeds = new ArrayList<>(box.setUp().state().standing());
        if (box.measurement() instanceof Measurement.LoadCurrent) {
            box.circuit().ifPresent(c -> box.spot().point().ifPresent(p -> deeds.add(new Deed.LoadIn(c, p))));
        }
        return new LinkedHashSet<>(Alteration.of(rig, deeds));
    }

    private static boolean loadsMatter(Slot.Measured box) {
        return box.setUp().deed(Deed.TakeLoadsOut.class).isPresent()
                || box.function().isLive() && box.circuit().isPresent();
    }

    private Optional<Deed> towards(Moment now, Slot.Measured box) {
        if (box.step() == TestKind.INDICATOR) {
            return now.proof().indicator() ? Optional.empty() : Optional.of(new Deed.ProveIndicator());
        }
        Set<Alteration> is = Alteration.of(rig, now.standing());
        Set<Alteration> wanted = wanted(box);
        Difference difference = difference(now, box);
        List<Deed> todo = new ArrayList<>();
        wanted.stream()
                .filter(a -> a.isMainSwitch() && !is.contains(a))
                .map(Alteration::made)
                .forEach(todo::add);
        boolean loadsIn = difference.tooMuch().stream()
                .anyMatch(d -> d instanceof Deed.LoadOut || d instanceof Deed.SurgeProtectionOut);
        difference.tooMuch().stream()
                .filter(d -> !(d instanceof Deed.Energise
                        || d instanceof Deed.LoadOut
                        || d instanceof Deed.SurgeProtectionOut))
                .forEach(todo::add);
        if (loadsIn) {
            todo.add(new Deed.TakeLoadsOut(true));
        }
        if (difference.tooMuch().stream().anyMatch(Deed.Energise.class::isInstance)) {
            todo.addAll(toEnergise(now, difference));
        }
        BoardId off = isolatedAt(box.setUp().state().standing());
        if (box.setUp().deed(Deed.LockOff.class).isPresent() && !now.state().isLocked(off)) {
            todo.add(new Deed.LockOff(off));
        }
        if (box.setUp().deed(Deed.ProveDead.class).isPresent() && !now.state().isProvedDead(off)) {
            todo.add(new Deed.ProveDead(off));
        }
        difference.missing().stream()
                .filter(d -> !(d instanceof Deed.MainSwitchOff))
                .forEach(todo::add);
        // what opened is put on again, once: what is open leaves its part out of a dead test as well
        now.open().stream()
                .filter(id -> !now.stubborn().contains(id))
                .sorted()
                .map(Deed.Reset::new)
                .forEach(todo::add);
        return todo.stream().findFirst().map(d -> before(now, together(d, todo)));
    }

    /** Ends of one circuit come out, and go back, in one deed. */
    private static Deed together(Deed deed, List<Deed> todo) {
        return switch (deed) {
            case Deed.TakeOut out ->
                new Deed.TakeOut(todo.stream()
                        .filter(Deed.TakeOut.class::isInstance)
                        .flatMap(d -> ((Deed.TakeOut) d).ends().stream())
                        .filter(e -> isOfTheSame(e, out.ends().getFirst()))
                        .toList());
            case Deed.PutBack back ->
                new Deed.PutBack(todo.stream()
                        .filter(Deed.PutBack.class::isInstance)
                        .flatMap(d -> ((Deed.PutBack) d).ends().stream())
                        .filter(e -> isOfTheSame(e, back.ends().getFirst()))
                        .distinct()
                        .toList());
            default -> deed;
        };
    }

    private static boolean isOfTheSame(End a, End b) {
        return a.equals(b)
                || a instanceof End.AtBoard x
                        && b instanceof End.AtBoard y
                        && x.circuit().equals(y.circuit());
    }

    /** The board nearest to the supply whose main switch is off; the first of all while none is. */
    private BoardId isolatedAt(List<Deed> standing) {
        BoardId origin = rig.origin().id();
        return standing.contains(new Deed.MainSwitchOff(origin))
                ? origin
                : rig.boards().stream()
                        .map(Board::id)
                        .filter(b -> standing.contains(new Deed.MainSwitchOff(b)))
                        .findFirst()
                        .orElse(origin);
    }

    private List<Deed> toEnergise(Moment now, Difference difference) {
        List<Deed> deeds = new ArrayList<>();
        if (!now.isClosedUp()) {
            deeds.add(new Deed.CloseUp());
        }
        difference.tooMuch().stream()
                .filter(Deed.Energise.class::isInstance)
                .map(Deed.Energise.class::cast)
                .forEach(on -> {
                    if (now.state().locks(on.board())) {
                        deeds.add(new Deed.Unlock(on.board()));
                    }
                    deeds.add(on);
                });
        return deeds;
    }

    /** What a deed needs and is not so, first. */
    private Deed before(Moment now, Deed deed) {
        List<Need> missing = Need.missing(now.state(), deed);
        BoardId origin = rig.origin().id();
        if (missing.contains(Need.ISOLATED)) {
            return new Deed.MainSwitchOff(origin);
        }
        if (missing.contains(Need.LOCKED)) {
            return new Deed.LockOff(isolatedAt(now.standing()));
        }
        Optional<Cover> cover = Possible.covers(practice, deed)
                .filter(c -> !now.coversOff().contains(c))
                .findFirst();
        if (missing.contains(Need.PROVED_DEAD) && !(deed instanceof Deed.ProveDead)) {
            return before(now, new Deed.ProveDead(isolatedAt(now.standing())));
        }
        return cover.<Deed>map(Deed.CoverOff::new).orElse(deed);
    }

    // the tester

    private Optional<Deed> atTheTester(Moment now, Slot.Measured box) {
        if (box.measurement() instanceof Measurement.Button(String device)) {
            return Optional.of(new Deed.PressTestButton(device));
        }
        Hand hand = now.hand();
        if (hand.function() != box.function()) {
            return Optional.of(new Deed.Choose(box.function()));
        }
        if (box.measurement() instanceof Measurement.Trip trip
                && (hand.milliamps() != trip.milliamps() || hand.negativeHalf() != trip.negativeHalf())) {
            return Optional.of(new Deed.SetTestCurrent(trip.milliamps(), trip.negativeHalf()));
        }
        if (hand.function().isContinuity() && !hand.isNulled() && !unnulled) {
            return Optional.of(new Deed.NullLeads(leads(box)));
        }
        List<Contact> places = probes(box);
        if (places.isEmpty()) {
            return Optional.empty();
        }
        if (!hand.probes().equals(places)) {
            return Optional.of(before(now, new Deed.PutProbes(new ProbesAt.On(places))));
        }
        return Optional.of(new Deed.TakeReading());
    }

    private static Deed.Leads leads(Slot.Measured box) {
        if (box.function() == Function.CONTINUITY) {
            return Deed.Leads.PAIR;
        }
        return box.setUp()
                .deed(Deed.NullLeads.class)
                .map(Deed.NullLeads::leads)
                .filter(l -> l != Deed.Leads.PAIR)
                .orElse(Deed.Leads.WANDER_ON_MET);
    }

    /** Whether the display shows what a box asks for, taken as it asks. */
    public boolean isOnDisplay(Moment now, Slot.Measured box) {
        return now.display()
                .filter(d -> switch (d.by()) {
                    case Moment.By.Eye(var seen) -> seen.equals(box.id());
                    case Moment.By.Button(String pressed) ->
                        box.measurement() instanceof Measurement.Button(String device) && device.equals(pressed);
                    case Moment.By.OfTester tester ->
                        !box.measurement().isByEye() && d.hand().equals(now.hand()) && isHeldFor(now.hand(), box);
                })
                .isPresent();
    }

    private boolean isHeldFor(Hand hand, Slot.Measured box) {
        boolean draws = !(box.measurement() instanceof Measurement.Trip trip)
                || hand.milliamps() == trip.milliamps() && hand.negativeHalf() == trip.negativeHalf();
        return draws
                && hand.function() == box.function()
                && (!hand.function().isContinuity() || hand.isNulled() || unnulled)
                && hand.probes().equals(probes(box));
    }

    /** Where the leads go for a box, in their order; none for one that is not taken with a tester. */
    public List<Contact> probes(Slot.Measured box) {
        return switch (box.measurement()) {
            case Measurement.TwoProbe two -> {
                List<Terminal> at = new ArrayList<>(List.of(two.a(), two.b()));
                two.neutral().ifPresent(at::add);
                yield at(at);
            }
            case Measurement.Trip trip -> at(List.of(trip.line(), trip.earth()));
            case Measurement.Rotation turn -> at(List.of(turn.l1(), turn.l2(), turn.l3()));
            case Measurement.LoadCurrent load ->
                box.circuit()
                        .<Contact>map(c -> new Contact.AtEnd(
                                new End.AtBoard(c, rig.circuit(c).lines().getFirst())))
                        .map(List::of)
                        .orElse(List.of());
            case Measurement.Button button -> List.of();
            case Measurement.Looked looked -> List.of();
            case Measurement.Inspected inspected -> List.of();
            case Measurement.Operation operation -> List.of();
        };
    }

    private List<Contact> at(List<Terminal> terminals) {
        List<Contact> contacts = new ArrayList<>();
        for (Terminal terminal : terminals) {
            practice.places().at(terminal).map(Place::contact).ifPresent(contacts::add);
        }
        return contacts.size() == terminals.size() ? contacts : List.of();
    }
}
