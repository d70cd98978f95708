package org.catalexis.text;

/**
 * Cuts a text into tokens. Everything between tokens (spaces, punctuation) is left out.
 *
 * @since 0.1
 */
public interface Splitter {
    /** The name in a project file. */
    String name();

    /**
     * Adds tokens of {@code chars[from, length)} to {@code out}, until it holds {@code out}'s capacity or the text ends. It
     * may take a few tokens more than that.
     *
     * @param from 0, or what the last call for this text returned
     * @return where to go on; {@code length} once the text is done
     */
    int split(char[] chars, int length, int from, TokenBatch out);

    /** A splitter for the use of one thread: this one if it keeps no state. */
    default Splitter forThread() {
        return this;
    }
}
