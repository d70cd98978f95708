package org.catalexis.text;

import java.util.Arrays;
import org.jspecify.annotations.Nullable;

/**
 * A text while it is being folded: its characters, and for each where it came from in the original.
 *
 * <p>As long as every fold put one UTF-16 unit in the place of one, no map of offsets is kept: {@link #origin} is then
 * the identity.
 *
 * @since 0.1
 */
public final class Chars {
    private char[] chars = new char[256];
    private int length;
    private int originalLength;
    /** origin[i] = where character i began in the original, origin[length] = the original's length; null = identity. */
    private int @Nullable [] origin;

    /** Takes in a new text; forgets the one before. */
    public void set(CharSequence text) {
        length = originalLength = text.length();
        origin = null;
        if (chars.length < length) {
            chars = new char[Math.max(length, chars.length * 2)];
        }
        if (text instanceof String string) {
            string.getChars(0, length, chars, 0);
        } else {
            for (int i = 0; i < length; i++) {
                chars[i] = text.charAt(i);
            }
        }
    }

    /** The characters; those from {@link #length} on mean nothing. A fold may write to them in place. */
    public char[] chars() {
        return chars;
    }

    /** How many UTF-16 units the text has now. */
    public int length() {
        return length;
    }

    /** Where the character now at {@code index} (0 to length) began in the original text. */
    public int origin(int index) {
        return origin == null ? index : origin[index];
    }

    /** Whether a fold changed the text's length, so that {@link #origin} is not the identity. */
    public boolean moved() {
        return origin != null;
    }

    /**
     * Rewrites the text from {@code from} on: {@code folding} appends to the output what it makes of each code point.
     * O(length), allocates; folds call it only where one unit does not become one.
     */
    void rewrite(int from, Folding folding) {
        char[] out = Arrays.copyOf(chars, Math.max(256, length + length / 4));
        int[] outOrigin = new int[out.length + 1];
        for (int i = 0; i < from; i++) {
            outOrigin[i] = origin(i);
        }
        int n = from;
        for (int i = from; i < length; ) {
            int codePoint = Character.codePointAt(chars, i, length);
            int next = i + Character.charCount(codePoint);
            String put = folding.fold(codePoint);
            int size = put == null ? next - i : put.length();
            if (n + size > out.length) {
                out = Arrays.copyOf(out, (n + size) * 2);
                outOrigin = Arrays.copyOf(outOrigin, out.length + 1);
            }
            for (int k = 0; k < size; k++) {
                out[n] = put == null ? chars[i + k] : put.charAt(k);
                outOrigin[n++] = put == null ? origin(i + k) : origin(i);
            }
            i = next;
        }
        outOrigin[n] = originalLength;
        chars = out;
        origin = outOrigin;
        length = n;
    }

    /** What becomes of one code point. */
    interface Folding {
        /** The replacement (empty to drop it), or null to keep it as it is. */
        @Nullable
        String fold(int codePoint);
    }
}
