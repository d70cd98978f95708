package org.catalexis.index;

import org.catalexis.storage.BitPacking;
import org.catalexis.storage.Bytes;

/**
 * Writes one term's postings.
 *
 * <pre>
 * list      := [varint bytes of directory, directory, block*] tail     directory and blocks only if df is 128 or more
 * directory := for each block: varint its last document - that of the block before (-1 before the first),
 *              varint bytes of the block
 * block     := 128 postings: width of gaps (1 byte), width of tfs (1 byte), gaps - 1 packed, tfs - 1 packed
 * tail      := the df % 128 postings left, each: varint gap * 2 + (tf > 1), and varint tf - 2 if tf > 1
 * gap       := document - the document before, at least 1; the first document is counted from -1
 * </pre>
 */
final class PostingEncoder {
    private final int[] gaps = new int[BitPacking.BLOCK];
    private final int[] tfs = new int[BitPacking.BLOCK];
    private final Bytes directory = new Bytes();
    private final Bytes blocks = new Bytes();
    private final Bytes list = new Bytes();
    private int waiting;
    private int last;
    private int lastOfBlock;
    private int df;
    private long cf;

    void begin() {
        directory.clear();
        blocks.clear();
        waiting = 0;
        last = -1;
        lastOfBlock = -1;
        df = 0;
        cf = 0;
    }

    /** Adds a posting; documents rise. */
    void add(int document, int tf) {
        gaps[waiting] = document - last - 1;
        tfs[waiting++] = tf - 1;
        last = document;
        df++;
        cf += tf;
        if (waiting == BitPacking.BLOCK) {
            endBlock();
        }
    }

    int df() {
        return df;
    }

    long cf() {
        return cf;
    }

    private void endBlock() {
        int before = blocks.size();
        int gapWidth = BitPacking.width(gaps);
        int tfWidth = BitPacking.width(tfs);
        blocks.put(gapWidth);
        blocks.put(tfWidth);
        BitPacking.pack(gaps, gapWidth, blocks);
        BitPacking.pack(tfs, tfWidth, blocks);
        directory.putVarint(last - lastOfBlock);
        directory.putVarint(blocks.size() - before);
        lastOfBlock = last;
        waiting = 0;
    }

    /** The bytes of the list; valid until the next {@link #begin}. */
    Bytes end() {
        list.clear();
        if (df >= BitPacking.BLOCK) {
            list.putVarint(directory.size());
            list.put(directory);
            list.put(blocks);
        }
        for (int i = 0; i < waiting; i++) {
            list.putVarint((gaps[i] + 1L) * 2 + (tfs[i] > 0 ? 1 : 0));
            if (tfs[i] > 0) {
                list.putVarint(tfs[i] - 1);
            }
        }
        return list;
    }
}
