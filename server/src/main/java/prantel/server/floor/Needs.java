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
import prantel.core.assessment.Opinions;
import prantel.core.assessment.Pause;
import prantel.core.assessment.Stage;
import prantel.core.assessment.StageClock;
import prantel.core.fault.BoxTruth;
import prantel.server.account.Accounts;
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
    private final Accounts accounts;
    private final Keys keys;
    private final Conducts conducts;
    private final Progress progress;
    private final PairingCodes pairing;
    private final Clock clock;

    Needs(
            Workshop workshop,
            Accounts accounts,
            Keys keys,
            Conducts conducts,
            Progress progress,
            PairingCodes pairing,
            Clock clock) {
        this.pairing = pairing;
        this.workshop = workshop;
        this.accounts = accounts;
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
     * @param urgency what comes first of what waits
     */
    record NeedWhy(String what, String why, OffsetDateTime since, Urgency urgency) {}

    /** In this order: what is unsafe, who stands and waits, what can wait a little. */
    enum Urgency {
        SAFETY,
        SOMEBODY_WAITS,
        TIME,
        NEXT
    }

    /** Somebody waits for what this person thinks of a record. */
    Need ofOpinion(Assessment a, String viewer) {
        Opinions.Opinion opinion = Objects.requireNonNull(a.opinions().of().get(viewer));
        String candidate = accounts.nameOf(a.fixed().candidateId());
        String what = switch (opinion.purpose()) {
            case SECOND -> "Mark " + candidate + " by yourself: a second mark";
            case EXERCISE -> "Mark " + candidate + " by yourself: an exercise";
        };
        return need(a, "mark", what, "asked by " + accounts.nameOf(opinion.askedBy()));
    }

    static Need of(RigNotes.RigNote note) {
        return new Need(
                new NeedPlace(note.bay(), "", null, note.rigId(), "rig"),
                new NeedWhy(
                        note.text(),
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
                                "too many wrong codes came in; candidates can sign in with their own password",
                                OffsetDateTime.now(clock),
                                Urgency.TIME)));
    }

    Need ofDrift(BayViews.BayView view) {
        Bay bay = workshop.bay(view.place().id());
        int drifts = view.place().drifts();
        return new Need(
                new NeedPlace(bay.number(), bay.bayId(), null, bay.rigId(), "rig"),
                new NeedWhy(
                        drifts + " healthy reading" + (drifts == 1 ? " is" : "s are")
                                + " beyond tolerance: look at the rig",
                        "as built",
                        OffsetDateTime.now(clock),
                        Urgency.NEXT));
    }

    List<Need> of(Assessment a) {
        List<Need> needs = new ArrayList<>();
        String candidate = accounts.get(a.fixed().candidateId()).name();
        needs.addAll(atWork(a, candidate));
        if (a.stage() == Stage.SET) {
            needs.add(need(a, "set", progress.now(a), "before " + candidate + " starts"));
        }
        if (a.stage() == Stage.MARK) {
            String marking = a.opinions().second().anyMatch(o -> o.signed().isEmpty())
                    ? "waits for a second mark"
                    : progress.now(a);
            needs.add(need(a, "mark", "Mark " + candidate + ": " + marking, "handed in " + clock(a.handedInAt())));
        }
        if (a.occupiesBay() && a.handedInAt() != null) {
            int faults = keys.faultsIn(a).faults().size();
            needs.add(need(
                    a,
                    "clear",
                    faults == 0
                            ? "Prove the rig healthy"
                            : faults + " fault" + (faults == 1 ? "" : "s") + " still set: clear, prove the rig healthy",
                    "before the next candidate"));
        }
        return needs;
    }

    /** What a candidate at work needs somebody for, the most urgent first. */
    private List<Need> atWork(Assessment a, String candidate) {
        List<Need> needs = new ArrayList<>();
        if (a.stage() != Stage.WATCH) {
            return needs;
        }
        String who = accounts.nameOf(a.conduct().assessor());
        a.conduct()
                .pause()
                .ifPresent(p -> needs.add(need(
                        a,
                        "watch",
                        p.why() == Pause.Why.SAFETY
                                ? "Stopped for safety: make safe, decide what follows"
                                : p.why().words() + ": the clock stands still",
                        who + ": " + p.what(),
                        p.why() == Pause.Why.SAFETY ? Urgency.SAFETY : Urgency.SOMEBODY_WAITS)));
        if (keys.course(a).rig().asked()) {
            needs.add(need(a, "watch", candidate + " asks to go live", who + " watches", Urgency.SOMEBODY_WAITS));
        }
        StageClock clock = conducts.clock(a);
        if (clock.all().isOver() || clock.dead().isOver() || clock.live().isOver()) {
            needs.add(need(a, "watch", "Time is up for " + candidate, who + " watches", Urgency.TIME));
        }
        return needs;
    }

    private static String clock(@Nullable OffsetDateTime at) {
        return at == null
                ? ""
                : at.toLocalTime().truncatedTo(ChronoUnit.MINUTES).toString();
    }

    Need need(Assessment a, String go, String what, String why) {
        return need(a, go, what, why, Urgency.NEXT);
    }

    private Need need(Assessment a, String go, String what, String why, Urgency urgency) {
        Bay bay = workshop.bay(a.fixed().bayId());
        return new Need(
                new NeedPlace(bay.number(), bay.bayId(), a.id(), bay.rigId(), go),
                new NeedWhy(what, why, a.lastChange(), urgency));
    }
}
