package prantel.core.inference;

import java.util.Arrays;
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
     * @param terms how far each shared term of one standard deviation moves it
     */
    record Row(double residual, double sigma, double[] terms) {}

    /** @param logDensity of all rows @param fitted most likely value of each shared term, in standard deviations */
    record Fit(double logDensity, double[] fitted) {}

    static Fit of(List<Row> rows, int terms) {
        boolean[] all = new boolean[rows.size()];
        Arrays.fill(all, true);
        return of(rows, all, terms);
    }

    /** @param in which of the rows */
    static Fit of(List<Row> rows, boolean[] in, int terms) {
        double[][] m = new double[terms][terms];
        double[] b = new double[terms];
        double quad = 0;
        double logDet = 0;
        for (int k = 0; k < terms; k++) {
            m[k][k] = 1;
        }
        int count = 0;
        for (int i = 0; i < in.length; i++) {
            if (!in[i]) {
                continue;
            }
            count++;
            Row row = rows.get(i);
            double weight = 1 / (row.sigma() * row.sigma());
            quad += row.residual() * row.residual() * weight;
            logDet += 2 * Math.log(row.sigma());
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
        double[] u = b.clone();
        logDet += solve(m, u);
        for (int k = 0; k < terms; k++) {
            quad -= b[k] * u[k];
        }
        return new Fit(-0.5 * (quad + logDet + count * LOG_TWO_PI), u);
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
