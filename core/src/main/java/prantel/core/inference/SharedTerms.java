package prantel.core.inference;

import java.util.List;

/**
 * Likelihood of readings that share a scale and offsets: r = t·u + noise with u ~ N(0, 1) for each shared term, in closed
 * form (matrix determinant lemma and Woodbury's identity).
 */
final class SharedTerms {
    private static final double LOG_TWO_PI = Math.log(2 * Math.PI);

    private SharedTerms() {}

    /**
     * One reading.
     *
     * @param residual written less predicted
     * @param sigma its own noise
     * @param logSigma natural logarithm of it
     * @param terms how far each shared term of one standard deviation moves it
     */
    record Row(double residual, double sigma, double logSigma, double[] terms) {
        Row(double residual, double sigma, double[] terms) {
            this(residual, sigma, Math.log(sigma), terms);
        }
    }

    /** @param logDensity of all rows @param fitted most likely value of each shared term, in standard deviations */
    record Fit(double logDensity, double[] fitted) {}

    static Fit of(List<Row> rows, int terms) {
        Sums sums = new Sums(terms);
        rows.forEach(row -> sums.add(row, 1));
        return sums.fit();
    }

    /** What the rows that are in come to: one is taken in or out without the others being looked at again. */
    static final class Sums {
        private final int terms;
        private final double[][] m;
        private final double[] b;
        private double quad;
        private double logDet;
        private int count;

        Sums(int terms) {
            this.terms = terms;
            this.m = new double[terms][terms];
            this.b = new double[terms];
            for (int k = 0; k < terms; k++) {
                m[k][k] = 1;
            }
        }

        /** @param times 1 for in, −1 for out again */
        void add(Row row, int times) {
            count += times;
            double weight = times / (row.sigma() * row.sigma());
            quad += row.residual() * row.residual() * weight;
            logDet += times * 2 * row.logSigma();
            for (int k = 0; k < terms; k++) {
                double weighted = row.terms()[k] * weight;
                if (weighted != 0) {
                    b[k] += weighted * row.residual();
                    for (int l = 0; l < terms; l++) {
                        m[k][l] += weighted * row.terms()[l];
                    }
                }
            }
        }

        Fit fit() {
            double[][] left = new double[terms][];
            for (int k = 0; k < terms; k++) {
                left[k] = m[k].clone();
            }
            double[] u = b.clone();
            double det = logDet + solve(left, u);
            double off = quad;
            for (int k = 0; k < terms; k++) {
                off -= b[k] * u[k];
            }
            return new Fit(-0.5 * (off + det + count * LOG_TWO_PI), u);
        }
    }

    /** Gaussian elimination of a positive definite matrix in place. @return logarithm of its determinant */
    private static double solve(double[][] m, double[] b) {
        int n = b.length;
        double logDet = 0;
        for (int k = 0; k < n; k++) {
            logDet += Math.log(m[k][k]);
            for (int i = k + 1; i < n; i++) {
                double factor = m[i][k] / m[k][k];
                for (int j = k; j < n; j++) {
                    m[i][j] -= factor * m[k][j];
                }
                b[i] -= factor * b[k];
            }
        }
        for (int k = n - 1; k >= 0; k--) {
            for (int j = k + 1; j < n; j++) {
                b[k] -= m[k][j] * b[j];
            }
            b[k] /= m[k][k];
        }
        return logDet;
    }
}
