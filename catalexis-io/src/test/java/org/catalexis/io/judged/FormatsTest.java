package org.catalexis.io.judged;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.io.OutputStream;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.zip.GZIPOutputStream;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import net.jqwik.api.constraints.Scale;
import org.catalexis.measure.Judgments;
import org.catalexis.measure.RankedList;
import org.catalexis.measure.Run;
import org.catalexis.measure.Topic;
import org.catalexis.measure.Topics;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FormatsTest {
    @TempDir
    private Path folder = Path.of("");

    private Path file(String name, String text) throws IOException {
        Path file = folder.resolve(name);
        try (OutputStream out = name.endsWith(".gz")
                ? new GZIPOutputStream(Files.newOutputStream(file))
                : Files.newOutputStream(file)) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return file;
    }

    @Test
    void aRunComesBackAsItWasWritten() throws IOException {
        Map<String, RankedList> lists = new LinkedHashMap<>();
        lists.put("t2", new RankedList(List.of("b", "a", "é"), new double[] {2.5, 1.0 / 3, 1.0 / 3}));
        lists.put("t1", new RankedList(List.of("a"), new double[] {1e-30}));
        Path path = folder.resolve("r.run");
        RunFile.write(path, new Run("plain", lists));
        assertThat(Files.readString(path))
                .isEqualTo("t2 Q0 b 1 2.5 plain\nt2 Q0 a 2 0.333333333 plain\nt2 Q0 é 3 0.333333333 plain\n"
                        + "t1 Q0 a 1 1E-30 plain\n");
        Run read = RunFile.read(path);
        assertThat(read.tag()).isEqualTo("plain");
        assertThat(read.of("t2").documents()).containsExactly("b", "a", "é");
        assertThat(read.of("t3").size()).isZero();
    }

    @Test
    void aRunIsOrderedByScoreThenByItsRankColumn() throws IOException {
        Run run = RunFile.read(file("r.run.gz", "\uFEFFt1 Q0 c 9 1.5 x\r\n\r\nt1\tQ0  a 2 1.5 x\r\nt1 Q0 b 7 2 x\r\n"));
        assertThat(run.of("t1").documents()).containsExactly("b", "a", "c");
        assertThat(run.of("t1").score(0)).isEqualTo(2.0);
    }

    @Test
    void faultsOfARunNameTheLine() throws IOException {
        Path columns = file("1.run", "t1 Q0 a 1 2.5 x\nt1 Q0 b 2 1.5\n");
        assertThatThrownBy(() -> RunFile.read(columns))
                .hasMessage(columns
                        + ":2: the line has 5 columns: 't1 Q0 b 2 1.5'; write 6: topic Q0 document rank score tag");
        Path score = file("2.run", "t1 Q0 a 1 high x\n");
        assertThatThrownBy(() -> RunFile.read(score)).hasMessage(score + ":1: score is 'high'; write a number");
        Path nan = file("3.run", "t1 Q0 a 1 NaN x\n");
        assertThatThrownBy(() -> RunFile.read(nan)).hasMessage(nan + ":1: score is 'NaN'; write a number");
        Path twice = file("4.run", "t1 Q0 a 1 2 x\n\nt1 Q0 a 2 1 x\n");
        assertThatThrownBy(() -> RunFile.read(twice))
                .hasMessage(twice + ":3: topic 't1' has the document 'a' already, in line 1; leave one of the two");
        Path empty = file("5.run", "\n");
        assertThatThrownBy(() -> RunFile.read(empty))
                .hasMessageContaining("the file is empty; write lines of: topic Q0");
        assertThatThrownBy(() -> RunFile.read(folder)).hasMessage(folder + ": is a folder; name a file");
        Path notPacked = folder.resolve("6.run.gz");
        Files.writeString(notPacked, "t1 Q0 a 1 2 x\n");
        assertThatThrownBy(() -> RunFile.read(notPacked)).hasMessageContaining("is not a gzip file");
    }

    @Test
    void judgmentsAreReadStrictly() throws IOException {
        Judgments judgments = JudgmentsFile.read(file("j.txt", "t1 0 a 2\r\nt1 0 b -1\nt1 0 a 2\n"), List.of());
        assertThat(judgments.of("t1")).isEqualTo(Map.of("a", 2, "b", -1));
        Path grade = file("1.txt", "t1 0 a 1.5\n");
        assertThatThrownBy(() -> JudgmentsFile.read(grade, List.of()))
                .hasMessage(grade + ":1: grade is '1.5'; write a whole number, 0 or below for not relevant");
        Path two = file("2.txt", "t1 0 a 1\nt1 0 a 2\n");
        assertThatThrownBy(() -> JudgmentsFile.read(two, List.of()))
                .hasMessage(two + ":2: topic 't1', document 'a' has grade 2, and 1 in line 1; leave one of the two");
        Path unknown = file("3.txt", "t1 0 a 1\nt9 0 a 1\n");
        assertThatThrownBy(() -> JudgmentsFile.read(unknown, List.of("t1", "t2")))
                .hasMessage(unknown
                        + ":2: the topic 't9' is not among the 2 known topics; add it to the topics, or take the line"
                        + " out");
    }

    @Test
    void topicsAreLinesOfIdAndTextOrBareIdsOfKnownOnes() throws IOException {
        Topics known = TopicsFile.read(file("t.tsv", "t1\tloose hinge\nt2\t dripping tap \n"));
        assertThat(known.all()).containsExactly(new Topic("t1", "loose hinge"), new Topic("t2", "dripping tap"));
        assertThat(TopicsFile.readOrSelect(file("ids.txt", "t2\n"), known).ids())
                .containsExactly("t2");
        assertThat(TopicsFile.readOrSelect(file("own.tsv", "x\tlamp\n"), known).ids())
                .containsExactly("x");
        Path ids = file("bad.txt", "t1\nt22\n");
        assertThatThrownBy(() -> TopicsFile.readOrSelect(ids, known))
                .hasMessage(ids + ":2: the topic 't22' is unknown; did you mean 't2'?");
        Path wide = file("wide.tsv", "t1\ta\tb\n");
        assertThatThrownBy(() -> TopicsFile.read(wide))
                .hasMessage(wide + ":1: the line has 3 columns; write: id, tab, text");
        Path twice = file("twice.tsv", "t1\ta\nt1\tb\n");
        assertThatThrownBy(() -> TopicsFile.read(twice))
                .hasMessage(twice + ":2: the topic 't1' was given already, in line 1; give each an id of its own");
        Path latin = folder.resolve("latin.tsv");
        Files.write(latin, new byte[] {'t', '\t', (byte) 0xE9, '\n'});
        assertThatThrownBy(() -> TopicsFile.read(latin))
                .hasMessage(latin + ":1: the line is not UTF-8; save the file as UTF-8");
    }

    @Property(tries = 5000)
    void scoresAreRoundedExactly(
            @ForAll @DoubleRange(min = 0.01, max = 1e6) @Scale(9) double any,
            @ForAll @IntRange(min = 1, max = 999_999_999) int half) {
        // A double that lies as near as can be to the middle between two texts, where rounding is hardest.
        for (double score : new double[] {any, half + 0.5, (half + 0.5) / 1e7, Math.nextUp(half / 1e8 + 5e-9)}) {
            BigDecimal exact = new BigDecimal(score).round(new MathContext(9, RoundingMode.HALF_EVEN));
            assertThat(new BigDecimal(ScoreText.of(score))).as("%s", score).isEqualByComparingTo(exact);
        }
    }
}
