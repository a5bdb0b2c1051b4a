package prantel.server.floor;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Stage;
import prantel.core.assessment.StageClock;
import prantel.core.fault.BoxTruth;
import prantel.server.conduct.Conducts;
import prantel.server.faultbox.FaultBoxes;
import prantel.server.workshop.Bay;
import prantel.server.workshop.Workshop;

/** The bays, each at a glance. */
@Component
class BayViews {
    private final Workshop workshop;
    private final FaultBoxes boxes;
    private final Conducts conducts;
    private final Progress progress;

    BayViews(Workshop workshop, FaultBoxes boxes, Conducts conducts, Progress progress) {
        this.workshop = workshop;
        this.boxes = boxes;
        this.conducts = conducts;
        this.progress = progress;
    }

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

    List<BayView> of(Room room) {
        return room.bays().stream().map(b -> bay(b, room)).toList();
    }

    private BayView bay(Bay bay, Room room) {
        Optional<Assessment> here = room.here(bay);
        var rig = workshop.rigOf(bay);
        String earthing = rig.supply().declared().earthing().label();
        if (here.isEmpty()) {
            return new BayView(
                    new BayPlace(
                            bay.bayId(),
                            bay.number(),
                            rig.name(),
                            earthing,
                            room.drifts(bay),
                            truth(bay, here).brief()),
                    new BayPeople(null, "free", ""),
                    new BayStanding(null, 0, false, null),
                    new BayNow(
                            "Ready for the next candidate",
                            room.cleared().contains(bay.bayId()) ? "Rig proved healthy" : "No faults set",
                            null));
        }
        Assessment a = here.get();
        return new BayView(
                new BayPlace(
                        bay.bayId(),
                        bay.number(),
                        rig.name(),
                        earthing,
                        room.drifts(bay),
                        truth(bay, here).brief()),
                new BayPeople(
                        a.id(),
                        room.name(a.fixed().candidateId()),
                        room.name(a.conduct().assessor())),
                new BayStanding(
                        a.stage(),
                        Progress.whole(a, () -> progress.faults(a), () -> 0),
                        a.energisedAt() != null,
                        left(a)),
                new BayNow(
                        Progress.whole(a, () -> progress.now(a), () -> Progress.UNREADABLE),
                        detail(a),
                        a.lastChange()));
    }

    /** What is the matter with a bay's box; no relay may be in where nobody is. */
    BoxTruth truth(Bay bay, Optional<Assessment> here) {
        return boxes.truth(
                bay.bayId(),
                here.map(Assessment::relays).orElse(List.of()),
                here.filter(a -> a.boxUnpluggedAt() != null).isPresent());
    }

    private @Nullable Long left(Assessment a) {
        StageClock.Used all = conducts.clock(a).all();
        return a.stage() == Stage.WATCH && all.isLimited() ? all.left().toSeconds() : null;
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
}
