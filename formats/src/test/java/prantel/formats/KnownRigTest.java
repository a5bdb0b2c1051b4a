package prantel.formats;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Testers;
import prantel.core.rig.Rig;

/**
 * The short way to a key against the plain one: every kind of fault on every demo rig, at its first and its last place, from
 * the known healthy rig and from nothing.
 */
class KnownRigTest {
    /** Far finer than any display; the short way takes a change by 1e-10 of a reading for none. */
    private static final double FAR_BELOW_A_DIGIT = 1e-8;

    @ParameterizedTest
    @ValueSource(strings = {"toll-cottage", "ferry-kiosk", "signal-cabin", "creamery", "bunkhouse"})
    void everyKindOfFaultGivesTheSameKeyFromTheKnownRigAsAfresh(String name) throws Exception {
        Rig rig = DemoRigsTest.rig(name);
        Key healthy = Key.of(rig, FaultSet.NONE, Testers.usual(), ShippedSchemes.everyTest());
        Map<String, Fault> first = new HashMap<>();
        Map<String, Fault> last = new HashMap<>();
        for (Fault fault : FaultCatalogue.everyFault(rig)) {
            first.putIfAbsent(fault.kind().id(), fault);
            last.put(fault.kind().id(), fault);
        }
        first.values().forEach(f -> sameKey(rig, healthy, FaultSet.of(f)));
        last.values().forEach(f -> sameKey(rig, healthy, FaultSet.of(f)));
    }

    private static void sameKey(Rig rig, Key healthy, FaultSet faults) {
        Key known = healthy.with(faults);
        Key fresh = Key.of(rig, faults, Testers.usual(), ShippedSchemes.everyTest());
        String title = faults.faults().getFirst().title();
        for (Expectation expected : fresh.expectations()) {
            Expectation found = known.expectation(expected.slot().id());
            String what = expected.slot().id() + ", " + title;
            assertThat(found.withFaults().shown())
                    .as(what)
                    .isEqualTo(expected.withFaults().shown());
            assertThat(found.slot().limit()).as(what).isEqualTo(expected.slot().limit());
            same(found.window(), expected.window(), what);
            assertThat(found.visibility()).as(what).isEqualTo(expected.visibility());
        }
    }

    private static void same(Window found, Window expected, String what) {
        assertThat(found.getClass()).as(what).isEqualTo(expected.getClass());
        if (expected instanceof Window.Between between) {
            close(((Window.Between) found).low(), between.low(), "low, " + what);
            close(((Window.Between) found).high(), between.high(), "high, " + what);
        } else if (expected instanceof Window.From from) {
            close(((Window.From) found).low(), from.low(), "low, " + what);
        } else {
            assertThat(found).as(what).isEqualTo(expected);
        }
    }

    private static void close(double found, double expected, String what) {
        if (Double.isInfinite(expected)) {
            assertThat(found).as(what).isEqualTo(expected);
        } else {
            assertThat(found).as(what).isCloseTo(expected, within(FAR_BELOW_A_DIGIT * Math.max(1, expected)));
        }
    }
}
