package prantel.server.conduct;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Checklist;
import prantel.core.assessment.Pause;
import prantel.core.assessment.StageClock;

/** How an assessment is conducted. */
public record ConductView(
        @JsonUnwrapped Watching people,
        @JsonUnwrapped TimeGranted time,
        @JsonUnwrapped WorkAgreed work,
        @JsonUnwrapped WhereItWent course,
        @JsonUnwrapped ConductChoices choices) {

    /**
     * Who watches, with which instrument.
     *
     * @param assessor who watches now
     * @param mine whether that is the one who asks
     * @param tester the instrument in use
     */
    public record Watching(String assessor, boolean mine, String tester) {}

    /**
     * The clock, where it stood, what was granted.
     *
     * @param pauses in order; the last may still last
     * @param given what was granted besides time; never why
     */
    public record TimeGranted(ClockView clock, List<PauseLine> pauses, double timeFactor, List<String> given) {}

    /**
     * What is tested, and what was ticked.
     *
     * @param circuits those that are tested; all where nobody chose
     */
    public record WorkAgreed(List<TestedCircuit> circuits, List<ListView> lists) {}

    /** How it ended, or where it came from. */
    public record WhereItWent(
            @Nullable EndedLine brokenOff, @Nullable String continuedFrom) {}

    /**
     * Who and what could take its place.
     *
     * @param others who could take it over
     * @param testers which other instruments there are
     * @param freeBays where it could be carried on
     */
    public record ConductChoices(List<Other> others, List<Other> testers, List<Other> freeBays) {}

    public record Other(String id, String label) {}

    public record TestedCircuit(String id, String label, boolean ring, boolean tested) {}

    /** An item of a list. @param ticked null while it is open */
    public record ItemLine(
            String id, String words, @Nullable TickedLine ticked) {}

    public record TickedLine(String by, OffsetDateTime at) {}

    public record ListView(Checklist list, String title, List<ItemLine> items, boolean complete) {}

    public record Tick(Checklist list, String item) {}

    /** @param to null while it lasts */
    public record PauseLine(
            Pause.Why why,
            String words,
            String what,
            String by,
            OffsetDateTime from,
            @Nullable OffsetDateTime to,
            String outcome) {}

    public record EndedLine(String reason, @Nullable String continuedAs, String by, OffsetDateTime at) {}

    /** Seconds gone and allowed, 0 for no limit. */
    public record UsedLine(long gone, long allowed) {
        static UsedLine of(StageClock.Used used) {
            return new UsedLine(used.gone().toSeconds(), used.allowed().toSeconds());
        }
    }

    public record ClockView(UsedLine dead, UsedLine live, UsedLine all, StageClock.State state) {
        public static ClockView of(StageClock clock) {
            return new ClockView(
                    UsedLine.of(clock.dead()), UsedLine.of(clock.live()), UsedLine.of(clock.all()), clock.state());
        }
    }
}
