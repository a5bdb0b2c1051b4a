package prantel.server.floor;

import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.core.marking.Outcome.Verdict;
import prantel.server.assessment.Assessments;
import prantel.server.floor.BayViews.BayView;
import prantel.server.floor.Needs.Need;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.RigNotes;
import prantel.server.workshop.Workshop;

/** The room: its bays, and what needs the assessor next. */
@RestController
@RequestMapping("/api/floor")
class FloorController {
    /** Marked assessments that are listed; the others are found by their candidate. */
    private static final int MOST_KEPT = 30;

    private final Room.Look look;
    private final Assessments assessments;
    private final Workshop workshop;
    private final BayViews bayViews;
    private final Needs needs;
    private final RigNotes notes;

    FloorController(
            Room.Look look,
            Assessments assessments,
            Workshop workshop,
            BayViews bayViews,
            Needs needs,
            RigNotes notes) {
        this.look = look;
        this.assessments = assessments;
        this.workshop = workshop;
        this.bayViews = bayViews;
        this.needs = needs;
        this.notes = notes;
    }

    record FloorView(List<BayView> bays, List<Need> aisle, List<Kept> kept) {}

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
        Room room = look.now(viewer.getName());
        List<BayView> bays = bayViews.of(room);
        List<Need> aisle = new ArrayList<>();
        room.open()
                .forEach(a -> aisle.addAll(Progress.whole(
                        a,
                        () -> needs.of(a, room),
                        () -> List.of(needs.need(a, room, "mark", Progress.UNREADABLE, "tell the technician")))));
        List<Assessment> asked = room.asked();
        asked.forEach(a -> {
            // marking it in the usual way is somebody else's
            aisle.removeIf(n ->
                    a.id().equals(n.where().assessmentId()) && n.where().go().equals("mark"));
            aisle.add(needs.ofOpinion(a, room, viewer.getName()));
        });
        notes.open().forEach(n -> aisle.add(Needs.of(n)));
        room.bays().forEach(bay -> {
            Optional<Assessment> here = room.here(bay);
            needs.ofBox(bay, here, bayViews.truth(bay, here)).ifPresent(aisle::add);
        });
        needs.ofPairing().ifPresent(aisle::add);
        aisle.sort(Comparator.comparing((Need n) -> n.why().urgency())
                .thenComparing(n -> n.why().since()));
        bays.stream()
                .filter(b -> b.place().drifts() > 0)
                .map(b -> needs.ofDrift(b, room))
                .forEach(aisle::add);
        return new FloorView(bays, aisle, kept(asked));
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
}
