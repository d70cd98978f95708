package org.catalexis.text;

import java.util.function.IntUnaryOperator;

/**
 * Looks up a small number for each character, by pages of 256 that are made when first met. Racing threads make equal
 * pages.
 */
final class CharClasses {
    private final IntUnaryOperator classOf;
    private final byte[][] pages = new byte[256][];

    /** A table of what {@code classOf} (code point to 0..127) gives. */
    CharClasses(IntUnaryOperator classOf) {
        this.classOf = classOf;
    }

    /** The class of the code point that begins at {@code i}; a lone surrogate is a code point of its own. */
    int at(char[] chars, int i, int length) {
        char c = chars[i];
        if (Character.isHighSurrogate(c) && i + 1 < length && Character.isLowSurrogate(chars[i + 1])) {
            return classOf.applyAsInt(Character.toCodePoint(c, chars[i + 1]));
        }
        byte[] page = pages[c >>> 8];
        return (page == null ? page(c >>> 8) : page)[c & 255];
    }

    /** How many units the code point at {@code i} takes: 1 or 2. */
    static int width(char[] chars, int i, int length) {
        return Character.isHighSurrogate(chars[i]) && i + 1 < length && Character.isLowSurrogate(chars[i + 1]) ? 2 : 1;
    }

    private byte[] page(int number) {
        byte[] page = new byte[256];
        for (int i = 0; i < 256; i++) {
            page[i] = (byte) classOf.applyAsInt(number << 8 | i);
        }
        pages[number] = page;
        return page;
    }
}
