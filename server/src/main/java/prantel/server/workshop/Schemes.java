package prantel.server.workshop;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.survey.SchemeSurvey;
import prantel.formats.SchemeFile;
import prantel.formats.ShippedSchemes;
import prantel.server.web.Refusal;

/** Schemes: those that ship and the workshop's own, each version kept for ever once it was used. */
@Service
public class Schemes {
    private static final String SCHEME = "SCHEME";

    private final WorkshopMapper mapper;
    private final Clock clock;
    /** Versions never change, so what was read once stays right. */
    private final Map<DocumentRef, Scheme> known = new ConcurrentHashMap<>();

    Schemes(WorkshopMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** The newest version of each, those that ship first. */
    public List<Scheme> all() {
        Map<String, Scheme> newest = new LinkedHashMap<>();
        ShippedSchemes.all().forEach((id, shipped) -> newest.put(id, shipped.scheme()));
        for (DocumentRef ref : mapper.latest(SCHEME)) {
            Scheme shipped = newest.get(ref.id());
            if (shipped == null || shipped.version() < ref.version()) {
                newest.put(ref.id(), scheme(ref));
            }
        }
        return List.copyOf(newest.values());
    }

    /** @throws ProblemsException if there is none */
    public Scheme newest(String id) {
        return all().stream()
                .filter(s -> s.id().equals(id))
                .findFirst()
                .or(() -> ShippedSchemes.named(id))
                .orElseThrow(() -> new ProblemsException(
                        new Problem("unknown-scheme", "scheme", Check.quoted(id), "choose a scheme of this workshop")));
    }

    /** The full sequence: what rigs are explored and measured with. */
    public Scheme everyTest() {
        return ShippedSchemes.everyTest();
    }

    /** The first, in the order they are offered, that suits the rig. */
    public Scheme usualFor(Rig rig) {
        List<Scheme> all = all();
        return all.stream().filter(s -> SchemeSurvey.suits(s, rig)).findFirst().orElse(all.getFirst());
    }

    public Scheme scheme(DocumentRef ref) {
        return known.computeIfAbsent(ref, r -> {
            byte[] file = file(r);
            if (file == null) {
                throw Refusal.notFound("scheme");
            }
            return SchemeFile.read(file);
        });
    }

    /** As it was saved or ships; null if there is none. */
    public byte @Nullable [] file(DocumentRef ref) {
        String json = mapper.json(SCHEME, ref.id(), ref.version());
        if (json != null) {
            return json.getBytes(StandardCharsets.UTF_8);
        }
        return Optional.ofNullable(ShippedSchemes.all().get(ref.id()))
                .filter(s -> s.scheme().version() == ref.version())
                .map(ShippedSchemes.Shipped::file)
                .orElse(null);
    }

    /** The versions there are, oldest first. */
    public List<Integer> versions(String id) {
        List<Integer> versions = new ArrayList<>(
                mapper.versions(SCHEME, id).stream().map(Workshop.Kept::version).toList());
        ShippedSchemes.Shipped shipped = ShippedSchemes.all().get(id);
        if (shipped != null && !versions.contains(shipped.scheme().version())) {
            versions.add(shipped.scheme().version());
        }
        return versions.stream().sorted().toList();
    }

    /** Keeps a version that an assessment is going to be marked with, though a later release ship another. */
    @Transactional
    public DocumentRef pin(Scheme scheme, String by) {
        mapper.lockDocuments(SCHEME);
        DocumentRef ref = new DocumentRef(scheme.id(), scheme.version());
        if (mapper.json(SCHEME, ref.id(), ref.version()) == null) {
            byte[] file = file(ref);
            if (file == null) {
                throw Refusal.notFound("scheme");
            }
            insert(ref, file, by);
        }
        return ref;
    }

    /**
     * Keeps a scheme file as it was written.
     *
     * @throws ProblemsException with every problem of the file; and if its version is there with another content
     */
    @Transactional
    public DocumentRef save(byte[] file, String by) {
        Scheme scheme = SchemeFile.read(file);
        mapper.lockDocuments(SCHEME);
        DocumentRef ref = new DocumentRef(scheme.id(), scheme.version());
        byte[] before = file(ref);
        if (before != null) {
            Check.that(
                    SchemeFile.read(before).equals(scheme),
                    "version-used",
                    "/version",
                    String.valueOf(ref.version()),
                    "this version is kept with another content and stays as it is: give version "
                            + (versions(ref.id()).getLast() + 1));
        }
        if (mapper.json(SCHEME, ref.id(), ref.version()) == null) {
            insert(ref, file, by);
        }
        return ref;
    }

    private void insert(DocumentRef ref, byte[] file, String by) {
        mapper.insertDocument(
                SCHEME,
                ref.id(),
                ref.version(),
                new String(file, StandardCharsets.UTF_8),
                OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS),
                by);
    }
}
