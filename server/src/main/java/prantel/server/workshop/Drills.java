package prantel.server.workshop;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.practice.Drill;
import prantel.core.quantity.Check;
import prantel.formats.DrillFile;
import prantel.formats.ShippedDrills;
import prantel.server.web.Refusal;

/** Drills: those that ship and the workshop's own. What is practised keeps its drill, so only the newest of each is used. */
@Service
public class Drills {
    private static final String DRILL = "DRILL";
    private static final int MOST = 200;

    private final WorkshopMapper mapper;
    private final Clock clock;

    Drills(WorkshopMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** Those that are offered, those that ship first. */
    public List<Drill> all() {
        Map<String, Drill> all = new LinkedHashMap<>();
        ShippedDrills.all().forEach(d -> all.put(d.id(), d));
        Set<String> retired = Set.copyOf(mapper.retired(DRILL));
        for (DocumentRef ref : mapper.latest(DRILL)) {
            if (!retired.contains(ref.id())) {
                all.put(ref.id(), read(ref));
            }
        }
        return List.copyOf(all.values());
    }

    private Drill read(DocumentRef ref) {
        String json = mapper.json(DRILL, ref.id(), ref.version());
        return DrillFile.read(String.valueOf(json).getBytes(StandardCharsets.UTF_8));
    }

    public Optional<Drill> find(String id) {
        return all().stream().filter(d -> d.id().equals(id)).findFirst();
    }

    /** Whether somebody of the workshop wrote it: then it can be changed, and taken out of the list. */
    public boolean isOwn(String id) {
        return mapper.latestVersion(DRILL, id) > 0;
    }

    /** In place of the one with its id, if there is one. @throws prantel.core.quantity.ProblemsException with every problem */
    @Transactional
    public Drill save(byte[] file, String by) {
        Drill drill = DrillFile.read(file);
        Check.that(
                ShippedDrills.all().stream().noneMatch(d -> d.id().equals(drill.id())),
                "shipped-drill",
                "/id",
                Check.quoted(drill.id()),
                "a drill with this id ships with Prantel: give yours another id");
        mapper.lockDocuments(DRILL);
        int latest = mapper.latestVersion(DRILL, drill.id());
        Check.that(
                latest > 0 || mapper.latest(DRILL).size() < MOST,
                "too-many-drills",
                "/id",
                MOST + " drills",
                "take some out of the list first");
        mapper.insertDocument(
                DRILL,
                drill.id(),
                latest + 1,
                new String(DrillFile.write(drill), StandardCharsets.UTF_8),
                OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS),
                by);
        mapper.useAgain(DRILL, drill.id());
        return drill;
    }

    /** Not offered any more. */
    @Transactional
    public void retire(String id) {
        if (!isOwn(id)) {
            throw Refusal.conflict("shipped-drill", "This drill ships with Prantel and stays.");
        }
        mapper.useAgain(DRILL, id);
        mapper.retire(DRILL, id);
    }
}
