package prantel.core.sequence;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;
import prantel.core.limits.AsNzs;
import prantel.core.limits.Breaker;
import prantel.core.limits.CopperTemperature;
import prantel.core.limits.Limit;
import prantel.core.limits.Limit.Side;
import prantel.core.limits.RcdTimes;
import prantel.core.limits.ZsLimit;
import prantel.core.quantity.Check;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Supply;

/** What a circuit's loop readings are held against under a scheme. */
public final class CircuitLimits {
    private static final double WARM_CELSIUS = 70;

    private final Rig rig;
    private final Scheme scheme;
    /** Several boxes of a circuit are held against the same. */
    private final Map<CircuitId, Limit> zs = new HashMap<>();

    public CircuitLimits(Rig rig, Scheme scheme) {
        this.rig = rig;
        this.scheme = scheme;
    }

    /** Greatest Zs of a circuit as a cold reading. */
    public Limit zs(Circuit circuit) {
        return zs.computeIfAbsent(circuit.id(), id -> zsOf(circuit));
    }

    private Limit zsOf(Circuit circuit) {
        OptionalDouble milliamps = Residuals.protecting(rig, circuit).stream()
                .mapToDouble(p -> p.device().ratedResidualMilliamps())
                .min();
        if (rig.supply().declared().earthing() == Supply.Earthing.TT && milliamps.isPresent()) {
            double ohms = RcdTimes.ttZsMaxOhms(milliamps.getAsDouble());
            return new Limit(
                    Side.AT_MOST,
                    ohms,
                    "BS 7671 411.5.3",
                    text("50 V ÷ %s mA = %.0f Ω", Check.plain(milliamps.getAsDouble()), ohms));
        }
        return scheme.options().hotZs() ? hot(circuit) : eighty(circuit);
    }

    private Limit eighty(Circuit circuit) {
        double u0 = rig.supply().nominalVolts();
        var device = circuit.device().overcurrent();
        double ohms = ZsLimit.COLD_SHARE * device.zsMaxOhms(u0);
        return new Limit(
                Side.AT_MOST,
                ohms,
                device.zsSource() + "; held cold against 80 % (common practice, no source)",
                text("%s; 80 %% of it: %.2f Ω", device.zsWorking(u0), ohms));
    }

    /** The circuit's own conductors are taken to operating temperature, the supply is not: (Zs max + 0.2·Ze) ÷ 1.2. */
    private Limit hot(Circuit circuit) {
        double u0 = rig.supply().nominalVolts();
        var device = circuit.device().overcurrent();
        double factor = CopperTemperature.factor(WARM_CELSIUS);
        double ze = rig.supply().declaredZeOhms();
        double ohms = (device.zsMaxOhms(u0) + (factor - 1) * ze) / factor;
        return new Limit(
                Side.AT_MOST,
                ohms,
                device.zsSource() + "; 70 °C, factor 1.20 (common practice)",
                text("%s; (that + 0.2 × %s Ω) ÷ 1.2 = %.2f Ω", device.zsWorking(u0), Check.plain(ze), ohms));
    }

    /** What the Zs limit leaves for R1+R2 when the declared Ze is taken off. */
    public Limit r1PlusR2(Circuit circuit) {
        double u0 = rig.supply().nominalVolts();
        if (scheme.options().asNzs() && circuit.device().overcurrent() instanceof Breaker breaker) {
            return new Limit(
                    Side.AT_MOST, AsNzs.phaseEarthMaxOhms(u0, breaker), AsNzs.SOURCE, AsNzs.working(u0, breaker));
        }
        Limit zs = zs(circuit);
        double ze = rig.supply().declaredZeOhms();
        double ohms = zs.base() - ze;
        return new Limit(
                Side.AT_MOST,
                ohms,
                zs.source(),
                text("%s; less declared Ze %s Ω: %.2f Ω", zs.working(), Check.plain(ze), ohms));
    }

    /** The CPC's share of the R1+R2 limit, by the table's resistances of line and CPC. */
    public Limit r2(Circuit circuit) {
        Limit both = r1PlusR2(circuit);
        double cpc = circuit.cable().milliohmPerMetre(Conductor.CPC);
        double share = cpc / (circuit.cable().milliohmPerMetre(circuit.lines().getFirst()) + cpc);
        return new Limit(
                Side.AT_MOST,
                both.base() * share,
                both.source() + "; share of the CPC by IEC 60228",
                text("(%s) × %.3f, the CPC's share of R1+R2, = %.2f Ω", both.working(), share, both.base() * share));
    }

    static String text(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }
}
