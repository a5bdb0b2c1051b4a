package prantel.server.setting;

import java.util.List;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.rig.Rig;
import prantel.core.setting.Ambiguity;
import prantel.core.setting.Exploration;
import prantel.core.setting.SetReview;
import prantel.core.setting.SetReview.Conflict;

/** Whether a set is fair, in words. */
record ReviewView(
        boolean fair,
        double difficulty,
        List<ReviewedFault> faults,
        List<String> conflicts,
        List<Lookalike> lookalikes) {

    /** @param alone how visible it is by itself @param note where only the full sequence would show it; empty for none */
    record ReviewedFault(String title, String alone, double difficulty, String note) {}

    /**
     * @param index position of the fault of the set
     * @param reads the fault that reads the same
     * @param accepted whether marking takes that answer by itself
     * @param agreed whether the assessor accepts it for this set
     */
    record Lookalike(int index, String fault, FaultInput reads, String text, boolean accepted, boolean agreed) {}

    static ReviewView of(Key key, Exploration singles, Key full, List<Fault> agreed) {
        SetReview review = SetReview.of(key, singles, full);
        Rig rig = key.rig();
        return new ReviewView(
                review.isFair(),
                review.faults().stream()
                        .mapToDouble(SetReview.Reviewed::difficulty)
                        .average()
                        .orElse(0),
                review.faults().stream().map(r -> reviewed(r, rig)).toList(),
                review.conflicts().stream().map(c -> words(c, rig)).toList(),
                review.ambiguities().stream()
                        .map(a -> lookalike(a, key, agreed))
                        .toList());
    }

    private static ReviewedFault reviewed(SetReview.Reviewed reviewed, Rig rig) {
        return new ReviewedFault(
                reviewed.effect().fault().title(),
                SetView.word(reviewed.alone()),
                reviewed.difficulty(),
                reviewed.needsFullSequence()
                        .map(e -> "This scheme does not reach it; the full sequence shows it first at "
                                + e.slot().step().label() + ": " + e.slot().title(rig) + ".")
                        .orElse(""));
    }

    private static String words(Conflict conflict, Rig rig) {
        String first = name(conflict.first(), rig);
        String second = name(conflict.second(), rig);
        return switch (conflict.kind()) {
            case HIDES -> second + " hides " + first + ": nobody can find both.";
            case MIMICS -> first + " and " + second + " read alike: one could be taken for the other.";
            case DEPENDS -> first + " shows only because " + second + " is set too.";
        };
    }

    private static Lookalike lookalike(Ambiguity ambiguity, Key key, List<Fault> agreed) {
        Rig rig = key.rig();
        return new Lookalike(
                key.faults().faults().indexOf(ambiguity.fault()),
                name(ambiguity.fault(), rig),
                FaultInput.of(ambiguity.reads()),
                name(ambiguity.reads(), rig),
                ambiguity.accepted(),
                agreed.contains(ambiguity.reads()));
    }

    private static String name(Fault fault, Rig rig) {
        return fault.title() + ", " + fault.where(rig);
    }
}
