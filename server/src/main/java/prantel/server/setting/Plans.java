package prantel.server.setting;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;
import prantel.core.assessment.Assessment;
import prantel.core.expectation.Key;
import prantel.core.expectation.KeyName;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultBox;
import prantel.core.fault.FaultSet;
import prantel.core.inference.WhatIsSet;
import prantel.core.rig.Rig;
import prantel.core.safety.SafetyCheck;
import prantel.core.sequence.SlotId;
import prantel.core.setting.CheckPlan;
import prantel.core.setting.Hypothesis;
import prantel.server.keys.Explorations;
import prantel.server.keys.PureValues;

/** What Set, Prove, Go live and Clear work out again and again, worked out once: their screens ask every few seconds. */
@Component
class Plans {
    private final PureValues values;
    private final Explorations explorations;

    Plans(PureValues values, Explorations explorations) {
        this.values = values;
        this.explorations = explorations;
    }

    private record Proving(KeyName key) {}

    private record Clearing(KeyName left, List<Fault> out) {}

    private record Safety(Rig rig, FaultSet faults) {}

    private record Ranking(KeyName key, Map<SlotId, String> readings, FaultSet before, boolean byHand) {}

    /** Readings that prove a set. */
    CheckPlan proving(Key key) {
        return values.of(
                new Proving(key.name()),
                () -> CheckPlan.of(key, explorations.of(key), FaultBox.of(key.rig())::isByHand));
    }

    /** Readings that prove faults taken out. @param left key with those that stay */
    CheckPlan clearing(Key left, List<Fault> out) {
        return values.of(
                new Clearing(left.name(), List.copyOf(out)),
                () -> CheckPlan.ofClearing(left, out, explorations.of(left)));
    }

    SafetyCheck.Report safety(Rig rig, FaultSet faults) {
        return values.of(new Safety(rig, faults), () -> SafetyCheck.of(rig, faults));
    }

    /** What readings taken at the rig speak for. @param byHand whether a hand may have set a fault elsewhere */
    List<WhatIsSet.Ranked> ranking(Key key, Map<String, Assessment.Taken> taken, FaultSet before, boolean byHand) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        taken.forEach((slot, t) -> {
            if (key.has(new SlotId(slot))) {
                readings.put(new SlotId(slot), t.text());
            }
        });
        Predicate<Fault> hands = byHand ? FaultBox.of(key.rig())::isByHand : f -> false;
        return values.of(
                new Ranking(key.name(), readings, before, byHand),
                () -> WhatIsSet.of(key, readings, Hypothesis.instead(key, explorations.of(key), before, hands)));
    }
}
