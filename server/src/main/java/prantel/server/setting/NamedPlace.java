package prantel.server.setting;

import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultCatalogue;
import prantel.core.rig.Rig;

/** A place of a rig where a fault can be said to be. @param circuit null for one that is no circuit's */
public record NamedPlace(String id, String label, @Nullable String circuit) {
    public static List<NamedPlace> of(Rig rig) {
        return FaultCatalogue.places(rig).stream()
                .map(p -> new NamedPlace(
                        p.id(), p.label(rig), p.ofCircuit().map(c -> c.value()).orElse(null)))
                .toList();
    }
}
