package prantel.core.quantity;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import java.util.function.Function;
import java.util.regex.Pattern;

/** Checks for compact constructors: a value that exists is valid. Each failure is a {@link ProblemsException}. */
public final class Check {
    private static final Pattern ID = Pattern.compile("[a-z0-9]+(-[a-z0-9]+)*");
    private static final int LONGEST_ID = 60;
    private static final int LONGEST_NAME = 120;

    private Check() {}

    public static double positive(double value, String field, String unit) {
        return within(value, Double.MIN_NORMAL, Double.MAX_VALUE, field, unit, "a number above 0");
    }

    public static double notNegative(double value, String field, String unit) {
        return within(value, 0, Double.MAX_VALUE, field, unit, "0 or a number above it");
    }

    /** A finite number from low to high, both allowed. */
    public static double between(double value, double low, double high, String field, String unit) {
        return within(value, low, high, field, unit, "a number from " + plain(low) + " to " + plain(high));
    }

    private static double within(double value, double low, double high, String field, String unit, String allowed) {
        if (!(value >= low && value <= high)) {
            throw new ProblemsException(
                    new Problem("out-of-range", field, plain(value) + " " + unit, "give " + allowed + ", in " + unit));
        }
        return value;
    }

    /** Lower-case letters, digits and single hyphens, at most 60 characters: fit for a path, a file name and a net list. */
    public static String id(String value, String field) {
        if (value.length() > LONGEST_ID || !ID.matcher(value).matches()) {
            throw new ProblemsException(new Problem(
                    "bad-id",
                    field,
                    quoted(value),
                    "give an id of lower-case letters, digits and hyphens, at most " + LONGEST_ID
                            + " characters, such as \"socket-3\""));
        }
        return value;
    }

    /** One line of 1 to 120 characters that can be seen: it goes into decks, terminals, file headers and pages. */
    public static String name(String value, String field) {
        if (value.isBlank() || value.length() > LONGEST_NAME) {
            throw new ProblemsException(new Problem(
                    "bad-name", field, quoted(value), "give a name of 1 to " + LONGEST_NAME + " characters"));
        }
        return visible(value, field, "");
    }

    /**
     * Text of several lines, 0 to `most` characters; line ends and tabs are the only characters in it that cannot be seen.
     */
    public static String text(String value, int most, String field) {
        if (value.length() > most) {
            throw new ProblemsException(new Problem(
                    "too-long", field, value.length() + " characters", "give at most " + most + " characters"));
        }
        return visible(value, field, "\n\r\t");
    }

    /** No control characters, direction marks or halves of a character: they can give orders to a terminal or a simulator. */
    private static String visible(String value, String field, String besides) {
        value.codePoints()
                .filter(c -> !isVisible(c) && besides.indexOf(c) < 0)
                .findFirst()
                .ifPresent(c -> {
                    throw new ProblemsException(new Problem(
                            "unseen-character",
                            field,
                            "the character U+%04X".formatted(c),
                            "take it out: line ends, control characters and direction marks cannot be part of it"));
                });
        return value;
    }

    private static boolean isVisible(int codePoint) {
        return switch (Character.getType(codePoint)) {
            case Character.CONTROL,
                    Character.FORMAT,
                    Character.SURROGATE,
                    Character.LINE_SEPARATOR,
                    Character.PARAGRAPH_SEPARATOR,
                    Character.UNASSIGNED,
                    Character.PRIVATE_USE -> false;
            default -> true;
        };
    }

    /** No two items with the same key; `field` is where the list stands and the index is added to it. */
    public static <T> void distinct(List<T> items, Function<T, String> key, String field) {
        distinct(items, key, field, "id");
    }

    /** @param keyField name of the key in each item */
    public static <T> void distinct(List<T> items, Function<T, String> key, String field, String keyField) {
        Set<String> seen = new HashSet<>();
        for (int i = 0; i < items.size(); i++) {
            String id = key.apply(items.get(i));
            if (!seen.add(id)) {
                throw new ProblemsException(new Problem(
                        "duplicate-id", field + "/" + i + "/" + keyField, quoted(id), "give each its own " + keyField));
            }
        }
    }

    /** Makes every check, so that all problems of one thing come at once. */
    public static void all(Runnable... checks) {
        List<Problem> problems = new ArrayList<>();
        for (Runnable check : checks) {
            try {
                check.run();
            } catch (ProblemsException e) {
                problems.addAll(e.problems());
            }
        }
        ProblemsException.throwIfAny(problems);
    }

    public static void that(boolean holds, String code, String where, String given, String mend) {
        if (!holds) {
            throw new ProblemsException(new Problem(code, where, given, mend));
        }
    }

    /** Whether two written numbers are the same number: equal but for rounding in the last bits. */
    public static boolean same(double a, double b) {
        return Math.abs(a - b) <= 1e-9 * Math.max(Math.abs(a), Math.abs(b));
    }

    public static String quoted(String value) {
        String shown = value.length() > 80 ? value.substring(0, 80) + "…" : value;
        return "\""
                + shown.codePoints()
                        .map(c -> isVisible(c) ? c : '\uFFFD')
                        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                + "\"";
    }

    /** A number for a sentence: no exponent for everyday sizes, no trailing zeros. */
    public static String plain(double value) {
        if (Double.isNaN(value) || Double.isInfinite(value)) {
            return String.valueOf(value);
        }
        double size = Math.abs(value);
        if (size != 0 && (size < 1e-4 || size >= 1e9)) {
            return String.format(Locale.ROOT, "%.4g", value);
        }
        if (value == Math.rint(value) && size < 1e9) {
            return Long.toString((long) value);
        }
        // half up on the sixth place: a formatter would do the same, many times slower
        return java.math.BigDecimal.valueOf(value)
                .setScale(6, java.math.RoundingMode.HALF_UP)
                .stripTrailingZeros()
                .toPlainString();
    }
}
