package org.catalexis.io.documents;

import java.io.IOException;
import java.io.Writer;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.document.Json;
import org.catalexis.settings.BadInputException;
import org.jspecify.annotations.Nullable;

/**
 * What was wrong with some input: either the first faults, enough to mend the most at once and not so many that nobody reads
 * them; or, for those who want the rest of the input all the same, a file of rejected lines.
 *
 * @since 0.1
 */
public final class Faults {
    /** How many are kept. */
    public static final int MOST = 20;

    private final @Nullable Writer rejects;
    private final List<BadInputException> list = new ArrayList<>();
    private long rejected;

    /** Faults that stop the work. */
    public Faults() {
        rejects = null;
    }

    /**
     * Faults of single lines go to {@code rejects}, each as a line of JSON with the members {@code fault} and {@code line};
     * only those of a whole file stop the work.
     */
    public Faults(Writer rejects) {
        this.rejects = rejects;
    }

    /** Whether a bad line is rejected, and the work goes on. */
    public boolean rejects() {
        return rejects != null;
    }

    /** Keeps a fault that stops the work, if there is room. */
    public void add(BadInputException fault) {
        if (!isFull()) {
            list.add(fault);
        }
    }

    /** Keeps, or rejects, a fault of one line. */
    void add(BadInputException fault, String line) throws IOException {
        if (rejects == null) {
            add(fault);
            return;
        }
        Map<String, Object> reject = new LinkedHashMap<>();
        reject.put("fault", String.valueOf(fault.getMessage()));
        reject.put("line", line);
        rejects.write(Json.write(reject) + "\n");
        rejected++;
    }

    /** Whether there is no room for more: reading on would not tell more. */
    public boolean isFull() {
        return list.size() == MOST;
    }

    /** Whether nothing stops the work. */
    public boolean isEmpty() {
        return list.isEmpty();
    }

    /** The faults that stop the work, in the order of the input. */
    public List<BadInputException> list() {
        return List.copyOf(list);
    }

    /** How many lines were rejected. */
    public long rejected() {
        return rejected;
    }
}
