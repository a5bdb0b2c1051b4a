package prantel.core.inference;

import java.util.List;
import java.util.Set;
import prantel.core.sequence.SlotId;

/** Which readings of a group share an error, and which are likelier left to chance. */
final class LeftToChance {
    /** Beyond this many of its spread a reading is taken for another thing to begin with. */
    private static final double FAR = 4.5;

    private static final double STRAINED = 3;

    private LeftToChance() {}

    /**
     * Rows of a group together; one that is likelier left to chance is taken out. Found twice, from all of them in and from
     * those alone that are near without any shared error, since many that are off alike hide behind what they share.
     *
     * @param ids of the rows, in their order
     * @param unknownLogs what each comes to when it is left to chance, natural logarithm of a density
     * @param unknown those that are left to chance are added here
     * @param strained those whose shared error hardly ever is so large are added here
     * @return natural logarithm of the density of all of them
     */
    static double shared(
            List<SlotId> ids,
            List<SharedTerms.Row> rows,
            List<Double> unknownLogs,
            Set<SlotId> unknown,
            Set<SlotId> strained) {
        if (rows.isEmpty()) {
            return 0;
        }
        boolean[] near = new boolean[rows.size()];
        boolean[] all = new boolean[rows.size()];
        for (int i = 0; i < near.length; i++) {
            all[i] = true;
            near[i] = Math.abs(rows.get(i).residual()) < FAR * spread(rows.get(i));
        }
        Kept ofAll = refined(rows, unknownLogs, all);
        Kept ofNear = refined(rows, unknownLogs, near);
        Kept best = ofAll.log() >= ofNear.log() ? ofAll : ofNear;
        boolean[] in = best.in();
        for (int i = 0; i < in.length; i++) {
            if (!in[i]) {
                unknown.add(ids.get(i));
            }
        }
        for (double standard : best.fitted()) {
            if (Math.abs(standard) > STRAINED) {
                for (int i = 0; i < in.length; i++) {
                    if (in[i]) {
                        strained.add(ids.get(i));
                    }
                }
            }
        }
        return best.log();
    }

    /** Whether a reading may belong to what its world says at all, whatever it shares with others. */
    static boolean mayBeNear(SharedTerms.Row row) {
        return Math.abs(row.residual()) < 2 * FAR * spread(row);
    }

    /** With all that is shared. */
    private static double spread(SharedTerms.Row row) {
        double sum = row.sigma() * row.sigma();
        for (double term : row.terms()) {
            sum += term * term;
        }
        return Math.sqrt(sum);
    }

    /** @param in which rows share their error @param fitted what they share, in standard deviations */
    private record Kept(boolean[] in, double log, double[] fitted) {}

    /** Takes rows out and in, one at a time, while that makes it likelier. @param in changed in place */
    private static Kept refined(List<SharedTerms.Row> rows, List<Double> unknownLogs, boolean[] in) {
        SharedTerms.Sums sums = new SharedTerms.Sums(rows.getFirst().terms().length);
        double left = 0;
        for (int i = 0; i < in.length; i++) {
            if (in[i]) {
                sums.add(rows.get(i), 1);
            } else {
                left += unknownLogs.get(i);
            }
        }
        SharedTerms.Fit fit = sums.fit();
        double now = fit.logDensity() + left;
        for (int step = 0; step < 2 * rows.size(); step++) {
            int worst = farthest(rows, in, fit.fitted(), true);
            int best = farthest(rows, in, fit.fitted(), false);
            double without = worst < 0 ? Double.NEGATIVE_INFINITY : left + flipped(rows, unknownLogs, sums, worst, -1);
            double with = best < 0 ? Double.NEGATIVE_INFINITY : left + flipped(rows, unknownLogs, sums, best, 1);
            if (Math.max(without, with) <= now + 1e-9) {
                break;
            }
            int flip = without >= with ? worst : best;
            int times = in[flip] ? -1 : 1;
            sums.add(rows.get(flip), times);
            left -= times * unknownLogs.get(flip);
            in[flip] = !in[flip];
            now = Math.max(without, with);
            fit = sums.fit();
        }
        return new Kept(in, now, fit.fitted());
    }

    /** @param times 1 where it is taken in, −1 where it is taken out. @return what that comes to beside what is left to chance */
    private static double flipped(
            List<SharedTerms.Row> rows, List<Double> unknownLogs, SharedTerms.Sums sums, int which, int times) {
        sums.add(rows.get(which), times);
        double log = sums.fit().logDensity() - times * unknownLogs.get(which);
        sums.add(rows.get(which), -times);
        return log;
    }

    /** Of those that are in the one farthest off; of those that are out the nearest. −1 where there is none. */
    private static int farthest(List<SharedTerms.Row> rows, boolean[] in, double[] fitted, boolean ofThoseIn) {
        int found = -1;
        double extreme = ofThoseIn ? -1 : Double.POSITIVE_INFINITY;
        for (int i = 0; i < in.length; i++) {
            if (in[i] == ofThoseIn) {
                double z = off(rows.get(i), fitted);
                if (ofThoseIn ? z > extreme : z < extreme) {
                    extreme = z;
                    found = i;
                }
            }
        }
        return found;
    }

    private static double off(SharedTerms.Row row, double[] fitted) {
        double off = row.residual();
        for (int k = 0; k < fitted.length; k++) {
            off -= row.terms()[k] * fitted[k];
        }
        return Math.abs(off) / row.sigma();
    }
}
