package org.catalexis.io.judged;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.io.files.LineReader;
import org.catalexis.measure.Topic;
import org.catalexis.measure.Topics;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Nearest;
import org.catalexis.settings.Place;

/**
 * Topics as lines of {@code id TAB text}.
 *
 * @since 0.1
 */
public final class TopicsFile {
    private TopicsFile() {}

    /**
     * Reads a file of topics.
     *
     * @throws BadInputException at the first line that is wrong
     */
    public static Topics read(Path file) throws IOException {
        return topics(file, columns(file));
    }

    /**
     * Reads a file of topics, or one of bare ids, one a line, that are taken from {@code known}.
     *
     * @throws BadInputException at the first line that is wrong, or names an unknown topic
     */
    public static Topics readOrSelect(Path file, Topics known) throws IOException {
        Map<Integer, String[]> lines = columns(file);
        if (lines.values().stream().anyMatch(columns -> columns.length > 1)) {
            return topics(file, lines);
        }
        List<String> ids = new ArrayList<>();
        lines.forEach((line, columns) -> {
            if (!known.ids().contains(columns[0])) {
                throw new BadInputException(
                        new Place(file.toString(), line),
                        "the topic '" + columns[0] + "' is unknown",
                        known.ids().isEmpty()
                                ? "write its text behind a tab, or name the project's topics in its project file"
                                : Nearest.to(columns[0], known.ids())
                                        .map(near -> "did you mean '" + near + "'?")
                                        .orElse("write its text behind a tab, or take an id of the project's topics"));
            }
            ids.add(columns[0]);
        });
        return known.only(ids);
    }

    /** The lines that are not blank, by number, cut at tabs. */
    private static Map<Integer, String[]> columns(Path file) throws IOException {
        Map<Integer, String[]> lines = new LinkedHashMap<>();
        try (LineReader line = LineReader.open(file)) {
            while (line.next()) {
                if (!line.isBlank()) {
                    lines.put(line.place().line(), line.text().strip().split("\t", -1));
                }
            }
        }
        if (lines.isEmpty()) {
            throw new BadInputException(
                    Place.of(file.toString()), "the file is empty", "write lines of: id, tab, text");
        }
        return lines;
    }

    private static Topics topics(Path file, Map<Integer, String[]> lines) {
        Map<String, Integer> lineOf = new LinkedHashMap<>();
        List<Topic> topics = new ArrayList<>();
        lines.forEach((number, columns) -> {
            Place place = new Place(file.toString(), number);
            if (columns.length != 2 || columns[1].isBlank()) {
                throw new BadInputException(
                        place,
                        "the line has "
                                + (columns.length == 2 ? "no text behind its tab" : columns.length + " columns"),
                        "write: id, tab, text");
            }
            String id = columns[0].strip();
            if (id.isEmpty() || id.chars().anyMatch(Character::isWhitespace)) {
                throw new BadInputException(
                        place,
                        "the topic's id is '" + id + "'",
                        "write one that is not empty and holds no white space");
            }
            Integer before = lineOf.put(id, number);
            if (before != null) {
                throw new BadInputException(
                        place,
                        "the topic '" + id + "' was given already, in line " + before,
                        "give each an id of its own");
            }
            topics.add(new Topic(id, columns[1].strip()));
        });
        return new Topics(topics);
    }
}
