package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/** The state of one assessment, derived from its events and from nothing else. */
public final class Assessment {
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
    private OffsetDateTime lastChange;
    private int seq;

    private Assessment(Pinned fixed) {
        this.fixed = fixed;
        this.lastChange = fixed.preparedAt();
    }

    /** How often something was written about, and the numbers of the first and the last such event. */
    private record Subject(int count, int firstSeq, int lastSeq) {}

    private record Handled(int fault, AssessmentEvent.Handling what) {}

    /** A reading taken at the rig, by whom and when. */
    public record Taken(String text, String by, OffsetDateTime at) {}

    /** Who did something, and when. */
    public record Done(String by, OffsetDateTime at) {}

    /** A value with the number of the event that wrote it. */
    public record Entry<T extends @Nullable Object>(T value, int seq) {}

    /** What an assessor gave for a proposed mark. */
    public record Decision(Award proposed, Award given, String reason, String by, OffsetDateTime at) {}

    /** @param slip what was wrong; empty where it was right */
    public record Seen(boolean right, String slip, String by, OffsetDateTime at) {}

    /** @param points positions of those that were said */
    public record Answered(List<Integer> points, String by, OffsetDateTime at) {}

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
        lastChange = old.lastChange;
        seq = old.seq;
    }

    private void apply(Recorded recorded) {
        seq = recorded.seq();
        lastChange = recorded.at();
        subjects.merge(
                recorded.event().subject(),
                new Subject(1, seq, seq),
                (old, one) -> new Subject(old.count() + 1, old.firstSeq(), one.lastSeq()));
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
                if (relaysOutSince == null) {
                    writtenWhileOut.remove(written.slot());
                } else {
                    writtenWhileOut.add(written.slot());
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
            }
            case AssessmentEvent.BoxFellOut box -> relaysOutSince = recorded.at();
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
                wasLive |= energised.on();
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
                                    recorded.at()));
                }
            }
            case AssessmentEvent.Asked asked -> {
                if (asked.points() == null) {
                    questions.remove(asked.question());
                } else {
                    questions.put(asked.question(), new Answered(asked.points(), recorded.by(), recorded.at()));
                }
            }
            case AssessmentEvent.Stopped stopped -> stop = new Stop(stopped.what(), recorded.by(), recorded.at());
            case AssessmentEvent.AnswersAccepted answers -> {
                answersFile = answers.file();
                answersFor = answers.faults();
            }
        }
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

    /** Number of the first event about a subject; 0 for none. */
    public int firstSeqAbout(String subject) {
        Subject known = subjects.get(subject);
        return known == null ? 0 : known.firstSeq();
    }
}
