package org.catalexis.cli;

import java.util.ArrayList;
import java.util.List;

/**
 * A table of text: a heading, a row of cells each, columns padded to their widest cell. Where the whole would be wider than
 * the console, the widest column is cut, with an ellipsis.
 */
final class Table {
    private static final String GAP = "  ";

    private final List<String> heading;
    private final boolean[] right;
    private final List<List<String>> rows = new ArrayList<>();

    /** Columns by their headings; one that begins with {@code >} is set to the right. */
    Table(List<String> columns) {
        right = new boolean[columns.size()];
        heading = new ArrayList<>();
        for (String column : columns) {
            right[heading.size()] = column.startsWith(">");
            heading.add(column.startsWith(">") ? column.substring(1) : column);
        }
    }

    Table(String... columns) {
        this(List.of(columns));
    }

    void row(Object... cells) {
        row(java.util.Arrays.stream(cells).map(String::valueOf).toList());
    }

    void row(List<String> cells) {
        rows.add(cells.stream().map(Table::oneLine).toList());
    }

    /** Control characters would move the terminal's cursor, or colour what follows. */
    private static String oneLine(String cell) {
        return cell.replaceAll("[\\p{Cntrl}]+", " ");
    }

    void print(Console console) {
        int[] widths = new int[right.length];
        for (int c = 0; c < widths.length; c++) {
            widths[c] = width(heading.get(c));
            for (List<String> row : rows) {
                widths[c] = Math.max(widths[c], width(row.get(c)));
            }
        }
        shrink(widths, console.width());
        console.out().println(console.bold(line(heading, widths)));
        for (List<String> row : rows) {
            console.out().println(line(row, widths));
        }
    }

    private static void shrink(int[] widths, int most) {
        int total = GAP.length() * (widths.length - 1);
        for (int width : widths) {
            total += width;
        }
        for (; total > most; total--) {
            int widest = 0;
            for (int c = 1; c < widths.length; c++) {
                widest = widths[c] > widths[widest] ? c : widest;
            }
            if (widths[widest] <= 8) { // nothing sensible is left to cut
                return;
            }
            widths[widest]--;
        }
    }

    private String line(List<String> cells, int[] widths) {
        StringBuilder line = new StringBuilder();
        for (int c = 0; c < widths.length; c++) {
            String cell = cut(cells.get(c), widths[c]);
            String pad = " ".repeat(widths[c] - width(cell));
            line.append(c > 0 ? GAP : "").append(right[c] ? pad + cell : cell + pad);
        }
        return line.toString().stripTrailing();
    }

    private static String cut(String cell, int most) {
        if (width(cell) <= most) {
            return cell;
        }
        StringBuilder kept = new StringBuilder();
        int used = 0;
        for (int c : cell.codePoints().toArray()) {
            used += width(c);
            if (used > most - 1) {
                break;
            }
            kept.appendCodePoint(c);
        }
        return kept.append('…').toString();
    }

    /** Columns that a text takes on a terminal. */
    private static int width(String text) {
        return text.codePoints().map(Table::width).sum();
    }

    /** Columns of one character: none for combining marks, two for the wide ones of East Asia. */
    private static int width(int c) {
        int type = Character.getType(c);
        if (type == Character.NON_SPACING_MARK || type == Character.ENCLOSING_MARK || type == Character.FORMAT) {
            return 0;
        }
        boolean wide = c >= 0x1100 && c <= 0x115F
                || c >= 0x2E80 && c <= 0xA4CF
                || c >= 0xAC00 && c <= 0xD7A3
                || c >= 0xF900 && c <= 0xFAFF
                || c >= 0xFE30 && c <= 0xFE6F
                || c >= 0xFF00 && c <= 0xFF60
                || c >= 0x1F300 && c <= 0x1FAFF
                || c >= 0x20000 && c <= 0x3FFFD;
        return wide ? 2 : 1;
    }
}
