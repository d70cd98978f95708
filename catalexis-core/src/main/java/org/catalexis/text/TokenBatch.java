package org.catalexis.text;

import java.util.Arrays;

/**
 * Some hundreds of tokens on their way through a pipeline, in arrays that are reused.
 *
 * <pre>
 * chars   | l a m p s w i r i n g ...        the texts, in any order, gaps allowed
 * start   | 0 5        length | 5 6          token i is chars[start, start + length)
 * from    | 4 11       to     | 9 17         its place in the original text
 * position| 1 2                              its place among the tokens; equal for stacked tokens, never falling
 * </pre>
 *
 * <p>A {@link Step} rewrites texts in place, drops tokens, or adds some. Not safe for several threads.
 *
 * @since 0.1
 */
public final class TokenBatch {
    /** How many tokens a splitter puts in; steps may add more. */
    static final int CAPACITY = 512;

    /** Longest token in UTF-16 units, so that its UTF-8 form stays below 32 KiB (3 bytes a unit at most). */
    public static final int LONGEST = 10_922;

    private char[] chars = new char[CAPACITY * 16];
    private int used;
    private int size;
    private int[] start = new int[CAPACITY];
    private int[] length = new int[CAPACITY];
    private int[] from = new int[CAPACITY];
    private int[] to = new int[CAPACITY];
    private int[] position = new int[CAPACITY];
    private int nextPosition;
    private long cut;

    /** Empties the batch and starts counting positions from 0. */
    void begin() {
        nextPosition = 0;
        cut = 0;
        clear();
    }

    /** Empties the batch; positions go on. */
    void clear() {
        size = 0;
        used = 0;
    }

    boolean isFull() {
        return size >= CAPACITY;
    }

    /** How many tokens were longer than {@link #LONGEST} and were cut, since {@link #begin}. */
    long cut() {
        return cut;
    }

    /**
     * Adds the token {@code text[from, to)} at the next position, its offsets being {@code from} and {@code to}. A token
     * over {@link #LONGEST} is cut; its offsets still cover all of it.
     */
    public void add(char[] text, int from, int to) {
        int n = to - from;
        if (n > LONGEST) {
            n = Character.isHighSurrogate(text[from + LONGEST - 1]) ? LONGEST - 1 : LONGEST;
            cut++;
        }
        if (size == start.length) {
            growTokens();
        }
        if (used + n > chars.length) {
            chars = Arrays.copyOf(chars, Math.max(chars.length * 2, used + n));
        }
        // A loop: most tokens are under ten units, for which a call of arraycopy costs more.
        for (int i = 0, c = used; i < n; i++) {
            chars[c + i] = text[from + i];
        }
        start[size] = used;
        length[size] = n;
        this.from[size] = from;
        this.to[size] = to;
        position[size++] = nextPosition++;
        used += n;
    }

    /** How many tokens there are now. */
    public int size() {
        return size;
    }

    /** The characters that {@link #start} points into. A step may write within a token's own. */
    public char[] chars() {
        return chars;
    }

    /** Where token {@code i}'s text begins in {@link #chars}. */
    public int start(int i) {
        return start[i];
    }

    /** Length of token {@code i}'s text in UTF-16 units, at least 1. */
    public int length(int i) {
        return length[i];
    }

    /** Token {@code i}'s position in the text, from 0. */
    public int position(int i) {
        return position[i];
    }

    /** Where token {@code i} begins in the original text. */
    public int from(int i) {
        return from[i];
    }

    /** Where token {@code i} ends in the original text (exclusive). */
    public int to(int i) {
        return to[i];
    }

    /** Token {@code i}'s text as a string; for people and tests, it allocates. */
    public String text(int i) {
        return new String(chars, start[i], length[i]);
    }

    /** Keeps only the first {@code n} units of token {@code i}'s text; {@code n} at least 1. */
    public void shorten(int i, int n) {
        length[i] = n;
    }

    /** Makes {@code text[at, at + n)} the text of token {@code i}; {@code n} at least 1. */
    public void setText(int i, char[] text, int at, int n) {
        if (n > length[i]) {
            if (used + n > chars.length) {
                chars = Arrays.copyOf(chars, Math.max(chars.length * 2, used + n));
            }
            start[i] = used;
            used += n;
        }
        System.arraycopy(text, at, chars, start[i], n);
        length[i] = n;
    }

    /**
     * Moves token {@code i} down to index {@code kept}: the way to drop tokens is to move down those that stay, in order,
     * and then {@link #truncate} to their number.
     */
    public void moveDown(int i, int kept) {
        if (i != kept) {
            start[kept] = start[i];
            length[kept] = length[i];
            from[kept] = from[i];
            to[kept] = to[i];
            position[kept] = position[i];
        }
    }

    /** Drops all tokens from index {@code newSize} on. */
    public void truncate(int newSize) {
        size = newSize;
    }

    /** Offsets were written by the splitter as indexes into the folded text: makes them those of the original. */
    void toOriginal(Chars text) {
        for (int i = 0; i < size; i++) {
            from[i] = text.origin(from[i]);
            to[i] = text.origin(to[i]);
        }
    }

    private void growTokens() {
        int n = start.length * 2;
        start = Arrays.copyOf(start, n);
        length = Arrays.copyOf(length, n);
        from = Arrays.copyOf(from, n);
        to = Arrays.copyOf(to, n);
        position = Arrays.copyOf(position, n);
    }
}
