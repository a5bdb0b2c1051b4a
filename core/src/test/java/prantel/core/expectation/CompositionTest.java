package prantel.core.expectation;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import org.junit.jupiter.api.Test;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.sequence.SlotId;

/** Boxes that come from others. */
class CompositionTest {
    private static final Key KEY = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.fullSequence());

    private static Expectation at(String id) {
        return KEY.expectation(new SlotId(id));
    }

    @Test
    void calculatedZsIsTheSumOfTheTwoReadingsShown() {
        double ze = at("origin/ze").healthy().base();
        double r1r2 = at("sockets/r1r2").healthy().base();
        assertThat(at("sockets/zs-calculated").healthy().base()).isCloseTo(ze + r1r2, within(1e-9));
        assertThat(at("sockets/zs-calculated").healthy().shown()).endsWith("\u2009Ω");
    }

    @Test
    void recordedValueIsTheHighestOfThePoints() {
        assertThat(at("sockets/r1r2").healthy())
                .isEqualTo(at("sockets/r1r2/socket-5").healthy());
        assertThat(at("sockets/zs").healthy().base())
                .isGreaterThanOrEqualTo(at("sockets/zs/socket-1").healthy().base());
    }

    @Test
    void bandOfTheHighestReachesFromTheHighestLowToTheHighestHigh() {
        Window band = at("sockets/r1r2").window();
        assertThat(band.low()).isEqualTo(at("sockets/r1r2/socket-5").window().low());
        assertThat(band.high()).isEqualTo(at("sockets/r1r2/socket-5").window().high());
    }

    @Test
    void openPointMakesTheRecordOpenAndTheSumTooFarToSay() {
        Key open = Key.of(
                Rigs.fiveSockets(),
                new FaultSet(java.util.List.of(Faults.cpcOpenAfter(3))),
                Testers.usual(),
                Schemes.fullSequence());
        assertThat(open.expectation(new SlotId("sockets/r1r2")).withFaults()).isInstanceOf(Reading.OverRange.class);
        assertThat(open.expectation(new SlotId("sockets/zs-calculated")).withFaults())
                .isInstanceOf(Reading.OverRange.class);
    }

    /** Ipf is the larger of PSCC and PEFC (common practice); in this supply the two hardly differ. */
    @Test
    void prospectiveCurrentOnRecordIsTheLarger() {
        double pscc = at("origin/ipf/pscc").healthy().base();
        double pefc = at("origin/ipf/pefc").healthy().base();
        assertThat(at("origin/ipf").healthy().base()).isEqualTo(Math.max(pscc, pefc));
        assertThat(pscc).isCloseTo(230 / 0.20, within(10.0));
    }
}
