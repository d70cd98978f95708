package org.catalexis.search;

import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.catalexis.document.Schema;
import org.catalexis.index.FieldCounts;
import org.catalexis.index.Index;
import org.catalexis.index.PostingReader;
import org.catalexis.index.Segment;
import org.catalexis.index.SegmentField;
import org.catalexis.index.TermCounts;
import org.catalexis.query.Query;
import org.catalexis.score.Ranker;
import org.catalexis.score.ScoringFunction;
import org.catalexis.text.TokenBatch;
import org.catalexis.text.TokenReader;

/**
 * Runs queries on an index. One thread's: make one for each thread; they share the index.
 *
 * <p>Every query word in every field of the ranker is a leaf. A document's leaves are summed in one fixed order, the words
 * as they stand in the query and for each word the fields in schema order, so that a score has the same bits however many
 * segments there are. A segment is evaluated in windows of documents: leaf after leaf adds its contributions to the window's
 * sums, then the window's documents are offered to the heap of the best.
 *
 * @since 0.1
 */
public final class Finder {
    /** Documents in a window: 65,536 sums are 512 KiB, which stay in a core's second-level cache while leaves add to them. */
    private static final int WINDOW = 1 << 16;

    private final Index index;
    /** By field, in schema order. */
    private final Map<String, TokenReader> readers = new LinkedHashMap<>();

    private final double[] sums = new double[WINDOW];
    private final long[] matched = new long[WINDOW / 64];

    /** A finder on {@code index}, whose queries go through the pipelines of {@code schema}. */
    public Finder(Index index, Schema schema) {
        this.index = index;
        schema.textFields()
                .forEach(field -> readers.put(field.name(), field.pipeline().reader()));
    }

    /** One query word in one field. {@code weight} is the field's, times how often the word stands in the query. */
    private record Leaf(String field, String term, double weight, int order) {}

    /**
     * The best {@code top} documents for a query.
     *
     * @param ranker what decides; its fields are text fields of the schema
     * @param top at least 1
     */
    public Ranking find(Query query, Ranker ranker, int top) {
        if (top < 1) {
            throw new IllegalArgumentException("top is " + top + "; ask for at least 1 document");
        }
        List<Leaf> leaves = query.match(words -> leaves(words.text(), ranker));
        List<ScoringFunction.TermScorer> scorers = new ArrayList<>();
        List<Leaf> present = new ArrayList<>();
        Map<String, FieldCounts> fieldCounts = new HashMap<>();
        for (Leaf leaf : leaves) {
            TermCounts counts = index.termCounts(leaf.field, leaf.term);
            if (counts.df() > 0) {
                FieldCounts field = fieldCounts.computeIfAbsent(leaf.field, index::fieldCounts);
                scorers.add(ranker.function().term(counts, field));
                present.add(leaf);
            }
        }
        long matches = 0;
        List<Candidate> candidates = new ArrayList<>();
        for (Segment segment : index.segments()) {
            TopDocuments best = new TopDocuments(Math.min(top, segment.documents()));
            matches += evaluate(segment, present, scorers, best);
            for (int i = 0; i < best.size(); i++) {
                candidates.add(new Candidate(segment, best.document(i), best.score(i)));
            }
        }
        return new Ranking(hits(candidates, top), matches, true);
    }

    /** The words of the query in each field, each word once, at its first place: order of the word, then schema order. */
    private List<Leaf> leaves(String text, Ranker ranker) {
        List<Leaf> leaves = new ArrayList<>();
        ranker.weights().keySet().forEach(this::requireField);
        readers.forEach((field, reader) -> {
            Double weight = ranker.weights().get(field);
            if (weight == null) {
                return;
            }
            Map<String, Integer> counts = new LinkedHashMap<>();
            reader.begin(text);
            for (TokenBatch batch = reader.next(); batch != null; batch = reader.next()) {
                for (int i = 0; i < batch.size(); i++) {
                    counts.merge(batch.text(i), 1, Integer::sum);
                }
            }
            int order = 0;
            for (Map.Entry<String, Integer> word : counts.entrySet()) {
                leaves.add(new Leaf(field, word.getKey(), weight * word.getValue(), order++));
            }
        });
        leaves.sort(Comparator.comparingInt(Leaf::order)); // stable: within a word, schema order
        return leaves;
    }

    private void requireField(String field) {
        if (!readers.containsKey(field)) {
            throw new IllegalArgumentException(
                    "the ranker searches '" + field + "', which is no text field of the schema");
        }
    }

    /** Offers all matching documents of a segment to {@code best}; returns how many match. */
    private long evaluate(
            Segment segment, List<Leaf> leaves, List<ScoringFunction.TermScorer> scorers, TopDocuments best) {
        List<LeafPostings> open = new ArrayList<>();
        for (int i = 0; i < leaves.size(); i++) {
            Leaf leaf = leaves.get(i);
            SegmentField field = segment.field(leaf.field);
            Optional<PostingReader> postings = field.postings(leaf.term);
            if (postings.isPresent()) {
                open.add(new LeafPostings(postings.get(), field, scorers.get(i), leaf.weight));
            }
        }
        if (open.isEmpty()) {
            return 0;
        }
        int[] idRanks = segment.idRanks();
        long matches = 0;
        for (int base = 0; base < segment.documents(); base += WINDOW) {
            int end = Math.min(segment.documents(), base + WINDOW);
            for (LeafPostings leaf : open) {
                leaf.addTo(sums, matched, base, end);
            }
            matches += collect(base, end, idRanks, best);
        }
        return matches;
    }

    /** Offers the window's documents and clears the window. */
    private int collect(int base, int end, int[] idRanks, TopDocuments best) {
        int matches = 0;
        for (int word = 0; word <= (end - base - 1) >>> 6; word++) {
            for (long bits = matched[word]; bits != 0; bits &= bits - 1) {
                int slot = word << 6 | Long.numberOfTrailingZeros(bits);
                best.offer(sums[slot], base + slot, idRanks[base + slot]);
                sums[slot] = 0;
                matches++;
            }
            matched[word] = 0;
        }
        return matches;
    }

    /** A document that one segment puts among its best. */
    private record Candidate(Segment segment, int document, double score) {}

    private static List<Hit> hits(List<Candidate> candidates, int top) {
        candidates.sort(Comparator.comparingDouble(Candidate::score).reversed());
        // Ids are fetched only for those that can come in: up to the top, and whatever ties with the last of these.
        int n = Math.min(top, candidates.size());
        int end = n;
        while (end > 0 && end < candidates.size() && candidates.get(end).score == candidates.get(n - 1).score) {
            end++;
        }
        List<Hit> hits = new ArrayList<>();
        for (Candidate candidate : candidates.subList(0, end)) {
            hits.add(new Hit(0, candidate.segment.id(candidate.document), candidate.score));
        }
        hits.sort(Comparator.comparingDouble(Hit::score).reversed().thenComparing(Hit::id, Finder::byCodePoint));
        List<Hit> ranked = new ArrayList<>();
        for (Hit hit : hits.subList(0, n)) {
            ranked.add(new Hit(ranked.size() + 1, hit.id(), hit.score()));
        }
        return ranked;
    }

    private static int byCodePoint(String a, String b) {
        return Arrays.compareUnsigned(a.getBytes(StandardCharsets.UTF_8), b.getBytes(StandardCharsets.UTF_8));
    }
}
