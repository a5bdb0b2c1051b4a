package prantel.core.marking;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import prantel.core.expectation.Expectation;
import prantel.core.expectation.Key;
import prantel.core.expectation.Window.Side;
import prantel.core.fault.FaultSet;
import prantel.core.fixtures.Rigs;
import prantel.core.fixtures.Schemes;
import prantel.core.fixtures.Testers;
import prantel.core.instrument.Notation;
import prantel.core.marking.Mark.Award;
import prantel.core.quantity.Unit;
import prantel.core.sequence.Slot;
import prantel.core.sequence.SlotId;

/** The box for the record against the candidate's own readings, case by case. Arithmetic; the rest common practice, no source. */
class ChosenCheckTest {
    private static final Key KEY = Key.of(Rigs.fiveSockets(), FaultSet.NONE, Testers.usual(), Schemes.workshop());

    private static Finding finding(Expectation of, String text, Side side) {
        return finding(of, text, side, of.slot().boxUnit());
    }

    private static Finding finding(Expectation of, String text, Side side, Unit unit) {
        return new Finding(
                of,
                true,
                new Finding.Compared(Notation.read(text, unit), side, Finding.Judged.NOT_ASKED),
                List.of(),
                false,
                List.of());
    }

    private static ChosenCheck check(Slot.Rule rule, String written, Side side, String... own) {
        return check(Unit.OHM, rule, written, side, own);
    }

    private static ChosenCheck check(Unit unit, Slot.Rule rule, String written, Side side, String... own) {
        List<Finding> all = new ArrayList<>();
        List<SlotId> of = new ArrayList<>();
        for (int i = 0; i < own.length; i++) {
            SlotId id = new SlotId("sockets/r1r2/socket-" + (i + 1));
            of.add(id);
            all.add(finding(KEY.expectation(id), own[i], Side.INSIDE, unit));
        }
        // what belongs to another box is none of it
        all.add(finding(KEY.expectation(new SlotId("sockets/r1r2/socket-5")), "9.99", Side.ABOVE));
        Expectation record = KEY.expectation(new SlotId("sockets/r1r2"));
        Slot.Composed slot = new Slot.Composed(((Slot.Composed) record.slot()).heading(), rule, of, Optional.empty());
        return ChosenCheck.of(finding(record, written, side, unit), slot, all);
    }

    @ParameterizedTest
    @CsvSource({
        // written, side, own readings, award, why
        "'', NOTHING, '0.20 0.45 0.31', NONE, NothingChosen",
        "0.45, INSIDE, '0.20 0.45 0.31', FULL, RightChosen",
        "0.31, INSIDE, '0.20 0.45 0.31', NONE, AnotherChosen",
        "0.5, INSIDE, '0.20 0.45 0.31', NONE, AnotherChosen",
        "'>99.9 kΩ', ABOVE, '0.20 >99.9kΩ 0.31', FULL, OverRangeChosen",
        "'>99.9 kΩ', ABOVE, '0.20 0.45 0.31', NONE, NotTheirOwn",
        "0.31, BELOW, '0.20 >99.9kΩ 0.31', HALF, NumberBelowOverRange",
        "0.20, BELOW, '0.20 >99.9kΩ 0.31', NONE, AnotherChosen",
        "0.70, INSIDE, '', HALF, ChosenFromNothing",
        "9.70, ABOVE, '', NONE, NotTheirOwn",
        "0.70, INSIDE, 'OL', HALF, ChosenFromNothing"
    })
    void theHighestOfTheirOwn(String written, Side side, String own, Award award, String why) {
        ChosenCheck check = check(Slot.Rule.HIGHEST, written, side, own.isEmpty() ? new String[0] : own.split(" "));
        assertThat(check.award()).isEqualTo(award);
        assertThat(check.evidence().getClass().getSimpleName()).isEqualTo(why);
    }

    // 0.38 + 0.71 is 1.09; to one decimal 1.1; 1.0 is not.
    @ParameterizedTest
    @CsvSource({
        "1.09, '0.38 0.71', FULL, RightChosen",
        "1.1, '0.38 0.71', FULL, RightChosen",
        "1.0, '0.38 0.71', NONE, AnotherChosen",
        "1.08, '0.38 0.71', NONE, AnotherChosen",
        "0.71, '>99.9kΩ 0.71', NONE, SumOfOverRange",
        "'>99.9 kΩ', '>99.9kΩ 0.71', FULL, OverRangeChosen",
        // an empty part is no nought
        "0.71, '_ 0.71', HALF, ChosenFromNothing"
    })
    void aSumToTheDigitsThatWereWritten(String written, String own, Award award, String why) {
        String[] parts = own.split(" ");
        for (int i = 0; i < parts.length; i++) {
            parts[i] = parts[i].equals("_") ? "" : parts[i];
        }
        ChosenCheck check = check(Slot.Rule.SUM, written, Side.INSIDE, parts);
        assertThat(check.award()).isEqualTo(award);
        assertThat(check.evidence().getClass().getSimpleName()).isEqualTo(why);
    }

    @Test
    void whatItShouldHaveBeenIsSaid() {
        assertThat(check(Slot.Rule.HIGHEST, "0.31", Side.INSIDE, "0.20", "0.45").evidence())
                .isEqualTo(new Evidence.AnotherChosen("0.31", "", "0.45\u2009Ω"));
        assertThat(check(Slot.Rule.SUM, "0.31", Side.INSIDE, "0.20", "0.45").evidence())
                .isEqualTo(new Evidence.AnotherChosen("0.31", Slot.Rule.SUM.words(), "0.65\u2009Ω"));
        assertThat(check(Slot.Rule.HIGHEST, "", Side.NOTHING, "0.20").evidence())
                .as("its circuit is named beside it")
                .isEqualTo(new Evidence.NothingChosen(""));
    }

    /** A current keeps being itself however it is rounded; half a last digit further it is another. Arithmetic. */
    @ParameterizedTest
    @CsvSource({
        "683 A, '0.68kA 0.41kA', FULL",
        "0.883 kA, '0.88kA 0.41kA', FULL",
        "0.88 kA, '883A 410A', FULL",
        "0.68 kA, '683A 410A', FULL",
        "689 A, '0.68kA 0.41kA', NONE",
        "0.41 kA, '0.68kA 0.41kA', NONE"
    })
    void aCurrentIsTheSameWithinTheCoarserLastDigit(String written, String own, Award award) {
        assertThat(check(Unit.KILOAMP, Slot.Rule.HIGHEST, written, Side.INSIDE, own.split(" "))
                        .award())
                .isEqualTo(award);
    }
}
