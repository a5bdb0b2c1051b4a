package prantel.server.rigs;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.time.OffsetDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import prantel.core.expectation.Key;
import prantel.core.quantity.Problem;
import prantel.core.rig.Rig;
import prantel.core.sequence.Quantity;
import prantel.core.survey.RigSurvey;
import prantel.core.survey.Warning;
import prantel.server.picture.Pictures;
import prantel.server.picture.RigDrawing;

/** A rig looked at from every side: drawing, profiles, expectation sheet, warnings. */
record RigView(
        RigDrawing drawing,
        List<Pictures.CircuitLine> circuits,
        List<Pictures.ProfileCurve> profiles,
        List<ExpectationSheet.ReadingLine> sheet,
        List<WarningLine> warnings) {

    record WarningLine(String code, @Nullable String circuit, String says, String source) {}

    /** A line of the list of rigs. */
    record RigLine(
            @JsonUnwrapped RigListed of,
            List<Integer> bays,
            RigDrawing drawing,
            @JsonUnwrapped RigListedState state) {}

    /** Which rig, saved when. */
    record RigListed(String id, String name, int version, OffsetDateTime savedAt, String savedBy) {}

    /** What is known of it. */
    record RigListedState(int boxes, int warnings, int drifts) {}

    record VersionLine(int version, OffsetDateTime savedAt, String savedBy, int assessments) {}

    /** @param file the rig file, for the workshop and for downloading */
    record RigPage(
            @JsonUnwrapped RigShown of, @JsonUnwrapped RigUse use, String file, String testerLabel, RigView view) {}

    /**
     * Which rig, which version.
     *
     * @param latest whether there is no newer version
     */
    record RigShown(String id, String name, int version, boolean latest, String comments) {}

    /** Where it stands, what it was before. */
    record RigUse(List<Integer> bays, List<VersionLine> versions) {}

    /**
     * What a draft in the workshop would be.
     *
     * @param view none while it has problems
     * @param file to go on with, in the form of today's format; none if it has not the shape of a rig
     */
    record DraftView(
            List<Problem> problems,
            @Nullable RigView view,
            @Nullable String file) {}

    /** @param key healthy, of the full sequence */
    static RigView of(Key key) {
        Rig rig = key.rig();
        return new RigView(
                RigDrawing.of(rig), Pictures.circuits(rig), profiles(key), ExpectationSheet.of(key), warnings(key));
    }

    static List<WarningLine> warnings(Key key) {
        List<WarningLine> lines = new ArrayList<>();
        for (Warning warning : RigSurvey.of(key)) {
            lines.add(new WarningLine(
                    warning.code(),
                    warning.circuit().map(Object::toString).orElse(null),
                    warning.says(),
                    warning.source()));
        }
        return lines;
    }

    private static List<Pictures.ProfileCurve> profiles(Key key) {
        return Stream.of(Quantity.R1_R2, Quantity.R1_RN, Quantity.R2, Quantity.ZS)
                .flatMap(q -> Pictures.profiles(key, q).stream())
                .toList();
    }
}
