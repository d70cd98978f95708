package org.catalexis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import org.junit.jupiter.api.Test;

class TableTest {
    private static String printed(Table table, boolean colour, int width) {
        StringWriter out = new StringWriter();
        PrintWriter writer = new PrintWriter(out);
        table.print(new Console(writer, writer, colour, false, width));
        writer.flush();
        return out.toString().replace(System.lineSeparator(), "\n");
    }

    @Test
    void columnsAreAsWideAsTheirWidestCell() {
        Table table = new Table("name", ">n");
        table.row("a", 1);
        table.row("longer", 100);
        assertThat(printed(table, false, 80)).isEqualTo("name      n\na         1\nlonger  100\n");
        assertThat(printed(table, true, 80)).startsWith("\u001B[1mname      n\u001B[0m\n");
    }

    @Test
    void theWidestColumnIsCutWhereTheWholeIsTooWide() {
        Table table = new Table(">rank", "title");
        table.row(1, "word ".repeat(30));
        assertThat(printed(table, false, 40).lines())
                .allMatch(line -> line.length() <= 40)
                .last()
                .asString()
                .endsWith("…");
    }

    @Test
    void wideCharactersTakeTwoColumnsAndMarksNone() {
        Table table = new Table("a", "b");
        table.row("漢字", "x");
        table.row("cafe\u0301", "x");
        assertThat(printed(table, false, 80)).isEqualTo("a     b\n漢字  x\ncafe\u0301  x\n");
    }

    @Test
    void controlCharactersOfTheDataDoNotReachTheTerminal() {
        Table table = new Table("a");
        table.row("two\nlines\u001B[31m");
        assertThat(printed(table, false, 80)).isEqualTo("a\ntwo lines [31m\n");
    }

    @Test
    void figuresAreWrittenAsPeopleReadThem() {
        assertThat(Figures.count(63_087)).isEqualTo("63,087");
        assertThat(Figures.bytes(999)).isEqualTo("999 B");
        assertThat(Figures.bytes(15_240_000)).isEqualTo("15.2 MB");
        assertThat(Figures.bytes(2_500_000_000L)).isEqualTo("2.50 GB");
        assertThat(Figures.of(1, "segment") + ", " + Figures.of(2, "token")).isEqualTo("1 segment, 2 tokens");
        assertThat(Figures.percent(0.0512)).isEqualTo("5.1 %");
    }
}
