package org.catalexis.io.judged;

import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.io.files.LineReader;
import org.catalexis.measure.Judgment;
import org.catalexis.measure.Judgments;
import org.catalexis.settings.BadInputException;

/**
 * Judgments as lines of {@code topic 0 document grade}. The second column is kept for the format's sake and not read.
 *
 * @since 0.1
 */
public final class JudgmentsFile {
    private JudgmentsFile() {}

    /**
     * Reads a file.
     *
     * @param topics the ids of all topics there are; a judgment for another is a fault. Empty: any topic will do
     * @throws BadInputException at the first line that is wrong: its columns, its grade, its topic, or a document that was
     *     judged for the topic before with another grade
     */
    public static Judgments read(Path file, Collection<String> topics) throws IOException {
        List<Judgment> judgments = new ArrayList<>();
        Map<String, Map<String, Integer>> firstLines = new HashMap<>();
        Map<String, Map<String, Integer>> grades = new HashMap<>();
        Columns.read(file, "topic 0 document grade", (columns, line) -> {
            String topic = columns[0];
            String document = columns[2];
            int grade = grade(columns[3], line);
            if (!topics.isEmpty() && !topics.contains(topic)) {
                throw line.fault(
                        "the topic '" + topic + "' is not among the " + topics.size() + " known topics",
                        "add it to the topics, or take the line out");
            }
            Integer before =
                    grades.computeIfAbsent(topic, any -> new HashMap<>()).put(document, grade);
            Map<String, Integer> lines = firstLines.computeIfAbsent(topic, any -> new HashMap<>());
            if (before == null) {
                lines.put(document, line.place().line());
                judgments.add(new Judgment(topic, document, grade));
            } else if (before != grade) {
                throw line.fault(
                        "topic '" + topic + "', document '" + document + "' has grade " + grade + ", and " + before
                                + " in line " + lines.get(document),
                        "leave one of the two");
            }
        });
        return new Judgments(judgments);
    }

    private static int grade(String text, LineReader line) {
        try {
            return Integer.parseInt(text);
        } catch (NumberFormatException e) {
            throw new BadInputException(
                    line.place(), "grade is '" + text + "'", "write a whole number, 0 or below for not relevant", e);
        }
    }
}
