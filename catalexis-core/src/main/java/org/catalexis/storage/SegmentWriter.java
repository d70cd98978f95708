package org.catalexis.storage;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.CRC32C;

/**
 * Writes one segment file, section after section.
 *
 * <pre>
 * file    := magic section* contents footer
 * magic   := "CATALEX1"
 * section := its bytes, begun at a multiple of 8, zeros before it
 * contents:= varint number of sections; for each: varint name length, name in UTF-8, varint offset, varint length;
 *            then for each chunk of 64 KiB of all that stands before the contents (the last may be shorter): its
 *            CRC32C in 4 bytes
 * footer  := offset of contents (8 bytes), their length (4), format version (4),
 *            CRC32C of contents and of the three numbers before (4), magic (8)
 * </pre>
 */
public final class SegmentWriter implements Closeable {
    /** The version of the format that is written, and the newest that is read. */
    public static final int VERSION = 1;

    static final byte[] MAGIC = "CATALEX1".getBytes(StandardCharsets.US_ASCII);
    static final int CHUNK = 1 << 16;
    static final int FOOTER = 28;

    private final FileChannel channel;
    private final ByteBuffer chunk = ByteBuffer.allocate(CHUNK);
    private final Bytes checksums = new Bytes();
    private final Bytes sections = new Bytes();
    private final List<String> names = new ArrayList<>();
    private long written;
    private long sectionStart = -1;

    /** Makes the file; there must be none of that name. */
    public SegmentWriter(Path file) throws IOException {
        channel = FileChannel.open(file, StandardOpenOption.CREATE_NEW, StandardOpenOption.WRITE);
        put(MAGIC, 0, MAGIC.length);
    }

    /** Begins a section; the one before is ended. */
    public void begin(String section) throws IOException {
        endSection();
        byte[] zeros = new byte[8];
        put(zeros, 0, (int) (-position() & 7));
        names.add(section);
        sectionStart = position();
    }

    /** Appends to the section. */
    public void write(byte[] bytes, int from, int length) throws IOException {
        put(bytes, from, length);
    }

    /** Writes a whole section. */
    public void section(String name, Bytes content) throws IOException {
        begin(name);
        put(content.array(), 0, content.size());
    }

    private void endSection() {
        if (sectionStart >= 0) {
            byte[] name = names.get(names.size() - 1).getBytes(StandardCharsets.UTF_8);
            sections.putVarint(name.length);
            sections.put(name, 0, name.length);
            sections.putVarint(sectionStart);
            sections.putVarint(position() - sectionStart);
            sectionStart = -1;
        }
    }

    /** Writes the contents and the footer, and has the disk keep the file. Returns the file's length in bytes. */
    public long seal() throws IOException {
        endSection();
        long contentsAt = position();
        flushChunk();
        Bytes end = new Bytes();
        end.putVarint(names.size());
        end.put(sections);
        end.put(checksums);
        int contentsLength = end.size();
        end.putLong(contentsAt);
        end.putInt(contentsLength);
        end.putInt(VERSION);
        CRC32C crc = new CRC32C();
        crc.update(end.array(), 0, end.size());
        end.putInt((int) crc.getValue());
        end.put(MAGIC, 0, MAGIC.length);
        writeFully(ByteBuffer.wrap(end.array(), 0, end.size()));
        channel.force(true);
        return written;
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }

    private long position() {
        return written + chunk.position();
    }

    private void put(byte[] bytes, int from, int length) throws IOException {
        int done = 0;
        while (done < length) {
            int n = Math.min(length - done, chunk.remaining());
            chunk.put(bytes, from + done, n);
            done += n;
            if (!chunk.hasRemaining()) {
                flushChunk();
            }
        }
    }

    private void flushChunk() throws IOException {
        if (chunk.position() > 0) {
            chunk.flip();
            CRC32C crc = new CRC32C();
            crc.update(chunk.duplicate());
            checksums.putInt((int) crc.getValue());
            writeFully(chunk);
            chunk.clear();
        }
    }

    private void writeFully(ByteBuffer bytes) throws IOException {
        while (bytes.hasRemaining()) {
            written += channel.write(bytes);
        }
    }
}
