package org.catalexis.tune;

import java.util.List;

/**
 * One setting that was tried.
 *
 * @param number from 1
 * @param setting a value for each knob
 * @param value what the objective made of it; more is better
 * @since 0.1
 */
public record Trial(int number, List<Double> setting, double value) {
    /** Copies the list. */
    public Trial {
        setting = List.copyOf(setting);
    }
}
