package prantel.server.workshop;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.instrument.Tester;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.formats.RigFile;
import prantel.formats.TesterFile;
import prantel.server.web.Refusal;

/** Bays, and the versions of rigs and testers. */
@Service
public class Workshop {
    private static final String RIG = "RIG";
    private static final String TESTER = "TESTER";
    private static final Pattern ADDRESS = Pattern.compile("[A-Za-z0-9.-]{1,100}:[0-9]{1,5}");

    private final WorkshopMapper mapper;
    private final Clock clock;
    /** Versions never change, so what was read once stays right. */
    private final Map<DocumentRef, Rig> rigs = new ConcurrentHashMap<>();

    private final Map<DocumentRef, Tester> testers = new ConcurrentHashMap<>();

    Workshop(WorkshopMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    public List<Bay> bays() {
        return mapper.bays();
    }

    public Bay bay(String id) {
        Bay bay = mapper.bay(id);
        if (bay == null) {
            throw Refusal.notFound("bay");
        }
        return bay;
    }

    public Rig rig(DocumentRef ref) {
        return rigs.computeIfAbsent(ref, r -> RigFile.read(json(RIG, r)));
    }

    public Rig rigOf(Bay bay) {
        return rig(new DocumentRef(bay.rigId(), bay.rigVersion()));
    }

    public Tester tester(DocumentRef ref) {
        return testers.computeIfAbsent(ref, r -> TesterFile.read(json(TESTER, r)));
    }

    /** The first of the workshop's testers, or usual figures where it has none: for what is worked out before one is chosen. */
    public Tester firstTester() {
        List<DocumentRef> testers = testers();
        return testers.isEmpty() ? Tester.usual() : tester(testers.getFirst());
    }

    /** The newest version of each tester. */
    public List<DocumentRef> testers() {
        return mapper.latest(TESTER);
    }

    public List<DocumentRef> rigs() {
        return mapper.latest(RIG);
    }

    /** A version as it was saved. */
    public record Kept(int version, OffsetDateTime savedAt, String savedBy) {}

    /** Oldest first; empty for an unknown rig. */
    public List<Kept> rigVersions(String id) {
        return mapper.versions(RIG, id);
    }

    /** @throws ProblemsException if there is no such tester */
    public DocumentRef latestTester(String id) {
        int version = mapper.latestVersion(TESTER, id);
        Check.that(version > 0, "unknown-tester", "tester", Check.quoted(id), "choose a tester of this workshop");
        return new DocumentRef(id, version);
    }

    /**
     * Keeps a rig file as the next version of its rig; bays with that rig use it from their next assessment on.
     *
     * @throws ProblemsException with every problem of the file
     */
    @Transactional
    public DocumentRef saveRig(byte[] file, String by) {
        Rig rig = RigFile.read(file);
        DocumentRef ref = save(RIG, rig.id(), RigFile.write(rig), by);
        mapper.useRigVersion(ref.id(), ref.version());
        return ref;
    }

    @Transactional
    public DocumentRef saveTester(byte[] file, String by) {
        Tester tester = TesterFile.read(file);
        return save(TESTER, tester.id(), TesterFile.write(tester), by);
    }

    @Transactional
    public void addBay(int number, String rigId) {
        Check.between(number, 1, 99, "number", "(number of the bay)");
        int version = mapper.latestVersion(RIG, rigId);
        Check.that(version > 0, "unknown-rig", "rig", Check.quoted(rigId), "choose a rig of this workshop");
        try {
            mapper.insertBay(new Bay("bay-" + number, number, rigId, version, null, null));
        } catch (DuplicateKeyException e) {
            throw new ProblemsException(new Problem(
                    "bay-taken", "number", String.valueOf(number), "there is a bay with that number; give another"));
        }
    }

    /** Whether it is host:port with a port that exists. */
    public static boolean isAddress(String address) {
        if (!ADDRESS.matcher(address).matches()) {
            return false;
        }
        int port = Integer.parseInt(address.substring(address.lastIndexOf(':') + 1));
        return port >= 1 && port <= 65_535;
    }

    /** @param address host:port; empty for no box */
    @Transactional
    public void setFaultBox(String bayId, String address) {
        mapper.setFaultBox(bayId, address(bayId, address, "box"));
    }

    /** @param address host:port; empty for none */
    @Transactional
    public void setBenchTester(String bayId, String address) {
        mapper.setBenchTester(bayId, address(bayId, address, "tester"));
    }

    private @Nullable String address(String bayId, String address, String what) {
        bay(bayId);
        Check.that(
                address.isEmpty() || isAddress(address),
                "bad-address",
                "address",
                Check.quoted(address),
                "give host:port, such as 192.168.1.20:502, with a port from 1 to 65535, or nothing for no " + what);
        return address.isEmpty() ? null : address;
    }

    /** @throws ProblemsException if its calibration ran out */
    public void mustBeInDate(DocumentRef ref) {
        Tester tester = tester(ref);
        Check.that(
                tester.isInDate(LocalDate.now(clock)),
                "out-of-date",
                "tester",
                tester.label(),
                "its calibration ran out on "
                        + tester.calibrationDue().map(Object::toString).orElse("")
                        + ": choose another, or have it calibrated and change its file");
    }

    private DocumentRef save(String kind, String id, byte[] json, String by) {
        DocumentRef ref = new DocumentRef(id, mapper.latestVersion(kind, id) + 1);
        mapper.insertDocument(
                kind, id, ref.version(), new String(json, StandardCharsets.UTF_8), OffsetDateTime.now(clock), by);
        return ref;
    }

    private byte[] json(String kind, DocumentRef ref) {
        String json = mapper.json(kind, ref.id(), ref.version());
        if (json == null) {
            throw Refusal.notFound(kind.equals(RIG) ? "rig" : "tester");
        }
        return json.getBytes(StandardCharsets.UTF_8);
    }
}
