package org.catalexis.score;

import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.document.Field;
import org.catalexis.document.FieldKind;
import org.catalexis.document.Schema;
import org.catalexis.settings.Nearest;
import org.catalexis.settings.Settings;

/**
 * How documents are ranked: a scoring function, and what a match in each field is worth. A document's score is the sum, over
 * the query's words and these fields, of the field's weight times the function's score.
 *
 * @param name as in the project file
 * @param function what a match is worth
 * @param weights the fields that are searched, with weights of 0 or more. A field of weight 0 is searched too: its matches
 *     are found, and add nothing
 * @since 0.1
 */
public record Ranker(String name, ScoringFunction function, Map<String, Double> weights) {
    /** The highest field weight that is taken. */
    private static final double MOST_WEIGHT = 1e6;

    /** Copies the weights, keeping their order; checks that there are some and that none is negative. */
    public Ranker {
        if (weights.isEmpty()) {
            throw new IllegalArgumentException("weights is empty; name at least one text field");
        }
        weights.forEach((field, weight) -> {
            if (!(weight >= 0 && weight <= MOST_WEIGHT)) {
                throw new IllegalArgumentException(
                        "the weight of " + field + " is " + weight + "; use a number from 0 to 1000000");
            }
        });
        weights = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(weights));
    }

    /**
     * Reads {@code {score: {bm25: {k1: 1.2, b: 0.75}}, fields: {title: 2.0, body: 1.0}}}. What is left out is as usual: BM25
     * with its usual numbers, all text fields with weight 1.
     *
     * @throws org.catalexis.settings.BadInputException if it holds something else
     */
    public static Ranker of(Settings definition, Schema schema) {
        definition.allowOnly("score", "fields");
        ScoringFunction function =
                definition.find("score").map(Ranker::function).orElse(Bm25.DEFAULT);
        List<String> known = schema.textFields().stream().map(Field::name).toList();
        Map<String, Double> given = new LinkedHashMap<>();
        definition.find("fields").ifPresent(fields -> fields.members().forEach((field, weight) -> {
            if (!known.contains(field)) {
                boolean other = schema.find(field).isPresent();
                throw weight.fault(
                        other ? "is not a text field" : "is not a field",
                        other
                                ? "only fields of kind " + FieldKind.TEXT.word() + " are ranked"
                                : Nearest.hint(field, known));
            }
            given.put(field, weight.number(0, MOST_WEIGHT));
        }));
        Map<String, Double> weights = new LinkedHashMap<>();
        for (String field : known) { // schema order: the order of summing
            if (given.isEmpty() || given.containsKey(field)) {
                weights.put(field, given.getOrDefault(field, 1.0));
            }
        }
        return new Ranker(definition.name(), function, weights);
    }

    private static ScoringFunction function(Settings score) {
        return score.named((word, argument) -> {
            if (!word.equals("bm25")) {
                throw score.fault(
                        "names the unknown scoring function '" + word + "'", Nearest.hint(word, List.of("bm25")));
            }
            Settings numbers = argument.orElse(Settings.of(score.place(), Map.of()));
            numbers.allowOnly("k1", "b");
            double k1 = numbers.find("k1")
                    .map(value -> value.number(0, Bm25.MOST_K1))
                    .orElse(Bm25.DEFAULT.k1());
            double b = numbers.find("b").map(value -> value.number(0, 1)).orElse(Bm25.DEFAULT.b());
            return new Bm25(k1, b);
        });
    }

    /** This ranker as a project file holds it, every number written out, in plain maps; {@link #of} reads it back. */
    public Map<String, Object> plain() {
        Map<String, Object> plain = new LinkedHashMap<>();
        if (function instanceof Bm25 bm25) {
            Map<String, Object> numbers = new LinkedHashMap<>();
            numbers.put("k1", bm25.k1());
            numbers.put("b", bm25.b());
            plain.put("score", Map.of("bm25", numbers));
        }
        plain.put("fields", weights);
        return plain;
    }
}
