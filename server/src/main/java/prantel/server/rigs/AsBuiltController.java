package prantel.server.rigs;

import java.security.Principal;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.expectation.AsBuilt;
import prantel.core.expectation.Drift;
import prantel.core.expectation.JointFit;
import prantel.core.instrument.Tester;
import prantel.core.quantity.Check;
import prantel.core.quantity.ProblemsException;
import prantel.core.sequence.SlotId;
import prantel.formats.ShippedSchemes;
import prantel.server.workshop.AsBuiltReadings;
import prantel.server.workshop.DocumentRef;
import prantel.server.workshop.Workshop;

/** Healthy readings of the real board, and what they say about its description. */
@RestController
@RequestMapping("/api/rigs/{id}/versions/{version}/as-built")
class AsBuiltController {
    /** In tolerances. Common practice, no source. */
    private static final double FAR_OFF = 3;

    private final AsBuiltReadings readings;
    private final Workshop workshop;

    AsBuiltController(AsBuiltReadings readings, Workshop workshop) {
        this.readings = readings;
        this.workshop = workshop;
    }

    /** @param fit null while too few readings are there */
    record AsBuiltView(List<Taken> taken, @Nullable FitLine fit, String whyNoFit) {}

    /** @param says "0.03 Ω above the model: within tolerance" */
    record Taken(
            String slot, String text, String by, OffsetDateTime at, double tolerances, boolean beyond, String says) {}

    /** Values that fit the readings best, mΩ; differences as root mean square, Ω. */
    record FitLine(
            double terminationMilliohms,
            double contactMilliohms,
            double rmsBeforeOhms,
            double rmsAfterOhms,
            int readings) {}

    record HealthyReading(String slot, String text) {}

    @GetMapping
    AsBuiltView view(@PathVariable String id, @PathVariable int version) {
        return view(new DocumentRef(id, version));
    }

    @PostMapping
    AsBuiltView keep(
            @PathVariable String id, @PathVariable int version, @RequestBody HealthyReading reading, Principal who) {
        DocumentRef ref = new DocumentRef(id, version);
        readings.keep(ref, reading.slot(), reading.text(), who.getName());
        return view(ref);
    }

    private AsBuiltView view(DocumentRef ref) {
        Tester tester = workshop.firstTester();
        Map<String, AsBuiltReadings.Taken> rows = readings.taken(ref);
        List<Taken> taken = new ArrayList<>();
        for (Drift drift : readings.drifts(ref, tester)) {
            String slot = drift.modelled().slot().id().value();
            AsBuiltReadings.Taken row = rows.get(slot);
            if (row != null) {
                taken.add(new Taken(
                        slot,
                        row.text(),
                        row.takenBy(),
                        row.takenAt(),
                        Double.isFinite(drift.tolerances()) ? drift.tolerances() : 99,
                        drift.isBeyond(),
                        says(drift)));
            }
        }
        try {
            JointFit fit = JointFit.of(workshop.rig(ref), ShippedSchemes.everyTest(), near(ref, tester));
            return new AsBuiltView(taken, line(fit), "");
        } catch (ProblemsException e) {
            return new AsBuiltView(taken, null, e.problems().getFirst().mend());
        }
    }

    /** Readings far off say that something is wrong, not how good the joints are: they are left out of the fit. */
    private AsBuilt near(DocumentRef ref, Tester tester) {
        Map<SlotId, Double> near = new HashMap<>();
        for (Drift drift : readings.drifts(ref, tester)) {
            if (drift.tolerances() <= FAR_OFF) {
                near.put(drift.modelled().slot().id(), drift.measured());
            }
        }
        return new AsBuilt(near);
    }

    private static FitLine line(JointFit fit) {
        return new FitLine(
                fit.fitted().terminationMilliohms(),
                fit.fitted().contactMilliohms(),
                fit.rmsBeforeOhms(),
                fit.rmsAfterOhms(),
                fit.readings());
    }

    private static String says(Drift drift) {
        String model = "the description gives " + drift.modelled().healthy().shown();
        if (drift.isBeyond()) {
            return model + ": beyond tolerance. Is something on this board not as described, or a fault left on?";
        }
        return model + "; " + Check.plain(Math.round(drift.tolerances() * 100)) + " % of the tolerance used";
    }
}
