package org.catalexis.search;

/**
 * The best documents of one segment so far: a heap whose root is the worst of them. Higher scores are better; of equal ones
 * the lower id rank.
 */
final class TopDocuments {
    private final int capacity;
    private int size;
    private double[] scores;
    private int[] documents;
    private int[] idRanks;

    TopDocuments(int capacity) {
        this.capacity = capacity;
        int room = Math.min(capacity, 1024);
        scores = new double[room];
        documents = new int[room];
        idRanks = new int[room];
    }

    int size() {
        return size;
    }

    double score(int i) {
        return scores[i];
    }

    int document(int i) {
        return documents[i];
    }

    /** Offers a document. O(log capacity), or O(1) if it is worse than all that are kept. */
    void offer(double score, int document, int idRank) {
        if (size < capacity) {
            if (size == scores.length) {
                grow();
            }
            int at = size++;
            while (at > 0 && isWorse(score, idRank, (at - 1) / 2)) {
                move((at - 1) / 2, at);
                at = (at - 1) / 2;
            }
            set(at, score, document, idRank);
        } else if (!isWorse(score, idRank, 0)) {
            int at = 0;
            while (2 * at + 1 < size) {
                int child = 2 * at + 1;
                if (child + 1 < size && isWorse(scores[child + 1], idRanks[child + 1], child)) {
                    child++;
                }
                if (isWorse(score, idRank, child)) {
                    break;
                }
                move(child, at);
                at = child;
            }
            set(at, score, document, idRank);
        }
    }

    private boolean isWorse(double score, int idRank, int than) {
        return score < scores[than] || score == scores[than] && idRank > idRanks[than];
    }

    private void move(int from, int to) {
        set(to, scores[from], documents[from], idRanks[from]);
    }

    private void set(int at, double score, int document, int idRank) {
        scores[at] = score;
        documents[at] = document;
        idRanks[at] = idRank;
    }

    private void grow() {
        int room = (int) Math.min(capacity, size * 2L);
        scores = java.util.Arrays.copyOf(scores, room);
        documents = java.util.Arrays.copyOf(documents, room);
        idRanks = java.util.Arrays.copyOf(idRanks, room);
    }
}
