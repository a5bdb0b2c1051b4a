package prantel.formats;

import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import prantel.core.expectation.Key;
import prantel.core.marking.CandidateRecord;
import prantel.core.quantity.Check;
import prantel.core.quantity.Problem;
import prantel.core.quantity.ProblemsException;
import prantel.core.sequence.SlotId;

/**
 * A candidate's readings as CSV: columns {@code slot}, {@code reading} and, if wanted, {@code judged}; other columns are
 * for people. Comma, semicolon or tab; with or without a byte-order mark. See {@code docs/formats/readings.md}.
 */
public final class ReadingsCsv {
    private static final int LARGEST_BYTES = 1024 * 1024;
    private static final Set<String> YES = Set.of("satisfactory", "yes", "pass", "✓", "ok");
    private static final Set<String> NO = Set.of("unsatisfactory", "not satisfactory", "no", "fail", "✗");

    private ReadingsCsv() {}

    /**
     * @param key of the rig the readings were taken on: says which boxes there are
     * @param reports what the candidate says is wrong
     * @throws ProblemsException with every problem found, each with its row and column
     */
    public static CandidateRecord read(byte[] bytes, Key key, List<CandidateRecord.FaultReport> reports) {
        Check.that(
                bytes.length <= LARGEST_BYTES,
                "too-large",
                "",
                bytes.length / 1024 + " KiB",
                "give a file of at most " + LARGEST_BYTES / 1024 + " KiB");
        String text = Utf8.text(bytes);
        char delimiter = delimiter(text.lines().findFirst().orElse(""));
        CSVFormat format = CSVFormat.DEFAULT
                .builder()
                .setDelimiter(delimiter)
                .setHeader()
                .setSkipHeaderRecord(true)
                .setIgnoreHeaderCase(true)
                .setTrim(true)
                .setAllowMissingColumnNames(true)
                .get();
        try (CSVParser parser = format.parse(new StringReader(text))) {
            return new Rows(parser, key, delimiter).read(reports);
        } catch (ProblemsException e) {
            throw e;
        } catch (IOException | UncheckedIOException | IllegalArgumentException e) {
            // the parser reads from memory: whatever it throws is about the text
            throw new ProblemsException(new Problem(
                    "not-csv",
                    "",
                    "",
                    "this is not CSV that can be read"
                            + line(String.valueOf(e.getMessage()))
                            + ": look for a quotation mark that is not closed, or text after a closing one"));
        }
    }

    /** The parser counts lines from 1 and puts them in brackets. */
    private static String line(String message) {
        Matcher at = Pattern.compile("line[: ]*(\\d+)").matcher(message);
        return at.find() ? ", from row " + at.group(1) + " on" : "";
    }

    private static char delimiter(String header) {
        if (header.indexOf(';') >= 0) {
            return ';';
        }
        return header.indexOf('\t') >= 0 ? '\t' : ',';
    }

    /** Reads the rows of one file and keeps what is wrong with them. */
    private static final class Rows {
        private final CSVParser parser;
        private final Key key;
        private final char delimiter;
        private final Map<String, Integer> columns = new HashMap<>();
        private final Map<SlotId, String> readings = new LinkedHashMap<>();
        private final Map<SlotId, Boolean> judgements = new HashMap<>();
        private final Map<SlotId, Long> rowOf = new HashMap<>();
        private final List<Problem> problems = new ArrayList<>();

        Rows(CSVParser parser, Key key, char delimiter) {
            this.parser = parser;
            this.key = key;
            this.delimiter = delimiter;
            parser.getHeaderMap().forEach((name, index) -> columns.put(name.toLowerCase(Locale.ROOT), index));
        }

        CandidateRecord read(List<CandidateRecord.FaultReport> reports) {
            for (String column : List.of("slot", "reading")) {
                if (!columns.containsKey(column)) {
                    problems.add(new Problem(
                            "missing-column", "row 1", "", "the first row must name the column “" + column + "”"));
                }
            }
            for (String column : List.of("slot", "reading", "judged")) {
                if (parser.getHeaderNames().stream()
                                .filter(column::equalsIgnoreCase)
                                .count()
                        > 1) {
                    problems.add(new Problem(
                            "column-twice", "row 1", "", "two columns are called “" + column + "”: which is meant?"));
                }
            }
            ProblemsException.throwIfAny(problems);
            parser.forEach(this::row);
            ProblemsException.throwIfAny(problems);
            return new CandidateRecord(readings, judgements, reports);
        }

        private void row(CSVRecord row) {
            // the header is row 1
            long number = row.getRecordNumber() + 1;
            if (row.size() > parser.getHeaderNames().size()) {
                problems.add(new Problem(
                        "too-many-columns",
                        "row " + number,
                        row.size() + " values",
                        "the first row has " + parser.getHeaderNames().size()
                                + " columns; put a decimal comma in quotes, or use semicolons between columns"));
                return;
            }
            SlotId slot = new SlotId(cell(row, "slot"));
            if (slot.value().isEmpty() && cell(row, "reading").isEmpty()) {
                return;
            }
            if (!key.has(slot)) {
                problems.add(new Problem(
                        "unknown-slot",
                        place(number, "slot"),
                        Check.quoted(slot.value()),
                        "give a box of this rig's sheet; “prantel sheet” lists them"));
                return;
            }
            Long before = rowOf.putIfAbsent(slot, number);
            if (before != null) {
                problems.add(new Problem(
                        "slot-twice",
                        place(number, "slot"),
                        Check.quoted(slot.value()),
                        "this box is already in row " + before + "; keep one of the two"));
                return;
            }
            readings.put(slot, cell(row, "reading"));
            judged(row, number, slot);
        }

        private void judged(CSVRecord row, long number, SlotId slot) {
            String said = cell(row, "judged").toLowerCase(Locale.ROOT);
            if (said.isEmpty()) {
                return;
            }
            if (YES.contains(said) || NO.contains(said)) {
                judgements.put(slot, YES.contains(said));
            } else {
                problems.add(new Problem(
                        "bad-judgement",
                        place(number, "judged"),
                        Check.quoted(said),
                        "give “satisfactory” or “unsatisfactory”, or leave it empty"));
            }
        }

        private String cell(CSVRecord row, String column) {
            Integer index = columns.get(column);
            return index == null || index >= row.size() ? "" : row.get(index);
        }

        private String place(long row, String column) {
            return "row " + row + ", column " + column + (delimiter == '\t' ? " (tab-separated)" : "");
        }
    }
}
