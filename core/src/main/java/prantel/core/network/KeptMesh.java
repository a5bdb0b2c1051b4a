package prantel.core.network;

/**
 * The few nodes of a network that are not eliminated, with the sources' impedances between them: a small complex network,
 * itself eliminated by star–mesh, so that nothing is subtracted here either.
 */
final class KeptMesh {
    private final int size;
    /** Admittance between i and j, i below j, when i is eliminated, at i · size + j, S. */
    private final double[] re;

    private final double[] im;
    private final double[] sumRe;
    private final double[] sumIm;

    /** @param siemens between i and j, i below j, at i · size + j; taken over */
    KeptMesh(int size, double[] siemens) {
        this.size = size;
        this.re = siemens;
        this.im = new double[size * size];
        this.sumRe = new double[size];
        this.sumIm = new double[size];
    }

    void add(int a, int b, Complex admittance) {
        int at = Math.min(a, b) * size + Math.max(a, b);
        re[at] += admittance.re();
        im[at] += admittance.im();
    }

    /** To be called once, when all is added. */
    void eliminate() {
        for (int k = 0; k < size; k++) {
            int row = k * size;
            for (int j = k + 1; j < size; j++) {
                sumRe[k] += re[row + j];
                sumIm[k] += im[row + j];
            }
            if (isRoot(k)) {
                continue;
            }
            double square = sumRe[k] * sumRe[k] + sumIm[k] * sumIm[k];
            for (int i = k + 1; i < size; i++) {
                double shareRe = (re[row + i] * sumRe[k] + im[row + i] * sumIm[k]) / square;
                double shareIm = (im[row + i] * sumRe[k] - re[row + i] * sumIm[k]) / square;
                for (int j = i + 1; j < size; j++) {
                    re[i * size + j] += shareRe * re[row + j] - shareIm * im[row + j];
                    im[i * size + j] += shareRe * im[row + j] + shareIm * re[row + j];
                }
            }
        }
    }

    private boolean isRoot(int k) {
        return sumRe[k] == 0 && sumIm[k] == 0;
    }

    /** What becomes of currents put in at the nodes: at each what arrives, A, and the same over its admittances, V. */
    final class Currents {
        private final double[] ampsRe;
        private final double[] ampsIm = new double[size];
        private final double[] voltsRe = new double[size];
        private final double[] voltsIm = new double[size];
        private double lost;

        /** @param amps put in at each node; taken over */
        Currents(double[] amps) {
            ampsRe = amps;
            passOn();
        }

        Currents(Complex[] amps) {
            ampsRe = new double[size];
            for (int k = 0; k < size; k++) {
                ampsRe[k] = amps[k].re();
                ampsIm[k] = amps[k].im();
            }
            passOn();
        }

        private void passOn() {
            for (int k = 0; k < size; k++) {
                if (isRoot(k)) {
                    lost = Math.max(lost, Math.hypot(ampsRe[k], ampsIm[k]));
                    ampsRe[k] = 0;
                    ampsIm[k] = 0;
                    continue;
                }
                double square = sumRe[k] * sumRe[k] + sumIm[k] * sumIm[k];
                voltsRe[k] = (ampsRe[k] * sumRe[k] + ampsIm[k] * sumIm[k]) / square;
                voltsIm[k] = (ampsIm[k] * sumRe[k] - ampsRe[k] * sumIm[k]) / square;
                for (int j = k + 1; j < size; j++) {
                    int at = k * size + j;
                    ampsRe[j] += voltsRe[k] * re[at] - voltsIm[k] * im[at];
                    ampsIm[j] += voltsRe[k] * im[at] + voltsIm[k] * re[at];
                }
            }
        }

        /** Voltage of each node, V; 0 at those that nothing is above of. */
        Complex[] potentials() {
            Complex[] volts = new Complex[size];
            for (int k = size - 1; k >= 0; k--) {
                Complex sum = new Complex(voltsRe[k], voltsIm[k]);
                if (!isRoot(k)) {
                    Complex all = new Complex(sumRe[k], sumIm[k]);
                    for (int j = k + 1; j < size; j++) {
                        int at = k * size + j;
                        sum = sum.plus(
                                new Complex(re[at], im[at]).times(volts[j]).dividedBy(all));
                    }
                }
                volts[k] = sum;
            }
            return volts;
        }

        /** What arrived at a node that nothing connects with any other, A: 0 but for rounding if the currents can flow. */
        double lost() {
            return lost;
        }

        /** Sum over the nodes of what arrives here times the volts of the other. */
        Complex times(Currents other) {
            double sumOfRe = 0;
            double sumOfIm = 0;
            for (int k = 0; k < size; k++) {
                sumOfRe += ampsRe[k] * other.voltsRe[k] - ampsIm[k] * other.voltsIm[k];
                sumOfIm += ampsRe[k] * other.voltsIm[k] + ampsIm[k] * other.voltsRe[k];
            }
            return new Complex(sumOfRe, sumOfIm);
        }
    }
}
