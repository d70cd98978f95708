package org.catalexis.storage;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.MappedByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.atomic.AtomicIntegerArray;
import java.util.zip.CRC32C;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;

/**
 * A mapped segment file. {@link SegmentWriter} has its layout. Reading copies: there is one kind of memory in the decoding
 * loops, the byte array, and a read that straddles two mapped pieces is simply copied in two parts. Safe for all threads.
 */
public final class SegmentFile {
    /** A mapping holds at most 1 GiB, as a buffer's index is an int. */
    private static final long PIECE = 1L << 30;

    private final Path path;
    private final MappedByteBuffer[] pieces;
    private final long contentsAt;
    private final Map<String, Section> sections = new LinkedHashMap<>();
    private final int[] checksums;
    /** One bit a chunk: it was read and its checksum was right. */
    private final AtomicIntegerArray verified;

    private SegmentFile(Path path, MappedByteBuffer[] pieces, long length) throws IOException {
        this.path = path;
        this.pieces = pieces;
        int least = SegmentWriter.MAGIC.length + SegmentWriter.FOOTER + 1;
        if (length < least) {
            throw damaged("the file has " + length + " bytes, and no segment has less than " + least);
        }
        byte[] footer = new byte[SegmentWriter.FOOTER];
        copy(length - footer.length, footer, 0, footer.length);
        ByteReader reader = new ByteReader(footer, 0);
        contentsAt = reader.nextLong();
        int contentsLength = reader.nextInt();
        int version = reader.nextInt();
        int expected = reader.nextInt();
        if (!Arrays.equals(footer, 20, 28, SegmentWriter.MAGIC, 0, 8)) {
            throw damaged("it does not end as a segment does");
        }
        if (contentsAt < SegmentWriter.MAGIC.length
                || contentsLength < 1
                || contentsAt + contentsLength + footer.length != length) {
            throw damaged("its table of contents lies outside of the file");
        }
        byte[] contents = new byte[contentsLength];
        copy(contentsAt, contents, 0, contentsLength);
        CRC32C crc = new CRC32C();
        crc.update(contents, 0, contentsLength);
        crc.update(footer, 0, 16);
        if ((int) crc.getValue() != expected) {
            throw damaged("its table of contents is damaged (CRC32C)");
        }
        if (version > SegmentWriter.VERSION) {
            throw new BadInputException(
                    place(),
                    "is of format version " + version + ", newer than this program knows (" + SegmentWriter.VERSION
                            + ")",
                    "use a newer Catalexis, or build the index anew");
        }
        checksums = readContents(contents);
        verified = new AtomicIntegerArray(checksums.length / 32 + 1);
    }

    private int[] readContents(byte[] contents) {
        ByteReader reader = new ByteReader(contents, 0);
        int count = reader.varint();
        for (int i = 0; i < count; i++) {
            int nameLength = reader.varint();
            String name = new String(contents, reader.at(), nameLength, StandardCharsets.UTF_8);
            reader.skip(nameLength);
            sections.put(name, new Section(this, name, reader.longVarint(), reader.longVarint()));
        }
        int[] read = new int[(int) ((contentsAt + SegmentWriter.CHUNK - 1) / SegmentWriter.CHUNK)];
        for (int i = 0; i < read.length; i++) {
            read[i] = reader.nextInt();
        }
        return read;
    }

    /**
     * Maps a file and checks its table of contents.
     *
     * @throws BadInputException if the file is damaged or of a newer format
     * @throws IOException if it cannot be read
     */
    public static SegmentFile open(Path path) throws IOException {
        try (FileChannel channel = FileChannel.open(path, StandardOpenOption.READ)) {
            long length = channel.size();
            MappedByteBuffer[] pieces = new MappedByteBuffer[(int) ((length + PIECE - 1) / PIECE)];
            for (int i = 0; i < pieces.length; i++) {
                pieces[i] = channel.map(FileChannel.MapMode.READ_ONLY, i * PIECE, Math.min(PIECE, length - i * PIECE));
            }
            return new SegmentFile(path, pieces, length);
        }
    }

    /** The sections by name, in the order of the file. */
    public Map<String, Section> sections() {
        return java.util.Collections.unmodifiableMap(sections);
    }

    /** The section of that name; the file must have it. */
    public Section section(String name) {
        Section section = sections.get(name);
        if (section == null) {
            throw damaged("it has no section '" + name + "'");
        }
        return section;
    }

    /** Checks the checksums of all chunks. */
    public void verifyAll() {
        for (int chunk = 0; chunk < checksums.length; chunk++) {
            int number = chunk;
            verify(
                    chunk,
                    sections.values().stream()
                            .filter(section -> section.touches(number))
                            .map(Section::name)
                            .findFirst()
                            .orElse("(header)"));
        }
    }

    /** Copies bytes of a section, after checking their chunks. */
    void read(String section, long at, byte[] into, int from, int length) {
        if (length == 0) {
            return;
        }
        int last = (int) ((at + length - 1) / SegmentWriter.CHUNK);
        for (int chunk = (int) (at / SegmentWriter.CHUNK); chunk <= last; chunk++) {
            if ((verified.getPlain(chunk >>> 5) & 1 << (chunk & 31)) == 0) {
                verify(chunk, section);
            }
        }
        copy(at, into, from, length);
    }

    private void verify(int chunk, String section) {
        long at = (long) chunk * SegmentWriter.CHUNK;
        int length = (int) Math.min(SegmentWriter.CHUNK, contentsAt - at);
        ByteBuffer bytes = pieces[(int) (at / PIECE)].slice((int) (at % PIECE), length); // a piece holds whole chunks
        CRC32C crc = new CRC32C();
        crc.update(bytes);
        if ((int) crc.getValue() != checksums[chunk]) {
            throw damaged("section '" + section + "' is damaged between bytes " + at + " and " + (at + length - 1)
                    + " of the file (CRC32C is " + Integer.toHexString((int) crc.getValue()) + ", "
                    + Integer.toHexString(checksums[chunk]) + " was written)");
        }
        verified.accumulateAndGet(chunk >>> 5, 1 << (chunk & 31), (a, b) -> a | b);
    }

    private void copy(long at, byte[] into, int from, int length) {
        long offset = at;
        int done = 0;
        while (done < length) {
            MappedByteBuffer piece = pieces[(int) (offset / PIECE)];
            int begin = (int) (offset % PIECE);
            int n = Math.min(length - done, piece.limit() - begin);
            piece.get(begin, into, from + done, n);
            done += n;
            offset += n;
        }
    }

    /** A fault of this file. */
    public BadInputException damaged(String what) {
        return new BadInputException(place(), what, "build the index anew with 'catalexis build'");
    }

    private Place place() {
        return Place.of(path.toString());
    }
}
