package prantel.formats;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import prantel.core.practice.Drill;

/** The drills that ship with the application. Which there are stands in {@code drills/index.json} beside them. */
public final class ShippedDrills {
    private static final String FOLDER = "/prantel/drills/";
    private static final List<Drill> ALL = read();

    private ShippedDrills() {}

    /** In the order in which they are offered. */
    public static List<Drill> all() {
        return ALL;
    }

    private static List<Drill> read() {
        List<Drill> all = new ArrayList<>();
        JsonFile.MAPPER
                .readTree(new String(Resources.bytes(FOLDER + "index.json"), StandardCharsets.UTF_8))
                .get("drills")
                .forEach(name -> all.add(DrillFile.read(Resources.bytes(FOLDER + name.asString() + ".drill.json"))));
        return List.copyOf(all);
    }
}
