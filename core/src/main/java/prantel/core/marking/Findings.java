package prantel.core.marking;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.inference.Explainer;
import prantel.core.inference.Explanation;
import prantel.core.inference.WrittenSheet;
import prantel.core.instrument.Meter;
import prantel.core.instrument.Written;
import prantel.core.limits.InsulationMinimum;
import prantel.core.limits.Limit;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.rig.Circuit;
import prantel.core.rig.CircuitId;
import prantel.core.scheme.Practice;
import prantel.core.scheme.TestKind;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;
import prantel.core.sequence.SlotPlan;

/** Looks at every box of a sheet. */
final class Findings {
    /** A limit of fewer of the tester's last digits than this cannot be judged by it near its end. Common practice, no source. */
    private static final double FEW_DIGITS = 5;

    private final Key key;
    private final CandidateRecord record;
    private final WrittenSheet sheet;

    Findings(Key key, CandidateRecord record) {
        this.key = key;
        this.record = record;
        this.sheet = WrittenSheet.read(record.readings(), key);
    }

    List<Finding> all() {
        Map<SlotId, List<Explanation>> explanations = Explainer.explain(key, sheet, record.beside());
        Set<List<Object>> left = methodsLeftOut();
        Set<SlotId> onSheet =
                SlotPlan.sheet(
                                key.expectations().stream()
                                        .map(Expectation::slot)
                                        .toList(),
                                key.rig(),
                                key.scheme())
                        .stream()
                        .map(Slot::id)
                        .collect(Collectors.toSet());
        List<Finding> findings = new ArrayList<>();
        for (Expectation expectation : key.asDone(sheet::at)) {
            Slot slot = expectation.slot();
            if (!onSheet.contains(slot.id()) && sheet.isBlank(slot.id())) {
                continue;
            }
            boolean asked = onSheet.contains(slot.id())
                    && (slot.circuit().isEmpty()
                            || !left.contains(List.of(slot.circuit().get(), slot.step())));
            Written written = sheet.at(slot.id());
            Side side = side(expectation, written);
            findings.add(new Finding(
                    expectation,
                    asked,
                    new Finding.Compared(written, side, judged(expectation, written)),
                    remarks(slot, written),
                    explanations.containsKey(slot.id()),
                    explanations.getOrDefault(slot.id(), List.of())));
        }
        return findings;
    }

    /** While the faults were not on the rig, the healthy value is what was to be measured. */
    private Side side(Expectation expectation, Written written) {
        Side side = expectation.window().sideOf(written);
        return record.faultsWereOut().contains(expectation.slot().id())
                        && expectation.healthyWindow().sideOf(written) == Side.INSIDE
                ? Side.INSIDE
                : side;
    }

    /** Circuit and step of the method that was not taken. If neither was, method 1 is the one that is missing. */
    private Set<List<Object>> methodsLeftOut() {
        Set<List<Object>> left = new HashSet<>();
        for (Circuit circuit : key.rig().circuits()) {
            if (key.scheme().eitherMethod() && !SlotPlan.isRingByItself(circuit, key.scheme())) {
                boolean second = isTouched(circuit.id(), TestKind.R2);
                if (!second || !isTouched(circuit.id(), TestKind.R1_R2)) {
                    left.add(List.of(circuit.id(), second ? TestKind.R1_R2 : TestKind.R2));
                }
            }
        }
        return left;
    }

    private boolean isTouched(CircuitId circuit, TestKind step) {
        return key.expectations().stream()
                .map(Expectation::slot)
                .filter(s ->
                        s.step() == step && s.circuit().filter(circuit::equals).isPresent())
                .anyMatch(s -> !sheet.isBlank(s.id()));
    }

    /**
     * A judgement is held against the candidate's own reading where there is one: a wrong reading costs its own mark and
     * not this one as well.
     */
    private Finding.Judged judged(Expectation expectation, Written written) {
        if (expectation.slot().limit().isEmpty()) {
            return Finding.Judged.NOT_ASKED;
        }
        Limit limit = expectation.slot().limit().get();
        Boolean said = record.judgements().get(expectation.slot().id());
        if (said == null) {
            return Finding.Judged.MISSING;
        }
        if (isAtTheLastDigit(expectation.slot(), written, limit)) {
            return Finding.Judged.RIGHT;
        }
        boolean right = written.isReading()
                ? written.meets(limit)
                : expectation.withFaults().meets(limit);
        return said == right ? Finding.Judged.RIGHT : Finding.Judged.WRONG;
    }

    /**
     * Whether the tester cannot tell: the limit is of a few of its last digits, as 0.02 Ω of an earthing conductor is, and the
     * reading within what the tester may be off there.
     */
    private boolean isAtTheLastDigit(Slot slot, Written written, Limit limit) {
        if (!(written instanceof Written.Number number)
                || !slot.boxUnit().dimension().equals(Unit.Dimension.RESISTANCE)) {
            return false;
        }
        Meter meter = meter(slot);
        return limit.end() < FEW_DIGITS * meter.resolutionAt(limit.end())
                && Math.abs(number.base() - limit.end()) <= meter.uncertainty(limit.end());
    }

    private List<String> remarks(Slot slot, Written written) {
        List<String> remarks = new ArrayList<>();
        slot.limit()
                .filter(limit -> isAtTheLastDigit(slot, written, limit))
                .ifPresent(limit -> remarks.add("The limit of " + limit.shown(slot.boxUnit())
                        + " lies within what this tester may be off (±"
                        + slot.boxUnit().text(meter(slot).uncertainty(limit.end()))
                        + "): it can tell neither that it is met nor that it is not. Either judgement is taken."));
        if (record.faultsWereOut().contains(slot.id()) && !(written instanceof Written.Blank)) {
            remarks.add("Written while the fault box had let its relays go: the healthy value counts as right.");
        }
        switch (written) {
            case Written.Unreadable unreadable ->
                remarks.add(unreadable.problem().given() + ": "
                        + unreadable.problem().mend() + ".");
            case Written.Open open when practice().recording().overRange() == Practice.OverRange.ANY_SIGN -> {}
            case Written.Open open ->
                remarks.add("“" + open.text().strip()
                        + "” does not say how far the instrument reads; over-range is written with its range, such as "
                        + meter(slot).overRange().shown() + ".");
            case Written.Above above -> {
                if (!Check.same(above.base(), meter(slot).top())) {
                    remarks.add("This tester reads up to "
                            + meter(slot).overRange().shown().substring(1) + ", so “"
                            + above.text().strip() + "” is not what it showed.");
                }
            }
            case Written.Number number -> {
                if (number.base() > 0 && isBelowInvestigation(slot, number)) {
                    remarks.add("Passes, but below "
                            + Check.plain(practice().insulation().investigateBelowMegohms())
                            + "\u2009MΩ a new circuit is looked into (common practice).");
                }
                if (number.base() == 0
                        && meter(slot).show(0) instanceof prantel.core.instrument.Reading.Value zero
                        && number.places() == 0
                        && !zero.number().equals("0")) {
                    remarks.add("A bare 0 is not a reading; this tester would show " + zero.shown() + ".");
                }
            }
            case Written.Blank blank -> {}
            case Written.NotTested not ->
                remarks.add("Not tested: " + not.reason() + "."
                        + (practice().recording().notTested() == Practice.NotTested.NEVER
                                ? " Here every box is tested; the reason excuses nothing."
                                : ""));
            case Written.Stopped stopped -> {}
            case Written.Said said
            when said.saying().isCode() && !said.text().matches("(?s)[^:]*:.*\\S.*") ->
                remarks.add("A code is written with its reason: what was seen, and where.");
            case Written.Said said -> {}
        }
        return remarks;
    }

    private Practice practice() {
        return key.scheme().practice();
    }

    private boolean isBelowInvestigation(Slot slot, Written.Number number) {
        return slot.step() == TestKind.INSULATION
                && slot.limit().isPresent()
                && number.base() >= InsulationMinimum.UP_TO_500_VOLTS_OHMS
                && number.base() < 1e6 * practice().insulation().investigateBelowMegohms();
    }

    /** A composed box is written in the notation of the boxes it comes from; words have no meter and never come here. */
    private Meter meter(Slot slot) {
        return switch (slot) {
            case Slot.Measured measured ->
                key.tester().meter(measured.function()).orElseThrow();
            case Slot.Composed composed ->
                meter(key.expectation(composed.of().getFirst()).slot());
        };
    }
}
