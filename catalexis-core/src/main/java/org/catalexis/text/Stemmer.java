package org.catalexis.text;

/**
 * Takes the endings off a word, so that its forms meet.
 *
 * @since 0.1
 */
public interface Stemmer {
    /** Free units that a caller leaves behind the word, for rules that lengthen it. */
    int ROOM = 8;

    /** The name in a project file: {@code porter2}. */
    String name();

    /**
     * Stems {@code word[0, length)} in place. The word is folded to lower case; the stem is never empty.
     *
     * @param word has at least {@link #ROOM} units free behind the word
     * @param length at least 1
     * @return the stem's length
     */
    int stem(char[] word, int length);

    /** A stemmer for the use of one thread: this one if it keeps no state. */
    default Stemmer forThread() {
        return this;
    }

    /** The stem of {@code word}; for people and tests, it allocates. */
    default String stem(String word) {
        char[] chars = java.util.Arrays.copyOf(word.toCharArray(), word.length() + ROOM);
        return word.isEmpty() ? word : new String(chars, 0, stem(chars, word.length()));
    }
}
