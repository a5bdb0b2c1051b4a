package prantel.core.fault;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.expectation.Change;
import prantel.core.expectation.Key;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;
import prantel.core.sequence.Scheme;

class FaultCatalogueTest {
    private static final Rig RIG = Rigs.fiveSockets();

    static Stream<Fault> everyUsualFaultEverywhere() {
        return FaultCatalogue.places(RIG).stream()
                .flatMap(place -> FaultCatalogue.fitting(place, RIG).stream()
                        .flatMap(kind -> kind.conductorChoices().stream()
                                .map(c -> new Fault(
                                        kind,
                                        place,
                                        c,
                                        kind.magnitude()
                                                .map(m -> m.unit().toBase(m.usual()))
                                                .orElse(0.0)))));
    }

    @ParameterizedTest
    @MethodSource("everyUsualFaultEverywhere")
    void usualFaultIsFindableAndSaysHowItIsSet(Fault fault) {
        Key key = Key.of(RIG, new FaultSet(List.of(fault)), Testers.usual(), Scheme.workshop());
        assertThat(key.expectations().stream().map(e -> e.change().visibility()))
                .as("%s at %s", fault.title(), fault.place().label(RIG))
                .contains(Change.Visibility.FINDABLE);
        assertThat(fault.kind().instruction(fault, RIG)).endsWith(".");
        assertThat(fault.kind().acceptedPlaces(fault, RIG).getFirst()).isEqualTo(fault.place());
    }

    // A joint may stay in for live tests while the device still trips; by the Zs formula, BS 7671 411.4.4.
    @Test
    void jointIsDeadOnlyOnceTheDeviceWouldNoLongerTrip() {
        // B20: 0.8 · 2.185 = 1.748 Ω; Ze 0.35 and 36 m · 19.51 mΩ/m = 0.70 leave about 0.69 Ω for the joint
        assertThat(Faults.joint(3, Conductor.CPC, 0.60).safety(RIG)).isEqualTo(SafetyClass.MAY_STAY_LIVE);
        assertThat(Faults.joint(3, Conductor.CPC, 0.75).safety(RIG)).isEqualTo(SafetyClass.DEAD_ONLY);
    }

    @Test
    void whateverLeavesMetalUnearthedOrLeaksIsDeadOnly() {
        assertThat(Stream.of(
                                Faults.cpcOpenAfter(1),
                                Faults.reversed(2),
                                Faults.clampOnPaint(Rigs.GAS),
                                Faults.lowInsulation(1, Conductor.LINE, Conductor.CPC, 1))
                        .map(f -> f.safety(RIG)))
                .containsOnly(SafetyClass.DEAD_ONLY);
    }
}
