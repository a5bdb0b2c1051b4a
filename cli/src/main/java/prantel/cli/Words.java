package prantel.cli;

import java.util.stream.Collectors;
import java.util.stream.Stream;
import prantel.core.expectation.Window;
import prantel.core.instrument.Stop;
import prantel.core.quantity.Unit;

/** Bands for a terminal. */
final class Words {
    private Words() {}

    static String window(Window window, Unit unit) {
        return switch (window) {
            case Window.Between between -> unit.number(between.low()) + " – " + unit.text(between.high());
            case Window.From from -> "from " + unit.text(from.low());
            case Window.OverRange over -> "over-range";
            case Window.Words words -> "";
            case Window.Stopped stopped ->
                joined(stopped.why().stream().sorted().map(Stop::words));
            case Window.AnyOf any ->
                joined(any.parts().stream().map(p -> window(p, unit)).filter(w -> !w.isEmpty()));
        };
    }

    /** "1 box", "2 boxes". */
    static String count(int count, String of) {
        return count + " " + of + (count == 1 ? "" : of.endsWith("x") ? "es" : "s");
    }

    private static String joined(Stream<String> words) {
        return words.collect(Collectors.joining(" or "));
    }

    static String verdict(prantel.core.marking.Outcome.Verdict verdict) {
        return verdict.words().toLowerCase(java.util.Locale.ROOT);
    }
}
