package org.catalexis.search;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Schema;
import org.catalexis.text.Token;

/**
 * Search as one would explain it: everything is counted by hand for each word of each query, and BM25 is
 * written out from its formula. Slow, and as plain as can be.
 */
final class NaiveSearch {
    private final Schema schema;
    private final List<Document> documents;
    private final Map<String, List<String>> known = new HashMap<>();

    NaiveSearch(Schema schema, List<Document> documents) {
        this.schema = schema;
        this.documents = documents;
    }

    /** Kept, as a query asks for them again and again. */
    private List<String> terms(Field field, Document document) {
        return known.computeIfAbsent(field.name() + " " + document.id(), any -> {
            List<String> terms = new ArrayList<>();
            for (String text : document.texts(field.name())) {
                field.pipeline().tokens(text).stream().map(Token::text).forEach(terms::add);
            }
            return terms;
        });
    }

    List<Hit> rank(String query, Map<String, Double> weights, double k1, double b) {
        Map<String, Double> scores = new HashMap<>();
        for (int word = 0; word < 1000; word++) { // no query of the tests is longer
            for (Field field : schema.textFields()) {
                Map<String, Integer> counts = new LinkedHashMap<>();
                field.pipeline().tokens(query).forEach(token -> counts.merge(token.text(), 1, Integer::sum));
                List<String> distinct = new ArrayList<>(counts.keySet());
                if (weights.containsKey(field.name()) && word < distinct.size()) {
                    String term = distinct.get(word);
                    double weight = weights.getOrDefault(field.name(), 0.0) * counts.getOrDefault(term, 0);
                    add(scores, field, term, weight, k1, b);
                }
            }
        }
        List<Map.Entry<String, Double>> order = new ArrayList<>(scores.entrySet());
        order.sort((x, y) -> {
            int byScore = Double.compare(y.getValue(), x.getValue());
            return byScore != 0
                    ? byScore
                    : Arrays.compareUnsigned(
                            x.getKey().getBytes(StandardCharsets.UTF_8),
                            y.getKey().getBytes(StandardCharsets.UTF_8));
        });
        List<Hit> hits = new ArrayList<>();
        for (Map.Entry<String, Double> entry : order) {
            hits.add(new Hit(hits.size() + 1, entry.getKey(), entry.getValue()));
        }
        return hits;
    }

    private void add(Map<String, Double> scores, Field field, String term, double weight, double k1, double b) {
        double having = 0;
        double tokens = 0;
        double df = 0;
        for (Document document : documents) {
            List<String> terms = terms(field, document);
            tokens += terms.size();
            having += terms.isEmpty() ? 0 : 1;
            df += terms.contains(term) ? 1 : 0;
        }
        double avglen = tokens / having;
        double idf = StrictMath.log(1 + (documents.size() - df + 0.5) / (df + 0.5));
        for (Document document : documents) {
            List<String> terms = terms(field, document);
            double tf = terms.stream().filter(term::equals).count();
            if (tf > 0) {
                double score = idf * (tf * (k1 + 1) / (tf + k1 * (1 - b + b * (terms.size() / avglen))));
                scores.merge(document.id(), score * weight, Double::sum);
            }
        }
    }
}
