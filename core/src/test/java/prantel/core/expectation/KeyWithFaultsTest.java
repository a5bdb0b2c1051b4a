package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Rig;

/** A key made from a known one is the key made afresh: the short way against the plain one. */
class KeyWithFaultsTest {
    private static final double LAST_BITS = 1e-7;

    private static Fault random(Rig rig, SplittableRandom random) {
        List<Fault> all = FaultCatalogue.everyFault(rig);
        return all.get(random.nextInt(all.size()));
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6})
    void knownRigWithAFaultGivesTheSameKeyAsAFreshOne(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 8; n++) {
            Rig rig = RandomRigs.rig(random);
            sameKeys(rig, FaultSet.of(random(rig, random)), "seed " + seed + ", rig " + n);
        }
    }

    /** Two faults may concern one branch, or mask each other; what is told of them is told of both together. */
    @ParameterizedTest
    @ValueSource(longs = {11, 12, 13, 14})
    void knownRigWithSeveralFaultsGivesTheSameKeyAsAFreshOne(long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        for (int n = 0; n < 8; n++) {
            Rig rig = RandomRigs.rig(random);
            Fault one = random(rig, random);
            Fault other = random(rig, random);
            FaultSet both = one.equals(other) ? FaultSet.of(one) : FaultSet.of(one, other);
            if (fits(both, rig)) {
                sameKeys(rig, both, "seed " + seed + ", rig " + n);
            }
        }
    }

    private static boolean fits(FaultSet faults, Rig rig) {
        try {
            faults.checkOn(rig);
            return true;
        } catch (prantel.core.quantity.ProblemsException e) {
            // the same fault twice
            return false;
        }
    }

    private static void sameKeys(Rig rig, FaultSet faults, String where) {
        Key healthy = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        Key fresh = Key.of(rig, faults, Testers.usual(), Schemes.fullSequence());
        Key known = healthy.with(faults);
        String what = where + ", " + faults.faults().stream().map(Fault::title).toList();
        for (Expectation expected : fresh.expectations()) {
            Expectation e = known.expectation(expected.slot().id());
            assertThat(e.withFaults().shown())
                    .as(expected.slot().id() + ", " + what)
                    .isEqualTo(expected.withFaults().shown());
            same(e.window(), expected.window(), expected.slot().id() + ", " + what);
        }
    }

    private static void same(Window a, Window b, String what) {
        assertThat(a).as(what).hasSameClassAs(b);
        switch (b) {
            case Window.Between between -> {
                same(a.low(), between.low(), what);
                same(a.high(), between.high(), what);
            }
            case Window.From from -> same(a.low(), from.low(), what);
            case Window.AnyOf(var parts) -> {
                assertThat(((Window.AnyOf) a).parts()).as(what).hasSameSizeAs(parts);
                for (int i = 0; i < parts.size(); i++) {
                    same(((Window.AnyOf) a).parts().get(i), parts.get(i), what);
                }
            }
            default -> assertThat(a).as(what).isEqualTo(b);
        }
    }

    private static void same(double a, double b, String what) {
        if (Double.isInfinite(b)) {
            assertThat(a).as(what).isEqualTo(b);
        } else {
            assertThat(a)
                    .as(what)
                    .isCloseTo(b, org.assertj.core.data.Offset.offset(LAST_BITS * Math.max(1, Math.abs(b))));
        }
    }

    @Test
    void healthyKeyIsLeftAsItWas() {
        Rig rig = RandomRigs.rig(new SplittableRandom(77));
        Key healthy = Key.of(rig, FaultSet.NONE, Testers.usual(), Schemes.fullSequence());
        List<Expectation> before = healthy.expectations();
        healthy.with(new FaultSet(List.of(random(rig, new SplittableRandom(78)))));
        assertThat(healthy.with(FaultSet.NONE).expectations()).isEqualTo(before);
    }
}
