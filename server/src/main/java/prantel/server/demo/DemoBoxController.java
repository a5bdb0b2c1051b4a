package prantel.server.demo;

import org.jspecify.annotations.Nullable;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.devices.SimulatedFaultBox;
import prantel.server.web.Refusal;

/** What can happen to a simulated fault box: its power goes, a contact welds. For assessors, in the demo only. */
@RestController
@ConditionalOnProperty(name = "prantel.demo", havingValue = "true")
@RequestMapping("/api/simulated-boxes/{bayId}")
class DemoBoxController {
    private final DemoFaultBoxes boxes;

    DemoBoxController(DemoFaultBoxes boxes) {
        this.boxes = boxes;
    }

    record Power(boolean on) {}

    /** @param closed null frees the contact */
    record Weld(int relay, @Nullable Boolean closed) {}

    record Happened(boolean done) {}

    @PostMapping("/power")
    Happened power(@PathVariable String bayId, @RequestBody Power power) {
        if (power.on()) {
            box(bayId).powerOn();
        } else {
            box(bayId).powerOff();
        }
        return new Happened(true);
    }

    @PostMapping("/weld")
    Happened weld(@PathVariable String bayId, @RequestBody Weld weld) {
        prantel.core.quantity.Check.between(
                weld.relay(), 1, SimulatedFaultBox.USUAL_RELAYS, "relay", "(number of the relay)");
        box(bayId).stick(weld.relay(), weld.closed());
        return new Happened(true);
    }

    private SimulatedFaultBox box(String bayId) {
        SimulatedFaultBox box = boxes.of(bayId);
        if (box == null) {
            throw Refusal.notFound("simulated box");
        }
        return box;
    }
}
