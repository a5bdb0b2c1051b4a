package prantel.core.assessment;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import prantel.core.assessment.ProveGate.How;
import prantel.core.assessment.ProveGate.Kind;
import prantel.core.assessment.ProveGate.State;
import prantel.core.assessment.ProveGate.ToSet;
import prantel.core.fault.BoxTruth;

/** What stands against a sheet being opened and a bay being free, all at once. Common practice, no source. */
class GatesTest {
    private static final BoxTruth NO_BOX = new BoxTruth(Set.of(), new BoxTruth.Heard.NoBox());

    private static Streams lockedOff() {
        return new Streams().add(new AssessmentEvent.LockedOff());
    }

    private static BoxTruth box(Set<Integer> told, Integer... in) {
        return new BoxTruth(told, new BoxTruth.Heard.Answering(Set.of(in)));
    }

    private static ProveGate.Facts facts(BoxTruth box, int open, ToSet... faults) {
        return new ProveGate.Facts(List.of(faults), box, open);
    }

    private static List<Kind> kinds(Streams s, ProveGate.Facts facts) {
        return ProveGate.shut(s.state(), facts).stream()
                .map(ProveGate.Shut::kind)
                .toList();
    }

    private static ToSet byHand(State state, boolean toLook) {
        return new ToSet("Joint, socket 3", How.HAND, 0, state, toLook);
    }

    @Test
    void aProvedSetOpens() {
        assertThat(kinds(lockedOff(), facts(NO_BOX, 0, byHand(State.SET, false))))
                .isEmpty();
        assertThat(kinds(lockedOff(), facts(NO_BOX, 0)))
                .as("a set without a fault")
                .isEmpty();
        assertThat(kinds(Streams.atWork(), facts(NO_BOX, 5, byHand(State.TO_DO, true))))
                .as("nothing more is said of a sheet that is open")
                .containsExactly(Kind.SHEET_OPEN);
    }

    @Test
    void everythingThatIsLeftIsSaidAtOnce() {
        List<ProveGate.Shut> shut = ProveGate.shut(
                new Streams().state(),
                facts(
                        box(Set.of(2), 7),
                        1,
                        byHand(State.TO_DO, false),
                        byHand(State.SET, true),
                        new ToSet("Open, socket 2", How.BOX, 2, State.WRONG, false),
                        new ToSet("Lost, supply", How.NOTHING, 0, State.TO_DO, false),
                        new ToSet("Slow, RCD", How.BOX, 5, State.TO_DO, false)));
        assertThat(shut)
                .extracting(ProveGate.Shut::words)
                .containsExactly(
                        "Lock off first.",
                        "Joint, socket 3: set it and tick it.",
                        "Joint, socket 3: look at it and tick that it is seen.",
                        "Open, socket 2: relay 2 is not where it should be.",
                        "Lost, supply: it is never wired by hand and no relay is mapped to it: take it out.",
                        "Slow, RCD: arm the box.",
                        "Relay 7 of the fault box is in, and nobody pulled it in: a fault is set that no key knows.",
                        "One reading does not prove it yet.");
        assertThat(ProveGate.shut(lockedOff().state(), facts(NO_BOX, 3)))
                .extracting(ProveGate.Shut::words)
                .containsExactly("3 readings do not prove it yet.");
    }

    /** One trouble is said once: of the fault where there is one, else of the box. */
    @Test
    void theBoxIsSaidOnce() {
        BoxTruth silent = new BoxTruth(Set.of(2), new BoxTruth.Heard.Silent());
        assertThat(kinds(lockedOff(), facts(silent, 0, new ToSet("Open", How.BOX, 2, State.NO_CONTACT, false))))
                .containsExactly(Kind.NOT_SET);
        assertThat(kinds(lockedOff(), facts(silent, 0, byHand(State.SET, false))))
                .containsExactly(Kind.BOX);
        assertThat(kinds(lockedOff(), facts(box(Set.of(2)), 0, byHand(State.SET, false))))
                .as("a relay of no fault that is left of the set")
                .containsExactly(Kind.BOX);
    }

    @Test
    void nothingOpensOnALiveRig() {
        Streams s = lockedOff().tickAll(Checklist.LIVE_GIVEN).add(new AssessmentEvent.Energised(true, null));
        assertThat(kinds(s, facts(NO_BOX, 0))).containsExactly(Kind.LIVE);
    }

    @Test
    void aBayIsFreeWhenNothingIsLeft() {
        Streams s = Streams.atWork().add(new AssessmentEvent.HandedIn());
        assertThat(ClearGate.shut(s.state(), new ClearGate.Facts(NO_BOX, 0, 0))).isEmpty();
        assertThat(ClearGate.shut(s.state(), new ClearGate.Facts(box(Set.of(), 2, 3), 1, 2)))
                .extracting(ClearGate.Shut::words)
                .containsExactly(
                        "Release the fault box: relays 2, 3 are in.",
                        "Tick what only the eye can prove: put right and taken out.",
                        "Prove it healthy: 2 readings to go.");
        assertThat(ClearGate.shut(
                        s.state(), new ClearGate.Facts(new BoxTruth(Set.of(), new BoxTruth.Heard.Silent()), 0, 1)))
                .extracting(ClearGate.Shut::kind)
                .containsExactly(ClearGate.Kind.BOX_SILENT, ClearGate.Kind.NOT_PROVED);
    }

    /** Each thing that is the matter keeps the supply off by itself; nobody goes live over another one that was mended. */
    @Test
    void whateverIsTheMatterKeepsTheSupplyOffByItself() {
        assertThat(LiveGate.ofTheRig(live(List.of(), List.of(), NO_BOX, 0, Optional.empty())))
                .isEmpty();
        assertThat(LiveGate.ofTheRig(live(List.of("CPC open, socket 2"), List.of(), NO_BOX, 0, Optional.empty())))
                .containsExactly(new LiveGate.Shut(
                        LiveGate.Kind.TAKE_OUT, "CPC open, socket 2, is dead only: take it out first."));
        assertThat(LiveGate.ofTheRig(
                        live(List.of(), List.of("The case of the heater is live."), NO_BOX, 0, Optional.empty())))
                .containsExactly(new LiveGate.Shut(LiveGate.Kind.DANGER, "The case of the heater is live."));
        assertThat(LiveGate.ofTheRig(live(List.of(), List.of(), box(Set.of(), 7), 0, Optional.empty())))
                .extracting(LiveGate.Shut::kind)
                .containsExactly(LiveGate.Kind.BOX);
        assertThat(LiveGate.ofTheRig(live(List.of(), List.of(), NO_BOX, 2, Optional.empty())))
                .containsExactly(new LiveGate.Shut(LiveGate.Kind.PROVE_OUT, "Prove the faults out: 2 readings to go."));
        assertThat(LiveGate.ofTheRig(live(List.of(), List.of(), NO_BOX, 0, Optional.of("Bay 4"))))
                .extracting(LiveGate.Shut::kind)
                .containsExactly(LiveGate.Kind.ELSEWHERE);
    }

    /** No reason that is given opens it over what is the matter with the rig. */
    @Test
    void noReasonOpensItOverADanger() {
        LiveGate.Facts danger =
                live(List.of(), List.of("The case of the heater is live."), NO_BOX, 0, Optional.empty());
        assertThat(LiveGate.shut(Streams.atWork().state(), List.of(), "it will be fine", danger))
                .extracting(LiveGate.Shut::kind)
                .contains(LiveGate.Kind.DANGER);
    }

    private static LiveGate.Facts live(
            List<String> deadOnly, List<String> dangers, BoxTruth box, int proofsOpen, Optional<String> elsewhere) {
        return new LiveGate.Facts(deadOnly, dangers, box, proofsOpen, elsewhere);
    }
}
