package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/** The state of one assessment, derived from its events and from nothing else. */
public final class Assessment {
    private static final int MOST_UNDONE = 40;

    private final Pinned fixed;
    private @Nullable String faultsFile;
    private int faultsSeq;
    private @Nullable OffsetDateTime lockedOffAt;
    private @Nullable OffsetDateTime openedAt;
    private @Nullable OffsetDateTime handedInAt;
    private @Nullable OffsetDateTime clearedAt;
    private @Nullable String handedBackBecause;
    private @Nullable String reportsFile;
    private int reportsSeq;
    private @Nullable String fromLibrary;
    private @Nullable String answersFile;
    private List<Integer> answersFor = List.of();
    private List<Integer> relays = List.of();
    private @Nullable OffsetDateTime energisedAt;
    private boolean wasLive;
    private @Nullable OffsetDateTime relaysOutSince;
    private final Set<String> writtenWhileOut = new HashSet<>();
    private List<Integer> relaysAstray = List.of();
    private final Map<String, List<Integer>> writtenWhileAstray = new HashMap<>();
    private @Nullable OffsetDateTime boxUnpluggedAt;
    private final Map<String, Set<Integer>> outWhenWritten = new HashMap<>();
    private final Map<String, Subject> subjects = new HashMap<>();
    private final Map<Handled, Done> handled = new LinkedHashMap<>();
    private final Map<String, Taken> liveChecks = new LinkedHashMap<>();
    private @Nullable OutcomeGiven outcome;
    private final Map<String, Taken> checks = new LinkedHashMap<>();
    private final Map<String, Taken> clearChecks = new LinkedHashMap<>();
    private final Map<String, Entry<String>> readings = new LinkedHashMap<>();
    private final Map<String, Entry<@Nullable Boolean>> judgements = new LinkedHashMap<>();
    private final Map<String, Entry<String>> expected = new LinkedHashMap<>();
    private final Map<String, Seen> observations = new LinkedHashMap<>();
    private final Map<String, Answered> questions = new LinkedHashMap<>();
    private @Nullable Stop stop;
    private final Map<String, Decision> decisions = new LinkedHashMap<>();
    private final Map<String, AssessmentEvent.ReadingTaken> taken = new HashMap<>();
    private Conduct conduct;
    private Opinions opinions = Opinions.NONE;
    private @Nullable Feedback feedback;
    private List<Undoable> undoable = List.of();
    private final Map<String, Pinned.Document> writtenWith = new HashMap<>();
    private OffsetDateTime lastChange;
    private int seq;
    private int markedSeq;

    private Assessment(Pinned fixed) {
        this.fixed = fixed;
        this.conduct = Conduct.of(fixed);
        this.lastChange = fixed.preparedAt();
    }

    /** How often something was written about, the first such event, and the number of the last. */
    private record Subject(int count, First first, int lastSeq) {}

    /** The first event about something. */
    public record First(int seq, OffsetDateTime at, String by) {}

    /** @param seq of the event, or of the undo that restored what it wrote @param before number of the last event about the same thing then @param inverse takes it back */
    private record Undoable(int seq, int before, String by, AssessmentEvent inverse) {
        Undoable restoredBy(int undo) {
            return new Undoable(undo, before, by, inverse);
        }
    }

    private record Handled(int fault, AssessmentEvent.Handling what) {}

    /** A reading taken at the rig, by whom and when. */
    public record Taken(String text, String by, OffsetDateTime at) {}

    /** Who did something, and when. */
    public record Done(String by, OffsetDateTime at) {}

    /** A value with the number of the event that wrote it. */
    public record Entry<T extends @Nullable Object>(T value, int seq) {}

    /** What an assessor gave for a proposed mark. */
    public record Decision(Award proposed, Award given, String reason, String by, OffsetDateTime at) {}

    /** @param slip what was wrong; empty where it was right @param seq number of the event that says so */
    public record Seen(boolean right, String slip, String by, OffsetDateTime at, int seq) {}

    /** @param points positions of those that were said @param seq number of the event that says so */
    public record Answered(List<Integer> points, String by, OffsetDateTime at, int seq) {}

    /** A stop for safety. */
    public record Stop(String what, String by, OffsetDateTime at) {}

    public record OutcomeGiven(Verdict proposed, Verdict given, String reason, String by, OffsetDateTime at) {}

    public record Recorded(int seq, AssessmentEvent event, OffsetDateTime at, String by) {}

    public static Assessment replay(Pinned fixed, List<Recorded> events) {
        Assessment assessment = new Assessment(fixed);
        events.forEach(assessment::apply);
        return assessment;
    }

    /** The state after one more event; this one stays as it is. */
    public Assessment after(Recorded recorded) {
        Assessment next = new Assessment(this);
        next.apply(recorded);
        return next;
    }

    private Assessment(Assessment old) {
        fixed = old.fixed;
        faultsFile = old.faultsFile;
        faultsSeq = old.faultsSeq;
        lockedOffAt = old.lockedOffAt;
        openedAt = old.openedAt;
        handedInAt = old.handedInAt;
        clearedAt = old.clearedAt;
        handedBackBecause = old.handedBackBecause;
        reportsFile = old.reportsFile;
        reportsSeq = old.reportsSeq;
        fromLibrary = old.fromLibrary;
        answersFile = old.answersFile;
        answersFor = old.answersFor;
        relays = old.relays;
        energisedAt = old.energisedAt;
        wasLive = old.wasLive;
        relaysOutSince = old.relaysOutSince;
        writtenWhileOut.addAll(old.writtenWhileOut);
        relaysAstray = old.relaysAstray;
        writtenWhileAstray.putAll(old.writtenWhileAstray);
        boxUnpluggedAt = old.boxUnpluggedAt;
        outWhenWritten.putAll(old.outWhenWritten);
        subjects.putAll(old.subjects);
        handled.putAll(old.handled);
        liveChecks.putAll(old.liveChecks);
        outcome = old.outcome;
        checks.putAll(old.checks);
        clearChecks.putAll(old.clearChecks);
        readings.putAll(old.readings);
        judgements.putAll(old.judgements);
        expected.putAll(old.expected);
        observations.putAll(old.observations);
        questions.putAll(old.questions);
        stop = old.stop;
        decisions.putAll(old.decisions);
        taken.putAll(old.taken);
        conduct = old.conduct;
        opinions = old.opinions;
        feedback = old.feedback;
        undoable = old.undoable;
        writtenWith.putAll(old.writtenWith);
        lastChange = old.lastChange;
        seq = old.seq;
        markedSeq = old.markedSeq;
    }

    /** What can be taken back once this has happened: an undo takes off what it undoes, anything else comes on top. */
    private List<Undoable> undoableAfter(Recorded recorded) {
        Optional<AssessmentEvent> back = inverse(recorded.event());
        if (back.isEmpty()) {
            return undoable;
        }
        AssessmentEvent inverse = back.get();
        List<Undoable> next = new ArrayList<>(undoable);
        if (inverse.equals(recorded.event())) {
            // said once more: what is taken back is still the first time
            int about = lastSeqAbout(inverse.subject());
            next.replaceAll(u -> u.seq() == about && u.by().equals(recorded.by()) ? u.restoredBy(recorded.seq()) : u);
            return List.copyOf(next);
        }
        Undoable last = undoable(recorded.by());
        if (last != null && last.inverse().equals(recorded.event())) {
            next.remove(last);
            String subject = recorded.event().subject();
            next.replaceAll(
                    u -> u.seq() == last.before() && u.inverse().subject().equals(subject)
                            ? u.restoredBy(recorded.seq())
                            : u);
        } else {
            int before = lastSeqAbout(recorded.event().subject());
            next.add(new Undoable(recorded.seq(), before, recorded.by(), inverse));
        }
        return List.copyOf(next.subList(Math.max(0, next.size() - MOST_UNDONE), next.size()));
    }

    /** What would take an event back that happens now; itself where it changes nothing, empty where it cannot be taken back. */
    private Optional<AssessmentEvent> inverse(AssessmentEvent event) {
        return Optional.ofNullable(
                switch (event) {
                    case AssessmentEvent.Observed seen -> {
                        Seen was = observations.get(seen.observation());
                        yield was == null
                                ? new AssessmentEvent.Observed(seen.observation(), AssessmentEvent.Sight.NOT_SEEN, "")
                                : new AssessmentEvent.Observed(
                                        seen.observation(),
                                        was.right() ? AssessmentEvent.Sight.RIGHT : AssessmentEvent.Sight.SLIP,
                                        was.slip());
                    }
                    case AssessmentEvent.Asked asked -> {
                        Answered was = questions.get(asked.question());
                        yield new AssessmentEvent.Asked(asked.question(), was == null ? null : was.points());
                    }
                    // what was ticked before the candidate was at work is not taken back from Watch
                    case AssessmentEvent.Ticked tick
                    when openedAt != null ->
                        new AssessmentEvent.Ticked(
                                tick.list(), tick.item(), conduct.tick(tick.list(), tick.item()) != null);
                    default -> null;
                });
    }

    /** Somebody else who wrote about the same thing since is not overruled. */
    private @Nullable Undoable undoable(String by) {
        for (Undoable u : undoable.reversed()) {
            if (u.by().equals(by)) {
                return lastSeqAbout(u.inverse().subject()) == u.seq() ? u : null;
            }
        }
        return null;
    }

    private void apply(Recorded recorded) {
        undoable = undoableAfter(recorded);
        conduct = conduct.after(recorded);
        seq = recorded.seq();
        lastChange = recorded.at();
        if (isMarked(recorded.event())) {
            markedSeq = seq;
        }
        subjects.merge(
                recorded.event().subject(),
                new Subject(1, new First(seq, recorded.at(), recorded.by()), seq),
                (old, one) -> new Subject(old.count() + 1, old.first(), one.lastSeq()));
        switch (recorded.event()) {
            case AssessmentEvent.FaultsChosen chosen -> {
                faultsFile = chosen.file();
                faultsSeq = recorded.seq();
                fromLibrary = chosen.from();
                // what was proved was another set
                checks.clear();
                liveChecks.clear();
                handled.clear();
                relays = List.of();
                answersFile = null;
            }
            case AssessmentEvent.LockedOff locked -> lockedOffAt = recorded.at();
            case AssessmentEvent.CheckTaken check -> checks.put(check.slot(), taken(check.text(), recorded));
            case AssessmentEvent.SheetOpened opened -> openedAt = recorded.at();
            case AssessmentEvent.ReadingWritten written -> {
                readings.put(written.slot(), new Entry<>(written.text(), recorded.seq()));
                writtenWith.put(written.slot(), conduct.tester());
                outWhenWritten.put(written.slot(), takenOut());
                if (relaysOutSince == null) {
                    writtenWhileOut.remove(written.slot());
                } else {
                    writtenWhileOut.add(written.slot());
                }
                if (relaysAstray.isEmpty()) {
                    writtenWhileAstray.remove(written.slot());
                } else {
                    writtenWhileAstray.put(written.slot(), relaysAstray);
                }
            }
            case AssessmentEvent.BoxJudged judged ->
                judgements.put(judged.slot(), new Entry<>(judged.satisfactory(), recorded.seq()));
            case AssessmentEvent.FaultsReported reported -> {
                reportsFile = reported.file();
                reportsSeq = recorded.seq();
            }
            case AssessmentEvent.HandedIn in -> handedInAt = recorded.at();
            case AssessmentEvent.HandedBack back -> {
                handedInAt = null;
                handedBackBecause = back.reason();
                // decisions were made on another sheet
                decisions.clear();
                opinions = Opinions.NONE;
                feedback = null;
            }
            case AssessmentEvent.MarkDecided mark ->
                decisions.put(
                        mark.mark(),
                        new Decision(mark.proposed(), mark.given(), mark.reason(), recorded.by(), recorded.at()));
            case AssessmentEvent.OutcomeDecided decided ->
                outcome = new OutcomeGiven(
                        decided.proposed(), decided.given(), decided.reason(), recorded.by(), recorded.at());
            case AssessmentEvent.ClearCheckTaken check -> clearChecks.put(check.slot(), taken(check.text(), recorded));
            case AssessmentEvent.Cleared cleared -> clearedAt = recorded.at();
            case AssessmentEvent.BoxCommanded box -> {
                relays = box.relays();
                relaysOutSince = null;
                boxUnpluggedAt = null;
            }
            case AssessmentEvent.BoxFellOut box -> relaysOutSince = recorded.at();
            case AssessmentEvent.BoxAstray box -> relaysAstray = box.relays();
            case AssessmentEvent.BoxUnplugged box -> {
                boxUnpluggedAt = recorded.at();
                relays = List.of();
                relaysAstray = List.of();
            }
            case AssessmentEvent.FaultHandled done -> {
                Handled key = new Handled(done.fault(), done.what());
                if (done.done()) {
                    handled.put(key, new Done(recorded.by(), recorded.at()));
                } else {
                    handled.remove(key);
                }
                if (done.what() == AssessmentEvent.Handling.OUT) {
                    // another set is in now: it has to be proved anew
                    liveChecks.clear();
                }
            }
            case AssessmentEvent.LiveCheckTaken check -> liveChecks.put(check.slot(), taken(check.text(), recorded));
            case AssessmentEvent.Energised energised -> {
                energisedAt = energised.on() ? recorded.at() : null;
                // live to prove what is set is not the candidate's live stage
                wasLive |= energised.on() && openedAt != null;
            }
            case AssessmentEvent.ExpectedSaid said ->
                expected.put(said.slot(), new Entry<>(said.text(), recorded.seq()));
            case AssessmentEvent.Observed seen -> {
                if (seen.sight() == AssessmentEvent.Sight.NOT_SEEN) {
                    observations.remove(seen.observation());
                } else {
                    observations.put(
                            seen.observation(),
                            new Seen(
                                    seen.sight() == AssessmentEvent.Sight.RIGHT,
                                    seen.slip(),
                                    recorded.by(),
                                    recorded.at(),
                                    recorded.seq()));
                }
            }
            case AssessmentEvent.Asked asked -> {
                if (asked.points() == null) {
                    questions.remove(asked.question());
                } else {
                    questions.put(
                            asked.question(),
                            new Answered(asked.points(), recorded.by(), recorded.at(), recorded.seq()));
                }
            }
            case AssessmentEvent.Stopped stopped -> stop = new Stop(stopped.what(), recorded.by(), recorded.at());
            case AssessmentEvent.AnswersAccepted answers -> {
                answersFile = answers.file();
                answersFor = answers.faults();
            }
            case AssessmentEvent.ReadingTaken reading -> taken.put(reading.slot(), reading);
            case AssessmentEvent.StopLifted lifted -> stop = null;
            case AssessmentEvent.BrokenOff broken -> handedInAt = recorded.at();
            case AssessmentEvent.Ticked tick -> {}
            case AssessmentEvent.Halted halted -> {}
            case AssessmentEvent.Resumed resumed -> {}
            case AssessmentEvent.InstrumentChanged changed -> {}
            case AssessmentEvent.HandedOver over -> {}
            case AssessmentEvent.Adjusted adjusted -> {}
            case AssessmentEvent.CircuitsChosen chosen -> {}
            case AssessmentEvent.Continued from -> {}
            case AssessmentEvent.ResitOf resit -> {}
            case AssessmentEvent.OpinionAsked asked -> opinions = opinions.asked(asked, recorded);
            case AssessmentEvent.OpinionGiven given -> opinions = opinions.given(given, recorded);
            case AssessmentEvent.OpinionSigned signed -> opinions = opinions.signed(signed, recorded);
            case AssessmentEvent.OpinionWithdrawn withdrawn -> opinions = opinions.without(withdrawn.of());
            case AssessmentEvent.DisputeSettled dispute -> {
                Decision first = decisions.get(dispute.mark());
                if (first != null) {
                    opinions = opinions.settled(dispute, first.given(), recorded);
                    decisions.put(
                            dispute.mark(),
                            new Decision(
                                    first.proposed(), dispute.given(), dispute.reason(), recorded.by(), recorded.at()));
                }
            }
            case AssessmentEvent.FeedbackGiven given ->
                feedback = new Feedback(given.lines(), given.faults(), recorded.by(), recorded.at());
        }
    }

    /** Whether marks may come out otherwise for it: all but what is decided about them and how the rig is cleared. */
    private static boolean isMarked(AssessmentEvent event) {
        return switch (event) {
            case AssessmentEvent.MarkDecided mark -> false;
            case AssessmentEvent.OutcomeDecided outcome -> false;
            case AssessmentEvent.ClearCheckTaken check -> false;
            case AssessmentEvent.Cleared cleared -> false;
            case AssessmentEvent.HandedOver over -> false;
            case AssessmentEvent.ReadingTaken reading -> false;
            case AssessmentEvent.Ticked tick -> false;
            case AssessmentEvent.OpinionAsked asked -> false;
            case AssessmentEvent.OpinionGiven given -> false;
            case AssessmentEvent.OpinionSigned signed -> false;
            case AssessmentEvent.OpinionWithdrawn withdrawn -> false;
            case AssessmentEvent.DisputeSettled dispute -> false;
            case AssessmentEvent.FeedbackGiven given -> false;
            default -> true;
        };
    }

    private static Taken taken(String text, Recorded recorded) {
        return new Taken(text, recorded.by(), recorded.at());
    }

    public Pinned fixed() {
        return fixed;
    }

    public String id() {
        return fixed.assessmentId();
    }

    /** Where it stands. Clearing the rig may come before marking: the next candidate waits, the marks can. */
    public Stage stage() {
        if (conduct.brokenOff() != null) {
            return clearedAt == null ? Stage.CLEAR : Stage.DONE;
        }
        if (openedAt == null) {
            return Stage.SET;
        }
        if (handedInAt == null) {
            return Stage.WATCH;
        }
        if (outcome == null) {
            return Stage.MARK;
        }
        return clearedAt == null ? Stage.CLEAR : Stage.DONE;
    }

    /** Whether its sheet can be written on: open, not handed in, the clock not standing still. */
    public boolean isSheetOpen() {
        return openedAt != null && handedInAt == null && conduct.pause().isEmpty();
    }

    /** Whether it still has the bay. */
    public boolean occupiesBay() {
        return clearedAt == null;
    }

    public @Nullable String faultsFile() {
        return faultsFile;
    }

    public int faultsSeq() {
        return faultsSeq;
    }

    public @Nullable OffsetDateTime lockedOffAt() {
        return lockedOffAt;
    }

    public @Nullable OffsetDateTime openedAt() {
        return openedAt;
    }

    public @Nullable OffsetDateTime handedInAt() {
        return handedInAt;
    }

    public @Nullable OffsetDateTime clearedAt() {
        return clearedAt;
    }

    /** Why the sheet was handed back the last time; null if it never was. */
    public @Nullable String handedBackBecause() {
        return handedBackBecause;
    }

    public @Nullable String reportsFile() {
        return reportsFile;
    }

    public int reportsSeq() {
        return reportsSeq;
    }

    public @Nullable OutcomeGiven outcome() {
        return outcome;
    }

    /** Check readings by box, taken since the faults were last changed. */
    public Map<String, Taken> checks() {
        return checks;
    }

    public Map<String, Taken> clearChecks() {
        return clearChecks;
    }

    public Map<String, Entry<String>> readings() {
        return readings;
    }

    public Map<String, Entry<@Nullable Boolean>> judgements() {
        return judgements;
    }

    public Map<String, Decision> decisions() {
        return decisions;
    }

    /** Id of the set in the library; null for one made here. */
    public @Nullable String fromLibrary() {
        return fromLibrary;
    }

    /** Answers accepted besides the faults themselves, as a fault-set file; null for none. */
    public @Nullable String answersFile() {
        return answersFile;
    }

    /** For each of {@link #answersFile} the position of the fault it stands for. */
    public List<Integer> answersFor() {
        return answersFor;
    }

    /** Relays that the box was told to pull in last. */
    public List<Integer> relays() {
        return relays;
    }

    /** Null while the rig is dead. */
    public @Nullable OffsetDateTime energisedAt() {
        return energisedAt;
    }

    /** Whether the rig was energised at any time: its live boxes can be written from then on. */
    public boolean wasLive() {
        return wasLive;
    }

    /** Who set a fault by hand, saw it, or took it out; null while nobody did. */
    public @Nullable Done done(int fault, AssessmentEvent.Handling what) {
        return handled.get(new Handled(fault, what));
    }

    /** Positions in the set of the faults that are taken out at this moment. */
    public Set<Integer> takenOut() {
        return handled.keySet().stream()
                .filter(h -> h.what() == AssessmentEvent.Handling.OUT)
                .map(Handled::fault)
                .collect(Collectors.toUnmodifiableSet());
    }

    /** The same when a box was last written: what it holds was read on the rig without them. */
    public Set<Integer> outWhenWritten(String slot) {
        return outWhenWritten.getOrDefault(slot, Set.of());
    }

    /** Readings taken before energising, by box, since the last fault was taken out. */
    public Map<String, Taken> liveChecks() {
        return liveChecks;
    }

    /** Since when the relays that should be in are not; null while they are. */
    public @Nullable OffsetDateTime relaysOutSince() {
        return relaysOutSince;
    }

    /** Boxes last written while the fault box had let its relays go: the healthy value is right there too. */
    public Set<String> writtenWhileOut() {
        return writtenWhileOut;
    }

    /** Relays that are in and that nobody pulled in; empty while there are none. */
    public List<Integer> relaysAstray() {
        return relaysAstray;
    }

    /** Boxes last written while relays were in that nobody had pulled in, with which: no key knows what was right there. */
    public Map<String, List<Integer>> writtenWhileAstray() {
        return writtenWhileAstray;
    }

    /** Since when the plug of a box that does not answer is out of the rig; null while it is in. */
    public @Nullable OffsetDateTime boxUnpluggedAt() {
        return boxUnpluggedAt;
    }

    /** How often something was written about: what a candidate's screens count by. It tells nothing of other events. */
    public int revision(String subject) {
        Subject known = subjects.get(subject);
        return known == null ? 0 : known.count();
    }

    /** Number of the last event about a subject; 0 for none. */
    public int lastSeqAbout(String subject) {
        Subject known = subjects.get(subject);
        return known == null ? 0 : known.lastSeq();
    }

    public OffsetDateTime lastChange() {
        return lastChange;
    }

    /** Number of its last event; 0 for none. */
    public int seq() {
        return seq;
    }

    /** Number of the last event that marks may depend on: a decision about one mark leaves the others as they were. */
    public int markedSeq() {
        return markedSeq;
    }

    /** What the candidate said a box would read, before it was read. */
    public Map<String, Entry<String>> expected() {
        return expected;
    }

    /** What was seen, by the observation's id. */
    public Map<String, Seen> observations() {
        return observations;
    }

    /** What was asked, by the question's id. */
    public Map<String, Answered> questions() {
        return questions;
    }

    /** Why it was stopped for safety; null if it was not. */
    public @Nullable Stop stop() {
        return stop;
    }

    /** The first event about a subject; null for none. */
    public @Nullable First firstAbout(String subject) {
        Subject known = subjects.get(subject);
        return known == null ? null : known.first();
    }

    /** How it is conducted: who watches, what was ticked, when the clock stood still. */
    /** What others would give for the same record. */
    public Opinions opinions() {
        return opinions;
    }

    /** What the candidate was told; null while nothing was. */
    public @Nullable Feedback feedback() {
        return feedback;
    }

    public Conduct conduct() {
        return conduct;
    }

    /** The instrument a box was last written with; the one in use where nothing is written. */
    public Pinned.Document writtenWith(String slot) {
        return writtenWith.getOrDefault(slot, conduct.tester());
    }

    /** What was taken over from the tester for a box, the last time; null for nothing. */
    public AssessmentEvent.@Nullable ReadingTaken taken(String slot) {
        return taken.get(slot);
    }

    /** Takes back what a person recorded last; null where there is nothing to take back. */
    public @Nullable AssessmentEvent undo(String by) {
        Undoable last = undoable(by);
        return last == null ? null : last.inverse();
    }
}
