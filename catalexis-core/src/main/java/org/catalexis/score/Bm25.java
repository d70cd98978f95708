package org.catalexis.score;

import org.catalexis.index.FieldCounts;
import org.catalexis.index.TermCounts;

/**
 * BM25: what one term of the query adds to one document's score.
 *
 * <pre>
 * score = idf * tf * (k1 + 1) / (tf + k1 * (1 - b + b * dl / avdl))
 * idf   = ln(1 + (N - df + 0.5) / (df + 0.5))
 * </pre>
 *
 * <p>tf, df and N are counts (occurrences in the field, documents whose field holds the term, documents of the index); dl is
 * the length of the document's field in tokens, avdl its mean over the documents that have the field. The score has no unit;
 * it is never negative, grows with tf towards idf * (k1 + 1), and falls with dl. Source: Robertson and Zaragoza, "The
 * Probabilistic Relevance Framework: BM25 and Beyond", 2009. Ours differs in one thing: the 1 + inside idf, so that a term
 * in more than half of the collection cannot push a document down.
 *
 * <p>Worked example, also a test: N=1000, df=10, tf=3, dl=120, avdl=100, k1=1.2, b=0.75 give 6.8673.
 *
 * @param k1 how slowly repeats of a term stop counting, 0 or more; 1.2 is usual
 * @param b how far long fields are marked down, 0 (not at all) to 1 (in proportion to length); 0.75 is usual
 * @since 0.1
 */
public record Bm25(double k1, double b) implements ScoringFunction {
    /** k1 1.2, b 0.75. */
    public static final Bm25 DEFAULT = new Bm25(1.2, 0.75);

    /** Highest k1 that is taken: far beyond, repeats count in full anyway. */
    static final double MOST_K1 = 1000;

    /** Checks the ranges. */
    public Bm25 {
        if (!(k1 >= 0 && k1 <= MOST_K1)) { // negated, so that NaN fails too
            throw new IllegalArgumentException("k1 is " + k1 + "; use a number from 0 to 1000 (1.2 is usual)");
        }
        if (!(b >= 0 && b <= 1)) {
            throw new IllegalArgumentException("b is " + b + "; use a number from 0 to 1 (0.75 is usual)");
        }
    }

    /** ln(1 + (N - df + 0.5) / (df + 0.5)); the logarithm is StrictMath's, so that every machine gives the same bits. */
    public static double idf(TermCounts term, FieldCounts field) {
        return StrictMath.log(1 + (field.collection() - term.df() + 0.5) / (term.df() + 0.5));
    }

    @Override
    public TermScorer term(TermCounts term, FieldCounts field) {
        double idf = idf(term, field);
        double average = field.averageLength();
        double top = k1 + 1;
        double rest = 1 - b;
        return (tfs, lengths, n, scores) -> {
            for (int i = 0; i < n; i++) {
                double tf = tfs[i];
                scores[i] = idf * (tf * top / (tf + k1 * (rest + b * (lengths[i] / average))));
            }
        };
    }
}
