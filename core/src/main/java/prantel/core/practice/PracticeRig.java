package prantel.core.practice;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Found;
import prantel.core.expectation.Opened;
import prantel.core.expectation.SimulatedRig;
import prantel.core.expectation.SuppliedRig;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Tester;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedEdits;
import prantel.core.procedure.End;
import prantel.core.procedure.Need;
import prantel.core.procedure.RigState;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.BondId;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;

/**
 * A rig to practise on: a deed at a moment gives the next moment and what else came of it, all of it worked out on the
 * network. The same deeds give the same, always. Safe for use by several threads.
 */
public final class PracticeRig {
    /** A hand on one metal and a foot on the ground, Ω. IEC 60479-1 gives 1000 to 2000 at mains voltage; from memory. */
    public static final double BODY_OHMS = 2000;
    /** What may be touched for good, V. IEC 60364-4-41, conventional touch voltage limit, from memory. */
    public static final double TOUCH_VOLTS = 50;
    /** From here an ohmmeter or insulation tester warns and will not test, V. Common practice, no source. */
    public static final double TESTER_WARNS_VOLTS = 25;
    /** From here its input fuse goes, V. Common practice, no source. */
    public static final double FUSE_VOLTS = 300;
    /** What an insulation test may leave across electronics, V: more than mains peak. Common practice, no source. */
    public static final double SPOILING_VOLTS = 350;
    /** Less of it means that something shorts the supply before anything that opens. */
    private static final double SUPPLY_SHARE = 0.5;

    private static final int DEED_SECONDS = 10;

    private final Rig rig;
    private final Tester tester;
    private final SimulatedRig simulated;
    private final RigPlaces places;
    private final DeedEdits edits;
    private final List<Contact> metal = new ArrayList<>();
    private final Map<String, List<BranchId>> residuals = new HashMap<>();
    private final LoadsOnTheRig loads;
    private final TesterInHand hands;
    private final ProvingDead proving;
    /** Most deeds leave the rig as it is. */
    private volatile @Nullable Last last;

    private record Last(List<Deed> standing, Set<String> open, SuppliedRig supplied) {}

    public PracticeRig(Rig rig, Tester tester, SimulatedRig simulated) {
        this.rig = rig;
        this.tester = tester;
        this.simulated = simulated;
        this.places = new RigPlaces(rig);
        this.edits = new DeedEdits(rig);
        for (Place place : places.all()) {
            if (isMetal(place.contact())) {
                metal.add(place.contact());
            }
        }
        Residuals.of(rig).forEach(p -> residuals.put(p.id(), p.poles()));
        this.loads = new LoadsOnTheRig(rig);
        this.hands = new TesterInHand(this);
        this.proving = new ProvingDead(this);
    }

    /** Just as its file says. */
    public static PracticeRig declared(Rig rig, FaultSet faults, Tester tester) {
        return new PracticeRig(rig, tester, SimulatedRig.asDeclared(rig, faults));
    }

    /** As hands would build it, each conductor, joint and insulation a little otherwise. @param seed the same gives the same */
    public static PracticeRig built(Rig rig, FaultSet faults, Tester tester, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        return new PracticeRig(
                rig,
                tester,
                SimulatedRig.asBuilt(
                        rig,
                        faults,
                        () -> new Variation(
                                random.nextDouble(0.99, 1.01),
                                random.nextDouble(0.8, 1.3),
                                random.nextDouble(0.8, 1.25),
                                random.nextDouble(0.98, 1.02),
                                1,
                                1,
                                1)));
    }

    private static boolean isMetal(Contact contact) {
        return contact instanceof Contact.Met
                || contact instanceof Contact.Metalwork
                || contact instanceof Contact.Part
                || contact instanceof Contact.Front front && front.conductor() == Conductor.CPC;
    }

    public Rig rig() {
        return rig;
    }

    public Tester tester() {
        return tester;
    }

    public RigPlaces places() {
        return places;
    }

    /** In service: live, covers on, every load in. */
    public Moment asFound() {
        RigState state = RigState.untouched(rig);
        for (Circuit circuit : rig.circuits()) {
            for (Point point : circuit.points()) {
                if (point.load().isPresent()) {
                    state = state.after(new Deed.LoadIn(circuit.id(), point.id()));
                }
            }
        }
        for (Board board : rig.boards()) {
            if (board.surgeProtection()) {
                state = state.after(new Deed.SurgeProtectionIn(board.id()));
            }
        }
        Moment found = new Moment(
                state,
                Set.of(),
                Set.of(),
                Set.of(),
                Hand.NEW,
                Moment.Proof.NONE,
                Moment.Harm.NONE,
                Optional.empty(),
                0);
        SuppliedRig supplied = supplied(state, Set.of());
        return found.opened(supplied.open(), Set.of()).with(harm(found.harm(), supplied));
    }

    public Answer after(Moment now, Deed deed) {
        Optional<Cannot> cannot = new Possible(this, now).cannot(deed);
        if (cannot.isPresent()) {
            return Answer.cannot(now, cannot.get());
        }
        List<Need> slips = needs(now, deed);
        List<Consequence> consequences = new ArrayList<>(shocks(now, deed));
        Moment next = switch (deed) {
            case Deed.TakeReading take -> hands.reading(now, consequences);
            case Deed.PressTestButton press -> hands.button(now, press, consequences);
            case Deed.ProveDead dead -> proving.proved(now, dead, consequences);
            case Deed.ProveIndicator indicator -> proving.indicated(now);
            case Deed.Choose choose ->
                now.with(now.hand().choosing(choose.function())).showing(Optional.empty());
            case Deed.SetTestCurrent current ->
                now.with(now.hand().drawing(current.milliamps(), current.negativeHalf()))
                        .showing(Optional.empty());
            case Deed.NullLeads leads ->
                now.harm().fuseGone()
                        ? now
                        : now.with(now.hand().nulling(leads.leads())).showing(Optional.empty());
            case Deed.PutProbes probes ->
                now.with(now.hand().probing(Possible.contacts(probes))).showing(Optional.empty());
            case Deed.CoverOff off -> {
                Set<Cover> covers = new HashSet<>(now.coversOff());
                covers.add(off.cover());
                if (isOverLiveParts(now, off.cover())) {
                    consequences.add(new Consequence.LiveOpen(off.cover()));
                }
                yield now.uncovered(covers);
            }
            case Deed.CoverOn on -> {
                Set<Cover> covers = new HashSet<>(now.coversOff());
                covers.remove(on.cover());
                yield closed(now.uncovered(covers));
            }
            case Deed.Reset reset -> changed(now, now.state(), without(now.open(), reset), deed, consequences);
            case Deed.CloseUp up ->
                changed(now.uncovered(Set.of()), now.state().after(up), now.open(), deed, consequences);
            default -> changed(now, now.state().after(deed), now.open(), deed, consequences);
        };
        return new Answer(
                next.after(
                        deed instanceof Deed.TakeReading
                                ? TesterInHand.seconds(now.hand().function())
                                : DEED_SECONDS),
                Optional.empty(),
                slips,
                consequences);
    }

    /** Operated and looked at, or only looked at: what a box that no tester is for comes to as things are. */
    public Answer look(Moment now, Slot.Measured box) {
        Optional<Saying> found = found(now, box);
        if (found.isEmpty()) {
            return Answer.cannot(now, Cannot.Because.A_TESTERS);
        }
        Saying saying = found.get();
        List<FaultKind> seen =
                box.measurement() instanceof Measurement.Inspected item ? simulated.seen(item) : List.of();
        Moment.Display display =
                new Moment.Display(new Reading.Said(saying), now.hand(), new Moment.By.Eye(box.id()), Optional.empty());
        return new Answer(
                now.showing(Optional.of(display)).after(DEED_SECONDS),
                Optional.empty(),
                List.of(),
                List.of(new Consequence.Looked(saying, seen)));
    }

    private Optional<Saying> found(Moment now, Slot.Measured box) {
        return switch (box.measurement()) {
            case Measurement.Inspected item -> said(simulated.inspected(item));
            case Measurement.Looked looked -> Optional.of(new Closing(now).found(box, looked.saying()));
            case Measurement.Operation operation ->
                now.harm().supplyLost()
                        ? Optional.of(operation.wrong())
                        : said(supplied(now).take(operation).found());
            default -> Optional.empty();
        };
    }

    private static Optional<Saying> said(Found found) {
        return found instanceof Found.Words words ? Optional.of(words.saying()) : Optional.empty();
    }

    private boolean isOverLiveParts(Moment now, Cover cover) {
        return places.all().stream()
                .anyMatch(p -> p.cover().filter(cover::equals).isPresent() && isLive(now, p.contact()));
    }

    /** What was closed up by hand is closed up as well. */
    private static Moment closed(Moment moment) {
        boolean everythingBack = moment.coversOff().isEmpty()
                && moment.state().standing().stream().noneMatch(RigState::isOpening);
        return everythingBack ? moment.with(moment.state().after(new Deed.CloseUp())) : moment;
    }

    private static List<Need> needs(Moment now, Deed deed) {
        return Need.missing(now.state(), deed).stream()
                .filter(n -> n != Need.CLOSED_UP || !now.isClosedUp())
                .toList();
    }

    private static Set<String> without(Set<String> open, Deed.Reset reset) {
        Set<String> rest = new HashSet<>(open);
        rest.remove(reset.device());
        return rest;
    }

    /** Something of the rig is other than before: what opens, and what becomes live. */
    private Moment changed(Moment now, RigState state, Set<String> open, Deed deed, List<Consequence> consequences) {
        SuppliedRig supplied = supplied(state, open);
        for (Opened one : supplied.opened()) {
            consequences.add(new Consequence.Tripped(one, Consequence.During.DEED));
        }
        Moment.Harm harm = loads.burnt(harm(now.harm(), supplied), state, supplied, consequences);
        if (harm.supplyLost() && !now.harm().supplyLost()) {
            consequences.add(new Consequence.SupplyLost());
        }
        List<BondId> unbonded = unbonded(state);
        if (!unbonded.isEmpty() && !unbonded.equals(unbonded(now.state()))) {
            consequences.add(new Consequence.Unbonded(unbonded));
        }
        List<Contact> newlyLive = metal.stream()
                .filter(c ->
                        harm.liveMetal().contains(c) && !now.harm().liveMetal().contains(c))
                .sorted(Comparator.comparingDouble(c -> -touchVolts(supplied, c)))
                .toList();
        if (!newlyLive.isEmpty()) {
            consequences.add(new Consequence.MetalLive(newlyLive, touchVolts(supplied, newlyLive.getFirst())));
        }
        Set<String> again = new HashSet<>();
        if (deed instanceof Deed.Reset reset
                && supplied.opened().stream().anyMatch(o -> o.id().equals(reset.device()))) {
            again.addAll(now.stubborn());
            again.add(reset.device());
        }
        Moment next = now.with(state)
                .opened(supplied.open(), again)
                .with(harm)
                .with(energises(now.state(), state) ? Moment.Proof.NONE : now.proof())
                .showing(Optional.empty());
        return deed instanceof Deed.CloseUp ? next : closed(next);
    }

    private List<BondId> unbonded(RigState state) {
        return rig.boards().stream().noneMatch(b -> state.isEnergised(b.id()))
                ? List.of()
                : rig.bonds().stream()
                        .map(MainBond::id)
                        .filter(b -> state.isOut(new End.OfBond(b)))
                        .toList();
    }

    /** Whether a load has its supply: a lamp is lit, a heater is warm. */
    public boolean isRunning(Moment now, Deed.LoadIn load) {
        return !now.harm().supplyLost() && !now.harm().spoilt().contains(load) && loads.isRunning(load, supplied(now));
    }

    private boolean energises(RigState before, RigState after) {
        return rig.boards().stream().anyMatch(b -> !before.isEnergised(b.id()) && after.isEnergised(b.id()));
    }

    private Moment.Harm harm(Moment.Harm before, SuppliedRig supplied) {
        BoardId origin = rig.origin().id();
        boolean lost = before.supplyLost()
                || rig.lines(origin).stream()
                        .anyMatch(l -> supplied.volts(
                                        Places.incoming(rig, origin, l),
                                        Places.incoming(rig, origin, Conductor.NEUTRAL))
                                < SUPPLY_SHARE * rig.supply().nominalVolts());
        Set<Contact> live = new HashSet<>();
        if (!lost) {
            metal.stream().filter(c -> touchVolts(supplied, c) >= TOUCH_VOLTS).forEach(live::add);
        }
        return new Moment.Harm(before.spoilt(), before.fuseGone(), lost, live);
    }

    /** To the ground, with somebody between. */
    private double touchVolts(SuppliedRig supplied, Contact contact) {
        return supplied.volts(edits.terminal(contact), Places.MASS_OF_EARTH, BODY_OHMS);
    }

    /** What bare hands meet. */
    private List<Consequence> shocks(Moment now, Deed deed) {
        List<Contact> touched = touched(deed);
        if (touched.isEmpty() || now.harm().supplyLost()) {
            return List.of();
        }
        SuppliedRig supplied = supplied(now);
        return touched.stream()
                .map(c -> new Consequence.Shock(c, touchVolts(supplied, c)))
                .filter(s -> s.volts() >= TOUCH_VOLTS)
                .max(Comparator.comparingDouble(Consequence.Shock::volts))
                .<List<Consequence>>map(List::of)
                .orElse(List.of());
    }

    private static List<Contact> touched(Deed deed) {
        return switch (deed) {
            case Deed.TakeOut out -> ends(out.ends());
            case Deed.PutBack back -> ends(back.ends());
            case Deed.PutElsewhere elsewhere -> List.of(new Contact.AtEnd(elsewhere.end()), elsewhere.where());
            case Deed.Link link ->
                link.joints().stream()
                        .flatMap(j -> java.util.stream.Stream.of(j.a(), j.b()))
                        .toList();
            case Deed.Unlink unlink ->
                List.of(unlink.joint().a(), unlink.joint().b());
            case Deed.Cross cross -> ringEnds(cross.ring(), cross.with());
            case Deed.Uncross uncross -> ringEnds(uncross.ring(), Conductor.NEUTRAL);
            default -> List.of();
        };
    }

    private static List<Contact> ends(List<End> ends) {
        return ends.stream().<Contact>map(Contact.AtEnd::new).toList();
    }

    private static List<Contact> ringEnds(prantel.core.rig.CircuitId ring, Conductor with) {
        return ends(List.of(
                new End.AtBoard(ring, Conductor.LINE, false),
                new End.AtBoard(ring, Conductor.LINE, true),
                new End.AtBoard(ring, with, false),
                new End.AtBoard(ring, with, true)));
    }

    /** The rig of a moment with its supply. */
    SuppliedRig supplied(Moment moment) {
        return supplied(moment.state(), moment.open());
    }

    private SuppliedRig supplied(RigState state, Set<String> open) {
        Last known = last;
        if (known == null
                || !known.standing().equals(state.standing())
                || !known.open().equals(open)) {
            known = new Last(state.standing(), open, simulated.supplied(new SetUp(rig, state.standing()), open));
            last = known;
        }
        return known.supplied();
    }

    private boolean isLive(Moment moment, Contact contact) {
        return !moment.harm().supplyLost() && touchVolts(supplied(moment), contact) >= TOUCH_VOLTS;
    }

    /** What the reading on the display is made of; empty where no current flows, or none is shown. */
    public Optional<CurrentPath> path(Moment moment) {
        return moment.display()
                .filter(d -> d.by() == Moment.By.TESTER && d.hand().probes().size() >= 2)
                .flatMap(d -> CurrentPath.of(this, moment, d.hand()));
    }

    /**
     * What the display would show were one joint or contact of its path as good as it was meant to be; empty for a leg that
     * is no such thing, or where nothing is shown.
     */
    public Optional<Reading> tightened(Moment moment, CurrentPath.Leg leg) {
        return moment.display()
                .filter(d -> leg.isLoose())
                .flatMap(d -> CurrentPath.of(
                                with(simulated.tightened(
                                        leg.branch(),
                                        simulated
                                                .compiled()
                                                .branch(leg.branch())
                                                .ohms())),
                                moment,
                                d.hand())
                        .flatMap(p -> tester.meter(d.hand().function()).map(m -> m.show(p.ohms()))));
    }

    private PracticeRig with(SimulatedRig other) {
        return new PracticeRig(rig, tester, other);
    }

    Network network(Moment moment, double volts) {
        return simulated.network(new SetUp(rig, moment.standing()), moment.open(), volts);
    }

    /** What opened by itself, by id, as it is called. */
    public Map<String, String> labels(Moment moment) {
        return simulated.labels(moment.open());
    }

    boolean isResidual(String device) {
        return residuals.containsKey(device);
    }

    /** What a residual-current device switches, line first. */
    List<BranchId> poles(String device) {
        return java.util.Objects.requireNonNull(residuals.get(device));
    }

    DeedEdits edits() {
        return edits;
    }
}
