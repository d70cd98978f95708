package org.catalexis.index;

import java.util.Map;

/**
 * What a build made.
 *
 * @param documents how many documents the index has now
 * @param segments in how many files
 * @param bytes the length of these files
 * @param tokens by text field
 * @param cutTokens tokens that were over {@link org.catalexis.text.TokenBatch#LONGEST} units, and were cut
 * @since 0.1
 */
public record BuildSummary(long documents, int segments, long bytes, Map<String, Long> tokens, long cutTokens) {}
