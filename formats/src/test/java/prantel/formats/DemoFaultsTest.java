package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.fault.Symptom;
import prantel.core.fault.Symptom.Shows;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.safety.Danger;
import prantel.core.safety.SafetyCheck;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.core.setting.ClassPlan;
import prantel.core.setting.Effect;
import prantel.core.setting.Exploration;
import prantel.core.setting.Proposer;

/** The whole catalogue on the five demo rigs. */
class DemoFaultsTest {
    private static final List<String> RIGS =
            List.of("toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse");
    private static final Map<String, Exploration> FULL = new HashMap<>();
    private static final Map<String, Exploration> DEAD = new HashMap<>();

    @BeforeAll
    static void explore() throws Exception {
        for (String name : RIGS) {
            Rig rig = DemoRigsTest.rig(name);
            FULL.put(name, Exploration.of(Key.of(rig, FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest())));
            DEAD.put(
                    name,
                    Exploration.of(Key.of(
                            rig,
                            FaultSet.NONE,
                            Testers.usual(),
                            ShippedSchemes.all().get("workshop").scheme())));
        }
    }

    private static boolean appears(Symptom symptom, Effect effect) {
        return symptom.step().isEmpty()
                || effect.changed().values().stream()
                        .filter(e -> e.slot().step() == symptom.step().get())
                        // what the eye finds first may be faint in the readings
                        .filter(e -> e.visibility() == Visibility.FINDABLE
                                || effect.fault().kind().isSeen() && e.visibility() == Visibility.BORDERLINE)
                        .anyMatch(e -> isLike(symptom.shows(), e));
    }

    private static boolean isLike(Shows shows, Expectation e) {
        double before = e.healthy().base();
        double after = e.withFaults().base();
        return switch (shows) {
            case RISES -> after > before && !(e.withFaults() instanceof Reading.NoReading);
            case FALLS -> after < before || e.withFaults() instanceof Reading.NoReading;
            case OPENS -> e.withFaults() instanceof Reading.OverRange && Double.isFinite(before);
            case CONNECTS -> e.healthy() instanceof Reading.OverRange && Double.isFinite(after);
            case SAYS ->
                e.withFaults() instanceof Reading.Said && !e.withFaults().equals(e.healthy());
            case STOPS -> e.withFaults() instanceof Reading.NoReading;
            case FAILS_LIMIT -> e.failsByItsLimit();
            case SEEN -> true;
        };
    }

    /** Every symptom that a kind states appears on at least one demo rig; at every place at least one appears or it is hidden. */
    @Test
    void everyStatedSymptomReallyAppears() {
        Set<String> notSeen = new HashSet<>();
        Set<FaultKind> met = new HashSet<>();
        for (FaultKind kind : FaultCatalogue.kinds()) {
            for (Symptom symptom : kind.symptoms()) {
                List<Effect> effects = FULL.values().stream()
                        .flatMap(x -> x.effects().stream())
                        .filter(e -> e.fault().kind() == kind)
                        .toList();
                if (!effects.isEmpty()) {
                    met.add(kind);
                    if (effects.stream().noneMatch(e -> appears(symptom, e))) {
                        notSeen.add(kind.id() + ": " + symptom.words());
                    }
                }
            }
        }
        // borderline at the one demo rig that has such a bond: 0.09 Ω by another way, where hands alone may read 0.05
        assertThat(notSeen).containsExactly("supplementary-bond-missing: Bonding: higher");
        // needs two rings at one board, which no demo rig has: RingFaultsTest
        assertThat(FaultCatalogue.kinds())
                .filteredOn(k -> !met.contains(k))
                .extracting(FaultKind::id)
                .containsExactly("ring-ends-exchanged");
    }

    @Test
    void findableFaultShowsOneOfItsStatedSymptoms() {
        List<String> otherwise = new ArrayList<>();
        FULL.forEach((name, x) -> x.effects().stream()
                .filter(e -> e.visibility() == Visibility.FINDABLE
                        && !e.fault().kind().isSeen())
                .filter(e -> e.fault().kind().symptoms().stream().noneMatch(s -> appears(s, e)))
                .forEach(e -> otherwise.add(name + ": " + e.fault().title() + ", "
                        + e.fault().where(x.healthy().rig()))));
        assertThat(otherwise).isEmpty();
    }

    /** What simulation finds dangerous is never classed as harmless, but by a circuit with too little margin for it. */
    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void safetyClassesAreConfirmedBySimulation(String name) throws Exception {
        Rig rig = DemoRigsTest.rig(name);
        assertThat(SafetyCheck.of(rig, FaultSet.NONE).dangers()).isEmpty();
        for (Fault fault : FaultCatalogue.everyFault(rig)) {
            SafetyCheck.Report report = SafetyCheck.of(rig, FaultSet.of(fault));
            String what = fault.title() + ", " + fault.where(rig) + ": " + report.dangers();
            if (fault.safety() == SafetyClass.MAY_STAY_LIVE) {
                assertThat(report.dangers())
                        .as(what)
                        .noneMatch(d -> d.kind() == Danger.Kind.TOUCH_VOLTAGE || d.kind() == Danger.Kind.SUPPLY_SHORT);
            }
            assertThat(report.mayGoLive())
                    .as(what)
                    .isEqualTo(report.dangers().isEmpty() && fault.safety() != SafetyClass.DEAD_ONLY);
        }
    }

    /** Kinds whose very nature is dangerous must be found so by simulation somewhere: the check is not blind. */
    @Test
    void simulationFindsTheDangersItIsThereFor() throws Exception {
        Map<String, Set<Danger.Kind>> found = new HashMap<>();
        for (String name : List.of("toll-cottage", "creamery")) {
            Rig rig = DemoRigsTest.rig(name);
            for (Fault fault : FaultCatalogue.everyFault(rig)) {
                SafetyCheck.of(rig, FaultSet.of(fault))
                        .dangers()
                        .forEach(d -> found.computeIfAbsent(fault.kind().id(), k -> new HashSet<>())
                                .add(d.kind()));
            }
        }
        assertThat(found.get("line-cpc-reversed")).contains(Danger.Kind.TOUCH_VOLTAGE);
        assertThat(found.get("cpc-open-after")).contains(Danger.Kind.NO_DISCONNECTION);
        assertThat(found.get("metalwork-unearthed")).contains(Danger.Kind.NO_DISCONNECTION);
        assertThat(found.get("dead-short")).contains(Danger.Kind.SUPPLY_SHORT, Danger.Kind.WILL_NOT_STAY_ON);
    }

    /** Every set that the demo's fault boxes could set at once, three relays at a time, and Petra's. */
    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void checkReadingsTellEachDemoSetFromEverythingElse(String name) {
        Exploration dead = DEAD.get(name);
        List<Fault> faults = FaultBox.of(dead.healthy().rig()).faults().stream()
                .filter(f -> dead.of(f).visibility() == Visibility.FINDABLE)
                .toList();
        int sets = 0;
        for (int i = 0; i + 1 < faults.size(); i++) {
            FaultSet set = new FaultSet(faults.subList(i, Math.min(i + 3, faults.size())));
            Key key = dead.healthy().with(set);
            CheckPlan plan = CheckPlan.of(key, dead);
            assertThat(plan.readings()).as("%s", set).hasSizeBetween(1, 4);
            // by brute force: healthy, every part of the set, every other single fault
            for (FaultSet other : others(set, dead)) {
                Key there = dead.healthy().with(other);
                boolean told = plan.readings().stream()
                        .anyMatch(e -> !fits(e, there.expectation(e.slot().id())));
                assertThat(told || plan.notTold().contains(other))
                        .as("%s not told from %s", set, other)
                        .isTrue();
            }
            assertThat(plan.notTold()).isEmpty();
            sets++;
        }
        assertThat(sets).isPositive();
    }

    /** Whether what the other set shows would pass the window of a check reading. */
    private static boolean fits(Expectation check, Expectation other) {
        return check.window().overlaps(other.window());
    }

    private static List<FaultSet> others(FaultSet set, Exploration dead) {
        List<FaultSet> others = new ArrayList<>();
        int n = set.faults().size();
        for (int mask = 0; mask < (1 << n) - 1; mask++) {
            List<Fault> part = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                if ((mask & 1 << i) != 0) {
                    part.add(set.faults().get(i));
                }
            }
            others.add(new FaultSet(part));
        }
        dead.effects().stream()
                .map(Effect::fault)
                .filter(f -> !f.kind().isOnlySeen() && set.faults().stream().noneMatch(f::isSameBut))
                .forEach(f -> others.add(FaultSet.of(f)));
        return others;
    }

    @Test
    void classOfEightOnFiveBaysNeverRepeatsAndNeighboursDiffer() {
        List<ClassPlan.Bay> bays = RIGS.stream()
                .map(r -> new ClassPlan.Bay(
                        new Proposer(DEAD.get(r), FULL.get(r).healthy()), f -> f.safety() != SafetyClass.EMULATED))
                .toList();
        FaultKind met = FaultCatalogue.kind("cpc-open-after");
        List<Set<FaultKind>> seen = new ArrayList<>(java.util.Collections.nCopies(8, Set.<FaultKind>of()));
        seen.set(3, Set.of(met));
        ClassPlan plan = ClassPlan.of(
                        bays,
                        seen,
                        2,
                        new Proposer.Request(Proposer.Stage.DEAD, 2, 2.5, Set.of(), Set.of(), f -> true, 2026))
                .orElseThrow();
        assertThat(plan.sittings()).hasSize(16);
        for (int person = 0; person < 8; person++) {
            int who = person;
            List<ClassPlan.Sitting> mine =
                    plan.sittings().stream().filter(s -> s.person() == who).toList();
            assertThat(mine).hasSize(2);
            assertThat(mine).extracting(ClassPlan.Sitting::bay).doesNotHaveDuplicates();
            assertThat(mine.stream()
                            .flatMap(s -> s.proposal().faults().faults().stream())
                            .map(Fault::kind))
                    .doesNotHaveDuplicates();
            assertThat(plan.difficultyOf(person)).isBetween(2.0, 3.0);
        }
        assertThat(plan.sittings().stream().filter(s -> s.person() == 3).flatMap(s -> kinds(s).stream()))
                .as("met before the class")
                .doesNotContain(met);
        for (ClassPlan.Sitting a : plan.sittings()) {
            for (ClassPlan.Sitting b : plan.sittings()) {
                if (a.session() == b.session() && b.bay() == a.bay() + 1) {
                    assertThat(kinds(a)).doesNotContainAnyElementsOf(kinds(b));
                }
                if (b.session() == a.session() + 1 && b.bay() == a.bay()) {
                    assertThat(kinds(a)).as("who comes out talks").doesNotContainAnyElementsOf(kinds(b));
                }
                if (a.session() == b.session() && a != b) {
                    assertThat(a.person()).isNotEqualTo(b.person());
                }
            }
        }
    }

    private static List<FaultKind> kinds(ClassPlan.Sitting sitting) {
        return sitting.proposal().faults().faults().stream().map(Fault::kind).toList();
    }

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "creamery"})
    void someBoxesOnlyReadAsInTheWholeKey(String name) {
        Exploration full = FULL.get(name);
        Fault fault = FaultBox.of(full.healthy().rig()).faults().getFirst();
        Set<SlotId> some = new HashSet<>(
                full.measured().stream().map(s -> s.id()).limit(40).toList());
        Key part = full.healthy().with(FaultSet.of(fault), some);
        Key whole = full.healthy().with(FaultSet.of(fault));
        assertThat(part.expectations()).hasSize(40);
        part.expectations()
                .forEach(e -> assertThat(e).isEqualTo(whole.expectation(e.slot().id())));
    }

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void everyFaultIsWrittenAndReadBackTheSame(String name) throws Exception {
        Rig rig = DemoRigsTest.rig(name);
        for (Fault fault : FaultCatalogue.everyFault(rig)) {
            FaultSet set = FaultSet.of(fault);
            assertThat(FaultSetFile.read(FaultSetFile.write(set, rig), rig)).isEqualTo(set);
        }
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "\"at\": \"sockets/socket-2\" | \"at\": \"sockets/socket-99\" | /faultBox/0/at",
                "\"kind\": \"cpc-open-after\" | \"kind\": \"no-such\" | /faultBox/0/kind",
                "\"kind\": \"cpc-open-after\" | \"kind\": \"loose-cover\" | faultBox/0/kind",
                "\"conductors\": [\"cpc\"], \"size\": 0.6 | \"conductors\": [\"copper\"], \"size\": 0.6 | /faultBox/1",
                "\"size\": 500 | \"size\": 5 | faultBox/7"
            })
    void relayThatDoesNotFitIsNamedInTheRigFile(String good, String bad, String where) throws Exception {
        String file = Files.readString(Path.of("../demo/toll-cottage.rig.json"));
        assertThat(file).contains(good);
        ProblemsException problems = catchThrowableOfType(
                ProblemsException.class,
                () -> RigFile.read(file.replaceFirst(java.util.regex.Pattern.quote(good), bad)
                        .getBytes(StandardCharsets.UTF_8)));
        assertThat(problems).as("%s", bad).isNotNull();
        assertThat(problems.problems())
                .anyMatch(p -> p.where().contains(where.replaceFirst("^/", "")) || where.contains(p.where()));
    }
}
