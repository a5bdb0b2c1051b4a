package prantel.server.rigs;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.limits.Limit;
import prantel.core.sequence.Slot;
import prantel.server.picture.Windows;

/** Every reading of a healthy rig with its band, limit and source: the expectation sheet. */
final class ExpectationSheet {
    private ExpectationSheet() {}

    record ReadingLine(
            @JsonUnwrapped ReadingPlace place,
            @JsonUnwrapped ReadingGives gives,
            @JsonUnwrapped ReadingLimit limit,
            @JsonUnwrapped ReadingHow how) {}

    /** Which box. */
    record ReadingPlace(
            String slot,
            String step,
            boolean live,
            @Nullable String circuit,
            String quantity,
            String where) {}

    /** What it reads, and within what. */
    record ReadingGives(String healthy, String band) {}

    /**
     * What it is held against.
     *
     * @param met null where it is not judged
     */
    record ReadingLimit(
            String limit,
            String limitSource,
            String limitWorking,
            @Nullable Boolean met) {}

    /**
     * How it is taken or worked out.
     *
     * @param byHand the trade's arithmetic with the numbers put in; empty where there is none
     * @param rule for a box that comes from others: "the highest of …"
     */
    record ReadingHow(String byHand, String instrument, String rule, List<String> setUp) {}

    static List<ReadingLine> of(Key key) {
        List<ReadingLine> lines = new ArrayList<>();
        for (Expectation e : key.expectations()) {
            Slot slot = e.slot();
            Limit limit = slot.limit().orElse(null);
            lines.add(new ReadingLine(
                    new ReadingPlace(
                            slot.id().value(),
                            slot.step().label(),
                            slot.step().isLive(),
                            slot.circuit().map(Object::toString).orElse(null),
                            slot.quantity(),
                            slot.where()),
                    new ReadingGives(e.healthy().shown(), Windows.of(e)),
                    new ReadingLimit(
                            limit == null ? "" : limit.shown(slot.boxUnit()),
                            limit == null ? "" : limit.source(),
                            limit == null ? "" : limit.working(),
                            e.satisfactory().orElse(null)),
                    new ReadingHow(
                            byHand(slot),
                            slot instanceof Slot.Measured m ? m.function().label() : "",
                            slot instanceof Slot.Composed c ? rule(c, key) : "",
                            slot.setUps().stream()
                                    .flatMap(s -> s.steps().stream())
                                    .distinct()
                                    .toList())));
        }
        return lines;
    }

    private static String byHand(Slot slot) {
        return slot instanceof Slot.Measured m
                ? m.byHand().map(h -> h.working()).orElse("")
                : "";
    }

    private static String rule(Slot.Composed slot, Key key) {
        List<String> of = slot.of().stream()
                .map(id -> key.expectation(id).slot().quantity())
                .distinct()
                .toList();
        return slot.rule().words() + " " + slot.of().size() + " readings (" + String.join(", ", of) + ")";
    }
}
