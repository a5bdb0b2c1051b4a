package prantel.server.rigs;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultKind;
import prantel.core.fault.Place;
import prantel.core.rig.Rig;
import prantel.server.setting.KindChoice;

/**
 * What the relays of a rig's fault box could set.
 *
 * @param kinds all that a relay can make, not those that only the eye finds
 */
record RelayChoices(List<RelayPlace> places, List<KindChoice> kinds) {

    /** @param kinds that fit there, with the second places each may have; none for a kind that has one place only */
    record RelayPlace(String id, String label, Map<String, List<Second>> kinds) {}

    record Second(String id, String label) {}

    static RelayChoices of(Rig rig) {
        return new RelayChoices(
                FaultCatalogue.places(rig).stream()
                        .map(p -> place(p, rig))
                        .filter(p -> !p.kinds().isEmpty())
                        .toList(),
                FaultCatalogue.kinds().stream()
                        .filter(k -> !k.isOnlySeen())
                        .map(KindChoice::of)
                        .toList());
    }

    private static RelayPlace place(Place place, Rig rig) {
        Map<String, List<Second>> kinds = new TreeMap<>();
        for (FaultKind kind : FaultCatalogue.fitting(place, rig)) {
            if (!kind.isOnlySeen()) {
                kinds.put(
                        kind.id(),
                        kind.others(place, rig).stream()
                                .map(o -> new Second(o.id(), o.label(rig)))
                                .toList());
            }
        }
        return new RelayPlace(place.id(), place.label(rig), kinds);
    }
}
