/**
 * Knobs and optimisers. Knows nothing of the index: an objective is a function of numbers.
 *
 * <p>How data flows here: some {@link org.catalexis.tune.Knob}s and a start go into a {@link org.catalexis.tune.Tuner}, which
 * asks the objective for the value of one setting after the other, tells each {@link org.catalexis.tune.Trial} to whoever
 * watches, and returns the best.
 */
@NullMarked
package org.catalexis.tune;

import org.jspecify.annotations.NullMarked;
