package prantel.core.marking;

import java.util.List;
import java.util.stream.Collectors;
import prantel.core.marking.Evidence.Box;

/** What the evidence of a mark says in words. */
final class Sentences {
    private Sentences() {}

    static String of(Evidence evidence) {
        return switch (evidence) {
            case Evidence.ByTheRig(String cause, int of, int off) ->
                off + " of " + of + " are off, and that is hardly the reader's doing: " + cause
                        + ". Costs nothing; look at it before you accept this.";
            case Evidence.ChargedOnce(String habit, String where) ->
                "The same habit as at “" + where + "”, and it costs there: " + habit + ".";
            case Evidence.NotAsSet(String cause, String named) ->
                "The readings say that it is not on the rig as it was set: " + cause + ". Named by the candidate: "
                        + (named.isEmpty() ? "nothing" : named)
                        + ". Costs nothing; look at the rig before you accept this.";
            case Evidence.Measured(int of, List<Box> off, int withLeads) ->
                off.isEmpty()
                        ? (of == 1 ? "The reading is" : "All " + of + " readings are") + " what this rig gives"
                                + (withLeads > 0 ? ", less the leads." : ".")
                        : off.size() + " of " + of + " are not what this rig gives: "
                                + off.stream().map(b -> b.place() + how(b)).collect(Collectors.joining(", ")) + ".";
            case Evidence.Judged(String circuit, List<Box> wrong) ->
                wrong.isEmpty()
                        ? "Every judgement follows from the reading and the limit."
                        : (circuit.isEmpty() ? "" : circuit + ": ")
                                + wrong.stream()
                                        .map(b -> b.place() + how(b))
                                        .collect(Collectors.joining("; ", "", "."));
            case Evidence.Leads(boolean any, int carrying) ->
                !any
                        ? "No continuity reading is on the sheet."
                        : carrying == 0
                                ? "No continuity reading carries the resistance of the leads."
                                : "Lead resistance is in " + carrying + " reading" + plural(carrying)
                                        + "; counts once for all of them.";
            case Evidence.Chosen chosen -> chosen(chosen);
            case Evidence.Methods(String circuit, int filled) ->
                filled > 1
                        ? "Both R1+R2 and R2 are filled for " + circuit
                                + ". One is asked for; ask how each was measured."
                        : filled == 0
                                ? "Neither is on record for " + circuit + "."
                                : "One method is on record for " + circuit + ".";
            case Evidence.Written written ->
                !written.any()
                        ? "No " + written.what() + " is on the sheet."
                        : written.remark().orElse("Units and over-range are written so that they can be read.");
            case Evidence.Filled(int of, List<String> open) ->
                open.isEmpty()
                        ? of == 1 ? "The box is filled." : "All " + of + " boxes are filled."
                        : open.size() + " of " + of + " are open: " + some(open) + ".";
            case Evidence.Expected(int said, int of, int near) ->
                said == 0
                        ? "No expected value was written before the readings."
                        : said + " of " + of + " expected values were written before the readings, " + near
                                + " of them near what the trade's arithmetic gives.";
            case Evidence.Agreement(List<String> off) ->
                off.isEmpty() ? "What belongs together agrees." : "Does not agree: " + String.join("; ", off) + ".";
            case Evidence.NotOnTheSheet none -> "Not on the sheet.";
            case Evidence.Found(String named, boolean samePlace, boolean remedy) ->
                "Named as " + named + "."
                        + (samePlace
                                ? ""
                                : " As good an answer: no reading of the sequence tells the two places apart.")
                        + (remedy ? "" : " No remedy given.");
            case Evidence.PartlyFound(String named, boolean place) ->
                "Named as " + named + "."
                        + (place
                                ? " The place is right, the nature is not."
                                : " The nature is right, the place is not.");
            case Evidence.AspectOf(String named, boolean right) ->
                "Named as " + named + (right ? "." : ": that is not it.");
            case Evidence.NothingAtAll nothing -> "Nothing is on the sheet.";
            case Evidence.Invented(List<String> named) ->
                named.isEmpty()
                        ? "Nothing is named that is not there."
                        : named.stream().collect(Collectors.joining("; ", "Named but not set: ", "."));
            case Evidence.NotSeen not -> "Nobody recorded it; it counts neither way.";
            case Evidence.Spared(String what) -> "Costs nothing. " + what + ".";
            case Evidence.SeenRight right -> "Seen, and done right.";
            case Evidence.SeenSlip(String slip) -> "Seen: " + slip + ".";
            case Evidence.Answer(List<String> said, int needed, int of) ->
                said.isEmpty()
                        ? "Asked; none of the " + of + " points was named."
                        : "Asked; named " + said.size() + " of " + of + ", " + needed + " needed: "
                                + String.join("; ", said) + ".";
            case Evidence.Order(List<Evidence.Broken> broken) ->
                broken.isEmpty()
                        ? "Everything was begun in an order that the scheme allows."
                        : broken.stream()
                                .map(b -> broken(b) + (b.why().isEmpty() ? "" : ": " + b.why()))
                                .collect(Collectors.joining("; ", "", "."));
            case Evidence.Unsafe unsafe -> unsafe(unsafe);
        };
    }

    private static String unsafe(Evidence.Unsafe of) {
        String words = !of.what().isEmpty()
                ? "Stopped for safety: " + String.join("; ", of.what()) + "."
                : of.unseen().isEmpty()
                        ? "Nothing unsafe is recorded, and what is safety was seen."
                        : "Nothing unsafe is recorded, but this is safety and nobody saw it: "
                                + String.join("; ", of.unseen()) + ". It wants your own word.";
        return of.permitted().isEmpty()
                ? words
                : words + " Permitted by the assessor with a reason: " + String.join("; ", of.permitted()) + ".";
    }

    static String broken(Evidence.Broken broken) {
        return broken.open() == 0
                ? "“" + broken.then() + "” was begun before “" + broken.first() + "”"
                : "“" + broken.then() + "” was begun with " + broken.open() + (broken.open() == 1 ? " box" : " boxes")
                        + " of “" + broken.first() + "” still empty";
    }

    private static String chosen(Evidence.Chosen chosen) {
        return switch (chosen) {
            case Evidence.NothingChosen(String box) ->
                box.isEmpty() ? "Nothing is recorded for the circuit." : "Nothing is recorded: " + box + ".";
            case Evidence.OverRangeChosen over -> "A point reads over-range, and that is what is recorded.";
            case Evidence.RightChosen(String rule) ->
                rule.isEmpty()
                        ? "The highest of the candidate's own readings is recorded."
                        : "It is " + rule + " the candidate's own readings.";
            case Evidence.NumberBelowOverRange below ->
                "The highest number is recorded, but a point reads over-range: that is higher.";
            case Evidence.SumOfOverRange sum ->
                "A number is recorded as the sum, but one of its parts reads over-range: so does the sum.";
            case Evidence.ChosenFromNothing from -> "Right, but the readings it was chosen from are missing.";
            case Evidence.NotTheirOwn not -> "It is not one of the candidate's own readings.";
            case Evidence.AnotherChosen(String written, String rule, String right) ->
                written + " is recorded; "
                        + (rule.isEmpty()
                                ? "the highest reading on the sheet is " + right
                                : rule + " the readings on the sheet is " + right)
                        + ".";
        };
    }

    private static String how(Box box) {
        return switch (box.how()) {
            case NO_READING -> " has no reading";
            case ABOVE -> " is above";
            case BELOW -> " is below";
            case OVER_RANGE -> " is over-range";
            case SAYS_OTHERWISE -> " says something else";
            case NOT_JUDGED -> " is not judged";
            case PASSED_THOUGH_IT_FAILS -> " fails its limit and is called satisfactory";
            case JUDGED_WRONGLY -> " is judged against its limit wrongly";
        };
    }

    private static String plural(int count) {
        return count == 1 ? "" : "s";
    }

    private static String some(List<String> places) {
        return places.size() <= 6
                ? String.join(", ", places)
                : String.join(", ", places.subList(0, 6)) + " and " + (places.size() - 6) + " more";
    }
}
