package prantel.server.sheet;

import java.security.Principal;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.server.assessment.Assessments;
import prantel.server.print.Pdf;
import prantel.server.security.OneSheet;
import prantel.server.web.Refusal;

/** A candidate's own feedback. */
@RestController
@RequestMapping("/api/my/sheets/{id}/feedback")
class MyFeedbackController {
    private final Assessments assessments;
    private final FeedbackSheets sheets;
    private final Pdf pdf;

    MyFeedbackController(Assessments assessments, FeedbackSheets sheets, Pdf pdf) {
        this.assessments = assessments;
        this.sheets = sheets;
        this.pdf = pdf;
    }

    @GetMapping
    FeedbackSheet mine(@PathVariable String id, Principal who) {
        mustBeOwn(id, who);
        return sheets.of(id);
    }

    @GetMapping("/pdf")
    ResponseEntity<byte[]> myPdf(@PathVariable String id, Principal who) {
        mustBeOwn(id, who);
        FeedbackSheet sheet = sheets.of(id);
        return pdf.answer("feedback", sheet, FeedbackSheets.fileName(sheet));
    }

    private void mustBeOwn(String id, Principal who) {
        Assessment assessment = assessments.get(id);
        boolean own = assessment.fixed().candidateId().equals(who.getName())
                && OneSheet.of(who).map(id::equals).orElse(true);
        if (!own) {
            throw Refusal.notFound("sheet");
        }
    }
}
