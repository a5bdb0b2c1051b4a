package prantel.server.floor;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.security.Principal;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Opinions;
import prantel.core.assessment.Pause;
import prantel.core.assessment.Stage;
import prantel.core.assessment.StageClock;
import prantel.core.expectation.Drift;
import prantel.core.marking.Finding;
import prantel.core.marking.Outcome.Verdict;
import prantel.server.account.Accounts;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Keys;
import prantel.server.conduct.Conducts;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.workshop.AsBuiltReadings;
import prantel.server.workshop.Bay;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.RigNotes;
import prantel.server.workshop.Workshop;

/** The room: its bays, and what needs the assessor next. */
@RestController
@RequestMapping("/api/floor")
class FloorController {
    private static final Logger LOG = LoggerFactory.getLogger(FloorController.class);
    /** Marked assessments that are listed; the others are found by their candidate. */
    private static final int MOST_KEPT = 30;

    private static final String UNREADABLE = "This record cannot be read in full";

    private final Workshop workshop;
    private final Assessments assessments;
    private final Keys keys;
    private final Accounts accounts;

    private final AsBuiltReadings asBuilt;
    private final Clock clock;
    private final FaultBoxes boxes;
    private final Conducts conducts;
    private final RigNotes notes;

    FloorController(
            Workshop workshop,
            Assessments assessments,
            Keys keys,
            Accounts accounts,
            AsBuiltReadings asBuilt,
            FaultBoxes boxes,
            Conducts conducts,
            RigNotes notes,
            Clock clock) {
        this.notes = notes;
        this.conducts = conducts;
        this.asBuilt = asBuilt;
        this.boxes = boxes;
        this.clock = clock;
        this.workshop = workshop;
        this.assessments = assessments;
        this.keys = keys;
        this.accounts = accounts;
    }

    record FloorView(List<BayView> bays, List<Need> aisle, List<Kept> kept) {}

    record BayView(
            @JsonUnwrapped BayPlace place,
            @JsonUnwrapped BayPeople people,
            @JsonUnwrapped BayStanding standing,
            @JsonUnwrapped BayNow now) {}

    /**
     * The bay and its rig.
     *
     * @param drifts healthy readings of the real rig that lie beyond tolerance of its description
     * @param box what is wrong with its fault box; empty for nothing
     */
    record BayPlace(String id, int number, String rig, String earthing, int drifts, String box) {}

    /**
     * Who is in it, and who watches.
     *
     * @param assessmentId null for a free bay
     * @param assessor who watches; empty for a free bay
     */
    record BayPeople(@Nullable String assessmentId, String candidate, String assessor) {}

    /**
     * How far they are.
     *
     * @param live whether its rig is energised
     * @param left seconds left in all; null where there is no limit or nobody is at work
     */
    record BayStanding(
            @Nullable Stage stage,
            int faultsSet,
            boolean live,
            @Nullable Long left) {}

    /** What goes on, in words. */
    record BayNow(String now, String detail, @Nullable OffsetDateTime since) {}

    /** One thing that needs somebody, with the reason. */
    record Need(
            @JsonUnwrapped NeedPlace where, @JsonUnwrapped NeedWhy why) {}

    /**
     * Where to go for it.
     *
     * @param go the stage to open; "rig" for the rig's page
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

    /** An assessment that is marked. */
    record Kept(
            String assessmentId,
            String candidate,
            String rig,
            String verdict,
            boolean brokenOff,
            boolean overridden,
            OffsetDateTime at) {}

    @GetMapping
    FloorView floor(Principal viewer) {
        List<Assessment> open = assessments.open();
        List<BayView> bays = workshop.bays().stream().map(b -> bay(b, open)).toList();
        List<Need> aisle = new ArrayList<>();
        open.forEach(a -> aisle.addAll(
                whole(a, () -> needs(a), () -> List.of(need(a, "mark", UNREADABLE, "tell the technician")))));
        List<Assessment> asked = assessments.opinionsAskedOf(viewer.getName());
        asked.forEach(a -> {
            // marking it in the usual way is somebody else's
            aisle.removeIf(n ->
                    a.id().equals(n.where().assessmentId()) && n.where().go().equals("mark"));
            aisle.add(opinionNeed(a, viewer.getName()));
        });
        notes.open().forEach(n -> aisle.add(noteNeed(n)));
        aisle.sort(Comparator.comparing((Need n) -> n.why().urgency())
                .thenComparing(n -> n.why().since()));
        bays.stream().filter(b -> b.place().drifts() > 0).map(this::driftNeed).forEach(aisle::add);
        return new FloorView(bays, aisle, kept(asked));
    }

    /** One record that cannot be read does not take the room down with it. */
    private static <T> T whole(Assessment a, Supplier<T> read, Supplier<T> otherwise) {
        try {
            return read.get();
        } catch (RuntimeException e) {
            LOG.error("Assessment {} cannot be shown on the Floor", a.id(), e);
            return otherwise.get();
        }
    }

    private BayView bay(Bay bay, List<Assessment> open) {
        Optional<Assessment> here = open.stream()
                .filter(a -> a.occupiesBay() && a.fixed().bayId().equals(bay.bayId()))
                .findFirst();
        var rig = workshop.rigOf(bay);
        String earthing = rig.supply().declared().earthing().label();
        if (here.isEmpty()) {
            return new BayView(
                    new BayPlace(bay.bayId(), bay.number(), rig.name(), earthing, drifts(bay), box(bay, List.of())),
                    new BayPeople(null, "free", ""),
                    new BayStanding(null, 0, false, null),
                    new BayNow(
                            "Ready for the next candidate",
                            assessments.wasCleared(bay.bayId()) ? "Rig proved healthy" : "No faults set",
                            null));
        }
        Assessment a = here.get();
        return new BayView(
                new BayPlace(bay.bayId(), bay.number(), rig.name(), earthing, drifts(bay), box(bay, a.relays())),
                new BayPeople(
                        a.id(),
                        accounts.get(a.fixed().candidateId()).name(),
                        accounts.nameOf(a.conduct().assessor())),
                new BayStanding(
                        a.stage(),
                        whole(a, () -> keys.faults(a).faults().size(), () -> 0),
                        a.energisedAt() != null,
                        left(a)),
                new BayNow(whole(a, () -> now(a), () -> UNREADABLE), detail(a), a.lastChange()));
    }

    private @Nullable Long left(Assessment a) {
        StageClock.Used all = conducts.clock(a).all();
        return a.stage() == Stage.WATCH && all.isLimited() ? all.left().toSeconds() : null;
    }

    /** What is wrong with a bay's box: relays in that should not be, out that should be in, or no answer while they matter. */
    private String box(Bay bay, List<Integer> relays) {
        return boxes.of(bay.bayId())
                .map(state -> {
                    if (!state.contact()) {
                        return relays.isEmpty() ? "" : "fault box does not answer";
                    }
                    boolean right = new TreeSet<>(state.closed()).equals(new TreeSet<>(relays));
                    return right
                            ? ""
                            : state.closed().isEmpty()
                                    ? "fault box: its relays fell out"
                                    : "fault box: wrong relays in, "
                                            + new TreeSet<>(state.closed())
                                                    .toString()
                                                    .replaceAll("[\\[\\]]", "");
                })
                .orElse("");
    }

    /** Somebody waits for what this person thinks of a record. */
    private Need opinionNeed(Assessment a, String viewer) {
        Opinions.Opinion opinion = Objects.requireNonNull(a.opinions().of().get(viewer));
        String candidate = accounts.nameOf(a.fixed().candidateId());
        String what = switch (opinion.purpose()) {
            case SECOND -> "Mark " + candidate + " by yourself: a second mark";
            case EXERCISE -> "Mark " + candidate + " by yourself: an exercise";
        };
        return need(a, "mark", what, "asked by " + accounts.nameOf(opinion.askedBy()));
    }

    private static Need noteNeed(RigNotes.RigNote note) {
        return new Need(
                new NeedPlace(note.bay(), "", null, note.rigId(), "rig"),
                new NeedWhy(note.text(), "noted by " + note.notedBy(), note.notedAt(), Urgency.NEXT));
    }

    private Need driftNeed(BayView view) {
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

    private int drifts(Bay bay) {
        DocumentRef rig = new DocumentRef(bay.rigId(), bay.rigVersion());
        List<DocumentRef> testers = workshop.testers();
        return testers.isEmpty()
                ? 0
                : (int) asBuilt.drifts(rig, workshop.tester(testers.getFirst())).stream()
                        .filter(Drift::isBeyond)
                        .count();
    }

    private String now(Assessment a) {
        return switch (a.stage()) {
            case SET ->
                a.lockedOffAt() == null
                        ? "Lock off, then set the faults"
                        : keys.faults(a).isEmpty() ? "Choose and set faults" : "Prove it is set";
            case WATCH -> filled(a) + " of " + boxes(a) + " boxes filled";
            case MARK -> wantsEye(a) + " of " + filled(a) + " readings want your eye";
            case CLEAR, DONE -> "Clear and prove healthy";
        };
    }

    private static String detail(Assessment a) {
        if (a.conduct().brokenOff() != null) {
            return "Broken off · nothing to mark";
        }
        if (a.conduct().pause().isPresent()) {
            return "Watch · the clock stands still";
        }
        if (a.energisedAt() != null && a.handedInAt() != null) {
            return "Handed in · still LIVE, make it dead first";
        }
        if (a.relaysOutSince() != null) {
            return "Fault box let go: make it dead and arm it again";
        }
        if (a.energisedAt() != null) {
            return "Watch · LIVE, your whole attention";
        }
        return switch (a.stage()) {
            case SET -> a.lockedOffAt() == null ? "Set · not locked off yet" : "Set · dead and locked off";
            case WATCH -> "Watch · dead tests";
            case MARK -> "Mark · handed in";
            case CLEAR, DONE -> "Clear · marked";
        };
    }

    private List<Need> needs(Assessment a) {
        List<Need> needs = new ArrayList<>();
        String candidate = accounts.get(a.fixed().candidateId()).name();
        needs.addAll(atWork(a, candidate));
        if (a.stage() == Stage.SET) {
            needs.add(need(a, "set", now(a), "before " + candidate + " starts"));
        }
        if (a.stage() == Stage.MARK) {
            String marking =
                    a.opinions().second().anyMatch(o -> o.signed().isEmpty()) ? "waits for a second mark" : now(a);
            needs.add(need(a, "mark", "Mark " + candidate + ": " + marking, "handed in " + clock(a.handedInAt())));
        }
        if (a.occupiesBay() && a.handedInAt() != null) {
            int faults = keys.faults(a).faults().size();
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

    private Need need(Assessment a, String go, String what, String why) {
        return need(a, go, what, why, Urgency.NEXT);
    }

    private Need need(Assessment a, String go, String what, String why, Urgency urgency) {
        Bay bay = workshop.bay(a.fixed().bayId());
        return new Need(
                new NeedPlace(bay.number(), bay.bayId(), a.id(), bay.rigId(), go),
                new NeedWhy(what, why, a.lastChange(), urgency));
    }

    /** Whoever is to mark one alone does not read here what became of it. */
    private List<Kept> kept(List<Assessment> asked) {
        Set<String> blind = asked.stream().map(Assessment::id).collect(Collectors.toSet());
        return assessments.kept(MOST_KEPT).stream()
                .filter(k -> !blind.contains(k.assessmentId()))
                .map(k -> new Kept(
                        k.assessmentId(),
                        k.candidate(),
                        workshop.rig(new DocumentRef(k.rigId(), k.rigVersion())).name(),
                        k.isBrokenOff()
                                ? "Broken off"
                                : Verdict.valueOf(k.verdict()).words(),
                        k.isBrokenOff(),
                        k.overridden(),
                        k.at()))
                .toList();
    }

    private static int filled(Assessment a) {
        return (int)
                a.readings().values().stream().filter(r -> !r.value().isBlank()).count();
    }

    private int boxes(Assessment a) {
        return keys.sheet(a).size();
    }

    private long wantsEye(Assessment a) {
        return keys.marked(a).findings().stream().filter(Finding::wantsEye).count();
    }
}
