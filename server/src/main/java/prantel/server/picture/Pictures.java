package prantel.server.picture;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Key;
import prantel.core.expectation.Profile;
import prantel.core.expectation.Window;
import prantel.core.fault.Place;
import prantel.core.rig.Circuit;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.sequence.Quantity;

/** Makes what circuit lines and profiles are drawn from. Ω throughout; null stands for open or over-range. */
public final class Pictures {
    private Pictures() {}

    /** A circuit as a line with stations. */
    public record CircuitLine(String id, String label, String device, List<Station> stations) {}

    public record Station(String id, String label, double atMetres) {}

    /**
     * A reading against cable distance; two samples a station, before its joint and at its front.
     *
     * @param nothingAtBoard whether the reading begins with 0 at the board: not Zs, and not a crossed ring
     */
    public record ProfileCurve(
            String circuit,
            String quantity,
            boolean nothingAtBoard,
            List<String> faultStations,
            List<ProfileSample> samples) {}

    public record ProfileSample(
            @JsonUnwrapped SampleAt at,
            @JsonUnwrapped SampleOhms ohms,
            @JsonUnwrapped SampleBand band) {}

    /** Where along the circuit. */
    public record SampleAt(double atMetres, String station, boolean atFront) {}

    /** What it reads there. */
    public record SampleOhms(
            @Nullable Double healthyOhms,
            @Nullable Double withFaultsOhms,
            String healthyShown,
            String withFaultsShown) {}

    /** Within what it lies; null where it is no number. */
    public record SampleBand(@Nullable Band band, @Nullable Band healthyBand) {}

    /** @param highOhms null where over-range may be read as well */
    public record Band(double lowOhms, @Nullable Double highOhms) {}

    public static List<CircuitLine> circuits(Rig rig) {
        return rig.circuits().stream().map(Pictures::circuit).toList();
    }

    private static CircuitLine circuit(Circuit circuit) {
        return new CircuitLine(
                circuit.id().value(),
                circuit.label(),
                circuit.device().label(),
                circuit.points().stream()
                        .map(p -> new Station(p.id().value(), p.label(), p.atMetres()))
                        .toList());
    }

    /** The profile of each circuit along which a quantity is taken: R1+R2, R1+Rn, R2, Zs. */
    public static List<ProfileCurve> profiles(Key key, Quantity quantity) {
        List<ProfileCurve> curves = new ArrayList<>();
        for (Circuit circuit : key.rig().circuits()) {
            List<ProfileSample> samples = Profile.of(key, circuit.id(), quantity).stream()
                    .map(Pictures::sample)
                    .toList();
            if (!samples.isEmpty()) {
                boolean crossed = circuit instanceof Ring && quantity != Quantity.R2;
                curves.add(new ProfileCurve(
                        circuit.id().value(),
                        quantity.label(),
                        !crossed && quantity != Quantity.ZS,
                        faultStations(key, circuit),
                        samples));
            }
        }
        return curves;
    }

    /** Along each circuit R1+R2, crossed for a ring, and R2. */
    public static List<ProfileCurve> profiles(Key key) {
        List<ProfileCurve> curves = new ArrayList<>(profiles(key, Quantity.R1_R2));
        curves.addAll(profiles(key, Quantity.R2));
        return curves;
    }

    private static List<String> faultStations(Key key, Circuit circuit) {
        return key.faults().faults().stream()
                .flatMap(f ->
                        f.place() instanceof Place.AtPoint at && at.circuit().equals(circuit.id())
                                ? Stream.of(at.point().value())
                                : Stream.of())
                .distinct()
                .toList();
    }

    private static ProfileSample sample(Profile.Sample sample) {
        var expected = sample.expected();
        Window band = expected.window();
        Window healthy = expected.healthyWindow();
        return new ProfileSample(
                new SampleAt(sample.atMetres(), sample.station().value(), sample.atFront()),
                new SampleOhms(
                        finite(expected.healthy().base()),
                        finite(expected.withFaults().base()),
                        expected.healthy().shown(),
                        expected.withFaults().shown()),
                new SampleBand(band(band), band(healthy)));
    }

    /** A window as it is drawn; null where it has no number. */
    public static @Nullable Band band(Window window) {
        return window.measured().isNumeric()
                ? new Band(window.low(), window.measured() instanceof Window.Between between ? between.high() : null)
                : null;
    }

    /** JSON has no infinity. */
    public static @Nullable Double finite(double ohms) {
        return Double.isFinite(ohms) ? (Double) ohms : null;
    }
}
