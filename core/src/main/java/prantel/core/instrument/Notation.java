package prantel.core.instrument;

import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.Unit;

/**
 * Reads what a person wrote down for a reading: "0.43", "0,43 Ω", ">999", "+999 MΩ", "> 200 MΩ", "open". Never guesses:
 * what it cannot read is {@link Written.Unreadable} with a sentence that helps.
 */
public final class Notation {
    /** The plus of over-range stands before the number or behind it: "+999", "999+", "99,9+ kΩ". */
    private static final Pattern NUMBER =
            Pattern.compile("([>≥+]?)\\s*(\\d{1,9}(?:[.,]\\d{1,6})?|[.,]\\d{1,6})\\s*(\\+?)\\s*([^\\s+]*)(\\+?)");

    /** Before the reason of a box that was left out. */
    public static final String NOT_TESTED = "not tested";

    /** A limitation, or not verified: as condition reports have it. */
    private static final Pattern LEFT_OUT =
            Pattern.compile("^(not tested|lim|n/v|nv)(?![\\p{L}\\p{N}])[\\s:,–-]*", Pattern.CASE_INSENSITIVE);

    private static final int SHORTEST_REASON = 3;

    private static final List<String> OPEN_WORDS =
            List.of("open", "o/c", "over", "or", "o.r.", "ol", "o.l.", "over-range");
    private static final List<String> NO_TRIP =
            List.of("no trip", "no-trip", "notrip", "nt", "n/t", "did not trip", "does not trip", "not tripped");
    private static final List<String> TRIPPED =
            List.of("tripped", "trip", "trips", "rcd tripped", "rcbo tripped", "tripped out", "trips rcd");
    private static final List<String> NO_SUPPLY =
            List.of("no supply", "no voltage", "no volts", "no power", "dead", "supply off");
    private static final List<String> NEUTRAL_LIVE =
            List.of("voltage on neutral", "neutral live", "volts on neutral", "n-e voltage", "n–e voltage");
    private static final List<String> NO_READING = List.of("∞", "inf", "infinity", "clear", "ok", "good");
    private static final Map<String, Unit> UNITS = Map.ofEntries(
            Map.entry("ω", Unit.OHM),
            Map.entry("ohm", Unit.OHM),
            Map.entry("ohms", Unit.OHM),
            Map.entry("r", Unit.OHM),
            Map.entry("kω", Unit.KILOHM),
            Map.entry("kohm", Unit.KILOHM),
            Map.entry("k", Unit.KILOHM),
            Map.entry("mohm", Unit.MEGOHM),
            Map.entry("meg", Unit.MEGOHM),
            Map.entry("megohm", Unit.MEGOHM),
            Map.entry("gω", Unit.GIGAOHM),
            Map.entry("gohm", Unit.GIGAOHM),
            Map.entry("g", Unit.GIGAOHM),
            Map.entry("v", Unit.VOLT),
            Map.entry("volt", Unit.VOLT),
            Map.entry("volts", Unit.VOLT),
            Map.entry("a", Unit.AMP),
            Map.entry("amp", Unit.AMP),
            Map.entry("amps", Unit.AMP),
            Map.entry("ma", Unit.MILLIAMP),
            Map.entry("ka", Unit.KILOAMP),
            Map.entry("ms", Unit.MILLISECOND),
            Map.entry("s", Unit.SECOND));

    private Notation() {}

    /** In a candidate's words, or as a tester shows it: with what opened behind a colon. */
    private static Optional<Stop> stop(String lower) {
        for (Stop stop : Stop.values()) {
            List<String> words = switch (stop) {
                case TRIPPED -> TRIPPED;
                case NO_SUPPLY -> NO_SUPPLY;
                case NEUTRAL_LIVE -> NEUTRAL_LIVE;
            };
            if (words.contains(lower) || lower.equals(stop.words()) || lower.startsWith(stop.words() + ":")) {
                return Optional.of(stop);
            }
        }
        return Optional.empty();
    }

    /**
     * @param text as written
     * @param boxUnit the unit printed on the box: holds where none was written
     */
    public static Written read(String text, Unit boxUnit) {
        // the old ohm sign is another code point than the Greek letter
        String plain =
                text.strip().replace('\u2126', 'Ω').replace('\u2009', ' ').replace('\u00a0', ' ');
        if (plain.isEmpty()) {
            return new Written.Blank();
        }
        String lower = plain.toLowerCase(Locale.ROOT).replaceAll("\\s+", " ");
        Matcher leftOut = LEFT_OUT.matcher(plain);
        if (leftOut.find()) {
            String reason = plain.substring(leftOut.end());
            return reason.length() < SHORTEST_REASON
                    ? unreadable(text, "say why, such as “not tested: no access behind the cupboard”")
                    : new Written.NotTested(text, reason);
        }
        Optional<Stop> stop = stop(lower);
        if (stop.isPresent()) {
            return new Written.Stopped(text, stop.get());
        }
        if (boxUnit == Unit.WORDS) {
            return Saying.read(plain)
                    .<Written>map(saying -> new Written.Said(text, saying))
                    .orElseGet(() -> unreadable(
                            text,
                            "write “works” or “does not work”; for a sequence 1-2-3 or 1-3-2; for an inspection “satisfactory”,"
                                    + " “not satisfactory” or a code such as “C2: blank missing”"));
        }
        boolean tripping = boxUnit == Unit.MILLISECOND || boxUnit == Unit.MILLIAMP;
        if (OPEN_WORDS.contains(lower) || tripping && NO_TRIP.contains(lower)) {
            return new Written.Open(text);
        }
        if (NO_READING.contains(lower)) {
            return unreadable(text, "is not a reading; write what the display showed, such as >999 MΩ");
        }
        if (plain.matches("[-−–]\\s*[0-9.,].*")) {
            return unreadable(text, "a reading cannot be below zero; null the leads again and repeat it");
        }
        Matcher matcher = NUMBER.matcher(plain);
        if (!matcher.matches()) {
            return unreadable(
                    text, "give a number with its unit, such as 0.43 " + boxUnit.symbol() + ", or >999 for over-range");
        }
        Unit unit = boxUnit;
        if (!matcher.group(4).isEmpty()) {
            Unit written = unit(matcher.group(4));
            if (written == null || written.dimension() != boxUnit.dimension()) {
                return unreadable(text, "unit “" + matcher.group(4) + "” is not one of " + units(boxUnit));
            }
            unit = written;
        }
        String digits = matcher.group(2).replace(',', '.');
        double value = Double.parseDouble(digits);
        int places = digits.indexOf('.') < 0 ? 0 : digits.length() - digits.indexOf('.') - 1;
        boolean number = (matcher.group(1) + matcher.group(3) + matcher.group(5)).isEmpty();
        return number
                ? new Written.Number(text, unit.toBase(value), unit, places)
                : new Written.Above(text, unit.toBase(value), unit);
    }

    /** What hands put before or behind a number that the display did not show. Common practice, no source. */
    private static final Pattern AROUND = Pattern.compile(
            "^(?:about|approx\\.?|approximately|circa|ca\\.?|c\\.|~|≈|=|<|≤)\\s*|[.,;:]+$", Pattern.CASE_INSENSITIVE);

    /**
     * What was very likely meant by something that cannot be read: a letter O for a nought, a middle dot, a space or two
     * points in a number, "about 0.4". To be offered to whoever wrote it, never taken in its place.
     *
     * @return a text that can be read; empty where nothing is likely, or where the text can be read as it stands
     */
    public static Optional<String> likely(String text, Unit boxUnit) {
        if (boxUnit == Unit.WORDS || !(read(text, boxUnit) instanceof Written.Unreadable)) {
            return Optional.empty();
        }
        String likely = text.strip();
        for (String before = ""; !before.equals(likely); ) {
            before = likely;
            likely = AROUND.matcher(likely).replaceAll("").strip();
        }
        likely = likely.replaceAll("[·•⋅∙’'`]", ".")
                .replaceAll("(?<=[0-9.,])[oO](?=[0-9.,]|\\b|$)|\\b[oO](?=[.,]?[0-9])", "0")
                .replaceAll("(?<=[0-9.,])[lI](?=[0-9.,]|$)", "1")
                .replaceAll("(?<=[0-9])\\s*([.,])\\s*(?=[0-9])", "$1")
                .replaceAll("[.,]{2,}", ".");
        return read(likely, boxUnit) instanceof Written.Number ? Optional.of(likely) : Optional.empty();
    }

    /** mΩ and MΩ differ only in the case of one letter, so that case counts. */
    private static @org.jspecify.annotations.Nullable Unit unit(String written) {
        return switch (written) {
            case "mΩ", "mohm", "mOhm", "mω" -> Unit.MILLIOHM;
            case "MΩ", "Mω", "M", "MOhm", "Mohm" -> Unit.MEGOHM;
            default -> UNITS.get(written.toLowerCase(Locale.ROOT));
        };
    }

    private static String units(Unit boxUnit) {
        return java.util.Arrays.stream(Unit.values())
                .filter(u -> u.dimension() == boxUnit.dimension())
                .map(Unit::symbol)
                .collect(java.util.stream.Collectors.joining(", "));
    }

    private static Written unreadable(String text, String mend) {
        return new Written.Unreadable(text, new Problem("unreadable-reading", "", Check.quoted(text), mend));
    }
}
