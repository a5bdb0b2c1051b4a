package prantel.server.practice;

import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import prantel.core.instrument.Reading;
import prantel.core.practice.CurrentPath;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.Point;
import prantel.core.rig.Rig;

/** The current of a reading, as it is drawn and told. */
final class CurrentView {
    private CurrentView() {}

    /** Where the current of a reading goes. */
    record CurrentPathShown(double ohms, List<CurrentLegShown> legs, double restOhms) {}

    /**
     * @param circuit and point: where it is drawn; empty for what is no run of a circuit
     * @param tight what the display would show were this joint tight; null for what is no bad joint
     */
    record CurrentLegShown(
            String words,
            String circuit,
            String point,
            boolean run,
            String conductor,
            double amps,
            double ohms,
            double contributes,
            @Nullable String tight) {}

    static CurrentPathShown of(CurrentPath path, Going going) {
        Rig rig = going.practice().rig();
        return new CurrentPathShown(
                path.ohms(),
                path.legs().stream()
                        .map(l -> new CurrentLegShown(
                                words(l, rig),
                                l.circuit().map(c -> c.value()).orElse(""),
                                l.point().map(p -> p.value()).orElse(""),
                                l.what() == CurrentPath.What.CABLE,
                                l.conductor().map(Conductor::id).orElse(""),
                                l.amps(),
                                l.ohms(),
                                l.contributes(),
                                going.practice()
                                        .tightened(going.now(), l)
                                        .map(Reading::shown)
                                        .orElse(null)))
                        .toList(),
                path.restOhms());
    }

    private static String words(CurrentPath.Leg leg, Rig rig) {
        String what = switch (leg.what()) {
            case CABLE -> "run";
            case JOINT -> "joint";
            case CONTACT -> "contact";
            case EARTHING -> "earthing";
            case SUPPLY -> "supply";
            case INSULATION -> "insulation";
            case LOAD -> "load";
            case LINK -> "link";
            case METAL -> "metal";
        };
        if (leg.circuit().isEmpty()) {
            return what;
        }
        Circuit circuit = rig.circuit(leg.circuit().get());
        String conductor = leg.conductor().map(c -> c.word() + " ").orElse("");
        Optional<Point> point = leg.point().map(circuit::point);
        return conductor + what
                + point.map(p -> (leg.what() == CurrentPath.What.CABLE ? " to " : " at ") + p.label())
                        .orElse(" at the board")
                + ", " + circuit.label();
    }
}
