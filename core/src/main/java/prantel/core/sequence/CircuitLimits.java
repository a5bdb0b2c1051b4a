package prantel.core.sequence;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import prantel.core.limits.AsNzs;
import prantel.core.limits.Breaker;
import prantel.core.limits.CopperTemperature;
import prantel.core.limits.Limit;
import prantel.core.limits.RcdTimes;
import prantel.core.limits.ZsLimit;
import prantel.core.quantity.Check;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.rig.Conductor;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Supply;
import prantel.core.scheme.Practice;
import prantel.core.scheme.Scheme;

/** What a circuit's loop readings are held against under a scheme. */
public final class CircuitLimits {
    private static final double WARM_CELSIUS = 70;
    /** Joints and contacts of a whole circuit, and the last digit. Common practice, no source. */
    private static final double JOINTS_OHMS = 0.1;

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
        OptionalDouble milliamps = byResidual(circuit);
        if (milliamps.isPresent()) {
            double ohms = RcdTimes.ttZsMaxOhms(milliamps.getAsDouble());
            return Limit.atMost(
                    ohms, "BS 7671 411.5.3", text("50 V ÷ %s mA = %.0f Ω", Check.plain(milliamps.getAsDouble()), ohms));
        }
        if (asNzs() && circuit.device().overcurrent() instanceof Breaker breaker) {
            double u0 = rig.supply().nominalVolts();
            return Limit.atMost(AsNzs.zsMaxColdOhms(u0, breaker), AsNzs.SOURCE, AsNzs.zsWorking(u0, breaker));
        }
        return scheme.practice().loop().zsLimit() == Practice.ZsLimit.HOT ? hot(circuit) : eighty(circuit);
    }

    /** Least IΔn in front of a circuit of a TT rig, mA; empty where an overcurrent device has to disconnect. */
    private OptionalDouble byResidual(Circuit circuit) {
        return rig.supply().declared().earthing() == Supply.Earthing.TT
                ? Residuals.protecting(rig, circuit).stream()
                        .mapToDouble(p -> p.device().ratedResidualMilliamps())
                        .min()
                : OptionalDouble.empty();
    }

    private Limit eighty(Circuit circuit) {
        double u0 = rig.supply().nominalVolts();
        var device = circuit.device().overcurrent();
        double ohms = ZsLimit.COLD_SHARE * device.zsMaxOhms(u0);
        return Limit.atMost(
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
        return Limit.atMost(
                ohms,
                device.zsSource() + "; 70 °C, factor 1.20 (common practice)",
                text("%s; (that + 0.2 × %s Ω) ÷ 1.2 = %.2f Ω", device.zsWorking(u0), Check.plain(ze), ohms));
    }

    /**
     * What R1+R2 of a circuit is held against: what the Zs limit leaves when the declared Ze and the submain's own loop are
     * taken off; behind an RCD in TT, where that leaves more than a thousand ohms, what length and overcurrent give.
     *
     * @return empty where the circuit cannot comply: what is left is less than its own length gives, or nothing. Then Zs is
     *     judged, and {@link #cannotComply} says why
     */
    public Optional<Limit> r1PlusR2(Circuit circuit) {
        double u0 = rig.supply().nominalVolts();
        if (asNzs() && circuit.device().overcurrent() instanceof Breaker breaker) {
            return Optional.of(
                    Limit.atMost(AsNzs.phaseEarthMaxOhms(u0, breaker), AsNzs.SOURCE, AsNzs.working(u0, breaker)));
        }
        double own = CircuitLength.r1PlusR2Ohms(circuit);
        if (byResidual(circuit).isPresent()) {
            return byLength(circuit, own);
        }
        Limit zs = zs(circuit);
        double left = left(circuit, zs);
        return left < own
                ? Optional.empty()
                : Optional.of(Limit.atMost(left, zs.source(), zs.working() + taken(circuit) + text(": %.2f Ω", left)));
    }

    /** In TT the RCD disconnects an earth fault: R1+R2 says whether the cable is what it should be. */
    private Optional<Limit> byLength(Circuit circuit, double own) {
        double u0 = rig.supply().nominalVolts();
        var device = circuit.device().overcurrent();
        double overcurrent = ZsLimit.COLD_SHARE * device.zsMaxOhms(u0);
        double most = Math.min(
                overcurrent,
                Math.ceil(100 * (own * scheme.practice().tolerances().high().cable() + JOINTS_OHMS)) / 100);
        return overcurrent < own
                ? Optional.empty()
                : Optional.of(Limit.atMost(
                        most,
                        "IEC 60228 with the scheme's tolerance and joints (common practice); the RCD sees to"
                                + " disconnection",
                        text(
                                "by length %.2f Ω, with tolerance and joints at most %.2f Ω; %s",
                                own, most, device.zsWorking(u0))));
    }

    private double left(Circuit circuit, Limit zs) {
        return zs.end() - rig.supply().declaredZeOhms() - tailsOhms() - submainsOhms(circuit);
    }

    private double tailsOhms() {
        return rig.supply().tails().map(Supply.Tails::ohms).orElse(0.0);
    }

    private double submainsOhms(Circuit circuit) {
        return rig.feedOf(circuit.way().board())
                .map(feed -> CircuitLength.r1PlusR2Ohms(feed) + submainsOhms(feed))
                .orElse(0.0);
    }

    private String taken(Circuit circuit) {
        double submains = submainsOhms(circuit);
        return text("; less declared Ze %s Ω", Check.plain(rig.supply().declaredZeOhms()))
                + (submains > 0 ? text(" and %.2f Ω of the submain", submains) : "");
    }

    /** Why a circuit has no limit for R1+R2, in a sentence; empty where it has one. */
    public Optional<String> cannotComply(Circuit circuit) {
        if (r1PlusR2(circuit).isPresent()) {
            return Optional.empty();
        }
        Limit zs = zs(circuit);
        return Optional.of(text(
                "%s cannot comply as described: %s%s leaves %.2f Ω, its own length gives %.2f Ω. R1+R2 is not judged, Zs is",
                circuit.label(), zs.working(), taken(circuit), left(circuit, zs), CircuitLength.r1PlusR2Ohms(circuit)));
    }

    /** The CPC's share of the R1+R2 limit, by the table's resistances of line and CPC. */
    public Optional<Limit> r2(Circuit circuit) {
        return r1PlusR2(circuit).map(both -> {
            double cpc = circuit.cable().milliohmPerMetre(Conductor.CPC);
            double share =
                    cpc / (circuit.cable().milliohmPerMetre(circuit.lines().getFirst()) + cpc);
            return Limit.atMost(
                    both.end() * share,
                    both.source() + "; share of the CPC by IEC 60228",
                    text("(%s) × %.3f, the CPC's share of R1+R2, = %.2f Ω", both.working(), share, both.end() * share));
        });
    }

    static String text(String pattern, Object... values) {
        return String.format(Locale.ROOT, pattern, values);
    }

    private boolean asNzs() {
        return scheme.practice().continuity().maxima() == Practice.Maxima.AS_NZS;
    }
}
