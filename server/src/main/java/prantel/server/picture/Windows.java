package prantel.server.picture;

import java.util.Locale;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Window;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Saying;
import prantel.core.instrument.Stop;
import prantel.core.quantity.Unit;

/** The window of a check reading in words, in the unit of its box. */
public final class Windows {
    private Windows() {}

    public static String of(Expectation expected) {
        return of(expected.window(), expected);
    }

    private static String of(Window window, Expectation expected) {
        Unit unit = expected.slot().boxUnit();
        return switch (window) {
            case Window.Between between ->
                number(unit.fromBase(between.low())) + " – " + number(unit.fromBase(between.high())) + "\u2009"
                        + unit.symbol();
            case Window.From from ->
                expected.withFaults() instanceof Reading.OverRange over
                                && from.low() >= over.unit().toBase(over.top())
                        ? over.shown()
                        : number(unit.fromBase(from.low())) + "\u2009" + unit.symbol() + " or more";
            case Window.OverRange over ->
                expected.withFaults() instanceof Reading.OverRange
                        ? expected.withFaults().shown()
                        : "over-range";
            case Window.Words words -> joined(words.sayings().stream().sorted().map(Saying::words));
            case Window.Stopped stopped ->
                joined(stopped.why().stream().sorted().map(Stop::words));
            case Window.AnyOf any -> joined(any.parts().stream().map(p -> of(p, expected)));
        };
    }

    private static String joined(java.util.stream.Stream<String> words) {
        return words.collect(java.util.stream.Collectors.joining(" or "));
    }

    /** As many places as a display of that size has. */
    private static String number(double value) {
        return String.format(Locale.ROOT, value < 10 ? "%.2f" : value < 100 ? "%.1f" : "%.0f", value);
    }
}
