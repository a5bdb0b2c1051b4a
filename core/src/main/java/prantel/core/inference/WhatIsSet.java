package prantel.core.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.FaultSet;
import prantel.core.instrument.Written;
import prantel.core.sequence.SlotId;
import prantel.core.setting.Hypothesis;

/**
 * What is really set on a rig, from a few readings taken at it: the same contest as of a candidate's record, in which the rig
 * is what nobody has proved yet. Leads and hands of whoever took the readings are in it too.
 */
public final class WhatIsSet {
    private static final int MOST_RANKED = 6;
    /** Check readings are few, and taken by one hand one after the other. */
    private static final int ENOUGH_FOR_A_SIZE = 2;

    private static final double LEAST_SHARE = 0.005;

    private WhatIsSet() {}

    /**
     * One answer.
     *
     * @param cause empty where exactly what is meant is set
     * @param there the faults that would be on the rig
     * @param words what was done otherwise, where it is not the rig's: "with the leads in"
     * @param share of all answers' weight, 0 to 1
     * @param misfits readings that it leaves unexplained
     * @param evidence one for each reading taken
     */
    public record Ranked(
            Optional<Cause> cause, FaultSet there, String words, double share, int misfits, List<Evidence> evidence) {
        /** Whether a reading lies outside its band, and near enough for wear, leads and hands to account for it. */
        public boolean isNearlySo() {
            return misfits == 0 && evidence.stream().anyMatch(e -> !e.inBand());
        }
    }

    /**
     * @param expected what the box would read with the faults of the answer
     * @param would what the display would show, where the answer keeps the faults that are meant; empty otherwise
     * @param inBand whether the reading is within the band
     * @param fits whether the answer accounts for it
     */
    public record Evidence(Expectation expected, Written written, String would, boolean inBand, boolean fits) {}

    /**
     * @param key with what is meant to be set
     * @param readings what the display showed, by box
     * @param others all that may be set instead
     * @return likeliest first; empty without a readable reading
     */
    public static List<Ranked> of(Key key, Map<SlotId, String> readings, List<Hypothesis> others) {
        WrittenSheet sheet = WrittenSheet.read(readings, key);
        Set<SlotId> read = new HashSet<>();
        key.expectations().stream()
                .map(e -> e.slot().id())
                .filter(id -> sheet.at(id).isReading())
                .forEach(read::add);
        if (read.isEmpty()) {
            return List.of();
        }
        Contest contest = new Contest(new Boxes(key, key.expectations(), sheet, Beside.NOTHING), read);
        contest.enter(others);
        return contest.ranked();
    }

    private static Cause cause(Hypothesis.Kind kind) {
        return switch (kind) {
            case HEALTHY, MISSING -> Cause.FAULT_NOT_SET;
            case OTHER_INSTEAD -> Cause.FAULT_ELSEWHERE;
            case LEFT_OVER -> Cause.FAULT_LEFT_OVER;
            case OTHER_SINGLE -> Cause.ANOTHER_FAULT;
        };
    }

    /** How common it is before anything is proved, natural logarithm. Common practice, no source. */
    private static double logPrior(Cause cause) {
        return switch (cause) {
            case FAULT_NOT_SET -> -0.7;
            case FAULT_LEFT_OVER -> -1;
            case FAULT_ELSEWHERE -> -1.5;
            case FAULT_DRIFTED -> -2;
            case ANOTHER_FAULT -> -3;
            default -> cause.logPrior();
        };
    }

    /** Whether it is one that whoever proves a set can fall for: nobody copies there, or works out. */
    private static boolean canHappenHere(World world) {
        return switch (world.cause()) {
            case LEADS_NOT_NULLED,
                    NULLED_WRONG,
                    TESTER_OFF,
                    TESTER_STUCK,
                    WRONG_RANGE,
                    SLIP_OF_TEN,
                    LINK_MISSING,
                    SWITCH_OPEN,
                    FAULT_DRIFTED -> true;
            default -> false;
        };
    }

    /** @param prior natural logarithm */
    private record Entry(
            Optional<Cause> cause,
            FaultSet there,
            String words,
            Map<SlotId, Predicted> says,
            Function<SlotId, Expectation> reads,
            double prior) {}

    private record Scored(Entry entry, double log, Set<SlotId> unknown) {}

    private static final class Contest {
        private final Boxes boxes;
        private final Set<SlotId> read;
        private final Likelihood likelihood;
        /** The rig as drawn, and built otherwise where anything is odd. */
        private final List<Likelihood> builds = new ArrayList<>();

        private final List<Scored> scored = new ArrayList<>();

        Contest(Boxes boxes, Set<SlotId> read) {
            this.boxes = boxes;
            this.read = read;
            this.likelihood = new Likelihood(boxes);
            this.builds.add(likelihood);
        }

        void enter(List<Hypothesis> others) {
            Set<SlotId> odd = likelihood.of(Map.of()).odd();
            if (!odd.isEmpty()) {
                Build.AS_DRAWN.others().forEach(b -> builds.add(likelihood.at(b)));
            }
            scored.add(score(new Entry(Optional.empty(), boxes.key().faults(), "", Map.of(), boxes::at, 0)));
            Map<Cause, Integer> places = new HashMap<>();
            others.forEach(h -> places.merge(cause(h.kind()), 1, Integer::sum));
            for (Hypothesis other : others) {
                Map<SlotId, Predicted> says = new HashMap<>();
                for (SlotId id : read) {
                    Expectation e = other.reads().apply(id);
                    says.put(id, Predicted.of(e.withFaults(), e.window()));
                }
                Cause cause = cause(other.kind());
                double prior = logPrior(cause) - Math.log(places.getOrDefault(cause, 1));
                scored.add(score(new Entry(Optional.of(cause), other.faults(), "", says, other.reads(), prior)));
            }
            if (odd.isEmpty()) {
                return;
            }
            List<World> worlds = new ArrayList<>(new SetUpWorlds(boxes, odd).ofTheTester(ENOUGH_FOR_A_SIZE));
            worlds.addAll(new SetUpWorlds(boxes, odd).ofActions());
            worlds.addAll(new FigureWorlds(boxes, odd).all());
            worlds.addAll(new RigWorlds(boxes, likelihood, odd).ofTheSet());
            for (World world : worlds) {
                if (canHappenHere(world)) {
                    double prior = logPrior(world.cause()) - world.cause().logPrior() + world.logPrior();
                    scored.add(score(new Entry(
                            Optional.of(world.cause()),
                            boxes.key().faults(),
                            world.words(),
                            world.says(),
                            boxes::at,
                            prior)));
                }
            }
        }

        private Scored score(Entry entry) {
            Scored best = null;
            for (Likelihood build : builds) {
                Likelihood.Score score = build.of(entry.says());
                double log = score.log() + build.build().logPrior() + entry.prior();
                if (best == null || log > best.log()) {
                    best = new Scored(entry, log, score.unknown());
                }
            }
            return Objects.requireNonNull(best);
        }

        /** The same answer in several sizes or places counts as one, and its likeliest speaks for it. */
        List<Ranked> ranked() {
            scored.sort(Comparator.comparingDouble(Scored::log).reversed());
            double top = scored.getFirst().log();
            double all =
                    scored.stream().mapToDouble(s -> Math.exp(s.log() - top)).sum();
            Map<List<Object>, List<Scored>> byAnswer = new LinkedHashMap<>();
            for (Scored s : scored) {
                // a size or a scope is no answer of its own
                byAnswer.computeIfAbsent(List.of(s.entry().cause(), s.entry().there()), a -> new ArrayList<>())
                        .add(s);
            }
            return byAnswer.values().stream()
                    .map(same -> told(
                            same.getFirst(),
                            same.stream()
                                            .mapToDouble(s -> Math.exp(s.log() - top))
                                            .sum()
                                    / all))
                    .filter(r -> r.share() >= LEAST_SHARE)
                    .sorted(Comparator.comparingDouble(Ranked::share).reversed())
                    .limit(MOST_RANKED)
                    .toList();
        }

        private Ranked told(Scored s, double share) {
            List<Evidence> evidence = new ArrayList<>();
            for (Expectation mine : boxes.all()) {
                SlotId id = mine.slot().id();
                if (read.contains(id)) {
                    Expectation expected = s.entry().reads().apply(id);
                    Written written = boxes.written(id);
                    boolean keepsTheFaults = s.entry().cause().isPresent()
                            && s.entry().there().equals(boxes.key().faults());
                    evidence.add(new Evidence(
                            expected,
                            written,
                            keepsTheFaults
                                    ? boxes.would(mine.slot(), s.entry().says().get(id))
                                    : "",
                            expected.window().sideOf(written) == Window.Side.INSIDE,
                            !s.unknown().contains(id)));
                }
            }
            return new Ranked(
                    s.entry().cause(),
                    s.entry().there(),
                    s.entry().words(),
                    share,
                    s.unknown().size(),
                    evidence);
        }
    }
}
