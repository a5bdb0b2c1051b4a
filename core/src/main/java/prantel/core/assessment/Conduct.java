package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment.Done;
import prantel.core.assessment.Assessment.Recorded;

/**
 * How an assessment is conducted, apart from what stands on its sheet: who watches, with which instrument, what was ticked,
 * when the sheet was open, the rig live, the clock stopped.
 *
 * @param hands who watches, with which instrument
 * @param ticks who ticked what, and when
 * @param times when what stood how
 * @param granted what is asked of this candidate otherwise than of others
 * @param brokenOff how it ended without a judgement; null if it did not
 * @param origin what it follows
 */
public record Conduct(
        Hands hands,
        Map<Checklist, Map<String, Done>> ticks,
        Times times,
        Granted granted,
        @Nullable BrokenOff brokenOff,
        Origin origin) {

    /** @param assessor who watches now @param tester the instrument in use now */
    public record Hands(String assessor, Pinned.Document tester) {}

    /**
     * @param opened when the sheet was opened, while the clock waits for the candidate to confirm; empty before and afterwards
     * @param open times in which the sheet was open and the candidate had confirmed
     * @param live times in which the rig was live
     * @param atTheRig times in which the assessor took faults out and proved them out: not the candidate's
     * @param pauses times in which the clock stood still, in order
     */
    public record Times(
            Optional<OffsetDateTime> opened,
            List<Span> open,
            List<Span> live,
            List<Span> atTheRig,
            List<Pause> pauses) {
        static final Times NONE = new Times(Optional.empty(), List.of(), List.of(), List.of(), List.of());

        Times withOpened(OffsetDateTime at) {
            return new Times(Optional.of(at), open, live, atTheRig, pauses);
        }

        Times withOpen(List<Span> next) {
            return new Times(Optional.empty(), next, live, atTheRig, pauses);
        }

        Times withLive(List<Span> next) {
            return new Times(opened, open, next, atTheRig, pauses);
        }

        Times withAtTheRig(List<Span> next) {
            return new Times(opened, open, live, next, pauses);
        }

        Times withPauses(List<Pause> next) {
            return new Times(opened, open, live, atTheRig, next);
        }
    }

    /** @param circuits those to be tested; empty for all */
    public record Granted(Adjustment adjustment, List<String> circuits) {
        static final Granted NOTHING = new Granted(Adjustment.NONE, List.of());

        public Granted {
            circuits = List.copyOf(circuits);
        }
    }

    /** @param continued what it carries on from @param resit what is done again in it */
    public record Origin(Optional<Continued> continued, Optional<Resit> resit) {
        static final Origin NONE = new Origin(Optional.empty(), Optional.empty());
    }

    /** @param of the assessment before @param parts ids of the parts that are done again; empty for the whole */
    public record Resit(String of, List<String> parts) {
        public Resit {
            parts = List.copyOf(parts);
        }
    }

    /** @param to empty while it lasts @param reason why it went live although dead tests were open; empty for none */
    public record Span(OffsetDateTime from, Optional<OffsetDateTime> to, String reason) {}

    /** @param timeFactor of every time of the scheme, 1 for none @param given what is granted besides; never why */
    public record Adjustment(double timeFactor, List<String> given) {
        public static final Adjustment NONE = new Adjustment(1, List.of());

        public Adjustment {
            given = List.copyOf(given);
        }
    }

    /** @param continuedAs the assessment that carries on; null for none */
    public record BrokenOff(String reason, @Nullable String continuedAs, String by, OffsetDateTime at) {}

    /** @param from the assessment before @param deadSeconds of its dead stage @param liveSeconds of its live stage */
    public record Continued(String from, long deadSeconds, long liveSeconds) {}

    static Conduct of(Pinned fixed) {
        return new Conduct(
                new Hands(fixed.assessorId(), fixed.versions().tester()),
                Map.of(),
                Times.NONE,
                Granted.NOTHING,
                null,
                Origin.NONE);
    }

    Conduct after(Recorded recorded) {
        OffsetDateTime at = recorded.at();
        return switch (recorded.event()) {
            case AssessmentEvent.Ticked tick ->
                ticked(tick, new Done(recorded.by(), at)).beginning(at);
            case AssessmentEvent.SheetOpened opened ->
                with(times.withOpened(at)).beginning(at);
            // of a time in which nobody was asked to confirm first
            case AssessmentEvent.ReadingWritten written ->
                times.opened()
                        .map(o -> withOpen(begun(times.open(), o, "")))
                        .orElse(this)
                        .awayFromTheRig(at);
            case AssessmentEvent.LiveCheckTaken check -> atTheRig(at);
            case AssessmentEvent.HandedBack back -> withOpen(begun(times.open(), at, ""));
            case AssessmentEvent.HandedIn in ->
                withOpen(ended(times.open(), at)).awayFromTheRig(at).over(recorded, "");
            case AssessmentEvent.Energised energised -> energised(energised, at);
            case AssessmentEvent.Stopped stopped ->
                paused(Pause.Why.SAFETY, stopped.what(), Pause.Spared.NOTHING, recorded)
                        .askedAnew();
            case AssessmentEvent.Halted halted ->
                paused(halted.why(), halted.what(), halted.spared(), recorded).askedAnew();
            // hands or relays were in the rig since it was looked at
            case AssessmentEvent.FaultHandled handled ->
                without(Checklist.LIVE_GIVEN).atTheRig(at);
            case AssessmentEvent.BoxCommanded box ->
                without(Checklist.LIVE_GIVEN).atTheRig(at);
            case AssessmentEvent.BoxFellOut box -> without(Checklist.LIVE_GIVEN);
            case AssessmentEvent.BoxAstray box -> without(Checklist.LIVE_GIVEN);
            case AssessmentEvent.BoxUnplugged box -> without(Checklist.LIVE_GIVEN);
            case AssessmentEvent.Resumed resumed -> over(recorded, resumed.what());
            case AssessmentEvent.StopLifted lifted ->
                over(recorded, lifted.reason()).without(Checklist.MAKE_SAFE);
            case AssessmentEvent.HandedOver over -> with(new Hands(over.to(), hands.tester()));
            case AssessmentEvent.InstrumentChanged changed -> with(new Hands(hands.assessor(), changed.tester()));
            case AssessmentEvent.Adjusted adjusted ->
                with(new Granted(new Adjustment(adjusted.timeFactor(), adjusted.given()), granted.circuits()));
            case AssessmentEvent.CircuitsChosen chosen -> with(new Granted(granted.adjustment(), chosen.circuits()));
            case AssessmentEvent.BrokenOff broken ->
                withOpen(ended(times.open(), at))
                        .awayFromTheRig(at)
                        .over(recorded, broken.reason())
                        .with(new BrokenOff(broken.reason(), broken.continuedAs(), recorded.by(), at), origin);
            case AssessmentEvent.Continued from ->
                with(
                        brokenOff,
                        new Origin(
                                Optional.of(new Continued(from.from(), from.deadSeconds(), from.liveSeconds())),
                                origin.resit()));
            case AssessmentEvent.ResitOf resit ->
                with(brokenOff, new Origin(origin.continued(), Optional.of(new Resit(resit.of(), resit.parts()))));
            default -> this;
        };
    }

    private Conduct ticked(AssessmentEvent.Ticked tick, Done done) {
        Map<Checklist, Map<String, Done>> next = copy();
        Map<String, Done> items = next.computeIfAbsent(tick.list(), l -> new LinkedHashMap<>());
        if (tick.on()) {
            items.put(tick.item(), done);
        } else {
            items.remove(tick.item());
        }
        return withTicks(next);
    }

    /** While the candidate is at work, hands of the assessor in the rig are the assessor's time. */
    private Conduct atTheRig(OffsetDateTime at) {
        boolean atWork = !times.open().isEmpty() && times.open().getLast().to().isEmpty();
        return atWork ? with(times.withAtTheRig(begun(times.atTheRig(), at, ""))) : this;
    }

    private Conduct awayFromTheRig(OffsetDateTime at) {
        return with(times.withAtTheRig(ended(times.atTheRig(), at)));
    }

    /** The clock starts when the candidate has confirmed, not when the sheet is opened. */
    private Conduct beginning(OffsetDateTime at) {
        return times.opened().isPresent() && open(Checklist.READY).isEmpty()
                ? withOpen(begun(times.open(), at, ""))
                : this;
    }

    private Map<Checklist, Map<String, Done>> copy() {
        Map<Checklist, Map<String, Done>> next = new EnumMap<>(Checklist.class);
        ticks.forEach((list, items) -> next.put(list, new LinkedHashMap<>(items)));
        return next;
    }

    /** Each time it goes live, and each time it is dead again, is asked and given anew. */
    private Conduct energised(AssessmentEvent.Energised event, OffsetDateTime at) {
        boolean on = event.on();
        String reason = event.reason() == null ? "" : event.reason();
        List<Span> spans = on ? begun(times.live(), at, reason) : ended(times.live(), at);
        Conduct next = with(times.withLive(spans).withAtTheRig(ended(times.atTheRig(), at)));
        return on ? next : next.askedAnew();
    }

    /** What was said and seen before holds no more. */
    private Conduct askedAnew() {
        return without(Checklist.LIVE_ASKED).without(Checklist.LIVE_GIVEN);
    }

    private Conduct without(Checklist list) {
        Map<Checklist, Map<String, Done>> next = copy();
        next.remove(list);
        return withTicks(next);
    }

    private static List<Span> begun(List<Span> spans, OffsetDateTime at, String reason) {
        List<Span> next = new ArrayList<>(spans);
        if (spans.isEmpty() || spans.getLast().to().isPresent()) {
            next.add(new Span(at, Optional.empty(), reason));
        }
        return next;
    }

    private static List<Span> ended(List<Span> spans, OffsetDateTime at) {
        List<Span> next = new ArrayList<>(spans);
        if (!spans.isEmpty() && spans.getLast().to().isEmpty()) {
            next.set(
                    spans.size() - 1,
                    new Span(
                            spans.getLast().from(),
                            Optional.of(at),
                            spans.getLast().reason()));
        }
        return next;
    }

    private Conduct paused(Pause.Why why, String what, Pause.Spared spared, Recorded recorded) {
        // what was halted and is then stopped for safety is stopped
        Conduct before = over(recorded, "");
        List<Pause> next = new ArrayList<>(before.pauses());
        next.add(new Pause(
                why,
                what,
                spared,
                new Assessment.First(recorded.seq(), recorded.at(), recorded.by()),
                Optional.empty()));
        return before.withPauses(next);
    }

    /** The clock goes on, if it stood still. */
    private Conduct over(Recorded recorded, String outcome) {
        if (pause().isEmpty()) {
            return this;
        }
        List<Pause> next = new ArrayList<>(pauses());
        next.set(next.size() - 1, next.getLast().until(recorded.at(), recorded.seq(), outcome));
        return withPauses(next);
    }

    private Conduct withTicks(Map<Checklist, Map<String, Done>> next) {
        return new Conduct(hands, next, times, granted, brokenOff, origin);
    }

    private Conduct withOpen(List<Span> next) {
        return with(times.withOpen(next));
    }

    private Conduct withPauses(List<Pause> next) {
        return with(times.withPauses(next));
    }

    private Conduct with(Times next) {
        return new Conduct(hands, ticks, next, granted, brokenOff, origin);
    }

    private Conduct with(Hands next) {
        return new Conduct(next, ticks, times, granted, brokenOff, origin);
    }

    private Conduct with(Granted next) {
        return new Conduct(hands, ticks, times, next, brokenOff, origin);
    }

    private Conduct with(@Nullable BrokenOff end, Origin from) {
        return new Conduct(hands, ticks, times, granted, end, from);
    }

    public String assessor() {
        return hands.assessor();
    }

    public Pinned.Document tester() {
        return hands.tester();
    }

    public List<Span> open() {
        return times.open();
    }

    public List<Span> atTheRig() {
        return times.atTheRig();
    }

    public List<Span> live() {
        return times.live();
    }

    public List<Pause> pauses() {
        return times.pauses();
    }

    public Adjustment adjustment() {
        return granted.adjustment();
    }

    public List<String> circuits() {
        return granted.circuits();
    }

    /** What it carries on from; null if from nothing. */
    public @Nullable Continued continued() {
        return origin.continued().orElse(null);
    }

    /** What is done again in it; empty for a first sitting. */
    public Optional<Resit> resit() {
        return origin.resit();
    }

    /** Why the clock stands still at this moment; empty while it runs. */
    public Optional<Pause> pause() {
        return pauses().isEmpty() || pauses().getLast().isOver() ? Optional.empty() : Optional.of(pauses().getLast());
    }

    /** Who ticked an item; null while nobody did. */
    public @Nullable Done tick(Checklist list, String item) {
        return ticks.getOrDefault(list, Map.of()).get(item);
    }

    /** Items of a list that are not ticked yet. */
    public List<Checklist.Item> open(Checklist list) {
        return list.items().stream().filter(i -> tick(list, i.id()) == null).toList();
    }
}
