package prantel.server.setting;

import java.util.List;
import org.jspecify.annotations.Nullable;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.rig.Rig;

/** A place on the rig where a fault can sit, with the kinds that fit there. */
public record PlaceChoice(
        String id,
        String label,
        @Nullable String circuit,
        @Nullable String point,
        @Nullable String bond,
        List<String> kinds) {

    public static List<PlaceChoice> of(Rig rig) {
        return FaultCatalogue.places(rig).stream().map(p -> of(p, rig)).toList();
    }

    private static PlaceChoice of(Place place, Rig rig) {
        List<String> kinds =
                FaultCatalogue.fitting(place, rig).stream().map(FaultKind::id).toList();
        return switch (place) {
            case Place.AtPoint at ->
                new PlaceChoice(
                        at.circuit() + "/" + at.point(),
                        place.label(rig),
                        at.circuit().value(),
                        at.point().value(),
                        null,
                        kinds);
            case Place.AtBond at ->
                new PlaceChoice(
                        "bond/" + at.bond(),
                        place.label(rig),
                        null,
                        null,
                        at.bond().value(),
                        kinds);
        };
    }
}
