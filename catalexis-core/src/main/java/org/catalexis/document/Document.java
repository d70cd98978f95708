package org.catalexis.document;

import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.settings.Place;
import org.jspecify.annotations.Nullable;

/**
 * One unit of a collection: an id and named values. Immutable.
 *
 * <p>Values are as {@link Json} reads them. An index keeps a document's JSON text as it came, also the members that are no
 * fields.
 *
 * @since 0.1
 */
public final class Document {
    private final String id;
    private final Map<String, @Nullable Object> values;
    private final byte @Nullable [] json;
    private final Place origin;

    private Document(String id, Map<String, @Nullable Object> values, byte @Nullable [] json, Place origin) {
        if (!isId(id)) {
            throw new IllegalArgumentException(
                    "id is '" + id + "'; use a text that is not empty and holds no white space");
        }
        this.id = id;
        this.values = values;
        this.json = json;
        this.origin = origin;
    }

    /** A document without values yet; {@code new Document} by steps: {@code Document.of("g1").with("title", "Lamps")}. */
    public static Document of(String id) {
        return new Document(id, Map.of(), null, Place.of("(made in Java)"));
    }

    /**
     * A document as a reader found it.
     *
     * @param values the members that are fields
     * @param json the whole JSON object in UTF-8; not copied
     * @param origin the file and line it came from
     */
    public static Document read(String id, Map<String, @Nullable Object> values, byte[] json, Place origin) {
        return new Document(id, values, json, origin);
    }

    /** Whether {@code text} may be an id: runs and judgments are written in columns, so it holds no white space. */
    public static boolean isId(String text) {
        return !text.isEmpty() && text.chars().noneMatch(Character::isWhitespace);
    }

    /** A copy with one value more (or another). */
    public Document with(String field, Object value) {
        Map<String, @Nullable Object> more = new LinkedHashMap<>(values);
        more.put(field, value instanceof Integer number ? (Object) number.longValue() : value);
        return new Document(id, more, null, origin);
    }

    /** What tells it from all others. */
    public String id() {
        return id;
    }

    /** Where it came from. */
    public Place origin() {
        return origin;
    }

    /** The value of a field, or null if it has none. */
    public @Nullable Object value(String field) {
        return values.get(field);
    }

    /** The texts of a field: none, one, or the strings of a list. */
    public List<String> texts(String field) {
        Object value = values.get(field);
        if (value instanceof String text) {
            return List.of(text);
        }
        return value instanceof List<?> list
                ? list.stream()
                        .filter(String.class::isInstance)
                        .map(String.class::cast)
                        .toList()
                : List.of();
    }

    /** The document as a JSON object in UTF-8, for keeping; not to be written to. */
    public byte[] json() {
        if (json != null) {
            return json;
        }
        Map<String, @Nullable Object> all = new LinkedHashMap<>();
        all.put("id", id);
        all.putAll(values);
        return Json.write(all).getBytes(StandardCharsets.UTF_8);
    }
}
