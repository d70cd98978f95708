package org.catalexis.index;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.catalexis.storage.Bytes;
import org.catalexis.storage.SegmentFile;
import org.catalexis.storage.SegmentWriter;
import org.catalexis.storage.TermEntry;

class PostingsTest {
    /** Lists of any length, gaps and frequencies, several in one section, come back as they were put in. */
    @Property(tries = 60)
    void listsComeBackAsTheyWerePutIn(
            @ForAll @IntRange(min = 1, max = 700) int longest,
            @ForAll @IntRange(max = 20) int gapBits,
            @ForAll @IntRange(max = 12) int tfBits,
            @ForAll long seed)
            throws IOException {
        Random random = new Random(seed);
        Path folder = Files.createTempDirectory("catalexis-postings");
        Path file = folder.resolve("s.cat");
        List<int[][]> expected = new ArrayList<>();
        List<TermEntry> entries = new ArrayList<>();
        try (SegmentWriter out = new SegmentWriter(file)) {
            out.begin("postings");
            PostingEncoder encoder = new PostingEncoder();
            long offset = 0;
            for (int list = 0; list < 5; list++) {
                int n = 2 + random.nextInt(longest);
                int[][] postings = new int[2][n];
                encoder.begin();
                int document = -1;
                for (int i = 0; i < n; i++) {
                    document += 1 + random.nextInt(1 << gapBits);
                    postings[0][i] = document;
                    postings[1][i] = 1 + random.nextInt(1 << tfBits);
                    encoder.add(document, postings[1][i]);
                }
                Bytes bytes = encoder.end();
                out.write(bytes.array(), 0, bytes.size());
                TermEntry entry = new TermEntry();
                entry.df = encoder.df();
                entry.cf = encoder.cf();
                entry.listOffset = offset;
                entry.listLength = bytes.size();
                offset += bytes.size();
                expected.add(postings);
                entries.add(entry);
                assertThat(entry.cf).isEqualTo(Arrays.stream(postings[1]).sum());
            }
            out.seal();
        }
        SegmentFile opened = SegmentFile.open(file);
        for (int list = 0; list < 5; list++) {
            PostingReader reader = new PostingReader(opened.section("postings"), entries.get(list));
            int[][] postings = expected.get(list);
            int[] documents = new int[PostingReader.BLOCK];
            int[] tfs = new int[PostingReader.BLOCK];
            int at = 0;
            for (int n = reader.next(documents, tfs); n > 0; n = reader.next(documents, tfs)) {
                assertThat(Arrays.copyOf(documents, n)).isEqualTo(Arrays.copyOfRange(postings[0], at, at + n));
                assertThat(Arrays.copyOf(tfs, n)).isEqualTo(Arrays.copyOfRange(postings[1], at, at + n));
                at += n;
            }
            assertThat(at).isEqualTo(postings[0].length);
            assertThat(reader.next(documents, tfs)).isZero();
        }
        Indexes.remove(folder);
    }

    @Property
    void keysAreSortedByUnsignedBytesAsStringsAreByCodePoints(@ForAll List<String> words) {
        Bytes pool = new Bytes();
        int[] starts = new int[words.size()];
        int[] lengths = new int[words.size()];
        for (int i = 0; i < words.size(); i++) {
            byte[] bytes = Utf8.encode(words.get(i));
            starts[i] = pool.size();
            lengths[i] = bytes.length;
            pool.put(bytes, 0, bytes.length);
        }
        List<String> sorted = new ArrayList<>();
        for (int i : ByteSort.order(pool.array(), starts, lengths, words.size())) {
            sorted.add(words.get(i));
        }
        List<String> expected = new ArrayList<>(words);
        expected.sort((a, b) -> Arrays.compare(
                a.codePoints().map(PostingsTest::lone).toArray(),
                b.codePoints().map(PostingsTest::lone).toArray()));
        assertThat(sorted.stream().map(word -> word.codePoints()
                        .map(PostingsTest::lone)
                        .boxed()
                        .toList()))
                .containsExactlyElementsOf(expected.stream()
                        .map(word -> word.codePoints()
                                .map(PostingsTest::lone)
                                .boxed()
                                .toList())
                        .toList());
    }

    /** A lone surrogate is kept as U+FFFD: UTF-8 has no form for it. */
    private static int lone(int codePoint) {
        return codePoint >= 0xD800 && codePoint <= 0xDFFF ? 0xFFFD : codePoint;
    }

    @Property
    void theUtf8FormIsJavasButForLoneSurrogates(@ForAll String text) {
        StringBuilder mended = new StringBuilder();
        text.codePoints().map(PostingsTest::lone).forEach(mended::appendCodePoint);
        assertThat(Utf8.encode(text)).isEqualTo(mended.toString().getBytes(StandardCharsets.UTF_8));
    }
}
