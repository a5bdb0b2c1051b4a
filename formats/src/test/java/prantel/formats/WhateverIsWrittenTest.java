package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatCode;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import org.junit.jupiter.api.parallel.Execution;
import org.junit.jupiter.api.parallel.ExecutionMode;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.feedback.FeedbackDraft;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Testers;
import prantel.core.marking.CandidateRecord;
import prantel.core.marking.MarkedSheet;
import prantel.core.marking.Marker;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.sequence.SlotId;

/** Whatever stands in the boxes, a record is marked, explained and told of: a sheet of noughts is a sheet too. */
@Execution(ExecutionMode.CONCURRENT)
class WhateverIsWrittenTest {
    private static final List<String> TEXTS = List.of(
            "0",
            "0.00 Ω",
            "0.00",
            "-0.05",
            "0 MΩ",
            "0 kA",
            "0 ms",
            "1e308",
            "0.0000001",
            "999999999 MΩ",
            "> 0",
            ">999 MΩ",
            "OL",
            "none",
            "yes",
            "tripped",
            "×",
            "NaN",
            "0,3");
    /** In each box of a sheet. */
    private static final List<String> EVERYWHERE = List.of("0", "1e308", "> 0", "OL", "tripped");

    private static final int RIGS = 3;

    static List<String> schemes() {
        return List.copyOf(ShippedSchemes.all().keySet());
    }

    @ParameterizedTest
    @MethodSource("schemes")
    void isMarked(String scheme) throws Exception {
        Random random = new Random(scheme.hashCode());
        Key one = key(DemoRigsTest.rig("toll-cottage"), scheme, random);
        for (String everywhere : EVERYWHERE) {
            marked(one, sheet(one, everywhere, 0, random));
        }
        List<Rig> rigs = new ArrayList<>(List.of(DemoRigsTest.rig("bunkhouse")));
        for (int i = 0; i < RIGS; i++) {
            rigs.add(RandomRigs.rig(random));
        }
        for (Rig rig : rigs) {
            Key key = key(rig, scheme, random);
            for (double odd : new double[] {0.1, 0.4, 1}) {
                marked(key, sheet(key, "", odd, random));
            }
        }
    }

    private static void marked(Key key, Map<SlotId, String> readings) {
        assertThatCode(() -> {
                    MarkedSheet sheet = Marker.mark(key, new CandidateRecord(readings, Map.of(), List.of()));
                    assertThat(sheet.outcome().points())
                            .isBetween(0.0, sheet.outcome().outOf());
                    sheet.marks().forEach(m -> assertThat(m.words()).isNotNull());
                    FeedbackDraft.of(sheet, Map.of(), sheet.outcome(), true, Set.of());
                })
                .as("%s, %s", key.rig().name(), readings)
                .doesNotThrowAnyException();
    }

    /** @param everywhere what stands in each box, empty for the right reading @param odd share of boxes with anything at all */
    private static Map<SlotId, String> sheet(Key key, String everywhere, double odd, Random random) {
        Map<SlotId, String> readings = new LinkedHashMap<>();
        for (Expectation e : key.expectations()) {
            String right = everywhere.isEmpty() ? e.withFaults().shown() : everywhere;
            readings.put(e.slot().id(), random.nextDouble() < odd ? TEXTS.get(random.nextInt(TEXTS.size())) : right);
        }
        return readings;
    }

    /** With a fault, where the first one drawn goes with the rig. */
    private static Key key(Rig rig, String scheme, Random random) {
        Key healthy = Key.of(
                rig,
                FaultSet.NONE,
                Testers.usual(),
                ShippedSchemes.all().get(scheme).scheme());
        List<Fault> all = healthy.everyFault();
        try {
            return healthy.with(FaultSet.of(all.get(random.nextInt(all.size()))));
        } catch (ProblemsException e) {
            return healthy;
        }
    }
}
