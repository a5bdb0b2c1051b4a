package prantel.server.setting;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Written;
import prantel.core.quantity.Check;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.setting.CheckPlan;
import prantel.server.account.Accounts;
import prantel.server.picture.Windows;

/** Readings that prove something at the rig, each with its window and what was taken. */
@Component
class CheckLines {
    private static final int LONGEST_READING = 60;

    private final Accounts accounts;

    CheckLines(Accounts accounts) {
        this.accounts = accounts;
    }

    record CheckLine(
            @JsonUnwrapped CheckPlace of, @JsonUnwrapped CheckTaken taken) {}

    /**
     * Which box, how it is read.
     *
     * @param setUp what to do before it, step by step
     * @param live whether it is read with the supply on
     */
    record CheckPlace(String slot, String what, String test, List<String> setUp, String unit, boolean live) {}

    /** What somebody wrote for a check reading. @throws ProblemsException if no display shows so much */
    static String text(String written) {
        Check.text(written, LONGEST_READING, "text");
        return written.strip();
    }

    /**
     * What was read.
     *
     * @param window between what and what it must lie
     * @param text as taken, empty while it was not
     * @param fits whether it lies there
     * @param says what is wrong with it, empty otherwise
     * @param by who took it
     */
    record CheckTaken(
            String window,
            String text,
            boolean fits,
            String says,
            String by,
            @Nullable OffsetDateTime at) {}

    List<CheckLine> of(List<Expectation> readings, Map<String, Assessment.Taken> taken, Rig rig) {
        List<CheckLine> lines = new ArrayList<>();
        for (Expectation e : readings) {
            lines.add(line(e, taken.get(e.slot().id().value()), rig));
        }
        return lines;
    }

    private CheckLine line(Expectation e, Assessment.@Nullable Taken taken, Rig rig) {
        Slot slot = e.slot();
        String text = taken == null ? "" : taken.text();
        Written written = Notation.read(text, slot.boxUnit());
        boolean fits = e.window().sideOf(written) == Window.Side.INSIDE;
        String says = text.isEmpty() || fits
                ? ""
                : written instanceof Written.Unreadable u
                        ? u.problem().mend()
                        : "does not fit: see below what it speaks for";
        return new CheckLine(
                new CheckPlace(
                        slot.id().value(),
                        slot.title(rig),
                        slot.step().label(),
                        slot.setUps().stream()
                                .flatMap(s -> s.steps().stream())
                                .distinct()
                                .toList(),
                        slot.boxUnit().symbol(),
                        CheckPlan.isLive(e)),
                new CheckTaken(
                        Windows.of(e),
                        text,
                        fits,
                        says,
                        taken == null ? "" : accounts.get(taken.by()).name(),
                        taken == null ? null : taken.at()));
    }

    static long open(List<CheckLine> lines) {
        return lines.stream().filter(c -> !c.taken().fits()).count();
    }
}
