package org.catalexis.io.project;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class ProjectTest {
    private static final String GOOD =
            """
            collection: test
            documents: [a.jsonl]
            fields:
              title: {kind: text, pipeline: plain}
              body:  {kind: text, pipeline: plain}
              craft: {kind: label}
            pipelines:
              plain: {fold: [case], split: words}
            rankers:
              short: {score: {bm25: {k1: 0.9}}, fields: {body: 1, title: 2}}
              bare:
            """;

    @TempDir
    private Path folder = Path.of("");

    private Project open(String text) throws IOException {
        Files.writeString(folder.resolve(Project.FILE), text);
        return Project.open(folder);
    }

    /** Opens the good file with one thing changed; the message, without the folder's name. */
    private String fault(String from, String to) {
        assertThat(GOOD).contains(from);
        try {
            open(GOOD.replace(from, to));
        } catch (RuntimeException | IOException e) {
            return String.valueOf(e.getMessage()).replace(folder + "/", "");
        }
        throw new AssertionError("'" + to + "' was taken");
    }

    @Test
    void readsFieldsPipelinesAndRankers() throws IOException {
        Project project = open(GOOD);
        assertThat(project.rankers().keySet()).containsExactly("short", "bare");
        // Weights stand in schema order, whatever the order of writing: it is the order of summing.
        assertThat(project.ranker("short").weights()).containsExactly(Map.entry("title", 2.0), Map.entry("body", 1.0));
        assertThat(project.ranker("short").plain().get("score"))
                .isEqualTo(Map.of("bm25", Map.of("k1", 0.9, "b", 0.75)));
        assertThat(project.ranker("bare").weights()).containsExactly(Map.entry("title", 1.0), Map.entry("body", 1.0));
        assertThat(project.documents()).containsExactly(folder.resolve("a.jsonl"));
        assertThat(project.schema().key()).isEqualTo("id");
        assertThat(project.topics().ids()).isEmpty();
    }

    @Test
    void faultsNameTheLineAndTheNearestKnownWord() {
        assertThat(fault("collection: test", "colection: test"))
                .isEqualTo("catalexis.yaml:1:1: unknown key 'colection'; did you mean 'collection'?");
        assertThat(fault("{kind: label}", "{kind: lable}"))
                .isEqualTo("catalexis.yaml:6:11: 'fields.craft.kind' is 'lable'; did you mean 'label'?");
        assertThat(fault("title: {kind: text, pipeline: plain}", "title: {kind: text, pipeline: plian}"))
                .isEqualTo(
                        "catalexis.yaml:4:23: 'fields.title.pipeline' names the unknown pipeline 'plian'; did you mean"
                                + " 'plain'?");
        assertThat(fault("{bm25: {k1: 0.9}}", "{bm25: {k2: 0.9}}"))
                .isEqualTo("catalexis.yaml:10:26: unknown key 'k2' in 'rankers.short.score.bm25'; did you mean 'k1'?");
        assertThat(fault("k1: 0.9", "k1: -1"))
                .isEqualTo(
                        "catalexis.yaml:10:26: 'rankers.short.score.bm25.k1' is '-1'; write a number from 0 to 1000");
        assertThat(fault("bm25:", "bm52:"))
                .isEqualTo(
                        "catalexis.yaml:10:11: 'rankers.short.score' names the unknown scoring function 'bm52'; did you mean"
                                + " 'bm25'?");
        assertThat(fault("body: 1,", "craft: 1,"))
                .isEqualTo(
                        "catalexis.yaml:10:46: 'rankers.short.fields.craft' is not a text field; only fields of kind text are"
                                + " ranked");
        assertThat(fault("documents: [a.jsonl]\n", ""))
                .isEqualTo("catalexis.yaml:1:1: the file has no 'documents'; add 'documents: ...'");
        assertThat(fault("short:", "collection.x:"))
                .isEqualTo(
                        "catalexis.yaml:10:3: 'rankers.collection.x' is not a good name; use letters, digits, - and _");
    }

    @Test
    void whatIsNotYamlIsToldWithItsPlace() {
        assertThat(fault("fields:", "fields: ["))
                .startsWith("catalexis.yaml:5:3: is not YAML (")
                .endsWith("; mend the line");
        assertThat(fault("  bare:", "  short:"))
                .isEqualTo("catalexis.yaml:11:3: the key 'short' is there already, in line 10; leave one of them");
        assertThatThrownBy(() -> open(""))
                .hasMessageEndingWith("the file is empty; write the project's settings into it");
        assertThatThrownBy(() -> open("- a\n")).hasMessageContaining("the file is a list; write it as members");
    }

    @Test
    void anAliasThatContainsItselfIsRefused() {
        assertThatThrownBy(() -> open("documents: &a [*a]\n"))
                .hasMessageContaining("look for an alias that contains itself");
        StringBuilder bomb = new StringBuilder("a0: &a0 [x, x, x, x, x, x, x, x, x, x]\n");
        for (int i = 1; i < 9; i++) {
            bomb.append("a").append(i).append(": &a").append(i).append(" [").append(("*a" + (i - 1) + " , ").repeat(9));
            bomb.append("*a").append(i - 1).append(" ]\n");
        }
        assertThatThrownBy(() -> open(bomb.toString())).hasMessageContaining("there are too many settings");
    }

    @Test
    void stalenessSaysWhichFieldAndWhatChanged() throws IOException {
        Project project = open(GOOD);
        Map<String, String> built = new LinkedHashMap<>(project.schema().definitions());
        assertThat(project.staleness(built)).isEmpty();
        built.put("title", "text {fold: [], split: words, steps: []}");
        built.remove("craft");
        built.put("views", "integer");
        assertThat(project.staleness(built))
                .containsExactly(
                        "field 'title' was text {fold: [], split: words, steps: []} and is text {fold: [case], split: words,"
                                + " steps: []}",
                        "field 'craft' is new",
                        "field 'views' is gone");
    }
}
