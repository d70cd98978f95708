package org.catalexis.measure;

import java.util.Arrays;
import java.util.List;
import java.util.Map;

/**
 * One topic's ranking as measures see it: grades by rank, and the grades of all that was judged. Immutable.
 *
 * @since 0.1
 */
public final class JudgedRanking {
    /** The grade of a document that nobody judged. */
    public static final int UNJUDGED = Integer.MIN_VALUE;

    private final int[] grades;
    private final int[] judged;

    /**
     * A ranking.
     *
     * @param grades by rank, the best document's first; {@link #UNJUDGED} where there is none
     * @param judged the grades of all documents judged for the topic, in any order
     */
    public JudgedRanking(int[] grades, int[] judged) {
        this.grades = grades.clone();
        this.judged = judged.clone();
        Arrays.sort(this.judged);
    }

    /** Looks up each document's grade. */
    static JudgedRanking of(RankedList ranked, Map<String, Integer> grades) {
        List<String> documents = ranked.documents();
        int[] byRank = new int[documents.size()];
        for (int i = 0; i < byRank.length; i++) {
            byRank[i] = grades.getOrDefault(documents.get(i), UNJUDGED);
        }
        return new JudgedRanking(
                byRank, grades.values().stream().mapToInt(Integer::intValue).toArray());
    }

    /** How many documents were ranked. */
    public int size() {
        return grades.length;
    }

    /** The grade at {@code rank}, from 1; {@link #UNJUDGED} if there is none. */
    public int grade(int rank) {
        return grades[rank - 1];
    }

    /** How many documents were judged with a grade of at least {@code from}. */
    public int judgedFrom(int from) {
        int count = 0;
        for (int i = judged.length - 1; i >= 0 && judged[i] >= from; i--) {
            count++;
        }
        return count;
    }

    /** How many documents were judged. */
    public int judged() {
        return judged.length;
    }

    /** The grade of the {@code rank}th best judged document, from 1. */
    public int idealGrade(int rank) {
        return judged[judged.length - rank];
    }
}
