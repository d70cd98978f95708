package org.catalexis.index;

import java.util.Arrays;

/**
 * Sorts runs of bytes by unsigned order: a merge sort of item numbers, which first compares the first 8 bytes as one
 * number. O(n log n) comparisons, also for the worst input.
 */
final class ByteSort {
    private static final int SMALL = 8; // below that insertion is faster than merging

    private final byte[] pool;
    private final int[] starts;
    private final int[] lengths;
    private final long[] heads;

    private ByteSort(byte[] pool, int[] starts, int[] lengths, int count) {
        this.pool = pool;
        this.starts = starts;
        this.lengths = lengths;
        heads = new long[count];
        for (int i = 0; i < count; i++) {
            long head = 0;
            for (int k = 0; k < 8; k++) {
                head = head << 8 | (k < lengths[i] ? pool[starts[i] + k] & 255 : 0);
            }
            heads[i] = head;
        }
    }

    /** The numbers 0 to count - 1 in the order of their bytes pool[starts[i], starts[i] + lengths[i]). */
    static int[] order(byte[] pool, int[] starts, int[] lengths, int count) {
        int[] order = new int[count];
        for (int i = 0; i < count; i++) {
            order[i] = i;
        }
        new ByteSort(pool, starts, lengths, count).sort(order, new int[count], 0, count);
        return order;
    }

    private void sort(int[] order, int[] spare, int from, int to) {
        if (to - from < SMALL) {
            for (int i = from + 1; i < to; i++) {
                int item = order[i];
                int k = i;
                for (; k > from && isBefore(item, order[k - 1]); k--) {
                    order[k] = order[k - 1];
                }
                order[k] = item;
            }
            return;
        }
        int mid = from + to >>> 1;
        sort(order, spare, from, mid);
        sort(order, spare, mid, to);
        System.arraycopy(order, from, spare, from, mid - from);
        int left = from;
        int right = mid;
        for (int k = from; left < mid; k++) {
            order[k] = right < to && isBefore(order[right], spare[left]) ? order[right++] : spare[left++];
        }
    }

    private boolean isBefore(int a, int b) {
        if (heads[a] != heads[b]) {
            return Long.compareUnsigned(heads[a], heads[b]) < 0;
        }
        return Arrays.compareUnsigned(pool, starts[a], starts[a] + lengths[a], pool, starts[b], starts[b] + lengths[b])
                < 0;
    }
}
