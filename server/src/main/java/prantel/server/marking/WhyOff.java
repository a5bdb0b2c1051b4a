package prantel.server.marking;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;
import prantel.core.inference.Asking;
import prantel.core.inference.Cause;
import prantel.core.inference.Explanation;
import prantel.core.marking.AlikeOnTheRig;
import prantel.core.marking.Finding;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.ToDecide;
import prantel.core.sequence.SlotId;

/** What explains the boxes that are off, what it costs, and what has to be decided. */
record WhyOff(
        List<CauseGroup> causes,
        List<DecisionLine> toDecide,
        @Nullable RigFirst rigFirst) {
    /** For whoever marks alone. */
    static final WhyOff NOT_TOLD = new WhyOff(List.of(), List.of(), null);

    static WhyOff of(MarkedSheet sheet, List<AlikeOnTheRig.Alike> alike) {
        return new WhyOff(
                causes(sheet),
                ToDecide.of(sheet.findings(), sheet.marks()).stream()
                        .map(d -> DecisionLine.of(d, sheet))
                        .toList(),
                RigFirst.of(alike));
    }

    /**
     * One thing to decide.
     *
     * @param costs points that are proposed not to be given
     * @param key whether it refers or stops by itself
     * @param lookFirst whether the rig or the tester is looked at before it is accepted
     * @param marks ids of the marks that stand and fall with it
     * @param boxes that it is about
     */
    record DecisionLine(
            @JsonUnwrapped DecisionAbout about,
            double costs,
            boolean key,
            boolean lookFirst,
            List<String> marks,
            List<String> boxes) {
        static DecisionLine of(ToDecide d, MarkedSheet sheet) {
            return new DecisionLine(
                    d.cause()
                            .map(c -> new DecisionAbout(c.name(), c.name(), c.label(), "", ""))
                            .orElseGet(() -> DecisionAbout.of(d.marks().getFirst(), sheet)),
                    d.costs(),
                    d.marks().stream().anyMatch(Mark::key),
                    d.isLookedAtFirst(),
                    d.marks().stream().map(Mark::id).toList(),
                    d.boxes().stream().map(Object::toString).toList());
        }
    }

    /**
     * What it is.
     *
     * @param cause id of the cause that accounts for it; null for a mark by itself
     * @param of circuit and test of a mark by itself; empty for a cause
     * @param evidence why, of a mark by itself; empty for a cause, which has its own
     */
    record DecisionAbout(String id, @Nullable String cause, String title, String of, String evidence) {
        static DecisionAbout of(Mark mark, MarkedSheet sheet) {
            String circuit = sheet.circuitOf(mark);
            return new DecisionAbout(
                    mark.id(),
                    null,
                    mark.title(),
                    circuit.isEmpty() ? mark.group() : circuit + ", " + mark.group(),
                    mark.words());
        }
    }

    private static List<CauseGroup> causes(MarkedSheet sheet) {
        Map<SlotId, Finding> byBox = new HashMap<>();
        sheet.findings().forEach(f -> byBox.put(f.expectation().slot().id(), f));
        return ToDecide.boxesByCause(sheet.findings()).entrySet().stream()
                .map(e -> {
                    List<Explanation> first = Objects.requireNonNull(
                                    byBox.get(e.getValue().getFirst()))
                            .explanations();
                    Cause cause = e.getKey();
                    return new CauseGroup(
                            new CauseShown(
                                    cause.name(),
                                    CauseKind.of(cause),
                                    cause.label(),
                                    first.getFirst().evidence()),
                            first.stream()
                                    .map(x -> new Share(x.cause().label(), x.strength()))
                                    .toList(),
                            new CauseAsk(
                                    cause.question(),
                                    Asking.best(first, sheet.key().scheme().questions())
                                            .map(b -> b.question().ask())
                                            .orElse("")),
                            e.getValue().stream().map(SlotId::value).toList());
                })
                .toList();
    }

    /**
     * Others in this bay were off in the same way: the rig is looked at before anybody is asked.
     *
     * @param others how many of them at most
     */
    record RigFirst(String words, List<String> slots, int others) {
        static @Nullable RigFirst of(List<AlikeOnTheRig.Alike> alike) {
            if (alike.isEmpty()) {
                return null;
            }
            int others =
                    alike.stream().mapToInt(AlikeOnTheRig.Alike::others).max().orElse(0);
            return new RigFirst(
                    (others == 1 ? "Another candidate" : others + " other candidates")
                            + " read the same way here, on this rig in this bay. Look at the rig first: take the healthy or"
                            + " the check readings again before anybody is asked. A note goes to the technician when the"
                            + " outcome is signed.",
                    alike.stream().map(a -> a.slot().value()).toList(),
                    others);
        }
    }

    /**
     * A cause that leads in several boxes, said once.
     * @param shares the likeliest first, for its first box
     */
    record CauseGroup(
            @JsonUnwrapped CauseShown of,
            List<Share> shares,
            @JsonUnwrapped CauseAsk ask,
            List<String> slots) {}

    /** Which cause. */
    record CauseShown(String cause, CauseKind kind, String label, String evidence) {}

    /**
     * What to ask.
     *
     * @param question what to ask about it
     * @param decides the scheme's own question whose answer decides most between these; empty where none does
     */
    record CauseAsk(String question, String decides) {}

    /** @param strength in words */
    record Share(String label, String strength) {}

    enum CauseKind {
        /** Why readings are off. */
        OFF,
        /** Readings that agree with something they need not agree with: only asked about. */
        ASK,
        /** The rig is looked at first. */
        RIG;

        static CauseKind of(Cause cause) {
            return cause.isOfTheRig() ? RIG : cause.onlyAsks() ? ASK : OFF;
        }
    }
}
