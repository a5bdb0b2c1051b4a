package prantel.server.practice;

import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.FaultCatalogue;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.marking.CandidateRecord;
import prantel.core.practice.Coach;
import prantel.core.practice.Drill;
import prantel.core.practice.Guide;
import prantel.core.practice.Hand;
import prantel.core.practice.Moment;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.PracticeWords;
import prantel.core.practice.RigControls;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Deed;
import prantel.core.procedure.DeedEdits;
import prantel.core.procedure.End;
import prantel.core.procedure.RigState;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.BoardId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.sequence.LikelyKeys;
import prantel.core.sequence.Measurement;
import prantel.core.sequence.Slot;
import prantel.server.setting.KindChoice;
import prantel.server.setting.NamedPlace;

/** What a learner sees of a practice. Nothing of its faults is in it until it is finished. */
final class PracticeView {
    private PracticeView() {}

    private static final int LOG_SHOWN = 60;

    /** @param beingAssessed whether practice is shut for now */
    record PracticeOffer(
            boolean beingAssessed,
            List<RigOffer> rigs,
            List<SchemeOffer> schemes,
            List<DrillOffer> drills,
            List<Practices.PracticePast> past) {}

    /** @param drills those that the rig has something for @param schemes those that suit it, the usual one first */
    record RigOffer(String id, String label, List<String> drills, List<String> schemes) {}

    record SchemeOffer(String id, String label) {}

    /**
     * @param due when it is worth doing again; null where it never went wrong, or is well kept
     * @param own whether somebody of this workshop wrote it
     */
    record DrillOffer(
            String id, String title, String idea, @Nullable LocalDate due, boolean own) {}

    /**
     * A practice as it is opened: what does not change, and how it stands.
     *
     * @param namesFaults whether the learner says what is wrong with the rig
     */
    record PracticeOpened(
            String id,
            String rig,
            Practices.Way way,
            Practices.Purpose purpose,
            boolean namesFaults,
            @Nullable DrillOffer drill,
            OffsetDateTime startedAt,
            PracticeLayout layout,
            PracticeNaming naming,
            PracticeState state) {}

    /** What a fault can be called, and where it can be. */
    record PracticeNaming(List<KindChoice> kinds, List<NamedPlace> places) {}

    /** A fault as the learner names it. */
    record PracticeNamed(String kind, String at, List<String> conductors) {
        /** @throws ProblemsException if there is no such kind or place */
        CandidateRecord.FaultReport report(Rig rig) {
            return new CandidateRecord.FaultReport(
                    FaultCatalogue.kind(kind),
                    FaultCatalogue.places(rig).stream()
                            .filter(p -> p.id().equals(at))
                            .findFirst()
                            .orElseThrow(() -> new ProblemsException(
                                    new Problem("unknown-place", "at", Check.quoted(at), "give a place of this rig"))),
                    conductors.stream().map(Conductor::of).toList(),
                    "");
        }
    }

    /**
     * How it stands.
     *
     * @param deedCount how many deeds were done: the next one names it
     * @param rig what of the rig is otherwise than in service
     * @param advice what came of the last deed; empty in practice alone, but for what nobody could overlook
     * @param next what the guide would do; null unless it is shown
     */
    record PracticeState(
            int deedCount,
            boolean ended,
            PracticeFacts facts,
            PracticeRigShown rig,
            TesterShown tester,
            List<Coach.Advice> advice,
            @Nullable NextDeed next,
            List<PracticeLine> log,
            String box,
            List<PracticeBox> boxes,
            List<PracticeNamed> named,
            @Nullable Replay replay,
            PracticeResults.@Nullable PracticeResult result) {}

    /**
     * What stands in the record that is gone through again, at the box at hand.
     *
     * @param leftOut what must have been left out for it; empty where the rig reads so anyhow, or nothing that was left out
     *     gives it
     * @param wouldShow what the tester shows then; empty where nothing was left out
     */
    record Replay(String written, List<String> leftOut, String wouldShow) {}

    /** What the learner knows by what was done. */
    record PracticeFacts(
            boolean isolated, boolean locked, boolean provedDead, boolean closedUp, boolean indicatorProved) {}

    /** @param on switches that are on and loads that are in @param running loads that have their supply */
    record PracticeRigShown(
            List<String> out,
            List<EndMoved> moved,
            List<PlacesJoined> joined,
            List<RingCrossed> crossed,
            List<String> coversOff,
            List<String> on,
            List<String> running,
            List<String> locked,
            List<DeviceTripped> tripped) {}

    record EndMoved(String end, String to) {}

    record PlacesJoined(String a, String b) {}

    /** @param joints which ends are joined */
    record RingCrossed(String circuit, String with, List<PlacesJoined> joints) {}

    /** @param control where it is put on again */
    record DeviceTripped(String device, String label, String control) {}

    /**
     * @param shown what the display says, or the eye found; null while it shows nothing
     * @param swing between what the display moves, where it does not stand still
     */
    record TesterShown(
            String function,
            List<String> probes,
            boolean nulled,
            double milliamps,
            boolean negativeHalf,
            @Nullable String shown,
            @Nullable String swing,
            int seconds) {}

    record NextDeed(String words, String why) {}

    record PracticeLine(String words, Coach.@Nullable Kind kind) {}

    /**
     * @param circuit and point: where on the rig it is read; empty where that is none
     * @param byEye whether it is looked at, and not read with a tester
     * @param keys what can be written without typing
     * @param right null where it is not told
     */
    record PracticeBox(
            String id,
            String circuit,
            String point,
            String test,
            String quantity,
            String where,
            String unit,
            boolean byEye,
            List<String> keys,
            @Nullable String written,
            @Nullable Boolean right) {}

    static PracticeOpened opened(Practices practices, Practices.Open open) {
        PracticeRig practice = open.going().practice();
        return new PracticeOpened(
                open.row().practiceId(),
                practice.rig().name(),
                open.way(),
                open.purpose(),
                open.purpose() != Practices.Purpose.REPLAY
                        && open.drill().map(Drill::asksWhatIsWrong).orElse(true),
                open.drill()
                        .map(d -> new DrillOffer(d.id(), d.title(), d.idea(), null, false))
                        .orElse(null),
                open.row().startedAt(),
                PracticeLayout.of(practice, open.going().controls()),
                naming(practice.rig()),
                state(practices, open));
    }

    private static PracticeNaming naming(Rig rig) {
        return new PracticeNaming(
                FaultCatalogue.kinds().stream().map(KindChoice::of).toList(), NamedPlace.of(rig));
    }

    static PracticeState state(Practices practices, Practices.Open open) {
        Going going = open.going();
        Moment now = going.now();
        boolean ended = open.row().endedAt() != null;
        Optional<Slot.Measured> box = going.box(open.row().box());
        PracticeWords words = new PracticeWords(going.practice().rig());
        return new PracticeState(
                going.steps().size(),
                ended,
                facts(now, going.practice().rig()),
                rig(now, going),
                tester(now, open),
                ended ? List.of() : advice(practices, open, box),
                ended || open.way() != Practices.Way.SHOWN
                        ? null
                        : box.flatMap(b -> next(going, b, words)).orElse(null),
                log(open),
                open.row().box(),
                boxes(practices, open),
                open.named(),
                box.flatMap(b -> replay(going, b, words)).orElse(null),
                ended ? new PracticeResults(practices, open).result() : null);
    }

    private static Optional<NextDeed> next(Going going, Slot.Measured box, PracticeWords words) {
        Guide guide = going.guide(box);
        if (guide.isToBeLookedAt(going.now(), box)) {
            return Optional.of(new NextDeed("Look at it", "This is found with the hand and the eye."));
        }
        return guide.next(going.now(), going.asDone(box))
                .map(d -> new NextDeed(
                        words.deed(d),
                        words.why(d, going.practice().tester(), going.now().hand())));
    }

    private static Optional<Replay> replay(Going going, Slot.Measured box, PracticeWords words) {
        return going.beside(box)
                .map(written -> new Replay(
                        written,
                        going.leftOut(box).stream()
                                .flatMap(l -> l.deeds().stream())
                                .map(words::deed)
                                .toList(),
                        going.leftOut(box).map(l -> l.shown().shown()).orElse("")));
    }

    private static PracticeFacts facts(Moment now, Rig rig) {
        BoardId origin = rig.origin().id();
        RigState state = now.state();
        return new PracticeFacts(
                !state.isEnergised(origin),
                state.isLocked(origin),
                state.isProvedDead(origin),
                now.isClosedUp(),
                now.proof().indicator());
    }

    /** In practice alone the rig and the tester speak, and nobody else: what trips, shocks and refuses is met, not told. */
    private static List<Coach.Advice> advice(Practices practices, Practices.Open open, Optional<Slot.Measured> box) {
        Going going = open.going();
        if (going.steps().isEmpty()) {
            return List.of();
        }
        Going.Step last = going.steps().getLast();
        if (open.way() == Practices.Way.ALONE) {
            return last.advice().stream()
                    .filter(a -> a.kind() != Coach.Kind.SLIP)
                    .map(a -> new Coach.Advice(a.kind(), a.says(), ""))
                    .toList();
        }
        List<Coach.Advice> advice = new ArrayList<>(last.advice());
        box.filter(b -> last.input().verb() == DeedInput.Verb.TAKE_READING
                        || last.input().verb() == DeedInput.Verb.NEXT)
                .filter(b -> !b.measurement().isByEye() && open.purpose() != Practices.Purpose.REPLAY)
                .ifPresent(b -> advice.addAll(new Coach(going.practice())
                        .onReading(
                                going.now(), b, practices.soundKey(open.row()).expectation(b.id()))));
        return advice;
    }

    private static PracticeRigShown rig(Moment now, Going going) {
        PracticeRig practice = going.practice();
        List<String> out = new ArrayList<>();
        List<EndMoved> moved = new ArrayList<>();
        List<PlacesJoined> joined = new ArrayList<>();
        List<RingCrossed> crossed = new ArrayList<>();
        for (Deed deed : now.standing()) {
            switch (deed) {
                case Deed.TakeOut taken -> taken.ends().forEach(e -> out.add(id(practice, e)));
                case Deed.PutElsewhere elsewhere ->
                    moved.add(new EndMoved(id(practice, elsewhere.end()), id(practice, elsewhere.where())));
                case Deed.Link link ->
                    link.joints().forEach(j -> joined.add(new PlacesJoined(id(practice, j.a()), id(practice, j.b()))));
                case Deed.Cross cross ->
                    crossed.add(new RingCrossed(
                            cross.ring().value(),
                            cross.with().id(),
                            DeedEdits.joints(cross).stream()
                                    .map(j -> new PlacesJoined(id(practice, j.a()), id(practice, j.b())))
                                    .toList()));
                default -> {}
            }
        }
        RigControls controls = going.controls();
        return new PracticeRigShown(
                out,
                moved,
                joined,
                crossed,
                now.coversOff().stream().map(CoverId::of).sorted().toList(),
                controls.all().stream()
                        .filter(c -> controls.isOn(now, c))
                        .map(RigControls.Control::id)
                        .toList(),
                controls.all().stream()
                        .filter(c -> c.kind() == RigControls.Kind.LOAD && controls.isOn(now, c))
                        .filter(c -> practice.isRunning(
                                now,
                                new Deed.LoadIn(
                                        c.of().circuit().orElseThrow(),
                                        c.of().point().orElseThrow())))
                        .map(RigControls.Control::id)
                        .toList(),
                practice.rig().boards().stream()
                        .filter(b -> now.state().locks(b.id()))
                        .map(b -> b.id().value())
                        .toList(),
                practice.labels(now).entrySet().stream()
                        .map(e -> new DeviceTripped(
                                e.getKey(),
                                e.getValue(),
                                controls.of(e.getKey())
                                        .map(RigControls.Control::id)
                                        .orElse("")))
                        .toList());
    }

    private static String id(PracticeRig practice, End end) {
        return id(practice, new Contact.AtEnd(end));
    }

    private static String id(PracticeRig practice, Contact contact) {
        return practice.places().at(contact).orElseThrow().id();
    }

    private static TesterShown tester(Moment now, Practices.Open open) {
        Going going = open.going();
        Hand hand = now.hand();
        return new TesterShown(
                hand.function().name(),
                hand.probes().stream().map(c -> id(going.practice(), c)).toList(),
                hand.isNulled(),
                hand.milliamps(),
                hand.negativeHalf(),
                now.display()
                        .filter(d -> isShown(d, open))
                        .map(d -> d.reading().shown())
                        .orElse(null),
                now.display()
                        .flatMap(Moment.Display::swing)
                        .map(w -> w.low().shown() + " to " + w.high().shown())
                        .orElse(null),
                now.seconds());
    }

    /** What an item of an inspection comes to is the learner's to say: alone they are told what they see, and no more. */
    private static boolean isShown(Moment.Display display, Practices.Open open) {
        return open.isTold()
                || display.seen()
                        .flatMap(id -> open.going().box(id.value()))
                        .filter(b -> b.measurement() instanceof Measurement.Inspected)
                        .isEmpty();
    }

    private static List<PracticeLine> log(Practices.Open open) {
        List<Going.Step> steps = open.going().steps();
        return steps.subList(Math.max(0, steps.size() - LOG_SHOWN), steps.size()).stream()
                .map(s -> new PracticeLine(
                        s.said(),
                        open.way() == Practices.Way.ALONE && open.row().endedAt() == null
                                ? null
                                : s.advice().stream()
                                        .map(Coach.Advice::kind)
                                        .min(java.util.Comparator.naturalOrder())
                                        .orElse(null)))
                .toList();
    }

    private static List<PracticeBox> boxes(Practices practices, Practices.Open open) {
        boolean told = open.isTold();
        Map<String, String> readings = open.readings();
        Rig rig = open.going().practice().rig();
        Optional<Key> key = told && !readings.isEmpty() ? Optional.of(practices.key(open.row())) : Optional.empty();
        return open.going().boxes().stream()
                .map(b -> {
                    String written = readings.get(b.id().value());
                    return new PracticeBox(
                            b.id().value(),
                            b.circuit().map(c -> c.value()).orElse(""),
                            b.spot().point().map(p -> p.value()).orElse(""),
                            b.step().label(),
                            b.quantity(),
                            b.place(rig),
                            b.boxUnit().symbol(),
                            b.measurement().isByEye(),
                            LikelyKeys.of(b, overRange(open, b)),
                            written,
                            written == null
                                    ? null
                                    : key.map(k -> isRight(k, b, written)).orElse(null));
                })
                .toList();
    }

    private static String overRange(Practices.Open open, Slot.Measured box) {
        return box.function().isInsulation()
                ? open.going()
                        .practice()
                        .tester()
                        .meter(box.function())
                        .map(m -> m.overRange().shown())
                        .orElse("")
                : "";
    }

    /** Whether a text is what this rig reads in a box. */
    static boolean isRight(Key key, Slot.Measured box, String text) {
        Written written = Notation.read(text, box.boxUnit());
        return written.isReading() && key.expectation(box.id()).window().sideOf(written) == Window.Side.INSIDE;
    }
}
