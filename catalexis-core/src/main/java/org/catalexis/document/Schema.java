package org.catalexis.document;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.catalexis.settings.Nearest;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;

/**
 * The fields of a collection, in the order of the project file: the order in which their contributions to a score are
 * summed.
 *
 * @param key the member that identifies a document; {@code id} if the project file names no other
 * @param fields at least one of them of kind text
 * @since 0.1
 */
public record Schema(String key, List<Field> fields) {
    /** Copies the list; checks that names differ and that there is text to search. */
    public Schema {
        fields = List.copyOf(fields);
        if (fields.stream().map(Field::name).distinct().count() != fields.size()) {
            throw new IllegalArgumentException("two fields have one name; give each its own");
        }
        if (fields.stream().noneMatch(field -> field.kind() == FieldKind.TEXT)) {
            throw new IllegalArgumentException("no field is text; give one a pipeline with Field.text");
        }
    }

    /** A schema whose key is {@code id}. */
    public static Schema of(Field... fields) {
        return new Schema("id", List.of(fields));
    }

    /**
     * Reads {@code key}, {@code fields} and the pipelines that they name from a project's settings.
     *
     * @param pipelines all pipelines of the project by name
     * @throws org.catalexis.settings.BadInputException if a field is not as the project file's description says
     */
    public static Schema of(Settings project, Map<String, Pipeline> pipelines) {
        Settings group = project.need("fields");
        List<Field> fields = new ArrayList<>();
        for (Settings definition : group.members().values()) {
            fields.add(field(definition, pipelines));
        }
        if (fields.stream().noneMatch(field -> field.kind() == FieldKind.TEXT)) {
            throw group.fault("has no field of kind text", "add one: 'body: {kind: text, pipeline: NAME}'");
        }
        return new Schema(project.find("key").map(Settings::text).orElse("id"), fields);
    }

    private static Field field(Settings definition, Map<String, Pipeline> pipelines) {
        definition.allowOnly("kind", "pipeline");
        FieldKind kind = definition.need("kind").choice(FieldKind.byWord());
        if (kind != FieldKind.TEXT) {
            definition.find("pipeline").ifPresent(extra -> {
                throw extra.fault(
                        "is given for a field of kind " + kind.word(), "take it out; only text has a pipeline");
            });
            return Field.of(definition.name(), kind);
        }
        Settings named = definition.need("pipeline");
        Pipeline pipeline = pipelines.get(named.text());
        if (pipeline == null) {
            throw named.fault(
                    "names the unknown pipeline '" + named.text() + "'",
                    Nearest.hint(named.text(), pipelines.keySet()));
        }
        return Field.text(definition.name(), pipeline);
    }

    /** The field of that name. */
    public Optional<Field> find(String name) {
        return fields.stream().filter(field -> field.name().equals(name)).findFirst();
    }

    /** The text fields, in order. */
    public List<Field> textFields() {
        return fields.stream().filter(field -> field.kind() == FieldKind.TEXT).toList();
    }

    /** What an index depends on: each field's {@link Field#definition}, by name, in order. */
    public Map<String, String> definitions() {
        Map<String, String> definitions = new LinkedHashMap<>();
        fields.forEach(field -> definitions.put(field.name(), field.definition()));
        return definitions;
    }
}
