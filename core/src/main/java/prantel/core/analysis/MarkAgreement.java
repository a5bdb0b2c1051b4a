package prantel.core.analysis;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import prantel.core.analysis.Kappa.Pair;
import prantel.core.marking.Mark;
import prantel.core.marking.Mark.Award;

/**
 * Two people's marks of one record beside each other.
 *
 * @param all over every mark that both gave
 * @param byCriterion the same for the marks of each criterion, in the order of the sheet
 */
public record MarkAgreement(Kappa all, List<OfCriterion> byCriterion) {
    public MarkAgreement {
        byCriterion = List.copyOf(byCriterion);
    }

    /** @param title what its marks are given for */
    public record OfCriterion(String criterion, String title, Kappa kappa) {}

    public static MarkAgreement of(List<Mark> marks, Map<String, Award> first, Map<String, Award> second) {
        List<Pair<Award>> all = new ArrayList<>();
        Map<String, List<Pair<Award>>> by = new LinkedHashMap<>();
        Map<String, String> titles = new LinkedHashMap<>();
        for (Mark mark : marks) {
            Award a = first.get(mark.id());
            Award b = second.get(mark.id());
            if (a != null && b != null) {
                Pair<Award> pair = new Pair<>(a, b);
                all.add(pair);
                by.computeIfAbsent(mark.of().criterion(), c -> new ArrayList<>())
                        .add(pair);
                titles.putIfAbsent(mark.of().criterion(), mark.of().title());
            }
        }
        List<OfCriterion> lines = new ArrayList<>();
        by.forEach((criterion, pairs) ->
                lines.add(new OfCriterion(criterion, titles.getOrDefault(criterion, ""), Kappa.of(pairs))));
        return new MarkAgreement(Kappa.of(all), lines);
    }
}
