package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;

/** Assessments for tests, one event after another. */
public final class Streams {
    public static final OffsetDateTime START = OffsetDateTime.of(2026, 11, 26, 9, 0, 0, 0, ZoneOffset.UTC);
    public static final Pinned PINNED = new Pinned(
            "a1",
            "bay-1",
            "owen",
            "ines",
            new Pinned.Versions(
                    new Pinned.Document("rig", 1), new Pinned.Document("t1", 1), new Pinned.Document("workshop", 1), 4),
            START);

    private Assessment state = Assessment.replay(PINNED, List.of());
    private final List<Assessment.Recorded> recorded = new ArrayList<>();
    private OffsetDateTime now = START;

    /** At work: locked off, the sheet open. */
    public static Streams atWork() {
        Streams s = new Streams().add(new AssessmentEvent.LockedOff(), new AssessmentEvent.SheetOpened());
        ticksOf(Checklist.READY).forEach(t -> s.by("owen", t));
        return s;
    }

    public Streams add(AssessmentEvent... events) {
        for (AssessmentEvent event : events) {
            by("ines", event);
        }
        return this;
    }

    public Streams by(String who, AssessmentEvent event) {
        recorded.add(new Assessment.Recorded(state.seq() + 1, event, now, who));
        state = state.after(recorded.getLast());
        return this;
    }

    public Streams minutes(int later) {
        now = now.plusMinutes(later);
        return this;
    }

    public Streams write(String slot, String text) {
        return by("owen", new AssessmentEvent.ReadingWritten(slot, text, ""));
    }

    public Streams tickAll(Checklist... lists) {
        ticksOf(lists).forEach(this::add);
        return this;
    }

    public static List<AssessmentEvent> ticksOf(Checklist... lists) {
        List<AssessmentEvent> ticks = new ArrayList<>();
        for (Checklist list : lists) {
            list.items().forEach(i -> ticks.add(new AssessmentEvent.Ticked(list, i.id(), true)));
        }
        return ticks;
    }

    public Assessment state() {
        return state;
    }

    public List<Assessment.Recorded> recorded() {
        return List.copyOf(recorded);
    }

    public OffsetDateTime now() {
        return now;
    }
}
