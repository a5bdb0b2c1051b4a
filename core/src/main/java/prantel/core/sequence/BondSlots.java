package prantel.core.sequence;

import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import prantel.core.instrument.Tester.Function;
import prantel.core.limits.AsNzs;
import prantel.core.limits.BondingYardstick;
import prantel.core.limits.ConductorTable;
import prantel.core.limits.Limit;
import prantel.core.limits.Overcurrent;
import prantel.core.limits.SupplyLimits;
import prantel.core.network.Terminal;
import prantel.core.procedure.SetUp;
import prantel.core.quantity.Check;
import prantel.core.rig.Conductor;
import prantel.core.rig.EarthingConductor;
import prantel.core.rig.MainBond;
import prantel.core.rig.Places;
import prantel.core.rig.Rig;
import prantel.core.rig.SupplementaryBond;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;
import prantel.core.scheme.TestKind;

/** Earthing conductor, main bonds on the clamp and on the part, supplementary bonds. */
final class BondSlots {
    private final Rig rig;
    private final Headings headings;
    private final Scheme scheme;
    private final SetUps setUps;

    BondSlots(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.headings = new Headings(rig, scheme);
        this.scheme = scheme;
        this.setUps = new SetUps(rig);
    }

    List<Slot> earthingConductor() {
        EarthingConductor conductor = rig.earthing().conductor();
        Limit limit = scheme.practice().continuity().maxima() == Practice.Maxima.AS_NZS
                ? Limit.atMost(AsNzs.EARTHING_CONDUCTOR_MAX_OHMS, AsNzs.SOURCE, "")
                : byLength(conductor.csaMm2(), conductor.lengthMetres());
        return List.of(slot(
                BoxAddress.of(TestKind.EARTHING, Quantity.R2, new Site.EarthingConductor()),
                setUps.earthingConductor(),
                Places.EARTHING_CONDUCTOR_END,
                Places.SUPPLY_EARTH,
                limit,
                byHand(conductor.csaMm2(), conductor.lengthMetres())));
    }

    List<Slot> bonds() {
        List<Slot> slots = new ArrayList<>();
        for (MainBond bond : rig.bonds()) {
            slots.add(bond(bond, false, Places.clamp(bond.id())));
            slots.add(bond(bond, true, Places.part(bond.id())));
        }
        for (SupplementaryBond bond : rig.earthing().supplementaryBonds()) {
            slots.add(slot(
                    BoxAddress.of(TestKind.BONDING, Quantity.R2, new Site.SupplementaryBond(bond.id())),
                    setUps.supplementaryBond(),
                    Places.accessory(bond.circuit(), bond.point(), Conductor.CPC),
                    Places.part(bond.part()),
                    touchVoltage(bond),
                    byHand(bond.csaMm2(), bond.lengthMetres())));
        }
        return slots;
    }

    /** R ≤ 50 V / Ia of what protects the circuit. Source: BS 7671 415.2.2, from memory. */
    private Limit touchVoltage(SupplementaryBond bond) {
        Overcurrent device = rig.circuit(bond.circuit()).device().overcurrent();
        double amps = device.iaAmps(rig.supply().nominalVolts());
        return Limit.atMost(
                SupplyLimits.TOUCH_VOLTS / amps,
                "BS 7671 415.2.2, R ≤ 50 V ÷ Ia (from memory)",
                String.format(
                        Locale.ROOT,
                        "50 V ÷ %s A (%s) = %.2f Ω",
                        Check.plain(amps),
                        device.label(),
                        SupplyLimits.TOUCH_VOLTS / amps));
    }

    private Slot bond(MainBond bond, boolean part, Terminal probe) {
        boolean inPlace = scheme.practice().bonding().oneEnd() == Practice.OneEnd.IN_PLACE;
        return slot(
                BoxAddress.of(TestKind.BONDING, Quantity.R2, new Site.Bond(bond.id(), part)),
                inPlace ? setUps.bondInPlace(bond) : setUps.bond(bond),
                inPlace ? Places.MET : Places.bondMetEnd(bond.id()),
                probe,
                yardstick(bond.csaMm2(), bond.lengthMetres()),
                byHand(bond.csaMm2(), bond.lengthMetres()));
    }

    private Slot slot(BoxAddress address, SetUp setUp, Terminal a, Terminal b, Limit limit, ByHand byHand) {
        return new Slot.Measured(
                headings.of(address),
                new Measurement.TwoProbe(Function.CONTINUITY_WANDER_LEAD, a, b),
                setUp,
                Optional.of(limit),
                Optional.of(byHand));
    }

    private Limit yardstick(double csaMm2, double metres) {
        return switch (scheme.practice().bonding().yardstick()) {
            case FIXED -> Limit.atMost(BondingYardstick.OHMS, BondingYardstick.SOURCE, "");
            case HALF_OHM -> Limit.atMost(AsNzs.EARTHING_CONDUCTOR_MAX_OHMS, AsNzs.SOURCE, "");
            case BY_LENGTH -> byLength(csaMm2, metres);
        };
    }

    /** What length and size give at the warm end of the scheme's tolerance, and two joints as poor as it allows. */
    private Limit byLength(double csaMm2, double metres) {
        double joints = 2
                * scheme.practice().tolerances().high().joints()
                * rig.workmanship().terminationMilliohms()
                / 1000;
        double copper = scheme.practice().tolerances().high().cable() * ohms(csaMm2, metres);
        // a display has hundredths: one digit more could never be told apart
        double most = Math.ceil((copper + joints) * 100) / 100 + 0.01;
        return Limit.atMost(
                most,
                "IEC 60228 with the scheme's tolerance (common practice)",
                byHand(csaMm2, metres).working() + ", with tolerance and joints at most "
                        + String.format(Locale.ROOT, "%.2f Ω", most));
    }

    private static double ohms(double csaMm2, double metres) {
        return ConductorTable.milliohmPerMetre(csaMm2) * metres / 1000;
    }

    private static ByHand byHand(double csaMm2, double metres) {
        double ohms = ohms(csaMm2, metres);
        return new ByHand(
                () -> String.format(
                        Locale.ROOT,
                        "%s m × %s mΩ/m (%s mm²) = %.3f Ω",
                        Check.plain(metres),
                        Check.plain(ConductorTable.milliohmPerMetre(csaMm2)),
                        Check.plain(csaMm2),
                        ohms),
                ohms);
    }
}
