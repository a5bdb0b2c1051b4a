package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Notation;
import prantel.core.rig.Rig;
import prantel.core.sequence.Slot;

/** What a display shows can be written as it is shown, and is what the rig gives: a box may be filled by the tester itself. */
class ShownIsReadTest {
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void everyReadingIsReadAgainAndIsInside(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        Rig rig = RandomRigs.rig(random);
        Key healthy = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        List<Fault> all = FaultCatalogue.everyFault(rig);
        for (int i = 0; i < 12; i++) {
            Key key = healthy.with(FaultSet.of(all.get(random.nextInt(all.size()))));
            for (Expectation e : key.expectations()) {
                if (e.slot() instanceof Slot.Measured slot && slot.measurement().isReading()) {
                    String shown = e.withFaults().shown();
                    assertThat(e.window().sideOf(Notation.read(shown, slot.boxUnit())))
                            .as("%s of %s: %s", slot.id(), key.faults().faults(), shown)
                            .isEqualTo(Window.Side.INSIDE);
                }
            }
        }
    }
}
