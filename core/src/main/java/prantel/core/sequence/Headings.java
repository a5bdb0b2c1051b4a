package prantel.core.sequence;

import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;

/** Heads boxes: with the id, the words and the distance that their address has on a rig. */
final class Headings {
    private final BoxWords words;

    Headings(Rig rig, Scheme scheme) {
        this.words = new BoxWords(rig, scheme);
    }

    Slot.Heading of(BoxAddress address) {
        Site site = address.site();
        double atMetres = site instanceof Site.Lights || site.point().isEmpty()
                ? Spot.NO_DISTANCE
                : words.point(site.circuit().orElseThrow(), site.point().get()).atMetres();
        return new Slot.Heading(address, address.id(), new Spot(site.circuit(), site.point(), atMetres), words);
    }
}
