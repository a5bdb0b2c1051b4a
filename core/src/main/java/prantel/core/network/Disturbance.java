package prantel.core.network;

import java.util.ArrayList;
import java.util.List;

/**
 * How far edits would move what is seen at the ports of a network, told without making them. Good for telling that a
 * reading stays as it is; one that moves is to be read in the edited network, because the formula subtracts.
 *
 * <p>With the branches' changes of conductance D and the transfer impedances M between their ends, an impedance with the
 * transfers t to them changes by −t·(D⁻¹ + M)⁻¹·t (Woodbury's formula).
 */
public final class Disturbance {
    /** What is left of a pivot after subtraction; below, too few digits are left to tell. */
    private static final double LEAST_PIVOT = 1e-9;

    private final List<Port> places = new ArrayList<>();
    private final List<Complex> changes = new ArrayList<>();
    private final Complex[][] inverse;
    private final boolean tellable;

    /**
     * @param was and now: branches before and after, then those added
     * @param atSource whether sources themselves are changed, of which nothing is told here
     */
    Disturbance(Alternating before, List<Branch> was, List<Branch> now, boolean atSource) {
        for (int i = 0; i < now.size(); i++) {
            Branch after = now.get(i);
            if (i >= was.size()) {
                add(before, after, siemens(after));
                continue;
            }
            Branch earlier = was.get(i);
            if (earlier.from().equals(after.from()) && earlier.to().equals(after.to())) {
                add(before, after, siemens(after) - siemens(earlier));
            } else {
                add(before, earlier, -siemens(earlier));
                add(before, after, siemens(after));
            }
        }
        int size = places.size();
        inverse = new Complex[size][2 * size];
        boolean connected = places.stream().noneMatch(Port::isOpen);
        tellable = !atSource && connected && invert();
    }

    private static double siemens(Branch branch) {
        return branch.isOpen() ? 0 : 1 / branch.ohms();
    }

    private void add(Alternating before, Branch branch, double siemens) {
        if (siemens != 0) {
            places.add(before.port(branch.from(), branch.to()));
            changes.add(new Complex(1 / siemens, 0));
        }
    }

    /** Gauss–Jordan; the inverse stands in the right half. */
    private boolean invert() {
        int size = places.size();
        double[] scale = new double[size];
        for (int i = 0; i < size; i++) {
            for (int j = 0; j < size; j++) {
                Complex transfer = places.get(i).transfer(places.get(j));
                inverse[i][j] = i == j ? transfer.plus(changes.get(i)) : transfer;
                inverse[i][size + j] = new Complex(i == j ? 1 : 0, 0);
            }
            scale[i] = changes.get(i).size();
        }
        for (int k = 0; k < size; k++) {
            Complex pivot = inverse[k][k];
            if (!(pivot.size() > LEAST_PIVOT * scale[k])) {
                return false;
            }
            for (int c = 0; c < 2 * size; c++) {
                inverse[k][c] = inverse[k][c].dividedBy(pivot);
            }
            for (int r = 0; r < size; r++) {
                Complex factor = inverse[r][k];
                if (r != k && !factor.isZero()) {
                    for (int c = 0; c < 2 * size; c++) {
                        inverse[r][c] = inverse[r][c].minus(factor.times(inverse[k][c]));
                    }
                }
            }
        }
        return true;
    }

    /** Whether anything can be told; if not, everything may move. */
    public boolean isTellable() {
        return tellable;
    }

    /** How a port of the network before is touched by the changes. */
    public Touch touch(Port port) {
        return new Touch(port);
    }

    /** What is seen at one port of the branches that change, and they of it. Worked out once for all that is asked of it. */
    public final class Touch {
        private final Complex[] transfers;
        /** Those by the inverse. */
        private final Complex[] response;

        private Touch(Port port) {
            int size = places.size();
            transfers = new Complex[size];
            for (int i = 0; i < size; i++) {
                transfers[i] = places.get(i).transfer(port);
            }
            response = new Complex[size];
            for (int i = 0; i < size; i++) {
                Complex sum = Complex.ZERO;
                for (int j = 0; j < size; j++) {
                    sum = sum.plus(inverse[i][size + j].times(transfers[j]));
                }
                response[i] = sum;
            }
        }

        /** By how much the open voltage moves, V. */
        public double volts() {
            Complex sum = Complex.ZERO;
            for (int i = 0; i < response.length; i++) {
                sum = sum.plus(response[i].times(places.get(i).openVolts()));
            }
            return sum.size();
        }

        /** By how much the impedance moves, Ω. */
        public double ohms() {
            return ohms(this);
        }

        /** By how much the transfer impedance to another port moves, Ω. @param other of the same disturbance */
        public double ohms(Touch other) {
            Complex sum = Complex.ZERO;
            for (int i = 0; i < response.length; i++) {
                sum = sum.plus(response[i].times(other.transfers[i]));
            }
            return sum.size();
        }
    }
}
