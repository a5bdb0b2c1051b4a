package prantel.core.inference;

import java.util.ArrayList;
import java.util.List;

/**
 * What a whole rig has otherwise than drawn, and everybody who stands at it reads: cable from one drum on one day, joints by
 * one hand. Each circuit differs from it by itself ({@link Likelihood}). Spreads: common practice, no source.
 *
 * @param cable factor on continuity, with temperature and the tester's gain
 * @param joints factor on what lies in joints
 */
record Build(double cable, double joints) {
    static final Build AS_DRAWN = new Build(1, 1);

    private static final double CABLE_SPREAD = 0.03;
    private static final double[] CABLES = {0.92, 0.96, 1, 1.04, 1.08};
    /** Of its logarithm. */
    private static final double JOINTS_SPREAD = 0.5;

    private static final double[] JOINTS = {0.5, 0.7, 1, 1.5, 2.2, 3.3, 5};

    /** Every build that differs in one of the two. */
    List<Build> others() {
        List<Build> all = new ArrayList<>();
        for (double c : CABLES) {
            all.add(new Build(c, joints));
        }
        for (double j : JOINTS) {
            all.add(new Build(cable, j));
        }
        all.removeIf(this::equals);
        return all;
    }

    /** Natural logarithm, beside a rig as drawn. */
    double logPrior() {
        return -0.5 * (Math.pow((cable - 1) / CABLE_SPREAD, 2) + Math.pow(Math.log(joints) / JOINTS_SPREAD, 2));
    }

    /** @param ohms of the rig as drawn @param inJoints so much of it lies in joints, Ω */
    double of(double ohms, double inJoints) {
        return cable * ohms + (joints - 1) * inJoints;
    }
}
