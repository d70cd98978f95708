package org.catalexis.experiment;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;
import java.util.function.ToDoubleFunction;
import org.catalexis.document.Schema;
import org.catalexis.measure.Comparison;
import org.catalexis.measure.Evaluation;
import org.catalexis.measure.Judgments;
import org.catalexis.measure.Measure;
import org.catalexis.measure.Topics;
import org.catalexis.score.Ranker;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Nearest;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.tune.Knob;
import org.catalexis.tune.Trial;
import org.catalexis.tune.Tuner;

/**
 * Tunes the numbers of a ranker on training topics, and tells what they do on topics that were held out.
 *
 * @since 0.1
 */
public final class RankerTuning {
    /** How deep a ranking is where the measure has no cutoff. */
    private static final int DEPTH = 1000;

    private final Experiment experiment;
    private final Schema schema;
    private final Judgments judgments;
    private final Measure measure;
    private final Topics train;
    private final Topics test;
    private final Ranker untouched;
    private final Settings settings;

    /**
     * A tuning of {@code ranker} by {@code measure}.
     *
     * @throws IllegalArgumentException if the training and the held-out topics share one, or either has none with a relevant
     *     judgment
     */
    public RankerTuning(
            Experiment experiment,
            Schema schema,
            Judgments judgments,
            Measure measure,
            Topics train,
            Topics test,
            Ranker ranker) {
        this.experiment = experiment;
        this.schema = schema;
        this.judgments = judgments;
        this.measure = measure;
        this.train = train;
        this.test = test;
        this.untouched = ranker;
        settings = Settings.of(
                Place.of("ranker " + ranker.name()), Map.of("rankers", Map.of(ranker.name(), ranker.plain())));
        List<String> shared = train.ids().stream().filter(test.ids()::contains).toList();
        if (!shared.isEmpty()) {
            throw new IllegalArgumentException((shared.size() == 1 ? "a topic is" : shared.size() + " topics are")
                    + " both trained on and held out ("
                    + shared.get(0) + (shared.size() > 1 ? ", ..." : "")
                    + "); a held-out figure is honest only if they differ");
        }
        requireJudged(train, "training");
        requireJudged(test, "held-out");
    }

    private void requireJudged(Topics topics, String which) {
        if (topics.ids().stream().noneMatch(judgments::hasRelevant)) {
            throw new IllegalArgumentException("none of the " + topics.ids().size() + " " + which
                    + " topics has a relevant judgment; nothing can be measured on them");
        }
    }

    /** The numbers of the ranker that may be tuned: path to value. */
    public Map<String, Double> numbers() {
        Map<String, Double> numbers = new java.util.LinkedHashMap<>();
        gather(settings, numbers);
        return numbers;
    }

    private static void gather(Settings node, Map<String, Double> numbers) {
        for (Settings member : node.members().values()) {
            if (member.hasMembers()) {
                gather(member, numbers);
            } else if (member.isNumber()) {
                numbers.put(member.path(), member.number(-Double.MAX_VALUE, Double.MAX_VALUE));
            }
        }
    }

    /**
     * All numbers of the ranker as knobs with usual ranges: k1 0 to 4, b 0 to 1, field weights 0 to 10 (or to twice their
     * value). The last field's weight stays: only the weights' ratios matter to a ranking.
     */
    public List<Knob> proposedKnobs() {
        List<Knob> knobs = new ArrayList<>();
        List<String> fields = untouched.weights().keySet().stream()
                .filter(field -> untouched.weights().getOrDefault(field, 0.0) > 0)
                .toList();
        String fixed =
                fields.isEmpty() ? "" : "rankers." + untouched.name() + ".fields." + fields.get(fields.size() - 1);
        numbers().forEach((path, value) -> {
            if (path.equals(fixed)) {
                return;
            }
            double high = path.endsWith(".b") ? 1 : Math.max(path.endsWith(".k1") ? 4 : 10, 2 * value);
            knobs.add(new Knob(path, 0, high));
        });
        return knobs;
    }

    /** The ranker with other numbers. */
    private Ranker with(List<Knob> knobs, List<Double> values) {
        Settings changed = settings;
        for (int i = 0; i < knobs.size(); i++) {
            changed = changed.with(knobs.get(i).path(), values.get(i));
        }
        return Ranker.of(changed.at("rankers." + untouched.name()).orElseThrow(), schema);
    }

    /**
     * Looks for the best setting of {@code knobs}.
     *
     * @param search {@link Tuner#ascend} or {@link Tuner#grid} with their further arguments
     * @param watcher told of each trial
     * @param seed of the paired test
     * @throws BadInputException if a knob names no number of the ranker, or its range goes beyond what that may be
     */
    public Outcome tune(List<Knob> knobs, Search search, Consumer<Trial> watcher, long seed) {
        Map<String, Double> numbers = numbers();
        List<Double> start = new ArrayList<>();
        for (Knob knob : knobs) {
            Double value = numbers.get(knob.path());
            if (value == null) {
                throw new BadInputException(
                        Place.of("--knob"),
                        "'" + knob.path() + "' is no number of the ranker '" + untouched.name() + "'",
                        Nearest.hint(knob.path(), numbers.keySet()));
            }
            start.add(value);
        }
        with(knobs, knobs.stream().map(Knob::low).toList());
        with(knobs, knobs.stream().map(Knob::high).toList());
        Trial best = search.run(
                knobs, start, values -> measured(with(knobs, values), train).mean(0), watcher);
        Ranker tuned = with(knobs, best.setting());
        return new Outcome(
                knobs,
                start,
                best,
                tuned,
                measured(untouched, train),
                measured(tuned, train),
                measured(untouched, test),
                measured(tuned, test),
                seed);
    }

    private Evaluation measured(Ranker ranker, Topics topics) {
        int depth = Math.min(DEPTH, measure.cutoff());
        return Evaluation.of(
                experiment.rank(ranker, topics, depth, done -> {}), judgments, topics.ids(), List.of(measure));
    }

    /** A way to look for the best setting. */
    public interface Search {
        /** Tries settings and returns the best trial. */
        Trial run(
                List<Knob> knobs,
                List<Double> start,
                ToDoubleFunction<List<Double>> objective,
                Consumer<Trial> watcher);
    }

    /**
     * What came of a tuning.
     *
     * @param start the knobs' values in the untouched ranker
     * @param best the best trial on the training topics
     * @param tuned the ranker with these values
     * @param trainBefore the untouched ranker on the training topics
     * @param trainAfter the tuned one on them
     * @param testBefore the untouched ranker on the held-out topics
     * @param testAfter the tuned one on them
     * @param seed of the paired test
     */
    public record Outcome(
            List<Knob> knobs,
            List<Double> start,
            Trial best,
            Ranker tuned,
            Evaluation trainBefore,
            Evaluation trainAfter,
            Evaluation testBefore,
            Evaluation testAfter,
            long seed) {
        /** Copies the lists. */
        public Outcome {
            knobs = List.copyOf(knobs);
            start = List.copyOf(start);
        }

        /** The paired test on the held-out topics: tuned against untouched. */
        public Comparison heldOut() {
            return Comparison.of(testBefore.values(0), testAfter.values(0), seed);
        }

        /** {@code better}, {@code worse}, or {@code no evidence that it is better}: on the held-out topics, p below 0.05. */
        public String verdict() {
            Comparison test = heldOut();
            if (test.p() >= 0.05 || test.difference() == 0) {
                return "no evidence that it is better";
            }
            return test.difference() > 0 ? "better" : "worse";
        }
    }
}
