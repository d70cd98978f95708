package org.catalexis.io.project;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.catalexis.document.Schema;
import org.catalexis.io.files.LineReader;
import org.catalexis.io.judged.JudgmentsFile;
import org.catalexis.io.judged.TopicsFile;
import org.catalexis.measure.Judgments;
import org.catalexis.measure.Topics;
import org.catalexis.score.Ranker;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Nearest;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.catalexis.text.Pipeline;

/**
 * A project: the file {@code catalexis.yaml} in a folder, checked as a whole when it is opened. Immutable.
 *
 * <pre>
 * collection: mendery                  # a name, for people
 * documents: [data/guides.jsonl]       # JSON Lines, also .gz; paths count from the project's folder
 * key: id                              # the member that identifies a document
 * only: some-ids.txt                   # take these documents only
 * fields:    {title: {kind: text, pipeline: english}, ...}
 * pipelines: {english: {fold: [case, accents], split: words, steps: [possessive, {stop: english}, {stem: porter2}]}}
 * rankers:   {plain: {score: {bm25: {k1: 1.2, b: 0.75}}, fields: {title: 2.0, body: 1.0}}}
 * topics: data/topics.tsv
 * judgments: data/judgments.txt
 * </pre>
 *
 * @since 0.1
 */
public final class Project {
    /** The name of the file. */
    public static final String FILE = "catalexis.yaml";

    private final Path folder;
    private final Settings settings;
    private final Map<String, Pipeline> pipelines = new LinkedHashMap<>();
    private final Schema schema;
    private final Map<String, Ranker> rankers = new LinkedHashMap<>();

    private Project(Path folder, Settings settings) {
        this.folder = folder;
        this.settings = settings;
        settings.allowOnly(
                "collection", "documents", "key", "only", "fields", "pipelines", "rankers", "topics", "judgments");
        settings.need("documents");
        settings.find("pipelines").ifPresent(group -> group.members()
                .forEach((name, definition) -> pipelines.put(named(definition), Pipeline.of(name, definition))));
        schema = Schema.of(settings, pipelines);
        settings.find("rankers").ifPresent(group -> group.members()
                .forEach((name, definition) -> rankers.put(named(definition), Ranker.of(definition, schema))));
        if (rankers.isEmpty()) {
            rankers.put("plain", Ranker.of(Settings.node(settings.place(), "rankers.plain", null), schema));
        }
    }

    /** A name without dots, as paths are parted by dots. */
    private static String named(Settings definition) {
        String name = definition.path().substring(definition.path().indexOf('.') + 1);
        if (!name.matches("[\\p{L}\\p{N}_-]+")) {
            throw definition.fault("is not a good name", "use letters, digits, - and _");
        }
        return name;
    }

    /**
     * Opens the project in a folder.
     *
     * @throws BadInputException if there is no project file, or something in it is wrong: the first fault, with its line
     */
    public static Project open(Path folder) throws IOException {
        Path file = folder.resolve(FILE);
        return new Project(folder, Yaml.read(file.toString(), text(file)));
    }

    static String text(Path file) throws IOException {
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(Files.readAllBytes(file)))
                    .toString();
        } catch (NoSuchFileException e) {
            throw new BadInputException(
                    Place.of(file.toString()),
                    "there is no project file",
                    "go to the project's folder or name it with --project DIR; 'catalexis demo' makes an example",
                    e);
        } catch (CharacterCodingException e) {
            throw new BadInputException(Place.of(file.toString()), "is not UTF-8", "save the file as UTF-8", e);
        }
    }

    /** The project's folder. */
    public Path folder() {
        return folder;
    }

    /** The project file. */
    public Path file() {
        return folder.resolve(FILE);
    }

    /** Where its index is. */
    public Path indexFolder() {
        return folder.resolve("index");
    }

    /** The fields. */
    public Schema schema() {
        return schema;
    }

    /** The files of documents, in order. */
    public List<Path> documents() {
        return settings.need("documents").items().stream()
                .map(item -> folder.resolve(item.text()))
                .toList();
    }

    /** The ids of the documents to be taken; empty if all are. */
    public Optional<Set<String>> only() throws IOException {
        Optional<Settings> named = settings.find("only");
        if (named.isEmpty()) {
            return Optional.empty();
        }
        Set<String> ids = new LinkedHashSet<>();
        try (LineReader lines = LineReader.open(folder.resolve(named.get().text()))) {
            while (lines.next()) {
                if (!lines.isBlank()) {
                    ids.add(lines.text().strip());
                }
            }
        }
        return Optional.of(ids);
    }

    /** A pipeline; a fault that lists the known ones if there is none of that name. */
    public Pipeline pipeline(String name) {
        return known("pipeline", name, pipelines);
    }

    /** The rankers by name, the default one first. */
    public Map<String, Ranker> rankers() {
        return Collections.unmodifiableMap(rankers);
    }

    /** A ranker; a fault that lists the known ones if there is none of that name. */
    public Ranker ranker(String name) {
        return known("ranker", name, rankers);
    }

    private <T> T known(String what, String name, Map<String, T> all) {
        T found = all.get(name);
        if (found == null) {
            throw new BadInputException(
                    Place.of(file().toString()),
                    "has no " + what + " '" + name + "'",
                    Nearest.hint(name, all.keySet()));
        }
        return found;
    }

    /** The project's topics; none if the project file names no file. */
    public Topics topics() throws IOException {
        Optional<Settings> named = settings.find("topics");
        return named.isEmpty()
                ? new Topics(List.of())
                : TopicsFile.read(folder.resolve(named.get().text()));
    }

    /**
     * The project's judgments.
     *
     * @throws BadInputException if the project file names no file, or a judgment is for a topic that is not in the project's
     */
    public Judgments judgments() throws IOException {
        Path file = folder.resolve(settings.need("judgments").text());
        return JudgmentsFile.read(file, topics().ids());
    }

    /**
     * How the index of this project differs from what the project file says now, in words; empty if it is as the file says.
     *
     * @param built the field definitions that the index was built with
     */
    public List<String> staleness(Map<String, String> built) {
        List<String> changes = new ArrayList<>();
        Map<String, String> now = schema.definitions();
        now.forEach((field, definition) -> {
            String before = built.get(field);
            if (before == null) {
                changes.add("field '" + field + "' is new");
            } else if (!before.equals(definition)) {
                changes.add("field '" + field + "' was " + before + " and is " + definition);
            }
        });
        built.keySet().stream()
                .filter(field -> !now.containsKey(field))
                .forEach(field -> changes.add("field '" + field + "' is gone"));
        return changes;
    }

    Settings settings() {
        return settings;
    }
}
