package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.sequence.Slot;
import prantel.core.setting.Effect;
import prantel.core.setting.Exploration;

/** Reference tool: ngspice, from Debian's packages, on the edited deck of every kind of fault that edits the network. */
class FaultsNgspiceTest {
    private static final List<String> RIGS =
            List.of("toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse");
    private static final int READINGS = 3;

    @TempDir
    Path folder;

    record Case(String kind, Rig rig, Fault fault) {
        @Override
        public String toString() {
            return kind + " on " + rig.id();
        }
    }

    /** For each kind its first place on the first demo rig that has one. */
    static Stream<Case> oneOfEachKind() throws Exception {
        List<Rig> rigs = new ArrayList<>();
        for (String name : RIGS) {
            rigs.add(DemoRigsTest.rig(name));
        }
        return FaultCatalogue.kinds().stream()
                .flatMap(kind -> rigs.stream()
                        .flatMap(rig -> FaultCatalogue.everyFault(rig).stream()
                                .filter(f -> f.kind() == kind
                                        && !f.edits(rig, Variation.NONE).isEmpty())
                                .map(f -> new Case(kind.id(), rig, f)))
                        .findFirst()
                        .stream());
    }

    @ParameterizedTest
    @MethodSource("oneOfEachKind")
    void readingsThatAFaultMovesAgree(Case one) throws Exception {
        Key healthy = Key.of(one.rig(), FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());
        Effect effect = Exploration.effect(one.fault(), healthy);
        List<Slot.Measured> moved = effect.changed().values().stream()
                .filter(e -> e.slot() instanceof Slot.Measured)
                .sorted(Comparator.comparingInt(FaultsNgspiceTest::rank))
                .map(e -> (Slot.Measured) e.slot())
                .limit(READINGS)
                .toList();
        Key key = healthy.with(FaultSet.of(one.fault()));
        List<Slot.Measured> slots = moved.isEmpty() ? firstOf(key) : moved;
        assertThat(Ngspice.compare(key, slots, folder, one.toString())).isPositive();
    }

    /** Numbers before over-range: they say more. */
    private static int rank(Expectation e) {
        return Double.isFinite(e.withFaults().base()) ? 0 : 1;
    }

    private static List<Slot.Measured> firstOf(Key key) {
        Optional<Slot.Measured> first = key.expectations().stream()
                .map(Expectation::slot)
                .filter(Slot.Measured.class::isInstance)
                .map(Slot.Measured.class::cast)
                .findFirst();
        return first.stream().toList();
    }
}
