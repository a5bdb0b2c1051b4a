package prantel.core.quantity;

import java.util.List;
import java.util.stream.Collectors;

/** Everything that is wrong with one input, all at once. Never empty. */
public final class ProblemsException extends IllegalArgumentException {
    private static final long serialVersionUID = 1L;

    private final transient List<Problem> problems;

    public ProblemsException(List<Problem> problems) {
        super(problems.stream().map(Problem::toString).collect(Collectors.joining("\n")));
        this.problems = List.copyOf(problems);
    }

    public ProblemsException(Problem problem) {
        this(List.of(problem));
    }

    public List<Problem> problems() {
        return problems;
    }

    /** Throws if there is anything to say, and does nothing otherwise. */
    public static void throwIfAny(List<Problem> problems) {
        if (!problems.isEmpty()) {
            throw new ProblemsException(problems);
        }
    }
}
