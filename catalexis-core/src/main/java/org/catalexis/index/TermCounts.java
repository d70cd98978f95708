package org.catalexis.index;

/**
 * How often a term stands in a field, over the whole index.
 *
 * @param df documents whose field holds the term
 * @param cf occurrences of the term in the field
 * @since 0.1
 */
public record TermCounts(long df, long cf) {
    /** A term that stands nowhere. */
    public static final TermCounts NONE = new TermCounts(0, 0);

    TermCounts plus(long moreDf, long moreCf) {
        return new TermCounts(df + moreDf, cf + moreCf);
    }
}
