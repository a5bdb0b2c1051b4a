package prantel.core.marking;

import java.util.List;
import prantel.core.expectation.Window.Side;
import prantel.core.instrument.Written;
import prantel.core.marking.Mark.Award;
import prantel.core.quantity.Check;
import prantel.core.quantity.Unit;
import prantel.core.sequence.Slot;

/** Whether the box for the record holds what follows from the candidate's own readings. */
record ChosenCheck(Award award, Evidence.Chosen evidence) {
    static ChosenCheck of(Finding finding, Slot.Composed slot, List<Finding> all) {
        List<Written> own = all.stream()
                .filter(f -> slot.of().contains(f.expectation().slot().id()))
                .map(Finding::written)
                .toList();
        boolean anyOver = own.stream().anyMatch(ChosenCheck::isOver);
        Written written = finding.written();
        if (written instanceof Written.Blank) {
            return new ChosenCheck(
                    Award.NONE,
                    new Evidence.NothingChosen(
                            slot.circuit().isPresent() ? "" : slot.quantity() + ", " + slot.where()));
        }
        if (anyOver && isOver(written)) {
            return new ChosenCheck(Award.FULL, new Evidence.OverRangeChosen());
        }
        List<Written.Number> numbers = own.stream()
                .filter(Written.Number.class::isInstance)
                .map(Written.Number.class::cast)
                .toList();
        boolean sum = slot.rule() == Slot.Rule.SUM;
        if (sum && anyOver && written instanceof Written.Number) {
            return new ChosenCheck(Award.NONE, new Evidence.SumOfOverRange());
        }
        // an empty part is no nought
        boolean partMissing = sum && numbers.size() < own.size();
        if (written instanceof Written.Number number && !numbers.isEmpty() && !partMissing) {
            return ofNumbers(number, slot, numbers, anyOver);
        }
        return finding.side() == Side.INSIDE
                ? new ChosenCheck(Award.HALF, new Evidence.ChosenFromNothing())
                : new ChosenCheck(Award.NONE, new Evidence.NotTheirOwn());
    }

    private static ChosenCheck ofNumbers(
            Written.Number number, Slot.Composed slot, List<Written.Number> numbers, boolean anyOver) {
        double right = slot.rule().of(numbers.stream().map(Written.Number::base).toList());
        String rule = slot.rule() == Slot.Rule.HIGHEST ? "" : slot.rule().words();
        if (isSame(number, right, slot.rule(), numbers)) {
            return anyOver
                    ? new ChosenCheck(Award.HALF, new Evidence.NumberBelowOverRange())
                    : new ChosenCheck(Award.FULL, new Evidence.RightChosen(rule));
        }
        String shown = Check.plain(slot.boxUnit().fromBase(right)) + "\u2009"
                + slot.boxUnit().symbol();
        return new ChosenCheck(
                Award.NONE, new Evidence.AnotherChosen(number.text().strip(), rule, shown));
    }

    /** What is worked out, to the digits that were written: 12.3 + 0.38 Ω is 12.7, 1130 A goes on the record as 1.13 kA. */
    private static boolean isSame(Written.Number number, double right, Slot.Rule rule, List<Written.Number> own) {
        boolean current = number.unit().dimension() == Unit.Dimension.CURRENT;
        boolean rounded = rule == Slot.Rule.SUM || rule == Slot.Rule.SPREAD || current;
        // a current is written down as read and on the record in kA, and either may be the rougher
        double theirs =
                current ? rule.of(own.stream().map(Written.Number::lastDigit).toList()) : 0;
        return Check.same(number.base(), right) || rounded && number.agreesWith(right, theirs);
    }

    private static boolean isOver(Written written) {
        return written instanceof Written.Above || written instanceof Written.Open;
    }
}
