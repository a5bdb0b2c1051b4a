package prantel.server.rigs;

import java.security.Principal;
import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.quantity.Check;
import prantel.server.web.Refusal;
import prantel.server.workshop.RigNotes;

/** Notes that ask a technician to look at a rig. */
@RestController
@RequestMapping("/api/rigs/{id}/notes")
class RigNoteController {
    private static final int LONGEST = 500;

    private final RigNotes notes;

    RigNoteController(RigNotes notes) {
        this.notes = notes;
    }

    record LookedAt(String what) {}

    @GetMapping
    List<RigNotes.RigNote> notes(@PathVariable String id) {
        return notes.of(id);
    }

    /** Says what was found and done; sent twice it stays as it was first. */
    @PutMapping("/{note}")
    List<RigNotes.RigNote> lookedAt(
            @PathVariable String id, @PathVariable long note, @RequestBody LookedAt looked, Principal who) {
        Check.that(!looked.what().isBlank(), "nothing-said", "what", "", "say what you found and what you did");
        Check.text(looked.what(), LONGEST, "what");
        if (notes.of(id).stream().noneMatch(n -> n.noteId() == note)) {
            throw Refusal.notFound("note");
        }
        notes.close(note, looked.what().strip(), who.getName());
        return notes.of(id);
    }
}
