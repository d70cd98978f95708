package org.catalexis.text;

import com.ibm.icu.lang.UCharacter;

/**
 * Splitter {@code alphanumeric}: maximal runs of letters (general category L) and decimal digits (Nd). Combining marks
 * belong to neither; fold accents first where texts hold decomposed letters.
 */
final class AlphanumericSplitter implements Splitter {
    private static final CharClasses CLASSES = new CharClasses(c -> UCharacter.isLetterOrDigit(c) ? 1 : 0);

    @Override
    public String name() {
        return "alphanumeric";
    }

    @Override
    public int split(char[] chars, int length, int from, TokenBatch out) {
        int i = from;
        while (!out.isFull()) {
            while (i < length && CLASSES.at(chars, i, length) == 0) {
                i += CharClasses.width(chars, i, length);
            }
            if (i >= length) {
                return length;
            }
            int start = i;
            while (i < length && CLASSES.at(chars, i, length) != 0) {
                i += CharClasses.width(chars, i, length);
            }
            out.add(chars, start, i);
        }
        return i;
    }
}
