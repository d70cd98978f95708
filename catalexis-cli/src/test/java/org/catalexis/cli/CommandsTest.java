package org.catalexis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.zip.GZIPOutputStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Each command on the demo collection. */
class CommandsTest {
    @TempDir
    private static Path temporary = Path.of("");

    private static Path project = Path.of("");
    private static Path run = Path.of("");

    @BeforeAll
    static void buildAndRank() throws IOException {
        project = Call.mendery(temporary.resolve("mendery"));
        run = temporary.resolve("plain.run");
        Call.of("rank", "--project", project, "--out", run).well();
    }

    @ParameterizedTest
    @ValueSource(strings = {"demo", "tokens", "build", "peek", "find", "rank", "measure", "tune"})
    void everyCommandHasHelpWithAnExample(String command) {
        Call help = Call.of(command, "--help").well();
        assertThat(help.out())
                .contains("Usage: catalexis " + command)
                .contains("Example")
                .contains("  catalexis " + command);
        assertThat(help.out().lines()).allMatch(line -> line.length() <= 100);
    }

    @Test
    void withoutACommandItSaysHowToBegin() throws IOException {
        // As a process: nothing but the help may come, not even on the process's own error stream.
        Call help = Call.inProcess(List.of()).well();
        assertThat(help.out()).contains("Begin with:  catalexis demo").contains("with 95 % intervals");
        assertThat(Call.of("--version").well().out()).startsWith("catalexis ");
    }

    @Test
    void tokensShowsWhatEachStepChanged() throws IOException {
        Call table = Call.of(
                        "tokens", "--project", project, "--pipeline", "guide-english", "The lamps' wiring, Łucja's")
                .well();
        assertThat(table.out().lines())
                .containsExactly(
                        "position  from  to  text     case, accents, words  possessive  stop: english  stem: porter2",
                        "       0     0   3  The      the                   ·           (dropped)",
                        "       1     4   9  lamps    lamps                 ·           ·              lamp",
                        "       2    11  17  wiring   wiring                ·           ·              wire",
                        "       3    19  26  Łucja's  lucja's               lucja       ·              ·");
        Map<?, ?> json = Call.of(
                        "tokens", "--project", project, "--pipeline", "guide-english", "--json", "old", "lamps")
                .well()
                .json();
        assertThat(json.get("tokens"))
                .isEqualTo(List.of(
                        Map.of("text", "old", "position", 0L, "from", 0L, "to", 3L),
                        Map.of("text", "lamp", "position", 1L, "from", 4L, "to", 9L)));
        assertThat((List<?>) Objects.requireNonNull(json.get("stages"))).hasSize(4);
    }

    @Test
    void findShowsRankScoreIdAndTitle() throws IOException {
        Call found = Call.of("find", "--project", project, "--top", 1, "squeaky", "hinge")
                .well();
        assertThat(found.out().lines().toList().get(1))
                .matches(" +1  \\d+\\.\\d{4}  g001  Quieten a squeaky cupboard hinge");
        assertThat(found.out()).contains("2 matches in ");
        Map<?, ?> json = Call.of("find", "--project", project, "--json", "squeaky hinge")
                .well()
                .json();
        assertThat(json.get("query")).isEqualTo("squeaky hinge");
        assertThat(json.get("matches")).isEqualTo(2L);
        assertThat(json.get("exact")).isEqualTo(true);
        assertThat(json.get("took_ms")).isInstanceOf(Double.class);
        Map<?, ?> hit = (Map<?, ?>) ((List<?>) Objects.requireNonNull(json.get("hits"))).get(0);
        assertThat(hit.get("rank")).isEqualTo(1L);
        assertThat(hit.get("id")).isEqualTo("g001");
        assertThat(hit.get("score")).isInstanceOf(Double.class);
        assertThat(Call.of("find", "--project", project, "zzz").well().out())
                .startsWith("No document holds any of these words.");
    }

    @Test
    void peekShowsSizesFieldsAndOneTerm() throws IOException {
        assertThat(Call.of("peek", "--project", project).well().out())
                .contains("documents")
                .contains("summary")
                .contains("dictionary-index");
        Map<?, ?> json = Call.of("peek", "--project", project, "--json").well().json();
        assertThat(json.get("documents")).isEqualTo(40L);
        Map<?, ?> term = Call.of("peek", "--project", project, "term", "body:hinges", "--json")
                .well()
                .json();
        assertThat(term.get("terms")).isEqualTo(List.of(Map.of("term", "hing", "df", 2L, "cf", 6L)));
        assertThat(Call.of("peek", "--project", project, "term", "body:the")
                        .well()
                        .out())
                .contains("makes no term of 'the'");
    }

    /** The run is kept as a file: it must be the same on every JDK, with any number of threads. */
    @Test
    void rankWritesTheSameBytesOnEveryJdkAndForAnyNumberOfThreads() throws IOException {
        try (InputStream kept = Objects.requireNonNull(CommandsTest.class.getResourceAsStream("/mendery/plain.run"))) {
            assertThat(Files.readString(run)).isEqualTo(new String(kept.readAllBytes(), StandardCharsets.UTF_8));
        }
        Path again = temporary.resolve("again.run");
        Call.of("rank", "--project", project, "--threads", 3, "--out", again).well();
        assertThat(again).hasSameBinaryContentAs(run);
    }

    /** {@code key} and {@code only}, a packed file, members that are no field, and what build and rank tell in JSON. */
    @Test
    void buildTakesAnotherKeyAPackedFileAndSomeDocumentsOnly() throws IOException {
        Path folder = Files.createDirectories(temporary.resolve("some"));
        Files.writeString(
                folder.resolve("catalexis.yaml"),
                """
                documents: [a.jsonl, b.jsonl.gz]
                key: code
                only: ids.txt
                fields: {name: {kind: text, pipeline: p}}
                pipelines: {p: {split: alphanumeric}}
                """);
        Files.writeString(
                folder.resolve("a.jsonl"), "{\"code\":1,\"name\":\"x\"}\n{\"code\":2,\"name\":\"y\",\"colour\":1}\n");
        try (OutputStream packed = new GZIPOutputStream(Files.newOutputStream(folder.resolve("b.jsonl.gz")))) {
            packed.write("{\"name\":\"x z\",\"code\":\"three\"}".getBytes(StandardCharsets.UTF_8));
        }
        Files.writeString(folder.resolve("ids.txt"), "2\nthree\nfour\n");
        Call built = Call.of("build", "--project", folder, "--json").done();
        assertThat(built.json().get("documents")).isEqualTo(2L);
        assertThat(built.json().get("tokens")).isEqualTo(Map.of("name", 3L));
        assertThat(built.json().get("unsearched")).isEqualTo(Map.of("colour", 1L));
        assertThat(built.err())
                .isEqualTo("note: 1 member of the documents kept but not searched, as no field has the name: colour\n"
                        + "note: 'only' names 1 id that no document bears: four\n");
        assertThat(Call.of("find", "--project", folder, "x").well().out())
                .contains("three")
                .contains("1 match in ");
        Path topics = Files.writeString(folder.resolve("t.tsv"), "q1\ty\nq2\tx\nq3\tnone\n");
        Call ranked = Call.of(
                        "rank", "--project", folder, "--topics", topics, "--out", folder.resolve("r.run"), "--json")
                .done();
        assertThat(ranked.json().get("documents")).isEqualTo(2L);
        assertThat(ranked.json().get("empty")).isEqualTo(List.of("q3"));
        assertThat(ranked.err()).isEqualTo("note: 1 topic found nothing: q3\n");
    }

    @Test
    void rankTakesSomeTopicsOnlyAndACutoff() throws IOException {
        Path ids = temporary.resolve("ids.txt");
        Files.writeString(ids, "t03\nt07\n");
        Path some = temporary.resolve("some.run");
        Call.of("rank", "--project", project, "--topics", ids, "--top", 2, "--out", some)
                .well();
        assertThat(Files.readAllLines(some))
                .hasSize(4)
                .allMatch(line -> line.matches("t0[37] Q0 g0\\d\\d [12] [\\d.]+ plain"));
    }

    @Test
    void measureGivesMeansWithIntervalsAndTopicsOnRequest() throws IOException {
        Call table = Call.of("measure", run, "--project", project, "--measures", "nDCG@10, AP")
                .well();
        assertThat(table.out()).contains("nDCG@10").contains("AP").contains("12");
        Map<?, ?> json = Call.of(
                        "measure", run, "--project", project, "--measures", "RR@10,P@1", "--by-topic", "--json")
                .well()
                .json();
        Map<?, ?> one = (Map<?, ?>) ((List<?>) Objects.requireNonNull(json.get("runs"))).get(0);
        assertThat(one.get("topics")).isEqualTo(12L);
        Map<?, ?> byTopic = (Map<?, ?>) Objects.requireNonNull(one.get("byTopic"));
        assertThat(byTopic.get("t01")).isEqualTo(Map.of("RR@10", 1.0, "P@1", 1.0));
        Map<?, ?> measures = (Map<?, ?>) Objects.requireNonNull(one.get("measures"));
        Map<?, ?> precision = (Map<?, ?>) Objects.requireNonNull(measures.get("P@1"));
        assertThat(number(precision, "mean")).isBetween(number(precision, "low"), number(precision, "high"));
    }

    @Test
    void measureNeedsNoProjectForAForeignRun() throws IOException {
        Path judgments = temporary.resolve("foreign.txt");
        Files.writeString(judgments, "q1 0 a 1\nq2 0 a 1\nq3 0 b 0\n");
        Path foreign = temporary.resolve("foreign.run");
        Files.writeString(foreign, "q1 Q0 b 1 2.5 they\nq1 Q0 a 2 1.5 they\n");
        Call measured = Call.of(
                "measure", foreign, "--project", temporary, "--judgments", judgments, "--measures", "RR", "--json");
        assertThat(measured.code()).isZero();
        assertThat(measured.err())
                .isEqualTo("note: 1 topic left out, without a relevant judgment: q3\nnote: " + foreign
                        + " lacks 1 topic, counted as 0: q2\n");
        assertThat(measured.out()).contains("\"mean\" : 0.25");
    }

    @Test
    void tuneTellsTrainedAndHeldOutFiguresAndSavesTheRanker() throws IOException {
        Path copy = Call.mendery(temporary.resolve("tuned"));
        String before = Files.readString(copy.resolve("catalexis.yaml"));
        Call tuned = Call.of(
                        "tune",
                        "--project",
                        copy,
                        "--ranker",
                        "plain",
                        "--measure",
                        "AP",
                        "--train",
                        copy.resolve("data/train.txt"),
                        "--test",
                        copy.resolve("data/test.txt"),
                        "--save",
                        "tuned",
                        "--json")
                .well();
        Map<?, ?> json = tuned.json();
        Map<?, ?> train = (Map<?, ?>) Objects.requireNonNull(json.get("train"));
        assertThat(mean(train, "tuned")).isGreaterThanOrEqualTo(mean(train, "untouched"));
        assertThat(json.get("verdict")).isIn("better", "worse", "no evidence that it is better");
        assertThat((List<?>) Objects.requireNonNull(json.get("knobs"))).hasSize(4); // k1, b, title, summary; body stays
        String after = Files.readString(copy.resolve("catalexis.yaml"));
        assertThat(after.lines().filter(line -> !line.startsWith("  tuned:")))
                .containsExactlyElementsOf(before.lines().toList());
        Path out = copy.resolve("tuned.run");
        Call.of("rank", "--project", copy, "--ranker", "tuned", "--out", out).well();
        Map<?, ?> measured = (Map<?, ?>) ((List<?>) Objects.requireNonNull(Call.of(
                                "measure",
                                out,
                                "--project",
                                copy,
                                "--measures",
                                "AP",
                                "--topics",
                                copy.resolve("data/test.txt"),
                                "--json")
                        .well()
                        .json()
                        .get("runs")))
                .get(0);
        // What tune told of the held-out topics is what rank and measure say of the saved ranker.
        Map<?, ?> test = (Map<?, ?>) Objects.requireNonNull(json.get("test"));
        assertThat(mean((Map<?, ?>) Objects.requireNonNull(measured.get("measures")), "AP"))
                .isEqualTo(mean(test, "tuned"));
    }

    private static double mean(Map<?, ?> group, String name) {
        return number((Map<?, ?>) Objects.requireNonNull(group.get(name)), "mean");
    }

    private static double number(Map<?, ?> members, String name) {
        return ((Number) Objects.requireNonNull(members.get(name))).doubleValue();
    }

    @Test
    void tuneTakesKnobsAndAGrid() throws IOException {
        Call tuned = Call.of(
                        "tune",
                        "--project",
                        project,
                        "--ranker",
                        "plain",
                        "--measure",
                        "nDCG@10",
                        "--train",
                        project.resolve("data/train.txt"),
                        "--test",
                        project.resolve("data/test.txt"),
                        "--knob",
                        "rankers.plain.score.bm25.b=0..1",
                        "--method",
                        "grid",
                        "--steps",
                        3,
                        "--json")
                .well();
        // b = 0, 0.5, 1, and the start 0.75.
        assertThat(tuned.json().get("trials")).isEqualTo(4L);
    }

    @Test
    void demoGoesRoundTheLoopAndSaysWhatItDoes() throws IOException {
        Path folder = temporary.resolve("demo");
        Call demo = Call.of("demo", folder).well();
        for (String command : List.of("tokens", "build", "peek", "find", "rank", "measure", "tune")) {
            assertThat(demo.out()).contains("$ catalexis " + command + " --project " + folder);
        }
        assertThat(demo.out()).contains("Saved as ranker 'tuned' in the project file.");
        assertThat(folder.resolve("tuned.run")).exists();
        Call again = Call.of("demo", folder);
        assertThat(again.code()).isEqualTo(2);
        assertThat(again.err()).contains("is there already; name a folder that is not, nothing is overwritten");
    }
}
