package prantel.core.sequence;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import prantel.core.fixtures.RandomRigs;
import prantel.core.fixtures.Schemes;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.PointId;
import prantel.core.rig.Rig;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Addresses of boxes and their spelling, which records keep. */
class BoxAddressTest {
    private static final Scheme SCHEME = Schemes.fullSequence();
    private static final CircuitId RING = new CircuitId("ring");

    /** On rigs of every shape: one spelling is one address. */
    @Test
    void twoBoxesAreNeverSpelledTheSame() {
        SplittableRandom random = new SplittableRandom(21);
        for (int n = 0; n < 40; n++) {
            Map<SlotId, BoxAddress> spelled = new HashMap<>();
            Set<BoxAddress> addresses = new HashSet<>();
            for (Slot slot : SlotPlan.of(RandomRigs.rig(random), SCHEME)) {
                assertThat(slot.id()).isEqualTo(slot.address().id());
                assertThat(spelled.put(slot.id(), slot.address()))
                        .as(slot.id().value())
                        .isNull();
                assertThat(addresses.add(slot.address())).as(slot.id().value()).isTrue();
            }
        }
    }

    /** As records of 2026 have them. */
    @Test
    void theSpellingNeverChanges() {
        Site socket = new Site.AtPoint(RING, new PointId("socket-3"));
        assertThat(spelled(TestKind.R1_R2, Quantity.R1_R2, socket)).isEqualTo("ring/r1r2/socket-3");
        assertThat(spelled(TestKind.RING, Quantity.R1_R2, socket)).isEqualTo("ring/ring/step-3/socket-3");
        assertThat(spelled(TestKind.RING, Quantity.R1_RN, socket)).isEqualTo("ring/ring/step-2/socket-3");
        assertThat(spelled(TestKind.RING, Quantity.RING_CPC, new Site.Whole(RING)))
                .isEqualTo("ring/ring/r2");
        assertThat(BoxAddress.ZE.id().value()).isEqualTo("origin/ze");
        assertThat(BoxAddress.of(TestKind.INSULATION, Quantity.INSULATION, new Site.Whole(RING))
                        .between(Conductor.LINE, Conductor.CPC)
                        .at(500, 2)
                        .id()
                        .value())
                .isEqualTo("ring/ir500/l-e/round-2");
        assertThat(BoxAddress.of(TestKind.IPF, Quantity.PSCC, new Site.Origin())
                        .between(Conductor.L1, Conductor.L2)
                        .id()
                        .value())
                .isEqualTo("origin/ipf/pscc-l1-l2");
    }

    private static String spelled(TestKind test, Quantity quantity, Site site) {
        return BoxAddress.of(test, quantity, site).id().value();
    }

    /** An id that is a word of the boxes' own meets none of theirs. */
    @Test
    void aPointCalledDeviceIsNotTheDevice() {
        CircuitId origin = new CircuitId("origin");
        assertThat(spelled(TestKind.R2, Quantity.R2, new Site.Whole(origin))).isEqualTo("~origin/r2");
        assertThat(spelled(TestKind.FUNCTIONAL, Quantity.SUPPLY_PRESENT, new Site.AtPoint(RING, new PointId("device"))))
                .isNotEqualTo(spelled(TestKind.FUNCTIONAL, Quantity.DEVICE_SWITCHES, new Site.Whole(RING)));
    }

    /** A later round has its first one among the boxes, and it is the same pair of the same circuit. */
    @Test
    void aRoundKnowsTheFirstOne() {
        SplittableRandom random = new SplittableRandom(22);
        int later = 0;
        for (int n = 0; n < 20; n++) {
            List<Slot> slots = SlotPlan.of(RandomRigs.rig(random), SCHEME);
            Set<SlotId> ids = new HashSet<>();
            slots.forEach(s -> ids.add(s.id()));
            for (Slot slot : slots) {
                if (slot.address().isOfALaterRound()) {
                    BoxAddress first = slot.address().inRound(1);
                    assertThat(ids).contains(first.id());
                    assertThat(first.isSameQuantity(slot.address())).isTrue();
                    assertThat(first.isOfALaterRound()).isFalse();
                    later++;
                }
            }
        }
        assertThat(later).isGreaterThan(100);
    }

    /** In its grid a box has a place of its own: no two of a group in one cell. */
    @Test
    void everyCellOfAGridHoldsOneBox() {
        SplittableRandom random = new SplittableRandom(23);
        for (int n = 0; n < 20; n++) {
            Rig rig = RandomRigs.rig(random);
            BoxWords words = new BoxWords(rig, SCHEME);
            Set<List<String>> cells = new HashSet<>();
            for (Slot slot : SlotPlan.sheet(rig, SCHEME)) {
                BoxAddress address = slot.address();
                if (!words.column(address).isEmpty()) {
                    assertThat(cells.add(List.of(
                                    address.test().name(),
                                    words.group(address),
                                    words.row(address),
                                    words.column(address))))
                            .as(slot.id().value())
                            .isTrue();
                }
            }
        }
    }

    /** What is said within a group and beside a point is never all of what is said, and nothing where that says it. */
    @Test
    void withinItsGroupABoxRepeatsNothing() {
        SplittableRandom random = new SplittableRandom(24);
        Rig rig = RandomRigs.rig(random);
        BoxWords words = new BoxWords(rig, SCHEME);
        for (Slot slot : SlotPlan.sheet(rig, SCHEME)) {
            String within = words.within(slot.address());
            String group = words.group(slot.address());
            assertThat(slot.where()).endsWith(within);
            assertThat(!group.isEmpty() && within.startsWith(group + ", "))
                    .as(slot.where())
                    .isFalse();
        }
    }
}
