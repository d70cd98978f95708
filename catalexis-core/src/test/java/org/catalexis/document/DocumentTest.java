package org.catalexis.document;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;
import org.junit.jupiter.api.Test;

class DocumentTest {
    private static final Pipeline PLAIN = Pipeline.of("plain", Settings.of(Place.of("test"), Map.of()));

    @Test
    void aDocumentMadeInJavaIsKeptAsJson() {
        Document document = Document.of("g1")
                .with("title", "Lamps \"B22\"")
                .with("views", 3)
                .with("tools", List.of("a", "b"));
        assertThat(new String(document.json(), StandardCharsets.UTF_8))
                .isEqualTo("{\"id\":\"g1\",\"title\":\"Lamps \\\"B22\\\"\",\"views\":3,\"tools\":[\"a\",\"b\"]}");
        assertThat(document.texts("tools")).containsExactly("a", "b");
        assertThat(document.texts("title")).containsExactly("Lamps \"B22\"");
        assertThat(document.texts("views")).isEmpty();
        assertThatThrownBy(() -> Document.of("a b"))
                .hasMessage("id is 'a b'; use a text that is not empty and holds no white space");
    }

    @Test
    void eachKindTakesItsValuesAndSaysWhatItWants() {
        assertThat(FieldKind.TEXT.fault("x")).isEmpty();
        assertThat(FieldKind.LABEL.fault(List.of("x", "y"))).isEmpty();
        assertThat(FieldKind.INTEGER.fault(7L)).isEmpty();
        assertThat(FieldKind.DECIMAL.fault(0.5)).isEmpty();
        assertThat(FieldKind.DATE.fault("2024-02-29")).isEmpty();
        assertThat(FieldKind.PLACE.fault(Map.of("lat", -90L, "lon", 180.0))).isEmpty();
        assertThat(FieldKind.FLAG.fault(true)).isEmpty();
        for (FieldKind kind : FieldKind.values()) {
            assertThat(kind.fault(null)).isEmpty(); // no value
            assertThat(FieldKind.byWord()).containsEntry(kind.word(), kind);
        }
        assertThat(FieldKind.INTEGER.fault(0.5)).contains("0.5 is not a whole number");
        assertThat(FieldKind.FLAG.fault("yes")).contains("\"yes\" is not true or false");
        assertThat(FieldKind.DATE.fault("2023-02-29")).contains("\"2023-02-29\" is not a day like \"2026-11-23\"");
        assertThat(FieldKind.LABEL.fault(List.of("x", 3L))).contains("3 is not a string or a list of strings");
        assertThat(FieldKind.TEXT.fault(Map.of("long", "x".repeat(100))))
                .isEqualTo(Optional.of("{\"long\":\"" + "x".repeat(48) + "... is not a string or a list of strings"));
    }

    @Test
    void aSchemaKeepsItsOrderAndRefusesWhatCannotBe() {
        Schema schema = Schema.of(Field.text("b", PLAIN), Field.of("n", FieldKind.INTEGER), Field.text("a", PLAIN));
        assertThat(schema.textFields().stream().map(Field::name)).containsExactly("b", "a");
        assertThat(schema.definitions())
                .containsExactly(
                        Map.entry("b", "text {fold: [], split: words, steps: []}"),
                        Map.entry("n", "integer"),
                        Map.entry("a", "text {fold: [], split: words, steps: []}"));
        assertThatThrownBy(() -> Schema.of(Field.of("n", FieldKind.INTEGER)))
                .hasMessage("no field is text; give one a pipeline with Field.text");
        assertThatThrownBy(() -> Schema.of(Field.text("a", PLAIN), Field.text("a", PLAIN)))
                .hasMessage("two fields have one name; give each its own");
        assertThatThrownBy(() -> Field.of("n", FieldKind.INTEGER).pipeline())
                .hasMessage("field 'n' is of kind integer; only text has a pipeline");
    }

    @Property
    void jsonComesBackAsItWasWritten(
            @ForAll List<String> texts, @ForAll long number, @ForAll double any, @ForAll boolean yes)
            throws IOException {
        Map<String, Object> value = new LinkedHashMap<>();
        for (String text : texts) {
            value.put(DocumentTest.whole(text), Arrays.asList(whole(text), number, null, yes));
        }
        value.put("any", Double.isFinite(any) ? any : 0.0);
        assertThat(Json.parse(Json.write(value).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(value);
        assertThat(Json.parse(Json.writePretty(value).getBytes(StandardCharsets.UTF_8)))
                .isEqualTo(value);
    }

    /** Lone surrogates have no UTF-8 form. */
    private static String whole(String text) {
        return text.codePoints()
                .filter(c -> c < 0xD800 || c > 0xDFFF)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }

    @Test
    void whatIsNotOneJsonValueIsRefused() {
        for (String text :
                List.of("", "{", "[1,]", "{} {}", "{\"a\":1,\"a\":2}", "nul", "\"\u0001\"", "[".repeat(200))) {
            assertThatThrownBy(() -> Json.parse(text.getBytes(StandardCharsets.UTF_8)))
                    .isInstanceOf(IOException.class);
        }
    }
}
