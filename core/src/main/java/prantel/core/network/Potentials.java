package prantel.core.network;

/**
 * The voltage of every node while the sources, or 1 A between two terminals, drive a network: the elimination walked back
 * down, every node the mean of its higher ones weighted by their conductances.
 */
final class Potentials {
    private final double[] re;
    private final double[] im;

    /**
     * @param kept voltages of the nodes that are not eliminated, V
     * @param flow what drives the eliminated ones; null for nothing
     */
    Potentials(Factor factor, Complex[] kept, @org.jspecify.annotations.Nullable Flow flow) {
        Effort.walkedDown();
        int size = factor.size();
        int keptFrom = size - kept.length;
        int[] order = factor.structure.order.order;
        re = new double[size];
        im = new double[size];
        for (int i = 0; i < kept.length; i++) {
            re[order[keptFrom + i]] = kept[i].re();
            im[order[keptFrom + i]] = kept[i].im();
        }
        int own = flow == null ? -1 : flow.passed() - 1;
        for (int position = keptFrom - 1; position >= 0; position--) {
            int node = order[position];
            Elimination elimination = factor.of(node);
            int[] higher = elimination.higher();
            double[] siemens = elimination.siemens();
            double sumRe = 0;
            double sumIm = 0;
            if (elimination.sum() > 0) {
                for (int i = 0; i < higher.length; i++) {
                    sumRe += siemens[i] * re[higher[i]];
                    sumIm += siemens[i] * im[higher[i]];
                }
                sumRe /= elimination.sum();
                sumIm /= elimination.sum();
            }
            if (own >= 0 && flow != null && flow.positionPassed(own) == position) {
                sumRe += flow.voltsPassed(own--);
            }
            re[node] = sumRe;
            im[node] = sumIm;
        }
    }

    double re(int from, int to) {
        return re[from] - re[to];
    }

    double im(int from, int to) {
        return im[from] - im[to];
    }

    /** From one node to another, V. */
    Complex between(int from, int to) {
        return new Complex(re[from] - re[to], im[from] - im[to]);
    }
}
