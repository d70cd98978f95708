package org.catalexis.score;

import org.catalexis.index.FieldCounts;
import org.catalexis.index.TermCounts;

/**
 * What one term in one field adds to a document's score.
 *
 * @since 0.1
 */
public interface ScoringFunction {
    /**
     * The scorer of one term in one field, for one query.
     *
     * @param term how often the term stands in the field, over the whole index; df at least 1
     * @param field how much text the field holds, over the whole index
     */
    TermScorer term(TermCounts term, FieldCounts field);

    /** Scores postings, an array at a time. Safe for all threads. */
    interface TermScorer {
        /**
         * Puts into {@code scores[i]} what the term adds to a document that holds it {@code tfs[i]} times (at least 1) in a
         * field of {@code lengths[i]} tokens (at least 1), for i below {@code n}.
         */
        void score(int[] tfs, int[] lengths, int n, double[] scores);
    }
}
