package prantel.core.reference;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/** One calculator: what goes in, how it is worked out, where it comes from. */
public abstract class Calculator {
    private final String id;
    private final String title;
    private final List<Input> inputs;

    Calculator(String id, String title, List<Input> inputs) {
        this.id = id;
        this.title = title;
        this.inputs = inputs;
    }

    public final String id() {
        return id;
    }

    public final String title() {
        return title;
    }

    public final List<Input> inputs() {
        return inputs;
    }

    /**
     * @param given by input id; what is left out takes its usual value
     * @throws prantel.core.quantity.ProblemsException naming the input that cannot be used
     */
    public final Answer answer(Map<String, @Nullable String> given) {
        return answer(new Values(this, given));
    }

    abstract Answer answer(Values values);

    /**
     * @param lines the results, the one asked for first
     * @param working formula with the numbers put in, a line each
     * @param source where the formula and its numbers come from
     */
    public record Answer(List<Line> lines, List<String> working, String source) {
        public Answer {
            lines = List.copyOf(lines);
            working = List.copyOf(working);
        }
    }

    /** A result with its unit, ready to be shown. */
    public record Line(String label, String value) {}

    static Line line(String label, double value, int places, String unit) {
        return new Line(label, number(value, places) + "\u2009" + unit);
    }

    static String number(double value, int places) {
        return String.format(Locale.ROOT, "%." + places + "f", value);
    }

    static String text(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }
}
