package prantel.core.network;

import java.util.ArrayList;
import java.util.List;
import java.util.random.RandomGenerator;

/** Random networks whose conductances spread over many decades, some of them in several parts. */
final class RandomNetworks {
    private RandomNetworks() {}

    /** @param decades conductances run from 1e4 S down to 1e(4-decades) S */
    static List<Branch> branches(RandomGenerator random, int terminals, int branches, double decades) {
        List<Branch> list = new ArrayList<>();
        for (int i = 0; i < branches; i++) {
            int a = random.nextInt(terminals);
            int b = random.nextInt(terminals);
            if (a != b) {
                double ohms = Math.pow(10, -4 + decades * random.nextDouble());
                list.add(new Branch(new BranchId("b" + i), t(a), t(b), ohms));
            }
        }
        return list;
    }

    static Terminal t(int number) {
        return new Terminal("t" + number);
    }
}
