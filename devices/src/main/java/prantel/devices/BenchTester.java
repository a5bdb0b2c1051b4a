package prantel.devices;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * The text protocol of a bench tester: lines of UTF-8 over TCP, common commands as IEEE 488.2 has them, the others in the
 * style of SCPI. docs/formats/bench-tester.md describes it for whoever builds one.
 */
public final class BenchTester {
    /** SCPI-99, 7.2.1.5: what stands for a number above every range. */
    static final double OVER_RANGE = 9.9e37;
    /** The same: what stands for no number. */
    static final double NO_NUMBER = 9.91e37;

    static final int LONGEST_LINE = 400;
    private static final Pattern READING = Pattern.compile(
            "([-+0-9.eE]{1,24}),([A-Z]{1,8}),([A-Z0-9:]{1,16}),([01]),\"([^\"]{0,120})\"(?:,\"([^\"]{0,40})\")?");
    private static final Pattern IDENTITY = Pattern.compile("[^,]{1,60},[^,]{1,60},[^,]{1,60},[^,]{1,60}");

    private BenchTester() {}

    /** What a tester can be set to. */
    public static final List<String> FUNCTIONS = List.of(
            "CONT",
            "CONT:WAND",
            "INS250",
            "INS500",
            "INS1000",
            "EARTH",
            "VOLT",
            "LOOP2",
            "LOOP3",
            "CURR",
            "RCD",
            "RCD:RAMP",
            "RCD:BUTT",
            "PHAS",
            "CLAMP",
            "OPER");

    /**
     * One reading as it was answered.
     *
     * @param number in the unit; empty for over-range and where there is none
     * @param overRange whether it is above every range
     * @param function what the tester was set to
     * @param nulled whether its leads were nulled
     * @param shown as on its display
     * @param range where its knob was, "9.99 Ω", or "auto"; empty where it does not say
     */
    public record Reading(
            Optional<Double> number,
            boolean overRange,
            String unit,
            String function,
            boolean nulled,
            String shown,
            String range) {
        String line() {
            double value = number.orElse(overRange ? OVER_RANGE : NO_NUMBER);
            return String.format(
                    Locale.ROOT,
                    "%s,%s,%s,%d,\"%s\"%s",
                    plain(value),
                    unit,
                    function,
                    nulled ? 1 : 0,
                    quoted(shown),
                    range.isEmpty() ? "" : ",\"" + quoted(range) + "\"");
        }

        private static String plain(double value) {
            return value >= OVER_RANGE
                    ? String.format(Locale.ROOT, "%.2E", value)
                    : java.math.BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
        }

        private static String quoted(String text) {
            return text.replace("\"", "'").replaceAll("\\p{Cntrl}", " ");
        }

        /** @throws BenchTesterException if it is none */
        static Reading parse(String line) {
            Matcher m = READING.matcher(line);
            if (!m.matches()) {
                throw new BenchTesterException(
                        BenchTesterException.Kind.GARBAGE, "the tester answered what is no reading: nothing was taken");
            }
            double value;
            try {
                value = Double.parseDouble(m.group(1));
            } catch (NumberFormatException e) {
                throw new BenchTesterException(
                        BenchTesterException.Kind.GARBAGE, "the tester answered what is no number: nothing was taken");
            }
            boolean over = value == OVER_RANGE;
            return new Reading(
                    over || value == NO_NUMBER ? Optional.empty() : Optional.of(value),
                    over,
                    m.group(2),
                    m.group(3),
                    m.group(4).equals("1"),
                    m.group(5),
                    m.group(6) == null ? "" : m.group(6));
        }
    }

    /** @throws BenchTesterException if it is no identity of four parts */
    static String identity(String line) {
        if (!IDENTITY.matcher(line).matches()) {
            throw new BenchTesterException(
                    BenchTesterException.Kind.GARBAGE, "what answers there is no bench tester: look at its address");
        }
        return line;
    }
}
