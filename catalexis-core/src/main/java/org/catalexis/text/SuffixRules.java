package org.catalexis.text;

import java.util.stream.IntStream;

/**
 * A list of suffixes with their replacements, from which the longest that a word ends with is found fast: the rules are
 * grouped by the suffix's last two letters, longest first, so that most words meet an empty group.
 */
final class SuffixRules {
    private static final int LETTERS = 26;
    private static final int[] NONE = {};

    private final char[][] suffixes;
    private final char[][] replacements;
    /** Rule numbers by the last two letters a-z, longest suffix first. */
    private final int[][] byEnd = new int[LETTERS * LETTERS][];

    /** Rules from {@code suffix, replacement, suffix, replacement, ...}; suffixes are two or more letters a-z. */
    SuffixRules(String... pairs) {
        int n = pairs.length / 2;
        suffixes = new char[n][];
        replacements = new char[n][];
        for (int i = 0; i < n; i++) {
            suffixes[i] = pairs[2 * i].toCharArray();
            replacements[i] = pairs[2 * i + 1].toCharArray();
        }
        for (int end = 0; end < byEnd.length; end++) {
            int wanted = end;
            int[] rules = IntStream.range(0, n)
                    .filter(i -> end(suffixes[i], suffixes[i].length) == wanted)
                    .boxed()
                    .sorted((a, b) -> suffixes[b].length - suffixes[a].length)
                    .mapToInt(Integer::intValue)
                    .toArray();
            byEnd[end] = rules.length == 0 ? NONE : rules;
        }
    }

    /** The number of the last two letters of w[0, n), or -1 if they are not a-z. */
    private static int end(char[] w, int n) {
        int last = n < 2 ? -1 : w[n - 1] - 'a';
        int before = n < 2 ? -1 : w[n - 2] - 'a';
        return last < 0 || last >= LETTERS || before < 0 || before >= LETTERS ? -1 : before * LETTERS + last;
    }

    /** The rule whose suffix is the longest that w[0, n) ends with; -1 if none does. */
    int longest(char[] w, int n) {
        int end = end(w, n);
        if (end < 0) {
            return -1;
        }
        for (int rule : byEnd[end]) {
            if (ends(w, n, suffixes[rule])) {
                return rule;
            }
        }
        return -1;
    }

    /** Whether w[0, n) ends with {@code suffix}. */
    static boolean ends(char[] w, int n, String suffix) {
        int at = n - suffix.length();
        if (at < 0) {
            return false;
        }
        for (int i = suffix.length() - 1; i >= 0; i--) {
            if (w[at + i] != suffix.charAt(i)) {
                return false;
            }
        }
        return true;
    }

    int length(int rule) {
        return suffixes[rule].length;
    }

    /** The number of the rule for {@code suffix}: for rules that have a condition of their own. */
    int number(String suffix) {
        return IntStream.range(0, suffixes.length)
                .filter(i -> suffix.equals(new String(suffixes[i])))
                .findFirst()
                .orElseThrow();
    }

    /** Puts the rule's replacement in its suffix's place; returns the new length. */
    int replace(int rule, char[] w, int n) {
        int at = n - suffixes[rule].length;
        char[] put = replacements[rule];
        for (int i = 0; i < put.length; i++) {
            w[at + i] = put[i];
        }
        return at + put.length;
    }

    private static boolean ends(char[] w, int n, char[] suffix) {
        int at = n - suffix.length;
        if (at < 0) {
            return false;
        }
        for (int i = suffix.length - 3; i >= 0; i--) { // the last two letters are known to match
            if (w[at + i] != suffix[i]) {
                return false;
            }
        }
        return true;
    }
}
