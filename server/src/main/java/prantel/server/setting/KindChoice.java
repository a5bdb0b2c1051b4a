package prantel.server.setting;

import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Magnitude;
import prantel.core.rig.Conductor;

/** A kind of fault as something to choose: used by the assessor who sets it and by the candidate who names it. */
public record KindChoice(
        String id,
        String title,
        String group,
        boolean joinsTwo,
        List<ConductorChoice> conductors,
        @Nullable SizeChoice size) {

    public record ConductorChoice(List<String> ids, String label) {}

    /** In the kind's own unit. */
    public record SizeChoice(String unit, double low, double high, double usual) {}

    public static KindChoice of(FaultKind kind) {
        return new KindChoice(
                kind.id(),
                kind.title(),
                kind.group().label(),
                kind.joinsTwo(),
                kind.conductorChoices().stream().map(KindChoice::conductors).toList(),
                kind.magnitude().map(KindChoice::size).orElse(null));
    }

    private static ConductorChoice conductors(List<Conductor> conductors) {
        return new ConductorChoice(conductors.stream().map(Conductor::id).toList(), Conductor.labelOf(conductors));
    }

    private static SizeChoice size(Magnitude m) {
        return new SizeChoice(m.unit().symbol(), m.low(), m.high(), m.usual());
    }
}
