package prantel.core.safety;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.fault.Fault;
import prantel.core.fault.FaultCatalogue;
import prantel.core.fault.FaultSet;
import prantel.core.fault.Place;
import prantel.core.fault.SafetyClass;
import prantel.core.fixtures.Faults;
import prantel.core.fixtures.Rigs;
import prantel.core.limits.Breaker;
import prantel.core.rig.Board;
import prantel.core.rig.Cable;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitHead;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Device;
import prantel.core.rig.Impedance;
import prantel.core.rig.Load;
import prantel.core.rig.Point;
import prantel.core.rig.PointId;
import prantel.core.rig.PointKind;
import prantel.core.rig.Radial;
import prantel.core.rig.ResidualDevice;
import prantel.core.rig.Rig;
import prantel.core.rig.SectionId;
import prantel.core.rig.Supply;
import prantel.core.rig.Way;
import prantel.core.safety.Danger.Kind;

/** Each rule at the figure where it turns: I²R, U²/R, Ohm's law; usual tolerances of ± 5 % of what is set. Physics, no source. */
class SafetyFiguresTest {
    private static final CircuitId OTHER = new CircuitId("other");

    private static Radial withLoad(CircuitId id, int way, double watts) {
        Point heater = new Point(
                Rigs.socket(1),
                "heater",
                PointKind.APPLIANCE,
                9,
                Optional.empty(),
                watts > 0 ? Optional.of(new Load(Load.Kind.ELEMENT, watts)) : Optional.empty(),
                true);
        return new Radial(Rigs.head(id, way, 20, new Cable(2.5, 1.5)), false, List.of(heater));
    }

    private static Rig loaded(double watts) {
        return Rigs.rig(Rigs.perfect(), List.of(withLoad(Rigs.SOCKETS, 1, watts), withLoad(OTHER, 2, 0)));
    }

    private static Fault fault(String kind, CircuitId circuit, double size, Conductor... conductors) {
        return new Fault(
                FaultCatalogue.kind(kind), new Place.AtPoint(circuit, Rigs.socket(1)), List.of(conductors), size);
    }

    private static List<Danger> dangers(Rig rig, Kind kind, Fault... faults) {
        return SafetyCheck.of(rig, FaultSet.of(faults)).dangers().stream()
                .filter(d -> d.kind() == kind)
                .toList();
    }

    // 5 W ÷ (20 A)² = 12.5 mΩ, less 5 % for what is set; at 30 A 5.55 mΩ.
    @ParameterizedTest
    @CsvSource({
        "0, 0.0115, false",
        "0, 0.0121, true",
        // a heater of 1 A: the socket beside it still invites what the device lets through
        "230, 0.0115, false",
        "230, 0.0121, true",
        // 30 A are drawn through a device of 20 A for as long as it stands: the greater counts
        "6900, 0.0051, false",
        "6900, 0.0055, true"
    })
    void aJointIsHeatedByTheGreaterOfLoadAndRating(double watts, double ohms, boolean hot) {
        List<Danger> found = dangers(
                loaded(watts), Kind.HEATING, fault("high-resistance-joint", Rigs.SOCKETS, ohms, Conductor.LINE));
        assertThat(!found.isEmpty()).isEqualTo(hot);
    }

    @Test
    void theSentenceHasBothFigures() {
        String loads = dangers(
                        loaded(230), Kind.HEATING, fault("high-resistance-joint", Rigs.SOCKETS, 1, Conductor.LINE))
                .getFirst()
                .finding();
        assertThat(loads)
                .contains("at 20 A (its loads draw 1.00 A, which is 0.950 W")
                .contains("stands 5 W");
        assertThat(loads).contains("would turn 380 W");
        String bare = dangers(loaded(0), Kind.HEATING, fault("high-resistance-joint", Rigs.SOCKETS, 1, Conductor.LINE))
                .getFirst()
                .finding();
        assertThat(bare).contains("into heat at 20 A;").doesNotContain("loads draw");
    }

    // 230 V and 10 %: (253 V)² ÷ 5 W = 12.8 kΩ; + 5 % for what is set.
    @Test
    void whatBridgesTwoConductorsIsHeatedByTheirVoltage() {
        Rig rig = loaded(0);
        assertThat(dangers(
                        rig,
                        Kind.HEATING,
                        fault("low-insulation", Rigs.SOCKETS, 12_000, Conductor.LINE, Conductor.NEUTRAL)))
                .singleElement()
                .satisfies(d -> assertThat(d.finding()).contains("between its conductors"));
        assertThat(dangers(
                        rig,
                        Kind.HEATING,
                        fault("low-insulation", Rigs.SOCKETS, 14_000, Conductor.LINE, Conductor.NEUTRAL)))
                .isEmpty();
    }

    /** No load flows in a CPC, unless something else of the circuit makes it carry one. */
    @Test
    void aJointInTheCpcIsHeatedOnlyWhereTheCpcCarriesTheLoad() {
        Rig rig = loaded(0);
        Fault joint = fault("high-resistance-joint", Rigs.SOCKETS, 0.5, Conductor.CPC);
        assertThat(dangers(rig, Kind.HEATING, joint)).isEmpty();
        assertThat(dangers(
                        rig,
                        Kind.HEATING,
                        joint,
                        fault("neutral-cpc-reversed", Rigs.SOCKETS, 0, Conductor.NEUTRAL, Conductor.CPC)))
                .isNotEmpty();
        assertThat(dangers(
                        rig,
                        Kind.HEATING,
                        joint,
                        fault("line-neutral-reversed", Rigs.SOCKETS, 0, Conductor.LINE, Conductor.NEUTRAL)))
                .as("the CPC has no part in it")
                .isEmpty();
        assertThat(dangers(
                        rig,
                        Kind.HEATING,
                        joint,
                        fault("neutral-cpc-reversed", OTHER, 0, Conductor.NEUTRAL, Conductor.CPC)))
                .as("of another circuit")
                .isEmpty();
        assertThat(dangers(rig, Kind.HEATING, joint, fault("cpc-off-at-point", Rigs.SOCKETS, 0, Conductor.CPC)))
                .as("open, and joined to nothing")
                .isEmpty();
    }

    private static Board board(ResidualDevice device) {
        return new Board(
                Board.MAIN,
                "Board",
                Optional.empty(),
                List.of(
                        new Board.Section(new SectionId("main"), "Protected ways", Optional.of(device)),
                        new Board.Section(new SectionId("bare"), "Other ways", Optional.empty())),
                false);
    }

    private static CircuitHead head(CircuitId id, String section, int way, Breaker breaker) {
        return new CircuitHead(
                id,
                id.value(),
                new Way(Board.MAIN, new SectionId(section), way, 1),
                new Device(Device.Kind.MCB, breaker, 6, Optional.empty()),
                new Cable(2.5, 1.5));
    }

    private static Circuit sockets(CircuitId id, String section, int way) {
        return new Radial(
                head(id, section, way, new Breaker(Breaker.Curve.B, 20)),
                false,
                List.of(
                        new Point(Rigs.socket(1), "socket 1", PointKind.TWIN_SOCKET, 6),
                        new Point(Rigs.socket(2), "socket 2", PointKind.TWIN_SOCKET, 12)));
    }

    private static Rig behindAnRcd(ResidualDevice device) {
        return Rigs.rig(
                Supply.tnCS(230, 0.35, 0.11, 0.09),
                Rigs.usual(),
                List.of(board(device)),
                List.of(sockets(Rigs.SOCKETS, "main", 1), sockets(OTHER, "bare", 2)));
    }

    private static Rig behindAnRcd() {
        return behindAnRcd(ResidualDevice.sound(ResidualDevice.Type.A, 30, false));
    }

    private static List<String> where(List<Danger> dangers) {
        return dangers.stream().map(Danger::where).toList();
    }

    /** 10 Ω leave 22 A: too little for a breaker, plenty for an RCD of 30 mA, which stands in front of one circuit only. */
    @Test
    void anRcdDisconnectsWhatABreakerDoesNot() {
        Fault behind = fault("high-resistance-joint", Rigs.SOCKETS, 10, Conductor.CPC);
        Fault bare = fault("high-resistance-joint", OTHER, 10, Conductor.CPC);
        assertThat(where(dangers(behindAnRcd(), Kind.NO_DISCONNECTION, behind, bare)))
                .isNotEmpty()
                .allMatch(w -> w.endsWith(OTHER.value()));
    }

    @Test
    void anRcdThatDoesNotTripDisconnectsNothing() {
        Fault joint = fault("high-resistance-joint", Rigs.SOCKETS, 10, Conductor.CPC);
        Rig rig = behindAnRcd();
        for (String kind : List.of("rcd-no-trip", "rcd-half-wave-slow")) {
            Fault rcd = FaultCatalogue.everyFault(rig).stream()
                    .filter(f -> f.kind().id().equals(kind))
                    .findFirst()
                    .orElseThrow();
            Fault grave = kind.equals("rcd-half-wave-slow") ? rcd.withSize(400) : rcd;
            assertThat(where(dangers(rig, Kind.NO_DISCONNECTION, joint, grave)))
                    .as(kind)
                    .contains("socket 1, " + Rigs.SOCKETS.value());
        }
    }

    // 230 V ÷ 2 kΩ is 115 mA: less than the 150 mA at which an RCD of 30 mA is sure to be quick. IEC 61008-1, Table 1.
    @Test
    void whereTheCurrentIsNotEnoughTheRcdIsNotSure() {
        assertThat(dangers(
                        behindAnRcd(),
                        Kind.NO_DISCONNECTION,
                        fault("high-resistance-joint", Rigs.SOCKETS, 2000, Conductor.CPC)))
                .isNotEmpty();
        assertThat(dangers(
                        behindAnRcd(),
                        Kind.NO_DISCONNECTION,
                        fault("high-resistance-joint", Rigs.SOCKETS, 1000, Conductor.CPC)))
                .isEmpty();
    }

    @Test
    void aLineThatDoesNotReachThePointIsNoMissingEarth() {
        Rig rig = Rigs.fiveSockets();
        Fault open = new Fault(FaultCatalogue.kind("live-open-after"), Faults.socket(2), List.of(Conductor.LINE), 0);
        assertThat(dangers(rig, Kind.NO_DISCONNECTION, open)).isEmpty();
        assertThat(dangers(rig, Kind.NO_DISCONNECTION, open, Faults.cpcOpenAfter(2)))
                .as("beyond it there is no earth either")
                .isNotEmpty()
                .allMatch(d -> d.finding().endsWith("the metal has no earth."));
    }

    // B20 trips at once from 100 A, C20 from 200 A: IEC 60898-1. 0.95 · 230 V ÷ 200 A is 1.09 Ω.
    @Test
    void whatTheDeviceInPlaceNeedsCounts() {
        Fault joint = Faults.joint(3, Conductor.CPC, 0.6);
        Rig rig = Rigs.fiveSockets();
        Fault slower = FaultCatalogue.kind("wrong-curve")
                .usual(new Place.AtCircuit(Rigs.SOCKETS), List.of(), Optional.empty(), rig);
        assertThat(dangers(rig, Kind.NO_DISCONNECTION, joint)).isEmpty();
        assertThat(dangers(rig, Kind.NO_DISCONNECTION, joint, slower))
                .isNotEmpty()
                .allMatch(d -> d.finding().contains("C20") && d.finding().contains("needs 200 A"));
    }

    @Test
    void aShortToEarthIsToldAsSuchAndAsNothingElse() {
        Rig rig = behindAnRcd();
        assertThat(dangers(rig, Kind.SUPPLY_SHORT, fault("dead-short", OTHER, 0, Conductor.LINE, Conductor.CPC)))
                .singleElement()
                .satisfies(d -> assertThat(d.finding()).contains("from line to earth"));
        assertThat(dangers(rig, Kind.SUPPLY_SHORT, fault("dead-short", OTHER, 0, Conductor.LINE, Conductor.NEUTRAL)))
                .singleElement()
                .satisfies(d -> assertThat(d.finding()).contains("from line to neutral"));
    }

    /** 1 Ω at 230 V is 230 A: a B20 trips, 3 Ω leave it 84 A at most. Worked by hand. */
    @Test
    void onlyWhatTripsTheDeviceIsAShort() {
        Rig rig = Rigs.fiveSocketsPerfect();
        Fault one = Faults.lowInsulation(1, Conductor.LINE, Conductor.NEUTRAL, 1.0e-6);
        Fault three = Faults.lowInsulation(1, Conductor.LINE, Conductor.NEUTRAL, 3.0e-6);
        assertThat(dangers(rig, Kind.SUPPLY_SHORT, one)).isNotEmpty();
        assertThat(dangers(rig, Kind.SUPPLY_SHORT, three)).isEmpty();
    }

    // 230 V ÷ 5 kΩ is 46 mA, ÷ 15 kΩ 15 mA and, at 253 V and 5 % less, 17.8 mA; a sound device of 30 mA trips from 19
    // mA on.
    @Test
    void aLeakThatTripsTheRcdIsToldWhereThereIsOne() {
        Rig rig = behindAnRcd();
        List<Danger> told = dangers(
                rig,
                Kind.WILL_NOT_STAY_ON,
                fault("low-insulation", Rigs.SOCKETS, 5_000, Conductor.LINE, Conductor.CPC));
        assertThat(told)
                .singleElement()
                .satisfies(d -> assertThat(d.finding()).contains("from line to earth and trip Protected ways, RCD 30"));
        assertThat(dangers(
                        rig,
                        Kind.WILL_NOT_STAY_ON,
                        fault("low-insulation", Rigs.SOCKETS, 20_000, Conductor.LINE, Conductor.CPC)))
                .isEmpty();
        assertThat(dangers(
                        rig,
                        Kind.WILL_NOT_STAY_ON,
                        fault("low-insulation", OTHER, 5_000, Conductor.LINE, Conductor.CPC)))
                .as("no RCD in front")
                .isEmpty();
        assertThat(dangers(
                        rig,
                        Kind.WILL_NOT_STAY_ON,
                        fault("low-insulation", Rigs.SOCKETS, 5_000, Conductor.LINE, Conductor.NEUTRAL)))
                .as("nothing flows to earth: the main switch parts neutral from it")
                .isEmpty();
    }

    private static Rig threePhase() {
        Impedance each = new Impedance(0.06, 0.03);
        Supply supply = new Supply(
                230,
                new Supply.Declared(Supply.Earthing.TN_S, 0.8),
                List.of(each, each, each),
                new Impedance(0.05, 0.02),
                new Supply.Earth(Supply.Earthing.TN_S, new Impedance(0.2, 0.01), 1e4, 1));
        Radial motor = new Radial(
                new CircuitHead(Rigs.SOCKETS, "Motor", Way.of(1), Device.mcb(Breaker.Curve.C, 16), new Cable(2.5, 2.5)),
                true,
                List.of(new Point(
                        new PointId("motor"),
                        "motor",
                        PointKind.APPLIANCE,
                        20,
                        Optional.empty(),
                        Optional.empty(),
                        true)));
        return Rigs.rig(supply, Rigs.usual(), List.of(Board.plain()), List.of(motor));
    }

    // √3 · 230 V between two lines: 3 Ω let 133 A flow, and 155 A with 10 % more and 5 % less; C16 trips at once from
    // 160 A.
    @ParameterizedTest
    @CsvSource({"0.5, true", "2.4, true", "3.2, false"})
    void aBridgeBetweenTwoLinesIsHeldAgainstTheVoltageBetweenThem(double ohms, boolean shorts) {
        Fault bridge = new Fault(
                FaultCatalogue.kind("low-insulation"),
                new Place.AtPoint(Rigs.SOCKETS, new PointId("motor")),
                List.of(Conductor.L1, Conductor.L2),
                ohms);
        List<Danger> found = dangers(threePhase(), Kind.SUPPLY_SHORT, bridge);
        assertThat(!found.isEmpty()).isEqualTo(shorts);
        assertThat(found).allSatisfy(d -> assertThat(d.finding()).contains("from L1 to L2"));
    }

    /** What can be touched is told by its own name. */
    @Test
    void everyPartThatIsLiveIsNamed() {
        Rig rig = loaded(0);
        Fault swapped = fault("line-cpc-reversed", Rigs.SOCKETS, 0, Conductor.LINE, Conductor.CPC);
        List<Danger> live = dangers(rig, Kind.TOUCH_VOLTAGE, swapped);
        assertThat(where(live)).contains("earth terminal of heater, " + Rigs.SOCKETS.value());
        assertThat(live)
                .allSatisfy(d ->
                        assertThat(d.finding()).matches("[A-Z].* V to earth with the supply on; 50 V is the limit\\."));
    }

    @Test
    void theStrictestClassOfAllHolds() {
        Rig rig = behindAnRcd();
        List<Fault> every = FaultCatalogue.everyFault(rig);
        Fault emulated = every.stream()
                .filter(f -> f.safety() == SafetyClass.EMULATED)
                .findFirst()
                .orElseThrow();
        Fault deadOnly = Faults.reversed(1);
        assertThat(SafetyCheck.of(rig, FaultSet.of(emulated, deadOnly)).strictest())
                .isEqualTo(SafetyClass.DEAD_ONLY);
        assertThat(SafetyCheck.of(rig, FaultSet.of(emulated)).strictest()).isEqualTo(SafetyClass.EMULATED);
    }

    @Test
    void eachDangerHasWordsOfItsOwn() {
        assertThat(Arrays.stream(Kind.values()).map(Kind::words))
                .doesNotHaveDuplicates()
                .noneMatch(String::isBlank);
    }
}
