package org.catalexis.measure;

/**
 * How far {@code document} answers {@code topic}, as a rater saw it.
 *
 * @param grade 0 or below means not relevant
 * @since 0.1
 */
public record Judgment(String topic, String document, int grade) {
    /** Checks the ids. */
    public Judgment {
        if (topic.isBlank() || document.isBlank()) {
            throw new IllegalArgumentException(
                    "topic is '" + topic + "', document is '" + document + "'; give both, neither blank");
        }
    }
}
