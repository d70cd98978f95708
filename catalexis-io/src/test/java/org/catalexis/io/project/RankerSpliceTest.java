package org.catalexis.io.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.catalexis.score.Bm25;
import org.catalexis.score.Ranker;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class RankerSpliceTest {
    private static final String TUNED = "{score: {bm25: {k1: 0.9, b: 0.4}}, fields: {title: 3.5, body: 1.0}}";

    private static Ranker tuned() {
        Map<String, Double> weights = new LinkedHashMap<>();
        weights.put("title", 3.5);
        weights.put("body", 1.0);
        return new Ranker("plain", new Bm25(0.9, 0.4), weights);
    }

    /** What stands between the two marks, « and », is what was put in; without it the old text is left. */
    private static void assertPutIn(String name, String marked) {
        int from = marked.indexOf('«');
        int to = marked.indexOf('»');
        String old = marked.substring(0, from) + marked.substring(to + 1);
        String expected = marked.replace("«", "").replace("»", "");
        assertThat(RankerSplice.splice("catalexis.yaml", old, name, tuned())).isEqualTo(expected);
    }

    @Test
    void aNewRankerStandsBehindTheOthersAndEveryOtherByteStays() {
        assertPutIn(
                "tuned",
                "rankers:   # ours\n"
                        + "    plain: {score: bm25, fields: {title: 2.0}}   # the old one\n"
                        + "«    tuned: " + TUNED + "\n»"
                        + "  # a comment at the end\n"
                        + "topics:   t.tsv  # odd   spaces\n");
    }

    @Test
    void blockStyleNestedDeeplyIsFollowedToItsEnd() {
        assertPutIn(
                "tuned",
                "rankers:\n"
                        + "  plain:\n"
                        + "    score:\n"
                        + "      bm25:\n"
                        + "        k1: 1.2   # saturation\n"
                        + "«  tuned: " + TUNED + "\n»"
                        + "\n"
                        + "\n"
                        + "topics: t.tsv\n");
    }

    @Test
    void flowStyleTakesItInsideTheBraces() {
        assertPutIn(
                "tuned", "{documents: [a], rankers: {plain: {score: bm25}«, tuned: " + TUNED + "» }, topics: t.tsv}");
        assertPutIn("tuned", "documents: [a]\nrankers: {«tuned: " + TUNED + "»}\n");
        assertPutIn("tuned", "{documents: [a]«, rankers: {tuned: " + TUNED + "}»}\n");
    }

    @Test
    void lineEndsOfTheFileAreKept() {
        assertPutIn(
                "tuned",
                "documents: [a]\r\nrankers:\r\n  plain: {score: bm25}\r\n«  tuned: " + TUNED + "\r\n»topics: t\r\n");
    }

    @Test
    void aFileWithoutAnEndOfLineGetsOne() {
        assertPutIn("tuned", "rankers:\n  plain: {score: bm25}«\n  tuned: " + TUNED + "\n»");
        assertPutIn("tuned", "documents: [a]«\nrankers:\n  tuned: " + TUNED + "\n»");
    }

    @Test
    void offsetsAreRightBehindCharactersBeyondTheBmp() {
        assertPutIn(
                "tuned",
                "collection: \"𝒎𝒆𝒏𝒅 😀\"\nrankers:\n  plain: {score: bm25}\n«  tuned: " + TUNED + "\n»topics: t\n");
    }

    @Test
    void anEmptyGroupIsFilled() {
        assertPutIn("tuned", "rankers:«\n  tuned: " + TUNED + "»\ntopics: t\n");
    }

    @Test
    void aRankerOfTheSameNameIsReplacedAndNothingElse() {
        String old =
                "rankers:\n  plain:  # keep me\n    score: bm25\n    fields:\n      title: 2\n  other: {score: bm25} # and me\n";
        assertThat(RankerSplice.splice("catalexis.yaml", old, "plain", tuned()))
                .isEqualTo("rankers:\n  plain:  # keep me\n    " + TUNED + "\n  other: {score: bm25} # and me\n");
        assertThat(RankerSplice.splice("catalexis.yaml", "rankers:\n  tuned:\ntopics: t\n", "tuned", tuned()))
                .isEqualTo("rankers:\n  tuned: " + TUNED + "\ntopics: t\n");
    }

    @Test
    void anchorsStayAndAreNotTornApart() {
        assertPutIn("tuned", "rankers:\n  plain: &p {score: bm25}\n  same: *p\n«  tuned: " + TUNED + "\n»");
        // Replacing the anchored ranker would leave the alias hanging.
        String anchored = "rankers:\n  plain: &p {score: bm25}\n  same: *p\n";
        assertThatThrownBy(() -> RankerSplice.splice("catalexis.yaml", anchored, "plain", tuned()))
                .hasMessageStartingWith(
                        "catalexis.yaml: the ranker 'plain' cannot be written: the file would no longer be read")
                .hasMessageEndingWith("; save it under another name, or write the rankers without anchors");
        // An alias is replaced where it stands; the anchor elsewhere stays.
        assertThat(RankerSplice.splice("catalexis.yaml", anchored, "same", tuned()))
                .isEqualTo("rankers:\n  plain: &p {score: bm25}\n  same: " + TUNED + "\n");
    }

    @Test
    void savingWritesTheFileWholeAndReadsBack(@TempDir Path folder) throws IOException {
        String text = "documents: [a.jsonl]\n"
                + "fields: {title: {kind: text, pipeline: p}, body: {kind: text, pipeline: p}}\n"
                + "pipelines: {p: {split: words}}\n"
                + "rankers:\n  plain: {score: bm25}\n";
        Files.writeString(folder.resolve(Project.FILE), text);
        RankerSplice.save(Project.open(folder), "tuned", tuned());
        Project project = Project.open(folder);
        assertThat(project.ranker("tuned").plain()).isEqualTo(tuned().plain());
        assertThat(Files.readString(folder.resolve(Project.FILE))).isEqualTo(text + "  tuned: " + TUNED + "\n");
        try (java.util.stream.Stream<Path> files = Files.list(folder)) {
            assertThat(files).containsExactly(folder.resolve(Project.FILE));
        }
    }

    /** Files put together from awkward pieces: whatever comes out says what the old file said, and has the ranker. */
    @Property
    void anyMixOfStylesKeepsAllElse(
            @ForAll @IntRange(max = 3) int rankersStyle,
            @ForAll @IntRange(max = 3) int before,
            @ForAll @IntRange(max = 3) int after,
            @ForAll boolean crlf) {
        String[] rankers = {
            "rankers: {plain: {score: bm25}}  # x",
            "rankers:\n      plain:\n         score: bm25",
            "rankers:\n  # first\n  \"plain\": {score: bm25,\n     fields: {title: 1}}\n  # last",
            "'rankers':\n  plain: &a\n    score: bm25\n  b: *a"
        };
        String[] others = {"", "# only a comment", "documents:\n  - a\n  - b", "text: |\n  several\n  lines\n"};
        String text = others[before] + "\n" + rankers[rankersStyle] + "\n"
                + others[after].replace("documents", "more").replace("text", "other") + "\n";
        String old = crlf ? text.replace("\n", "\r\n") : text;
        String fresh = RankerSplice.splice("catalexis.yaml", old, "tuned", tuned());
        Object expected =
                Yaml.read("old", old).with("rankers.tuned", tuned().plain()).plain();
        assertThat(Yaml.read("new", fresh).plain()).isEqualTo(expected);
        assertThat(fresh).hasSizeGreaterThan(old.length());
        int same = 0;
        while (same < old.length() && old.charAt(same) == fresh.charAt(same)) {
            same++;
        }
        assertThat(fresh).endsWith(old.substring(same)); // one run of characters was put in, none taken out
    }
}
