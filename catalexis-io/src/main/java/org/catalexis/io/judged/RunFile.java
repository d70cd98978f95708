package org.catalexis.io.judged;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.io.files.LineReader;
import org.catalexis.io.files.WholeFile;
import org.catalexis.measure.RankedList;
import org.catalexis.measure.Run;
import org.catalexis.settings.BadInputException;

/**
 * Runs as lines of {@code topic Q0 document rank score tag}.
 *
 * @since 0.1
 */
public final class RunFile {
    private RunFile() {}

    private record Line(String document, int rank, double score, int line) {}

    /**
     * Reads a run. The documents of a topic are put in order: by score, the highest first, then by their rank column. The tag
     * is the first line's.
     *
     * @throws BadInputException at the first line that is wrong: its columns, its numbers, or a document that its topic has
     *     already
     */
    public static Run read(Path file) throws IOException {
        Map<String, Map<String, Line>> topics = new LinkedHashMap<>();
        String[] tag = new String[1];
        Columns.read(file, "topic Q0 document rank score tag", (columns, line) -> {
            Line read = new Line(
                    columns[2],
                    rank(columns[3], line),
                    score(columns[4], line),
                    line.place().line());
            Line before =
                    topics.computeIfAbsent(columns[0], any -> new HashMap<>()).put(read.document, read);
            if (before != null) {
                throw line.fault(
                        "topic '" + columns[0] + "' has the document '" + read.document + "' already, in line "
                                + before.line,
                        "leave one of the two");
            }
            if (tag[0] == null) {
                tag[0] = columns[5];
            }
        });
        Map<String, RankedList> lists = new LinkedHashMap<>();
        topics.forEach((topic, lines) -> {
            List<Line> ordered = new ArrayList<>(lines.values());
            ordered.sort(Comparator.comparingDouble(Line::score)
                    .reversed()
                    .thenComparingInt(Line::rank)
                    .thenComparingInt(Line::line));
            lists.put(
                    topic,
                    new RankedList(
                            ordered.stream().map(Line::document).toList(),
                            ordered.stream().mapToDouble(Line::score).toArray()));
        });
        return new Run(tag[0], lists);
    }

    private static int rank(String text, LineReader line) {
        try {
            return Integer.parseInt(text);
        } catch (NumberFormatException e) {
            throw new BadInputException(line.place(), "rank is '" + text + "'", "write a whole number", e);
        }
    }

    private static double score(String text, LineReader line) {
        try {
            double score = Double.parseDouble(text);
            if (!Double.isNaN(score)) {
                return score;
            }
        } catch (NumberFormatException e) {
            throw new BadInputException(line.place(), "score is '" + text + "'", "write a number", e);
        }
        throw line.fault("score is '" + text + "'", "write a number");
    }

    /** Writes a run, whole or not at all. Ranks count from 1 in the order of the lists, whatever the rounded scores say. */
    public static void write(Path file, Run run) throws IOException {
        WholeFile.write(file, out -> {
            StringBuilder line = new StringBuilder();
            for (Map.Entry<String, RankedList> topic : run.topics().entrySet()) {
                RankedList list = topic.getValue();
                for (int i = 0; i < list.size(); i++) {
                    line.setLength(0);
                    line.append(topic.getKey())
                            .append(" Q0 ")
                            .append(list.documents().get(i));
                    line.append(' ').append(i + 1).append(' ').append(ScoreText.of(list.score(i)));
                    line.append(' ').append(run.tag()).append('\n');
                    out.append(line);
                }
            }
        });
    }
}
