package prantel.core.rig;

import java.util.Optional;
import prantel.core.limits.Breaker;
import prantel.core.limits.Overcurrent;
import prantel.core.quantity.Check;

/**
 * What protects a circuit at the board.
 *
 * @param breakingKiloamps rated short-circuit capacity, kA
 * @param residual the residual part of an RCBO, or of an AFDD that has one
 */
public record Device(Kind kind, Overcurrent overcurrent, double breakingKiloamps, Optional<ResidualDevice> residual) {
    public static final double USUAL_BREAKING_KILOAMPS = 6;

    public Device {
        Check.between(breakingKiloamps, 0.5, 100, "breakingKiloamps", "kA");
        Check.that(
                (kind == Kind.FUSE) != (overcurrent instanceof Breaker),
                "wrong-device",
                "kind",
                kind.id,
                "give a curve for a breaker, a standard for a fuse");
        Check.that(
                kind != Kind.RCBO || residual.isPresent(),
                "no-residual-part",
                "residual",
                kind.id,
                "an RCBO has a residual part: give it");
        Check.that(
                residual.isEmpty() || kind == Kind.RCBO || kind == Kind.AFDD,
                "residual-part",
                "residual",
                kind.id,
                "only an RCBO or an AFDD has a residual part; an RCD in front of several ways belongs to their section");
    }

    public static Device mcb(Breaker.Curve curve, double ratedAmps) {
        return new Device(Kind.MCB, new Breaker(curve, ratedAmps), USUAL_BREAKING_KILOAMPS, Optional.empty());
    }

    /** As on the chart: "B32", "B32 RCBO 30 mA type A". */
    public String label() {
        return switch (kind) {
            case MCB, FUSE -> overcurrent.label();
            case RCBO, AFDD ->
                overcurrent.label() + " " + kind.name()
                        + residual.map(r -> " " + r.label()).orElse("");
        };
    }

    public enum Kind {
        MCB("mcb"),
        RCBO("rcbo"),
        AFDD("afdd"),
        FUSE("fuse");

        private final String id;

        Kind(String id) {
            this.id = id;
        }

        public String id() {
            return id;
        }
    }
}
