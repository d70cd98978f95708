package org.catalexis.io.files;

import java.io.BufferedInputStream;
import java.io.Closeable;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.function.LongConsumer;
import java.util.zip.GZIPInputStream;
import java.util.zip.ZipException;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;

/**
 * Reads a file line by line, as bytes. Lines end with LF or CR LF; a byte order mark at the begin is passed over; a file
 * whose name ends with {@code .gz} is unpacked on the way.
 *
 * @since 0.1
 */
public final class LineReader implements Closeable {
    /** No line may be longer, in bytes: 1 GiB. */
    private static final int LONGEST = 1 << 30;

    private static final byte[] BYTE_ORDER_MARK = {(byte) 0xEF, (byte) 0xBB, (byte) 0xBF};

    private final String name;
    private final InputStream in;
    private byte[] buffer = new byte[1 << 17];
    /** What was read and not yet handed out is buffer[next, filled). */
    private int next;

    private int filled;
    private int start;
    private int end;
    private int line;

    private LineReader(String name, InputStream in) {
        this.name = name;
        this.in = in;
    }

    /**
     * Opens a file.
     *
     * @throws BadInputException if there is none, or it is a folder
     */
    public static LineReader open(Path file) throws IOException {
        return open(file, read -> {});
    }

    /** Opens a file and tells {@code progress}, as it reads, of how many more bytes of the file (packed, if it is) were taken. */
    public static LineReader open(Path file, LongConsumer progress) throws IOException {
        String name = file.toString();
        if (Files.isDirectory(file)) {
            throw new BadInputException(Place.of(name), "is a folder", "name a file");
        }
        try {
            InputStream raw = new Counted(Files.newInputStream(file), progress);
            try {
                return new LineReader(name, name.endsWith(".gz") ? new GZIPInputStream(raw, 1 << 16) : raw);
            } catch (EOFException | ZipException e) {
                raw.close();
                throw new BadInputException(
                        Place.of(name),
                        "is not a gzip file, although its name ends with .gz",
                        "unpack or rename it",
                        e);
            }
        } catch (NoSuchFileException e) {
            throw new BadInputException(Place.of(name), "there is no such file", "check the name and the folder", e);
        }
    }

    /** Goes to the next line; false at the end. */
    public boolean next() throws IOException {
        int length = 0;
        while (true) {
            while (next + length < filled && buffer[next + length] != '\n') {
                length++;
            }
            if (next + length < filled || !fill()) {
                break;
            }
        }
        int at = next + length;
        if (length == 0 && at == filled) {
            return false;
        }
        start = next;
        end = at;
        next = Math.min(at + 1, filled);
        if (end > start && buffer[end - 1] == '\r') {
            end--;
        }
        if (++line == 1 && end - start >= 3 && Arrays.equals(buffer, start, start + 3, BYTE_ORDER_MARK, 0, 3)) {
            start += 3;
        }
        return true;
    }

    /** Reads more; moves what is not yet handed out to the begin, or makes the buffer larger. False at the end of the file. */
    private boolean fill() throws IOException {
        if (filled == buffer.length) {
            if (next > 0) {
                System.arraycopy(buffer, next, buffer, 0, filled - next);
                filled -= next;
                next = 0;
            } else if (buffer.length == LONGEST) {
                throw new BadInputException(
                        new Place(name, line + 1), "the line is longer than 1 GiB", "break it into several documents");
            } else {
                buffer = Arrays.copyOf(buffer, buffer.length * 2);
            }
        }
        int read;
        try {
            read = in.read(buffer, filled, buffer.length - filled);
        } catch (EOFException | ZipException e) {
            throw new BadInputException(
                    new Place(name, line + 1),
                    "the gzip data end early or are damaged",
                    "fetch or pack the file anew",
                    e);
        }
        filled += Math.max(0, read);
        return read > 0;
    }

    /** The array that holds the line; valid until the next call of {@link #next}. */
    public byte[] bytes() {
        return buffer;
    }

    /** Where the line begins in {@link #bytes}. */
    public int start() {
        return start;
    }

    /** Where the line ends in {@link #bytes} (exclusive), without its line end. */
    public int end() {
        return end;
    }

    /** Whether the line holds nothing but spaces and tabs. */
    public boolean isBlank() {
        for (int i = start; i < end; i++) {
            if (buffer[i] != ' ' && buffer[i] != '\t') {
                return false;
            }
        }
        return true;
    }

    /**
     * The line as text.
     *
     * @throws BadInputException if it is not UTF-8
     */
    public String text() {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(buffer, start, end - start))
                    .toString();
        } catch (CharacterCodingException e) {
            throw fault("the line is not UTF-8", "save the file as UTF-8", e);
        }
    }

    /** The line's place. */
    public Place place() {
        return new Place(name, line);
    }

    /** A fault of this line. */
    public BadInputException fault(String what, String mend) {
        return new BadInputException(place(), what, mend);
    }

    private BadInputException fault(String what, String mend, Throwable cause) {
        return new BadInputException(place(), what, mend, cause);
    }

    @Override
    public void close() throws IOException {
        in.close();
    }

    /** Tells how many bytes go through it. */
    private static final class Counted extends BufferedInputStream {
        private final LongConsumer progress;

        Counted(InputStream in, LongConsumer progress) {
            super(in, 1 << 16);
            this.progress = progress;
        }

        @Override
        public synchronized int read(byte[] into, int from, int length) throws IOException {
            int n = super.read(into, from, length);
            if (n > 0) {
                progress.accept(n);
            }
            return n;
        }
    }
}
