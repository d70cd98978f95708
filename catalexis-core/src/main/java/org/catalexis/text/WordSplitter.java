package org.catalexis.text;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UProperty;
import com.ibm.icu.text.BreakIterator;
import com.ibm.icu.util.ULocale;
import org.jspecify.annotations.Nullable;

/**
 * Splitter {@code words}: the word boundaries of Unicode Standard Annex #29 (rules WB1 to WB999, extended as the annex
 * says), keeping each segment that holds a letter or a digit. Runs of scripts that are written without spaces (Thai, Lao,
 * Khmer, Burmese, Chinese, Japanese), to which the annex gives no word boundaries, are cut by ICU's dictionaries.
 *
 * <p>One pass, no look back; a look ahead only past a mark such as the apostrophe of {@code don't} or the point of
 * {@code 3.5}. Word_Break values are those of the ICU version that Catalexis ships with.
 */
final class WordSplitter implements Splitter {
    // The annex's Word_Break values, as far as they matter inside a word. OTHER ends one.
    private static final int OTHER = 0;
    private static final int LETTER = 1;
    private static final int HEBREW = 2;
    private static final int DIGIT = 3;
    private static final int KATAKANA = 4;
    private static final int LINK = 5; // ExtendNumLet: the low line
    private static final int IGNORED = 6; // Extend and Format: rule WB4
    private static final int JOINER = 7; // ZWJ: ignored too, but see WB3c
    private static final int MID_LETTER = 8;
    private static final int MID_NUMBER = 9;
    private static final int MID_BOTH = 10;
    private static final int SINGLE_QUOTE = 11;
    private static final int DOUBLE_QUOTE = 12;
    private static final int PICTURE = 13;
    private static final int DICTIONARY = 14; // letters without word boundaries of their own

    private static final CharClasses CLASSES = new CharClasses(WordSplitter::classOf);

    private @Nullable BreakIterator dictionary;

    @Override
    public String name() {
        return "words";
    }

    @Override
    public Splitter forThread() {
        return new WordSplitter();
    }

    @Override
    public int split(char[] chars, int length, int from, TokenBatch out) {
        int i = from;
        while (i < length && !out.isFull()) {
            int type = CLASSES.at(chars, i, length);
            if (type >= LETTER && type <= LINK) {
                i = word(chars, length, i, type, out);
            } else if (type == DICTIONARY) {
                i = unspaced(chars, length, i, out);
            } else {
                i += CharClasses.width(chars, i, length);
            }
        }
        return i;
    }

    /** Adds the word that begins at {@code start}; returns its end. */
    private int word(char[] chars, int length, int start, int startType, TokenBatch out) {
        boolean worth = startType != LINK;
        boolean japanese = startType == KATAKANA;
        boolean afterJoiner = false;
        int type = startType;
        int i = start + CharClasses.width(chars, start, length);
        while (i < length) {
            int next = CLASSES.at(chars, i, length);
            if (next == IGNORED || next == JOINER) { // WB4
                afterJoiner = next == JOINER;
                i += CharClasses.width(chars, i, length);
                continue;
            }
            if (next == DICTIONARY && japanese) { // the word only begins in Katakana: ICU cuts it
                return unspaced(chars, length, start, out);
            }
            if (joins(type, next) || afterJoiner && next == PICTURE) { // WB5, 8-10, 13-13b; WB3c
                worth |= next <= KATAKANA;
                japanese &= next == KATAKANA;
                type = next;
                i += CharClasses.width(chars, i, length);
            } else {
                int beyond = next >= MID_LETTER && next <= DOUBLE_QUOTE ? skipIgnored(chars, length, i + 1) : length;
                int far = beyond < length ? CLASSES.at(chars, beyond, length) : OTHER;
                if (bridges(type, next, far)) {
                    type = far;
                    i = beyond + CharClasses.width(chars, beyond, length);
                } else if (type == HEBREW && next == SINGLE_QUOTE) { // WB7a
                    type = OTHER;
                    i++;
                } else {
                    break;
                }
            }
            afterJoiner = false;
        }
        if (worth) {
            out.add(chars, start, i);
        }
        return i;
    }

    private static int skipIgnored(char[] chars, int length, int from) {
        int i = from;
        while (i < length) {
            int type = CLASSES.at(chars, i, length);
            if (type != IGNORED && type != JOINER) {
                break;
            }
            i += CharClasses.width(chars, i, length);
        }
        return i;
    }

    private static boolean joins(int type, int next) {
        switch (type) {
            case LETTER:
            case HEBREW:
            case DIGIT:
                return next == LETTER || next == HEBREW || next == DIGIT || next == LINK;
            case KATAKANA:
                return next == KATAKANA || next == LINK;
            case LINK:
                return next >= LETTER && next <= LINK;
            default:
                return false;
        }
    }

    /** Whether a mark holds a word together between {@code type} and {@code far}: WB6 and 7, 7b and 7c, 11 and 12. */
    private static boolean bridges(int type, int mark, int far) {
        switch (mark) {
            case MID_LETTER:
                return isLetter(type) && isLetter(far);
            case MID_NUMBER:
                return type == DIGIT && far == DIGIT;
            case MID_BOTH:
            case SINGLE_QUOTE:
                return isLetter(type) && isLetter(far) || type == DIGIT && far == DIGIT;
            case DOUBLE_QUOTE:
                return type == HEBREW && far == HEBREW;
            default:
                return false;
        }
    }

    private static boolean isLetter(int type) {
        return type == LETTER || type == HEBREW;
    }

    /** Adds the words of a run without spaces, cut by ICU; returns the run's end. */
    private int unspaced(char[] chars, int length, int start, TokenBatch out) {
        int end = start;
        while (end < length) {
            int type = CLASSES.at(chars, end, length);
            if (type != DICTIONARY && type != KATAKANA && type != IGNORED && type != JOINER) {
                break;
            }
            end += CharClasses.width(chars, end, length);
        }
        if (dictionary == null) {
            dictionary = BreakIterator.getWordInstance(ULocale.ROOT);
        }
        dictionary.setText(new String(chars, start, end - start));
        int from = dictionary.first();
        for (int to = dictionary.next(); to != BreakIterator.DONE; from = to, to = dictionary.next()) {
            int type = CLASSES.at(chars, start + from, length);
            if (type == DICTIONARY || type == KATAKANA) {
                out.add(chars, start + from, start + to);
            }
        }
        return end;
    }

    private static int classOf(int c) {
        switch (UCharacter.getIntPropertyValue(c, UProperty.WORD_BREAK)) {
            case UCharacter.WordBreak.ALETTER:
                return LETTER;
            case UCharacter.WordBreak.HEBREW_LETTER:
                return HEBREW;
            case UCharacter.WordBreak.NUMERIC:
                return DIGIT;
            case UCharacter.WordBreak.KATAKANA:
                return KATAKANA;
            case UCharacter.WordBreak.EXTENDNUMLET:
                return LINK;
            case UCharacter.WordBreak.EXTEND:
            case UCharacter.WordBreak.FORMAT:
                return IGNORED;
            case UCharacter.WordBreak.ZWJ:
                return JOINER;
            case UCharacter.WordBreak.MIDLETTER:
                return MID_LETTER;
            case UCharacter.WordBreak.MIDNUM:
                return MID_NUMBER;
            case UCharacter.WordBreak.MIDNUMLET:
                return MID_BOTH;
            case UCharacter.WordBreak.SINGLE_QUOTE:
                return SINGLE_QUOTE;
            case UCharacter.WordBreak.DOUBLE_QUOTE:
                return DOUBLE_QUOTE;
            default:
                if (UCharacter.hasBinaryProperty(c, UProperty.EXTENDED_PICTOGRAPHIC)) {
                    return PICTURE;
                }
                return UCharacter.isUAlphabetic(c) ? DICTIONARY : OTHER;
        }
    }
}
