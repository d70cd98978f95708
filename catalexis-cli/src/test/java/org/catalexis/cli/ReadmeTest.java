package org.catalexis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Schema;
import org.catalexis.index.Index;
import org.catalexis.index.IndexBuilder;
import org.catalexis.query.Query;
import org.catalexis.score.Bm25;
import org.catalexis.score.Ranker;
import org.catalexis.search.Finder;
import org.catalexis.search.Hit;
import org.catalexis.search.Ranking;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The README's Java runs as it stands there, and its links lead somewhere. */
class ReadmeTest {
    private static final Path README = Path.of("..", "README.md");

    @Test
    void itsJavaFindsTheHinge(@TempDir Path folder) throws IOException {
        // README: from here
        Pipeline english = Pipeline.of(
                "english",
                Settings.of(
                        Place.of("here"),
                        Map.of("fold", List.of("case", "accents"), "steps", List.of(Map.of("stem", "porter2")))));
        Schema schema = Schema.of(Field.text("title", english), Field.text("body", english));
        try (IndexBuilder builder = IndexBuilder.open(folder.resolve("index"), schema, IndexBuilder.Options.DEFAULT)) {
            builder.add(Document.of("g1").with("title", "Loose hinges").with("body", "Tighten the screws."));
            builder.commit();
        }
        Ranker ranker = new Ranker("plain", Bm25.DEFAULT, Map.of("title", 2.0, "body", 1.0));
        Ranking ranking =
                new Finder(Index.open(folder.resolve("index")), schema).find(Query.words("hinge"), ranker, 10);
        // README: to here
        assertThat(ranking.hits().stream().map(Hit::id)).containsExactly("g1");
    }

    /** White space apart, since the formatter breaks lines where it likes, and but for the folder. */
    @Test
    void itsJavaIsTheOneThatIsTested() throws IOException {
        String test = Files.readString(Path.of("src/test/java/org/catalexis/cli/ReadmeTest.java"));
        String code = test.substring(test.indexOf("// README: from here") + 20, test.indexOf("// README: to here"));
        String expected = code.replace("folder.resolve(", "Path.of(").replaceAll("\\s+", "");
        assertThat(Files.readString(README).replaceAll("\\s+", "")).contains(expected);
    }

    @Test
    void itsLinksAndThoseOfTheOtherPagesLeadToFiles() throws IOException {
        try (Stream<Path> docs = Files.list(Path.of("..", "docs"))) {
            List<Path> pages = new ArrayList<>(
                    docs.filter(path -> path.toString().endsWith(".md")).toList());
            pages.add(README);
            Pattern link = Pattern.compile("\\]\\(([^)#:]+)\\)");
            for (Path page : pages) {
                link.matcher(Files.readString(page)).results().forEach(found -> assertThat(
                                page.resolveSibling(found.group(1)))
                        .exists());
            }
        }
    }
}
