package prantel.core.feedback;

import java.util.List;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Feedback;
import prantel.core.marking.Evidence;
import prantel.core.marking.Mark;
import prantel.core.marking.Part;
import prantel.core.scheme.Step;

/** What a candidate is told, in words: plain, kind, about the work. */
final class Words {
    /** Examples that a sentence gives: more of them teach nothing. */
    static final int MOST_PLACES = 3;

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

    /** @param steps of that stage that held up, with their circuits where not all of them did */
    static String right(Step.Stage stage, List<String> steps) {
        return switch (stage) {
                    case DEAD -> "Dead: ";
                    case LIVE -> "Live: ";
                }
                + "these were done and recorded as they should be: " + String.join("; ", steps) + ".";
    }

    /** @param about what the rest is about */
    static String besides(List<String> about) {
        return "Smaller points to talk over: " + String.join("; ", about) + ".";
    }

    /** What a mark is about, in a few words. */
    static String about(Mark mark, String circuit) {
        String group = mark.group().isEmpty() ? mark.title() : mark.group();
        return circuit.isEmpty() ? group : group + ", " + circuit;
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

    static String againstItsLimit(String place, String written, Optional<String> limit) {
        return place + ": you wrote " + written
                + limit.map(l -> ", the limit is " + l).orElse("");
    }

    /**
     * What is said of a mark.
     *
     * @param advice what to do otherwise, the same for every mark that is lost alike: it is said once
     * @param of where it went wrong, one for each place; empty where the advice says all
     */
    record Saying(String advice, List<String> of) {
        static Saying whole(String text) {
            return new Saying(text, List.of());
        }
    }

    /** The advice, with the first few of the places it is for. */
    static String said(String advice, List<String> of) {
        if (of.isEmpty()) {
            return advice;
        }
        return advice + ": " + of.stream().limit(MOST_PLACES).collect(Collectors.joining("; "))
                + (of.size() > MOST_PLACES ? "; and " + (of.size() - MOST_PLACES) + " more" : "") + ".";
    }

    /** What a mark that was not given in full says to its candidate; empty where readings say it already. @param judgedWrongly its boxes */
    static Optional<Saying> of(Mark mark, String circuit, boolean faultsNamed, List<String> judgedWrongly) {
        String place = about(mark, circuit);
        String where = mark.group().isEmpty() || mark.group().equals(mark.title()) ? "" : place + ": ";
        return Optional.ofNullable(
                switch (mark.evidence()) {
                    case Evidence.Measured measured ->
                        measured.off().stream().allMatch(b -> b.how() == Evidence.How.NO_READING)
                                        && !measured.off().isEmpty()
                                ? new Saying(
                                        "Leave no box empty, since a missing reading cannot be judged", List.of(place))
                                : null;
                    case Evidence.Judged judged ->
                        new Saying(
                                "Hold each reading against its limit, then write whether it is satisfactory",
                                judgedWrongly);
                    // with the readings
                    case Evidence.Leads leads -> null;
                    case Evidence.NothingChosen nothing ->
                        new Saying("Write on the record which of your readings counts", List.of(place));
                    case Evidence.AnotherChosen another ->
                        new Saying(WHICH_ONE, List.of(place + ", you put " + another.written()));
                    case Evidence.NotTheirOwn notTheirOwn ->
                        new Saying(WHICH_ONE, List.of(place + ", what you put is none of your own readings"));
                    case Evidence.Chosen chosen ->
                        new Saying(WHICH_ONE + ", and how over-range is written", List.of(place));
                    case Evidence.Methods methods ->
                        methods.filled() > 1
                                ? new Saying(
                                        "Take one of the two methods, and put it on the record alone", List.of(place))
                                : new Saying(
                                        "Neither of the two methods is on record, so take one of them", List.of(place));
                    case Evidence.Written written ->
                        written.remark()
                                .map(r -> new Saying(
                                        "Write each reading as the instrument shows it",
                                        List.of(place + ", " + withoutStop(lower(r)))))
                                .orElse(null);
                    case Evidence.Filled filled ->
                        new Saying(
                                "Fill every box, or write why you did not",
                                List.of(place + ", " + filled.open().size() + " of " + filled.of() + " stayed open"));
                    case Evidence.Expected expected ->
                        new Saying(
                                "Say what you expect before you measure, since that is how you notice that something is wrong",
                                List.of(place));
                    case Evidence.Agreement agreement ->
                        agreement.off().isEmpty()
                                ? null
                                : new Saying("Hold what belongs together against each other", agreement.off());
                    case Evidence.OfFaults ofFaults -> faults(mark, ofFaults, faultsNamed);
                    case Evidence.NotSeen notSeen -> null;
                    case Evidence.Spared spared -> null;
                    case Evidence.ByTheRig rig -> null;
                    case Evidence.NotAsSet notAsSet -> null;
                    case Evidence.ChargedOnce once -> null;
                    case Evidence.SeenRight seen -> null;
                    case Evidence.SeenSlip slip ->
                        Saying.whole(where + (slip.slip().isBlank() ? "" : slip.slip() + ". ") + "What is looked for: "
                                + mark.title() + ".");
                    case Evidence.Answer answer ->
                        Saying.whole(where + "“" + mark.title() + "” "
                                + (answer.said().isEmpty()
                                        ? "stayed without an answer; look it up and tell it to somebody."
                                        : "You said: " + String.join("; ", answer.said()) + ". There is more to it."));
                    case Evidence.Order order ->
                        Saying.whole(order.broken().stream()
                                .map(b -> (b.open() == 0
                                                ? "“" + b.then() + "” came before “" + b.first() + "”: "
                                                : "“" + b.then() + "” was begun before “" + b.first()
                                                        + "” was finished: ")
                                        + b.why())
                                .collect(Collectors.joining("; ", "The order: ", ".")));
                    // said first
                    case Evidence.Unsafe unsafe -> null;
                });
    }

    private static final String WHICH_ONE = "Look up which of your readings goes on the record";

    private static String withoutStop(String sentence) {
        return sentence.endsWith(".") ? sentence.substring(0, sentence.length() - 1) : sentence;
    }

    private static @Nullable Saying faults(Mark mark, Evidence.OfFaults evidence, boolean faultsNamed) {
        if (faultsNamed) {
            return Saying.whole(mark.title() + ": " + lower(mark.words()));
        }
        // said of each of them alike, so that it gives none away
        return evidence instanceof Evidence.Invented
                ? null
                : Saying.whole(
                        "Finding faults: go from the readings that are not what you expected to what would make them so, name it"
                                + " with its circuit and place, and say what you would do about it.");
    }

    private static String lower(String sentence) {
        // R1+R2 and Zs keep their capital
        return sentence.length() < 2 || !Character.isLowerCase(sentence.charAt(1)) || sentence.startsWith("Zs")
                ? sentence
                : sentence.substring(0, 1).toLowerCase(java.util.Locale.ROOT) + sentence.substring(1);
    }

    /** @param dearest the part that was lost most on @param parts what is done again */
    static String again(Part dearest, List<Part> parts) {
        return switch (dearest.kind()) {
                    case STEP -> "Practise “" + dearest.title() + "” until it comes by itself";
                    case FAULTS ->
                        "Practise finding faults: measure a sound rig until you know its readings, then look for what differs";
                    case WHOLE -> "Practise the whole sequence from the first step to the last";
                }
                + (parts.size() > 1
                        ? ". You do these parts again: "
                                + parts.stream().map(Part::title).collect(Collectors.joining("; "))
                        : dearest.kind() == Part.Kind.STEP ? "; you do this part again" : "")
                + ".";
    }
}
