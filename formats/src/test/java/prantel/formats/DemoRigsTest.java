package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Files;
import java.nio.file.Path;
import java.util.EnumSet;
import java.util.Set;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Rig;
import prantel.core.scheme.TestKind;

/** The five rigs that ship with the application, read as files and held against ngspice. */
class DemoRigsTest {
    @TempDir
    Path folder;

    static Rig rig(String name) throws Exception {
        return RigFile.read(Files.readAllBytes(Path.of("../demo", name + ".rig.json")));
    }

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void everyReadingAgreesWithNgspice(String name) throws Exception {
        Key key = Key.of(rig(name), FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());
        assertThat(Ngspice.compareAll(key, folder, name)).isGreaterThan(100);
    }

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse", "toll-cottage-v1"})
    void fileIsReadWrittenAndReadToTheSameRig(String name) throws Exception {
        Rig rig = rig(name);
        assertThat(RigFile.read(RigFile.write(rig))).isEqualTo(rig);
    }

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void everyHealthyReadingSatisfiesItsLimit(String name) throws Exception {
        Key key = Key.of(rig(name), FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());
        assertThat(key.expectations())
                .allSatisfy(e -> assertThat(e.satisfactory().orElse(true))
                        .as(e.slot().id() + " reads " + e.healthy().shown() + ", "
                                + e.slot().limit().orElse(null))
                        .isTrue());
    }

    @ParameterizedTest
    @ValueSource(strings = {"creamery"})
    void threePhaseRigGivesEveryTestOfTheFullSequence(String name) throws Exception {
        Key key = Key.of(rig(name), FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());
        Set<TestKind> steps = EnumSet.noneOf(TestKind.class);
        key.expectations().forEach(e -> steps.add(e.slot().step()));
        assertThat(steps).isEqualTo(EnumSet.copyOf(ShippedSchemes.everyTest().tests()));
    }
}
