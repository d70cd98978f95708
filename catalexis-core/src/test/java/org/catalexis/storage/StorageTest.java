package org.catalexis.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.function.UnaryOperator;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.catalexis.settings.BadInputException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class StorageTest {
    @Property
    void blocksOfAnyWidthComeBackWhereverTheyStand(
            @ForAll @IntRange(max = 31) int width, @ForAll @IntRange(max = 600) int before, @ForAll long seed) {
        Random random = new Random(seed);
        int[] values = new int[BitPacking.BLOCK];
        for (int i = 0; i < values.length; i++) {
            values[i] = width == 0 ? 0 : random.nextInt() >>> 32 - width;
        }
        Bytes bytes = new Bytes();
        for (int i = 0; i < before; i++) {
            bytes.put(i);
        }
        int needed = BitPacking.width(values);
        BitPacking.pack(values, needed, bytes);
        assertThat(bytes.size()).isEqualTo(before + 16 * needed);
        int[] read = new int[BitPacking.BLOCK];
        BitPacking.unpack(bytes.array(), before, needed, read);
        assertThat(read).isEqualTo(values);
        Bytes packed = new Bytes();
        PackedArray.write(values, 100, packed);
        assertThat(PackedArray.read(Arrays.copyOf(packed.array(), packed.size())))
                .isEqualTo(Arrays.copyOf(values, 100));
    }

    /** Two sections of no special size, the second over several chunks. */
    private static Path file(Path folder) throws IOException {
        Path file = folder.resolve("s.cat");
        try (SegmentWriter writer = new SegmentWriter(file)) {
            Bytes content = new Bytes();
            content.put("small".getBytes(StandardCharsets.UTF_8), 0, 5);
            writer.section("first", content);
            for (int i = 0; i < 40_000; i++) {
                content.putInt(i);
            }
            writer.section("second", content);
            writer.seal();
        }
        return file;
    }

    @Test
    void sectionsComeBackAsWritten(@TempDir Path folder) throws IOException {
        SegmentFile file = SegmentFile.open(file(folder));
        file.verifyAll();
        assertThat(file.sections().keySet()).containsExactly("first", "second");
        assertThat(new String(file.section("first").readAll(), StandardCharsets.UTF_8))
                .isEqualTo("small");
        assertThat(file.section("second").length()).isEqualTo(160_005);
        assertThatThrownBy(() -> file.section("first").read(4, new byte[9], 0, 2))
                .isInstanceOf(BadInputException.class)
                .hasMessageContaining("section 'first' has 5 bytes, and 2 from 4 on are wanted");
    }

    @Test
    void aFlippedOrMissingByteIsAnErrorThatNamesFileAndSection(@TempDir Path folder) throws IOException {
        byte[] whole = Files.readAllBytes(file(folder));
        Random random = new Random(42);
        for (int i = 0; i < 400; i++) {
            // Every byte of the begin and of the end; a sample between.
            int at = i < 100 ? i : i < 250 ? whole.length - 1 - (i - 100) : random.nextInt(whole.length);
            assertDamaged(folder, whole, bytes -> {
                bytes[at] ^= (byte) (1 << at % 8);
                return bytes;
            });
            assertDamaged(folder, whole, bytes -> Arrays.copyOf(bytes, at));
        }
    }

    private static void assertDamaged(Path folder, byte[] whole, UnaryOperator<byte[]> harm) throws IOException {
        Path file = folder.resolve("harmed.cat");
        Files.write(file, harm.apply(whole.clone()));
        assertThatThrownBy(() -> SegmentFile.open(file).verifyAll())
                .isInstanceOf(BadInputException.class)
                .hasMessageStartingWith(file + ": ")
                .hasMessageEndingWith("; build the index anew with 'catalexis build'");
    }

    @Test
    void theDamagedSectionIsNamedWhenItIsRead(@TempDir Path folder) throws IOException {
        Path path = file(folder);
        byte[] bytes = Files.readAllBytes(path);
        bytes[100_000] ^= 1;
        Files.write(path, bytes);
        SegmentFile file = SegmentFile.open(path);
        file.section("first").readAll();
        assertThatThrownBy(() -> file.section("second").readAll())
                .hasMessageContaining(
                        "section 'second' is damaged between bytes 65536 and 131071 of the file (CRC32C is ");
    }

    @Test
    void aDictionaryFindsItsTermsAndNoOthers(@TempDir Path folder) throws IOException {
        Random random = new Random(7);
        TreeSet<String> terms = new TreeSet<>(List.of("a", "ab", "abc", "z".repeat(9000)));
        while (terms.size() < 1000) {
            terms.add(Integer.toString(random.nextInt(1 << 20), 26));
        }
        Path file = folder.resolve("d.cat");
        TermEntry entry = new TermEntry();
        try (SegmentWriter writer = new SegmentWriter(file)) {
            DictionaryWriter dictionary = new DictionaryWriter(writer, "terms", "terms-index");
            int n = 0;
            for (String term : terms) {
                byte[] bytes = term.getBytes(StandardCharsets.UTF_8);
                entry.df = 1 + n++ % 3;
                entry.cf = entry.df * 5L;
                entry.document = n;
                entry.listLength = entry.df == 1 ? 0 : n;
                dictionary.add(bytes, 0, bytes.length, entry);
                entry.listOffset += entry.listLength;
            }
            dictionary.end();
            writer.seal();
        }
        SegmentFile opened = SegmentFile.open(file);
        Dictionary dictionary = new Dictionary(opened.section("terms"), opened.section("terms-index"));
        assertThat(dictionary.terms()).isEqualTo(1000);
        long offset = 0;
        int n = 0;
        for (String term : terms) {
            assertThat(find(dictionary, term, entry)).as(term).isTrue();
            assertThat(entry.df).isEqualTo(1 + n++ % 3);
            assertThat(entry.cf).isEqualTo(entry.df * 5L);
            assertThat(entry.listOffset).isEqualTo(offset);
            offset += entry.listLength;
            Bytes at = dictionary.at(n - 1).term();
            assertThat(new String(at.array(), 0, at.size(), StandardCharsets.UTF_8))
                    .isEqualTo(term);
            assertThat(find(dictionary, term + "!", entry)).isFalse();
        }
        assertThat(find(dictionary, "", entry)).isFalse();
    }

    private static boolean find(Dictionary dictionary, String term, TermEntry entry) {
        byte[] bytes = term.getBytes(StandardCharsets.UTF_8);
        return dictionary.find(bytes, bytes.length, entry);
    }
}
