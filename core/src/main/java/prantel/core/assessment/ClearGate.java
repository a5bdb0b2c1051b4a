package prantel.core.assessment;

import java.util.ArrayList;
import java.util.List;
import java.util.stream.Collectors;
import prantel.core.fault.BoxTruth;

/** The gate before a bay is free: nobody comes to a rig in which something was left. */
public final class ClearGate {
    private ClearGate() {}

    /**
     * What is known besides the assessment's own events.
     *
     * @param box what the fault box was told and what it says
     * @param looksOpen faults that only the eye proves out, and that nobody ticked
     * @param proofsOpen readings that do not prove the rig healthy yet
     */
    public record Facts(BoxTruth box, int looksOpen, int proofsOpen) {}

    /** What has to be seen to. */
    public enum Kind {
        CLEARED,
        LIVE,
        RELAYS_IN,
        BOX_SILENT,
        NOT_SEEN_OUT,
        NOT_PROVED
    }

    /** @param words what stands against it, and what to do */
    public record Shut(Kind kind, String words) {}

    private static final String STILL_LIVE =
            "The rig is recorded live: make it dead, lock it off and prove it dead before anything is taken out or read.";

    /** All that stands against the rig being called healthy; empty where it may be. */
    public static List<Shut> shut(Assessment assessment, Facts facts) {
        if (assessment.clearedAt() != null) {
            return List.of(new Shut(Kind.CLEARED, "The rig is proved healthy."));
        }
        List<Shut> shut = new ArrayList<>();
        if (assessment.energisedAt() != null) {
            shut.add(new Shut(Kind.LIVE, STILL_LIVE));
        }
        if (!facts.box().in().isEmpty()) {
            shut.add(new Shut(
                    Kind.RELAYS_IN,
                    "Release the fault box: relays "
                            + facts.box().in().stream().map(String::valueOf).collect(Collectors.joining(", "))
                            + " are in."));
        }
        if (facts.box().heard() instanceof BoxTruth.Heard.Silent) {
            shut.add(new Shut(Kind.BOX_SILENT, facts.box().words()));
        }
        if (facts.looksOpen() > 0) {
            shut.add(new Shut(Kind.NOT_SEEN_OUT, "Tick what only the eye can prove: put right and taken out."));
        }
        if (facts.proofsOpen() > 0) {
            shut.add(new Shut(
                    Kind.NOT_PROVED,
                    "Prove it healthy: " + facts.proofsOpen() + (facts.proofsOpen() == 1 ? " reading" : " readings")
                            + " to go."));
        }
        return shut;
    }
}
