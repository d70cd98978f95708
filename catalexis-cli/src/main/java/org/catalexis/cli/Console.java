package org.catalexis.cli;

import java.io.PrintWriter;
import java.util.Map;
import org.catalexis.document.Json;
import org.jspecify.annotations.Nullable;

/**
 * Where a command writes: results to {@link #out}, everything else (progress, notes, errors) to {@link #err}.
 *
 * @param colour whether results may be coloured: on a terminal, and without {@code NO_COLOR}
 * @param progress whether progress may be drawn: the error stream is a terminal
 * @param width columns that tables may take, at least 40
 */
record Console(PrintWriter out, PrintWriter err, boolean colour, boolean progress, int width) {
    /** Tables are made for this width where no terminal says otherwise. */
    static final int USUAL_WIDTH = 100;

    /** A console that is no terminal. */
    static Console plain(PrintWriter out, PrintWriter err) {
        return new Console(out, err, false, false, USUAL_WIDTH);
    }

    /** A value as indented JSON, and a line end. */
    void json(Map<String, ? extends @Nullable Object> value) {
        out.println(Json.writePretty(value));
    }

    /** A remark for people, on the error stream. */
    void note(String text) {
        err.println("note: " + text);
        err.flush();
    }

    String bold(String text) {
        return colour ? "\u001B[1m" + text + "\u001B[0m" : text;
    }

    String dim(String text) {
        return colour ? "\u001B[2m" + text + "\u001B[0m" : text;
    }
}
