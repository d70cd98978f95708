package org.catalexis.measure;

import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * The topics of a collection, in order, each id once. Immutable.
 *
 * @since 0.1
 */
public final class Topics {
    private final Map<String, Topic> byId = new LinkedHashMap<>();

    /** Topics in the given order. */
    public Topics(Collection<Topic> topics) {
        for (Topic topic : topics) {
            if (byId.put(topic.id(), topic) != null) {
                throw new IllegalArgumentException(
                        "topic " + topic.id() + " is there twice; give each topic an id of its own");
            }
        }
    }

    /** All topics, in order. */
    public List<Topic> all() {
        return List.copyOf(byId.values());
    }

    /** Their ids, in order. */
    public Set<String> ids() {
        return java.util.Collections.unmodifiableSet(byId.keySet());
    }

    /** Those whose id is in {@code ids}, in the order of this. */
    public Topics only(Collection<String> ids) {
        return new Topics(
                byId.values().stream().filter(topic -> ids.contains(topic.id())).toList());
    }
}
