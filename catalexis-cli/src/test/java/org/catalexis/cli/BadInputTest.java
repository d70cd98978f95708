package org.catalexis.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What people get wrong, through the command line: what, where, how to mend it; exit code 1; nothing half-written. */
class BadInputTest {
    @TempDir
    private Path project = Path.of("");

    private Path guides = Path.of("");

    @BeforeEach
    void smallProject() throws IOException {
        guides = project.resolve("guides.jsonl");
        Files.writeString(
                project.resolve("catalexis.yaml"),
                """
                documents: [guides.jsonl]
                fields:
                  title: {kind: text, pipeline: plain}
                  views: {kind: integer}
                  updated: {kind: date}
                  place: {kind: place}
                pipelines:
                  plain: {fold: [case]}
                topics: topics.tsv
                judgments: judgments.txt
                """);
        Files.writeString(
                guides,
                """
                {"id": "a", "title": "Loose hinge", "views": 3}
                {"id": "b", "title": "Dripping tap", "views": 4}
                """);
        Files.writeString(project.resolve("topics.tsv"), "t1\thinge\nt2\ttap\n");
        Files.writeString(project.resolve("judgments.txt"), "t1 0 a 1\nt2 0 b 2\n");
    }

    private Call call(Object... args) {
        Object[] all =
                Stream.concat(Stream.of(args), Stream.of("--project", project)).toArray();
        return Call.of(all);
    }

    private Map<String, Long> files() throws IOException {
        Map<String, Long> files = new TreeMap<>();
        try (Stream<Path> all = Files.walk(project)) {
            for (Path file : all.filter(Files::isRegularFile).toList()) {
                files.put(project.relativize(file).toString(), Files.size(file));
            }
        }
        return files;
    }

    /** The messages of a failed call, without the folder's name. Nothing may have been written. */
    private String faults(Object... args) throws IOException {
        Map<String, Long> before = files();
        Call call = call(args);
        assertThat(call.code()).isEqualTo(1);
        Map<String, Long> after = files();
        after.remove("index/builder.held");
        before.remove("index/builder.held");
        assertThat(after).isEqualTo(before);
        assertThat(call.err()).doesNotContain("\tat ");
        return call.err().replace(project + "/", "");
    }

    private void add(String line) throws IOException {
        Files.writeString(guides, line + "\n", StandardOpenOption.APPEND);
    }

    @Test
    void everyBadLineOfTheDocumentsIsListedAndNothingIsBuilt() throws IOException {
        add("{\"id\": \"c\", \"title\": \"cut off");
        add("{\"title\": \"no id\"}");
        add("{\"id\": \"d\", \"views\": \"many\"}");
        add("{\"id\": \"e f\"}");
        add("[1]");
        add("{\"id\": \"g\", \"updated\": \"2026-02-30\"}");
        add("{\"id\": \"h\", \"place\": {\"lat\": 91, \"lon\": 0}}");
        add("{\"id\": \"i\", \"title\": 7}");
        add("{\"id\": \"j\", \"title\": \"x\", \"title\": \"y\"}");
        add("{\"id\": \"k\"} {\"id\": \"l\"}");
        assertThat(faults("build").lines())
                .anyMatch(line -> line.matches("error: guides.jsonl:3:\\d+: the line is not JSON \\(.+\\);"
                        + " write one complete object a line"))
                .contains(
                        "error: guides.jsonl:4: the document has no 'id'; give it one; it tells a document from all others",
                        "error: guides.jsonl:5: 'views': \"many\" is not a whole number; mend the value, or the field's kind in"
                                + " the project file (now integer)",
                        "error: guides.jsonl:6: 'id' is 'e f'; write a text that is not empty and holds no white space (runs and"
                                + " judgments are in columns)",
                        "error: guides.jsonl:7: the line is not a JSON object; write one object a line: {\"id\": \"...\", ...}",
                        "error: guides.jsonl:8: 'updated': \"2026-02-30\" is not a day like \"2026-11-23\"; mend the value, or"
                                + " the field's kind in the project file (now date)",
                        "error: guides.jsonl:9: 'place': {\"lat\":91,\"lon\":0} is not a place like {\"lat\": 51.5, \"lon\":"
                                + " -0.1}; mend the value, or the field's kind in the project file (now place)",
                        "error: guides.jsonl:10: 'title': 7 is not a string or a list of strings; mend the value, or the field's"
                                + " kind in the project file (now text)",
                        "error: guides.jsonl:11: the member 'title' is there twice; leave one of them",
                        "error: guides.jsonl:12: something follows the JSON object; write each object on a line of its own",
                        "nothing was built: 10 faults; the last index, if there is one, is as it was (--skip-bad builds from the"
                                + " rest)")
                .hasSize(11);
    }

    @Test
    void theListEndsAtTwentyFaults() throws IOException {
        for (int i = 0; i < 30; i++) {
            add("{}");
        }
        assertThat(faults("build").lines())
                .hasSize(21)
                .last()
                .asString()
                .startsWith("nothing was built: 20 or more faults;");
    }

    @Test
    void aRepeatedIdNamesBothLines() throws IOException {
        add("{\"id\": \"a\"}");
        assertThat(faults("build"))
                .startsWith("error: guides.jsonl:3: the id 'a' was given already, at guides.jsonl:1;"
                        + " give each document an id of its own\n");
    }

    @Test
    void skipBadBuildsTheRestAndKeepsTheRejects() throws IOException {
        add("{\"id\": \"a\"}");
        add("{\"id\"");
        add("{\"id\": \"c\", \"title\": \"Lamp\"}");
        Call built = call("build", "--skip-bad").done();
        assertThat(built.err()).contains("note: 2 lines rejected; see " + project.resolve("rejected.jsonl"));
        assertThat(Files.readAllLines(project.resolve("rejected.jsonl")))
                .hasSize(2)
                .first()
                .asString()
                .contains("the id 'a' was given already")
                .endsWith("\"line\":\"{\\\"id\\\": \\\"a\\\"}\"}");
        assertThat(call("peek", "--json").well().json().get("documents")).isEqualTo(3L);
    }

    @Test
    void aFailedBuildLeavesTheLastIndexAsItWas() throws IOException {
        call("build").well();
        add("not json");
        faults("build");
        assertThat(call("find", "hinge").well().out()).contains("Loose hinge");
    }

    @Test
    void missingAndEmptyFilesAreTold() throws IOException {
        Files.writeString(guides, "\n  \n");
        assertThat(faults("build"))
                .startsWith("error: guides.jsonl: the file is empty; write one JSON object a line into it\n");
        Files.delete(guides);
        assertThat(faults("build"))
                .startsWith("error: guides.jsonl: there is no such file; check the name and the folder\n");
        Files.delete(project.resolve("catalexis.yaml"));
        assertThat(faults("build"))
                .isEqualTo("error: catalexis.yaml: there is no project file; go to the project's folder or name it with"
                        + " --project DIR; 'catalexis demo' makes an example\n");
    }

    @Test
    void anUnknownKeyOfTheProjectFileIsToldWithTheNearestOne() throws IOException {
        Files.writeString(project.resolve("catalexis.yaml"), "documnets: [x]\n");
        assertThat(faults("find", "x"))
                .isEqualTo("error: catalexis.yaml:1:1: unknown key 'documnets'; did you mean 'documents'?\n");
    }

    @Test
    void judgmentsForAnUnknownTopicAndBadRunLinesAreTold() throws IOException {
        call("build").well();
        Path run = project.resolve("x.run");
        call("rank", "--out", run).well();
        Files.writeString(project.resolve("judgments.txt"), "t1 0 a 1\nt3 0 a 1\n");
        assertThat(faults("measure", run))
                .isEqualTo(
                        "error: judgments.txt:2: the topic 't3' is not among the 2 known topics; add it to the topics, or take"
                                + " the line out\n");
        Files.writeString(project.resolve("judgments.txt"), "t1 0 a 1\n");
        Files.writeString(run, "t1 Q0 a first 1.0 x\n");
        assertThat(faults("measure", run)).isEqualTo("error: x.run:1: rank is 'first'; write a whole number\n");
    }

    @Test
    void aDamagedIndexIsToldWithFileAndSection() throws IOException {
        assertThat(faults("find", "hinge"))
                .isEqualTo("error: index: there is no index; build it with 'catalexis build'\n");
        call("build").well();
        Path segment = project.resolve("index/s-0000001.cat");
        byte[] bytes = Files.readAllBytes(segment);
        bytes[20] ^= 1;
        Files.write(segment, bytes);
        assertThat(faults("find", "hinge"))
                .matches(
                        "error: index/s-0000001.cat: section '.+' is damaged between bytes 0 and \\d+ of the file \\(CRC32C is"
                                + " [0-9a-f]+, [0-9a-f]+ was written\\); build the index anew with 'catalexis build'\n");
        Files.write(segment, new byte[10]);
        assertThat(faults("find", "hinge")).contains("index/s-0000001.cat: has 10 bytes; the manifest says ");
        call("build").well();
        call("find", "hinge").well();
    }

    @Test
    void aStaleIndexIsTold() throws IOException {
        call("build").well();
        Path file = project.resolve("catalexis.yaml");
        Files.writeString(file, Files.readString(file).replace("[case]", "[case, accents]"));
        Call found = call("find", "hinge").done();
        assertThat(found.err())
                .isEqualTo(
                        "note: the index is stale: field 'title' was text {fold: [case], split: words, steps: []} and is text"
                                + " {fold: [case, accents], split: words, steps: []}; run 'catalexis build'\n");
        Files.writeString(
                file, Files.readString(file).replace("views:", "body: {kind: text, pipeline: plain}\n  views:"));
        assertThat(call("find", "hinge").err())
                .contains("the index lacks the field 'body', which the ranker 'plain' searches; run 'catalexis build'");
    }

    @Test
    void tuningOnWhatIsHeldOutIsRefused() throws IOException {
        call("build").well();
        Path train = Files.writeString(project.resolve("train.txt"), "t1\nt2\n");
        Path test = Files.writeString(project.resolve("test.txt"), "t2\n");
        assertThat(faults("tune", "--ranker", "plain", "--measure", "AP", "--train", train, "--test", test))
                .isEqualTo(
                        "error: a topic is both trained on and held out (t2); a held-out figure is honest only if they"
                                + " differ\n");
        Files.writeString(train, "t1\n");
        assertThat(faults(
                        "tune",
                        "--ranker",
                        "plain",
                        "--measure",
                        "AP",
                        "--train",
                        train,
                        "--test",
                        test,
                        "--knob",
                        "rankers.plain.score.bm25.k=0..1"))
                .isEqualTo(
                        "error: --knob: 'rankers.plain.score.bm25.k' is no number of the ranker 'plain'; did you mean"
                                + " 'rankers.plain.score.bm25.k1'?\n");
        assertThat(faults("find", "x", "--ranker", "plan"))
                .isEqualTo("error: catalexis.yaml: has no ranker 'plan'; did you mean 'plain'?\n");
    }

    /** The call itself was wrong: exit code 2, and a mistyped option is told before a missing one. */
    @Test
    void wrongCallsEndWithTwoAndTheNearestName() {
        for (List<String> wrong : List.of(
                List.of("rank --otu x", "rank has no option '--otu'; did you mean '--out'?"),
                List.of("rank", "Missing required option: '--out=RUN'"),
                List.of("fnid hinge", "there is no command 'fnid'; did you mean 'find'?"),
                List.of("find --top 0 x", "--top is 0; ask for at least 1 document"),
                List.of("build --memory lots", "--memory is 'lots'; write a size like 64m or 2g"),
                List.of("build --memory 10k", "--memory is '10k'; give at least 1m"),
                List.of("measure r.run --measures nDGC@10", "the measure 'nDGC@10' is not known; did you mean 'nDCG'?"),
                List.of("find --top many x", "Invalid value for option '--top': 'many' is not an int"))) {
            Call call = Call.of((Object[]) wrong.get(0).split(" "));
            assertThat(call.code()).as(wrong.get(0)).isEqualTo(2);
            assertThat(call.err().lines().findFirst().orElse("")).isEqualTo("error: " + wrong.get(1));
        }
    }
}
