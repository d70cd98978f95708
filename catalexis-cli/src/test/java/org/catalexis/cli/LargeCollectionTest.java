package org.catalexis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.BufferedWriter;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A collection larger than the heap, and many segments against one, by the real command line. */
class LargeCollectionTest {
    @TempDir
    private Path project = Path.of("");

    private void write(long bytes) throws IOException {
        Files.writeString(
                project.resolve("catalexis.yaml"),
                """
                documents: [docs.jsonl]
                fields:
                  title: {kind: text, pipeline: english}
                  body: {kind: text, pipeline: english}
                pipelines:
                  english: {fold: [case, accents], steps: [possessive, {stop: english}, {stem: porter2}]}
                rankers:
                  plain: {fields: {title: 2, body: 1}}
                topics: topics.tsv
                """);
        SplittableRandom random = new SplittableRandom(17);
        try (BufferedWriter out = Files.newBufferedWriter(project.resolve("docs.jsonl"))) {
            long written = 0;
            for (int n = 0; written < bytes; n++) {
                String line = "{\"id\":\"d" + n + "\",\"title\":\"" + words(random, 4) + "\",\"body\":\""
                        + words(random, 20 + random.nextInt(300)) + "\"}\n";
                out.write(line);
                written += line.length();
            }
        }
        StringBuilder topics = new StringBuilder();
        for (int t = 0; t < 40; t++) {
            topics.append("t")
                    .append(t)
                    .append('\t')
                    .append(words(random, 1 + t % 5))
                    .append('\n');
        }
        Files.writeString(project.resolve("topics.tsv"), topics);
    }

    /** Made-up words of falling frequency, with endings for the stemmer to take off. */
    private static String words(SplittableRandom random, int count) {
        String[] endings = {"", "", "s", "ing", "ed", "'s"};
        StringBuilder words = new StringBuilder();
        for (int i = 0; i < count; i++) {
            int rank = (int) StrictMath.exp(random.nextDouble() * 11);
            words.append(i > 0 ? " " : "").append((char) ('b' + rank % 19)).append(Integer.toString(rank * 7919, 30));
            words.append(endings[random.nextInt(endings.length)]);
        }
        return words.toString();
    }

    @Test
    void twoHundredMegabytesBuildInAHeapOfOneHundredAndTwentyEight() throws IOException {
        write(200_000_000);
        Call built = Call.inProcess(List.of("-Xmx128m"), "build", "--project", project)
                .well();
        assertThat(built.out()).contains(" in ").contains(" segments");
        Call.inProcess(List.of("-Xmx128m"), "rank", "--project", project, "--out", project.resolve("x.run"))
                .done();
        assertThat(Files.size(project.resolve("x.run"))).isGreaterThan(100_000);
    }

    @Test
    void budgetsAndThreadsChangeTheSegmentsAndNotOneByteOfTheRun() throws IOException {
        write(12_000_000);
        Path first = project.resolve("first.run");
        String segments = "";
        for (List<String> options : List.of(List.of("256m", "1"), List.of("1m", "1"), List.of("5m", "3"))) {
            Call built = Call.of("build", "--project", project, "--memory", options.get(0), "--threads", options.get(1))
                    .well();
            String now = built.out().replaceAll("(?s).* in (\\d+ segments?)\\n.*", "$1");
            assertThat(now).isNotEqualTo(segments);
            segments = now;
            Path run = Files.exists(first) ? project.resolve("next.run") : first;
            Call.of("rank", "--project", project, "--out", run).done();
            assertThat(run).hasSameBinaryContentAs(first);
        }
        // Of the run that JDK 17 wrote: the tests run on a newer JDK too.
        assertThat(Integer.toHexString(Arrays.hashCode(Files.readAllBytes(first))))
                .isEqualTo("36b94ad2");
    }
}
