package prantel.core.inference;

import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import prantel.core.scheme.Question;

/** Which of a scheme's own questions decides most between what may have been done. */
public final class Asking {
    /** Below this an answer would leave things as they are, bits. */
    private static final double LEAST_BITS = 0.1;

    private Asking() {}

    /**
     * @param bits expected information of its answer: how far it splits the causes told, 0 to 1
     */
    public record Best(Question question, double bits) {}

    /**
     * The question with the largest expected information about a box: its answer says whether it was one of the causes it tells
     * or one of the others. Of two as good the one that comes first in the scheme.
     *
     * @param told causes of the box with their shares
     * @return empty where none of the scheme's own splits them
     */
    public static Optional<Best> best(List<Explanation> told, List<Question> questions) {
        return questions.stream()
                .map(q -> new Best(q, bits(told, q)))
                .filter(b -> b.bits() >= LEAST_BITS)
                .max(Comparator.comparingDouble(Best::bits)
                        .thenComparing(Comparator.comparingInt((Best b) -> questions.indexOf(b.question()))
                                .reversed()));
    }

    /** Entropy of the yes or no that its answer stands for. Source: C. E. Shannon, Bell Syst. Tech. J. 27 (1948), 379. */
    private static double bits(List<Explanation> told, Question question) {
        double all = told.stream().mapToDouble(Explanation::likelihood).sum();
        double yes = told.stream()
                .filter(e -> question.tells().contains(e.cause().fileName()))
                .mapToDouble(Explanation::likelihood)
                .sum();
        double p = all <= 0 ? 0 : yes / all;
        return p <= 0 || p >= 1 ? 0 : -(p * Math.log(p) + (1 - p) * Math.log(1 - p)) / Math.log(2);
    }
}
