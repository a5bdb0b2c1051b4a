package prantel.core.inference;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.data.Offset.offset;

import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.inference.SharedTerms.Row;

/** The closed form against the plain multivariate normal density: covariance written out, Cholesky (textbook). */
class SharedTermsTest {
    private static double dense(List<Row> rows, int terms) {
        int n = rows.size();
        double[][] c = new double[n][n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j < n; j++) {
                for (int k = 0; k < terms; k++) {
                    c[i][j] += rows.get(i).terms()[k] * rows.get(j).terms()[k];
                }
            }
            c[i][i] += rows.get(i).sigma() * rows.get(i).sigma();
        }
        double log = -0.5 * n * Math.log(2 * Math.PI);
        double[] z = new double[n];
        for (int i = 0; i < n; i++) {
            for (int j = 0; j <= i; j++) {
                double sum = c[i][j];
                for (int k = 0; k < j; k++) {
                    sum -= c[i][k] * c[j][k];
                }
                c[i][j] = i == j ? Math.sqrt(sum) : sum / c[j][j];
            }
            double r = rows.get(i).residual();
            for (int k = 0; k < i; k++) {
                r -= c[i][k] * z[k];
            }
            z[i] = r / c[i][i];
            log -= Math.log(c[i][i]) + 0.5 * z[i] * z[i];
        }
        return log;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4})
    void isTheDensityOfTheWrittenOutCovariance(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 1; n < 30; n++) {
            List<Row> rows = new ArrayList<>();
            for (int i = 0; i < n; i++) {
                rows.add(new Row(random.nextDouble(-0.3, 0.3), random.nextDouble(0.005, 0.05), new double[] {
                    random.nextDouble(0, 0.1), random.nextDouble(0, 0.03), 0
                }));
            }
            double expected = dense(rows, 3);
            assertThat(SharedTerms.of(rows, 3).logDensity())
                    .isCloseTo(expected, offset(1e-8 * Math.max(1, Math.abs(expected))));
        }
    }

    @Test
    void whatAllHaveInCommonIsTakenForShared() {
        List<Row> rows = new ArrayList<>();
        for (int i = 0; i < 20; i++) {
            rows.add(new Row(0.02, 0.01, new double[] {0.015}));
        }
        assertThat(SharedTerms.of(rows, 1).fitted()[0] * 0.015).isCloseTo(0.02, offset(0.001));
    }
}
