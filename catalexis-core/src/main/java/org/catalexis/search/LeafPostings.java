package org.catalexis.search;

import org.catalexis.index.PostingReader;
import org.catalexis.index.SegmentField;
import org.catalexis.score.ScoringFunction;

/** The postings of one leaf (query word x field) in one segment, scored a block at a time. */
final class LeafPostings {
    private final PostingReader postings;
    private final ScoringFunction.TermScorer scorer;
    private final double weight;
    private final int[] fieldLengths;
    private final int[] documents = new int[PostingReader.BLOCK];
    private final int[] tfs = new int[PostingReader.BLOCK];
    private final int[] lengths = new int[PostingReader.BLOCK];
    private final double[] scores = new double[PostingReader.BLOCK];
    private int size;
    private int at;

    LeafPostings(PostingReader postings, SegmentField field, ScoringFunction.TermScorer scorer, double weight) {
        this.postings = postings;
        this.scorer = scorer;
        this.weight = weight;
        fieldLengths = field.lengths();
        nextBlock();
    }

    private void nextBlock() {
        size = postings.next(documents, tfs);
        at = 0;
        for (int i = 0; i < size; i++) {
            lengths[i] = fieldLengths[documents[i]];
        }
        scorer.score(tfs, lengths, size, scores);
        for (int i = 0; i < size; i++) {
            scores[i] *= weight;
        }
    }

    /**
     * Adds the contributions to all documents below {@code end} to {@code sums[document - base]}, and sets the documents'
     * bits in {@code matched}. O(postings there), no call per posting.
     */
    void addTo(double[] sums, long[] matched, int base, int end) {
        while (size > 0) {
            int i = at;
            for (; i < size && documents[i] < end; i++) {
                int slot = documents[i] - base;
                sums[slot] += scores[i];
                matched[slot >>> 6] |= 1L << slot;
            }
            at = i;
            if (i < size) {
                return;
            }
            nextBlock();
        }
    }
}
