package org.catalexis.text;

import java.util.Collection;
import java.util.List;

/** A fixed set of words, looked up from characters without making a string. Open addressing, at most half full. */
final class WordTable {
    private final List<String> words;
    private final char[][] table;
    private final int[] number;
    private final int longest;
    private final int shortest;

    WordTable(Collection<String> words) {
        this.words = words.stream().distinct().sorted().toList();
        longest = this.words.stream().mapToInt(String::length).max().orElse(0);
        shortest = this.words.stream().mapToInt(String::length).min().orElse(0);
        int slots = Integer.highestOneBit(Math.max(1, this.words.size())) * 4;
        table = new char[slots][];
        number = new int[slots];
        for (int i = 0; i < this.words.size(); i++) {
            char[] word = this.words.get(i).toCharArray();
            int at = hash(word, 0, word.length) & slots - 1;
            while (table[at] != null) {
                at = at + 1 & slots - 1;
            }
            table[at] = word;
            number[at] = i;
        }
    }

    /** The number of the word {@code chars[start, start + length)}, or -1. */
    int find(char[] chars, int start, int length) {
        if (length > longest || length < shortest) {
            return -1;
        }
        int mask = table.length - 1;
        for (int at = hash(chars, start, length) & mask; table[at] != null; at = at + 1 & mask) {
            char[] word = table[at];
            if (word.length == length && same(word, chars, start)) {
                return number[at];
            }
        }
        return -1;
    }

    String word(int number) {
        return words.get(number);
    }

    private static boolean same(char[] word, char[] chars, int start) {
        for (int i = 0; i < word.length; i++) {
            if (word[i] != chars[start + i]) {
                return false;
            }
        }
        return true;
    }

    /** Of the length and three letters: words of a list seldom share these, and the cost does not grow with the word. */
    private static int hash(char[] chars, int start, int length) {
        if (length == 0) {
            return 0;
        }
        int h = ((length * 31 + chars[start]) * 31 + chars[start + length / 2]) * 31 + chars[start + length - 1];
        h *= 0x9E3779B9;
        return h >>> 16 ^ h;
    }
}
