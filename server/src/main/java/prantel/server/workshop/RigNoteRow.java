package prantel.server.workshop;

import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/** A note as its table has it, with the names of whoever wrote. */
record RigNoteRow(
        long noteId,
        String rigId,
        int bay,
        String text,
        OffsetDateTime notedAt,
        String notedBy,
        @Nullable String done,
        @Nullable OffsetDateTime doneAt,
        @Nullable String doneBy) {
    RigNotes.RigNote note() {
        return new RigNotes.RigNote(
                noteId,
                rigId,
                bay,
                text,
                new RigNotes.Noted(notedAt, notedBy),
                done == null || doneAt == null || doneBy == null ? null : new RigNotes.Done(done, doneAt, doneBy));
    }
}
