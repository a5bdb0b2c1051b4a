package prantel.core.survey;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.instrument.Reading;
import prantel.core.limits.CableCapacity;
import prantel.core.limits.Limit;
import prantel.core.quantity.Check;
import prantel.core.rig.Circuit;
import prantel.core.rig.MainBond;
import prantel.core.rig.Point;
import prantel.core.rig.Residuals;
import prantel.core.rig.Rig;
import prantel.core.rig.Ring;
import prantel.core.rig.Submain;
import prantel.core.rig.Supply;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.CircuitLimits;
import prantel.core.sequence.Quantity;
import prantel.core.sequence.Slot;

/** Looks a healthy rig over: limits it does not meet as built, and rules of thumb it breaks. Refuses nothing. */
public final class RigSurvey {
    private static final Set<TestKind> WORTH_SAYING =
            EnumSet.of(TestKind.BONDING, TestKind.INSULATION, TestKind.ZE, TestKind.IPF, TestKind.ZS, TestKind.RCD);
    /** r1 and rn of a ring should be this near, Ω. Common practice, no source. */
    private static final double RING_ENDS_OHMS = 0.05;

    private static final double ADDITIONAL_PROTECTION_MILLIAMPS = 30;
    private static final double SOCKETS_UP_TO_AMPS = 32;
    private static final double LEAST_BOND_MM2 = 6;
    private static final double LEAST_BOND_PME_MM2 = 10;

    private final Key key;
    private final Rig rig;
    private final List<Warning> warnings = new ArrayList<>();

    private RigSurvey(Key key) {
        this.key = key;
        this.rig = key.rig();
    }

    /** @param key with every test asked for: what it leaves out is not looked at; with faults, limits are those of the faulty rig */
    public static List<Warning> of(Key key) {
        RigSurvey survey = new RigSurvey(key);
        survey.limitsNotMet();
        for (Circuit circuit : key.rig().circuits()) {
            survey.ringEnds(circuit);
            survey.spurOffSpur(circuit);
            survey.cableTooSmall(circuit);
            survey.noRcd(circuit);
            survey.cannotComply(circuit);
        }
        survey.notSelective();
        key.rig().bonds().forEach(survey::bondTooSmall);
        return List.copyOf(survey.warnings);
    }

    private void limitsNotMet() {
        for (Expectation e : key.expectations()) {
            Slot slot = e.slot();
            boolean calculated = slot instanceof Slot.Composed c && c.rule() == Slot.Rule.SUM;
            if (WORTH_SAYING.contains(slot.step())
                    && !calculated
                    && !e.satisfactory().orElse(true)) {
                Limit limit = slot.limit().orElseThrow();
                add(
                        "limit-not-met",
                        slot.circuit(),
                        slot.title(rig) + ": " + e.withFaults().shown() + " does not meet "
                                + limit.shown(slot.boxUnit()),
                        limit.source());
            }
        }
    }

    private void ringEnds(Circuit circuit) {
        if (!(circuit instanceof Ring)) {
            return;
        }
        Optional<Double> line = end(circuit, Quantity.RING_LINE);
        Optional<Double> neutral = end(circuit, Quantity.RING_NEUTRAL);
        if (line.isPresent() && neutral.isPresent() && Math.abs(line.get() - neutral.get()) > RING_ENDS_OHMS) {
            add(
                    "ring-ends-unequal",
                    Optional.of(circuit.id()),
                    circuit.label() + ": r1 and rn differ by more than 0.05\u2009Ω",
                    "common practice, no source");
        }
    }

    private Optional<Double> end(Circuit circuit, Quantity quantity) {
        return key.expectations().stream()
                .filter(e -> e.slot().address().is(quantity)
                        && e.slot().circuit().filter(circuit.id()::equals).isPresent())
                .map(Expectation::healthy)
                .filter(r -> r instanceof Reading.Value)
                .map(Reading::base)
                .findFirst();
    }

    private void spurOffSpur(Circuit circuit) {
        if (!(circuit instanceof Ring ring)) {
            return;
        }
        for (Point point : ring.points()) {
            if (point.after().isPresent()
                    && ring.point(point.after().get()).after().isPresent()) {
                add(
                        "spur-off-spur",
                        Optional.of(circuit.id()),
                        circuit.label() + ": " + point.label() + " is a spur off a spur",
                        "BS 7671 appendix 15 (from memory)");
            }
        }
    }

    private void cableTooSmall(Circuit circuit) {
        double rated = circuit.device().overcurrent().ratedAmps();
        double size = circuit.cable().liveMm2();
        if (circuit instanceof Ring) {
            if (size < CableCapacity.RING_LEAST_MM2 || rated > CableCapacity.RING_MOST_AMPS) {
                add(
                        "cable-too-small",
                        Optional.of(circuit.id()),
                        circuit.label() + ": a ring wants at least 2.5\u2009mm² and at most 32\u2009A; this is "
                                + circuit.cable().label() + " behind "
                                + circuit.device().overcurrent().label(),
                        "BS 7671 433.1.204 (from memory)");
            }
            return;
        }
        CableCapacity.amps(size).ifPresent(amps -> {
            if (rated > amps) {
                add(
                        "cable-too-small",
                        Optional.of(circuit.id()),
                        circuit.label() + ": " + Check.plain(size) + "\u2009mm² carries about "
                                + Check.plain(amps) + "\u2009A, its device is "
                                + circuit.device().overcurrent().label(),
                        CableCapacity.SOURCE);
            }
        });
    }

    private void cannotComply(Circuit circuit) {
        new CircuitLimits(rig, key.scheme())
                .cannotComply(circuit)
                .ifPresent(why -> add("cannot-comply", Optional.of(circuit.id()), why, "BS 7671 411.4.4"));
    }

    private void noRcd(Circuit circuit) {
        if (circuit instanceof Submain) {
            return;
        }
        List<Residuals.Placed> behind = Residuals.protecting(rig, circuit);
        boolean sockets = circuit.points().stream().anyMatch(p -> p.kind().isSocket());
        boolean protectedPeople = behind.stream()
                .anyMatch(p -> p.device().ratedResidualMilliamps() <= ADDITIONAL_PROTECTION_MILLIAMPS
                        && !p.device().delayed());
        if (sockets && !protectedPeople && circuit.device().overcurrent().ratedAmps() <= SOCKETS_UP_TO_AMPS) {
            add(
                    "no-rcd-for-sockets",
                    Optional.of(circuit.id()),
                    circuit.label() + ": sockets up to 32\u2009A without a 30\u2009mA RCD",
                    "BS 7671 411.3.3");
        } else if (behind.isEmpty() && rig.supply().declared().earthing() == Supply.Earthing.TT) {
            add(
                    "no-rcd-in-tt",
                    Optional.of(circuit.id()),
                    circuit.label() + ": TT without an RCD cannot disconnect in time",
                    "BS 7671 411.5.2");
        }
    }

    /** Two in series that trip at the same current and without delay: either may go first. */
    private void notSelective() {
        Set<List<String>> told = new HashSet<>();
        for (Circuit circuit : rig.circuits()) {
            List<Residuals.Placed> behind = Residuals.protecting(rig, circuit);
            for (int i = 0; i + 1 < behind.size(); i++) {
                Residuals.Placed up = behind.get(i);
                Residuals.Placed down = behind.get(i + 1);
                boolean same = Check.same(
                        up.device().ratedResidualMilliamps(), down.device().ratedResidualMilliamps());
                if (same && !up.device().delayed() && told.add(List.of(up.id(), down.id()))) {
                    add(
                            "rcds-not-selective",
                            Optional.of(circuit.id()),
                            up.label() + " stands before " + down.label()
                                    + " with the same IΔn and no delay: either trips first, and a test of one may trip the other",
                            "BS 7671 536.4.1.4 (from memory)");
                }
            }
        }
    }

    private void bondTooSmall(MainBond bond) {
        boolean pme = rig.supply().declared().earthing() == Supply.Earthing.TN_C_S;
        double half = rig.earthing().conductor().csaMm2() / 2;
        double least = Math.max(half, pme ? LEAST_BOND_PME_MM2 : LEAST_BOND_MM2);
        if (bond.csaMm2() < least) {
            add(
                    "bond-too-small",
                    Optional.empty(),
                    "Bond to the " + bond.part() + ": " + Check.plain(bond.csaMm2()) + "\u2009mm², at least "
                            + Check.plain(least) + "\u2009mm² is usual here",
                    "BS 7671 544.1.1 (from memory)");
        }
    }

    private void add(String code, Optional<prantel.core.rig.CircuitId> circuit, String says, String source) {
        warnings.add(new Warning(code, circuit, says, source));
    }
}
