package prantel.core.diagnosis;

import java.util.List;
import java.util.Locale;
import java.util.stream.IntStream;
import prantel.core.expectation.Expectation;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Written;

/** The right figures with the decimal point or the unit's prefix elsewhere. */
final class SlipOfTen implements Mistake {
    /** A slipped point leaves the figures alone, so they must be this near to the right ones: share of the reading. */
    private static final double FIGURES_AGREE = 0.25;

    @Override
    public List<Explanation> explain(Expectation expectation, Written written, Case theCase) {
        if (!(written instanceof Written.Number number)
                || !(expectation.withFaults() instanceof Reading.Value right)
                || number.base() == 0) {
            return List.of();
        }
        return IntStream.of(1, -1, 2, -2, 3, -3, 6, -6)
                .filter(n -> isRightTimes(expectation, right, number.base() * Math.pow(10, n)))
                .mapToObj(n -> new Explanation(
                        expectation.slot().id(),
                        Cause.SLIP_OF_TEN,
                        right.shown(),
                        number.text().strip() + " would be right " + factor(n) + ": this rig gives " + right.shown()
                                + ".",
                        Cause.SLIP_OF_TEN.prior() * (Math.abs(n) == 2 ? 0.7 : 1)))
                .limit(1)
                .toList();
    }

    private static boolean isRightTimes(Expectation expectation, Reading.Value right, double ohms) {
        return expectation.window().holds(ohms) && Math.abs(ohms - right.base()) <= FIGURES_AGREE * right.base();
    }

    private static String factor(int n) {
        return String.format(
                Locale.ROOT, n > 0 ? "multiplied by %,.0f" : "divided by %,.0f", Math.pow(10, Math.abs(n)));
    }
}
