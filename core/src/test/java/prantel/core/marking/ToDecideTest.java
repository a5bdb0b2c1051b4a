package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import prantel.core.expectation.Key;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.inference.Cause;
import prantel.core.marking.Mark.Award;
import prantel.core.rig.Conductor;
import prantel.core.scheme.TestKind;

/** What an assessor has to decide: a cause once with all that it costs, then what no cause accounts for. */
class ToDecideTest {
    private static final FaultSet JOINT = FaultSet.of(Faults.joint(3, Conductor.CPC, 1.5));
    private static final Key KEY = Key.of(Rigs.fiveSockets(), JOINT, Testers.usual(), Schemes.workshop());

    private static MarkedSheet marked(Sheets sheet) {
        return Marker.mark(KEY, sheet.record());
    }

    private static List<ToDecide> of(MarkedSheet sheet) {
        return ToDecide.of(sheet.findings(), sheet.marks());
    }

    @Test
    void nothingIsToDecideOfAPerfectSheet() {
        assertThat(of(marked(Sheets.perfect(KEY)))).isEmpty();
    }

    @Test
    void leadsAreOneDecisionWithTheMarkTheyCost() {
        MarkedSheet sheet = marked(Sheets.perfect(KEY).add(KEY, TestKind.R1_R2, 0.3));
        assertThat(of(sheet)).singleElement().satisfies(d -> {
            assertThat(d.cause()).contains(Cause.LEADS_NOT_NULLED);
            assertThat(d.costs()).isEqualTo(0.5);
            assertThat(d.boxes()).hasSizeGreaterThanOrEqualTo(5);
            assertThat(d.marks()).extracting(Mark::title).containsExactly("Leads nulled");
        });
    }

    /** Every mark that is not full stands in exactly one decision, and its points are counted once. */
    @Test
    void everyMarkThatIsLostStandsInOneDecision() {
        Sheets spoilt = Sheets.perfect(KEY)
                .add(KEY, TestKind.R1_R2, 0.3)
                .write("sockets/ir500/l-e", "")
                .write("bond/water/part", "0.9");
        spoilt.faults = List.of();
        MarkedSheet sheet = marked(spoilt);
        List<ToDecide> all = of(sheet);
        List<String> told = new ArrayList<>();
        all.forEach(d -> d.marks().forEach(m -> told.add(m.id())));
        List<String> lost = sheet.marks().stream()
                .filter(m -> m.wantsDecision() && (m.award() != Award.FULL || m.isLookedAtFirst()))
                .map(Mark::id)
                .toList();
        assertThat(lost).hasSizeGreaterThan(3);
        assertThat(told).containsExactlyInAnyOrderElementsOf(lost);
        assertThat(all.stream().mapToDouble(ToDecide::costs).sum())
                .isEqualTo(sheet.marks().stream()
                        .mapToDouble(m -> m.weight() - m.points())
                        .sum());
        // a fault that was not found refers by itself: it is read first
        assertThat(all.getFirst().marks()).anyMatch(Mark::key);
        assertThat(all)
                .filteredOn(d -> d.cause().equals(Optional.of(Cause.LEADS_NOT_NULLED)))
                .hasSize(1);
    }
}
