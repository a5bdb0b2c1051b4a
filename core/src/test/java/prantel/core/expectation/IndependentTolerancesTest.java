package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
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
import prantel.core.instrument.Meter;
import prantel.core.instrument.Reading;
import prantel.core.instrument.Tester;
import prantel.core.quantity.ProblemsException;
import prantel.core.rig.Rig;
import prantel.core.rig.Variation;
import prantel.core.scheme.Scheme;
import prantel.core.sequence.Slot;

/**
 * Every reading of a rig whose parts each went their own way within tolerance lies in its window, whatever is set: the
 * property that windows are for. Against physics alone: the network is solved anew for each draw.
 */
class IndependentTolerancesTest {
    private static final Scheme SCHEME = Schemes.fullSequence();
    private static final Tester TESTER = Testers.usual();

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void everyReadingOfARigBuiltInItsOwnWayLiesInItsWindow(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int r = 0; r < 12; r++) {
            Rig rig = RandomRigs.rig(random);
            Key healthy = Key.of(rig, FaultSet.NONE, TESTER, SCHEME);
            List<Fault> all = FaultCatalogue.everyFault(rig);
            for (int f = 0; f < 6; f++) {
                FaultSet faults = f == 0 ? FaultSet.NONE : faults(all, f % 3 + 1, rig, random);
                Key key = healthy.with(faults);
                for (int draw = 0; draw < 3; draw++) {
                    check(key, rig, faults, "seed " + seed + ", rig " + r + ", set " + f, random);
                }
            }
        }
    }

    private static void check(Key key, Rig rig, FaultSet faults, String what, SplittableRandom random) {
        Bench bench = Bench.asBuilt(rig, faults, () -> draw(random));
        for (Expectation e : key.expectations()) {
            if (e.slot() instanceof Slot.Measured slot) {
                Reading read = read(bench.find(slot), slot);
                assertThat(Readings.isIn(e.window(), read))
                        .as(what + ", " + slot.id() + " reads " + read.shown() + ", declared "
                                + e.withFaults().shown() + ", window " + e.window() + ", faults "
                                + faults.faults().stream()
                                        .map(x -> x.title() + " at " + x.place().id())
                                        .toList())
                        .isTrue();
            }
        }
    }

    private static Reading read(Found found, Slot.Measured slot) {
        return switch (found) {
            case Found.Number number -> meter(slot).show(number.base());
            case Found.Words words -> new Reading.Said(words.saying());
            case Found.Stopped stopped -> new Reading.NoReading(stopped.stop(), stopped.where(), slot.boxUnit());
        };
    }

    private static Meter meter(Slot.Measured slot) {
        return TESTER.meter(slot.function()).orElseThrow();
    }

    static FaultSet faults(List<Fault> all, int count, Rig rig, SplittableRandom random) {
        List<Fault> picked = new ArrayList<>();
        while (picked.size() < count) {
            Fault fault = all.get(random.nextInt(all.size()));
            List<Fault> tried = new ArrayList<>(picked);
            tried.add(fault);
            try {
                new FaultSet(tried).checkOn(rig);
                picked.add(fault);
            } catch (ProblemsException twice) {
                // another one
            }
        }
        return new FaultSet(picked);
    }

    static Variation draw(SplittableRandom random) {
        Variation low = SCHEME.practice().tolerances().low();
        Variation high = SCHEME.practice().tolerances().high();
        return new Variation(
                between(low.cable(), high.cable(), random),
                between(low.joints(), high.joints(), random),
                between(low.insulation(), high.insulation(), random),
                between(low.setResistor(), high.setResistor(), random),
                between(low.supply(), high.supply(), random),
                between(low.volts(), high.volts(), random),
                new Variation.Trip(
                        between(low.trip().current(), high.trip().current(), random),
                        between(low.trip().time(), high.trip().time(), random)));
    }

    /** Ends more often than the middle: that is where a window is too narrow. */
    private static double between(double a, double b, SplittableRandom random) {
        double where = random.nextInt(3) == 0 ? random.nextInt(2) : random.nextDouble();
        return a + where * (b - a);
    }
}
