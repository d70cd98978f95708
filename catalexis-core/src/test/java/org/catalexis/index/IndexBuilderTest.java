package org.catalexis.index;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Stream;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Schema;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class IndexBuilderTest {
    private static final Schema SCHEMA = Schema.of(
            Field.text("body", Pipeline.of("plain", Settings.of(Place.of("test"), Map.of("fold", List.of("case"))))));
    private static final IndexBuilder.Options SMALL = new IndexBuilder.Options(1 << 20, 2);

    private static Document read(String id, int line) {
        byte[] json = ("{\"id\":\"" + id + "\"}").getBytes(StandardCharsets.UTF_8);
        return Document.read(id, Map.of("body", "lamp " + id), json, new Place("guides.jsonl", line));
    }

    private static List<String> files(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(file -> file.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void aCommitTakesThePlaceOfTheOneBeforeAndOldFilesGo(@TempDir Path folder) throws IOException {
        for (int n = 1; n <= 2; n++) {
            try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, new IndexBuilder.Options(1 << 20, 1))) {
                for (int i = 0; i < 3 * n; i++) {
                    builder.add(read("d" + i, i + 1));
                }
                BuildSummary summary = builder.commit();
                assertThat(summary.documents()).isEqualTo(3L * n);
                assertThat(summary.tokens()).isEqualTo(Map.of("body", 6L * n));
            }
        }
        assertThat(files(folder)).containsExactly("builder.held", "manifest-000002.json", "s-0000002.cat");
        Index index = Index.open(folder);
        assertThat(index.generation()).isEqualTo(2);
        assertThat(index.documents()).isEqualTo(6);
        assertThat(index.termCounts("body", "lamp")).isEqualTo(new TermCounts(6, 6));
        assertThat(index.json("d5")).contains("{\"id\":\"d5\"}");
        assertThat(index.json("d6")).isEmpty();
        index.verify();
    }

    @Test
    void withoutACommitTheFolderIsAsItWas(@TempDir Path folder) throws IOException {
        try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, SMALL)) {
            builder.add(read("a", 1));
            builder.commit();
        }
        List<String> before = files(folder);
        try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, SMALL)) {
            builder.add(read("b", 1));
        }
        assertThat(files(folder)).isEqualTo(before);
        assertThat(Index.open(folder).json("a")).isPresent();
    }

    @Test
    void anIdThatComesTwiceIsAFaultThatNamesBothLines(@TempDir Path folder) throws IOException {
        try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, SMALL)) {
            for (String id : List.of("a", "b", "a", "c", "c")) {
                builder.add(read(id, "abacc".indexOf(id) + 1));
            }
            builder.add(read("b", 9));
            builder.add(read("a", 12)); // a third time: still one fault, between the first and the last
            assertThat(builder.repeatedIds(20).stream().map(fault -> fault.place() + ": " + fault.what()))
                    .containsExactly(
                            "guides.jsonl:12: the id 'a' was given already, at guides.jsonl:1",
                            "guides.jsonl:9: the id 'b' was given already, at guides.jsonl:2",
                            "guides.jsonl:4: the id 'c' was given already, at guides.jsonl:4");
            assertThatThrownBy(builder::commit).isInstanceOf(BadInputException.class);
        }
        try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, SMALL)) {
            builder.add(read("b", 3));
            builder.add(read("b", 8));
            assertThatThrownBy(builder::commit)
                    .hasMessage("guides.jsonl:8: the id 'b' was given already, at guides.jsonl:3;"
                            + " give each document an id of its own");
        }
        assertThat(files(folder)).containsExactly("builder.held");
    }

    @Test
    void aSecondBuilderIsToldWhoHoldsTheIndex(@TempDir Path folder) throws IOException {
        IndexBuilder first = IndexBuilder.open(folder, SCHEMA, SMALL);
        assertThatThrownBy(() -> IndexBuilder.open(folder, SCHEMA, SMALL))
                .hasMessageStartingWith(folder + ": another builder is at work on this index (process "
                        + ProcessHandle.current().pid() + " since ")
                .hasMessageEndingWith("; wait for it to end, or stop it");
        first.close();
        IndexBuilder.open(folder, SCHEMA, SMALL).close();
    }

    /** Each small: what a reader has open stays readable, whatever is built meanwhile. */
    @Test
    void aReaderKeepsItsSnapshot(@TempDir Path folder) throws IOException {
        Index before = Indexes.build(folder, SCHEMA, read("old", 1));
        try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, SMALL)) {
            builder.add(read("new", 1));
            builder.commit();
        }
        assertThat(before.json("old")).isPresent();
        assertThat(before.termCounts("body", "old").df()).isEqualTo(1);
        assertThat(Index.open(folder).termCounts("body", "old").df()).isZero();
    }

    @Test
    void aDamagedOrIncompleteIndexIsAnErrorNeverAnOlderOne(@TempDir Path folder) throws IOException {
        assertThatThrownBy(() -> Index.open(folder))
                .hasMessage(folder + ": there is no index; build it with 'catalexis build'");
        Indexes.build(folder, SCHEMA, read("a", 1), read("b", 2));
        Path manifest = folder.resolve("manifest-000001.json");
        byte[] whole = Files.readAllBytes(manifest);
        for (int at = 0; at < whole.length; at++) {
            byte[] harmed = whole.clone();
            harmed[at] ^= 1;
            Files.write(manifest, harmed);
            assertThatThrownBy(() -> Index.open(folder)).as("byte %d", at).isInstanceOf(BadInputException.class);
            Files.write(manifest, java.util.Arrays.copyOf(whole, at));
            assertThatThrownBy(() -> Index.open(folder)).as("%d bytes", at).isInstanceOf(BadInputException.class);
        }
        Files.write(manifest, whole);
        Index.open(folder);
        Path segment = folder.resolve("s-0000000.cat");
        Files.write(segment, new byte[] {1}, java.nio.file.StandardOpenOption.APPEND);
        assertThatThrownBy(() -> Index.open(folder)).hasMessageContaining(" bytes; the manifest says ");
        Files.delete(segment);
        assertThatThrownBy(() -> Index.open(folder))
                .hasMessage(segment + ": is missing, although the manifest names it;"
                        + " build the index anew with 'catalexis build'");
    }

    /** Tokens of all sizes and counts, over many slices of the inverter, against counts kept in plain maps. */
    @Test
    void countsAreThoseOfPlainMapsWhateverTheNumberOfSegments(@TempDir Path folder) throws IOException {
        Random random = new Random(11);
        Map<String, long[]> expected = new java.util.TreeMap<>();
        try (IndexBuilder builder = IndexBuilder.open(folder, SCHEMA, SMALL)) {
            for (int i = 0; i < 12_000; i++) {
                StringBuilder text = new StringBuilder();
                Map<String, Integer> here = new java.util.HashMap<>();
                for (int k = random.nextInt(60); k >= 0; k--) {
                    String word = "w" + Integer.toString((int) Math.exp(random.nextDouble() * 11), 36);
                    word = random.nextInt(5000) == 0 ? word.repeat(500) : word;
                    here.merge(word, 1, Integer::sum);
                    text.append(word).append(' ');
                }
                here.forEach((word, tf) -> {
                    long[] counts = expected.computeIfAbsent(word, any -> new long[2]);
                    counts[0]++;
                    counts[1] += tf;
                });
                builder.add(Document.of("d" + i).with("body", text.toString()));
            }
            assertThat(builder.commit().segments()).isGreaterThan(2);
        }
        Index index = Index.open(folder);
        index.verify();
        assertThat(index.distinctTerms("body")).isEqualTo(expected.size());
        expected.forEach((word, counts) ->
                assertThat(index.termCounts("body", word)).as(word).isEqualTo(new TermCounts(counts[0], counts[1])));
        long tokens = expected.values().stream().mapToLong(counts -> counts[1]).sum();
        assertThat(index.fieldCounts("body")).isEqualTo(new FieldCounts(12_000, 12_000, tokens));
    }
}
