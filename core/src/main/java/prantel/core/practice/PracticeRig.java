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
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Tester.Function;
import prantel.core.network.BranchId;
import prantel.core.network.Network;
import prantel.core.network.Terminal;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedEdits;
import prantel.core.procedure.End;
import prantel.core.procedure.Isolation;
import prantel.core.procedure.Need;
import prantel.core.procedure.RigState;
import prantel.core.procedure.SetUp;
import prantel.core.rig.Board;
import prantel.core.rig.BoardId;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Load;
import prantel.core.rig.Loads;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.sequence.Measurement;

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
            case Deed.TakeReading take -> reading(now, consequences);
            case Deed.PressTestButton press -> button(now, press, consequences);
            case Deed.ProveDead dead -> proved(now, dead, consequences);
            case Deed.ProveIndicator indicator -> indicated(now);
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
                next.after(deed instanceof Deed.TakeReading ? seconds(now.hand().function()) : DEED_SECONDS),
                Optional.empty(),
                slips,
                consequences);
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
        Moment.Harm harm = harm(now.harm(), supplied);
        if (harm.supplyLost() && !now.harm().supplyLost()) {
            consequences.add(new Consequence.SupplyLost());
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

    // the indicator

    private Moment indicated(Moment now) {
        // proved again after every pair was found dead: the proof is complete
        Moment next = now.with(new Moment.Proof(true, now.proof().pairs()));
        if (now.proof().indicator()) {
            for (Board board : rig.boards()) {
                if (now.proof().pairs().containsAll(pairs(board.id()))) {
                    next = next.with(next.state().after(new Deed.ProveDead(board.id())));
                }
            }
        }
        return next.with(new Moment.Proof(true, Set.of()));
    }

    private List<Moment.Pair> pairs(BoardId board) {
        List<Conductor> there = new ArrayList<>(rig.poles(board));
        there.add(Conductor.CPC);
        return Isolation.pairs(rig).stream()
                .filter(there::containsAll)
                .map(p -> new Moment.Pair(board, Set.copyOf(p)))
                .toList();
    }

    /** Every pair in one go, the indicator proved before and after. */
    private Moment proved(Moment now, Deed.ProveDead dead, List<Consequence> consequences) {
        SuppliedRig supplied = supplied(now);
        for (Moment.Pair pair : pairs(dead.board())) {
            List<Conductor> of = List.copyOf(pair.of());
            Contact a = behind(dead.board(), of.getFirst());
            Contact b = behind(dead.board(), of.getLast());
            double volts = now.harm().supplyLost() ? 0 : supplied.volts(edits.terminal(a), edits.terminal(b));
            if (volts >= TOUCH_VOLTS) {
                consequences.add(new Consequence.NotDead(a, b, volts));
                return now.with(Moment.Proof.NONE);
            }
        }
        return now.with(now.state().after(dead)).with(new Moment.Proof(true, Set.of()));
    }

    private static Contact behind(BoardId board, Conductor pole) {
        return pole == Conductor.CPC ? new Contact.EarthBar(board) : new Contact.BehindMainSwitch(board, pole);
    }

    /** Which pair behind a main switch two probes are on; empty for any other places. */
    private static Optional<Moment.Pair> pair(List<Contact> probes) {
        if (probes.size() != 2) {
            return Optional.empty();
        }
        Set<Conductor> of = new HashSet<>();
        Set<BoardId> boards = new HashSet<>();
        for (Contact probe : probes) {
            switch (probe) {
                case Contact.BehindMainSwitch(BoardId board, Conductor pole) -> {
                    of.add(pole);
                    boards.add(board);
                }
                case Contact.EarthBar(BoardId board) -> {
                    of.add(Conductor.CPC);
                    boards.add(board);
                }
                default -> {}
            }
        }
        return of.size() == 2 && boards.size() == 1
                ? Optional.of(new Moment.Pair(boards.iterator().next(), of))
                : Optional.empty();
    }

    // the tester

    private Moment button(Moment now, Deed.PressTestButton press, List<Consequence> consequences) {
        SuppliedRig supplied = supplied(now);
        // its own current comes from what it feeds: without that the button does nothing
        List<BranchId> poles = java.util.Objects.requireNonNull(residuals.get(press.device()));
        Terminal line = supplied.network().branch(poles.getFirst()).to();
        Terminal neutral = supplied.network().branch(poles.getLast()).to();
        if (now.harm().supplyLost() || supplied.volts(line, neutral) < TOUCH_VOLTS) {
            return now;
        }
        SuppliedRig.Taken taken = supplied.take(new Measurement.Button(press.device()));
        taken.opened().forEach(o -> consequences.add(new Consequence.Tripped(o, Consequence.During.BUTTON)));
        return now.opened(taken.open(), Set.of());
    }

    private Moment reading(Moment now, List<Consequence> consequences) {
        Hand hand = now.hand();
        Moment next = hand.function().isLive() ? live(now, consequences) : dead(now, consequences);
        return pair(hand.probes())
                .filter(p -> hand.function() == Function.VOLTAGE
                        && now.proof().indicator()
                        && next.display()
                                .filter(d -> d.reading().base() < TOUCH_VOLTS)
                                .isPresent())
                .map(p -> next.with(next.proof().and(p)))
                .orElse(next);
    }

    private static Moment showing(Moment now, Reading reading) {
        return now.showing(Optional.of(new Moment.Display(reading, now.hand())));
    }

    private Terminal probe(Hand hand, int lead) {
        return edits.terminal(hand.probes().get(lead));
    }

    private Moment dead(Moment now, List<Consequence> consequences) {
        Hand hand = now.hand();
        Function function = hand.function();
        Meter meter = tester.meter(function).orElseThrow();
        Terminal a = probe(hand, 0);
        Terminal b = probe(hand, 1);
        double volts = now.harm().supplyLost() ? 0 : supplied(now).volts(a, b);
        if (volts >= FUSE_VOLTS && function.isContinuity()) {
            consequences.add(new Consequence.FuseGone(volts));
            Moment.Harm harm = now.harm();
            return now.with(new Moment.Harm(harm.spoilt(), true, harm.supplyLost(), harm.liveMetal()))
                    .showing(Optional.empty());
        }
        if (volts >= TESTER_WARNS_VOLTS) {
            consequences.add(new Consequence.Refused(volts));
            return now.showing(Optional.empty());
        }
        Network network = simulated.network(new SetUp(rig, now.standing()), now.open(), function.volts());
        double ohms = network.resistance(a, b);
        if (function.isContinuity() && now.harm().fuseGone()) {
            ohms = Double.POSITIVE_INFINITY;
        }
        double leads = function.isContinuity() && !hand.isNulled() ? tester.leadOhms(function) : 0;
        Moment next = showing(now, ohms == Double.POSITIVE_INFINITY ? meter.overRange() : meter.show(ohms + leads));
        return function.isInsulation() ? spoilt(next, network, a, b, consequences) : next;
    }

    /** Electronics that are in take their share of the test voltage. */
    private Moment spoilt(Moment now, Network network, Terminal a, Terminal b, List<Consequence> consequences) {
        Set<Deed.LoadIn> spoilt = new HashSet<>(now.harm().spoilt());
        double volts = now.hand().function().volts();
        for (Deed deed : now.standing()) {
            if (deed instanceof Deed.LoadIn in && !spoilt.contains(in)) {
                double across = volts * share(network, a, b, in);
                if (across >= SPOILING_VOLTS && isElectronic(in)) {
                    spoilt.add(in);
                    consequences.add(new Consequence.Spoilt(in, across));
                }
            }
        }
        Moment.Harm harm = now.harm();
        return now.with(new Moment.Harm(spoilt, harm.fuseGone(), harm.supplyLost(), harm.liveMetal()));
    }

    private boolean isElectronic(Deed.LoadIn in) {
        return rig.circuit(in.circuit())
                .point(in.point())
                .load()
                .map(Load::isElectronic)
                .orElse(false);
    }

    /** Of the voltage between two terminals what lies across a load. */
    private double share(Network network, Terminal a, Terminal b, Deed.LoadIn in) {
        Circuit circuit = rig.circuit(in.circuit());
        double most = 0;
        for (Loads.Between ends : Loads.between(circuit, circuit.point(in.point()))) {
            most = Math.max(most, network.share(a, b, ends.a(), ends.b()));
        }
        return most;
    }

    private Moment live(Moment now, List<Consequence> consequences) {
        Hand hand = now.hand();
        if (now.harm().supplyLost()) {
            return now.showing(Optional.empty());
        }
        SuppliedRig supplied = supplied(now);
        if (hand.function() == Function.CLAMP) {
            double amps = hand.probes().getFirst() instanceof Contact.AtEnd(End end)
                    ? supplied.amps(DeedEdits.joint(end))
                    : 0;
            return showing(now, tester.meter(Function.CLAMP).orElseThrow().show(amps));
        }
        SuppliedRig.Taken taken = supplied.take(measurement(hand));
        taken.opened().forEach(o -> consequences.add(new Consequence.Tripped(o, Consequence.During.TEST)));
        Reading reading = switch (taken.found()) {
            case Found.Number number ->
                tester.meter(hand.function()).orElseThrow().show(number.base());
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped ->
                new Reading.NoReading(
                        stopped.stop(),
                        stopped.where(),
                        tester.meter(hand.function()).orElseThrow().overRange().unit());
        };
        return showing(now, reading).opened(taken.open(), now.stubborn());
    }

    private Measurement measurement(Hand hand) {
        Function function = hand.function();
        return switch (function) {
            case RCD_TIME, RCD_RAMP ->
                new Measurement.Trip(function, probe(hand, 0), probe(hand, 1), hand.milliamps(), hand.negativeHalf());
            case PHASE_ROTATION -> new Measurement.Rotation(probe(hand, 0), probe(hand, 1), probe(hand, 2));
            default ->
                new Measurement.TwoProbe(
                        function,
                        probe(hand, 0),
                        probe(hand, 1),
                        hand.probes().size() > 2 && function == Function.LOOP_THREE_LEAD
                                ? Optional.of(probe(hand, 2))
                                : Optional.empty());
        };
    }

    /** How long until the display stands still, s. Common practice, no source. */
    private static int seconds(Function function) {
        return switch (function) {
            case CONTINUITY, CONTINUITY_WANDER_LEAD, VOLTAGE, CLAMP, PHASE_ROTATION -> 3;
            // and as long again until what it charged is discharged
            case INSULATION_250, INSULATION_500, INSULATION_1000 -> 10;
            case LOOP_THREE_LEAD -> 15;
            case EARTH_RESISTANCE, RCD_RAMP -> 8;
            case LOOP_TWO_LEAD, FAULT_CURRENT, RCD_TIME, RCD_BUTTON, OPERATION -> 4;
        };
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
                .filter(d -> d.hand().probes().size() >= 2)
                .flatMap(d -> CurrentPath.of(this, moment, d.hand()));
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
}
