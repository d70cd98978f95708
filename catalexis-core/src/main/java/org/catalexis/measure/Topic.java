package org.catalexis.measure;

/**
 * A need that documents are judged for, and the query that is run for it.
 *
 * @param id what judgments and runs call it; not blank
 * @param text the query
 * @since 0.1
 */
public record Topic(String id, String text) {
    /** Checks the id. */
    public Topic {
        if (id.isBlank()) {
            throw new IllegalArgumentException("the topic's id is blank; give each topic an id");
        }
    }
}
