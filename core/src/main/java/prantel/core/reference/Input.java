package prantel.core.reference;

import java.util.List;

/**
 * One thing to put into a calculator.
 *
 * @param unit shown beside it; empty for a choice or a list without one
 * @param usual what it starts with
 * @param choices what it may be; empty for a number or a list of numbers
 */
public record Input(String id, String label, String unit, String usual, List<String> choices) {
    public Input {
        choices = List.copyOf(choices);
    }

    static Input number(String id, String label, String unit, String usual) {
        return new Input(id, label, unit, usual, List.of());
    }

    static Input choice(String id, String label, String unit, List<String> choices, String usual) {
        return new Input(id, label, unit, usual, choices);
    }
}
