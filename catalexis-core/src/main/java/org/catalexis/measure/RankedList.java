package org.catalexis.measure;

import java.util.List;

/**
 * The documents that a run gives for one topic, best first. Immutable.
 *
 * @since 0.1
 */
public final class RankedList {
    /** A topic without documents. */
    public static final RankedList EMPTY = new RankedList(List.of(), new double[0]);

    private final List<String> documents;
    private final double[] scores;

    /** Documents with their scores; as many of one as of the other. Both are copied. */
    public RankedList(List<String> documents, double[] scores) {
        if (documents.size() != scores.length) {
            throw new IllegalArgumentException(
                    "there are " + documents.size() + " documents and " + scores.length + " scores; give one for each");
        }
        this.documents = List.copyOf(documents);
        this.scores = scores.clone();
    }

    /** The documents, best first. */
    public List<String> documents() {
        return documents;
    }

    /** The score of the document at index {@code i}, from 0. */
    public double score(int i) {
        return scores[i];
    }

    /** How many documents there are. */
    public int size() {
        return scores.length;
    }
}
