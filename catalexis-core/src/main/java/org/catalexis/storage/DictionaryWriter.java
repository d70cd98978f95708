package org.catalexis.storage;

import java.io.IOException;

/**
 * Writes sorted terms, front-coded in blocks of 32: those of a field, or the ids of the documents (each a term of the one
 * document that bears it).
 *
 * <pre>
 * section           := block*
 * block             := varint offset of its first posting list, then for each term:
 *                      varint bytes shared with the term before (0 for the first), varint bytes that follow, these bytes,
 *                      varint df, varint cf - df, and
 *                      df = 1: varint document        (such a term has no posting list; its tf is cf)
 *                      df > 1: varint bytes of its posting list; the lists stand one after the other
 * index section     := varint terms, varint blocks, for each block: varint length of its first term, the term,
 *                      varint bytes of the block
 * </pre>
 */
public final class DictionaryWriter {
    static final int BLOCK_TERMS = 32;

    private final SegmentWriter out;
    private final String indexSection;
    private final Bytes block = new Bytes();
    private final Bytes index = new Bytes();
    private final Bytes previous = new Bytes();
    private int terms;
    private int blocks;

    /** Begins the section; nothing else may be written to {@code out} until {@link #end}. */
    public DictionaryWriter(SegmentWriter out, String section, String indexSection) throws IOException {
        this.out = out;
        this.indexSection = indexSection;
        out.begin(section);
    }

    /** Adds a term, greater than the one before in unsigned byte order. */
    public void add(byte[] term, int at, int length, TermEntry entry) throws IOException {
        boolean first = terms % BLOCK_TERMS == 0;
        if (first) {
            endBlock();
            index.putVarint(length);
            index.put(term, at, length);
            block.putVarint(entry.listOffset);
            blocks++;
        }
        int shared = 0;
        int most = first ? 0 : Math.min(length, previous.size());
        while (shared < most && previous.array()[shared] == term[at + shared]) {
            shared++;
        }
        block.putVarint(shared);
        block.putVarint(length - shared);
        block.put(term, at + shared, length - shared);
        block.putVarint(entry.df);
        block.putVarint(entry.cf - entry.df);
        block.putVarint(entry.df == 1 ? entry.document : entry.listLength);
        previous.clear();
        previous.put(term, at, length);
        terms++;
    }

    /** Writes what is left, and the index. */
    public void end() throws IOException {
        endBlock();
        Bytes head = new Bytes();
        head.putVarint(terms);
        head.putVarint(blocks);
        head.put(index);
        out.section(indexSection, head);
    }

    private void endBlock() throws IOException {
        if (block.size() > 0) {
            out.write(block.array(), 0, block.size());
            index.putVarint(block.size());
            block.clear();
        }
    }
}
