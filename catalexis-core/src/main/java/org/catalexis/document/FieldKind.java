package org.catalexis.document;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * What the values of a field are. In JSON any of them may be {@code null} or absent, which is no value; a text or label
 * field may hold a list.
 *
 * @since 0.1
 */
public enum FieldKind {
    /** Words to be searched: a string. */
    TEXT("a string", value -> value instanceof String, true),
    /** A name to filter by and count: a string. */
    LABEL("a string", value -> value instanceof String, true),
    /** A whole number of 64 bits. */
    INTEGER("a whole number", value -> value instanceof Long, false),
    /** A number of double precision. */
    DECIMAL("a number", value -> value instanceof Long || value instanceof Double, false),
    /** A day: {@code 2026-11-23}. */
    DATE("a day like \"2026-11-23\"", FieldKind::isDay, false),
    /** A point on the earth in degrees: {@code {"lat": 51.5, "lon": -0.1}}. */
    PLACE("a place like {\"lat\": 51.5, \"lon\": -0.1}", FieldKind::isPlace, false),
    /** Yes or no: {@code true} or {@code false}. */
    FLAG("true or false", value -> value instanceof Boolean, false);

    private final String wanted;
    private final Predicate<Object> accepts;
    private final boolean mayBeList;

    FieldKind(String wanted, Predicate<Object> accepts, boolean mayBeList) {
        this.wanted = wanted;
        this.accepts = accepts;
        this.mayBeList = mayBeList;
    }

    /** The word in a project file: {@code text}, {@code label}, ... */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    /** All kinds by their words. */
    public static Map<String, FieldKind> byWord() {
        Map<String, FieldKind> kinds = new TreeMap<>();
        for (FieldKind kind : values()) {
            kinds.put(kind.word(), kind);
        }
        return kinds;
    }

    /**
     * What is wrong with a value as {@link Json} reads it, in the words of an error message; empty if nothing is.
     */
    public Optional<String> fault(@Nullable Object value) {
        if (value == null || accepts.test(value)) {
            return Optional.empty();
        }
        if (mayBeList && value instanceof List<?> list) {
            return list.stream().map(this::fault).flatMap(Optional::stream).findFirst();
        }
        String shown = Json.write(value);
        return Optional.of((shown.length() > 60 ? shown.substring(0, 57) + "..." : shown) + " is not " + wanted
                + (mayBeList ? " or a list of strings" : ""));
    }

    private static boolean isDay(Object value) {
        try {
            return value instanceof String text && LocalDate.parse(text).getYear() >= 0;
        } catch (DateTimeParseException e) {
            return false;
        }
    }

    private static boolean isPlace(Object value) {
        return value instanceof Map<?, ?> place
                && place.get("lat") instanceof Number lat
                && place.get("lon") instanceof Number lon
                && Math.abs(lat.doubleValue()) <= 90
                && Math.abs(lon.doubleValue()) <= 180;
    }
}
