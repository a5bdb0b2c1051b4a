package prantel.server.workshop;

import java.time.Clock;
import java.time.OffsetDateTime;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What a technician should look at, without anybody's marks in it. */
@Service
public class RigNotes {
    private final RigNoteMapper mapper;
    private final Clock clock;

    RigNotes(RigNoteMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    /** @param done what was found and done; null while it is open */
    public record RigNote(
            long noteId,
            String rigId,
            int bay,
            String text,
            Noted noted,
            @Nullable Done done) {}

    public record Noted(OffsetDateTime at, String by) {}

    public record Done(String what, OffsetDateTime at, String by) {}

    /** Keeps a note, unless the same is open already. @param slots the boxes, joined, in order */
    @Transactional
    public void note(DocumentRef rig, String bayId, String slots, String text, String by) {
        if (mapper.open(rig, bayId, slots) == 0) {
            mapper.insert(rig, bayId, slots, text, now(), by);
        }
    }

    public List<RigNote> of(String rigId) {
        return mapper.of(rigId).stream().map(RigNoteRow::note).toList();
    }

    public List<RigNote> open() {
        return mapper.allOpen().stream().map(RigNoteRow::note).toList();
    }

    /** @return whether it was open */
    @Transactional
    public boolean close(long note, String what, String by) {
        return mapper.close(note, what, now(), by) > 0;
    }

    private OffsetDateTime now() {
        return OffsetDateTime.now(clock).truncatedTo(ChronoUnit.MICROS);
    }
}
