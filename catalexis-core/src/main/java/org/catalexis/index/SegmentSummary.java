package org.catalexis.index;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * What a segment says of itself, kept as JSON in its section {@code summary}.
 *
 * @param documents how many it holds
 * @param fields its text fields, in schema order
 * @param sources the files its documents came from; {@code origin-sources} holds indexes into this list
 */
record SegmentSummary(int documents, List<OfField> fields, List<String> sources) {
    /**
     * One text field in one segment.
     *
     * @param documents those that have the field
     * @param tokens sum of the lengths
     * @param terms distinct terms
     */
    record OfField(String name, long documents, long tokens, int terms) {}

    Map<String, Object> json() {
        List<Object> each = new ArrayList<>();
        for (OfField field : fields) {
            Map<String, Object> members = new LinkedHashMap<>();
            members.put("name", field.name);
            members.put("documents", field.documents);
            members.put("tokens", field.tokens);
            members.put("terms", field.terms);
            each.add(members);
        }
        Map<String, Object> members = new LinkedHashMap<>();
        members.put("documents", documents);
        members.put("fields", each);
        members.put("sources", sources);
        return members;
    }

    static SegmentSummary of(Object json) {
        Map<?, ?> members = (Map<?, ?>) json;
        List<OfField> fields = new ArrayList<>();
        for (Object each : (List<?>) java.util.Objects.requireNonNull(members.get("fields"))) {
            Map<?, ?> field = (Map<?, ?>) each;
            fields.add(new OfField(
                    String.valueOf(field.get("name")), number(field, "documents"), number(field, "tokens"), (int)
                            number(field, "terms")));
        }
        List<String> sources = ((List<?>) java.util.Objects.requireNonNull(members.get("sources")))
                .stream().map(String::valueOf).toList();
        return new SegmentSummary((int) number(members, "documents"), fields, sources);
    }

    static long number(Map<?, ?> members, String name) {
        return (long) java.util.Objects.requireNonNull((Long) members.get(name));
    }
}
