package org.catalexis.io.judged;

import java.io.IOException;
import java.nio.file.Path;
import org.catalexis.io.files.LineReader;

/** Reads files whose lines are columns parted by white space. */
final class Columns {
    private Columns() {}

    /** Takes one line's columns. */
    interface Row {
        void take(String[] columns, LineReader line);
    }

    /**
     * Hands each line that is not blank to {@code row}.
     *
     * @param shape the columns by name, as a fault should show them: {@code topic 0 document grade}
     */
    static void read(Path file, String shape, Row row) throws IOException {
        int expected = shape.split(" ").length;
        boolean any = false;
        try (LineReader line = LineReader.open(file)) {
            while (line.next()) {
                String text = line.text().strip();
                if (text.isEmpty()) {
                    continue;
                }
                any = true;
                String[] columns = text.split("\\s+");
                if (columns.length != expected) {
                    throw line.fault(
                            "the line has " + columns.length + " columns: '" + shortened(text) + "'",
                            "write " + expected + ": " + shape);
                }
                row.take(columns, line);
            }
            if (!any) {
                throw line.fault("the file is empty", "write lines of: " + shape);
            }
        }
    }

    private static String shortened(String text) {
        return text.length() > 60 ? text.substring(0, 57) + "..." : text;
    }
}
