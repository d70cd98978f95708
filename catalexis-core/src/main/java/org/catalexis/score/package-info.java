/**
 * How much a match is worth.
 *
 * <p>How data flows here: a {@link org.catalexis.score.Ranker} is read from the project's settings; for each term and field
 * of a query its {@link org.catalexis.score.ScoringFunction} makes a scorer from the counts of the whole index, and the
 * search package hands that scorer arrays of term frequencies and field lengths.
 */
@NullMarked
package org.catalexis.score;

import org.jspecify.annotations.NullMarked;
