package org.catalexis.settings;

/**
 * Where something was written.
 *
 * @param source a file's name as the user gave it, or what else the text came from
 * @param line counted from 1; 0 if the place is the whole source
 * @param column counted from 1; 0 if the place is the whole line
 * @since 0.1
 */
public record Place(String source, int line, int column) {
    /** A place that is a whole line. */
    public Place(String source, int line) {
        this(source, line, 0);
    }

    /** A place that is a whole file. */
    public static Place of(String source) {
        return new Place(source, 0, 0);
    }

    /** {@code file}, {@code file:line} or {@code file:line:column}. */
    @Override
    public String toString() {
        return line == 0 ? source : column == 0 ? source + ":" + line : source + ":" + line + ":" + column;
    }
}
