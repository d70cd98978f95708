package org.catalexis.measure;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;

class EvaluationTest {
    private static final Judgments JUDGMENTS = new Judgments(List.of(
            new Judgment("t1", "a", 2),
            new Judgment("t1", "b", 0),
            new Judgment("t2", "a", 1),
            new Judgment("t3", "a", 0)));

    @Test
    void namesTheTopicsThatCountAsZeroAndThoseThatAreLeftOut() {
        Run run = new Run("r", Map.of("t1", new RankedList(List.of("b", "a"), new double[] {2, 1})));
        Evaluation evaluation =
                Evaluation.of(run, JUDGMENTS, List.of("t1", "t2", "t3", "t4"), Measure.list("RR, Coverage@1"));
        assertThat(evaluation.topics()).containsExactly("t1", "t2");
        assertThat(evaluation.missing()).containsExactly("t2");
        assertThat(evaluation.withoutRelevant()).containsExactly("t3", "t4");
        assertThat(evaluation.values(0)).containsExactly(0.5, 0);
        assertThat(evaluation.mean(0)).isEqualTo(0.25);
        assertThat(evaluation.mean(1)).isEqualTo(0.5);
    }

    @Test
    void theIntervalHoldsTheMeanAndIsTheSameEachTimeAndForEqualColumns() {
        Random random = new Random(3);
        double[] values = random.doubles(100).toArray();
        List<Interval> first = Bootstrap.intervals(List.of(values, values.clone()), 1);
        assertThat(first.get(0))
                .isEqualTo(first.get(1))
                .isEqualTo(Bootstrap.intervals(List.of(values), 1).get(0));
        double mean = Arrays.stream(values).average().orElse(0);
        assertThat(first.get(0).mean()).isEqualTo(mean, within(1e-12));
        // The normal approximation: 1.96 standard errors to each side.
        double variance =
                Arrays.stream(values).map(v -> (v - mean) * (v - mean)).sum() / 100;
        double half = 1.96 * Math.sqrt(variance / 100);
        assertThat(first.get(0).low()).isEqualTo(mean - half, within(half / 10));
        assertThat(first.get(0).high()).isEqualTo(mean + half, within(half / 10));
        assertThat(Bootstrap.intervals(List.of(new double[] {0.3}), 1).get(0)).isEqualTo(new Interval(0.3, 0.3, 0.3));
    }

    /**
     * Differences 1, 1, 1: of the 8 relabellings 2 (all plus, all minus) are as far from 0 as the observed one. Differences
     * 3, 1, -1: sums of +-3 +-1 +-1; 6 of 8 relabellings have a sum of 3 or more in size.
     */
    @Test
    void theRandomisationTestIsExactForFewTopics() {
        assertThat(Comparison.of(new double[3], new double[] {1, 1, 1}, 1)).isEqualTo(new Comparison(1, 0.25, 3, 0, 0));
        Comparison mixed = Comparison.of(new double[4], new double[] {3, 1, -1, 0}, 1);
        assertThat(mixed).isEqualTo(new Comparison(0.75, 0.75, 2, 1, 1));
        assertThat(Comparison.of(new double[5], new double[5], 1).p()).isEqualTo(1.0);
    }

    /** Twenty differences of 0.1: only 2 of 2^20 relabellings are as far, none of which 100,000 draws should meet. */
    @Test
    void theSampledTestNeverSaysZeroAndAgreesWithTheExactOne() {
        double[] better = new double[20];
        Arrays.fill(better, 0.1);
        assertThat(Comparison.of(new double[20], better, 1).p()).isBetween(1 / 100_001.0, 4 / 100_001.0);
        Random random = new Random(5);
        double[] first = random.doubles(16).toArray();
        double[] second = random.doubles(16).map(v -> v + 0.1).toArray();
        double exact = Comparison.of(first, second, 1).p();
        // The same 16 topics and one that is tied: it changes no sum, but takes the test past what is enumerated.
        double sampled = Comparison.of(Arrays.copyOf(first, 17), Arrays.copyOf(second, 17), 1)
                .p();
        assertThat(sampled).isEqualTo(exact, within(0.006)); // four standard errors of 100,000 draws
        assertThatThrownBy(() -> Comparison.of(new double[1], new double[2], 1))
                .hasMessage("there are 1 values and 2; a paired test needs one of each for every topic");
    }
}
