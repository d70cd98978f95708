/**
 * Topics, judgments, runs, measures and paired tests. Knows nothing of the index: it works on anybody's runs.
 *
 * <p>How data flows here: a {@link org.catalexis.measure.Run} and {@link org.catalexis.measure.Judgments} become, topic by
 * topic, a {@link org.catalexis.measure.JudgedRanking} of plain arrays; each {@link org.catalexis.measure.Measure} makes a
 * number of it; an {@link org.catalexis.measure.Evaluation} holds these numbers, {@link org.catalexis.measure.Bootstrap}
 * puts intervals on their means, and a {@link org.catalexis.measure.Comparison} tests two sets of them against each other.
 */
@NullMarked
package org.catalexis.measure;

import org.jspecify.annotations.NullMarked;
