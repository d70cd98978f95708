package org.catalexis.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MeasuresTest {
    private static final int U = JudgedRanking.UNJUDGED;

    /**
     * Ranked: grades 3, unjudged, 0, 2, 0, 1, unjudged. Judged besides: 2, 0. So R = 4 (3, 2, 1, 2), N = 3; by [from=2] R = 3,
     * N = 4. The ideal order is 3 2 2 1.
     */
    private static final JudgedRanking RANKING =
            new JudgedRanking(new int[] {3, U, 0, 2, 0, 1, U}, new int[] {3, 0, 2, 0, 1, 2, 0});

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "P@5 | 0.4", // ranks 1 and 4
                "P@10 | 0.3", // of 10, though only 7 were ranked
                "R@5 | 0.5", // 2 of 4
                "R@100 | 0.75",
                "RR | 1",
                "RR[from=4] | 0",
                "AP | 0.5", // (1/1 + 2/4 + 3/6) / 4
                "AP@5 | 0.375", // (1/1 + 2/4) / 4
                "AP[from=2] | 0.5", // (1/1 + 2/4) / 3
                // DCG: 3/log2(2) + 2/log2(5) + 1/log2(7) = 3 + 0.861353 + 0.356207 = 4.217560
                // ideal: 3 + 2/log2(3) + 2/log2(4) + 1/log2(5) = 3 + 1.261860 + 1 + 0.430677 = 5.692536
                "nDCG | 0.740893",
                "nDCG@10 | 0.740893",
                "nDCG@3 | 0.570141", // 3 / (3 + 1.261860 + 1) = 3 / 5.261860
                // [exp]: 7 + 3/log2(5) + 1/log2(7) = 7 + 1.292030 + 0.356207 = 8.648237
                // ideal: 7 + 3/log2(3) + 3/2 + 1/log2(5) = 7 + 1.892789 + 1.5 + 0.430677 = 10.823466
                "nDCG[exp]@10 | 0.799026",
                "nDCG[from=2]@10 | 0.733838", // (3 + 0.861353) / 5.261860
                // rank 1: 1; rank 4: 1 - 1/3; rank 6: 1 - 2/3; over R = 4, min(R, N) = 3
                "bpref | 0.5",
                "Coverage@5 | 0.8",
                "Coverage@10 | 0.714286", // 5 of the 7 that were ranked
            })
    void areAsWorkedByHand(String measure, double expected) {
        assertThat(Measure.of(measure).of(RANKING)).isEqualTo(expected, within(1e-6));
    }

    /** Buckley and Voorhees 2004 divide by R; with fewer non-relevant than relevant judged, by N. Here R = 2, N = 1. */
    @Test
    void bprefCountsAtMostAsManyNonRelevantAsThereAreRelevant() {
        assertThat(Measure.of("bpref").of(new JudgedRanking(new int[] {0, 1, 1}, new int[] {0, 1, 1})))
                .isEqualTo(0.0);
        // R = 1, N = 2: of the two non-relevant above it one counts, so 1 - min(2, 1) / min(1, 2) = 0.
        assertThat(Measure.of("bpref").of(new JudgedRanking(new int[] {0, 0, 1}, new int[] {0, 0, 1})))
                .isEqualTo(0.0);
        assertThat(Measure.of("bpref").of(new JudgedRanking(new int[] {1, U, 1}, new int[] {1, 1})))
                .isEqualTo(1.0);
    }

    @Test
    void anEmptyRankingOrATopicWithoutRelevantDocumentsIsZero() {
        for (Measure measure : Measure.list("P@5, R@5, RR, AP, nDCG@10, nDCG[exp]@10, bpref, Coverage@10")) {
            assertThat(measure.of(new JudgedRanking(new int[0], new int[] {2, 0})))
                    .as(measure.name())
                    .isZero();
            if (!measure.name().startsWith("Coverage")) {
                assertThat(measure.of(new JudgedRanking(new int[] {0, U}, new int[] {0})))
                        .as(measure.name())
                        .isZero();
            }
        }
    }

    @Test
    void namesAreReadWithOptionsAndCutoffs() {
        assertThat(Measure.list("nDCG[exp, from=2]@10 , AP,P[from=3]@5").stream()
                        .map(Measure::name))
                .containsExactly("nDCG[exp,from=2]@10", "AP", "P[from=3]@5");
        assertThat(Measure.of("nDCG@10").cutoff()).isEqualTo(10);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "ndcg@10 | the measure 'ndcg@10' is not known; known are: nDCG, AP, P, R, RR, bpref, Coverage",
                "Covrage@10 | the measure 'Covrage@10' is not known; did you mean 'Coverage'?",
                "P | the measure 'P' is not known; it needs a cutoff: P@10",
                "bpref@10 | the measure 'bpref@10' is not known; bpref has no cutoff",
                "P@0 | the measure 'P@0' is not known; a cutoff is 1 or more",
                "AP[exp] | the measure 'AP[exp]' is not known; the option 'exp' is unknown here; known are from=GRADE, and for"
                        + " nDCG exp",
                "@10 | the measure '@10' is not known; write a name, options in brackets if any, and a cutoff: nDCG[exp]@10",
            })
    void wrongNamesAreRefusedWithWhatToWrite(String name, String message) {
        assertThatThrownBy(() -> Measure.of(name))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessage(message);
    }

    /** The definitions once more, over lists of objects, as slow and as plain as can be. */
    @Property
    void agreeWithTheirDefinitions(
            @ForAll @IntRange(max = 30) int ranked,
            @ForAll @IntRange(max = 20) int missed,
            @ForAll @IntRange(min = 1, max = 15) int k,
            @ForAll long seed) {
        Random random = new Random(seed);
        List<Integer> run = new ArrayList<>();
        List<Integer> judged = new ArrayList<>();
        for (int i = 0; i < ranked; i++) {
            int grade = random.nextInt(3) == 0 ? U : random.nextInt(5) - 1;
            run.add(grade);
            if (grade != U) {
                judged.add(grade);
            }
        }
        for (int i = 0; i < missed; i++) {
            judged.add(random.nextInt(5) - 1);
        }
        JudgedRanking ranking = new JudgedRanking(
                run.stream().mapToInt(Integer::intValue).toArray(),
                judged.stream().mapToInt(Integer::intValue).toArray());
        List<Integer> top = run.subList(0, Math.min(k, ranked));
        long relevant = judged.stream().filter(grade -> grade >= 1).count();
        assertThat(Measure.of("P@" + k).of(ranking)).isEqualTo(count(top) / (double) k, within(1e-12));
        assertThat(Measure.of("R@" + k).of(ranking))
                .isEqualTo(relevant == 0 ? 0 : count(top) / (double) relevant, within(1e-12));
        double precisions = 0;
        double bpref = 0;
        for (int i = 0; i < ranked; i++) {
            if (run.get(i) >= 1) {
                precisions += count(run.subList(0, i + 1)) / (double) (i + 1);
                long above = run.subList(0, i).stream()
                        .filter(grade -> grade != U && grade < 1)
                        .count();
                long others = judged.size() - relevant;
                bpref += above == 0 ? 1 : 1 - Math.min(above, relevant) / (double) Math.min(relevant, others);
            }
        }
        assertThat(Measure.of("AP").of(ranking)).isEqualTo(relevant == 0 ? 0 : precisions / relevant, within(1e-12));
        assertThat(Measure.of("bpref").of(ranking)).isEqualTo(relevant == 0 ? 0 : bpref / relevant, within(1e-12));
        judged.sort(Collections.reverseOrder());
        double ideal = dcg(judged.subList(0, Math.min(k, judged.size())));
        assertThat(Measure.of("nDCG@" + k).of(ranking)).isEqualTo(ideal == 0 ? 0 : dcg(top) / ideal, within(1e-12));
    }

    private static long count(List<Integer> grades) {
        return grades.stream().filter(grade -> grade >= 1).count();
    }

    private static double dcg(List<Integer> grades) {
        double dcg = 0;
        for (int i = 0; i < grades.size(); i++) {
            dcg += Math.max(0, grades.get(i)) * Math.log(2) / Math.log(i + 2.0);
        }
        return dcg;
    }
}
