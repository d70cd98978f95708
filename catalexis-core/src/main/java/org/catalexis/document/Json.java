package org.catalexis.document;

import com.fasterxml.jackson.core.JsonFactory;
import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonParser;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.core.JsonToken;
import com.fasterxml.jackson.core.StreamReadConstraints;
import com.fasterxml.jackson.core.StreamReadFeature;
import com.fasterxml.jackson.core.StreamWriteFeature;
import com.fasterxml.jackson.core.util.DefaultPrettyPrinter;
import java.io.IOException;
import java.io.StringWriter;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * JSON (RFC 8259) as plain objects: Map, List, String, Long, Double, Boolean, null. Members keep their order.
 *
 * @since 0.1
 */
public final class Json {
    /** Bounds on what is read: nesting of 100, a string of 512 MiB; a member twice in one object is a fault. */
    public static final JsonFactory FACTORY = JsonFactory.builder()
            .streamReadConstraints(StreamReadConstraints.builder()
                    .maxNestingDepth(100)
                    .maxStringLength(1 << 29)
                    .maxNameLength(10_000)
                    .build())
            .enable(StreamReadFeature.STRICT_DUPLICATE_DETECTION)
            .enable(StreamWriteFeature.USE_FAST_DOUBLE_WRITER) // digits that do not depend on the JDK
            .build();

    private Json() {}

    /**
     * Reads one JSON value, and nothing after it, from UTF-8 bytes.
     *
     * @throws IOException if the bytes are not JSON; the message says where
     */
    public static @Nullable Object parse(byte[] utf8) throws IOException {
        try (JsonParser parser = FACTORY.createParser(utf8)) {
            parser.nextToken();
            Object value = value(parser);
            if (parser.nextToken() != null) {
                throw new IOException("something follows the JSON value, at column "
                        + parser.currentTokenLocation().getColumnNr());
            }
            return value;
        }
    }

    /** The value at which {@code parser} stands; leaves it on the value's last token. */
    public static @Nullable Object value(JsonParser parser) throws IOException {
        JsonToken token = parser.currentToken();
        if (token == null) {
            throw new IOException("the JSON text is empty");
        }
        switch (token) {
            case START_OBJECT:
                Map<String, @Nullable Object> members = new LinkedHashMap<>();
                while (parser.nextToken() != JsonToken.END_OBJECT) {
                    String name = parser.currentName();
                    parser.nextToken();
                    members.put(name, value(parser));
                }
                return members;
            case START_ARRAY:
                List<@Nullable Object> items = new ArrayList<>();
                while (parser.nextToken() != JsonToken.END_ARRAY) {
                    items.add(value(parser));
                }
                return items;
            case VALUE_NUMBER_INT:
                // Beyond 64 bits a whole number is read as a double, as RFC 8259 section 6 lets readers do.
                return parser.getNumberType() == JsonParser.NumberType.BIG_INTEGER
                        ? (Object) parser.getDoubleValue()
                        : (Object) parser.getLongValue();
            case VALUE_NUMBER_FLOAT:
                return parser.getDoubleValue();
            case VALUE_TRUE:
                return true;
            case VALUE_FALSE:
                return false;
            case VALUE_NULL:
                return null;
            default:
                return parser.getText();
        }
    }

    /** {@code value} as JSON in one line. */
    public static String write(@Nullable Object value) {
        return write(value, false);
    }

    /** {@code value} as indented JSON. */
    public static String writePretty(@Nullable Object value) {
        return write(value, true);
    }

    private static String write(@Nullable Object value, boolean pretty) {
        StringWriter out = new StringWriter();
        try (JsonGenerator generator = FACTORY.createGenerator(out)) {
            if (pretty) {
                generator.setPrettyPrinter(new DefaultPrettyPrinter());
            }
            write(generator, value);
        } catch (IOException e) {
            throw new UncheckedIOException("a StringWriter does not fail", e);
        }
        return out.toString();
    }

    private static void write(JsonGenerator out, @Nullable Object value) throws IOException {
        if (value instanceof Map<?, ?> members) {
            out.writeStartObject();
            for (Map.Entry<?, ?> member : members.entrySet()) {
                out.writeFieldName(String.valueOf(member.getKey()));
                write(out, member.getValue());
            }
            out.writeEndObject();
        } else if (value instanceof List<?> items) {
            out.writeStartArray();
            for (Object item : items) {
                write(out, item);
            }
            out.writeEndArray();
        } else if (value instanceof Long number) {
            out.writeNumber(number);
        } else if (value instanceof Integer number) {
            out.writeNumber(number);
        } else if (value instanceof Double number) {
            if (number.isNaN() || number.isInfinite()) { // JSON has no such numbers
                out.writeNull();
            } else {
                out.writeNumber(number);
            }
        } else if (value instanceof Boolean yes) {
            out.writeBoolean(yes);
        } else if (value == null) {
            out.writeNull();
        } else {
            out.writeString(value.toString());
        }
    }

    /** What a parser complains of, in one line without the parser's talk of its source. */
    public static String complaint(IOException fault) {
        String message = fault instanceof JsonProcessingException json ? json.getOriginalMessage() : fault.getMessage();
        return String.valueOf(message).lines().findFirst().orElse("unreadable");
    }
}
