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

    /** Every terminal reachable: a chain through all of them and as many branches again; 1 mΩ to 1 MΩ. */
    static Network connected(RandomGenerator random, int terminals) {
        List<Branch> list = new ArrayList<>();
        for (int i = 1; i < terminals; i++) {
            list.add(new Branch(new BranchId("chain" + i), t(i - 1), t(i), Math.pow(10, random.nextDouble(-3, 3))));
        }
        for (int i = 0; i < terminals; i++) {
            int a = random.nextInt(terminals);
            int b = random.nextInt(terminals);
            if (a != b) {
                list.add(new Branch(new BranchId("more" + i), t(a), t(b), Math.pow(10, random.nextDouble(-3, 6))));
            }
        }
        return Network.of(list);
    }

    static Terminal t(int number) {
        return new Terminal("t" + number);
    }
}
