/**
 * Finds and ranks.
 *
 * <p>How data flows here: a {@link org.catalexis.search.Finder} makes the terms of a query by each field's pipeline, opens
 * their postings in each segment of the index, adds up what the ranker's scoring function gives, and returns the best as a
 * {@link org.catalexis.search.Ranking} of {@link org.catalexis.search.Hit}s.
 */
@NullMarked
package org.catalexis.search;

import org.jspecify.annotations.NullMarked;
