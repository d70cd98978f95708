package org.catalexis.index;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.PriorityQueue;
import org.catalexis.storage.Bytes;
import org.catalexis.storage.Dictionary;
import org.catalexis.storage.TermEntry;

/** Walks several dictionaries as one, in order, group by group of equal terms. Holds one block of each in memory. */
final class TermMerge {
    /** One dictionary's place in the walk. */
    static final class Source {
        final int number;
        final TermEntry entry = new TermEntry();
        private final Dictionary.Cursor cursor;

        private Source(int number, Dictionary dictionary) {
            this.number = number;
            cursor = dictionary.cursor();
        }

        private static int compare(Source a, Source b) {
            Bytes x = a.cursor.term();
            Bytes y = b.cursor.term();
            int order = Arrays.compareUnsigned(x.array(), 0, x.size(), y.array(), 0, y.size());
            return order != 0 ? order : Integer.compare(a.number, b.number);
        }
    }

    private final PriorityQueue<Source> queue = new PriorityQueue<>(Source::compare);
    private final List<Source> group = new ArrayList<>();
    private final Bytes term = new Bytes();

    TermMerge(List<Dictionary> dictionaries) {
        for (int i = 0; i < dictionaries.size(); i++) {
            Source source = new Source(i, dictionaries.get(i));
            if (source.cursor.next(source.entry)) {
                queue.add(source);
            }
        }
    }

    /** The next term's sources, in the order of their dictionaries; empty at the end. Valid until the next call. */
    List<Source> next() {
        for (Source source : group) {
            if (source.cursor.next(source.entry)) {
                queue.add(source);
            }
        }
        group.clear();
        Source first = queue.poll();
        if (first == null) {
            return group;
        }
        term.clear();
        term.put(first.cursor.term());
        group.add(first);
        while (!queue.isEmpty() && isSame(queue.peek())) {
            group.add(queue.remove());
        }
        return group;
    }

    /** The term of the group, in UTF-8. */
    Bytes term() {
        return term;
    }

    private boolean isSame(Source other) {
        Bytes here = other.cursor.term();
        return Arrays.equals(here.array(), 0, here.size(), term.array(), 0, term.size());
    }

    static long countDistinct(List<Dictionary> dictionaries) {
        if (dictionaries.size() == 1) {
            return dictionaries.get(0).terms();
        }
        TermMerge merge = new TermMerge(dictionaries);
        long distinct = 0;
        while (!merge.next().isEmpty()) {
            distinct++;
        }
        return distinct;
    }
}
