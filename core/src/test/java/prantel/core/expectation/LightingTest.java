package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Saying;
import prantel.core.rig.Cable;
import prantel.core.rig.CircuitId;
import prantel.core.rig.LightGroup;
import prantel.core.rig.LightSwitch;
import prantel.core.rig.Lighting;
import prantel.core.rig.Load;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;

/** Two-way and intermediate switching as a network: expected paths by hand from cable lengths (physics). */
class LightingTest {
    private static final CircuitId LIGHTS = new CircuitId("lights");
    private static final double TRUNK = 7;
    private static final double DROP = 4;
    private static final double BETWEEN = 5;

    private static Rig rig(LightGroup.Feed feed, int switches) {
        List<LightSwitch> all = new ArrayList<>();
        for (int i = 0; i < switches; i++) {
            all.add(new LightSwitch(new PointId("switch-" + i), "switch " + i, i == 0 ? DROP : BETWEEN));
        }
        LightGroup group = new LightGroup(
                "room",
                "Room",
                feed,
                List.of(new LightGroup.Lamp(
                        new PointId("lamp"), "lamp", TRUNK, new Load(Load.Kind.FILAMENT_LAMP, 60), true)),
                all);
        return Rigs.rig(
                Rigs.perfect(), List.of(new Lighting(Rigs.head(LIGHTS, 1, 6, new Cable(1.5, 1.0)), List.of(group))));
    }

    private static Key key(Rig rig) {
        return Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
    }

    private static List<Expectation> of(Key key, TestKind step) {
        return key.expectations().stream()
                .filter(e -> e.slot().step() == step && e.slot() instanceof Slot.Measured)
                .toList();
    }

    /** Line down to the switch, along the strappers and back: trunk + 2 drops + twice between the switches; CPC: trunk. */
    @ParameterizedTest
    @CsvSource({"1", "2", "3", "4", "6"})
    void lampReadsItsWholePathInEveryPositionInWhichItIsOn(int switches) {
        Key key = key(rig(LightGroup.Feed.LAMP, switches));
        double line = 12.10e-3 * (TRUNK + 2 * DROP + 2 * BETWEEN * (switches - 1));
        double cpc = 18.10e-3 * TRUNK;
        List<Expectation> readings = of(key, TestKind.R1_R2);
        assertThat(readings).hasSize(switches);
        Bench bench = new Bench(key.rig(), FaultSet.NONE, prantel.core.rig.Variation.NONE);
        assertThat(readings)
                .allSatisfy(e -> assertThat(bench.value((Slot.Measured) e.slot()))
                        .isCloseTo(line + cpc, within(switches * 5e-3)));
    }

    @ParameterizedTest
    @EnumSource(LightGroup.Feed.class)
    void everySwitchOperatedAlonePutsTheLampOff(LightGroup.Feed feed) {
        for (int switches = 1; switches <= 5; switches++) {
            Key key = key(rig(feed, switches));
            assertThat(of(key, TestKind.POLARITY))
                    .hasSize(switches)
                    .allSatisfy(e -> assertThat(e.healthy()).isInstanceOf(Reading.OverRange.class));
            assertThat(of(key, TestKind.FUNCTIONAL))
                    .allSatisfy(e -> assertThat(e.healthy()).isEqualTo(new Reading.Said(Saying.WORKS)));
        }
    }

    /** Common practice: n + 1 rounds of three readings; three switches make 12. */
    @ParameterizedTest
    @CsvSource({"1, 3", "2, 9", "3, 12", "4, 15"})
    void insulationIsAskedForInOneRoundMoreThanThereAreSwitches(int switches, int readings) {
        Key key = key(rig(LightGroup.Feed.SWITCH, switches));
        assertThat(of(key, TestKind.INSULATION).stream()
                        .filter(e -> e.slot().id().value().contains("ir500"))
                        .toList())
                .hasSize(readings);
    }
}
