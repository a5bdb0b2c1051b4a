package prantel.server.floor;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.Clock;
import java.time.Duration;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Course;
import prantel.core.assessment.Opinions;
import prantel.core.assessment.Pause;
import prantel.core.assessment.Stage;
import prantel.core.assessment.StageClock;
import prantel.core.fault.BoxTruth;
import prantel.server.account.PairingCodes;
import prantel.server.assessment.Keys;
import prantel.server.conduct.Conducts;
import prantel.server.workshop.Bay;
import prantel.server.workshop.RigNotes;
import prantel.server.workshop.Workshop;

/** What needs somebody, and why. */
@Component
class Needs {
    private final Workshop workshop;
    private final Keys keys;
    private final Conducts conducts;
    private final Progress progress;
    private final PairingCodes pairing;
    private final Clock clock;

    Needs(Workshop workshop, Keys keys, Conducts conducts, Progress progress, PairingCodes pairing, Clock clock) {
        this.pairing = pairing;
        this.workshop = workshop;
        this.keys = keys;
        this.conducts = conducts;
        this.progress = progress;
        this.clock = clock;
    }

    /** One thing that needs somebody, with the reason. */
    record Need(
            @JsonUnwrapped NeedPlace where, @JsonUnwrapped NeedWhy why) {}

    /**
     * Where to go for it.
     *
     * @param go the stage to open; "rig" for the rig's page, empty for nowhere
     */
    record NeedPlace(int bay, String bayId, @Nullable String assessmentId, String rigId, String go) {}

    /**
     * What it is.
     *
     * @param brief the same in two or three words, where there is no room; empty where it needs nobody at the rig
     * @param urgency what comes first of what waits
     */
    record NeedWhy(String what, String brief, String why, OffsetDateTime since, Urgency urgency) {}

    /** In this order: what is unsafe, who stands and waits, what can wait a little. */
    enum Urgency {
        SAFETY,
        SOMEBODY_WAITS,
        TIME,
        NEXT
    }

    /** Somebody waits for what this person thinks of a record. */
    Need ofOpinion(Assessment a, Room room, String viewer) {
        Opinions.Opinion opinion = Objects.requireNonNull(a.opinions().of().get(viewer));
        String candidate = room.name(a.fixed().candidateId());
        String what = switch (opinion.purpose()) {
            case SECOND -> "Mark " + candidate + " by yourself: a second mark";
            case EXERCISE -> "Mark " + candidate + " by yourself: an exercise";
        };
        return need(a, room, "mark", what, "asked by " + room.name(opinion.askedBy()));
    }

    static Need of(RigNotes.RigNote note) {
        return new Need(
                new NeedPlace(note.bay(), "", null, note.rigId(), "rig"),
                new NeedWhy(
                        note.text(),
                        "",
                        "noted by " + note.noted().by(),
                        note.noted().at(),
                        Urgency.NEXT));
    }

    /** A box that is not as it was told: first of all where somebody may be at the rig. */
    Optional<Need> ofBox(Bay bay, Optional<Assessment> here, BoxTruth truth) {
        if (truth.isAsTold()) {
            return Optional.empty();
        }
        boolean astray = !truth.relays(BoxTruth.Trouble.NOT_COMMANDED).isEmpty();
        Urgency urgency = astray ? Urgency.SAFETY : here.isPresent() ? Urgency.SOMEBODY_WAITS : Urgency.NEXT;
        String go = here.map(a -> a.stage() == Stage.WATCH ? "watch" : a.handedInAt() == null ? "set" : "clear")
                .orElse("rig");
        return Optional.of(new Need(
                new NeedPlace(
                        bay.number(), bay.bayId(), here.map(Assessment::id).orElse(null), bay.rigId(), go),
                new NeedWhy(
                        truth.words(),
                        "fault box",
                        here.filter(a -> a.energisedAt() != null).isPresent()
                                ? "the rig is LIVE: keep everybody off it, make it dead"
                                : "keep the rig dead, find out why",
                        OffsetDateTime.now(clock),
                        urgency)));
    }

    /** Tablets wait: too many wrong codes came in. */
    Optional<Need> ofPairing() {
        Duration waits = pairing.waits();
        return waits.isZero()
                ? Optional.empty()
                : Optional.of(new Need(
                        new NeedPlace(0, "", null, "", ""),
                        new NeedWhy(
                                "No tablet is let in by a code for about " + (waits.toMinutes() + 1) + " min",
                                "",
                                "too many wrong codes came in; candidates can sign in with their own password",
                                OffsetDateTime.now(clock),
                                Urgency.TIME)));
    }

    Need ofDrift(BayViews.BayView view, Room room) {
        Bay bay = room.bay(view.place().id()).orElseThrow();
        int drifts = view.place().drifts();
        return new Need(
                new NeedPlace(bay.number(), bay.bayId(), null, bay.rigId(), "rig"),
                new NeedWhy(
                        drifts + " healthy reading" + (drifts == 1 ? " is" : "s are")
                                + " beyond tolerance: look at the rig",
                        "",
                        "as built",
                        OffsetDateTime.now(clock),
                        Urgency.NEXT));
    }

    List<Need> of(Assessment a, Room room) {
        List<Need> needs = new ArrayList<>();
        String candidate = room.name(a.fixed().candidateId());
        needs.addAll(atWork(a, room, candidate));
        if (a.stage() == Stage.SET) {
            needs.add(need(a, room, "set", progress.now(a), "before " + candidate + " starts"));
        }
        if (a.stage() == Stage.MARK) {
            String marking = a.opinions().second().anyMatch(o -> o.signed().isEmpty())
                    ? "waits for a second mark"
                    : progress.now(a);
            needs.add(
                    need(a, room, "mark", "Mark " + candidate + ": " + marking, "handed in " + clock(a.handedInAt())));
        }
        if (a.occupiesBay() && a.handedInAt() != null) {
            int faults = keys.faultsIn(a).faults().size();
            needs.add(need(
                    a,
                    room,
                    "clear",
                    faults == 0
                            ? "Prove the rig healthy"
                            : faults + " fault" + (faults == 1 ? "" : "s") + " still set: clear, prove the rig healthy",
                    "before the next candidate"));
        }
        return needs;
    }

    /** What a candidate at work needs somebody for, the most urgent first. */
    private List<Need> atWork(Assessment a, Room room, String candidate) {
        List<Need> needs = new ArrayList<>();
        if (a.stage() != Stage.WATCH) {
            return needs;
        }
        String who = room.name(a.conduct().assessor());
        a.conduct()
                .pause()
                .ifPresent(p -> needs.add(need(
                        a,
                        room,
                        "watch",
                        p.why() == Pause.Why.SAFETY
                                ? "Stopped for safety: make safe, decide what follows"
                                : p.why().words() + ": the clock stands still",
                        p.why() == Pause.Why.SAFETY ? "stopped" : "stands still",
                        who + ": " + p.what(),
                        p.why() == Pause.Why.SAFETY ? Urgency.SAFETY : Urgency.SOMEBODY_WAITS)));
        if (Course.isAsked(a)) {
            needs.add(need(
                    a,
                    room,
                    "watch",
                    candidate + " asks to go live",
                    "asks: live",
                    who + " watches",
                    Urgency.SOMEBODY_WAITS));
        }
        StageClock clock = conducts.clock(a);
        if (clock.all().isOver() || clock.dead().isOver() || clock.live().isOver()) {
            needs.add(need(
                    a, room, "watch", "Time is up for " + candidate, "time is up", who + " watches", Urgency.TIME));
        }
        return needs;
    }

    private static String clock(@Nullable OffsetDateTime at) {
        return at == null
                ? ""
                : at.toLocalTime().truncatedTo(ChronoUnit.MINUTES).toString();
    }

    Need need(Assessment a, Room room, String go, String what, String why) {
        return need(a, room, go, what, "", why, Urgency.NEXT);
    }

    private Need need(Assessment a, Room room, String go, String what, String brief, String why, Urgency urgency) {
        // a bay that was retired since is still where it was
        Bay bay = room.bay(a.fixed().bayId())
                .orElseGet(() -> workshop.bay(a.fixed().bayId()));
        return new Need(
                new NeedPlace(bay.number(), bay.bayId(), a.id(), bay.rigId(), go),
                new NeedWhy(what, brief, why, a.lastChange(), urgency));
    }
}
