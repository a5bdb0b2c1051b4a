package prantel.core.sequence;

import static prantel.core.rig.Conductor.CPC;
import static prantel.core.rig.Conductor.LINE;
import static prantel.core.rig.Conductor.NEUTRAL;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.BondingYardstick;
import prantel.core.limits.InsulationMinimum;
import prantel.core.limits.Limit;
import prantel.core.limits.Limit.Side;
import prantel.core.limits.ZsLimit;
import prantel.core.network.Terminal;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.Conductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Point;
import prantel.core.rig.Radial;
import prantel.core.rig.Rig;

/** Lists, in order, every box that a rig and a scheme ask for. */
public final class SlotPlan {
    private static final double NO_DISTANCE = -1;

    private final Rig rig;
    private final Scheme scheme;
    private final List<Slot> slots = new ArrayList<>();

    private SlotPlan(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.scheme = scheme;
    }

    /** Never empty; ids are distinct. */
    public static List<Slot> of(Rig rig, Scheme scheme) {
        SlotPlan plan = new SlotPlan(rig, scheme);
        rig.bonds().forEach(plan::addBond);
        rig.circuits().forEach(plan::addMethod1);
        rig.circuits().forEach(plan::addMethod2);
        for (int volts : scheme.insulationVolts()) {
            rig.circuits().forEach(c -> plan.addInsulation(c, volts));
        }
        return List.copyOf(plan.slots);
    }

    private void addBond(MainBond bond) {
        Limit limit = new Limit(Side.AT_MOST, BondingYardstick.OHMS, BondingYardstick.SOURCE, "");
        addBondReading(bond, "clamp", "on the clamp", Places.clamp(bond.id()), limit);
        addBondReading(bond, "part", "on the bare pipe", Places.part(bond.id()), limit);
    }

    private void addBondReading(MainBond bond, String id, String where, Terminal probe, Limit limit) {
        slots.add(new Slot.Measured(
                new SlotId("bond/" + bond.id() + "/" + id),
                TestStep.BONDING,
                Optional.empty(),
                "R2",
                bond.part() + ", " + where,
                NO_DISTANCE,
                Function.CONTINUITY_WANDER_LEAD,
                SetUps.bond(bond),
                Places.bondMetEnd(bond.id()),
                probe,
                Unit.OHM,
                Optional.of(limit)));
    }

    private void addMethod1(Circuit circuit) {
        SetUp setUp = SetUps.method1(rig, circuit);
        List<SlotId> ids = new ArrayList<>();
        for (Point point : circuit.points()) {
            SlotId id = new SlotId(circuit.id() + "/r1r2/" + point.id());
            ids.add(id);
            slots.add(new Slot.Measured(
                    id,
                    TestStep.R1_R2,
                    Optional.of(circuit.id()),
                    "R1+R2",
                    point.label(),
                    point.atMetres(),
                    Function.CONTINUITY,
                    setUp,
                    Places.front(circuit.id(), point.id(), LINE),
                    Places.front(circuit.id(), point.id(), CPC),
                    Unit.OHM,
                    Optional.empty()));
        }
        slots.add(highest(circuit, TestStep.R1_R2, "r1r2", "R1+R2", ids, r1PlusR2Limit(circuit)));
    }

    private void addMethod2(Circuit circuit) {
        SetUp setUp = SetUps.method2(circuit.id());
        List<SlotId> ids = new ArrayList<>();
        for (Point point : circuit.points()) {
            SlotId id = new SlotId(circuit.id() + "/r2/" + point.id());
            ids.add(id);
            slots.add(new Slot.Measured(
                    id,
                    TestStep.R2,
                    Optional.of(circuit.id()),
                    "R2",
                    point.label(),
                    point.atMetres(),
                    Function.CONTINUITY_WANDER_LEAD,
                    setUp,
                    Places.MET,
                    Places.front(circuit.id(), point.id(), CPC),
                    Unit.OHM,
                    Optional.empty()));
        }
        slots.add(highest(circuit, TestStep.R2, "r2", "R2", ids, r2Limit(circuit)));
    }

    private static Slot highest(
            Circuit circuit, TestStep step, String id, String quantity, List<SlotId> of, Limit limit) {
        return new Slot.Highest(
                new SlotId(circuit.id() + "/" + id),
                step,
                Optional.of(circuit.id()),
                quantity,
                circuit.label() + ", for the record",
                of,
                Unit.OHM,
                Optional.of(limit));
    }

    /** What Zs leaves for R1+R2 when read cold: 80 % of Cmin·U0/Ia, less the declared Ze. */
    private Limit r1PlusR2Limit(Circuit circuit) {
        double u0 = rig.supply().nominalVolts();
        double ze = rig.supply().declaredZeOhms();
        double ohms = ZsLimit.r1PlusR2MaxColdOhms(u0, circuit.breaker(), ze);
        return new Limit(
                Side.AT_MOST,
                ohms,
                "BS 7671 411.4.4, held cold against 80 % (common practice, no source)",
                String.format(
                        Locale.ROOT,
                        "0.8 × 0.95 × %s V ÷ %s A − declared Ze %s Ω = %.2f Ω",
                        Check.plain(u0),
                        Check.plain(circuit.breaker().iaAmps()),
                        Check.plain(ze),
                        ohms));
    }

    /** The CPC's share of the R1+R2 limit, by the table's resistances of line and CPC. */
    private Limit r2Limit(Circuit circuit) {
        Limit both = r1PlusR2Limit(circuit);
        double share = switch (circuit) {
            case Radial radial ->
                radial.cable().milliohmPerMetre(CPC)
                        / (radial.cable().milliohmPerMetre(LINE)
                                + radial.cable().milliohmPerMetre(CPC));
        };
        return new Limit(
                Side.AT_MOST,
                both.ohms() * share,
                both.source() + "; share of the CPC by IEC 60228",
                String.format(
                        Locale.ROOT,
                        "(%s) × %.3f, the CPC's share of R1+R2, = %.2f Ω",
                        both.working(),
                        share,
                        both.ohms() * share));
    }

    private void addInsulation(Circuit circuit, int volts) {
        boolean judged = volts == scheme.insulationVolts().getLast();
        Optional<Limit> limit = judged
                ? Optional.of(
                        new Limit(Side.AT_LEAST, InsulationMinimum.UP_TO_500_VOLTS_OHMS, InsulationMinimum.SOURCE, ""))
                : Optional.empty();
        Conductor[][] pairs = {{LINE, NEUTRAL}, {LINE, CPC}, {NEUTRAL, CPC}};
        for (Conductor[] pair : pairs) {
            String name = pair[0].letter() + "–" + pair[1].letter();
            slots.add(new Slot.Measured(
                    new SlotId(circuit.id() + "/ir" + volts + "/"
                            + name.toLowerCase(Locale.ROOT).replace('–', '-')),
                    TestStep.INSULATION,
                    Optional.of(circuit.id()),
                    "Insulation " + name,
                    circuit.label() + ", " + volts + " V",
                    NO_DISTANCE,
                    volts == 250 ? Function.INSULATION_250 : Function.INSULATION_500,
                    SetUps.insulation(circuit),
                    atBoard(circuit, pair[0]),
                    atBoard(circuit, pair[1]),
                    Unit.MEGOHM,
                    limit));
        }
    }

    private static Terminal atBoard(Circuit circuit, Conductor conductor) {
        return conductor == CPC ? Places.EARTH_BAR : Places.cableAtBoard(circuit.id(), conductor);
    }
}
