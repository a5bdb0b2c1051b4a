package prantel.core.inference;

import prantel.core.expectation.Window;
import prantel.core.instrument.Reading;

/** What a world says stands in a box. */
sealed interface Predicted {
    /** A number near this one, base unit: what is shared by its neighbours and its own noise come on top. */
    record Near(double base) implements Predicted {}

    /** This number to the last digit, base unit: copied, chosen or worked out from other boxes. */
    record Exactly(double base) implements Predicted {}

    /** A number near this one, and then the point or the prefix elsewhere. @param factor a power of ten */
    record Slipped(double base, double factor) implements Predicted {}

    /** A number that is a whole multiple of this step, base unit, and of the size of the right one. */
    record Round(double step, double right) implements Predicted {}

    /** Above the top of one range, base unit, and said so: the knob was on that one. */
    record AboveTop(double top) implements Predicted {}

    /** Over-range. */
    record Over() implements Predicted {}

    /** What a window holds: words, stops, and numbers too wide to be told apart. */
    record InWindow(Window window) implements Predicted {}

    /** Of a reading with its window: a number where it is one that can be told from others. */
    static Predicted of(Reading reading, Window window) {
        if (window.isOverRangeOnly()) {
            return OVER;
        }
        return window instanceof Window.Between && reading instanceof Reading.Value value
                ? new Near(value.base())
                : new InWindow(window);
    }

    Predicted OVER = new Over();
}
