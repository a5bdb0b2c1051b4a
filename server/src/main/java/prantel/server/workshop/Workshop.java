package prantel.server.workshop;

import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.dao.DuplicateKeyException;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.instrument.Tester;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.formats.RigDifference;
import prantel.formats.RigFile;
import prantel.formats.TesterFile;
import prantel.server.web.Networks;
import prantel.server.web.Refusal;

/** Bays, and the versions of rigs and testers. */
@Service
public class Workshop {
    private static final String RIG = "RIG";
    private static final String TESTER = "TESTER";
    private static final int MOST_BAYS = 999;
    private static final int MOST_CHANGES_TOLD = 4;
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

    /** Those in use, by number. */
    public List<Bay> bays() {
        return allBays().stream().filter(b -> !b.retired()).toList();
    }

    /** Retired ones too. */
    List<Bay> allBays() {
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

    /** The newest version of each tester that is in use. */
    public List<DocumentRef> testers() {
        return inUse(TESTER);
    }

    /** The newest version of each rig that is in use. */
    public List<DocumentRef> rigs() {
        return inUse(RIG);
    }

    /** Retired ones too: records name them. */
    public List<DocumentRef> everyRig() {
        return mapper.latest(RIG);
    }

    private List<DocumentRef> inUse(String kind) {
        Set<String> retired = Set.copyOf(mapper.retired(kind));
        return mapper.latest(kind).stream()
                .filter(d -> !retired.contains(d.id()))
                .toList();
    }

    /** Those that are not in use any more: rigs, then testers. */
    List<DocumentRef> retiredRigs() {
        return retired(RIG);
    }

    List<DocumentRef> retiredTesters() {
        return retired(TESTER);
    }

    private List<DocumentRef> retired(String kind) {
        Set<String> retired = Set.copyOf(mapper.retired(kind));
        return mapper.latest(kind).stream()
                .filter(d -> retired.contains(d.id()))
                .toList();
    }

    /** Not offered any more, or again; records made with it stay. @throws Refusal while a bay has it */
    @Transactional
    public void retireRig(String id, boolean retired) {
        Check.that(
                mapper.latestVersion(RIG, id) > 0,
                "unknown-rig",
                "rig",
                Check.quoted(id),
                "choose a rig of this workshop");
        bays().stream().filter(b -> retired && b.rigId().equals(id)).findFirst().ifPresent(b -> {
            throw Refusal.conflict(
                    "rig-in-use",
                    "bay " + b.number() + " has this rig: give the bay another rig, or retire the bay first");
        });
        setRetired(RIG, id, retired);
    }

    /** @throws Refusal if it is the last one */
    @Transactional
    public void retireTester(String id, boolean retired) {
        latestTester(id);
        if (retired && testers().stream().allMatch(t -> t.id().equals(id))) {
            throw Refusal.conflict("last-tester", "this is the last tester in use: add another one first");
        }
        setRetired(TESTER, id, retired);
    }

    private void setRetired(String kind, String id, boolean retired) {
        mapper.useAgain(kind, id);
        if (retired) {
            mapper.retire(kind, id);
        }
    }

    /** Another name or calibration date of a tester: a new version of its file. */
    @Transactional
    public void changeTester(String id, String label, Optional<LocalDate> calibrationDue, String by) {
        saveTester(TesterFile.write(tester(latestTester(id)).as(label, calibrationDue)), by);
    }

    /**
     * Another number or rig, retired or in use again; its id and its records stay.
     *
     * @throws Refusal while somebody is in it
     */
    @Transactional
    public void changeBay(String bayId, int number, String rigId, boolean retired) {
        mapper.lockBay(bayId);
        Bay bay = bay(bayId);
        mustBeFree(bayId, "change it when its rig is cleared");
        mustBeNumber(number);
        int version = rigVersion(rigId);
        try {
            mapper.change(bay.bayId(), number, rigId, version, retired);
        } catch (DuplicateKeyException e) {
            throw numberTaken(number);
        }
    }

    private static void mustBeNumber(int number) {
        Check.between(number, 1, MOST_BAYS, "number", "(number of the bay)");
    }

    private int rigVersion(String rigId) {
        int version = mapper.latestVersion(RIG, rigId);
        Check.that(version > 0, "unknown-rig", "rig", Check.quoted(rigId), "choose a rig of this workshop");
        return version;
    }

    private static ProblemsException numberTaken(int number) {
        return new ProblemsException(new Problem(
                "bay-taken",
                "number",
                String.valueOf(number),
                "there is a bay with that number, in use or retired; give another"));
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
     * Keeps a rig file as the next version of its rig; bays with that rig use it from their next assessment on. A file that says
     * what the newest version says makes no version.
     *
     * @throws ProblemsException with every problem of the file
     */
    @Transactional
    public DocumentRef saveRig(byte[] file, String by) {
        Rig rig = RigFile.read(file);
        return saveRig(rig, lockedVersion(RIG, rig.id()), by);
    }

    /**
     * The same by somebody who changed one version: refused if there is a newer one, told with what it changed.
     *
     * @param basedOn the version that was changed; 0 for a new rig
     * @throws Refusal if another was saved meanwhile
     */
    @Transactional
    public DocumentRef saveRig(byte[] file, int basedOn, String by) {
        Rig rig = RigFile.read(file);
        int latest = lockedVersion(RIG, rig.id());
        if (basedOn == 0 && latest > 0) {
            throw new ProblemsException(new Problem(
                    "id-taken",
                    "/id",
                    Check.quoted(rig.id()),
                    "there is a rig with that id; give the new one another"));
        }
        if (basedOn != latest) {
            throw Refusal.conflict(
                    "newer-version",
                    "version " + latest + " was saved meanwhile by "
                            + rigVersions(rig.id()).getLast().savedBy() + changed(rig.id(), basedOn, latest)
                            + "; yours is still here: export it, open the newest version and bring your changes in");
        }
        return saveRig(rig, latest, by);
    }

    /** What lies between two versions, in a few words. */
    private String changed(String id, int from, int to) {
        List<RigDifference.RigChange> changes =
                RigDifference.between(rig(new DocumentRef(id, from)), rig(new DocumentRef(id, to)));
        return changes.isEmpty()
                ? ""
                : " and changed "
                        + changes.stream()
                                .limit(MOST_CHANGES_TOLD)
                                .map(RigDifference.RigChange::where)
                                .distinct()
                                .collect(Collectors.joining(", "));
    }

    private DocumentRef saveRig(Rig rig, int latest, String by) {
        DocumentRef ref = save(RIG, rig.id(), latest, RigFile.write(rig), by);
        mapper.useRigVersion(ref.id(), ref.version());
        return ref;
    }

    @Transactional
    public DocumentRef saveTester(byte[] file, String by) {
        Tester tester = TesterFile.read(file);
        return save(TESTER, tester.id(), lockedVersion(TESTER, tester.id()), TesterFile.write(tester), by);
    }

    /** The newest version, held until the end of the transaction: who saves at the same time comes after. */
    private int lockedVersion(String kind, String id) {
        mapper.lockDocuments(kind);
        return mapper.latestVersion(kind, id);
    }

    @Transactional
    public void addBay(int number, String rigId) {
        mustBeNumber(number);
        int version = rigVersion(rigId);
        try {
            mapper.insertBay(new Bay(newBayId(number), number, rigId, version, null, null, false));
        } catch (DuplicateKeyException e) {
            throw numberTaken(number);
        }
    }

    /** After its first number; bays that were given others since keep theirs. */
    private String newBayId(int number) {
        String usual = "bay-" + number;
        return mapper.bay(usual) == null ? usual : usual + "-" + Long.toString(clock.millis(), Character.MAX_RADIX);
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
        mapper.lockBay(bayId);
        String next = address(bayId, address, "box");
        if (!Objects.equals(next, bay(bayId).faultBox())) {
            mustBeFree(bayId, "its fault box stays until the rig is cleared");
            bays().stream()
                    .filter(b -> next != null && next.equals(b.faultBox()))
                    .findFirst()
                    .ifPresent(b -> {
                        throw new ProblemsException(new Problem(
                                "box-taken",
                                "address",
                                Check.quoted(address),
                                "bay " + b.number() + " has that box; take it away there first"));
                    });
        }
        mapper.setFaultBox(bayId, next);
    }

    /** The same box, found elsewhere since the last start: only the demo's simulated ones move. */
    @Transactional
    public void moveFaultBox(String bayId, String address) {
        mapper.setFaultBox(bayId, address(bayId, address, "box"));
    }

    boolean isInUse(String bayId) {
        return mapper.assessmentIn(bayId) != null;
    }

    /** @param what of it, and until when */
    private void mustBeFree(String bayId, String what) {
        if (isInUse(bayId)) {
            throw Refusal.conflict("bay-in-use", "this bay is in use: " + what);
        }
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
        Check.that(
                address.isEmpty() || Networks.isOfTheWorkshop(address.substring(0, address.lastIndexOf(':'))),
                "bad-address",
                "address",
                Check.quoted(address),
                "give an address on this machine or in the workshop's own network (10.…, 172.16.… to 172.31.…, 192.168.…);"
                        + " devices elsewhere are not talked to");
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

    private DocumentRef save(String kind, String id, int latest, byte[] json, String by) {
        String text = new String(json, StandardCharsets.UTF_8);
        if (latest > 0 && text.equals(mapper.json(kind, id, latest))) {
            return new DocumentRef(id, latest);
        }
        DocumentRef ref = new DocumentRef(id, latest + 1);
        mapper.insertDocument(kind, id, ref.version(), text, OffsetDateTime.now(clock), by);
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
