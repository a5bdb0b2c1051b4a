package prantel.server.setting;

import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.rig.Rig;

/**
 * A place on the rig where a fault can sit, with the kinds that fit there.
 *
 * @param circuit its circuit; null for the origin, boards and bonds
 */
public record PlaceChoice(String id, String label, @Nullable String circuit, List<String> kinds) {

    public static List<PlaceChoice> of(Rig rig) {
        return FaultCatalogue.places(rig).stream().map(p -> of(p, rig)).toList();
    }

    private static PlaceChoice of(Place place, Rig rig) {
        return new PlaceChoice(
                place.id(),
                place.label(rig),
                place.ofCircuit().map(c -> c.value()).orElse(null),
                FaultCatalogue.fitting(place, rig).stream().map(FaultKind::id).toList());
    }
}
