package prantel.core.inference;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.instrument.Written;
import prantel.core.rig.CircuitId;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/**
 * The whole record in one contest: what each kind of cause at each place would make of it, the likeliest first, then the next
 * with that one in, until nothing explains more than it costs to assume.
 */
public final class Explainer {
    private static final int MOST_CAUSES = 6;
    private static final int MOST_TOLD = 5;
    /** For what was left over: the dearest, and a third one finds what two did not once in a blue moon. */
    private static final int MOST_SEARCHES = 3;

    private static final int SEVERAL = 3;
    /** Of places that are as likely, natural logarithm, so many are named. */
    private static final double AS_LIKELY = Math.log(2);

    private static final int MOST_PLACES = 3;
    /** A cause is named only when the record is this much likelier with it than left to chance, natural logarithm. */
    private static final double LEAST_GAIN = 0.5;

    /** The same where no box is odd by itself: figures that agree can agree by chance. */
    private static final double LEAST_GAIN_TO_ASK = 2;

    /** With so many odd boxes, one cheap cause that accounts for nearly all of them ends the round. */
    private static final int MANY = 6;

    private static final double NEARLY_ALL = 0.8;
    /** So many circuits read alike through the same leads, not through one fault. */
    private static final int EVERYWHERE = 3;

    /** So much likelier than chance, natural logarithm. */
    private static final double SETTLED = 3;
    /** Times as far off as the window allows: common practice, no source. */
    private static final double FAR_OUTSIDE = 1.6;

    /** Below this share a runner-up is not worth telling. */
    private static final double LEAST_SHARE = 0.02;

    private final Boxes boxes;
    private Likelihood likelihood;
    private final Witnesses witnesses;
    private final Map<SlotId, List<Explanation>> told = new LinkedHashMap<>();
    private final List<World> taken = new ArrayList<>();

    private int searches;

    private Explainer(Boxes boxes) {
        this.boxes = boxes;
        this.likelihood = new Likelihood(boxes);
        this.witnesses = new Witnesses(boxes);
    }

    /** For each box that is not as this rig gives it, what would explain it, likeliest first; an empty list where nothing does. */
    public static Map<SlotId, List<Explanation>> explain(Key key, WrittenSheet sheet) {
        return explain(key, sheet, Beside.NOTHING);
    }

    /** The same with what is known beside the sheet. */
    public static Map<SlotId, List<Explanation>> explain(Key key, WrittenSheet sheet, Beside beside) {
        Boxes boxes = new Boxes(key, key.asDone(sheet::at), sheet, beside);
        return boxes.figures().ofFigures(new Explainer(boxes).all(), sheet);
    }

    private Map<SlotId, List<Explanation>> all() {
        Map<SlotId, Predicted> now = new HashMap<>();
        Likelihood.Score score = likelihood.of(now);
        Set<SlotId> first = score.odd();
        while (taken.size() < MOST_CAUSES) {
            List<Tried> tried = tried(now, score);
            double least = score.odd().isEmpty() ? LEAST_GAIN_TO_ASK : LEAST_GAIN;
            double gained = tried.isEmpty() ? 0 : tried.getFirst().gain();
            if (rebuilt(now, score, Math.max(gained, least))) {
                score = likelihood.of(now);
                continue;
            }
            if (tried.isEmpty() || tried.getFirst().gain() < least) {
                break;
            }
            tried = simplerFirst(tried, now);
            World best = tried.getFirst().world();
            taken.add(best);
            tell(tried.getFirst(), tried, score.odd());
            now = with(now, best);
            score = likelihood.of(now);
        }
        // what nothing explains is told as well: an empty list
        Set<SlotId> left = new HashSet<>(score.unknown());
        score.strained().stream().filter(this::isFarOutside).forEach(left::add);
        left.retainAll(first);
        Map<SlotId, List<Explanation>> inOrder = new LinkedHashMap<>();
        for (Expectation e : boxes.all()) {
            SlotId id = e.slot().id();
            if (told.containsKey(id)) {
                inOrder.put(id, told.get(id));
            } else if (left.contains(id)) {
                inOrder.put(id, List.of());
            }
        }
        return inOrder;
    }

    /**
     * Whether a reading is off by so much more than its window allows that no error it shares with others makes it right: an
     * error that is shared is an error all the same.
     */
    private boolean isFarOutside(SlotId id) {
        Optional<Double> right = boxes.right(id);
        Optional<Double> written = boxes.number(id);
        if (right.isEmpty()
                || written.isEmpty()
                || !(boxes.at(id).window().measured() instanceof Window.Between(double low, double high))) {
            return false;
        }
        double off = written.get() - right.get();
        return off < 0 ? -off > FAR_OUTSIDE * (right.get() - low) : off > FAR_OUTSIDE * (high - right.get());
    }

    /**
     * Whether the record is likelier at a rig that is built otherwise than by any cause: that is nobody's doing, and what is
     * looked for then is looked for at that rig.
     */
    private boolean rebuilt(Map<SlotId, Predicted> now, Likelihood.Score score, double gained) {
        Set<Likelihood.Shared> moved = likelihood.ofTheBuild();
        if (score.odd().stream()
                .noneMatch(id -> likelihood.groupOf(id).filter(moved::contains).isPresent())) {
            return false;
        }
        Likelihood best = likelihood;
        double most = gained;
        double was = likelihood.of(moved, now).log() + likelihood.build().logPrior();
        for (Build build : likelihood.build().others()) {
            Likelihood other = likelihood.at(build);
            double gain = other.of(moved, now).log() + build.logPrior() - was;
            if (gain > most) {
                most = gain;
                best = other;
            }
        }
        boolean better = best != likelihood;
        likelihood = best;
        return better;
    }

    /**
     * @param gain natural logarithm of how much likelier the record is, prior and all
     * @param left what it touches as it is with it: left to chance, or strained
     */
    private record Tried(World world, double gain, Likelihood.Score left) {
        /** Whether it says of a box what stands there. */
        boolean explains(SlotId id) {
            return world.says().containsKey(id) && !left.unknown().contains(id);
        }

        /** Whether it does so without a shared error that hardly ever is. */
        boolean accountsFor(SlotId id) {
            return explains(id) && !left.strained().contains(id);
        }
    }

    /**
     * One fault instead of another is two things at once. Where two that have nothing to do with each other make the record as
     * likely, the likelier of them comes first.
     */
    private List<Tried> simplerFirst(List<Tried> tried, Map<SlotId, Predicted> now) {
        Tried first = tried.getFirst();
        Optional<Tried> single = tried.stream()
                .filter(t -> t.world().cause() != Cause.ANOTHER_FAULT)
                .findFirst();
        if (first.world().cause() != Cause.ANOTHER_FAULT
                || single.filter(s -> s.gain() > LEAST_GAIN).isEmpty()) {
            return tried;
        }
        World one = single.get().world();
        List<World> others = tried.stream()
                .map(Tried::world)
                .filter(w -> w.cause() != Cause.ANOTHER_FAULT && !w.goesRoundWith(one))
                .toList();
        double both = single.get().gain()
                + held(others, with(now, one)).stream()
                        .findFirst()
                        .map(Tried::gain)
                        .orElse(0.0);
        if (both < first.gain()) {
            return tried;
        }
        List<Tried> simpler = new ArrayList<>(tried);
        simpler.removeIf(t -> t.world().cause() == Cause.ANOTHER_FAULT);
        return simpler;
    }

    private List<Tried> tried(Map<SlotId, Predicted> now, Likelihood.Score score) {
        Set<SlotId> odd = score.odd();
        List<World> cheap = new ArrayList<>(new FigureWorlds(boxes, odd).all());
        cheap.addAll(new SetUpWorlds(boxes, odd).ofTheTester());
        cheap.addAll(new BuiltWorlds(boxes, odd).all());
        cheap.addAll(new LeakWorlds(boxes, odd).all());
        List<Tried> first = held(cheap, now);
        if (odd.isEmpty() || accountsForNearlyAll(first, odd)) {
            return first;
        }
        List<World> dear = new ArrayList<>(new SetUpWorlds(boxes, odd).ofActions());
        // looked for anew in every round: what is odd for another reason hides what the rig accounts for
        dear.addAll(new RigWorlds(boxes, likelihood, odd).ofTheSet());
        List<Tried> all = new ArrayList<>(first);
        all.addAll(held(dear, now));
        all.sort(Comparator.comparingDouble(Tried::gain).reversed());
        if (!isSettled(all, odd) && searches < MOST_SEARCHES) {
            searches++;
            all.addAll(held(new RigWorlds(boxes, likelihood, odd).ofWhatWasLeft(), now));
            all.sort(Comparator.comparingDouble(Tried::gain).reversed());
        }
        return all;
    }

    /** Whether one cause accounts for every odd box so well that what is a priori this rare cannot come near it. */
    private static boolean isSettled(List<Tried> tried, Set<SlotId> odd) {
        return !tried.isEmpty()
                && tried.getFirst().gain() > SETTLED
                && odd.stream().allMatch(tried.getFirst()::accountsFor);
    }

    /** What it leaves has to be at other circuits, a fault of the rig shows in several tests of one; or it is off everywhere. */
    private boolean accountsForNearlyAll(List<Tried> tried, Set<SlotId> odd) {
        if (odd.size() < MANY || tried.isEmpty()) {
            return false;
        }
        Set<Optional<CircuitId>> touched = new HashSet<>();
        List<SlotId> left = new ArrayList<>();
        for (SlotId id : odd) {
            if (tried.getFirst().accountsFor(id)) {
                touched.add(boxes.at(id).slot().circuit());
            } else {
                left.add(id);
            }
        }
        return left.size() <= (1 - NEARLY_ALL) * odd.size()
                && (touched.size() >= EVERYWHERE
                        || left.stream()
                                .noneMatch(id ->
                                        touched.contains(boxes.at(id).slot().circuit())));
    }

    private static Map<SlotId, Predicted> with(Map<SlotId, Predicted> now, World world) {
        Map<SlotId, Predicted> then = new HashMap<>(now);
        then.putAll(world.says());
        return then;
    }

    /** Each world held against the record as it is explained so far, the likeliest first. */
    private List<Tried> held(List<World> worlds, Map<SlotId, Predicted> now) {
        Map<Set<Likelihood.Shared>, Likelihood.Score> before = new HashMap<>();
        List<Tried> tried = new ArrayList<>();
        for (World world : worlds) {
            if (taken.stream().anyMatch(world::goesRoundWith)
                    || world.says().entrySet().stream()
                            .noneMatch(e -> boxes.written(e.getKey()).isReading()
                                    && likelihood.mayBe(e.getKey(), e.getValue()))) {
                continue;
            }
            Set<Likelihood.Shared> touched = new HashSet<>();
            world.says().keySet().forEach(id -> likelihood.groupOf(id).ifPresent(touched::add));
            if (touched.isEmpty()) {
                continue;
            }
            double was =
                    before.computeIfAbsent(touched, t -> likelihood.of(t, now)).log();
            Likelihood.Score is = likelihood.of(touched, world.says(), now);
            tried.add(new Tried(world, is.log() - was + world.logPrior() + witnesses.of(world), is));
        }
        tried.sort(Comparator.comparingDouble(Tried::gain).reversed());
        return tried;
    }

    /** Every box that was odd and is not with this cause, with its share beside the next likeliest for that box. */
    private void tell(Tried first, List<Tried> tried, Set<SlotId> odd) {
        World best = first.world();
        long exact = best.says().entrySet().stream()
                .filter(e -> e.getValue() instanceof Predicted.Exactly(double base) && boxes.isSame(e.getKey(), base))
                .count();
        for (SlotId id : best.says().keySet()) {
            // the same figures to the digit in several boxes are evidence of their own, in or out of any band
            boolean asks = boxes.number(id).isPresent()
                            && (best.cause().onlyAsks()
                                    || exact >= SEVERAL && best.says().get(id) instanceof Predicted.Exactly)
                    || best.says().get(id) instanceof Predicted.AboveTop(double top) && boxes.isAbove(id, top);
            if (told.containsKey(id) || !first.explains(id) || !odd.contains(id) && !asks) {
                continue;
            }
            List<Tried> here =
                    tried.stream().filter(t -> t.gain() > 0 && t.explains(id)).toList();
            double top = here.getFirst().gain();
            double sum =
                    here.stream().mapToDouble(t -> Math.exp(t.gain() - top)).sum();
            // a cause is as likely as all its places together; the likeliest of them speaks for it
            Map<Cause, Double> shares = new LinkedHashMap<>();
            here.forEach(t -> shares.merge(t.world().cause(), Math.exp(t.gain() - top) / sum, Double::sum));
            Map<Cause, Explanation> byCause = new LinkedHashMap<>();
            for (Tried t : here) {
                double share = shares.getOrDefault(t.world().cause(), 0.0);
                if (byCause.size() < MOST_TOLD && (byCause.isEmpty() || share >= LEAST_SHARE)) {
                    byCause.computeIfAbsent(t.world().cause(), c -> explanation(id, t, here, share));
                }
            }
            told.put(id, List.copyOf(byCause.values()));
        }
    }

    /** Of all places of a cause that are about as likely: none of them is named as if it were known. */
    private static String wordsOf(Tried one, List<Tried> here) {
        if (one.world().cause().isOfASize()) {
            return one.world().words();
        }
        List<String> words = here.stream()
                .filter(t -> t.world().cause() == one.world().cause() && t.gain() > one.gain() - AS_LIKELY)
                .map(t -> t.world().words())
                .distinct()
                .limit(MOST_PLACES + 1L)
                .toList();
        return words.size() == 1
                ? words.getFirst()
                : String.join(", or ", words.subList(0, Math.min(words.size(), MOST_PLACES)))
                        + (words.size() > MOST_PLACES ? ", or the like," : ",");
    }

    /** What all places of a cause that are about as likely say of the rig's faults. */
    private static Blame blameOf(Tried one, List<Tried> here) {
        List<Blame> blames = here.stream()
                .filter(t -> t.world().cause() == one.world().cause() && t.gain() > one.gain() - AS_LIKELY)
                .map(t -> t.world().blame())
                .distinct()
                .toList();
        return new Blame(
                blames.stream().map(Blame::missing).distinct().count() == 1
                        ? blames.getFirst().missing()
                        : Optional.empty(),
                blames.stream().map(Blame::there).distinct().count() == 1
                        ? blames.getFirst().there()
                        : Optional.empty());
    }

    private Explanation explanation(SlotId id, Tried one, List<Tried> here, double share) {
        World world = one.world();
        String words = wordsOf(one, here);
        Slot slot = boxes.at(id).slot();
        String reads = boxes.would(slot, world.says().get(id));
        long boxesOfIt = world.says().keySet().stream()
                .filter(b -> boxes.written(b).isReading())
                .count();
        Written written = boxes.written(id);
        String gives = boxes.at(id).withFaults().shown();
        String evidence = (world.cause() == Cause.SLIP_OF_TEN
                        ? written.asWritten() + " " + words + " would be what this rig gives, " + gives + "."
                        : written.asWritten() + " where this rig gives " + gives + "; " + words + " it would be "
                                + reads + ".")
                + (boxesOfIt > 1 ? " The same holds for " + boxesOfIt + " boxes." : "");
        return new Explanation(
                id,
                world.cause(),
                reads,
                evidence,
                share,
                undone(id, world.says().get(id)),
                blameOf(one, here));
    }

    /** What is left of a reading beside the cause stays in it: the leads, the cable, the noise. */
    private OptionalDouble undone(SlotId id, @org.jspecify.annotations.Nullable Predicted predicted) {
        double gives = boxes.at(id).withFaults().base();
        Optional<Double> written = boxes.number(id);
        if (predicted instanceof Predicted.Slipped(double base, double factor) && written.isPresent()) {
            return OptionalDouble.of(written.get() / factor);
        }
        if (!Double.isFinite(gives) || boxes.at(id).window().isOverRangeOnly()) {
            return OptionalDouble.empty();
        }
        return predicted instanceof Predicted.Near(double base) && written.isPresent() && Double.isFinite(base)
                ? OptionalDouble.of(Math.max(0, gives + written.get() - base))
                : OptionalDouble.of(gives);
    }
}
