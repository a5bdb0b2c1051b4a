package prantel.server.practice;

import java.security.Principal;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** An assessor's practice on what an assessment has: its set, or a record that was handed in. */
@RestController
@RequestMapping("/api/assessments/{assessment}/practice")
class TryController {
    private final Practices practices;
    private final Origins origins;

    TryController(Practices practices, Origins origins) {
        this.practices = practices;
        this.origins = origins;
    }

    record PracticeTry(String id, Practices.Way way) {}

    /** @param box where it begins */
    record PracticeReplay(String id, String box) {}

    record PracticeBegun(String id) {}

    /** The rig with what is chosen for it, as the candidate will meet it. */
    @PostMapping
    PracticeBegun tried(@PathVariable String assessment, @RequestBody PracticeTry wanted, Principal who) {
        practices.begin(wanted.id(), who.getName(), () -> origins.tried(assessment, wanted.way()));
        return new PracticeBegun(wanted.id());
    }

    /** What a candidate wrote, and what must have been done to read it. */
    @PostMapping("/replay")
    PracticeBegun replay(@PathVariable String assessment, @RequestBody PracticeReplay wanted, Principal who) {
        practices.begin(wanted.id(), who.getName(), () -> origins.replay(assessment, wanted.box(), who.getName()));
        return new PracticeBegun(wanted.id());
    }
}
