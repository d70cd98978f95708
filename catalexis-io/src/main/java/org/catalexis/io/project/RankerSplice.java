package org.catalexis.io.project;

import java.io.IOException;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.catalexis.io.files.WholeFile;
import org.catalexis.score.Ranker;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.jspecify.annotations.Nullable;
import org.snakeyaml.engine.v2.api.lowlevel.Parse;
import org.snakeyaml.engine.v2.common.FlowStyle;
import org.snakeyaml.engine.v2.events.AliasEvent;
import org.snakeyaml.engine.v2.events.CollectionEndEvent;
import org.snakeyaml.engine.v2.events.CollectionStartEvent;
import org.snakeyaml.engine.v2.events.Event;
import org.snakeyaml.engine.v2.events.MappingStartEvent;
import org.snakeyaml.engine.v2.events.ScalarEvent;

/**
 * Puts a ranker into the text of a project file: a new one behind the others, or in the place of one of its name. Every byte
 * outside of that ranker stays as it is: comments, order, quotes, line ends.
 *
 * <p>Where it goes is told by the marks of the YAML parser's events. The new text is read again before it is written; it must
 * say what the old one said, but for that ranker.
 *
 * @since 0.1
 */
public final class RankerSplice {
    private RankerSplice() {}

    /**
     * Writes {@code ranker} into the project file under the name {@code name}.
     *
     * @throws BadInputException if the file is written in a way that leaves no place for it (the reason is named); the file is
     *     then as it was
     */
    public static void save(Project project, String name, Ranker ranker) throws IOException {
        String old = Project.text(project.file());
        String source = project.file().toString();
        String fresh = splice(source, old, name, ranker);
        WholeFile.write(project.file(), out -> out.write(fresh));
    }

    static String splice(String source, String old, String name, Ranker ranker) {
        Settings before = Yaml.read(source, old);
        String fresh = spliced(source, old, name, flow(ranker.plain()));
        Object expected = before.with("rankers." + name, ranker.plain()).plain();
        @Nullable Object got;
        try {
            got = Yaml.read(source, fresh).plain();
        } catch (BadInputException e) {
            throw refused(source, name, "the file would no longer be read (" + e.what() + ")", e);
        }
        if (!Objects.equals(expected, got)) {
            throw refused(source, name, "other settings would change with it (is it an anchor or alias?)", null);
        }
        return fresh;
    }

    private static BadInputException refused(String source, String name, String why, @Nullable Throwable cause) {
        return new BadInputException(
                Place.of(source),
                "the ranker '" + name + "' cannot be written: " + why,
                "save it under another name, or write the rankers without anchors",
                cause);
    }

    /** A map as YAML flow: {@code {score: {bm25: {k1: 0.9, b: 0.4}}, fields: {title: 3.0}}}. */
    private static String flow(Map<?, ?> map) {
        StringBuilder text = new StringBuilder("{");
        map.forEach((key, value) -> {
            text.append(text.length() > 1 ? ", " : "").append(key).append(": ");
            text.append(value instanceof Map<?, ?> inner ? flow(inner) : String.valueOf(value));
        });
        return text.append('}').toString();
    }

    /** A node's place in the text: where its content begins and ends, in UTF-16 units; the members of a mapping. */
    private record Span(int start, int end, boolean flow, List<Member> members) {
        Optional<Member> member(String name) {
            return members.stream().filter(member -> member.name.equals(name)).findFirst();
        }
    }

    /** A member of a mapping. {@code value} is as long as nothing if it is an empty value. */
    private record Member(String name, int keyStart, int keyEnd, Span value) {}

    private static String spliced(String source, String text, String name, String ranker) {
        Deque<Event> events = new ArrayDeque<>();
        new Parse(Yaml.settings(source)).parseString(text).forEach(events::add);
        events.removeIf(event -> switch (event.getEventId()) {
            case StreamStart, StreamEnd, DocumentStart, DocumentEnd, Comment -> true;
            default -> false;
        });
        Span root = span(events, text);
        String eol = text.contains("\r\n") ? "\r\n" : "\n";
        Optional<Member> rankers = root.member("rankers");
        if (rankers.isEmpty()) {
            if (root.flow) {
                return insert(
                        text,
                        root.end - 1,
                        (root.members.isEmpty() ? "" : ", ") + "rankers: {" + name + ": " + ranker + "}");
            }
            int at = lineEnd(text, root.end);
            return insert(text, at, startLine(text, at, eol) + "rankers:" + eol + "  " + name + ": " + ranker + eol);
        }
        Span group = rankers.get().value;
        Optional<Member> same = group.member(name);
        if (same.isPresent()) {
            Span value = same.get().value;
            String put =
                    value.start == value.end ? " " + ranker : ranker; // an empty value stands right behind the colon
            return text.substring(0, value.start) + put + text.substring(value.end);
        }
        if (group.flow) {
            return insert(text, lastContent(group), (group.members.isEmpty() ? "" : ", ") + name + ": " + ranker);
        }
        if (group.members.isEmpty()) { // "rankers:" without a value
            return insert(text, group.end, eol + "  " + name + ": " + ranker);
        }
        int column = column(text, group.members.get(0).keyStart);
        int at = lineEnd(text, group.end);
        return insert(text, at, startLine(text, at, eol) + " ".repeat(column) + name + ": " + ranker + eol);
    }

    private static String insert(String text, int at, String put) {
        return text.substring(0, at) + put + text.substring(at);
    }

    /** What to write before a new line at {@code at}: nothing, unless the text before it ends without a line end. */
    private static String startLine(String text, int at, String eol) {
        return at > 0 && text.charAt(at - 1) != '\n' ? eol : "";
    }

    /** Behind the line end of the line that holds {@code from - 1}. */
    private static int lineEnd(String text, int from) {
        int at = text.indexOf('\n', Math.max(0, from - 1));
        return at < 0 ? text.length() : at + 1;
    }

    private static int column(String text, int at) {
        return at - (text.lastIndexOf('\n', at - 1) + 1);
    }

    /** Where the last member of a flow mapping ends, or behind its brace if it has none. */
    private static int lastContent(Span flow) {
        return flow.members.isEmpty() ? flow.end - 1 : flow.members.get(flow.members.size() - 1).value.end;
    }

    /** Takes the events of one node. */
    private static Span span(Deque<Event> events, String text) {
        Event first = events.remove();
        int start = offset(text, first, true);
        if (first instanceof ScalarEvent || first instanceof AliasEvent) {
            return new Span(start, offset(text, first, false), false, List.of());
        }
        boolean isMapping = first instanceof MappingStartEvent;
        boolean flow = ((CollectionStartEvent) first).getFlowStyle() == FlowStyle.FLOW;
        List<Member> members = new ArrayList<>();
        int end = offset(text, first, false);
        while (!(events.element() instanceof CollectionEndEvent)) {
            if (isMapping) {
                String name = events.element() instanceof ScalarEvent key ? key.getValue() : "";
                Span key = span(events, text);
                Span value = span(events, text);
                members.add(new Member(name, key.start, key.end, value));
                end = Math.max(key.end, value.end);
            } else {
                end = span(events, text).end;
            }
        }
        Event last = events.remove();
        return new Span(start, flow ? offset(text, last, false) : end, flow, members);
    }

    /** The event's begin or end in UTF-16 units; the parser counts code points. */
    private static int offset(String text, Event event, boolean begin) {
        int codePoints = (begin ? event.getStartMark() : event.getEndMark())
                .orElseThrow(() -> new AssertionError("the parser was told to keep marks"))
                .getIndex();
        return text.offsetByCodePoints(0, codePoints);
    }
}
