package prantel.server.rigs;

import java.util.List;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.formats.RigTemplates;

/** What a new rig or a new circuit of each kind begins with, and the sizes there are. */
@RestController
@RequestMapping("/api/rig-templates")
class TemplateController {
    /**
     * @param rig a whole new rig, as file text
     * @param conductorSizes mm²
     */
    record Templates(
            String rig,
            List<RigTemplates.Template> circuits,
            String boardSection,
            String residual,
            List<Double> conductorSizes,
            List<RigTemplates.FuseSize> fuses) {}

    @GetMapping
    Templates all() {
        return new Templates(
                RigTemplates.rig(),
                RigTemplates.circuits(),
                RigTemplates.section(),
                RigTemplates.residual(),
                RigTemplates.conductorSizes(),
                RigTemplates.fuses());
    }
}
