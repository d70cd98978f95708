package org.catalexis.index;

import org.catalexis.storage.BitPacking;
import org.catalexis.storage.ByteReader;
import org.catalexis.storage.Section;
import org.catalexis.storage.TermEntry;

/**
 * Walks one term's postings in one segment, up to 128 at a time, in document order. {@code PostingEncoder} has the layout.
 * One thread's.
 *
 * @since 0.1
 */
public final class PostingReader {
    /** The most postings that {@link #next} gives at once. */
    public static final int BLOCK = BitPacking.BLOCK;

    private final Section postings;
    private final TermEntry entry;
    private final ByteReader reader = new ByteReader(new byte[0], 0);
    private byte[] directory = new byte[0];
    private final ByteReader blockDirectory = new ByteReader(directory, 0);
    private byte[] bytes = new byte[0];
    /** Offset in the section of the next block, or of the tail. */
    private long at;

    private int left;
    private int last = -1;

    PostingReader(Section postings, TermEntry entry) {
        this.postings = postings;
        this.entry = entry;
        left = entry.df;
        at = entry.listOffset;
        if (entry.df >= BLOCK) {
            openDirectory();
        }
    }

    private void openDirectory() {
        int head = Math.min(entry.listLength, 5); // bytes of a varint of 31 bits, at most
        load(at, head);
        reader.set(bytes, 0);
        int length = reader.varint();
        at += reader.at();
        directory = new byte[length];
        postings.read(at, directory, 0, length);
        blockDirectory.set(directory, 0);
        at += length;
    }

    /**
     * Decodes the next postings into {@code documents} (ascending, numbers of this segment) and {@code tfs} (at least 1),
     * which have room for {@link #BLOCK}. O(128); allocates nothing once its buffer has grown.
     *
     * @return how many there are; 0 at the end
     */
    public int next(int[] documents, int[] tfs) {
        if (left >= BLOCK) {
            return nextBlock(documents, tfs);
        }
        int n = left;
        if (n == 0) {
            return 0;
        }
        left = 0;
        if (entry.df == 1) {
            documents[0] = entry.document;
            tfs[0] = Math.toIntExact(entry.cf);
            return 1;
        }
        int length = (int) (entry.listOffset + entry.listLength - at);
        load(at, length);
        reader.set(bytes, 0);
        for (int i = 0; i < n; i++) {
            int gap = reader.varint();
            last += gap >>> 1;
            documents[i] = last;
            tfs[i] = (gap & 1) == 0 ? 1 : reader.varint() + 2;
        }
        return n;
    }

    private int nextBlock(int[] documents, int[] tfs) {
        blockDirectory.varint(); // the last document, for those who skip
        int length = blockDirectory.varint();
        load(at, length);
        at += length;
        left -= BLOCK;
        int gapWidth = bytes[0];
        BitPacking.unpack(bytes, 2, gapWidth, documents);
        BitPacking.unpack(bytes, 2 + 16 * gapWidth, bytes[1], tfs);
        int document = last;
        for (int i = 0; i < BLOCK; i++) {
            document += documents[i] + 1;
            documents[i] = document;
            tfs[i]++;
        }
        last = document;
        return BLOCK;
    }

    private void load(long offset, int length) {
        if (bytes.length < length) {
            bytes = new byte[Math.max(length, 1024)];
        }
        postings.read(offset, bytes, 0, length);
    }
}
