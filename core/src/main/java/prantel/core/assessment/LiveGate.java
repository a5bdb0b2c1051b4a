package prantel.core.assessment;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import prantel.core.fault.BoxTruth;

/** The gate before a live stage: nothing goes live while anything stands against it. */
public final class LiveGate {
    private LiveGate() {}

    /**
     * What is known of the rig and the room besides the assessment's own events.
     *
     * @param deadOnly faults that are in and may not stay in: title and place of each
     * @param dangers what a simulation with the supply on found, in words
     * @param box what the fault box was told and what it says, read for this
     * @param proofsOpen readings still to be taken to prove faults out
     * @param liveElsewhere the bay this assessor has live already, in words; empty for none
     */
    public record Facts(
            List<String> deadOnly, List<String> dangers, BoxTruth box, int proofsOpen, Optional<String> liveElsewhere) {
        public Facts {
            deadOnly = List.copyOf(deadOnly);
            dangers = List.copyOf(dangers);
        }
    }

    /** What has to be seen to. */
    public enum Kind {
        TAKE_OUT,
        DANGER,
        BOX,
        PROVE_OUT,
        ELSEWHERE,
        /** Dead tests are open: a stated reason opens it. */
        DEAD_TESTS_OPEN,
        /** What the rules of the assessment say: not at work, stopped, halted, not asked, not given. */
        RULE
    }

    /** @param words what stands against it, and what to do */
    public record Shut(Kind kind, String words) {}

    /**
     * What stands against going live now; empty if it may.
     *
     * @param openDead steps of the dead tests with empty boxes
     * @param reason why it goes live all the same; blank for none
     */
    public static List<Shut> shut(Assessment assessment, List<Course.OpenDead> openDead, String reason, Facts facts) {
        List<Shut> shut = new ArrayList<>(ofTheRig(facts));
        if (!openDead.isEmpty() && reason.isBlank()) {
            shut.add(new Shut(
                    Kind.DEAD_TESTS_OPEN, Course.OpenDead.words(openDead) + ": say why the rig goes live now."));
        }
        Rules.mayHappen(new AssessmentEvent.Energised(true, null), assessment)
                .ifPresent(why -> shut.add(new Shut(Kind.RULE, why.words())));
        return shut;
    }

    /** The same, only what is the matter with the rig, its faults and the room. */
    public static List<Shut> ofTheRig(Facts facts) {
        List<Shut> shut = new ArrayList<>();
        facts.deadOnly().forEach(f -> shut.add(new Shut(Kind.TAKE_OUT, f + ", is dead only: take it out first.")));
        facts.dangers().forEach(d -> shut.add(new Shut(Kind.DANGER, d)));
        facts.box().matters().forEach(m -> shut.add(new Shut(Kind.BOX, m.words())));
        if (facts.proofsOpen() > 0) {
            shut.add(new Shut(
                    Kind.PROVE_OUT,
                    "Prove the faults out: " + facts.proofsOpen() + (facts.proofsOpen() == 1 ? " reading" : " readings")
                            + " to go."));
        }
        facts.liveElsewhere()
                .ifPresent(bay -> shut.add(new Shut(
                        Kind.ELSEWHERE,
                        bay + " is live and needs your whole attention: never two live stages at once.")));
        return shut;
    }
}
