package org.catalexis.tune;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.function.Consumer;
import java.util.function.ToDoubleFunction;

/**
 * Looks for the setting of some knobs that an objective likes best. Deterministic: the same knobs, start, seed and objective
 * give the same trials. A setting is tried once; of equal values the earlier setting stays.
 *
 * @since 0.1
 */
public final class Tuner {
    private static final int POINTS = 7; // on a line, each level
    private static final int LEVELS = 3; // each looks at the third around the best point of the one before
    private static final int MOST_ROUNDS = 10;
    private static final int MOST_GRID = 100_000; // trials

    private final List<Knob> knobs;
    private final ToDoubleFunction<List<Double>> objective;
    private final Consumer<Trial> watcher;
    private final Map<List<Double>, Double> known = new HashMap<>();
    private Trial best;

    private Tuner(
            List<Knob> knobs, List<Double> start, ToDoubleFunction<List<Double>> objective, Consumer<Trial> watcher) {
        if (knobs.isEmpty() || knobs.size() != start.size()) {
            throw new IllegalArgumentException("there are " + knobs.size() + " knobs and " + start.size()
                    + " values to start from; give one for each");
        }
        this.knobs = List.copyOf(knobs);
        this.objective = objective;
        this.watcher = watcher;
        // The start is tried as it is, even outside of the ranges: the result is never worse than it.
        best = new Trial(1, start, objective.applyAsDouble(start));
        known.put(start, best.value());
        watcher.accept(best);
    }

    /**
     * Coordinate ascent: knob after knob, in an order drawn anew each round, a line search over its whole range (7 points, then
     * finer around the best one, three times), until a round brings nothing.
     *
     * @param start a value for each knob
     * @param objective the value of a setting; more is better
     * @param watcher told of each trial
     * @param seed of the order of the knobs
     * @return the best trial
     */
    public static Trial ascend(
            List<Knob> knobs,
            List<Double> start,
            ToDoubleFunction<List<Double>> objective,
            Consumer<Trial> watcher,
            long seed) {
        Tuner tuner = new Tuner(knobs, start, objective, watcher);
        Random random = new Random(seed);
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < knobs.size(); i++) {
            order.add(i);
        }
        for (int round = 0; round < MOST_ROUNDS; round++) {
            double before = tuner.best.value();
            Collections.shuffle(order, random);
            order.forEach(tuner::searchLine);
            if (tuner.best.value() <= before) {
                break;
            }
        }
        return tuner.best;
    }

    /**
     * Tries every combination of {@code steps} evenly spaced values a knob, both ends included, and the start.
     *
     * @param steps values a knob, at least 2; all combinations together at most 100,000
     */
    public static Trial grid(
            List<Knob> knobs,
            List<Double> start,
            ToDoubleFunction<List<Double>> objective,
            Consumer<Trial> watcher,
            int steps) {
        double all = Math.pow(steps, knobs.size());
        if (steps < 2 || all > MOST_GRID) {
            throw new IllegalArgumentException("a grid of " + steps + " steps over " + knobs.size() + " knobs has "
                    + (long) all + " points; use at least 2 steps, and at most " + MOST_GRID + " points");
        }
        Tuner tuner = new Tuner(knobs, start, objective, watcher);
        for (int point = 0; point < (int) all; point++) {
            List<Double> setting = new ArrayList<>();
            int rest = point;
            for (Knob knob : knobs) {
                setting.add(knob.at((double) (rest % steps) / (steps - 1)));
                rest /= steps;
            }
            tuner.attempt(setting);
        }
        return tuner.best;
    }

    private void searchLine(int knob) {
        Knob range = knobs.get(knob);
        double low = range.low();
        double high = range.high();
        for (int level = 0; level < LEVELS; level++) {
            double step = (high - low) / (POINTS - 1);
            for (int i = 0; i < POINTS; i++) {
                List<Double> setting = new ArrayList<>(best.setting());
                setting.set(knob, range.rounded(low + i * step));
                attempt(setting);
            }
            double centre = best.setting().get(knob);
            low = Math.max(range.low(), centre - step);
            high = Math.min(range.high(), centre + step);
        }
    }

    private void attempt(List<Double> setting) {
        if (known.containsKey(setting)) {
            return;
        }
        Trial trial = new Trial(known.size() + 1, setting, objective.applyAsDouble(setting));
        known.put(setting, trial.value());
        if (trial.value() > best.value()) {
            best = trial;
        }
        watcher.accept(trial);
    }
}
