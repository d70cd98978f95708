package org.catalexis.search;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.DoubleRange;
import net.jqwik.api.constraints.IntRange;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Schema;
import org.catalexis.index.Index;
import org.catalexis.index.Indexes;
import org.catalexis.query.Query;
import org.catalexis.score.Bm25;
import org.catalexis.score.Ranker;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class FinderTest {
    private static final Pipeline PLAIN =
            Pipeline.of("plain", Settings.of(Place.of("test"), Map.of("fold", List.of("case"), "split", "words")));
    private static final Pipeline STEMMED = Pipeline.of(
            "stemmed",
            Settings.of(
                    Place.of("test"),
                    Map.of(
                            "fold",
                            List.of("case"),
                            "steps",
                            List.of(Map.of("stop", "english"), Map.of("stem", "porter2")))));
    private static final Schema SCHEMA = Schema.of(Field.text("title", PLAIN), Field.text("body", STEMMED));
    private static final Ranker RANKER = new Ranker("test", Bm25.DEFAULT, Map.of("title", 2.0, "body", 1.0));

    private static Ranking find(Index index, String words, Ranker ranker, int top) {
        return new Finder(index, SCHEMA).find(Query.words(words), ranker, top);
    }

    private static List<String> ids(Ranking ranking) {
        return ranking.hits().stream().map(Hit::id).toList();
    }

    @Test
    void ranksByScoreAndLeavesOutWhatDoesNotMatch(@TempDir Path folder) throws IOException {
        Index index = Indexes.build(
                folder,
                SCHEMA,
                Document.of("a").with("title", "Hinge").with("body", "Grease the hinges."),
                Document.of("b").with("title", "Door").with("body", "A hinge, a screw and another screw."),
                Document.of("c").with("title", "Lamp").with("body", "The switch."));
        Ranking ranking = find(index, "hinge of a lantern", RANKER, 10);
        assertThat(ids(ranking)).containsExactly("a", "b");
        assertThat(ranking.matches()).isEqualTo(2);
        assertThat(find(index, "lantern", RANKER, 10).hits()).isEmpty();
        assertThat(find(index, "?!", RANKER, 10).hits()).isEmpty();
    }

    /** A word twice in the query counts twice: both documents hold one word each, in fields alike. */
    @Test
    void aWordRepeatedInTheQueryCountsAsOftenAsItStandsThere(@TempDir Path folder) throws IOException {
        Index index = Indexes.build(
                folder,
                SCHEMA,
                Document.of("a").with("title", "screw"),
                Document.of("b").with("title", "hinge"));
        Ranking once = find(index, "screw hinge", RANKER, 10);
        Ranking twice = find(index, "screw hinge hinge", RANKER, 10);
        assertThat(ids(once)).containsExactly("a", "b");
        assertThat(ids(twice)).containsExactly("b", "a");
        assertThat(twice.hits().get(0).score()).isEqualTo(2 * once.hits().get(1).score());
    }

    /** Code point order is not the order of Java's strings: U+FF5E comes before U+10400, whose first surrogate is D801. */
    @Test
    void tiesAreOrderedByIdInCodePointOrderAndNoneIsLostAtTheCut(@TempDir Path folder) throws IOException {
        List<Document> documents = new ArrayList<>();
        for (String id : List.of("\uD801\uDC00", "z", "\uFF5E", "a", "é", "B")) {
            documents.add(Document.of(id).with("title", "lamp"));
        }
        Index index = Indexes.build(folder, SCHEMA, documents.toArray(Document[]::new));
        assertThat(ids(find(index, "lamp", RANKER, 10))).containsExactly("B", "a", "z", "é", "\uFF5E", "\uD801\uDC00");
        assertThat(ids(find(index, "lamp", RANKER, 4))).containsExactly("B", "a", "z", "é");
    }

    @Test
    void severalValuesOfAFieldAreOneField(@TempDir Path folder) throws IOException {
        Index index = Indexes.build(
                folder, SCHEMA, Document.of("a").with("title", List.of("loose hinge", "squeak")), Document.of("b"));
        assertThat(index.fieldCounts("title").averageLength()).isEqualTo(3.0);
        assertThat(index.fieldCounts("title").documents()).isEqualTo(1);
        assertThat(index.fieldCounts("title").collection()).isEqualTo(2);
        assertThat(ids(find(index, "squeak", RANKER, 5))).containsExactly("a");
    }

    @Test
    void refusesAWrongTopAndARankerOfOtherFields(@TempDir Path folder) throws IOException {
        Index index = Indexes.build(folder, SCHEMA, Document.of("a").with("title", "lamp"));
        assertThatThrownBy(() -> find(index, "lamp", RANKER, 0)).hasMessage("top is 0; ask for at least 1 document");
        Ranker other = new Ranker("other", Bm25.DEFAULT, Map.of("tilte", 1.0));
        assertThatThrownBy(() -> find(index, "lamp", other, 1))
                .hasMessage("the ranker searches 'tilte', which is no text field of the schema");
    }

    /**
     * Random collections, some of mostly equal documents, in any number of segments: the index on disk ranks exactly as the
     * naive search does, to the last bit of each score.
     */
    @Property(tries = 100)
    void ranksExactlyAsTheNaiveSearchDoes(
            @ForAll @IntRange(min = 1, max = 300) int size,
            @ForAll @IntRange(min = 1, max = 40) int vocabulary,
            @ForAll @IntRange(min = 1, max = 12) int longest,
            @ForAll @IntRange(min = 1, max = 4) int segments,
            @ForAll @DoubleRange(max = 3) double k1,
            @ForAll @DoubleRange(max = 1) double b,
            @ForAll long seed)
            throws IOException {
        Random random = new Random(seed);
        List<Document> documents = new ArrayList<>();
        for (int i = 0; i < size; i++) {
            Document document = Document.of(Integer.toString(i, 36) + (i % 7 == 0 ? "é" : ""));
            document =
                    random.nextInt(4) == 0 ? document : document.with("title", text(random, vocabulary, longest / 3));
            documents.add(random.nextInt(8) == 0 ? document : document.with("body", text(random, vocabulary, longest)));
        }
        Collections.shuffle(documents, random);
        Map<String, Double> weights = new LinkedHashMap<>();
        weights.put("title", random.nextInt(5) / 2.0);
        weights.put("body", 1.0);
        Path folder = Files.createTempDirectory("catalexis-finder");
        try {
            Index index = Indexes.build(folder, SCHEMA, segments, documents);
            NaiveSearch naive = new NaiveSearch(SCHEMA, documents);
            for (int q = 0; q < 5; q++) {
                String query = text(random, vocabulary, 5);
                int top = 1 + random.nextInt(size + 3);
                Ranking ranking = find(index, query, new Ranker("r", new Bm25(k1, b), weights), top);
                List<Hit> expected = naive.rank(query, weights, k1, b);
                assertThat(ranking.matches()).isEqualTo(expected.size());
                assertThat(ranking.hits()).isEqualTo(expected.subList(0, Math.min(top, expected.size())));
            }
        } finally {
            Indexes.remove(folder);
        }
    }

    /** Words of falling frequency; a small vocabulary and short texts make many equal documents. */
    private static String text(Random random, int vocabulary, int longest) {
        StringBuilder text = new StringBuilder();
        for (int i = random.nextInt(longest + 1); i >= 0; i--) {
            int rank = (int) (vocabulary * Math.pow(random.nextDouble(), 2));
            text.append((char) ('a' + rank % 26))
                    .append((char) ('b' + rank / 26))
                    .append("ing ");
        }
        return text.toString();
    }

    /** Lists of several blocks and documents beyond one window of the evaluation. */
    @Test
    void ranksLongListsAsTheNaiveSearchDoes(@TempDir Path folder) throws IOException {
        List<Document> documents = new ArrayList<>();
        for (int i = 0; i < 70_000; i++) {
            documents.add(Document.of("d" + i)
                    .with("title", i % 3 == 0 ? "lamp" : "wire")
                    .with("body", i % 60_001 == 5 ? "rare" : ""));
        }
        Index index = Indexes.build(folder, SCHEMA, 1, documents);
        Ranking ranking = find(index, "rare lamp", RANKER, 5);
        // Two documents hold "rare": d5 ("wire") and d60006 ("lamp", 60006 = 3 * 20002), in the second window.
        assertThat(ids(ranking)).startsWith("d60006", "d5");
        assertThat(ranking.matches()).isEqualTo(23_334 + 1);
        assertThat(index.termCounts("title", "lamp").df()).isEqualTo(23_334);
    }
}
