package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.file.Path;
import java.util.List;
import java.util.SplittableRandom;
import java.util.random.RandomGenerator;
import java.util.stream.Stream;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import prantel.core.expectation.Key;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Conductor;
import prantel.core.rig.Rig;

/** Reference tool: ngspice, from Debian's packages, runs the deck unchanged and must read what the core reads. */
class NgspiceTest {
    @TempDir
    Path folder;

    record Case(String name, Rig rig, List<Fault> faults) {
        @Override
        public String toString() {
            return name;
        }
    }

    static Stream<Case> cases() {
        Rig rig = Rigs.fiveSockets();
        return Stream.concat(
                Stream.of(
                        new Case("healthy", rig, List.of()),
                        new Case("CPC open after 3", rig, List.of(Faults.cpcOpenAfter(3))),
                        new Case("joint in the CPC at 2", rig, List.of(Faults.joint(2, Conductor.CPC, 0.62))),
                        new Case("joint in the line at 5", rig, List.of(Faults.joint(5, Conductor.LINE, 1.7))),
                        new Case("reversed at 4", rig, List.of(Faults.reversed(4))),
                        new Case(
                                "leak L-E", rig, List.of(Faults.lowInsulation(1, Conductor.LINE, Conductor.CPC, 0.05))),
                        new Case(
                                "leak L-N",
                                rig,
                                List.of(Faults.lowInsulation(3, Conductor.LINE, Conductor.NEUTRAL, 20))),
                        new Case(
                                "leak N-E", rig, List.of(Faults.lowInsulation(5, Conductor.NEUTRAL, Conductor.CPC, 2))),
                        new Case("clamp on paint", rig, List.of(Faults.clampOnPaint(Rigs.WATER))),
                        new Case(
                                "four together",
                                rig,
                                List.of(
                                        Faults.joint(2, Conductor.CPC, 0.4),
                                        Faults.reversed(3),
                                        Faults.cpcOpenAfter(4),
                                        Faults.lowInsulation(5, Conductor.LINE, Conductor.CPC, 0.3)))),
                randomRigs());
    }

    /** Seeds are in the names. */
    private static Stream<Case> randomRigs() {
        return Stream.of(11L, 12L, 13L, 14L, 15L, 16L).map(seed -> {
            RandomGenerator random = new SplittableRandom(seed);
            double[] at = new double[random.nextInt(2, 25)];
            double metres = 0;
            for (int i = 0; i < at.length; i++) {
                metres += random.nextDouble(0.5, 12);
                at[i] = metres;
            }
            Rig rig = Rigs.rig(Rigs.usual(), at);
            int socket = random.nextInt(1, at.length);
            return new Case(
                    "random rig, seed " + seed,
                    rig,
                    List.of(
                            Faults.joint(socket, Conductor.CPC, random.nextDouble(0.05, 5)),
                            Faults.lowInsulation(
                                    socket, Conductor.NEUTRAL, Conductor.CPC, random.nextDouble(0.1, 20))));
        });
    }

    @ParameterizedTest
    @MethodSource("cases")
    void agreesWithEveryReading(Case theCase) throws Exception {
        Key key = Key.of(theCase.rig(), new FaultSet(theCase.faults()), Testers.usual(), ShippedSchemes.everyTest());
        assertThat(Ngspice.compareAll(key, folder, theCase.name())).isPositive();
    }
}
