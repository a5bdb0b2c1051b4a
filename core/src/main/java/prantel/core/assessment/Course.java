package prantel.core.assessment;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import prantel.core.procedure.Deed;
import prantel.core.procedure.RigState;
import prantel.core.procedure.SetUp;
import prantel.core.rig.BoardId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Observation;
import prantel.core.scheme.Question;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.Scheme.OrderRule;
import prantel.core.scheme.Step;
import prantel.core.scheme.TestKind;
import prantel.core.scheme.Undone;
import prantel.core.sequence.Slot;

/**
 * The course of an assessment through its scheme's sequence: what is done, what may come next, what came too early, and what
 * is true of the rig. Derived from the events and the scheme, and from nothing else.
 *
 * @param stations in the scheme's order
 * @param broken rules of order that were broken, or seem to be
 * @param openDead steps of the dead tests before the first live one that have empty boxes
 * @param rig what is true of it now
 */
public record Course(List<Station> stations, List<Broken> broken, List<OpenDead> openDead, RigNow rig) {
    public Course {
        stations = List.copyOf(stations);
        broken = List.copyOf(broken);
        openDead = List.copyOf(openDead);
    }

    /** A step of the dead tests with empty boxes. @param step its title */
    public record OpenDead(String step, int boxes) {
        /** "5 boxes of the dead tests are empty (Insulation 4, Polarity 1)". */
        static String words(List<OpenDead> open) {
            int all = open.stream().mapToInt(OpenDead::boxes).sum();
            return all + (all == 1 ? " box" : " boxes") + " of the dead tests " + (all == 1 ? "is" : "are") + " empty ("
                    + open.stream().map(o -> o.step() + " " + o.boxes()).collect(Collectors.joining(", ")) + ")";
        }
    }

    /**
     * @param next whether it is what comes next
     * @param shut why it may not be begun yet; empty where it may
     * @param begun the first deed on record; null for none
     * @param timed whether anything tells when it was done
     */
    public record Station(
            Step step,
            State state,
            Filling filling,
            boolean next,
            String shut,
            @Nullable Trace begun,
            boolean timed) {
        Station asNext() {
            return new Station(step, state, filling, true, shut, begun, timed);
        }

        public int filled() {
            return filling.filled();
        }

        public int boxes() {
            return filling.boxes();
        }

        public int open() {
            return filling.open();
        }

        public boolean mayBegin() {
            return shut.isEmpty();
        }
    }

    /**
     * How far the boxes of a step are.
     *
     * @param filled boxes with something in them
     * @param open boxes still to be written; of two ways to prove the same thing those of one
     */
    public record Filling(int filled, int boxes, int open) {}

    public enum State {
        /** Nothing on record. */
        OPEN,
        BEGUN,
        DONE,
        /** Something was seen that was not right. */
        SLIP,
        /** Nothing on record, although something is that comes after it. */
        SKIPPED
    }

    /**
     * Something on record about a step.
     *
     * @param of id of its box, observation or question
     * @param timed whether it was done when it was written: the candidate writes what is read, an assessor taps or enters from
     *     paper, perhaps later
     */
    public record Trace(String step, Kind kind, String of, Assessment.First first, boolean timed) {
        public int seq() {
            return first.seq();
        }
    }

    public enum Kind {
        READING,
        /** Tapped by the assessor: by then it was done. */
        SEEN,
        ANSWER
    }

    /**
     * A rule of order and the two deeds that broke it.
     *
     * @param first the earliest deed of what should have come first; null where none is on record, or it was begun in time
     * @param sure whether it is known to have happened so; an assessor may have tapped late
     * @param left what of the first was still to do
     */
    public record Broken(
            OrderRule rule, Trace then, @Nullable Trace first, boolean sure, Left left) {

        /**
         * @param boxes how many of what should have come first were empty then; 0 where it was not begun at all
         * @param permitted whether the assessor let it go live all the same, with a reason
         */
        public record Left(int boxes, boolean permitted) {
            static final Left NOTHING = new Left(0, false);
        }
    }

    /**
     * What is true of the rig, as far as the record says.
     *
     * @param lockedOff by the assessor before faults were set, by the candidate's isolation, or when it was made dead again
     * @param asked whether the candidate asks to go live at this moment
     * @param notDone what slips on record say was not done
     */
    public record RigNow(boolean live, boolean lockedOff, Dead dead, boolean asked, List<NotDone> notDone) {
        public RigNow {
            notDone = List.copyOf(notDone);
        }

        /** A set-up of a test as the record says it was done. */
        public SetUp asDone(SetUp setUp, TestKind test) {
            return setUp.without(d -> notDone.stream()
                    .anyMatch(n -> n.tests().contains(test) && n.what().isOf(d)));
        }

        /** Whether a slip says that something was not done which a reading of this test is taken with. */
        public boolean isUndone(Undone what, TestKind test) {
            return notDone.stream().anyMatch(n -> n.what() == what && n.tests().contains(test));
        }
    }

    /** A slip on record, and the tests that are then read without what it names. */
    public record NotDone(Undone what, Set<TestKind> tests) {
        public NotDone {
            tests = Set.copyOf(tests);
        }
    }

    /** Whether it is known to be dead. */
    public enum Dead {
        /** And since not live. */
        PROVED,
        NOT_PROVED,
        /** Not proved, and a reading of a dead test is written all the same. */
        READ_UNPROVED
    }

    /** Whether the candidate asks to go live at this moment. */
    public static boolean isAsked(Assessment assessment) {
        return assessment.energisedAt() == null
                && assessment.conduct().open(Checklist.LIVE_ASKED).isEmpty();
    }

    /** @param slots the boxes of the sheet */
    public static Course of(Assessment assessment, Rig rig, Scheme scheme, List<Slot> slots) {
        Map<String, List<Trace>> deeds = new HashMap<>();
        Map<String, List<Slot>> own = new HashMap<>();
        for (Step step : scheme.steps()) {
            List<Slot> boxes =
                    slots.stream().filter(s -> step.tests().contains(s.step())).toList();
            own.put(step.id(), boxes);
            deeds.put(step.id(), deeds(step, boxes, assessment));
        }
        // what this rig gives nothing for, and nothing is watched at, comes before nothing
        List<OrderRule> rules = scheme.order().stream()
                .filter(r -> scheme.step(r.first())
                        .filter(s -> isEmpty(s, own.getOrDefault(s.id(), List.of())))
                        .isEmpty())
                .toList();
        List<Broken> broken = new OrderKept(assessment, scheme, own, deeds, slots).broken(rules);
        List<Station> stations = new ArrayList<>();
        for (Step step : scheme.steps()) {
            List<Slot> boxes = Objects.requireNonNull(own.get(step.id()));
            List<Slot> open = OpenBoxes.ofStep(scheme, boxes, slots, s -> OpenBoxes.isOpen(assessment, s));
            int filled = OpenBoxes.filled(assessment, boxes);
            List<Trace> mine = Objects.requireNonNull(deeds.get(step.id()));
            State state = state(step, open.size(), filled, assessment);
            // what this rig gives nothing for, or what the other method stands for, is passed over by nobody
            boolean anythingToDo = !open.isEmpty() || !step.observations().isEmpty();
            if (state == State.OPEN && anythingToDo && isPassed(step, rules, deeds, assessment)) {
                state = State.SKIPPED;
            }
            String shut = shut(step, scheme, rules, deeds, assessment);
            stations.add(new Station(
                    step,
                    state,
                    new Filling(filled, boxes.size(), open.size()),
                    false,
                    shut,
                    mine.stream().min(Comparator.comparingInt(Trace::seq)).orElse(null),
                    mine.stream().anyMatch(Trace::timed)));
        }
        next(stations, own, assessment)
                .ifPresent(i -> stations.set(i, stations.get(i).asNext()));
        return new Course(
                stations, broken, OpenBoxes.beforeLive(assessment, scheme, slots), rig(assessment, rig, scheme, slots));
    }

    /** The first that is to do and fits the supply as it is: live tests while it is live, dead ones while it is not. */
    private static Optional<Integer> next(List<Station> stations, Map<String, List<Slot>> own, Assessment assessment) {
        if (assessment.stage() != Stage.WATCH) {
            return Optional.empty();
        }
        List<Integer> toDo = IntStream.range(0, stations.size())
                .boxed()
                .filter(i -> {
                    Step step = stations.get(i).step();
                    return !isEmpty(step, own.getOrDefault(step.id(), List.of()))
                            && !isComplete(step, stations.get(i).open(), assessment);
                })
                .toList();
        boolean live = assessment.energisedAt() != null;
        return toDo.stream()
                .filter(i -> stations.get(i).step().isLive() == live)
                .findFirst()
                .or(() -> toDo.stream().findFirst());
    }

    /** Everything is written and everything was seen, rightly done or not. */
    private static boolean isComplete(Step step, int open, Assessment assessment) {
        boolean anything = !step.tests().isEmpty() || !step.observations().isEmpty();
        return anything
                && open == 0
                && step.observations().stream()
                        .allMatch(o -> assessment.observations().containsKey(o.id()));
    }

    /** This rig gives no boxes for it, and nothing is watched at it: it is never next. */
    private static boolean isEmpty(Step step, List<Slot> boxes) {
        return boxes.isEmpty()
                && step.observations().isEmpty()
                && step.questions().isEmpty();
    }

    private static List<Trace> deeds(Step step, List<Slot> boxes, Assessment assessment) {
        Stream<Trace> readings = boxes.stream()
                .map(s -> deed(step, Kind.READING, s.id().value(), "reading/" + s.id().value(), assessment))
                .flatMap(Optional::stream);
        Stream<Trace> seen = step.observations().stream()
                .map(Observation::id)
                .filter(assessment.observations()::containsKey)
                .map(o -> new Trace(
                        step.id(),
                        Kind.SEEN,
                        o,
                        at(Objects.requireNonNull(assessment.observations().get(o))),
                        false));
        Stream<Trace> answers = step.questions().stream()
                .map(Question::id)
                .filter(assessment.questions()::containsKey)
                .map(q -> new Trace(
                        step.id(),
                        Kind.ANSWER,
                        q,
                        at(Objects.requireNonNull(assessment.questions().get(q))),
                        false));
        return Stream.of(readings, seen, answers).flatMap(d -> d).toList();
    }

    private static Assessment.First at(Assessment.Seen seen) {
        return new Assessment.First(seen.seq(), seen.at(), seen.by());
    }

    private static Assessment.First at(Assessment.Answered answered) {
        return new Assessment.First(answered.seq(), answered.at(), answered.by());
    }

    private static Optional<Trace> deed(Step step, Kind kind, String of, String subject, Assessment assessment) {
        return Optional.ofNullable(assessment.firstAbout(subject))
                .map(first -> new Trace(
                        step.id(),
                        kind,
                        of,
                        first,
                        first.by().equals(assessment.fixed().candidateId())));
    }

    private static State state(Step step, int open, int filled, Assessment assessment) {
        List<Assessment.Seen> seen = step.observations().stream()
                .map(o -> assessment.observations().get(o.id()))
                .filter(Objects::nonNull)
                .toList();
        if (seen.stream().anyMatch(s -> !s.right())) {
            return State.SLIP;
        }
        boolean asked =
                step.questions().stream().anyMatch(q -> assessment.questions().containsKey(q.id()));
        boolean anything = filled > 0 || !seen.isEmpty();
        if (anything && isComplete(step, open, assessment)) {
            return State.DONE;
        }
        return anything || asked ? State.BEGUN : State.OPEN;
    }

    /** Whether something is on record that comes after a step by a rule, or the sheet is in. */
    private static boolean isPassed(
            Step step, List<OrderRule> rules, Map<String, List<Trace>> deeds, Assessment assessment) {
        return assessment.handedInAt() != null
                || rules.stream()
                        .filter(r -> r.first().equals(step.id()))
                        .anyMatch(r -> OrderKept.earliest(deeds.getOrDefault(r.then(), List.of())) != null);
    }

    private static String shut(
            Step step, Scheme scheme, List<OrderRule> rules, Map<String, List<Trace>> deeds, Assessment assessment) {
        if (step.isLive() && assessment.energisedAt() == null) {
            return "opens when the rig is live";
        }
        boolean untilDead = !step.isLive() && !step.tests().isEmpty() && assessment.energisedAt() != null;
        if (untilDead && step.tests().stream().noneMatch(t -> t.isOfAnyStage())) {
            return "the rig is live: dead again first";
        }
        return rules.stream()
                .filter(r -> r.then().equals(step.id()))
                .filter(r -> deeds.getOrDefault(r.first(), List.of()).isEmpty())
                .map(r -> "first: " + scheme.step(r.first()).map(Step::title).orElse(r.first()))
                .findFirst()
                .orElse("");
    }

    private static RigNow rig(Assessment assessment, Rig rig, Scheme scheme, List<Slot> slots) {
        boolean live = assessment.energisedAt() != null;
        List<Slot> isolation =
                slots.stream().filter(s -> s.step() == TestKind.SAFE_ISOLATION).toList();
        boolean isolated = !isolation.isEmpty()
                && OpenBoxes.of(assessment, scheme, isolation).isEmpty();
        boolean read = !isolation.isEmpty()
                && slots.stream().anyMatch(s -> isDeadReading(s) && !OpenBoxes.isOpen(assessment, s));
        RigState state = RigState.of(rig, onRecord(assessment, rig.origin().id(), isolated));
        return new RigNow(
                live,
                state.isLocked(rig.origin().id()),
                state.isProvedDead(rig.origin().id())
                        ? Dead.PROVED
                        : !live && read ? Dead.READ_UNPROVED : Dead.NOT_PROVED,
                isAsked(assessment),
                notDone(assessment, scheme));
    }

    /**
     * What the record says was done at the rig: locked off by whoever set the faults, isolated by the candidate, energised and
     * made dead again with permission.
     */
    private static List<Deed> onRecord(Assessment assessment, BoardId origin, boolean isolated) {
        List<Deed> deeds = new ArrayList<>();
        if (assessment.lockedOffAt() != null) {
            deeds.addAll(List.of(new Deed.MainSwitchOff(origin), new Deed.LockOff(origin)));
        }
        if (isolated) {
            deeds.addAll(provedDead(origin));
        }
        if (assessment.wasLive()) {
            deeds.addAll(List.of(new Deed.CloseUp(), new Deed.Energise(origin)));
            if (assessment.energisedAt() == null) {
                deeds.addAll(provedDead(origin));
            }
        }
        return deeds;
    }

    private static List<Deed> provedDead(BoardId origin) {
        return List.of(new Deed.MainSwitchOff(origin), new Deed.LockOff(origin), new Deed.ProveDead(origin));
    }

    private static List<NotDone> notDone(Assessment assessment, Scheme scheme) {
        List<NotDone> notDone = new ArrayList<>();
        for (Step step : scheme.steps()) {
            for (Observation observation : step.observations()) {
                Optional.ofNullable(assessment.observations().get(observation.id()))
                        .filter(seen -> !seen.right())
                        .flatMap(seen -> observation.undone(seen.slip()))
                        .ifPresent(what -> notDone.add(new NotDone(
                                what,
                                what == Undone.NULLING ? EnumSet.allOf(TestKind.class) : Set.copyOf(step.tests()))));
            }
        }
        return notDone;
    }

    private static boolean isDeadReading(Slot slot) {
        return !slot.step().isLive()
                && slot.step() != TestKind.SAFE_ISOLATION
                && slot instanceof Slot.Measured measured
                && measured.measurement().isReading();
    }
}
