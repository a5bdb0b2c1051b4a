package prantel.server.record;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.Principal;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import prantel.core.assessment.Assessment;
import prantel.formats.RecordFile;
import prantel.server.assessment.Assessments;
import prantel.server.marking.Given;
import prantel.server.print.Pdf;

/** The complete record of one assessment. Whoever marks it alone gets none of it before signing. */
@RestController
@RequestMapping("/api/assessments/{id}/record")
class RecordController {
    private final Assessments assessments;
    private final Records records;
    private final Pdf pdf;

    RecordController(Assessments assessments, Records records, Pdf pdf) {
        this.assessments = assessments;
        this.records = records;
        this.pdf = pdf;
    }

    @GetMapping("/view")
    RecordView view(@PathVariable String id, Principal who) {
        return records.of(mayRead(id, who));
    }

    /** As a file that can be held against its own hashes without a server. */
    @GetMapping(produces = MediaType.APPLICATION_JSON_VALUE)
    ResponseEntity<byte[]> json(@PathVariable String id, Principal who) {
        Assessment assessment = mayRead(id, who);
        return file(
                RecordFile.write(assessments.export(assessment)),
                MediaType.APPLICATION_JSON,
                Records.fileName(assessment, "json"));
    }

    @GetMapping("/pdf")
    ResponseEntity<byte[]> pdf(@PathVariable String id, Principal who) {
        Assessment assessment = mayRead(id, who);
        return pdf.answer("record", records.of(assessment), Records.fileName(assessment, "pdf"));
    }

    /** Readings and marks, a line each; see docs/formats/record-csv.md. */
    @GetMapping("/csv")
    ResponseEntity<byte[]> csv(@PathVariable String id, Principal who) {
        Assessment assessment = mayRead(id, who);
        return file(
                csv(records.of(assessment)).getBytes(StandardCharsets.UTF_8),
                new MediaType("text", "csv", StandardCharsets.UTF_8),
                Records.fileName(assessment, "csv"));
    }

    private static String csv(RecordView record) {
        StringBuilder out = new StringBuilder();
        CSVFormat format = CSVFormat.RFC4180
                .builder()
                .setHeader(
                        "row",
                        "id",
                        "what",
                        "where",
                        "written",
                        "judged",
                        "proposed",
                        "first",
                        "second",
                        "counts",
                        "points",
                        "of",
                        "reason",
                        "evidence",
                        "by",
                        "at")
                .get();
        try (CSVPrinter printer = new CSVPrinter(out, format)) {
            for (RecordView.KeptReading r : record.content().readings()) {
                row(
                        printer,
                        "reading",
                        r.slot(),
                        r.quantity(),
                        r.where(),
                        r.text().written(),
                        r.judged(),
                        "",
                        "",
                        "",
                        "",
                        "",
                        "",
                        "",
                        "",
                        r.text().by(),
                        r.text().at());
            }
            for (RecordView.MarkedLine m : record.content().marks()) {
                row(
                        printer,
                        "mark",
                        m.of().id(),
                        m.of().title(),
                        m.of().group(),
                        "",
                        "",
                        m.opinions().proposed(),
                        m.opinions().first(),
                        m.opinions().second(),
                        m.end().counts(),
                        m.end().points(),
                        m.of().weight(),
                        m.end().reason(),
                        m.evidence(),
                        "",
                        "");
            }
            for (RecordView.DeedLine d : record.course().deeds()) {
                row(printer, "deed", "", d.words(), "", "", "", "", "", "", "", "", "", "", "", d.by(), d.at());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toString();
    }

    private static void row(CSVPrinter printer, Object... cells) throws IOException {
        for (int i = 0; i < cells.length; i++) {
            cells[i] = cells[i] instanceof String text ? plain(text) : cells[i];
        }
        printer.printRecord(cells);
    }

    /** Spaces of every kind before it are skipped by such programs; full-width signs count too. */
    private static final Pattern FORMULA =
            Pattern.compile("[\\p{Z}\\p{Cc}\\p{Cf}]*[=+\\-@\uFF1D\uFF0B\uFF0D\uFF20]|[\\p{Cc}]");

    /** What somebody typed must not be taken for a formula by a program that opens the file. Source: OWASP, CSV injection. */
    static String plain(String text) {
        return FORMULA.matcher(text).lookingAt() ? "'" + text : text;
    }

    private static ResponseEntity<byte[]> file(byte[] bytes, MediaType type, String name) {
        return ResponseEntity.ok()
                .contentType(type)
                .header(
                        HttpHeaders.CONTENT_DISPOSITION,
                        ContentDisposition.attachment().filename(name).build().toString())
                .body(bytes);
    }

    private Assessment mayRead(String id, Principal who) {
        return Given.mustNotBeBlind(assessments.get(id), who.getName());
    }
}
