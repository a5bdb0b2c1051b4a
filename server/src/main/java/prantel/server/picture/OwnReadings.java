package prantel.server.picture;

import java.util.List;
import java.util.Locale;
import java.util.Optional;
import prantel.core.rig.Circuit;
import prantel.core.rig.Point;

/**
 * What somebody read along a circuit, drawn over the circuit's own line: each reading above its station, the limit across. It
 * knows no key: nothing in it says what should have been read.
 */
public final class OwnReadings {
    private static final int W = 720;
    private static final int LEFT = 56;
    private static final int RIGHT = W - 30;
    private static final int LINE = 172;
    private static final int TOP = 44;
    private static final int H = 226;
    private static final double NAME_ROOM = 74;

    private OwnReadings() {}

    /**
     * @param point id of the station
     * @param base base unit; empty where it was over-range
     * @param text as it was written
     */
    public record Dot(String point, Optional<Double> base, String text, boolean taught) {}

    /** @param base base unit @param shown with its unit */
    public record Limit(double base, String shown) {}

    /** In words, for whoever does not see it. */
    public static String words(Circuit circuit, String quantity, List<Dot> dots) {
        StringBuilder words = new StringBuilder(quantity + " along " + circuit.label() + ":");
        for (Point point : circuit.points()) {
            dots.stream()
                    .filter(d -> d.point().equals(point.id().value()))
                    .forEach(d -> words.append(' ')
                            .append(point.label())
                            .append(' ')
                            .append(d.text())
                            .append(';'));
        }
        return words.toString().replaceAll(";$", ".");
    }

    public static String svg(Circuit circuit, String quantity, List<Dot> dots, Optional<Limit> limit) {
        double far = Math.max(
                1, circuit.points().stream().mapToDouble(Point::atMetres).max().orElse(1));
        double most = Math.max(
                1e-9,
                Math.max(
                        dots.stream()
                                .mapToDouble(d -> d.base().orElse(0.0))
                                .max()
                                .orElse(0),
                        limit.map(Limit::base).orElse(0.0)));
        StringBuilder svg = new StringBuilder();
        add(
                svg,
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 %d %d' width='%d' height='%d' role='img'>"
                        + "<title>%s</title><g font-family='&quot;Source Sans 3&quot;, sans-serif' font-size='13' fill='#1b2431'>",
                W,
                H,
                W,
                H,
                escaped(words(circuit, quantity, dots)));
        add(svg, "<rect width='%d' height='%d' fill='#fffdf8'/>", W, H);
        add(
                svg,
                "<text x='%d' y='18' font-weight='700'>%s</text>",
                LEFT - 40,
                escaped(circuit.label() + ", " + quantity));
        limit.ifPresent(l -> {
            double y = y(l.base(), most);
            add(
                    svg,
                    "<line x1='%d' x2='%d' y1='%.1f' y2='%.1f' stroke='#1b2431' stroke-width='3'/>"
                            + "<text x='%d' y='%.1f' text-anchor='end'>limit %s</text>",
                    LEFT,
                    RIGHT,
                    y,
                    y,
                    RIGHT,
                    y - 6,
                    escaped(l.shown()));
        });
        add(
                svg,
                "<line x1='%d' x2='%d' y1='%d' y2='%d' stroke='#1b2431' stroke-width='3'/>"
                        + "<rect x='%d' y='%d' width='6' height='26' fill='#1b2431'/>",
                LEFT,
                RIGHT,
                LINE,
                LINE,
                LEFT - 4,
                LINE - 13);
        double named = Double.NEGATIVE_INFINITY;
        for (Point point : circuit.points()) {
            double x = LEFT + (RIGHT - LEFT) * point.atMetres() / far;
            add(svg, "<circle cx='%.1f' cy='%d' r='6' fill='#fffdf8' stroke='#1b2431' stroke-width='2.2'/>", x, LINE);
            if (x - named >= NAME_ROOM) {
                named = x;
                add(
                        svg,
                        "<text x='%.1f' y='%d' text-anchor='middle'>%s</text>"
                                + "<text x='%.1f' y='%d' text-anchor='middle' fill='#566070'>%s m</text>",
                        x,
                        LINE + 28,
                        escaped(point.label()),
                        x,
                        LINE + 44,
                        prantel.core.quantity.Check.plain(point.atMetres()));
            }
            dots.stream()
                    .filter(d -> d.point().equals(point.id().value()))
                    .findFirst()
                    .ifPresent(d -> {
                        double y = d.base().map(b -> y(b, most)).orElse((double) TOP - 8);
                        String colour = d.taught() ? "#935300" : "#0b6a66";
                        add(
                                svg,
                                "<line x1='%.1f' x2='%.1f' y1='%.1f' y2='%d' stroke='#dcd6c9'/>"
                                        + "<path d='M%.1f %.1fl7 7l-7 7l-7 -7z' fill='%s'/>"
                                        + "<text x='%.1f' y='%.1f' font-weight='700' text-anchor='%s'>%s</text>",
                                x,
                                x,
                                y,
                                LINE - 6,
                                x,
                                y - 7,
                                colour,
                                x > RIGHT - 60 ? x - 11 : x + 11,
                                y + 4,
                                x > RIGHT - 60 ? "end" : "start",
                                escaped(d.text()));
                    });
        }
        return svg.append("</g></svg>").toString();
    }

    private static double y(double base, double most) {
        return LINE - 12 - (LINE - 12 - TOP) * base / most;
    }

    private static void add(StringBuilder svg, String format, Object... args) {
        svg.append(String.format(Locale.ROOT, format, args));
    }

    private static String escaped(String text) {
        return text.replace("&", "&amp;")
                .replace("<", "&lt;")
                .replace("'", "&#39;")
                .replace("\"", "&quot;");
    }
}
