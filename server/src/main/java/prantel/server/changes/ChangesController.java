package prantel.server.changes;

import io.swagger.v3.oas.annotations.Hidden;
import java.security.Principal;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Server-sent events for those who assess: which assessment changed. */
/* a stream has no place among the types of the interface */
@Hidden
@RestController
@RequestMapping("/api/changes")
class ChangesController {
    private final Changes changes;

    ChangesController(Changes changes) {
        this.changes = changes;
    }

    @GetMapping(produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    SseEmitter changes(Principal who) {
        return changes.open(who.getName());
    }
}
