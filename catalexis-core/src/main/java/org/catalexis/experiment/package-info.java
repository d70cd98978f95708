/**
 * Ties search to measuring and tuning.
 *
 * <p>How data flows here: an {@link org.catalexis.experiment.Experiment} ranks all topics on an index into a run; a
 * {@link org.catalexis.experiment.RankerTuning} does so for one setting of a ranker after the other, measures each on the
 * training topics, and tells how the best does on the topics that were held out.
 */
@NullMarked
package org.catalexis.experiment;

import org.jspecify.annotations.NullMarked;
