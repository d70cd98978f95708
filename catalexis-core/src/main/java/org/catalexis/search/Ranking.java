package org.catalexis.search;

import java.util.List;

/**
 * The best documents for a query: by score, the highest first; those of equal score by id, in code point order.
 *
 * @param hits the best, as many as were asked for if there are that many
 * @param matches how many documents matched in all
 * @param exact whether {@code matches} was counted to the end; if not, there are at least that many
 * @since 0.1
 */
public record Ranking(List<Hit> hits, long matches, boolean exact) {
    /** Copies the list. */
    public Ranking {
        hits = List.copyOf(hits);
    }
}
