package prantel.core.fault;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import prantel.core.expectation.Key;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Reading;
import prantel.core.rig.Cable;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Point;
import prantel.core.rig.PointKind;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.sequence.SlotId;

/** Faults of rings against what the trade says of them and against two ways round in parallel. */
class RingFaultsTest {
    private static final CircuitId UPPER = new CircuitId("upper");
    private static final CircuitId LOWER = new CircuitId("lower");
    /** 2.5/1.5 by IEC 60228. */
    private static final Cable CABLE = new Cable(2.5, 1.5);

    private static Ring ring(CircuitId id, int way, double metres) {
        List<Point> points = new ArrayList<>();
        for (int i = 1; i <= 5; i++) {
            points.add(new Point(Rigs.socket(i), "socket " + i, PointKind.TWIN_SOCKET, metres * i / 6));
        }
        return new Ring(Rigs.head(id, way, 32, CABLE), metres, points);
    }

    private static Rig rig() {
        return Rigs.rig(Rigs.perfect(), List.of(ring(UPPER, 1, 60), ring(LOWER, 2, 48)));
    }

    private static Key key(Fault fault) {
        return Key.of(rig(), FaultSet.of(fault), Testers.usual(), Schemes.workshop());
    }

    private static Reading read(Key key, String slot) {
        return key.expectation(new SlotId(slot)).withFaults();
    }

    private static Fault at(String kind, Place place, List<Conductor> conductors, Optional<Place> other) {
        return FaultCatalogue.kind(kind).usual(place, conductors, other, rig());
    }

    private static Place socket(int n) {
        return new Place.AtPoint(UPPER, Rigs.socket(n));
    }

    // Common practice, no source: an open leg reads open end to end, the other two conductors as before.
    @ParameterizedTest
    @EnumSource(
            value = Conductor.class,
            names = {"LINE", "NEUTRAL", "CPC"})
    void openLegOpensItsOwnConductorOnly(Conductor open) {
        Key key = key(at("ring-leg-open", socket(3), List.of(open), Optional.empty()));
        for (Conductor conductor : Conductor.SINGLE_PHASE) {
            String slot =
                    "upper/ring/" + (conductor == Conductor.LINE ? "r1" : conductor == Conductor.CPC ? "r2" : "rn");
            assertThat(read(key, slot) instanceof Reading.OverRange).as(slot).isEqualTo(conductor == open);
            assertThat(read(key, slot.replace("upper", "lower"))).isInstanceOf(Reading.Value.class);
        }
    }

    // Properly crossed, the way to a socket is x along one conductor and the rest along the other: 60 m · 7.41 mΩ/m
    // everywhere when both are alike, four times the quarter of r1 + rn divided by two.
    @Test
    void crossedReadingsOfAnOpenNeutralLieFlatAtR1() {
        Key key = key(at("ring-leg-open", socket(3), List.of(Conductor.NEUTRAL), Optional.empty()));
        for (int n = 1; n <= 5; n++) {
            assertThat(read(key, "upper/ring/step-2/socket-" + n).base()).isCloseTo(60 * 7.41e-3, within(0.011));
        }
    }

    // With a smaller CPC they slope: (60 − x) · 7.41 + x · 12.10 mΩ before the break, the other way round behind it.
    @Test
    void crossedReadingsOfAnOpenCpcSlope() {
        Key key = key(at("ring-leg-open", socket(3), List.of(Conductor.CPC), Optional.empty()));
        for (int n = 1; n <= 5; n++) {
            double x = 10.0 * n;
            double expected = n <= 3 ? (60 - x) * 7.41e-3 + x * 12.10e-3 : x * 7.41e-3 + (60 - x) * 12.10e-3;
            assertThat(read(key, "upper/ring/step-3/socket-" + n).base()).isCloseTo(expected, within(0.011));
        }
    }

    // 60 m and 48 m in series while the other ring's ends are in their terminals.
    @Test
    void exchangedEndsReadBothRingsInSeries() {
        Key key = key(at(
                "ring-ends-exchanged", new Place.AtCircuit(UPPER), List.of(), Optional.of(new Place.AtCircuit(LOWER))));
        for (String ring : List.of("upper", "lower")) {
            assertThat(read(key, ring + "/ring/r1").base()).isCloseTo(108 * 7.41e-3, within(0.011));
            assertThat(read(key, ring + "/ring/r2").base()).isCloseTo(108 * 12.10e-3, within(0.011));
        }
    }

    // Sockets 2 and 4 lie 20 m apart; 2 m of cable beside 20 m is 1.82 m: the ring is 41.8 m and not 60.
    @Test
    void bridgeShortensTheRingByTwoWaysInParallel() {
        Key key = key(at("ring-bridged", socket(2), List.of(), Optional.of(socket(4))));
        double metres = 60 - 20 + 20.0 * 2 / 22;
        assertThat(read(key, "upper/ring/r1").base()).isCloseTo(metres * 7.41e-3, within(0.006));
        assertThat(read(key, "upper/ring/r2").base()).isCloseTo(metres * 12.10e-3, within(0.006));
    }

    // 10 m of 1 mm² for 2.5 mm²: 10 · (18.10 − 7.41) mΩ = 0.107 Ω more. IEC 60228.
    @Test
    void reducedLegRaisesLineAndNeutralAlikeAndItsSmallerCpcToo() {
        Key key = key(at("ring-leg-reduced", socket(3), List.of(), Optional.empty()));
        for (String slot : List.of("r1", "rn")) {
            SlotId id = new SlotId("upper/ring/" + slot);
            double more = key.expectation(id).withFaults().base()
                    - key.expectation(id).healthy().base();
            assertThat(more).isCloseTo(0.107, within(0.011));
        }
        // its CPC is 1.0 mm² for 1.5 mm²: 10 · (18.10 − 12.10) mΩ = 0.06 Ω
        assertThat(read(key, "upper/ring/r2").base()
                        - key.expectation(new SlotId("upper/ring/r2")).healthy().base())
                .isCloseTo(0.06, within(0.011));
    }

    @Test
    void bridgeBetweenNeighboursIsNoBridge() {
        FaultKind kind = FaultCatalogue.kind("ring-bridged");
        Rig rig = key(at("ring-leg-open", socket(1), List.of(Conductor.LINE), Optional.empty()))
                .rig();
        assertThat(kind.others(socket(2), rig)).containsExactly(socket(4), socket(5));
        assertThat(kind.fits(socket(4), rig)).as("nothing far enough behind it").isFalse();
    }
}
