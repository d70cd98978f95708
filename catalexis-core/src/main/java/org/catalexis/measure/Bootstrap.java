package org.catalexis.measure;

import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/**
 * 95 % intervals of means over topics by the percentile bootstrap (Efron and Tibshirani, "An Introduction to the Bootstrap",
 * 1993, chapter 13): topics are drawn with replacement, as many as there are, 10,000 times; the interval runs from the 2.5th
 * to the 97.5th percentile of the means. All columns (measures, runs) are drawn alike.
 *
 * @since 0.1
 */
public final class Bootstrap {
    private static final int ROUNDS = 10_000;
    private static final int TAIL = 250; // 2.5 % of the rounds

    private Bootstrap() {}

    /**
     * The interval of each column's mean.
     *
     * @param columns values by topic, all of one length
     * @param seed the same seed gives the same intervals, on every JDK
     */
    public static List<Interval> intervals(List<double[]> columns, long seed) {
        int width = columns.size();
        int topics = width == 0 ? 0 : columns.get(0).length;
        double[] rows = new double[topics * width]; // the values of one topic side by side: one gather a draw
        for (int c = 0; c < width; c++) {
            for (int t = 0; t < topics; t++) {
                rows[t * width + c] = columns.get(c)[t];
            }
        }
        double[][] means = new double[width][ROUNDS];
        double[] sums = new double[width];
        SplittableRandom random = new SplittableRandom(seed);
        for (int round = 0; round < ROUNDS && topics > 0; round++) {
            Arrays.fill(sums, 0);
            for (int i = 0; i < topics; i++) {
                int row = random.nextInt(topics) * width;
                for (int c = 0; c < width; c++) {
                    sums[c] += rows[row + c];
                }
            }
            for (int c = 0; c < width; c++) {
                means[c][round] = sums[c] / topics;
            }
        }
        Interval[] intervals = new Interval[width];
        for (int c = 0; c < width; c++) {
            Arrays.sort(means[c]);
            intervals[c] = new Interval(Evaluation.mean(columns.get(c)), means[c][TAIL], means[c][ROUNDS - 1 - TAIL]);
        }
        return List.of(intervals);
    }
}
