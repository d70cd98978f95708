package org.catalexis.mendery;

import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.util.List;

/**
 * The files of the demo collection.
 *
 * @since 0.1
 */
public final class Mendery {
    /** Their names, as they lie in a project's folder. */
    public static final List<String> FILES = List.of(
            "catalexis.yaml",
            "data/guides.jsonl",
            "data/topics.tsv",
            "data/judgments.txt",
            "data/judging.md",
            "data/train.txt",
            "data/test.txt");

    private Mendery() {}

    /**
     * Opens one of {@link #FILES}.
     *
     * @throws FileNotFoundException if there is none of that name
     */
    public static InputStream open(String file) throws IOException {
        InputStream in = Mendery.class.getResourceAsStream(file);
        if (in == null) {
            throw new FileNotFoundException(file + " is not a file of the Mendery; it has " + String.join(", ", FILES));
        }
        return in;
    }
}
