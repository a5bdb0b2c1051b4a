package prantel.core.setting;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;
import prantel.core.expectation.Change.Visibility;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultKind;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.safety.SafetyCheck;

/** Proposes fair sets: findable, safe for the stage, of the difficulty asked for, not seen before, unlike the neighbours'. */
public final class Proposer {
    private static final int TRIES = 400;
    private static final int VERIFIED = 20;

    private final Exploration singles;
    private final Key full;
    private final ToDoubleFunction<Effect> difficulty;

    /**
     * @param singles of the rig by the scheme the candidate will follow
     * @param full healthy key of the full sequence
     */
    public Proposer(Exploration singles, Key full) {
        this(
                singles,
                full,
                e -> Difficulty.of(e, singles.healthy().expectations().size()));
    }

    /** @param difficulty as corrected by results */
    public Proposer(Exploration singles, Key full, ToDoubleFunction<Effect> difficulty) {
        this.singles = singles;
        this.full = full;
        this.difficulty = difficulty;
    }

    public enum Stage {
        /** The rig stays locked off while the faults are in. */
        DEAD,
        /** The rig will be energised with them. */
        LIVE
    }

    /**
     * @param count how many faults, 1 to 6
     * @param target mean difficulty aimed at, 1 to 5
     * @param seen kinds this candidate met before
     * @param neighbours kinds set in the bays beside, at the same time
     * @param canSet whether a fault can be set on this rig: by hand, or by a relay for an emulated one
     * @param seed the same seed proposes the same set
     */
    public record Request(
            Stage stage,
            int count,
            double target,
            Set<FaultKind> seen,
            Set<FaultKind> neighbours,
            Predicate<Fault> canSet,
            long seed) {
        public Request {
            seen = Set.copyOf(seen);
            neighbours = Set.copyOf(neighbours);
        }
    }

    /** @param difficulty mean of its faults @param reasons why this set, one sentence each */
    public record Proposal(FaultSet faults, double difficulty, List<String> reasons) {
        public Proposal {
            reasons = List.copyOf(reasons);
        }
    }

    /** The fair set nearest to the difficulty; empty if the rig has none that answers the request. */
    public Optional<Proposal> propose(Request request) {
        List<Effect> usable = singles.effects().stream()
                .filter(e -> e.visibility() == Visibility.FINDABLE && suits(e.fault(), request))
                .toList();
        SplittableRandom random = new SplittableRandom(request.seed());
        List<List<Effect>> tries = new ArrayList<>();
        for (int i = 0; i < TRIES && !usable.isEmpty(); i++) {
            List<Effect> picked = pick(usable, request.count(), random);
            if (picked.size() == request.count()) {
                tries.add(picked);
            }
        }
        // stable: of two as near the earlier one stays first
        tries.sort(Comparator.comparingDouble(t -> Math.abs(mean(t) - request.target())));
        List<List<Effect>> looked = new ArrayList<>(tries.subList(0, Math.min(VERIFIED, tries.size())));
        // where the nearest are unfair, some of all the others
        for (int i = VERIFIED; i < tries.size(); i += Math.max(1, tries.size() / VERIFIED)) {
            looked.add(tries.get(i));
        }
        return looked.stream()
                .filter(t -> isFair(t, request.stage()))
                .findFirst()
                .map(t -> proposal(t, request));
    }

    private static boolean suits(Fault fault, Request request) {
        boolean safe = request.stage() == Stage.DEAD || fault.safety() != SafetyClass.DEAD_ONLY;
        return safe
                && !request.seen().contains(fault.kind())
                && !request.neighbours().contains(fault.kind())
                && request.canSet().test(fault);
    }

    /** Different kinds; different groups and circuits as long as there are any. */
    private static List<Effect> pick(List<Effect> usable, int count, SplittableRandom random) {
        List<Effect> picked = new ArrayList<>();
        Set<Object> taken = new HashSet<>();
        for (int attempt = 0; attempt < 60 && picked.size() < count; attempt++) {
            // kinds first: a ring with many sockets must not drown the rest
            Effect any = usable.get(random.nextInt(usable.size()));
            boolean strict = attempt < 30;
            boolean fresh = !taken.contains(any.fault().kind())
                    && (!strict
                            || !taken.contains(any.fault().kind().group())
                                    && !taken.contains(any.fault().place().ofCircuit()));
            boolean kindChance = random.nextInt(100) < 100 / Math.max(1, share(usable, any));
            if (fresh && kindChance) {
                picked.add(any);
                taken.add(any.fault().kind());
                taken.add(any.fault().kind().group());
                any.fault().place().ofCircuit().ifPresent(c -> taken.add(Optional.of(c)));
            }
        }
        return picked;
    }

    /** How often a kind stands in the list, in tenths of the square root: the more places, the less chance for each. */
    private static int share(List<Effect> usable, Effect of) {
        long same = usable.stream()
                .filter(e -> e.fault().kind() == of.fault().kind())
                .count();
        return (int) Math.max(1, Math.sqrt(same));
    }

    private double mean(List<Effect> effects) {
        return effects.stream().mapToDouble(difficulty).average().orElse(0);
    }

    private boolean isFair(List<Effect> effects, Stage stage) {
        FaultSet set = set(effects);
        Key key = singles.healthy().with(set);
        SetReview review = SetReview.of(key, singles, full);
        boolean told = review.ambiguities().stream().allMatch(Ambiguity::accepted);
        return review.isFair()
                && told
                && (stage == Stage.DEAD
                        || SafetyCheck.of(key.rig(), set).dangers().isEmpty());
    }

    private static FaultSet set(List<Effect> effects) {
        return new FaultSet(effects.stream().map(Effect::fault).toList());
    }

    private Proposal proposal(List<Effect> effects, Request request) {
        double mean = mean(effects);
        List<String> reasons = new ArrayList<>();
        for (Effect effect : effects) {
            reasons.add(String.format(
                    Locale.ROOT,
                    "%s: first seen at %s, in %s, difficulty %.1f.",
                    effect.fault().title(),
                    effect.firstTest(),
                    effect.fault().kind().isOnlySeen()
                            ? "no reading"
                            : boxes(effect.findable().size()),
                    difficulty.applyAsDouble(effect)));
        }
        reasons.add(String.format(Locale.ROOT, "Mean difficulty %.1f, asked for %.1f.", mean, request.target()));
        reasons.add("No fault hides or fakes another; every other fault that reads the same is an accepted answer.");
        reasons.add(
                request.stage() == Stage.LIVE
                        ? "Simulated with the supply on: no live metal, disconnection intact."
                        : "Dead-only faults are allowed: clear them and prove the rig before it is energised.");
        if (!request.seen().isEmpty()) {
            reasons.add("None of the " + request.seen().size() + " kinds this candidate has met.");
        }
        if (!request.neighbours().isEmpty()) {
            reasons.add("No kind that is set in a bay beside.");
        }
        return new Proposal(set(effects), mean, reasons);
    }

    private static String boxes(int count) {
        return count == 1 ? "one box" : count + " boxes";
    }
}
