package org.catalexis.index;

import java.io.IOException;
import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.Arrays;
import org.catalexis.storage.Bytes;
import org.catalexis.storage.DictionaryWriter;
import org.catalexis.storage.PackedArray;
import org.catalexis.storage.SegmentWriter;
import org.catalexis.storage.TermEntry;
import org.catalexis.text.TokenBatch;

/**
 * Inverts one field in memory: from documents' tokens to terms' postings.
 *
 * <p>A hash table finds a term's number from its UTF-8 bytes; all of a term's state stands in 8 ints side by side, half a
 * cache line:
 * <pre>
 * KEY       where its bytes begin in the pool
 * SHAPE     length of its bytes (low 16 bits), level of its current slice (from bit 16 on)
 * FIRST     the first document that holds it
 * LAST      the last one so far
 * TF        its occurrences in that last one so far
 * WRITE     where the next byte of its run goes
 * END       where its current slice ends (the link's place)
 * CHAIN     its first slice; -1 as long as it stands in one document only
 * </pre>
 *
 * <p>A term's run holds, for each document after its first, {@code varint gap * 2 + (tf > 1)}, and {@code varint tf - 2} if
 * tf > 1: the gap leads to this document, the tf is that of the document before. The last tf waits in the state.
 */
final class FieldInverter {
    private static final int KEY = 0;
    private static final int SHAPE = 1;
    private static final int FIRST = 2;
    private static final int LAST = 3;
    private static final int TF = 4;
    private static final int WRITE = 5;
    private static final int END = 6;
    private static final int CHAIN = 7;
    private static final int STATE = 8;

    private static final VarHandle LONG = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    private final String field;
    /** Slot: upper half the hash, lower half the term's number + 1; 0 = free. At most half full. */
    private long[] table = new long[1 << 10];

    private int terms;
    private byte[] pool = new byte[1 << 14];
    private int poolSize;
    private int[] state = new int[STATE << 10];
    private final Slices slices = new Slices();
    private int[] lengths = new int[1 << 8];
    private int documents;
    private long having;
    private long tokens;

    FieldInverter(String field) {
        this.field = field;
    }

    String field() {
        return field;
    }

    /** Documents with a length of at least 1. */
    long having() {
        return having;
    }

    long tokens() {
        return tokens;
    }

    int terms() {
        return terms;
    }

    /** Memory held, in bytes. */
    long held() {
        return table.length * 8L + pool.length + state.length * 4L + slices.held() + lengths.length * 4L;
    }

    /** Adds the tokens of one batch of {@code document}. */
    void add(int document, TokenBatch batch) {
        char[] chars = batch.chars();
        for (int i = 0; i < batch.size(); i++) {
            int term = term(chars, batch.start(i), batch.length(i));
            int at = term * STATE;
            if (state[at + LAST] == document) {
                state[at + TF]++;
            } else {
                nextDocument(at, document);
            }
        }
    }

    /** Ends a document: {@code length} is the number of its positions that bear a token. Documents come in order, from 0. */
    void endDocument(int length) {
        if (documents == lengths.length) {
            lengths = Arrays.copyOf(lengths, documents * 2);
        }
        lengths[documents++] = length;
        tokens += length;
        having += length > 0 ? 1 : 0;
    }

    private void nextDocument(int at, int document) {
        int tf = state[at + TF];
        if (tf == 0) {
            state[at + FIRST] = document;
        } else {
            if (state[at + CHAIN] < 0) {
                int first = slices.slice(0);
                state[at + CHAIN] = first;
                state[at + WRITE] = first;
                state[at + END] = first + Slices.size(0) - 4;
            }
            int gap = document - state[at + LAST];
            putVarint(at, (long) gap * 2 + (tf > 1 ? 1 : 0));
            if (tf > 1) {
                putVarint(at, tf - 2);
            }
        }
        state[at + LAST] = document;
        state[at + TF] = 1;
    }

    private void putVarint(int at, long value) {
        long rest = value;
        while (rest > 127) {
            putByte(at, (int) rest | 128);
            rest >>>= 7;
        }
        putByte(at, (int) rest);
    }

    private void putByte(int at, int value) {
        int write = state[at + WRITE];
        if (write == state[at + END]) {
            int level = Math.min((state[at + SHAPE] >>> 16) + 1, Slices.TOP_LEVEL);
            int next = slices.slice(level);
            slices.link(write, next);
            state[at + SHAPE] = state[at + SHAPE] & 0xFFFF | level << 16;
            state[at + END] = next + Slices.size(level) - 4;
            write = next;
        }
        slices.put(write, value);
        state[at + WRITE] = write + 1;
    }

    /** The number of the term, a new one if it is met for the first time. */
    private int term(char[] chars, int start, int length) {
        int most = poolSize + 3 * length + Long.BYTES;
        if (most > pool.length) {
            pool = Arrays.copyOf(pool, Math.max(pool.length * 2, most));
        }
        int size = Utf8.encode(chars, start, length, pool, poolSize);
        LONG.set(pool, poolSize + size, 0L); // hash and sameBytes take 8 bytes at a time: what follows must be zero
        int hash = hash(pool, poolSize, size);
        int mask = table.length - 1;
        for (int slot = hash & mask; ; slot = slot + 1 & mask) {
            long found = table[slot];
            if (found == 0) {
                return newTerm(slot, hash, size);
            }
            if ((int) (found >>> 32) == hash) {
                int at = ((int) found - 1) * STATE;
                if ((state[at + SHAPE] & 0xFFFF) == size && sameBytes(state[at + KEY], size)) {
                    return (int) found - 1;
                }
            }
        }
    }

    /** Whether the key at {@code key} is the bytes that stand at the pool's end. */
    private boolean sameBytes(int key, int size) {
        int i = 0;
        for (; i + 8 <= size; i += 8) {
            if ((long) LONG.get(pool, key + i) != (long) LONG.get(pool, poolSize + i)) {
                return false;
            }
        }
        // Of the last, part-filled 8 bytes only those of the keys are compared: another key may follow the older one.
        return i == size
                || ((long) LONG.get(pool, key + i) ^ (long) LONG.get(pool, poolSize + i)) << 8 * (8 - (size - i)) == 0;
    }

    private int newTerm(int slot, int hash, int size) {
        int term = terms++;
        if (terms * STATE > state.length) {
            state = Arrays.copyOf(state, state.length * 2);
        }
        int at = term * STATE;
        state[at + KEY] = poolSize;
        state[at + SHAPE] = size;
        state[at + LAST] = -1;
        state[at + CHAIN] = -1;
        poolSize += size;
        table[slot] = (long) hash << 32 | term + 1;
        if (terms * 2 > table.length) {
            growTable();
        }
        return term;
    }

    private void growTable() {
        long[] old = table;
        table = new long[old.length * 4]; // by 2 rehashing took an eighth of the building time
        int mask = table.length - 1;
        for (long entry : old) {
            if (entry != 0) {
                int slot = (int) (entry >>> 32) & mask;
                while (table[slot] != 0) {
                    slot = slot + 1 & mask;
                }
                table[slot] = entry;
            }
        }
    }

    /** Of bytes[at, at + length) and zeros behind them; multiplications after MurmurHash3's finaliser (Appleby 2011). */
    private static int hash(byte[] bytes, int at, int length) {
        long h = length * 0x9E3779B97F4A7C15L;
        for (int i = at; i < at + length; i += 8) {
            h = (h ^ (long) LONG.get(bytes, i)) * 0xFF51AFD7ED558CCDL;
            h ^= h >>> 32;
        }
        return (int) h;
    }

    /** Writes the field's sections. The inverter is of no use afterwards. */
    void write(SegmentWriter out) throws IOException {
        int[] order = sorted();
        int[] dfs = new int[terms];
        long[] cfs = new long[terms];
        int[] listLengths = new int[terms];
        out.begin("postings/" + field);
        PostingEncoder encoder = new PostingEncoder();
        Slices.Reader reader = slices.new Reader();
        for (int i = 0; i < terms; i++) {
            int at = order[i] * STATE;
            encoder.begin();
            int document = state[at + FIRST];
            if (state[at + CHAIN] >= 0) {
                reader.begin(state[at + CHAIN]);
                while (document != state[at + LAST]) {
                    int gap = reader.varint();
                    encoder.add(document, (gap & 1) == 0 ? 1 : reader.varint() + 2);
                    document += gap >>> 1;
                }
            }
            encoder.add(document, state[at + TF]);
            dfs[i] = encoder.df();
            cfs[i] = encoder.cf();
            if (encoder.df() > 1) {
                Bytes list = encoder.end();
                listLengths[i] = list.size();
                out.write(list.array(), 0, list.size());
            }
        }
        writeDictionary(out, order, dfs, cfs, listLengths);
        Bytes packed = new Bytes();
        PackedArray.write(lengths, documents, packed);
        out.section("lengths/" + field, packed);
    }

    private int[] sorted() {
        int[] keys = new int[terms];
        int[] sizes = new int[terms];
        for (int i = 0; i < terms; i++) {
            keys[i] = state[i * STATE + KEY];
            sizes[i] = state[i * STATE + SHAPE] & 0xFFFF;
        }
        return ByteSort.order(pool, keys, sizes, terms);
    }

    private void writeDictionary(SegmentWriter out, int[] order, int[] dfs, long[] cfs, int[] listLengths)
            throws IOException {
        DictionaryWriter dictionary = new DictionaryWriter(out, "dictionary/" + field, "dictionary-index/" + field);
        TermEntry entry = new TermEntry();
        for (int i = 0; i < terms; i++) {
            int at = order[i] * STATE;
            entry.df = dfs[i];
            entry.cf = cfs[i];
            entry.document = state[at + LAST];
            entry.listLength = listLengths[i];
            dictionary.add(pool, state[at + KEY], state[at + SHAPE] & 0xFFFF, entry);
            entry.listOffset += listLengths[i];
        }
        dictionary.end();
    }
}
