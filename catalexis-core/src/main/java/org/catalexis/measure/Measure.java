package org.catalexis.measure;

import java.util.ArrayList;
import java.util.List;

/**
 * How good a ranking is, as one number. {@link Measures} has those that Catalexis knows; another is one more
 * implementation.
 *
 * @since 0.1
 */
public interface Measure {
    /** The name in the trade's notation, with options and cutoff: {@code nDCG[exp]@10}. */
    String name();

    /** The measure's value for one topic; 0 if nothing relevant was judged. */
    double of(JudgedRanking ranking);

    /** Rank down to which the measure looks; {@code Integer.MAX_VALUE} if to the end. */
    int cutoff();

    /** Reads a measure by its name: {@code AP}, {@code P@10}, {@code nDCG[exp,from=2]@10}. */
    static Measure of(String name) {
        return Measures.parse(name);
    }

    /** Reads several, parted by commas: {@code nDCG@10, AP}. */
    static List<Measure> list(String names) {
        List<Measure> measures = new ArrayList<>();
        int depth = 0;
        int start = 0;
        for (int i = 0; i <= names.length(); i++) {
            char c = i < names.length() ? names.charAt(i) : ',';
            depth += c == '[' ? 1 : c == ']' ? -1 : 0;
            if (c == ',' && (depth <= 0 || i == names.length())) {
                measures.add(of(names.substring(start, i).strip()));
                start = i + 1;
            }
        }
        return measures;
    }
}
