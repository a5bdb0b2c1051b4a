package prantel.server;

import static org.assertj.core.api.Assertions.assertThat;

import com.github.benmanes.caffeine.cache.Cache;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.springframework.beans.factory.annotation.Autowired;
import org.springframework.context.ApplicationContext;
import org.springframework.jdbc.core.JdbcTemplate;
import org.springframework.test.util.ReflectionTestUtils;
import org.springframework.test.web.servlet.MockMvc;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.practice.Answer;
import prantel.core.practice.Drill;
import prantel.core.practice.Guide;
import prantel.core.practice.Moment;
import prantel.core.practice.PracticeRig;
import prantel.core.practice.RigControls;
import prantel.core.procedure.Contact;
import prantel.core.procedure.Cover;
import prantel.core.procedure.Deed;
import prantel.core.procedure.End;
import prantel.core.procedure.Position;
import prantel.core.procedure.ProbesAt;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotPlan;
import prantel.formats.FaultSetFile;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;
import tools.jackson.databind.JsonNode;

/**
 * The whole sequence alone, from isolation to closing, with nothing but what the screen can say: every deed that a scheme asks
 * for can be done by hand, and who does them all rightly, and names what is wrong, has passed.
 */
@TestServer
class PracticeAloneTest {
    private static final int MOST_DEEDS = 60;

    @Autowired
    private MockMvc mvc;

    @Autowired
    private JdbcTemplate sql;

    @Autowired
    private Workshop workshop;

    @Autowired
    private Schemes schemes;

    @Autowired
    private ApplicationContext context;

    /** Hands that know the way: each deed as the screen would say it. */
    private final class Hands {
        private final Browser browser;
        private final String path;
        private final PracticeRig practice;
        private final RigControls controls;
        private final Map<Cover, String> covers = new HashMap<>();
        private Moment now;
        private JsonNode state;
        private FaultSet faults = FaultSet.NONE;

        Hands(Browser browser, String path, PracticeRig practice, JsonNode opened) {
            this.browser = browser;
            this.path = path;
            this.practice = practice;
            this.controls = new RigControls(practice.rig());
            this.now = practice.asFound();
            this.state = opened.get("state");
            for (JsonNode board : opened.get("layout").get("boards")) {
                covers.put(
                        new Cover.OfBoard(practice.rig()
                                .board(new prantel.core.rig.BoardId(
                                        board.get("id").asString()))
                                .id()),
                        board.get("cover").asString());
                for (JsonNode circuit : board.get("circuits")) {
                    for (JsonNode point : circuit.get("points")) {
                        covers.put(
                                new Cover.OfPoint(
                                        new prantel.core.rig.CircuitId(
                                                circuit.get("id").asString()),
                                        new prantel.core.rig.PointId(
                                                point.get("id").asString())),
                                point.get("cover").asString());
                    }
                }
            }
        }

        private String id(Contact contact) {
            return practice.places().at(contact).orElseThrow().id();
        }

        private List<String> ids(List<End> ends) {
            return ends.stream().map(e -> id(new Contact.AtEnd(e))).toList();
        }

        private Map<String, Object> said(String verb, Object... more) {
            Map<String, Object> said = new HashMap<>(Map.of("verb", verb));
            for (int i = 0; i < more.length; i += 2) {
                said.put((String) more[i], more[i + 1]);
            }
            return said;
        }

        /** Which switch, load or button does it. */
        private List<Map<String, Object>> operated(Deed deed) {
            Optional<RigControls.Control> one = controls.all().stream()
                    .filter(c -> controls.operate(now, c).equals(deed))
                    .findFirst();
            if (one.isPresent()) {
                return List.of(said("OPERATE", "at", one.get().id()));
            }
            // two-way switches are operated one after the other
            List<Map<String, Object>> several = new ArrayList<>();
            if (deed instanceof Deed.Operate(Position.Lights lights)) {
                Moment then = now;
                for (RigControls.Control control : controls.all()) {
                    if (control.kind() == RigControls.Kind.LIGHT_SWITCH
                            && control.of()
                                    .circuit()
                                    .filter(lights.circuit()::equals)
                                    .isPresent()
                            && isOtherwise(then, control, deed)) {
                        several.add(said("OPERATE", "at", control.id()));
                        then = practice.after(then, controls.operate(then, control))
                                .moment();
                    }
                }
            }
            assertThat(several).as("nothing on the screen does " + deed).isNotEmpty();
            return several;
        }

        private boolean isOtherwise(Moment moment, RigControls.Control control, Deed wanted) {
            return controls.isOn(moment, control)
                    != controls.isOn(practice.after(now, wanted).moment(), control);
        }

        private List<Map<String, Object>> words(Deed deed) {
            return switch (deed) {
                case Deed.LockOff lock ->
                    List.of(said("LOCK", "at", lock.board().value()));
                case Deed.Unlock lock ->
                    List.of(said("UNLOCK", "at", lock.board().value()));
                case Deed.ProveDead dead ->
                    List.of(said("PROVE_DEAD", "at", dead.board().value()));
                case Deed.ProveIndicator prove -> List.of(said("PROVE_INDICATOR"));
                case Deed.CoverOff off -> List.of(said("COVER", "at", covers.get(off.cover())));
                case Deed.CoverOn on -> List.of(said("COVER", "at", covers.get(on.cover())));
                case Deed.TakeOut out -> List.of(said("TAKE_OUT", "places", ids(out.ends())));
                case Deed.PutBack back -> List.of(said("PUT_BACK", "places", ids(back.ends())));
                case Deed.PutElsewhere put ->
                    List.of(said("MOVE", "at", id(new Contact.AtEnd(put.end())), "to", id(put.where())));
                case Deed.Link link ->
                    link.joints().stream()
                            .map(j -> said("LINK", "at", id(j.a()), "to", id(j.b())))
                            .toList();
                case Deed.Unlink unlink ->
                    List.of(said(
                            "UNLINK",
                            "at",
                            id(unlink.joint().a()),
                            "to",
                            id(unlink.joint().b())));
                case Deed.Cross cross ->
                    List.of(said(
                            "CROSS",
                            "at",
                            cross.ring().value(),
                            "to",
                            cross.with().id()));
                case Deed.Uncross uncross ->
                    List.of(said("UNCROSS", "at", uncross.ring().value()));
                case Deed.TakeLoadsOut out -> List.of(said("LOADS_OUT"));
                case Deed.NullLeads leads -> List.of(said("NULL_LEADS"));
                case Deed.Choose choose ->
                    List.of(said("CHOOSE", "at", choose.function().name()));
                case Deed.SetTestCurrent current ->
                    List.of(said("CURRENT", "number", current.milliamps(), "flag", current.negativeHalf()));
                case Deed.PutProbes(ProbesAt.On on) ->
                    List.of(said(
                            "PROBES",
                            "places",
                            on.contacts().stream().map(this::id).toList()));
                case Deed.TakeReading take -> List.of(said("TAKE_READING"));
                case Deed.Reset reset -> List.of(said("RESET", "at", reset.device()));
                case Deed.CloseUp up -> List.of(said("CLOSE_UP"));
                default -> operated(deed);
            };
        }

        void does(Deed deed) {
            for (Map<String, Object> said : words(deed)) {
                post(said);
            }
            Answer answer = practice.after(now, deed);
            assertThat(answer.cannot()).as(deed.toString()).isEmpty();
            now = answer.moment();
        }

        private void post(Map<String, Object> said) {
            Browser.Answer answer = browser.post(
                    path + "/deeds", Map.of("after", state.get("deedCount").asInt(), "deed", said));
            assertThat(answer.status()).as(said + " " + answer.text()).isEqualTo(200);
            state = answer.json();
        }

        void read(Slot.Measured box) {
            browser.put(path + "/box", Map.of("box", box.id().value()));
            Guide guide = new Guide(practice);
            int deeds = 0;
            for (Optional<Deed> next = guide.next(now, box); next.isPresent(); next = guide.next(now, box)) {
                does(next.get());
                assertThat(++deeds)
                        .as(box.id() + " " + next.get() + " " + state.get("log") + faults)
                        .isLessThan(MOST_DEEDS);
            }
            if (guide.isToBeLookedAt(now, box)) {
                post(said("LOOK", "at", box.id().value()));
                now = practice.look(now, box).moment();
            }
            String text = now.display()
                    .map(d -> d.reading().shown())
                    // what a test button did is seen at the button
                    .orElse("works");
            state = browser.put(
                            path + "/readings", Map.of("box", box.id().value(), "text", text.replace("\u2009", " ")))
                    .json();
        }
    }

    @ParameterizedTest
    @CsvSource({"cottage-before, initial-single-phase", "dairy, initial-three-phase"})
    void theWholeSequenceIsDoneByHandAndPassed(String rigId, String schemeId) {
        Browser learner = Browser.of(mvc, "mona");
        String id = UUID.randomUUID().toString();
        DocumentRef ref = workshop.rigs().stream()
                .filter(r -> r.id().contains(rigId.replace("-before", "")))
                .findFirst()
                .orElseThrow();
        Browser.Answer begun = learner.post(
                "/api/practice",
                Map.of(
                        "id",
                        id,
                        "rig",
                        ref.id(),
                        "way",
                        "ALONE",
                        "drill",
                        "",
                        "scheme",
                        schemeId,
                        "faults",
                        2,
                        "difficulty",
                        2));
        assertThat(begun.status()).as(begun.text()).isEqualTo(200);
        Map<String, Object> row = sql.queryForMap("select * from practice where practice_id = ?", id);
        Rig rig = workshop.rig(ref);
        Scheme scheme = schemes.newest(schemeId);
        // the same rig and faults every time: what is drawn is tested elsewhere
        FaultSet faults = FaultSet.of(first(rig, "high-resistance-joint", 0), first(rig, "low-insulation", 1));
        sql.update(
                "update practice set seed = 7, faults = ? where practice_id = ?",
                new String(FaultSetFile.write(faults, rig), StandardCharsets.UTF_8),
                id);
        Object practices = context.getBean("practices");
        ((Cache<?, ?>) Objects.requireNonNull(ReflectionTestUtils.getField(practices, "going"))).invalidateAll();
        PracticeRig practice = PracticeRig.built(
                rig,
                faults,
                workshop.tester(new DocumentRef((String) row.get("TESTER_ID"), (int) row.get("TESTER_VERSION"))),
                7);
        Hands hands = new Hands(learner, "/api/practice/" + id, practice, begun.json());
        hands.faults = faults;
        for (Slot slot : SlotPlan.of(rig, scheme.practised())) {
            if (slot instanceof Slot.Measured box && Drill.isPractised(box)) {
                hands.read(box);
            }
        }
        hands.does(new Deed.CloseUp());
        learner.put(
                "/api/practice/" + id + "/named",
                Map.of(
                        "faults",
                        faults.faults().stream().map(PracticeAloneTest::named).toList()));
        JsonNode result =
                learner.post("/api/practice/" + id + "/finish", Map.of()).json().get("result");
        assertThat(result.get("wrong").size())
                .as(result.get("wrong").toString())
                .isZero();
        JsonNode outcome = result.get("outcome");
        // whoever reads everything rightly and names what is wrong has earned all that a practice can show
        assertThat(outcome.get("points").asDouble())
                .as(outcome + "\n" + result.get("feedback"))
                .isEqualTo(outcome.get("outOf").asDouble())
                .isPositive();
        assertThat(result.get("slips").asInt()).isZero();
        assertThat(result.get("open").asInt()).isZero();
        assertThat(result.get("faults").valueStream().map(f -> f.get("named").asBoolean()))
                .as(result.get("faults").toString())
                .containsOnly(true);
        assertThat(result.get("invented").size()).isZero();
    }

    /** Of a kind, at the circuit of that number among those where it can be. */
    private static Fault first(Rig rig, String kind, int circuit) {
        List<Fault> all = FaultCatalogue.everyFault(rig).stream()
                .filter(f -> f.kind().id().equals(kind) && f.place().ofCircuit().isPresent())
                .toList();
        var at = all.stream()
                .map(f -> f.place().ofCircuit().orElseThrow())
                .distinct()
                .skip(circuit)
                .findFirst()
                .orElseThrow();
        return all.stream()
                .filter(f -> f.place().ofCircuit().filter(at::equals).isPresent())
                .findFirst()
                .orElseThrow();
    }

    private static Map<String, Object> named(Fault fault) {
        return Map.of(
                "kind",
                fault.kind().id(),
                "at",
                fault.place().id(),
                "conductors",
                fault.conductors().stream().map(Conductor::id).toList());
    }
}
