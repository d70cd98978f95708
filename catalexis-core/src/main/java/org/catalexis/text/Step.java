package org.catalexis.text;

/**
 * Changes tokens: drops, rewrites or adds some.
 *
 * @since 0.1
 */
public interface Step {
    /** How a project file writes it: {@code possessive}, {@code stop: english}. */
    String definition();

    /**
     * What its effect depends on, in a few words; the {@link #definition} if that says all. An index keeps it, to know when it
     * is stale.
     */
    default String identity() {
        return definition();
    }

    /**
     * Works on one batch in place. A step that needs to see what follows may hold back tokens at the batch's end (drop them
     * and put them before the next batch's), but must hand out all of them when {@code last}.
     *
     * @param last whether the text ends with this batch
     */
    void apply(TokenBatch batch, boolean last);

    /** A step for the use of one thread: this one if it keeps no state. */
    default Step forThread() {
        return this;
    }
}
