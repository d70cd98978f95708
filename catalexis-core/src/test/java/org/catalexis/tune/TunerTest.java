package org.catalexis.tune;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import org.junit.jupiter.api.Test;

class TunerTest {
    private static final List<Knob> KNOBS = List.of(new Knob("x", 0, 4), new Knob("y", 0, 1));

    /** A smooth hill whose top is at (1.7, 0.3), with a slope in one knob that depends on the other. */
    private static double hill(List<Double> at) {
        double x = at.get(0) - 1.7;
        double y = at.get(1) - 0.3;
        return 1 - x * x - 4 * y * y - 0.8 * x * y;
    }

    @Test
    void coordinateAscentClimbsAHillAndTriesNoSettingTwice() {
        List<Trial> trials = new ArrayList<>();
        Trial best = Tuner.ascend(KNOBS, List.of(1.2, 0.75), TunerTest::hill, trials::add, 1);
        assertThat(best.setting().get(0)).isEqualTo(1.7, within(0.15));
        assertThat(best.setting().get(1)).isEqualTo(0.3, within(0.05));
        assertThat(new HashSet<>(trials.stream().map(Trial::setting).toList())).hasSameSizeAs(trials);
        assertThat(trials.get(0).setting()).containsExactly(1.2, 0.75);
        assertThat(trials.get(trials.size() - 1).number()).isEqualTo(trials.size());
    }

    @Test
    void theSameSeedGivesTheSameTrials() {
        List<Trial> first = new ArrayList<>();
        List<Trial> second = new ArrayList<>();
        Tuner.ascend(KNOBS, List.of(0.0, 0.0), TunerTest::hill, first::add, 9);
        Tuner.ascend(KNOBS, List.of(0.0, 0.0), TunerTest::hill, second::add, 9);
        assertThat(second).isEqualTo(first);
    }

    @Test
    void theStartStaysWhereNothingIsBetter() {
        assertThat(Tuner.ascend(KNOBS, List.of(1.2, 0.75), at -> 0.5, trial -> {}, 1)
                        .setting())
                .containsExactly(1.2, 0.75);
    }

    @Test
    void aGridTriesEachCombinationOnce() {
        List<Trial> trials = new ArrayList<>();
        Trial best = Tuner.grid(KNOBS, List.of(2.0, 0.5), TunerTest::hill, trials::add, 5);
        assertThat(trials).hasSize(25); // the start is a point of the grid
        assertThat(best.setting()).containsExactly(2.0, 0.25);
        assertThatThrownBy(() -> Tuner.grid(KNOBS, List.of(2.0, 0.5), TunerTest::hill, trials::add, 1000))
                .hasMessage(
                        "a grid of 1000 steps over 2 knobs has 1000000 points; use at least 2 steps, and at most 100000"
                                + " points");
    }

    @Test
    void aKnobsRangeIsTwoNumbersTheLowerOneFirst() {
        assertThatThrownBy(() -> new Knob("k", 2, 2))
                .hasMessage("the range of k is 2.0..2.0; give two numbers, the lower one first");
        assertThatThrownBy(() -> new Knob("k", Double.NaN, 2)).isInstanceOf(IllegalArgumentException.class);
    }
}
