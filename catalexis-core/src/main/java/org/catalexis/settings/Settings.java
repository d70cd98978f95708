package org.catalexis.settings;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiFunction;
import org.jspecify.annotations.Nullable;

/**
 * A project's settings, or a part of them: a value (text, number, yes/no, nothing), a list, or named members. Immutable.
 * Every node knows its path ({@code rankers.plain.score.bm25.k1}) and the place where it was written, so that whoever
 * reads it can say what is wrong with it.
 *
 * @since 0.1
 */
public final class Settings {
    private final Place place;
    private final String path;
    /** String, Long, Double, Boolean, null, List of Settings, or Map of String to Settings. */
    private final @Nullable Object content;

    private Settings(Place place, String path, @Nullable Object content) {
        this.place = place;
        this.path = path;
        this.content = content;
    }

    /**
     * A node for a reader that knows places.
     *
     * @param content a String, Long, Double, Boolean or null; a list of Settings; or a map from name to Settings
     */
    public static Settings node(Place place, String path, @Nullable Object content) {
        if (content instanceof Map<?, ?> members) {
            Map<String, Settings> copy = new LinkedHashMap<>();
            members.forEach((name, member) -> copy.put((String) name, (Settings) member));
            return new Settings(place, path, copy);
        }
        return new Settings(place, path, content instanceof List<?> items ? List.copyOf(items) : content);
    }

    /** A tree made of plain maps, lists, strings, numbers and booleans; all of it has the one {@code place}. */
    public static Settings of(Place place, @Nullable Object plain) {
        return of(place, "", plain);
    }

    private static Settings of(Place place, String path, @Nullable Object plain) {
        if (plain instanceof Map<?, ?> map) {
            Map<String, Settings> members = new LinkedHashMap<>();
            map.forEach((name, value) -> members.put(name.toString(), of(place, join(path, name.toString()), value)));
            return new Settings(place, path, members);
        }
        if (plain instanceof List<?> list) {
            List<Settings> items = new ArrayList<>();
            for (Object item : list) {
                items.add(of(place, join(path, String.valueOf(items.size())), item));
            }
            return new Settings(place, path, List.copyOf(items));
        }
        if (plain instanceof Integer number) {
            return new Settings(place, path, (long) number);
        }
        return new Settings(place, path, plain);
    }

    /** {@code member} of {@code path}, as a path. */
    public static String join(String path, String member) {
        return path.isEmpty() ? member : path + "." + member;
    }

    /** Where this node was written. */
    public Place place() {
        return place;
    }

    /** The names from the root to this node, joined by dots; empty at the root. */
    public String path() {
        return path;
    }

    /** The last name of the path. */
    public String name() {
        return path.substring(path.lastIndexOf('.') + 1);
    }

    /** Whether this node has named members. */
    public boolean hasMembers() {
        return content instanceof Map;
    }

    /** The named members, in the order of writing; a fault if this node is something else. */
    @SuppressWarnings("unchecked")
    public Map<String, Settings> members() {
        if (content == null) {
            return Map.of();
        }
        if (!(content instanceof Map)) {
            throw fault("is " + shown(), "write it as members, each on a line of its own: 'name: value'");
        }
        return java.util.Collections.unmodifiableMap((Map<String, Settings>) content);
    }

    /** The items of a list; a single value counts as a list of itself, nothing as an empty one. */
    @SuppressWarnings("unchecked")
    public List<Settings> items() {
        return content == null ? List.of() : content instanceof List ? (List<Settings>) content : List.of(this);
    }

    /** The member of that name, if there is one. */
    public Optional<Settings> find(String name) {
        return Optional.ofNullable(members().get(name));
    }

    /** The member of that name; a fault if it is missing. */
    public Settings need(String name) {
        return find(name).orElseThrow(() -> fault("has no '" + name + "'", "add '" + name + ": ...'"));
    }

    /** The node at {@code relative}, a path from here; empty if no such node. */
    public Optional<Settings> at(String relative) {
        Settings node = this;
        for (String name : relative.split("\\.", -1)) {
            if (!node.hasMembers() || node.find(name).isEmpty()) {
                return Optional.empty();
            }
            node = node.need(name);
        }
        return Optional.of(node);
    }

    /** A fault if there is a member that is not {@code known}: its line, and the nearest known name. */
    public void allowOnly(String... known) {
        for (Settings member : members().values()) {
            if (!Arrays.asList(known).contains(member.name())) {
                throw new BadInputException(
                        member.place,
                        "unknown key '" + member.name() + "'" + (path.isEmpty() ? "" : " in '" + path + "'"),
                        Nearest.hint(member.name(), List.of(known)));
            }
        }
    }

    /** The value as text (a number or yes/no as it would be written). */
    public String text() {
        if (content == null || content instanceof Map || content instanceof List) {
            throw fault("is " + shown(), "write a text");
        }
        return content.toString();
    }

    /** The value as a number from {@code low} to {@code high}. */
    public double number(double low, double high) {
        if (content instanceof Number number) {
            double value = number.doubleValue();
            if (value >= low && value <= high) {
                return value;
            }
        }
        throw fault("is " + shown(), "write a number from " + shown(low) + " to " + shown(high));
    }

    /** Whether this node is a list. */
    public boolean isList() {
        return content instanceof List;
    }

    /** Whether the value is a number. */
    public boolean isNumber() {
        return content instanceof Number;
    }

    /** The value as one of {@code choices}, through {@code of}: for an enum, {@code choice(Kind.values(), Kind::word)}. */
    public <T> T choice(Map<String, T> choices) {
        String word = text();
        T chosen = choices.get(word);
        if (chosen == null) {
            throw fault("is '" + word + "'", Nearest.hint(word, choices.keySet()));
        }
        return chosen;
    }

    /**
     * Reads {@code possessive} or {@code {stop: english}}: a bare name, or one name with its argument.
     *
     * @param make called with the name and its argument; the argument is this node itself if the name stands bare
     */
    public <T> T named(BiFunction<String, Optional<Settings>, T> make) {
        if (!hasMembers()) {
            return make.apply(text(), Optional.empty());
        }
        if (members().size() != 1) {
            throw fault(
                    "has " + members().size() + " members ("
                            + String.join(", ", members().keySet()) + ")",
                    "write exactly one, as in {name: argument}");
        }
        Settings only = members().values().iterator().next();
        return make.apply(only.name(), Optional.of(only));
    }

    /** A copy in which the node at {@code relative} is {@code plain}; missing members on the way are made. */
    public Settings with(String relative, Object plain) {
        int dot = relative.indexOf('.');
        String first = dot < 0 ? relative : relative.substring(0, dot);
        Map<String, Settings> copy = new LinkedHashMap<>(members());
        Settings old = copy.getOrDefault(first, new Settings(place, join(path, first), null));
        copy.put(first, dot < 0 ? of(old.place, old.path, plain) : old.with(relative.substring(dot + 1), plain));
        return new Settings(place, path, copy);
    }

    /** The tree as plain maps, lists, strings, longs, doubles and booleans: equal trees say equal things. */
    public @Nullable Object plain() {
        if (content instanceof Map) {
            Map<String, @Nullable Object> plain = new LinkedHashMap<>();
            members().forEach((name, member) -> plain.put(name, member.plain()));
            return plain;
        }
        if (content instanceof List) {
            List<@Nullable Object> plain = new ArrayList<>();
            items().forEach(item -> plain.add(item.plain()));
            return plain;
        }
        return content;
    }

    /** A fault of this node: {@code file:line: 'path' what; mend}. */
    public BadInputException fault(String what, String mend) {
        return new BadInputException(place, (path.isEmpty() ? "the file " : "'" + path + "' ") + what, mend);
    }

    private String shown() {
        return content == null
                ? "empty"
                : content instanceof Map
                        ? "a group of members"
                        : content instanceof List ? "a list" : "'" + content + "'";
    }

    private static String shown(double bound) {
        return bound == Math.rint(bound) && Math.abs(bound) < 1e15
                ? String.valueOf((long) bound)
                : String.valueOf(bound);
    }

    /** The plain tree, for people. */
    @Override
    public String toString() {
        return String.valueOf(plain());
    }
}
