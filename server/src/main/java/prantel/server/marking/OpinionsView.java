package prantel.server.marking;

import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import prantel.core.analysis.Kappa;
import prantel.core.analysis.MarkAgreement;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Opinions;
import prantel.core.assessment.Opinions.Purpose;
import prantel.core.marking.Mark;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.MarkedSheet;

/**
 * Who else marked the record, and how far they agree.
 *
 * @param blind whether the viewer marks it alone and sees nothing of the others
 * @param lines empty for whoever marks it alone
 * @param mayAsk people who may be asked; empty where nobody may be asked now
 */
record OpinionsView(boolean blind, Purpose purpose, List<OpinionLine> lines, List<OtherAssessor> mayAsk) {

    record OtherAssessor(String id, String name) {}

    /** @param agreement null until it is signed */
    record OpinionLine(
            OtherAssessor by,
            Purpose purpose,
            @Nullable OffsetDateTime signedAt,
            String verdict,
            @Nullable AgreementLine agreement,
            List<DisputeLine> differ) {}

    /**
     * How two people agree on the same marks.
     *
     * @param marks how many both gave
     * @param same on how many they agree
     * @param kappa Cohen's κ with its interval; null where it says nothing
     * @param note what it does not measure; empty where it measures two people
     */
    record AgreementLine(int marks, int same, @Nullable KappaLine kappa, List<CriterionLine> criteria, String note) {}

    /** @param low and high of the interval that holds it 95 times in 100 */
    record KappaLine(double kappa, double low, double high) {}

    record CriterionLine(
            String title, int marks, int same, @Nullable KappaLine kappa) {}

    /** @param settled what counts since it was talked over; null while it was not */
    record DisputeLine(
            String mark,
            String title,
            String group,
            OneSaid first,
            OneSaid second,
            @Nullable SettledLine settled) {}

    record OneSaid(Award award, String reason) {}

    record SettledLine(Award award, String reason, String by) {}

    static OpinionsView blind(Opinions opinions, String viewer) {
        Opinions.Opinion own = opinions.of().get(viewer);
        return new OpinionsView(true, own == null ? Purpose.SECOND : own.purpose(), List.of(), List.of());
    }

    /** @param names of accounts @param others who assess in this workshop */
    static OpinionsView of(
            Assessment assessment, MarkedSheet sheet, Function<String, String> names, List<OtherAssessor> others) {
        Opinions opinions = assessment.opinions();
        Map<String, Award> first = new LinkedHashMap<>();
        assessment.decisions().forEach((mark, d) -> {
            Opinions.Settled settled = opinions.settled().get(mark);
            first.put(mark, settled == null ? d.given() : settled.first());
        });
        List<OpinionLine> lines = new ArrayList<>();
        opinions.of()
                .forEach((account, opinion) -> lines.add(line(
                        new OtherAssessor(account, names.apply(account)),
                        opinion,
                        new Sides(assessment, sheet, first, names))));
        return new OpinionsView(
                false,
                assessment.outcome() == null ? Purpose.SECOND : Purpose.EXERCISE,
                lines,
                others.stream()
                        .filter(p -> !opinions.of().containsKey(p.id()))
                        .filter(p -> !p.id().equals(assessment.conduct().assessor()))
                        .filter(p -> assessment.decisions().values().stream().noneMatch(d -> d.by().equals(p.id())))
                        .toList());
    }

    private record Sides(
            Assessment assessment, MarkedSheet sheet, Map<String, Award> first, Function<String, String> names) {}

    private static OpinionLine line(OtherAssessor by, Opinions.Opinion opinion, Sides sides) {
        Optional<Opinions.Signed> signed = opinion.signed();
        if (signed.isEmpty()) {
            return new OpinionLine(by, opinion.purpose(), null, "", null, List.of());
        }
        Map<String, Award> second = new LinkedHashMap<>();
        opinion.given().forEach((mark, given) -> second.put(mark, given.award()));
        return new OpinionLine(
                by,
                opinion.purpose(),
                signed.get().at(),
                signed.get().verdict().words(),
                agreement(MarkAgreement.of(sides.sheet().marks(), sides.first(), second), note(sides.assessment())),
                sides.sheet().marks().stream()
                        .flatMap(m -> differ(m, opinion, sides).stream())
                        .toList());
    }

    private static Optional<DisputeLine> differ(Mark mark, Opinions.Opinion opinion, Sides sides) {
        Award first = sides.first().get(mark.id());
        Opinions.Given second = opinion.given().get(mark.id());
        if (first == null || second == null || first == second.award()) {
            return Optional.empty();
        }
        Assessment.Decision decision = sides.assessment().decisions().get(mark.id());
        Opinions.Settled settled = opinion.purpose() == Purpose.SECOND
                ? sides.assessment().opinions().settled().get(mark.id())
                : null;
        return Optional.of(new DisputeLine(
                mark.id(),
                mark.title(),
                Stream.of(mark.group(), sides.sheet().circuitOf(mark))
                        .filter(w -> !w.isEmpty())
                        .collect(Collectors.joining(", ")),
                new OneSaid(first, settled != null || decision == null ? "" : decision.reason()),
                new OneSaid(second.award(), second.reason()),
                settled == null
                        ? null
                        : new SettledLine(
                                settled.given(), settled.reason(), sides.names().apply(settled.by()))));
    }

    /** Whoever took every proposal as it stood gave the program's marks and no marks of their own. */
    private static String note(Assessment assessment) {
        boolean asProposed = !assessment.decisions().isEmpty()
                && assessment.decisions().values().stream().allMatch(d -> d.given() == d.proposed());
        return asProposed
                ? "The first marker took every proposal as it stood: this holds the second marker against the program, and"
                        + " says nothing of how two people agree."
                : "";
    }

    private static AgreementLine agreement(MarkAgreement agreement, String note) {
        return new AgreementLine(
                agreement.all().things(),
                same(agreement.all()),
                kappa(agreement.all()),
                agreement.byCriterion().stream()
                        .map(c -> new CriterionLine(c.title(), c.kappa().things(), same(c.kappa()), kappa(c.kappa())))
                        .toList(),
                note);
    }

    private static int same(Kappa kappa) {
        return (int) Math.round(kappa.observed() * kappa.things());
    }

    private static @Nullable KappaLine kappa(Kappa kappa) {
        return kappa.value()
                .map(v -> new KappaLine(round(v.kappa()), round(v.low()), round(v.high())))
                .orElse(null);
    }

    private static double round(double value) {
        return Math.round(value * 100) / 100.0;
    }
}
