package org.catalexis.score;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.catalexis.index.FieldCounts;
import org.catalexis.index.TermCounts;
import org.junit.jupiter.api.Test;

class Bm25Test {
    private static double score(Bm25 bm25, int n, int df, int tf, int length, double average) {
        double[] scores = new double[1];
        FieldCounts field = new FieldCounts(n, 1000, Math.round(average * 1000));
        bm25.term(new TermCounts(df, df), field).score(new int[] {tf}, new int[] {length}, 1, scores);
        return scores[0];
    }

    /** idf = ln(1 + 990.5 / 10.5) = 4.55738; tf part = 3 * 2.2 / (3 + 1.2 * (0.25 + 0.75 * 1.2)) = 1.506849. */
    @Test
    void givesTheWorkedExampleOfItsJavadoc() {
        assertThat(score(Bm25.DEFAULT, 1000, 10, 3, 120, 100)).isEqualTo(6.8673, within(5e-5));
    }

    /** b = 0: idf = ln(1 + 0.5 / 2.5) = 0.182322; tf part = 2 * 3 / (2 + 2) = 1.5. */
    @Test
    void withoutLengthsOnlyRepeatsCount() {
        assertThat(score(new Bm25(2, 0), 2, 2, 2, 7, 100)).isEqualTo(0.2734824, within(1e-7));
        assertThat(score(new Bm25(2, 0), 2, 2, 2, 900, 100)).isEqualTo(0.2734824, within(1e-7));
    }

    @Test
    void termInEveryDocumentStillAddsALittle() {
        assertThat(score(Bm25.DEFAULT, 50, 50, 1, 10, 10)).isPositive();
    }

    @Test
    void refusesNumbersOutOfRangeAndSaysWhatToUse() {
        assertThatThrownBy(() -> new Bm25(Double.NaN, 0.5))
                .hasMessage("k1 is NaN; use a number from 0 to 1000 (1.2 is usual)");
        assertThatThrownBy(() -> new Bm25(1.2, 1.5)).hasMessage("b is 1.5; use a number from 0 to 1 (0.75 is usual)");
    }

    @Property
    void growsWithTfFallsWithLengthAndStaysUnderItsLimit(
            @ForAll @DoubleRange(max = 10) double k1,
            @ForAll @DoubleRange(max = 1) double b,
            @ForAll @IntRange(min = 1, max = 500) int tf,
            @ForAll @IntRange(min = 1, max = 5000) int length) {
        Bm25 bm25 = new Bm25(k1, b);
        double score = score(bm25, 1000, 10, tf, length, 100);
        assertThat(score(bm25, 1000, 10, tf + 1, length, 100)).isGreaterThanOrEqualTo(score);
        assertThat(score(bm25, 1000, 10, tf, length + 1, 100)).isLessThanOrEqualTo(score);
        double idf = Bm25.idf(new TermCounts(10, 10), new FieldCounts(1000, 1000, 1));
        assertThat(score).isBetween(0.0, idf * (k1 + 1) * (1 + 1e-12));
    }
}
