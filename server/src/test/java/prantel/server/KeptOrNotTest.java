package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.test.web.servlet.MockMvc;
import org.springframework.transaction.support.TransactionSynchronization;
import org.springframework.transaction.support.TransactionSynchronizationManager;
import prantel.core.assessment.AssessmentEvent;
import prantel.server.assessment.Assessments;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.RigNotes;

/** What is kept and what moves for it: both, or neither. */
@TestServer
class KeptOrNotTest {
    private static int bays = 60;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private Assessments assessments;

    @Autowired
    private RigNotes notes;

    private String id;
    private final List<String> moved = new ArrayList<>();

    private final Assessments.Effect relays = new Assessments.Effect() {
        @Override
        public void happen() {
            moved.add("in");
        }

        @Override
        public void undo() {
            moved.add("back");
        }
    };

    @BeforeEach
    void somebodyInABay() {
        int number = ++bays;
        Browser.of(mvc, "lea").post("/api/workshop/bays", java.util.Map.of("number", number, "rig", "cabin"));
        Browser assessor = Browser.of(mvc, "ada");
        String path = Bays.prepare(assessor, "bay-" + number, "olga");
        assessor.post(path + "/lock-off", Bays.event());
        id = path.replace("/api/assessments/", "");
    }

    private void command() {
        assessments.append(
                id,
                Browser.event(),
                new AssessmentEvent.BoxCommanded(List.of(3)),
                Assessments.Basis.ANY,
                "ada",
                state -> {},
                relays);
    }

    @Test
    void aRelayMovesWhenItsRecordIsKept() {
        command();
        assertThat(moved).containsExactly("in");
        assertThat(assessments.get(id).relays()).containsExactly(3);
    }

    @Test
    void noRelayMovesForARecordThatIsNotKept() {
        assertThatThrownBy(() -> assessments.together(() -> {
                    command();
                    throw new IllegalStateException("something after it failed");
                }))
                .isInstanceOf(IllegalStateException.class);
        assertThat(moved).as("it moves last").isEmpty();
        assertThat(assessments.get(id).relays()).isEmpty();
    }

    @Test
    void aRelayThatMovedGoesBackWhenTheRecordCannotBeKeptAfterAll() {
        assertThatThrownBy(() -> assessments.together(() -> {
                    command();
                    TransactionSynchronizationManager.registerSynchronization(new TransactionSynchronization() {
                        @Override
                        public void beforeCommit(boolean readOnly) {
                            throw new IllegalStateException("the disk is full");
                        }
                    });
                    return null;
                }))
                .isInstanceOf(IllegalStateException.class);
        assertThat(moved).containsExactly("in", "back");
        assertThat(assessments.get(id).relays()).isEmpty();
    }

    /** A note on twelve boxes was longer than its column, and the outcome could not be signed. */
    @Test
    void aNoteThatTheProgramMakesIsNeverTooLong() {
        String slots = "kitchen/r1r2/socket-3 ".repeat(400);
        String text = "R1+R2, socket 3, Kitchen ring, above; ".repeat(400);
        notes.note(new DocumentRef("cabin", 1), "bay-3", slots, text, "ada");
        notes.note(new DocumentRef("cabin", 1), "bay-3", slots, text, "ada");
        assertThat(notes.of("cabin").stream().filter(n -> n.text().equals(text)))
                .hasSize(1);
    }
}
