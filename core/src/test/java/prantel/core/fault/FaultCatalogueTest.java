package prantel.core.fault;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.fixtures.Rigs;
import prantel.core.rig.Rig;

class FaultCatalogueTest {
    private static final Rig RIG = Rigs.fiveSockets();

    static Stream<Fault> everyUsualFaultEverywhere() {
        return FaultCatalogue.everyFault(RIG).stream();
    }

    @ParameterizedTest
    @MethodSource("everyUsualFaultEverywhere")
    void everyFaultFitsItsRigAndSaysHowItIsSetAndFound(Fault fault) {
        fault.checkOn(RIG);
        assertThat(fault.instruction(RIG)).endsWith(".").hasSizeGreaterThan(20);
        assertThat(fault.kind().symptom()).endsWith(".");
        assertThat(fault.kind().remedy()).endsWith(".");
        assertThat(fault.kind().symptoms()).isNotEmpty();
        assertThat(fault.kind().acceptedPlaces(fault, RIG).getFirst()).isEqualTo(fault.place());
        assertThat(Place.parse(fault.place().id(), RIG)).isEqualTo(fault.place());
    }

    @Test
    void equivalentKindsExist() {
        assertThat(FaultCatalogue.kinds())
                .allSatisfy(k -> assertThat(k.equivalentKinds(RIG))
                        .allSatisfy(e -> assertThat(FaultCatalogue.kind(e)).isNotNull()));
    }

    @Test
    void idsAreDistinctAndEveryGroupHasKinds() {
        assertThat(FaultCatalogue.kinds().stream().map(FaultKind::id)).doesNotHaveDuplicates();
        assertThat(FaultCatalogue.kinds().stream().map(FaultKind::group)).contains(FaultGroup.values());
    }
}
