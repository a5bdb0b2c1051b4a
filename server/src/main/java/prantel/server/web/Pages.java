package prantel.server.web;

import org.springframework.stereotype.Controller;
import org.springframework.web.bind.annotation.GetMapping;

/** Routes of the browser's own pages, so that a link to one can be opened directly. */
@Controller
class Pages {
    @GetMapping({
        "/",
        "/sign-in",
        "/set-up",
        "/pair",
        "/invitation",
        "/account",
        "/floor",
        "/records",
        "/workshop",
        "/reference",
        "/glossary",
        "/rigs/**",
        "/schemes",
        "/schemes/**",
        "/class-plan",
        "/rigs",
        "/bays/**",
        "/assessments/**",
        "/practice",
        "/practice/*",
        "/my/**"
    })
    String page() {
        return "forward:/index.html";
    }
}
