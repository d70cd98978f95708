package org.catalexis.storage;

import java.util.Arrays;

/**
 * Sorted terms, as {@link DictionaryWriter} lays them out. The first term of each block is kept in memory;
 * a look-up reads one block. Safe for all threads.
 */
public final class Dictionary {
    private final Section blocks;
    private final int terms;
    /** The blocks' first terms, one after the other; block i's is firstTerms[firstAt[i], firstAt[i + 1]). */
    private final byte[] firstTerms;

    private final int[] firstAt;
    private final long[] blockAt;

    /** Reads the index of the dictionary. O(blocks). */
    public Dictionary(Section section, Section indexSection) {
        blocks = section;
        byte[] index = indexSection.readAll();
        ByteReader reader = new ByteReader(index, 0);
        terms = reader.varint();
        int count = reader.varint();
        firstAt = new int[count + 1];
        blockAt = new long[count + 1];
        Bytes firsts = new Bytes();
        for (int i = 0; i < count; i++) {
            int length = reader.varint();
            firsts.put(index, reader.at(), length);
            reader.skip(length);
            firstAt[i + 1] = firsts.size();
            blockAt[i + 1] = blockAt[i] + reader.varint();
        }
        firstTerms = Arrays.copyOf(firsts.array(), firsts.size());
    }

    /** How many terms there are. */
    public int terms() {
        return terms;
    }

    /** Looks up term[0, length); fills {@code entry} if it is there. Reads one block: O(log blocks + 32). */
    public boolean find(byte[] term, int length, TermEntry entry) {
        int block = lastNotAfter(term, length);
        if (block < 0) {
            return false;
        }
        Cursor cursor = new Cursor(block);
        for (int i = 0; i < DictionaryWriter.BLOCK_TERMS && cursor.next(entry); i++) {
            int order = Arrays.compareUnsigned(cursor.term.array(), 0, cursor.term.size(), term, 0, length);
            if (order >= 0) {
                return order == 0;
            }
        }
        return false;
    }

    /** A cursor that stands on the term of that number, 0 being the first in order. Reads one block. */
    public Cursor at(int number) {
        Cursor cursor = new Cursor(number / DictionaryWriter.BLOCK_TERMS);
        TermEntry entry = new TermEntry();
        for (int i = 0; i <= number % DictionaryWriter.BLOCK_TERMS; i++) {
            cursor.next(entry);
        }
        return cursor;
    }

    /** A walk over all terms in order. */
    public Cursor cursor() {
        return new Cursor(0);
    }

    /** The last block whose first term is not after {@code term}; -1 if there is none. */
    private int lastNotAfter(byte[] term, int length) {
        int low = 0;
        int high = firstAt.length - 2;
        while (low <= high) {
            int mid = low + high >>> 1;
            if (Arrays.compareUnsigned(firstTerms, firstAt[mid], firstAt[mid + 1], term, 0, length) <= 0) {
                low = mid + 1;
            } else {
                high = mid - 1;
            }
        }
        return high;
    }

    /** Walks terms in order. One thread's. */
    public final class Cursor {
        private final ByteReader reader = new ByteReader(new byte[0], 0);
        private final Bytes term = new Bytes();
        private byte[] bytes = new byte[0];
        private int blockLength;
        private int block;
        private long list;

        private Cursor(int block) {
            this.block = block - 1;
        }

        /** The term at which the cursor stands, in UTF-8; valid until the next move. */
        public Bytes term() {
            return term;
        }

        /** Goes to the next term and fills {@code entry}; false after the last. */
        public boolean next(TermEntry entry) {
            if (reader.at() >= blockLength) {
                if (block + 2 >= blockAt.length) {
                    return false;
                }
                load(block + 1);
            }
            int shared = reader.varint();
            int more = reader.varint();
            if (shared > term.size()) {
                throw new AssertionError("a term shares " + shared + " bytes with one of " + term.size());
            }
            byte[] kept = term.array();
            term.clear();
            term.put(kept, 0, shared);
            term.put(bytes, reader.at(), more);
            reader.skip(more);
            entry.df = reader.varint();
            entry.cf = reader.longVarint() + entry.df;
            int last = reader.varint();
            entry.document = entry.df == 1 ? last : -1;
            entry.listOffset = list;
            entry.listLength = entry.df == 1 ? 0 : last;
            list += entry.listLength;
            return true;
        }

        private void load(int number) {
            block = number;
            blockLength = (int) (blockAt[number + 1] - blockAt[number]);
            if (bytes.length < blockLength) {
                bytes = new byte[blockLength];
            }
            blocks.read(blockAt[number], bytes, 0, blockLength);
            reader.set(bytes, 0);
            list = reader.longVarint();
            term.clear();
        }
    }
}
