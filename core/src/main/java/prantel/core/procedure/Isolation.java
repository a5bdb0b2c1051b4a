package prantel.core.procedure;

import java.util.ArrayList;
import java.util.List;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;

/** Proving dead: between which conductors. Three tests on a single-phase rig, ten on a three-phase one. Common practice. */
public final class Isolation {
    private Isolation() {}

    /** Lines, neutral and earth, each with each other; earth last. */
    public static List<List<Conductor>> pairs(Rig rig) {
        List<Conductor> all =
                new ArrayList<>(rig.supply().isThreePhase() ? Conductor.THREE_LINES : List.of(Conductor.LINE));
        all.add(Conductor.NEUTRAL);
        all.add(Conductor.CPC);
        List<List<Conductor>> pairs = new ArrayList<>();
        for (int i = 0; i < all.size(); i++) {
            for (int j = i + 1; j < all.size(); j++) {
                pairs.add(List.of(all.get(i), all.get(j)));
            }
        }
        return pairs;
    }

    /** "L–N, L–E, N–E". */
    public static String words(Rig rig) {
        return String.join(", ", pairs(rig).stream().map(Conductor::labelOf).toList());
    }

    /** "proved dead in all 3 tests (L–N, L–E, N–E), indicator proved before and after". */
    public static String provedDead(Rig rig) {
        return "proved dead in all " + pairs(rig).size() + " tests (" + words(rig)
                + "), indicator proved before and after";
    }
}
