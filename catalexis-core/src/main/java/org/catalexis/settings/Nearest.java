package org.catalexis.settings;

import java.util.Collection;
import java.util.Optional;

/**
 * Finds the known name that a mistyped one was meant to be.
 *
 * @since 0.1
 */
public final class Nearest {
    private Nearest() {}

    /**
     * The known name within a third of {@code typed}'s letters in edits (at least 1, a swap of neighbours counts as one);
     * among equals the first in order.
     */
    public static Optional<String> to(String typed, Collection<String> known) {
        int allowed = Math.max(1, typed.length() / 3);
        String best = null;
        int least = allowed + 1;
        for (String name : known) {
            int edits = edits(typed, name);
            if (edits < least) {
                least = edits;
                best = name;
            }
        }
        return Optional.ofNullable(best);
    }

    /** {@code did you mean 'x'?} if a known name is near, else the list of what is known. */
    public static String hint(String typed, Collection<String> known) {
        return to(typed, known)
                .map(name -> "did you mean '" + name + "'?")
                .orElseGet(() -> known.isEmpty() ? "none is defined" : "known are: " + String.join(", ", known));
    }

    /** Optimal string alignment distance, O(a.length * b.length). */
    private static int edits(String a, String b) {
        int[][] d = new int[a.length() + 1][b.length() + 1];
        for (int i = 0; i <= a.length(); i++) {
            for (int j = 0; j <= b.length(); j++) {
                if (i == 0 || j == 0) {
                    d[i][j] = i + j;
                    continue;
                }
                int change = a.charAt(i - 1) == b.charAt(j - 1) ? 0 : 1;
                d[i][j] = Math.min(Math.min(d[i - 1][j], d[i][j - 1]) + 1, d[i - 1][j - 1] + change);
                if (i > 1 && j > 1 && a.charAt(i - 1) == b.charAt(j - 2) && a.charAt(i - 2) == b.charAt(j - 1)) {
                    d[i][j] = Math.min(d[i][j], d[i - 2][j - 2] + 1);
                }
            }
        }
        return d[a.length()][b.length()];
    }
}
