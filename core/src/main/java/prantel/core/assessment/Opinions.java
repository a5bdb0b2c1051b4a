package prantel.core.assessment;

import java.time.OffsetDateTime;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;
import prantel.core.marking.Mark.Award;
import prantel.core.marking.Outcome.Verdict;

/**
 * What others than the assessor would give for the same record, each without having seen what was given.
 *
 * @param of by account id, in the order they were asked
 * @param settled disputes that were talked over, by mark
 * @param couldSee who was asked once, is not asked any more, and could look at what was given since
 */
public record Opinions(Map<String, Opinion> of, Map<String, Settled> settled, Set<String> couldSee) {
    static final Opinions NONE = new Opinions(Map.of(), Map.of(), Set.of());

    public Opinions {
        couldSee = Set.copyOf(couldSee);
    }

    public enum Purpose {
        /** A second mark: where the two differ it is settled before the outcome is signed. */
        SECOND,
        /** An exercise on a record that is decided: nothing follows for the candidate. */
        EXERCISE
    }

    /** @param given by mark @param signed empty while it is being given */
    public record Opinion(
            Purpose purpose,
            String askedBy,
            OffsetDateTime askedAt,
            Map<String, Given> given,
            Optional<Signed> signed) {
        public Opinion {
            given = Map.copyOf(given);
        }

        private Opinion with(String mark, Given what) {
            Map<String, Given> next = new LinkedHashMap<>(given);
            next.put(mark, what);
            return new Opinion(purpose, askedBy, askedAt, next, signed);
        }
    }

    public record Given(Award award, String reason, OffsetDateTime at) {}

    public record Signed(Verdict verdict, OffsetDateTime at) {}

    /** @param first what was given before it was settled */
    public record Settled(Award first, Award given, String reason, String by, OffsetDateTime at) {}

    Opinions asked(AssessmentEvent.OpinionAsked asked, Assessment.Recorded recorded) {
        return with(asked.of(), new Opinion(asked.purpose(), recorded.by(), recorded.at(), Map.of(), Optional.empty()));
    }

    Opinions given(AssessmentEvent.OpinionGiven given, Assessment.Recorded recorded) {
        Opinion opinion = of.get(recorded.by());
        return opinion == null
                ? this
                : with(
                        recorded.by(),
                        opinion.with(given.mark(), new Given(given.given(), given.reason(), recorded.at())));
    }

    Opinions signed(AssessmentEvent.OpinionSigned signed, Assessment.Recorded recorded) {
        Opinion opinion = of.get(recorded.by());
        return opinion == null
                ? this
                : with(
                        recorded.by(),
                        new Opinion(
                                opinion.purpose(),
                                opinion.askedBy(),
                                opinion.askedAt(),
                                opinion.given(),
                                Optional.of(new Signed(signed.verdict(), recorded.at()))));
    }

    Opinions without(String account) {
        Map<String, Opinion> next = new LinkedHashMap<>(of);
        next.remove(account);
        Set<String> could = new HashSet<>(couldSee);
        could.add(account);
        return new Opinions(next, settled, could);
    }

    Opinions settled(AssessmentEvent.DisputeSettled dispute, Award first, Assessment.Recorded recorded) {
        Map<String, Settled> next = new LinkedHashMap<>(settled);
        Settled before = settled.get(dispute.mark());
        next.put(
                dispute.mark(),
                new Settled(
                        before == null ? first : before.first(),
                        dispute.given(),
                        dispute.reason(),
                        recorded.by(),
                        recorded.at()));
        return new Opinions(of, next, couldSee);
    }

    private Opinions with(String account, Opinion opinion) {
        Map<String, Opinion> next = new LinkedHashMap<>(of);
        next.put(account, opinion);
        return new Opinions(next, settled, couldSee);
    }

    /** Whether somebody is giving one at this moment, and so must not see what others gave. */
    public boolean isBlind(String account) {
        Opinion opinion = of.get(account);
        return opinion != null && opinion.signed().isEmpty();
    }

    /** Second marks; those of exercises are not among them. */
    public Stream<Opinion> second() {
        return of.values().stream().filter(o -> o.purpose() == Purpose.SECOND);
    }

    /** Marks on which a signed second mark and what was given differ, and which are not settled. */
    public List<String> disputes(Map<String, Assessment.Decision> decisions) {
        return second().filter(o -> o.signed().isPresent())
                .flatMap(o -> o.given().entrySet().stream())
                .filter(e -> !settled.containsKey(e.getKey()))
                .filter(e -> {
                    Assessment.Decision decision = decisions.get(e.getKey());
                    return decision != null && decision.given() != e.getValue().award();
                })
                .map(Map.Entry::getKey)
                .distinct()
                .toList();
    }
}
