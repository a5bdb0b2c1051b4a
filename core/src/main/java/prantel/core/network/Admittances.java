package prantel.core.network;

import org.jspecify.annotations.Nullable;

/** A small complex network as a full symmetric matrix of admittances between its nodes, S; solved in place. */
final class Admittances {
    private final int size;
    private final double[][] re;
    private final double[][] im;

    /** @param mesh conductances, lower triangle by rows */
    Admittances(int size, double[] mesh) {
        this.size = size;
        re = new double[size][size];
        im = new double[size][size];
        for (int i = 1, at = 0; i < size; i++) {
            for (int j = 0; j < i; j++, at++) {
                re[i][j] = mesh[at];
                re[j][i] = mesh[at];
            }
        }
    }

    void add(int i, int j, Complex y) {
        re[i][j] += y.re();
        im[i][j] += y.im();
        re[j][i] = re[i][j];
        im[j][i] = im[i][j];
    }

    /** Eliminates every node from the last one down to the third by star–mesh; what is left between the first two. */
    Complex betweenFirstTwo() {
        for (int k = size - 1; k > 1; k--) {
            double sumRe = 0;
            double sumIm = 0;
            for (int i = 0; i < k; i++) {
                sumRe += re[k][i];
                sumIm += im[k][i];
            }
            double square = sumRe * sumRe + sumIm * sumIm;
            if (square > 0) {
                starToMesh(k, sumRe / square, -sumIm / square);
            }
        }
        return new Complex(re[1][0], im[1][0]);
    }

    /** @param invRe one over the sum of the admittances at node k @param invIm its imaginary part */
    private void starToMesh(int k, double invRe, double invIm) {
        double[] rowRe = re[k];
        double[] rowIm = im[k];
        for (int i = 1; i < k; i++) {
            double gRe = rowRe[i] * invRe - rowIm[i] * invIm;
            double gIm = rowRe[i] * invIm + rowIm[i] * invRe;
            for (int j = 0; j < i; j++) {
                re[i][j] += gRe * rowRe[j] - gIm * rowIm[j];
                im[i][j] += gRe * rowIm[j] + gIm * rowRe[j];
                re[j][i] = re[i][j];
                im[j][i] = im[i][j];
            }
        }
    }

    /**
     * Node voltages to the reference.
     *
     * @param currents into each node, A
     * @return null for nodes that are not connected to the reference
     */
    @Nullable
    Complex[] voltages(Complex[] currents, int reference) {
        int[] unknown = connectedWith(reference);
        int m = unknown.length;
        double[][] aRe = new double[m][m + 1];
        double[][] aIm = new double[m][m + 1];
        for (int r = 0; r < m; r++) {
            int row = unknown[r];
            for (int c = 0; c < m; c++) {
                aRe[r][c] = -re[row][unknown[c]];
                aIm[r][c] = -im[row][unknown[c]];
            }
            aRe[r][r] = 0;
            aIm[r][r] = 0;
            for (int c = 0; c < size; c++) {
                if (c != row) {
                    aRe[r][r] += re[row][c];
                    aIm[r][r] += im[row][c];
                }
            }
            aRe[r][m] = currents[row].re();
            aIm[r][m] = currents[row].im();
        }
        eliminate(aRe, aIm);
        @Nullable Complex[] voltages = new Complex[size];
        voltages[reference] = Complex.ZERO;
        for (int r = 0; r < m; r++) {
            voltages[unknown[r]] = new Complex(aRe[r][m], aIm[r][m]);
        }
        return voltages;
    }

    /** Without the reference itself. */
    private int[] connectedWith(int reference) {
        boolean[] reached = new boolean[size];
        int[] todo = new int[size];
        int count = 0;
        reached[reference] = true;
        todo[count++] = reference;
        for (int at = 0; at < count; at++) {
            int i = todo[at];
            for (int j = 0; j < size; j++) {
                if (!reached[j] && j != i && (re[i][j] != 0 || im[i][j] != 0)) {
                    reached[j] = true;
                    todo[count++] = j;
                }
            }
        }
        return java.util.Arrays.copyOfRange(todo, 1, count);
    }

    /** Gauss–Jordan with the largest pivot; the solution stands in the last column. Never singular here. */
    private static void eliminate(double[][] aRe, double[][] aIm) {
        int m = aRe.length;
        for (int k = 0; k < m; k++) {
            bringUpPivot(aRe, aIm, k);
            double square = aRe[k][k] * aRe[k][k] + aIm[k][k] * aIm[k][k];
            double invRe = aRe[k][k] / square;
            double invIm = -aIm[k][k] / square;
            for (int c = k; c <= m; c++) {
                double x = aRe[k][c];
                aRe[k][c] = x * invRe - aIm[k][c] * invIm;
                aIm[k][c] = x * invIm + aIm[k][c] * invRe;
            }
            for (int r = 0; r < m; r++) {
                if (r != k && (aRe[r][k] != 0 || aIm[r][k] != 0)) {
                    subtract(aRe[r], aIm[r], aRe[k], aIm[k], k);
                }
            }
        }
    }

    private static void bringUpPivot(double[][] aRe, double[][] aIm, int k) {
        int pivot = k;
        for (int r = k + 1; r < aRe.length; r++) {
            if (Math.abs(aRe[r][k]) + Math.abs(aIm[r][k]) > Math.abs(aRe[pivot][k]) + Math.abs(aIm[pivot][k])) {
                pivot = r;
            }
        }
        double[] rowRe = aRe[pivot];
        aRe[pivot] = aRe[k];
        aRe[k] = rowRe;
        double[] rowIm = aIm[pivot];
        aIm[pivot] = aIm[k];
        aIm[k] = rowIm;
    }

    /** Takes the pivot row, times the element under the pivot, off another row. */
    private static void subtract(double[] rowRe, double[] rowIm, double[] pivotRe, double[] pivotIm, int k) {
        double fRe = rowRe[k];
        double fIm = rowIm[k];
        for (int c = k; c < rowRe.length; c++) {
            rowRe[c] -= fRe * pivotRe[c] - fIm * pivotIm[c];
            rowIm[c] -= fRe * pivotIm[c] + fIm * pivotRe[c];
        }
    }
}
