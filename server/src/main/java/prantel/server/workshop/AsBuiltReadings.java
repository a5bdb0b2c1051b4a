package prantel.server.workshop;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import prantel.core.expectation.AsBuilt;
import prantel.core.expectation.Drift;
import prantel.core.instrument.Notation;
import prantel.core.instrument.Tester;
import prantel.core.instrument.Written;
import prantel.core.quantity.Check;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;
import prantel.formats.ShippedSchemes;
import prantel.server.keys.PureValues;

/** Healthy readings measured on a real rig, kept for one version of its description. */
@Service
public class AsBuiltReadings {
    private final AsBuiltMapper mapper;
    private final Workshop workshop;
    private final PureValues values;
    private final Clock clock;

    AsBuiltReadings(AsBuiltMapper mapper, Workshop workshop, PureValues values, Clock clock) {
        this.values = values;
        this.mapper = mapper;
        this.workshop = workshop;
        this.clock = clock;
    }

    /** A reading of a healthy rig as it was written. */
    public record Taken(String slot, String text, OffsetDateTime takenAt, String takenBy) {}

    /** The newest reading of each box; boxes taken back are left out. */
    public Map<String, Taken> taken(DocumentRef rig) {
        return taken(rig, OffsetDateTime.MAX);
    }

    private Map<String, Taken> taken(DocumentRef rig, OffsetDateTime until) {
        Map<String, Taken> newest = new LinkedHashMap<>();
        for (Taken row : mapper.ofRig(rig.id(), rig.version())) {
            if (!row.takenAt().isAfter(until)) {
                newest.put(row.slot(), row);
            }
        }
        newest.values().removeIf(r -> r.text().isBlank());
        return newest;
    }

    /** The same as numbers for the core. */
    public AsBuilt of(DocumentRef ref) {
        return of(ref, OffsetDateTime.MAX);
    }

    /** As it was known at a moment: a mark does not change because a reading is taken later. */
    public AsBuilt of(DocumentRef ref, OffsetDateTime until) {
        Map<String, Taken> rows = taken(ref, until);
        if (rows.isEmpty()) {
            return AsBuilt.NONE;
        }
        return values.of(new ReadingsOf(ref, rows), () -> asBuilt(ref, rows));
    }

    private record ReadingsOf(DocumentRef rig, Map<String, Taken> rows) {}

    private AsBuilt asBuilt(DocumentRef ref, Map<String, Taken> rows) {
        Map<SlotId, Double> readings = new HashMap<>();
        for (Slot slot : slots(workshop.rig(ref))) {
            Taken row = rows.get(slot.id().value());
            if (row != null) {
                switch (Notation.read(row.text(), slot.boxUnit())) {
                    case Written.Number number -> readings.put(slot.id(), number.base());
                    case Written.Above above -> readings.put(slot.id(), Double.POSITIVE_INFINITY);
                    case Written.Open open -> readings.put(slot.id(), Double.POSITIVE_INFINITY);
                    case Written.Stopped stopped -> {}
                    case Written.Said said -> {}
                    case Written.Blank blank -> {}
                    case Written.NotTested not -> {}
                    case Written.Unreadable unreadable -> {}
                }
            }
        }
        return new AsBuilt(readings);
    }

    private record DriftsOf(DocumentRef rig, Tester tester, AsBuilt asBuilt) {}

    /** Every drift of a rig, the furthest first. */
    public List<Drift> drifts(DocumentRef ref, Tester tester) {
        AsBuilt asBuilt = of(ref);
        return asBuilt.readings().isEmpty()
                ? List.of()
                : values.of(
                        new DriftsOf(ref, tester, asBuilt),
                        () -> Drift.of(workshop.rig(ref), tester, ShippedSchemes.everyTest(), asBuilt));
    }

    /** @throws ProblemsException if the box is not of this rig or the text is no reading */
    @Transactional
    public void keep(DocumentRef ref, String slotId, String text, String by) {
        Slot slot = slots(workshop.rig(ref)).stream()
                .filter(s -> s.id().value().equals(slotId) && s instanceof Slot.Measured)
                .findFirst()
                .orElseThrow(() -> new ProblemsException(new prantel.core.quantity.Problem(
                        "unknown-slot", "slot", Check.quoted(slotId), "choose a reading of this rig's sheet")));
        if (Notation.read(text, slot.boxUnit()) instanceof Written.Unreadable unreadable) {
            throw new ProblemsException(unreadable.problem().at(slot.title(workshop.rig(ref))));
        }
        mapper.insert(ref.id(), ref.version(), slotId, text.strip(), OffsetDateTime.now(clock), by);
    }

    private static List<Slot> slots(Rig rig) {
        return SlotPlan.of(rig, ShippedSchemes.everyTest());
    }
}
