package org.catalexis.io.project;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.jspecify.annotations.Nullable;
import org.snakeyaml.engine.v2.api.LoadSettings;
import org.snakeyaml.engine.v2.api.lowlevel.Compose;
import org.snakeyaml.engine.v2.exceptions.Mark;
import org.snakeyaml.engine.v2.exceptions.MarkedYamlEngineException;
import org.snakeyaml.engine.v2.exceptions.YamlEngineException;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.NodeTuple;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;
import org.snakeyaml.engine.v2.nodes.Tag;
import org.snakeyaml.engine.v2.schema.CoreSchema;

/**
 * Reads YAML 1.2 (core schema) into settings, each of which knows its line and column. Anchors and aliases are resolved.
 */
final class Yaml {
    /** Settings with more values than this are refused: aliases within aliases grow without end. */
    private static final int MOST_NODES = 100_000;

    private static final int MOST_DEPTH = 50;

    private final String source;
    private int nodes;

    private Yaml(String source) {
        this.source = source;
    }

    /** What the parser is told: the source's name for its messages, and to keep marks. */
    static LoadSettings settings(String source) {
        return LoadSettings.builder()
                .setLabel(source)
                .setUseMarks(true)
                .setSchema(new CoreSchema())
                .setCodePointLimit(10_000_000)
                .setMaxAliasesForCollections(1000) // what they may grow to is bounded below
                .build();
    }

    /**
     * Reads the text of a file.
     *
     * @throws BadInputException if it is not YAML, holds a key twice, or is no group of members
     */
    static Settings read(String source, String text) {
        Optional<Node> root;
        try {
            root = new Compose(settings(source)).composeString(text);
        } catch (MarkedYamlEngineException e) {
            Place place = e.getProblemMark().map(mark -> place(source, mark)).orElse(Place.of(source));
            throw new BadInputException(place, "is not YAML (" + e.getProblem() + ")", "mend the line", e);
        } catch (YamlEngineException e) {
            throw new BadInputException(Place.of(source), "is not YAML (" + e.getMessage() + ")", "mend the file", e);
        }
        if (root.isEmpty()) {
            throw new BadInputException(Place.of(source), "the file is empty", "write the project's settings into it");
        }
        Settings settings = new Yaml(source).settings(root.get(), "", 0);
        settings.members(); // a fault unless these are members
        return settings;
    }

    private static Place place(String source, Mark mark) {
        return new Place(source, mark.getLine() + 1, mark.getColumn() + 1);
    }

    private Place place(Node node) {
        return node.getStartMark().map(mark -> place(source, mark)).orElse(Place.of(source));
    }

    private Settings settings(Node node, String path, int depth) {
        Place place = place(node);
        if (++nodes > MOST_NODES || depth > MOST_DEPTH) {
            throw new BadInputException(
                    place,
                    depth > MOST_DEPTH ? "the settings are nested too deep" : "there are too many settings",
                    "look for an alias that contains itself");
        }
        if (node instanceof MappingNode mapping) {
            return Settings.node(place, path, members(mapping, path, depth));
        }
        if (node instanceof SequenceNode sequence) {
            List<Settings> items = new ArrayList<>();
            for (Node item : sequence.getValue()) {
                items.add(settings(item, Settings.join(path, String.valueOf(items.size())), depth + 1));
            }
            return Settings.node(place, path, items);
        }
        return Settings.node(place, path, value((ScalarNode) node));
    }

    private Map<String, Settings> members(MappingNode mapping, String path, int depth) {
        Map<String, Settings> members = new LinkedHashMap<>();
        for (NodeTuple member : mapping.getValue()) {
            if (!(member.getKeyNode() instanceof ScalarNode key)) {
                throw new BadInputException(place(member.getKeyNode()), "a key is a group or list", "write a name");
            }
            String name = key.getValue();
            Settings before = members.get(name);
            if (before != null) {
                throw new BadInputException(
                        place(key),
                        "the key '" + name + "' is there already, in line "
                                + before.place().line(),
                        "leave one of them");
            }
            Settings value = settings(member.getValueNode(), Settings.join(path, name), depth + 1);
            // The key's line is where people look for a fault of its value.
            members.put(name, Settings.node(place(key), value.path(), content(value)));
        }
        return members;
    }

    private static @Nullable Object content(Settings value) {
        return value.hasMembers() ? value.members() : value.isList() ? value.items() : value.plain();
    }

    private @Nullable Object value(ScalarNode scalar) {
        String text = scalar.getValue();
        Tag tag = scalar.getTag();
        try {
            if (tag.equals(Tag.INT)) {
                return text.startsWith("0x")
                        ? Long.parseLong(text.substring(2), 16)
                        : text.startsWith("0o") ? Long.parseLong(text.substring(2), 8) : Long.parseLong(text);
            }
        } catch (NumberFormatException e) {
            throw new BadInputException(
                    place(scalar), "'" + text + "' is beyond 64 bits", "write a smaller number, or quote it", e);
        }
        if (tag.equals(Tag.FLOAT)) {
            return text.toLowerCase(java.util.Locale.ROOT).endsWith(".inf")
                    ? (text.startsWith("-") ? Double.NEGATIVE_INFINITY : Double.POSITIVE_INFINITY)
                    : text.toLowerCase(java.util.Locale.ROOT).endsWith(".nan") ? Double.NaN : Double.parseDouble(text);
        }
        if (tag.equals(Tag.BOOL)) {
            return text.equalsIgnoreCase("true");
        }
        return tag.equals(Tag.NULL) ? null : text;
    }
}
