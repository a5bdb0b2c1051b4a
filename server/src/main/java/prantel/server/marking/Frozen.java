package prantel.server.marking;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.marking.Mark;
import prantel.core.marking.MarkedSheet;
import prantel.core.quantity.Check;
import prantel.formats.MarkExport;

/** The marked result that an outcome was decided on, beside what the rules of today make of the same record. */
final class Frozen {
    private Frozen() {}

    /** What differs, in words; empty where nothing does. */
    static List<String> difference(String keptJson, MarkedSheet today) {
        Map<String, MarkExport.KeptMark> kept = new LinkedHashMap<>();
        MarkExport.marks(keptJson).forEach(m -> kept.put(m.id(), m));
        List<String> differences = new ArrayList<>();
        for (Mark mark : today.marks()) {
            MarkExport.KeptMark before = kept.remove(mark.id());
            String now = points(mark.points(), mark.weight());
            if (before == null) {
                differences.add(mark.group() + ", " + mark.title() + ": not marked then, " + now + " today");
            } else if (!points(before.points(), before.weight()).equals(now)) {
                differences.add(mark.group() + ", " + mark.title() + ": " + points(before.points(), before.weight())
                        + " then, " + now + " today");
            }
        }
        kept.values()
                .forEach(m -> differences.add(m.group() + ", " + m.title() + ": " + points(m.points(), m.weight())
                        + " then, not marked today"));
        return differences;
    }

    private static String points(double points, double of) {
        return Check.plain(points) + " of " + Check.plain(of);
    }
}
