package prantel.core.reference;

import java.util.List;
import prantel.core.limits.BondingYardstick;
import prantel.core.limits.ConductorTable;
import prantel.core.quantity.Check;

/** The length a bonding reading speaks of, and the length at which the yardstick is reached. */
final class BondLengthCalculator extends Calculator {
    BondLengthCalculator() {
        super(
                "bond-length",
                "Length from a bonding reading",
                List.of(
                        Input.choice("size", "Conductor", "mm²", ConductorCalculator.SIZES, "10"),
                        Input.number("reading", "Reading, leads nulled", "Ω", "0.04")));
    }

    @Override
    Answer answer(Values values) {
        double perMetre = ConductorTable.milliohmPerMetre(Double.parseDouble(values.choice("size")));
        double ohms = values.number("reading", 0.001, 100);
        double metres = ohms * 1000 / perMetre;
        return new Answer(
                List.of(
                        line("Length it speaks of", metres, 1, "m"),
                        line("Length at the yardstick of 0.05 Ω", BondingYardstick.OHMS * 1000 / perMetre, 1, "m")),
                List.of(text("%s Ω × 1000 ÷ %s mΩ/m = %.1f m", Check.plain(ohms), Check.plain(perMetre), metres)),
                ConductorCalculator.TABLE + "; " + BondingYardstick.SOURCE);
    }
}
