package org.catalexis.cli;

import java.util.List;
import java.util.Locale;

/** Figures as people read them. */
final class Figures {
    private Figures() {}

    /** {@code 63,087}. */
    static String count(long number) {
        return String.format(Locale.ROOT, "%,d", number);
    }

    /** {@code 1 segment}, {@code 3 segments}. */
    static String of(long number, String thing) {
        return count(number) + " " + thing + (number == 1 ? "" : "s");
    }

    /** {@code 14.2 MB}: millions of bytes, as disks are sold. */
    static String bytes(long bytes) {
        return bytes < 1000
                ? bytes + " B"
                : bytes < 1_000_000
                        ? String.format(Locale.ROOT, "%.1f kB", bytes / 1e3)
                        : bytes < 1_000_000_000
                                ? String.format(Locale.ROOT, "%.1f MB", bytes / 1e6)
                                : String.format(Locale.ROOT, "%.2f GB", bytes / 1e9);
    }

    /** A measure's value with 4 decimals. */
    static String value(double value) {
        return String.format(Locale.ROOT, "%.4f", value);
    }

    /** A share as percent with one decimal. */
    static String percent(double share) {
        return String.format(Locale.ROOT, "%.1f %%", share * 100);
    }

    /** The first ten of some names. */
    static String some(List<String> names) {
        return String.join(", ", names.subList(0, Math.min(10, names.size()))) + (names.size() > 10 ? ", ..." : "");
    }
}
