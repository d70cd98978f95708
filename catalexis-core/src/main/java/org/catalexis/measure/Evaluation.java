package org.catalexis.measure;

import java.util.ArrayList;
import java.util.Collection;
import java.util.List;

/**
 * The values of some measures for one run, topic by topic.
 *
 * <p>Topics without a relevant judgment are left out ({@link #withoutRelevant}); topics that the run lacks count as 0
 * ({@link #missing}).
 *
 * @since 0.1
 */
public final class Evaluation {
    private final String run;
    private final List<String> topics = new ArrayList<>();
    private final List<String> withoutRelevant = new ArrayList<>();
    private final List<String> missing = new ArrayList<>();
    private final List<Measure> measures;
    /** By measure, then topic. */
    private final double[][] values;

    private Evaluation(Run run, Judgments judgments, Collection<String> asked, List<Measure> measures) {
        this.run = run.tag();
        this.measures = List.copyOf(measures);
        for (String topic : asked) {
            if (!judgments.hasRelevant(topic)) {
                withoutRelevant.add(topic);
                continue;
            }
            topics.add(topic);
            if (!run.topics().containsKey(topic)) {
                missing.add(topic);
            }
        }
        values = new double[measures.size()][topics.size()];
        for (int t = 0; t < topics.size(); t++) {
            JudgedRanking ranking = JudgedRanking.of(run.of(topics.get(t)), judgments.of(topics.get(t)));
            for (int m = 0; m < values.length; m++) {
                values[m][t] = measures.get(m).of(ranking);
            }
        }
    }

    /** Evaluates {@code run} for the topics in {@code asked}. */
    public static Evaluation of(Run run, Judgments judgments, Collection<String> asked, List<Measure> measures) {
        return new Evaluation(run, judgments, asked, measures);
    }

    /** The run's tag. */
    public String run() {
        return run;
    }

    /** The topics that count, in the order asked. */
    public List<String> topics() {
        return java.util.Collections.unmodifiableList(topics);
    }

    /** Topics that were left out, since nothing relevant is known for them. */
    public List<String> withoutRelevant() {
        return java.util.Collections.unmodifiableList(withoutRelevant);
    }

    /** Topics that count as 0, since the run lacks them. */
    public List<String> missing() {
        return java.util.Collections.unmodifiableList(missing);
    }

    /** The measures. */
    public List<Measure> measures() {
        return measures;
    }

    /** The values of measure {@code m} by topic, in the order of {@link #topics}. A copy. */
    public double[] values(int m) {
        return values[m].clone();
    }

    /** The mean of measure {@code m} over the topics; 0 if there is none. */
    public double mean(int m) {
        return mean(values[m]);
    }

    /** The mean of some values, summed in their order; 0 if there is none. */
    static double mean(double[] values) {
        double sum = 0;
        for (double value : values) {
            sum += value;
        }
        return values.length == 0 ? 0 : sum / values.length;
    }
}
