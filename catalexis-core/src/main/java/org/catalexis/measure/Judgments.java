package org.catalexis.measure;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/**
 * What raters said, by topic and document. Immutable.
 *
 * @since 0.1
 */
public final class Judgments {
    private final Map<String, Map<String, Integer>> grades = new LinkedHashMap<>();

    /** Judgments; of two for one topic and document the later counts. */
    public Judgments(Collection<Judgment> judgments) {
        for (Judgment judgment : judgments) {
            grades.computeIfAbsent(judgment.topic(), any -> new LinkedHashMap<>())
                    .put(judgment.document(), judgment.grade());
        }
    }

    /** The topics with at least one judgment, in the order of their first. */
    public Set<String> topics() {
        return java.util.Collections.unmodifiableSet(grades.keySet());
    }

    /** The grades of a topic by document; empty if it has no judgment. */
    public Map<String, Integer> of(String topic) {
        return java.util.Collections.unmodifiableMap(grades.getOrDefault(topic, Map.of()));
    }

    /** Whether a topic has a document of grade 1 or more. */
    public boolean hasRelevant(String topic) {
        return of(topic).values().stream().anyMatch(grade -> grade >= 1);
    }
}
