package org.catalexis.measure;

import java.util.SplittableRandom;

/**
 * Two settings on the same topics, compared by the paired randomisation test (Fisher 1935; for retrieval: Smucker, Allan and
 * Carterette, "A comparison of statistical significance tests for information retrieval evaluation", 2007): were the two
 * alike, each topic's difference might as well have the other sign; p is the share of such relabellings whose mean
 * difference is at least as far from 0 as the one observed (two-sided).
 *
 * @param difference mean of second - first
 * @param p exact, over all 2^n relabellings, up to 16 topics; beyond from 100,000 random ones, as (b + 1) / (B + 1)
 * @param won topics where the second is better
 * @param lost topics where the first is better
 * @param tied topics where both are equal
 * @since 0.1
 */
public record Comparison(double difference, double p, int won, int lost, int tied) {
    private static final int EXACT_TOPICS = 16; // 65,536 relabellings
    private static final int ROUNDS = 100_000;

    /**
     * Compares values by topic, as many of the second as of the first.
     *
     * @param seed the same seed gives the same p, on every JDK
     */
    public static Comparison of(double[] first, double[] second, long seed) {
        if (first.length != second.length) {
            throw new IllegalArgumentException("there are " + first.length + " values and " + second.length
                    + "; a paired test needs one of each for every topic");
        }
        double[] differences = new double[first.length];
        int won = 0;
        int lost = 0;
        double scale = 0;
        for (int i = 0; i < first.length; i++) {
            differences[i] = second[i] - first[i];
            won += differences[i] > 0 ? 1 : 0;
            lost += differences[i] < 0 ? 1 : 0;
            scale += Math.abs(differences[i]);
        }
        double observed = Math.abs(sum(differences, 0));
        // Relabellings of equal sum must count as equal, in whatever order their addends were rounded.
        double bound = observed - 1e-12 * scale;
        double p = differences.length <= EXACT_TOPICS ? exact(differences, bound) : sampled(differences, bound, seed);
        return new Comparison(Evaluation.mean(differences), p, won, lost, first.length - won - lost);
    }

    private static double exact(double[] differences, double bound) {
        int all = 1 << differences.length;
        int far = 0;
        for (int signs = 0; signs < all; signs++) {
            far += Math.abs(sum(differences, signs)) >= bound ? 1 : 0;
        }
        return (double) far / all;
    }

    private static double sum(double[] differences, int signs) {
        double sum = 0;
        for (int i = 0; i < differences.length; i++) {
            sum += (signs >>> i & 1) == 0 ? differences[i] : -differences[i];
        }
        return sum;
    }

    private static double sampled(double[] differences, double bound, long seed) {
        SplittableRandom random = new SplittableRandom(seed);
        int far = 0;
        for (int round = 0; round < ROUNDS; round++) {
            double sum = 0;
            long signs = 0;
            for (int i = 0; i < differences.length; i++) {
                signs = i % 64 == 0 ? random.nextLong() : signs >>> 1;
                // Branch-free: the sign bit of the difference is flipped, or not.
                sum += Double.longBitsToDouble(Double.doubleToRawLongBits(differences[i]) ^ signs << 63);
            }
            far += Math.abs(sum) >= bound ? 1 : 0;
        }
        return (far + 1.0) / (ROUNDS + 1.0);
    }
}
