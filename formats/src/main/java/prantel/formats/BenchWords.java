package prantel.formats;

import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Range;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Tester.Function;
import prantel.core.quantity.Unit;

/** What functions and units are called on the line of a bench tester: docs/formats/bench-tester.md. */
public final class BenchWords {
    private static final Map<Function, String> FUNCTIONS = Map.ofEntries(
            Map.entry(Function.CONTINUITY, "CONT"),
            Map.entry(Function.CONTINUITY_WANDER_LEAD, "CONT:WAND"),
            Map.entry(Function.INSULATION_250, "INS250"),
            Map.entry(Function.INSULATION_500, "INS500"),
            Map.entry(Function.INSULATION_1000, "INS1000"),
            Map.entry(Function.EARTH_RESISTANCE, "EARTH"),
            Map.entry(Function.VOLTAGE, "VOLT"),
            Map.entry(Function.LOOP_TWO_LEAD, "LOOP2"),
            Map.entry(Function.LOOP_THREE_LEAD, "LOOP3"),
            Map.entry(Function.FAULT_CURRENT, "CURR"),
            Map.entry(Function.RCD_TIME, "RCD"),
            Map.entry(Function.RCD_RAMP, "RCD:RAMP"),
            Map.entry(Function.RCD_BUTTON, "RCD:BUTT"),
            Map.entry(Function.PHASE_ROTATION, "PHAS"),
            Map.entry(Function.CLAMP, "CLAMP"),
            Map.entry(Function.OPERATION, "OPER"));

    private static final Map<Unit, String> UNITS = Map.of(
            Unit.OHM, "OHM",
            Unit.MILLIOHM, "MLOHM",
            Unit.KILOHM, "KOHM",
            Unit.MEGOHM, "MOHM",
            Unit.GIGAOHM, "GOHM",
            Unit.VOLT, "V",
            Unit.MILLIAMP, "MA",
            Unit.AMP, "A",
            Unit.KILOAMP, "KA",
            Unit.MILLISECOND, "MS");

    private BenchWords() {}

    public static String of(Function function) {
        return Objects.requireNonNull(FUNCTIONS.get(function));
    }

    /**
     * The range of a tester that its knob is on.
     *
     * @param wanted a value in base units that it must hold; empty where it finds its range by itself
     * @throws IllegalStateException with what the tester says, where no range holds it
     */
    public static Optional<Range> range(Function function, Tester tester, OptionalDouble wanted) {
        Optional<Meter> meter = tester.meter(function);
        if (wanted.isEmpty() || meter.isEmpty()) {
            return Optional.empty();
        }
        Optional<Range> range = meter.get().holding(wanted.getAsDouble());
        if (range.isEmpty()) {
            throw new IllegalStateException("No range reaches so far");
        }
        return range;
    }

    /** "NONE" for what is no unit of a display. */
    public static String of(Unit unit) {
        return UNITS.getOrDefault(unit, "NONE");
    }
}
