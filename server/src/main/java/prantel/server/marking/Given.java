package prantel.server.marking;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import prantel.core.assessment.Assessment;
import prantel.core.assessment.Opinions;
import prantel.server.web.Refusal;

/**
 * The marks as one person may see them: the assessor's; of somebody who marks the same record without having seen those, the
 * own ones and nothing else.
 *
 * @param blind whether the viewer marks it alone
 * @param outcome as decided; null while it is not, and for whoever marks it alone
 */
public record Given(
        boolean blind, Map<String, Assessment.Decision> decisions, Assessment.@Nullable OutcomeGiven outcome) {
    /** @throws Refusal for whoever marks it alone: what others gave, and what the program makes of the record, comes after */
    public static Assessment mustNotBeBlind(Assessment assessment, String viewer) {
        if (assessment.opinions().isBlind(viewer)) {
            throw Refusal.conflict("blind", "you were asked to mark this by yourself: sign your own marks first");
        }
        return assessment;
    }

    public static Given of(Assessment assessment, String viewer) {
        if (!assessment.opinions().isBlind(viewer)) {
            return new Given(false, assessment.decisions(), assessment.outcome());
        }
        Map<String, Assessment.Decision> own = new LinkedHashMap<>();
        Opinions.Opinion opinion = assessment.opinions().of().get(viewer);
        if (opinion != null) {
            opinion.given()
                    .forEach((mark, given) -> own.put(
                            mark,
                            new Assessment.Decision(given.award(), given.award(), given.reason(), viewer, given.at())));
        }
        return new Given(true, own, null);
    }
}
