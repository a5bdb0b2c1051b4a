package prantel.core.feedback;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import prantel.core.assessment.Feedback;
import prantel.core.marking.Evidence;
import prantel.core.marking.Mark;
import prantel.core.marking.Part;

/** What a candidate is told, in words: plain, kind, about the work. */
final class Words {
    private Words() {}

    /** To what may be given: a record in which everything is off says more than anybody reads. */
    static String shortened(String text) {
        int most = Feedback.Sentence.LONGEST;
        return text.length() <= most ? text : text.substring(0, text.lastIndexOf(' ', most - 2)) + " …";
    }

    static String unsafe(Evidence.Unsafe unsafe) {
        return "This was not safe: " + String.join("; ", unsafe.what())
                + ". Talk it over with your assessor before you are at a rig again.";
    }

    /** Where more was looked at than this it is not listed. */
    private static final int FEW = 4;

    /** @param circuits empty for what is done once for the rig @param titles what was looked at */
    static String right(String group, List<String> circuits, List<String> titles) {
        return group + (circuits.isEmpty() ? "" : " (" + String.join(", ", circuits) + ")") + ": "
                + (titles.size() <= FEW
                        ? titles.stream().map(Words::lower).collect(Collectors.joining("; "))
                        : "done and recorded as it should be")
                + ".";
    }

    static String readings(String places, String advice) {
        return "Look again at " + places + ". " + advice;
    }

    static String unexplained(String places) {
        return "Not settled: " + places + ". Go back over how you took it, and measure it twice the next time.";
    }

    /** @param named as the candidate named them; empty where they are not told */
    static String found(List<String> named) {
        return "Faults: you found what was wrong with the rig"
                + (named.isEmpty() ? ", and named it." : ": " + String.join("; ", named) + ".");
    }

    static String notBegun(List<String> tests) {
        return "Not begun: " + String.join("; ", tests) + ". What is not done cannot be judged.";
    }

    /** What a mark that was not given in full says to its candidate; empty where readings say it already. */
    static Optional<String> of(Mark mark, String circuit, boolean faultsNamed) {
        String where = mark.group().isEmpty() || mark.group().equals(mark.title())
                ? ""
                : mark.group() + (circuit.isEmpty() ? "" : ", " + circuit) + ": ";
        return Optional.ofNullable(
                switch (mark.evidence()) {
                    case Evidence.Measured measured ->
                        measured.off().stream().allMatch(b -> b.how() == Evidence.How.NO_READING)
                                        && !measured.off().isEmpty()
                                ? where + "boxes stayed empty. A reading that is missing cannot be judged."
                                : null;
                    case Evidence.Judged judged ->
                        where + "hold each reading against its limit before you call it satisfactory or not: "
                                + judged.wrong().stream()
                                        .map(Evidence.Box::place)
                                        .limit(4)
                                        .collect(Collectors.joining(", "))
                                + ".";
                    // with the readings
                    case Evidence.Leads leads -> null;
                    case Evidence.NothingChosen nothing ->
                        where + "nothing stands where one of your readings goes on the record.";
                    case Evidence.AnotherChosen another ->
                        where + "you put " + another.written()
                                + " on the record; look up which of your readings belongs" + " there.";
                    case Evidence.NotTheirOwn notTheirOwn ->
                        where + "what stands on the record is none of your own readings.";
                    case Evidence.Chosen chosen ->
                        where + "look up which of your readings goes on the record, and how over-range is written.";
                    case Evidence.Methods methods ->
                        methods.filled() > 1
                                ? where + "one of the two methods is enough, and goes on the record alone."
                                : where + "neither method is on record.";
                    case Evidence.Written written ->
                        written.remark()
                                .map(r -> where + "write it as the instrument shows it. " + r)
                                .orElse(null);
                    case Evidence.Filled filled ->
                        where + filled.open().size() + " of " + filled.of() + " boxes stayed open.";
                    case Evidence.Expected expected ->
                        where + "say what you expect before you measure: it is how you notice that something is wrong.";
                    case Evidence.Agreement agreement ->
                        agreement.off().isEmpty()
                                ? null
                                : where + "hold what belongs together against each other: "
                                        + String.join("; ", agreement.off()) + ".";
                    case Evidence.OfFaults ofFaults -> faults(mark, ofFaults, faultsNamed);
                    case Evidence.NotSeen notSeen -> null;
                    case Evidence.Spared spared -> null;
                    case Evidence.ByTheRig rig -> null;
                    case Evidence.NotAsSet notAsSet -> null;
                    case Evidence.ChargedOnce once -> null;
                    case Evidence.SeenRight seen -> null;
                    case Evidence.SeenSlip slip ->
                        where + (slip.slip().isBlank() ? "" : slip.slip() + ". ") + "What is looked for: "
                                + mark.title() + ".";
                    case Evidence.Answer answer ->
                        where + "“" + mark.title() + "” "
                                + (answer.said().isEmpty()
                                        ? "stayed without an answer; look it up and tell it to somebody."
                                        : "You said: " + String.join("; ", answer.said()) + ". There is more to it.");
                    case Evidence.Order order ->
                        order.broken().stream()
                                .map(b -> (b.open() == 0
                                                ? "“" + b.then() + "” came before “" + b.first() + "”: "
                                                : "“" + b.then() + "” was begun before “" + b.first()
                                                        + "” was finished: ")
                                        + b.why())
                                .collect(Collectors.joining("; ", "The order: ", "."));
                    // said first
                    case Evidence.Unsafe unsafe -> null;
                });
    }

    private static @org.jspecify.annotations.Nullable String faults(
            Mark mark, Evidence.OfFaults evidence, boolean faultsNamed) {
        if (faultsNamed) {
            return mark.title() + ": " + lower(mark.words());
        }
        // said of each of them alike, so that it gives none away
        return evidence instanceof Evidence.Invented
                ? null
                : "Finding faults: go from the readings that are not what you expected to what would make them so, name it"
                        + " with its circuit and place, and say what you would do about it.";
    }

    private static String lower(String sentence) {
        // R1+R2 and Zs keep their capital
        return sentence.length() < 2 || !Character.isLowerCase(sentence.charAt(1)) || sentence.startsWith("Zs")
                ? sentence
                : sentence.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + sentence.substring(1);
    }

    static String again(List<Part> steps) {
        return "Practise each of these until it comes by itself, they are done again: "
                + steps.stream().map(Part::title).collect(Collectors.joining("; ")) + ".";
    }

    static String again(Part part) {
        return switch (part.kind()) {
            case STEP -> "Practise “" + part.title() + "” until it comes by itself: this part is done again.";
            case FAULTS ->
                "Practise finding faults: measure a sound rig until you know its readings, then look for what differs.";
            case WHOLE -> "Practise the whole sequence from the first step to the last.";
        };
    }
}
