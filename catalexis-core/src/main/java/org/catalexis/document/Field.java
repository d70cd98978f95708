package org.catalexis.document;

import org.catalexis.text.Pipeline;
import org.jspecify.annotations.Nullable;

/**
 * One named part of the documents.
 *
 * @since 0.1
 */
public final class Field {
    private final String name;
    private final FieldKind kind;
    private final @Nullable Pipeline pipeline;

    private Field(String name, FieldKind kind, @Nullable Pipeline pipeline) {
        this.name = name;
        this.kind = kind;
        this.pipeline = pipeline;
    }

    /** A text field, whose values become tokens by {@code pipeline}. */
    public static Field text(String name, Pipeline pipeline) {
        return new Field(name, FieldKind.TEXT, pipeline);
    }

    /** A field of any other kind. */
    public static Field of(String name, FieldKind kind) {
        if (kind == FieldKind.TEXT) {
            throw new IllegalArgumentException("kind is TEXT; use Field.text, which takes the pipeline");
        }
        return new Field(name, kind, null);
    }

    /** The member of a document that holds its values. */
    public String name() {
        return name;
    }

    /** What its values are. */
    public FieldKind kind() {
        return kind;
    }

    /** How its text becomes tokens; only a text field has one. */
    public Pipeline pipeline() {
        if (pipeline == null) {
            throw new IllegalStateException(
                    "field '" + name + "' is of kind " + kind.word() + "; only text has a pipeline");
        }
        return pipeline;
    }

    /** What of it an index depends on: kind, and for text the pipeline's definition. */
    public String definition() {
        return kind.word() + (pipeline == null ? "" : " {" + pipeline.definition() + "}");
    }
}
