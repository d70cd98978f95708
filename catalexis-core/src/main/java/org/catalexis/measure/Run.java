package org.catalexis.measure;

import java.util.LinkedHashMap;
import java.util.Map;

/**
 * Ranked documents for each topic, from one setting. Immutable.
 *
 * @param tag what the run calls itself; the ranker's name, where Catalexis made it
 * @param topics the ranked documents by topic
 * @since 0.1
 */
public record Run(String tag, Map<String, RankedList> topics) {
    /** Copies the map, keeping its order. */
    public Run {
        topics = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(topics));
    }

    /** The documents for a topic; none if the run lacks it. */
    public RankedList of(String topic) {
        return topics.getOrDefault(topic, RankedList.EMPTY);
    }
}
