package prantel.cli;

import java.util.ArrayList;
import java.util.List;

/** Columns of text, each as wide as its widest cell. */
final class TextTable {
    private final List<List<String>> rows = new ArrayList<>();

    TextTable row(String... cells) {
        rows.add(List.of(cells));
        return this;
    }

    @Override
    public String toString() {
        int columns = rows.stream().mapToInt(List::size).max().orElse(0);
        int[] width = new int[columns];
        for (List<String> row : rows) {
            for (int c = 0; c < row.size(); c++) {
                width[c] = Math.max(
                        width[c], row.get(c).codePointCount(0, row.get(c).length()));
            }
        }
        StringBuilder text = new StringBuilder();
        for (List<String> row : rows) {
            StringBuilder line = new StringBuilder();
            for (int c = 0; c < row.size(); c++) {
                String cell = row.get(c);
                line.append(cell).append(" ".repeat(width[c] - cell.codePointCount(0, cell.length()) + 2));
            }
            text.append(line.toString().stripTrailing()).append('\n');
        }
        return text.toString();
    }
}
