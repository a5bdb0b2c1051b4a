package prantel.bench.mistakes;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Of what was called so likely, how often it was so: told shares against what was done, in classes of share. */
final class Calibration {
    private static final double[] ENDS = {0.1, 0.3, 0.5, 0.7, 0.9, 0.98, 1.0001};
    private static final int W = 420;
    private static final int PAD = 48;

    private record Told(double share, boolean so) {}

    private final List<Told> told = new ArrayList<>();

    void add(double share, boolean so) {
        told.add(new Told(share, so));
    }

    void add(Calibration other) {
        told.addAll(other.told);
    }

    /** @param mean of the shares told @param so share of them that were so @param low and high of its 95 % interval (Wilson) */
    private record Bin(int count, double mean, double so, double low, double high) {}

    /** Source of the interval: E. B. Wilson, J. Am. Stat. Assoc. 22 (1927), 209. */
    private List<Bin> bins() {
        List<Bin> bins = new ArrayList<>();
        double from = 0;
        for (double to : ENDS) {
            double start = from;
            List<Told> in = told.stream()
                    .filter(t -> t.share() >= start && t.share() < to)
                    .toList();
            from = to;
            if (in.isEmpty()) {
                continue;
            }
            int n = in.size();
            double p = in.stream().filter(Told::so).count() / (double) n;
            double z2 = 1.96 * 1.96;
            double centre = (p + z2 / (2 * n)) / (1 + z2 / n);
            double half = 1.96 * Math.sqrt(p * (1 - p) / n + z2 / (4.0 * n * n)) / (1 + z2 / n);
            bins.add(new Bin(
                    n, in.stream().mapToDouble(Told::share).average().orElse(0), p, centre - half, centre + half));
        }
        return bins;
    }

    String table() {
        StringBuilder out =
                new StringBuilder("| told, on average | how many | of them so | 95 % interval |\n|---|---|---|---|\n");
        for (Bin b : bins()) {
            out.append(String.format(
                    Locale.ROOT,
                    "| %.0f %% | %d | %.0f %% | %.0f to %.0f %% |%n",
                    100 * b.mean(),
                    b.count(),
                    100 * b.so(),
                    100 * b.low(),
                    100 * b.high()));
        }
        return out.toString();
    }

    /** Told across, so upwards; on the line they agree. */
    String svg() {
        StringBuilder s = new StringBuilder(String.format(
                Locale.ROOT,
                "<svg xmlns='http://www.w3.org/2000/svg' viewBox='0 0 %d %d' width='%d' height='%d' font-family='sans-serif'"
                        + " font-size='12'><title>Shares told against shares that were so</title>"
                        + "<rect width='%d' height='%d' fill='#fffdf8'/>",
                W,
                W,
                W,
                W,
                W,
                W));
        s.append(line(0, 0, 1, 1, "#dcd6c9", 2));
        s.append(line(0, 0, 1, 0, "#1b2431", 2)).append(line(0, 0, 0, 1, "#1b2431", 2));
        for (int i = 0; i <= 100; i += 25) {
            s.append(text(i / 100.0, -0.07, i + " %", "middle")).append(text(-0.03, i / 100.0 - 0.01, i + " %", "end"));
        }
        s.append(text(0.5, -0.14, "told", "middle")).append(text(0.02, 1.04, "was so", "start"));
        for (Bin b : bins()) {
            s.append(line(b.mean(), b.low(), b.mean(), b.high(), "#0b6a66", 2));
            s.append(String.format(
                    Locale.ROOT, "<path d='M%.1f %.1fl6 6l-6 6l-6 -6z' fill='#0b6a66'/>", x(b.mean()), y(b.so()) - 6));
            s.append(text(b.mean() + 0.02, b.so() - 0.045, "n " + b.count(), b.mean() > 0.85 ? "end" : "start"));
        }
        return s.append("</svg>\n").toString();
    }

    private static double x(double share) {
        return PAD + (W - 2 * PAD) * share;
    }

    private static double y(double share) {
        return W - PAD - (W - 2 * PAD) * share;
    }

    private static String line(double x1, double y1, double x2, double y2, String colour, int width) {
        return String.format(
                Locale.ROOT,
                "<line x1='%.1f' y1='%.1f' x2='%.1f' y2='%.1f' stroke='%s' stroke-width='%d'/>",
                x(x1),
                y(y1),
                x(x2),
                y(y2),
                colour,
                width);
    }

    private static String text(double x, double y, String words, String anchor) {
        return String.format(
                Locale.ROOT,
                "<text x='%.1f' y='%.1f' text-anchor='%s' fill='#566070'>%s</text>",
                x(x),
                y(y),
                anchor,
                words);
    }
}
