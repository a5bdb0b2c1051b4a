package prantel.core.network;

/** A complex amount for every branch and source of a network, as two arrays: thousands of them are gone through at once. */
final class Amounts {
    final double[] re;
    final double[] im;

    Amounts(int size) {
        re = new double[size];
        im = new double[size];
    }

    int size() {
        return re.length;
    }

    void set(int i, Complex value) {
        re[i] = value.re();
        im[i] = value.im();
    }

    void setDifference(int i, Amounts a, Amounts b) {
        re[i] = a.re[i] - b.re[i];
        im[i] = a.im[i] - b.im[i];
    }

    /** Adds another times a real number. */
    void add(Amounts other, double times) {
        for (int i = 0; i < re.length; i++) {
            re[i] += other.re[i] * times;
            im[i] += other.im[i] * times;
        }
    }

    /** This less another times a complex number. */
    Amounts less(Amounts other, Complex times) {
        Amounts less = new Amounts(re.length);
        double timesRe = times.re();
        double timesIm = times.im();
        for (int i = 0; i < re.length; i++) {
            less.re[i] = re[i] - (other.re[i] * timesRe - other.im[i] * timesIm);
            less.im[i] = im[i] - (other.re[i] * timesIm + other.im[i] * timesRe);
        }
        return less;
    }

    /** The size of the largest. */
    double most() {
        double most = 0;
        for (int i = 0; i < re.length; i++) {
            most = Math.max(most, Math.hypot(re[i], im[i]));
        }
        return most;
    }
}
