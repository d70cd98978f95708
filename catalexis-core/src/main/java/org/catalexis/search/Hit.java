package org.catalexis.search;

/**
 * A document in a ranking.
 *
 * @param rank from 1
 * @param id the document's
 * @param score what the ranker gives it
 * @since 0.1
 */
public record Hit(int rank, String id, double score) {}
