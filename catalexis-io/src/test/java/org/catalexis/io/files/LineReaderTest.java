package org.catalexis.io.files;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import java.util.zip.GZIPOutputStream;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class LineReaderTest {
    private static byte[] packed(String text) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (GZIPOutputStream out = new GZIPOutputStream(bytes)) {
            out.write(text.getBytes(StandardCharsets.UTF_8));
        }
        return bytes.toByteArray();
    }

    private static List<String> lines(Path file) throws IOException {
        List<String> lines = new ArrayList<>();
        try (LineReader reader = LineReader.open(file)) {
            while (reader.next()) {
                lines.add(reader.text());
                assertThat(reader.place().line()).isEqualTo(lines.size());
            }
            assertThat(reader.next()).isFalse();
        }
        return lines;
    }

    /** Line lengths around the size of the buffer, 131,072 bytes, where lines are moved or the buffer grows. */
    @Provide
    Arbitrary<List<String>> someLines() {
        Arbitrary<String> line = Arbitraries.oneOf(
                Arbitraries.of("", " ", "é", "a\rb", "x"),
                Arbitraries.of(1, 131_070, 131_071, 131_072, 131_073, 65_535, 300_000)
                        .map("l"::repeat));
        return line.list().ofMaxSize(8);
    }

    @Property(tries = 200)
    void givesTheLinesOfAnyFilePackedOrNot(
            @ForAll("someLines") List<String> expected,
            @ForAll boolean crlf,
            @ForAll boolean endsWithLineEnd,
            @ForAll boolean gzip)
            throws IOException {
        String eol = crlf ? "\r\n" : "\n";
        // A last line that is empty is only there if a line end follows it.
        boolean ended = endsWithLineEnd
                || expected.isEmpty()
                || expected.get(expected.size() - 1).isEmpty();
        String text = expected.stream().map(line -> line + eol).collect(Collectors.joining());
        text = ended ? text : text.substring(0, text.length() - eol.length());
        Path file = Files.createTempFile("catalexis", gzip ? ".gz" : ".txt");
        try {
            Files.write(file, gzip ? packed(text) : text.getBytes(StandardCharsets.UTF_8));
            assertThat(lines(file)).isEqualTo(expected);
        } finally {
            Files.delete(file);
        }
    }

    @Test
    void aPackedFileThatIsCutOffIsAFaultWithItsLine(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("cut.gz");
        byte[] whole = packed(
                Stream.iterate(1, n -> n + 1).limit(50_000).map(n -> n + "\n").collect(Collectors.joining()));
        Files.write(file, Arrays.copyOf(whole, whole.length / 2));
        assertThatThrownBy(() -> lines(file))
                .hasMessageMatching(
                        ".*cut\\.gz:\\d+: the gzip data end early or are damaged; fetch or pack the file anew");
    }

    @Test
    void aWholeFileIsWrittenOrNone(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("out.txt");
        WholeFile.write(file, out -> out.write("first é"));
        assertThatThrownBy(() -> WholeFile.write(file, out -> {
                    out.write("half");
                    throw new IOException("the disk is full");
                }))
                .hasMessage("the disk is full");
        assertThat(Files.readString(file)).isEqualTo("first é");
        try (Stream<Path> files = Files.list(folder)) {
            assertThat(files).containsExactly(file);
        }
    }
}
