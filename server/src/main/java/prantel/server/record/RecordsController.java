package prantel.server.record;

import com.fasterxml.jackson.annotation.JsonUnwrapped;
import java.security.Principal;
import java.time.Clock;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.marking.Outcome.Verdict;
import prantel.core.quantity.Check;
import prantel.server.assessment.Assessments;
import prantel.server.assessment.Assessments.FoundRecord;
import prantel.server.assessment.Assessments.WantedRecords;
import prantel.server.workshop.Schemes;
import prantel.server.workshop.Workshop;

/** Every decided record, found by person, rig, scheme, outcome and time. */
@RestController
@RequestMapping("/api/records")
class RecordsController {
    private static final int PAGE = 50;
    private static final int MOST_PAGES = 10_000;
    private static final int LONGEST_NAME = 120;

    private final Assessments assessments;
    private final Workshop workshop;
    private final Schemes schemes;
    private final Clock clock;

    RecordsController(Assessments assessments, Workshop workshop, Schemes schemes, Clock clock) {
        this.assessments = assessments;
        this.workshop = workshop;
        this.schemes = schemes;
        this.clock = clock;
    }

    /** @param of how many fit in all @param page from 0 */
    record RecordsPage(List<RecordLine> records, int of, int page, int pages, RecordChoices choices) {}

    record RecordLine(
            String assessmentId,
            @JsonUnwrapped RecordOf of,
            @JsonUnwrapped RecordEnd end) {}

    /** Who, on which rig, by which scheme. */
    record RecordOf(String candidate, String assessor, String rig, String scheme) {}

    /** How it ended. */
    record RecordEnd(String verdict, boolean brokenOff, boolean overridden, OffsetDateTime at) {}

    /** What can be chosen to look for. */
    record RecordChoices(List<RecordChoice> rigs, List<RecordChoice> schemes, List<RecordChoice> outcomes) {}

    record RecordChoice(String id, String label) {}

    /**
     * @param person part of a candidate's or an assessor's name
     * @param from the first day, and until the last one
     */
    @GetMapping
    RecordsPage records(
            @RequestParam(defaultValue = "") String person,
            @RequestParam(defaultValue = "") String rig,
            @RequestParam(defaultValue = "") String scheme,
            @RequestParam(defaultValue = "") String outcome,
            @RequestParam(required = false) @Nullable LocalDate from,
            @RequestParam(required = false) @Nullable LocalDate until,
            @RequestParam(defaultValue = "0") int page,
            Principal viewer) {
        Check.text(person, LONGEST_NAME, "person");
        Check.between(page, 0, MOST_PAGES, "page", "(from 0)");
        ZoneId zone = clock.getZone();
        WantedRecords wanted = new WantedRecords(
                person.isBlank() ? "" : "%" + literally(person.strip().toLowerCase(Locale.ROOT)) + "%",
                rig,
                scheme,
                outcome,
                (from == null ? LocalDate.EPOCH : from).atStartOfDay(zone).toOffsetDateTime(),
                (until == null ? LocalDate.now(clock).plusYears(1) : until.plusDays(1))
                        .atStartOfDay(zone)
                        .toOffsetDateTime());
        Assessments.FoundRecords found = assessments.find(wanted, viewer.getName(), PAGE, page * PAGE);
        return new RecordsPage(
                found.records().stream().map(this::line).toList(),
                found.of(),
                page,
                Math.max(1, (found.of() + PAGE - 1) / PAGE),
                choices());
    }

    /** What is typed is looked for as it is: no sign of it is a wildcard. */
    private static String literally(String text) {
        return text.replace("\\", "\\\\").replace("%", "\\%").replace("_", "\\_");
    }

    private RecordLine line(FoundRecord r) {
        Assessments.Decided decided = r.decided();
        return new RecordLine(
                r.assessmentId(),
                new RecordOf(
                        r.candidate(),
                        r.assessor(),
                        workshop.rig(r.rig()).name(),
                        schemes.scheme(r.scheme()).name()),
                new RecordEnd(
                        decided.brokenOff()
                                ? "Broken off"
                                : Verdict.valueOf(decided.verdict()).words(),
                        decided.brokenOff(),
                        decided.overridden(),
                        decided.at()));
    }

    private RecordChoices choices() {
        List<RecordChoice> outcomes = new ArrayList<>();
        Arrays.stream(Verdict.values())
                .filter(Verdict::isGiven)
                .forEach(v -> outcomes.add(new RecordChoice(v.name(), v.words())));
        outcomes.add(new RecordChoice(Assessments.BROKEN_OFF, "Broken off"));
        return new RecordChoices(
                workshop.everyRig().stream()
                        .map(r -> new RecordChoice(r.id(), workshop.rig(r).name()))
                        .sorted(Comparator.comparing(RecordChoice::label))
                        .toList(),
                schemes.all().stream()
                        .map(s -> new RecordChoice(s.id(), s.name()))
                        .toList(),
                outcomes);
    }
}
