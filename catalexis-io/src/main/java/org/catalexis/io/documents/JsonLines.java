package org.catalexis.io.documents;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadFeature;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.LongConsumer;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Json;
import org.catalexis.document.Schema;
import org.catalexis.io.files.LineReader;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.jspecify.annotations.Nullable;

/**
 * Reads documents from JSON Lines: one object a line; blank lines are passed over.
 *
 * <p>A fault of a line (not JSON, no id, a value of the wrong kind) goes on the list, and reading goes on with the next line
 * until the list is full. One thread's.
 *
 * @since 0.1
 */
public final class JsonLines {
    /** As {@link Json#FACTORY}, but members of an object are not compared with each other: {@link #read} does that itself. */
    private static final JsonFactory FACTORY = Json.FACTORY
            .rebuild()
            .disable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .build();

    /** Distinct names of unsearched members that are counted; beyond, they are passed over without a count. */
    private static final int MOST_NAMES = 1000;

    private final String key;
    private final Map<String, Field> fields = new HashMap<>();
    private final @Nullable Set<String> only;
    private final Set<String> missing;
    private final Faults faults;
    private final Map<String, Long> unsearched = new TreeMap<>();
    private final Map<String, Place> seen = new HashMap<>();
    private long documents;

    /** Takes one document after the other. */
    public interface Taker {
        /** Takes a document. */
        void take(Document document) throws IOException;
    }

    /**
     * A reader for documents of a schema.
     *
     * @param only the ids of the documents to be read; all, if empty
     * @param faults where faults are put
     */
    public JsonLines(Schema schema, Optional<Set<String>> only, Faults faults) {
        key = schema.key();
        schema.fields().forEach(field -> fields.put(field.name(), field));
        this.only = only.orElse(null);
        missing = new HashSet<>(only.orElse(Set.of()));
        this.faults = faults;
    }

    /**
     * Reads all documents of a file.
     *
     * @param progress told, as it goes, of how many more bytes of the file were read
     * @throws BadInputException if there is no such file
     * @throws IOException if it cannot be read, or {@code taker} fails
     */
    public void read(Path file, Taker taker, LongConsumer progress) throws IOException {
        boolean any = false;
        try (LineReader lines = LineReader.open(file, progress)) {
            while (!faults.isFull() && lines.next()) {
                if (lines.isBlank()) {
                    continue;
                }
                any = true;
                Document document;
                try {
                    document = document(lines);
                    refuseRepeated(document);
                } catch (BadInputException fault) {
                    String line = new String(
                            lines.bytes(), lines.start(), lines.end() - lines.start(), StandardCharsets.UTF_8);
                    faults.add(fault, line);
                    continue;
                }
                if (only == null || only.contains(document.id())) {
                    missing.remove(document.id());
                    documents++;
                    taker.take(document);
                }
            }
        } catch (BadInputException fault) { // of the file as a whole: the gzip data, a line beyond all bounds
            faults.add(fault);
            return;
        }
        if (!any && !faults.isFull()) {
            faults.add(new BadInputException(
                    Place.of(file.toString()), "the file is empty", "write one JSON object a line into it"));
        }
    }

    /** Where bad lines are rejected, the second of two equal ids must be met before it is built: ids are kept for that. */
    private void refuseRepeated(Document document) {
        if (faults.rejects()) {
            Place before = seen.putIfAbsent(document.id(), document.origin());
            if (before != null) {
                throw new BadInputException(
                        document.origin(),
                        "the id '" + document.id() + "' was given already, at " + before,
                        "give each document an id of its own");
            }
        }
    }

    private Document document(LineReader line) throws IOException {
        byte[] json = Arrays.copyOfRange(line.bytes(), line.start(), line.end());
        Map<String, @Nullable Object> values = new LinkedHashMap<>();
        String id = null;
        try (JsonParser parser = FACTORY.createParser(json)) {
            if (parser.nextToken() != JsonToken.START_OBJECT) {
                throw line.fault(
                        "the line is not a JSON object", "write one object a line: {\"" + key + "\": \"...\", ...}");
            }
            while (parser.nextToken() != JsonToken.END_OBJECT) {
                String name = parser.currentName();
                parser.nextToken();
                Field field = fields.get(name);
                if (name.equals(key)) {
                    if (id != null) {
                        throw line.fault("the member '" + name + "' is there twice", "leave one of them");
                    }
                    id = id(parser, line);
                }
                if (field != null) {
                    if (values.containsKey(name)) {
                        throw line.fault("the member '" + name + "' is there twice", "leave one of them");
                    }
                    values.put(name, value(parser, field, line));
                } else if (!name.equals(key)) {
                    parser.skipChildren();
                    if (unsearched.size() < MOST_NAMES || unsearched.containsKey(name)) {
                        unsearched.merge(name, 1L, Long::sum);
                    }
                }
            }
            if (parser.nextToken() != null) {
                throw line.fault("something follows the JSON object", "write each object on a line of its own");
            }
        } catch (JsonProcessingException e) {
            throw notJson(line, e);
        }
        if (id == null) {
            throw line.fault("the document has no '" + key + "'", "give it one; it tells a document from all others");
        }
        return Document.read(id, values, json, line.place());
    }

    private String id(JsonParser parser, LineReader line) throws IOException {
        JsonToken token = parser.currentToken();
        if (token != JsonToken.VALUE_STRING && token != JsonToken.VALUE_NUMBER_INT) {
            throw line.fault("'" + key + "' is " + Json.write(Json.value(parser)), "write a text or a whole number");
        }
        String id = parser.getText();
        if (!Document.isId(id)) {
            throw line.fault(
                    "'" + key + "' is '" + id + "'",
                    "write a text that is not empty and holds no white space (runs and judgments are in columns)");
        }
        return id;
    }

    private static @Nullable Object value(JsonParser parser, Field field, LineReader line) throws IOException {
        Object value = Json.value(parser);
        Optional<String> fault = field.kind().fault(value);
        if (fault.isPresent()) {
            throw line.fault(
                    "'" + field.name() + "': " + fault.get(),
                    "mend the value, or the field's kind in the project file (now "
                            + field.kind().word() + ")");
        }
        return value;
    }

    private static BadInputException notJson(LineReader line, JsonProcessingException e) {
        int column = e.getLocation() == null ? 0 : Math.max(0, e.getLocation().getColumnNr());
        return new BadInputException(
                new Place(line.place().source(), line.place().line(), column),
                "the line is not JSON (" + Json.complaint(e) + ")",
                "write one complete object a line",
                e);
    }

    /** How many documents were read and taken. */
    public long documents() {
        return documents;
    }

    /** Members that are no fields, by name: in how many documents they stand. They are kept, not searched. */
    public Map<String, Long> unsearched() {
        return java.util.Collections.unmodifiableMap(unsearched);
    }

    /** Ids that were asked for and not met. */
    public Set<String> missing() {
        return java.util.Collections.unmodifiableSet(missing);
    }
}
