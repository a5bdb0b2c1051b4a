package prantel.core.setting;

import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fault.SafetyClass;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.setting.Hypothesis.Kind;

/**
 * The fewest readings that prove exactly these faults set: they tell the set from the healthy rig, from every part of it
 * and from every other single fault of the catalogue.
 *
 * <p>Where a fault of the set is dead only, nothing is read live with it in: what only a live reading tells is read first, with the
 * other faults in, and each of those readings must show what the rig then gives.
 *
 * @param readings live ones first where a fault is dead only, then in the order of least walking; each with what it must show
 * @param looks faults that are proved by looking, not by a reading
 * @param notTold what no reading of the sequence tells from the set
 * @param fewest whether fewer readings were proved not to do: not where there was too much to look at
 */
public record CheckPlan(List<Expectation> readings, List<Fault> looks, List<FaultSet> notTold, boolean fewest) {
    private static final int MOST_BRANCHES = 200_000;
    private static final int MOST_SLIPS = 24;
    /** Up to so many faults every part of the set is told from it; of more, those with one or two missing, or one or none left. */
    private static final int MOST_FOR_ALL_PARTS = 5;

    public CheckPlan {
        readings = List.copyOf(readings);
        looks = List.copyOf(looks);
        notTold = List.copyOf(notTold);
    }

    /**
     * @param key with the faults set
     * @param singles of the same rig, tester and scheme
     */
    public static CheckPlan of(Key key, Exploration singles) {
        return of(key, singles, f -> false);
    }

    /**
     * The same, and it tells a fault set by hand from the same one at another place or on other conductors: the slip a
     * hand makes, and a relay does not.
     *
     * @param byHand faults of the set that somebody sets by hand
     */
    public static CheckPlan of(Key key, Exploration singles, Predicate<Fault> byHand) {
        List<Fault> looks =
                key.faults().faults().stream().filter(singles::isOnlySeen).toList();
        List<Hypothesis> others = others(key, singles);
        others.addAll(slips(key, singles, byHand));
        return of(key, singles, looks, others);
    }

    /** Each fault set by hand, made at another place or on other conductors. */
    static List<Hypothesis> slips(Key key, Exploration singles, Predicate<Fault> byHand) {
        List<Hypothesis> slips = new ArrayList<>();
        for (Fault fault : key.faults().faults()) {
            if (byHand.test(fault) && !singles.isOnlySeen(fault)) {
                singles.effects().stream()
                        .map(Effect::fault)
                        .filter(g -> g.kind() == fault.kind()
                                && key.faults().faults().stream().noneMatch(g::isSameBut)
                                && g.place().ofCircuit().equals(fault.place().ofCircuit()))
                        .limit(MOST_SLIPS)
                        .forEach(g -> slips.add(Hypothesis.of(
                                Kind.OTHER_INSTEAD,
                                key.with(key.faults().without(fault).with(g.withSize(fault.size()))),
                                singles.healthy())));
            }
        }
        return slips;
    }

    /**
     * The fewest readings that prove faults taken out: they tell what is left from what is left with any of those still in.
     *
     * @param left key with the faults that stay; healthy when none does
     * @param out the faults taken out
     */
    public static CheckPlan ofClearing(Key left, List<Fault> out, Exploration singles) {
        List<Fault> read = out.stream().filter(f -> !singles.isOnlySeen(f)).toList();
        List<Hypothesis> others = new ArrayList<>();
        for (List<Fault> still : parts(read)) {
            if (!still.isEmpty()) {
                List<Fault> in = new ArrayList<>(left.faults().faults());
                in.addAll(still);
                others.add(Hypothesis.of(Kind.LEFT_OVER, left.with(new FaultSet(in)), singles.healthy()));
            }
        }
        List<Fault> looks = out.stream().filter(singles::isOnlySeen).toList();
        return of(left, singles, looks, others);
    }

    private static CheckPlan of(Key key, Exploration singles, List<Fault> looks, List<Hypothesis> others) {
        List<Fault> deadOnly =
                key.faults().faults().stream().filter(CheckPlan::isDeadOnly).toList();
        CheckPlan dead = of(
                key,
                singles,
                looks,
                others,
                singles.measured().stream().filter(s -> !s.function().isLive()).toList());
        if (deadOnly.isEmpty()) {
            // nobody goes live for what dead readings tell as well
            CheckPlan all = of(key, singles, looks, others, singles.measured());
            return dead.notTold().size() == all.notTold().size() ? dead : all;
        }
        Key before = key.with(without(key.faults(), deadOnly));
        List<Hypothesis> untold = dead.notTold().stream()
                .map(set -> without(set, deadOnly))
                .filter(set -> !set.equals(before.faults()))
                .distinct()
                .map(set -> Hypothesis.of(Kind.OTHER_INSTEAD, key.with(set), singles.healthy()))
                .toList();
        CheckPlan live = of(
                before,
                singles,
                List.of(),
                untold,
                singles.measured().stream().filter(s -> s.function().isLive()).toList());
        List<Expectation> readings = new ArrayList<>(live.readings());
        readings.addAll(dead.readings());
        return new CheckPlan(
                readings,
                looks,
                dead.notTold().stream()
                        .filter(set -> without(set, deadOnly).equals(before.faults())
                                || live.notTold().contains(without(set, deadOnly)))
                        .toList(),
                dead.fewest() && live.fewest());
    }

    private static boolean isDeadOnly(Fault fault) {
        return fault.safety() == SafetyClass.DEAD_ONLY;
    }

    private static FaultSet without(FaultSet set, List<Fault> out) {
        return new FaultSet(set.faults().stream()
                .filter(f -> out.stream().noneMatch(f::isSameBut))
                .toList());
    }

    /** Whether a reading is taken with the supply on. */
    public static boolean isLive(Expectation reading) {
        return reading.slot() instanceof Slot.Measured m && m.function().isLive();
    }

    private static CheckPlan of(
            Key key, Exploration singles, List<Fault> looks, List<Hypothesis> others, List<Slot.Measured> slots) {
        List<BitSet> tells = tells(key, singles, others, slots);
        BitSet open = new BitSet();
        open.set(0, others.size());
        List<FaultSet> notTold = new ArrayList<>();
        BitSet all = new BitSet();
        tells.forEach(all::or);
        for (int h = 0; h < others.size(); h++) {
            if (!all.get(h)) {
                open.clear(h);
                notTold.add(others.get(h).faults());
            }
        }
        Cover cover = new Cover(slots, tells);
        List<Integer> chosen = cover.of(open);
        List<Expectation> readings = chosen.stream()
                .map(slots::get)
                .sorted(byWalk(key.rig()))
                .map(s -> key.expectation(s.id()))
                .toList();
        return new CheckPlan(
                readings,
                looks,
                notTold,
                cover.isProved() && key.faults().faults().size() <= MOST_FOR_ALL_PARTS);
    }

    /** Everything the set must be told from. Faults that only the eye finds change no reading and are left out. */
    static List<Hypothesis> others(Key key, Exploration singles) {
        List<Fault> read = key.faults().faults().stream()
                .filter(f -> !singles.isOnlySeen(f))
                .toList();
        List<Hypothesis> others = new ArrayList<>();
        for (List<Fault> part : parts(read)) {
            if (part.size() < read.size()) {
                others.add(Hypothesis.of(
                        part.isEmpty() ? Kind.HEALTHY : Kind.MISSING, key.with(new FaultSet(part)), singles.healthy()));
            }
        }
        for (Effect effect : singles.effects()) {
            boolean meant = read.stream().anyMatch(f -> f.isSameBut(effect.fault()));
            if (!meant && !singles.isOnlySeen(effect.fault())) {
                others.add(Hypothesis.of(effect, singles.healthy()));
            }
        }
        return others;
    }

    /**
     * Every part of a list, the empty one and the whole too; of a long list the parts that slips make: one or two missing, one
     * alone, none. All parts of twelve would be 4,096.
     */
    private static List<List<Fault>> parts(List<Fault> faults) {
        int count = faults.size();
        List<List<Fault>> parts = new ArrayList<>();
        for (int mask = 0; mask < 1 << count; mask++) {
            int in = Integer.bitCount(mask);
            if (count > MOST_FOR_ALL_PARTS && in > 1 && in < count - 2) {
                continue;
            }
            List<Fault> part = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                if ((mask & 1 << i) != 0) {
                    part.add(faults.get(i));
                }
            }
            parts.add(part);
        }
        return parts;
    }

    /** For each box, which of the others one reading of it tells from the set. */
    private static List<BitSet> tells(
            Key key, Exploration singles, List<Hypothesis> others, List<Slot.Measured> slots) {
        List<BitSet> tells = new ArrayList<>();
        for (Slot.Measured slot : slots) {
            Expectation set = key.expectation(slot.id());
            BitSet told = new BitSet();
            for (int h = 0; h < others.size(); h++) {
                if (Hypothesis.tellsApart(set, others.get(h).reads().apply(slot.id()))) {
                    told.set(h);
                }
            }
            tells.add(told);
        }
        return tells;
    }

    private static Comparator<Slot.Measured> byWalk(Rig rig) {
        Map<TestKind, Integer> order = new java.util.EnumMap<>(TestKind.class);
        for (TestKind step : TestKind.values()) {
            order.put(step, step.ordinal());
        }
        return Comparator.<Slot.Measured>comparingInt(s -> s.function().isLive() ? 1 : 0)
                .thenComparingInt(s -> s.circuit()
                        .map(c -> rig.circuits().indexOf(rig.circuit(c)))
                        .orElse(-1))
                .thenComparingInt(s -> order.get(s.step()))
                .thenComparing(s -> s.id().value());
    }

    /** What a reading costs the setter: conductors moved, walking, energising. Common practice, no source. */
    static int effort(Slot.Measured slot) {
        return switch (slot.step()) {
            case R2 -> 2;
            case INSULATION -> 3;
            case R1_R2, POLARITY, BONDING, EARTHING -> 4;
            case RING -> 5;
            case INSULATION_BOARD -> 6;
            default -> slot.function().isLive() ? 40 : 6;
        };
    }

    /** Fewest boxes, then least effort, that tell all of the others. */
    private static final class Cover {
        private final List<Slot.Measured> slots;
        private final List<BitSet> tells;
        private List<Integer> best = List.of();
        private int bestCost = Integer.MAX_VALUE;
        private int branches;

        Cover(List<Slot.Measured> slots, List<BitSet> tells) {
            this.slots = slots;
            this.tells = tells;
        }

        /** Whether the search looked at everything. */
        boolean isProved() {
            return branches <= MOST_BRANCHES;
        }

        List<Integer> of(BitSet open) {
            greedy(open);
            search(open, new ArrayList<>(), 0);
            return best;
        }

        /** A reading more is worse than any effort saved, but a live one is worse than three dead ones. */
        private int cost(int slot) {
            return 15 + effort(slots.get(slot));
        }

        private void greedy(BitSet open) {
            List<Integer> chosen = new ArrayList<>();
            BitSet left = (BitSet) open.clone();
            int cost = 0;
            while (!left.isEmpty()) {
                int pick = -1;
                double most = -1;
                for (int s = 0; s < tells.size(); s++) {
                    BitSet gain = (BitSet) tells.get(s).clone();
                    gain.and(left);
                    double worth = (double) gain.cardinality() / cost(s);
                    if (worth > most) {
                        most = worth;
                        pick = s;
                    }
                }
                chosen.add(pick);
                cost += cost(pick);
                left.andNot(tells.get(pick));
            }
            best = chosen;
            bestCost = cost;
        }

        /** Branches over the boxes that tell the hypothesis which fewest of them tell. */
        private void search(BitSet left, List<Integer> chosen, int cost) {
            if (left.isEmpty()) {
                if (cost < bestCost) {
                    bestCost = cost;
                    best = List.copyOf(chosen);
                }
                return;
            }
            if (++branches > MOST_BRANCHES || cost + 15 + 2 >= bestCost) {
                return;
            }
            int rarest = -1;
            int fewest = Integer.MAX_VALUE;
            for (int h = left.nextSetBit(0); h >= 0; h = left.nextSetBit(h + 1)) {
                int count = 0;
                for (BitSet told : tells) {
                    if (told.get(h)) {
                        count++;
                    }
                }
                if (count < fewest) {
                    fewest = count;
                    rarest = h;
                }
            }
            List<Integer> candidates = new ArrayList<>();
            for (int s = 0; s < tells.size(); s++) {
                if (tells.get(s).get(rarest)) {
                    candidates.add(s);
                }
            }
            candidates.sort(Comparator.comparingInt((Integer s) -> {
                        BitSet gain = (BitSet) tells.get(s).clone();
                        gain.and(left);
                        return -gain.cardinality();
                    })
                    .thenComparingInt(this::cost));
            for (int s : candidates) {
                BitSet after = (BitSet) left.clone();
                after.andNot(tells.get(s));
                chosen.add(s);
                search(after, chosen, cost + cost(s));
                chosen.removeLast();
            }
        }
    }

    /** Whether a box is among the readings. */
    public boolean has(SlotId slot) {
        return readings.stream().anyMatch(e -> e.slot().id().equals(slot));
    }
}
