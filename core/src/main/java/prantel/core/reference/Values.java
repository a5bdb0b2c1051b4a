package prantel.core.reference;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;

/** What was put in, as written; read on demand. A decimal comma is understood. */
public final class Values {
    private final Calculator calculator;
    private final Map<String, @Nullable String> given;

    Values(Calculator calculator, Map<String, @Nullable String> given) {
        this.calculator = calculator;
        this.given = given;
    }

    /** @throws ProblemsException if it is no number from low to high, naming the input by its label */
    double number(String id, double low, double high) {
        Input input = input(id);
        return within(parse(text(id), input), low, high, input);
    }

    /** Numbers with spaces, semicolons or new lines between them. */
    List<Double> numbers(String id, double low, double high) {
        Input input = input(id);
        List<Double> numbers = new ArrayList<>();
        for (String part : text(id).strip().split("[;\\s]+")) {
            numbers.add(within(parse(part, input), low, high, input));
        }
        return numbers;
    }

    String choice(String id) {
        Input input = input(id);
        String text = text(id);
        Check.that(
                input.choices().contains(text),
                "unknown-choice",
                input.label(),
                Check.quoted(text),
                "give one of " + String.join(", ", input.choices()));
        return text;
    }

    private String text(String id) {
        Input input = input(id);
        if (!given.containsKey(id)) {
            return input.usual().strip();
        }
        String text = given.get(id);
        if (text == null) {
            throw new ProblemsException(new Problem("no-value", input.label(), "nothing", "give a value"));
        }
        return text.strip();
    }

    private Input input(String id) {
        return calculator.inputs().stream()
                .filter(i -> i.id().equals(id))
                .findFirst()
                .orElseThrow();
    }

    private static double parse(String text, Input input) {
        try {
            return Double.parseDouble(text.replace(',', '.'));
        } catch (NumberFormatException e) {
            throw new ProblemsException(new Problem(
                    "not-a-number", input.label(), Check.quoted(text), "give a number, such as " + input.usual()));
        }
    }

    private static double within(double value, double low, double high, Input input) {
        return Check.between(value, low, high, input.label(), input.unit());
    }
}
