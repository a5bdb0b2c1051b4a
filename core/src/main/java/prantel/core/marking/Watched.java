package prantel.core.marking;

import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import prantel.core.scheme.Scheme.OrderRule;

/**
 * What an assessor saw and asked.
 *
 * @param observations by the observation's id; what is not here was not seen, and is neither right nor wrong
 * @param answers positions of the points that were said, by the question's id; a question that is not here was not asked
 * @param order how the order was kept
 * @param stop what it was stopped for; empty if it was not
 */
public record Watched(
        Map<String, Sight> observations, Map<String, Set<Integer>> answers, Order order, Optional<String> stop) {
    public static final Watched NOTHING = new Watched(Map.of(), Map.of(), Order.UNKNOWN, Optional.empty());

    public Watched {
        observations = Map.copyOf(observations);
        answers = Map.copyOf(answers);
    }

    /** @param slip what was wrong; empty where it was done right */
    public record Sight(boolean right, String slip) {}

    /**
     * @param known whether anything tells when it was done
     * @param broken rules that were broken for certain
     */
    public record Order(boolean known, List<Breach> broken) {
        public static final Order UNKNOWN = new Order(false, List.of());

        public Order {
            broken = List.copyOf(broken);
        }
    }

    /**
     * A rule that was broken for certain.
     *
     * @param open how many boxes of what should have come first were empty when the other was begun; 0 where it was not begun
     * @param permitted whether the assessor let it go live with those open, and gave a reason
     */
    public record Breach(OrderRule rule, int open, boolean permitted) {}
}
