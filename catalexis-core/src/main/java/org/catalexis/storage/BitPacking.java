package org.catalexis.storage;

import java.util.Arrays;

/**
 * Blocks of 128 integers in as many bits each as the widest needs.
 *
 * <p>Four lanes stand side by side, so that a decoder may work on four values at once: value i of the block belongs to lane
 * i % 4, which holds its 32 values one after the other, low bits first, in {@code width} words of 32 bits; word j of lane l
 * is the block's word 4j + l. A block takes 16 * width bytes (Lemire and Boytsov, "Decoding billions of integers per second
 * through vectorization", 2015, describe the layout).
 */
public final class BitPacking {
    /** Integers in a block. */
    public static final int BLOCK = 128;

    private BitPacking() {}

    /** How many bits the widest of values[0, 128) takes, 0 to 31; none is negative. */
    public static int width(int[] values) {
        int all = 0;
        for (int i = 0; i < BLOCK; i++) {
            all |= values[i];
        }
        return 32 - Integer.numberOfLeadingZeros(all);
    }

    /** Appends a block of {@code width} bits a value: 16 * width bytes. */
    public static void pack(int[] values, int width, Bytes out) {
        if (width == 0) {
            return;
        }
        int at = out.skip(16 * width);
        byte[] bytes = out.array();
        for (int i = 0; i < BLOCK; i++) {
            int bit = i / 4 * width;
            int word = at + (bit >>> 5) * 16 + i % 4 * 4;
            int shift = bit & 31;
            Bytes.INT.set(bytes, word, (int) Bytes.INT.get(bytes, word) | values[i] << shift);
            if (shift + width > 32) {
                Bytes.INT.set(bytes, word + 16, (int) Bytes.INT.get(bytes, word + 16) | values[i] >>> 32 - shift);
            }
        }
    }

    /** Reads the block of {@code width} bits a value that begins at {@code bytes[at]} into values[0, 128). */
    public static void unpack(byte[] bytes, int at, int width, int[] values) {
        if (width == 0) {
            Arrays.fill(values, 0, BLOCK, 0);
            return;
        }
        int mask = (1 << width) - 1; // width is at most 31
        for (int k = 0, bit = 0; k < BLOCK; k += 4, bit += width) {
            int word = at + (bit >>> 5) * 16;
            int shift = bit & 31;
            if (shift + width <= 32) {
                for (int lane = 0; lane < 4; lane++) {
                    values[k + lane] = (int) Bytes.INT.get(bytes, word + 4 * lane) >>> shift & mask;
                }
            } else {
                for (int lane = 0; lane < 4; lane++) {
                    int low = (int) Bytes.INT.get(bytes, word + 4 * lane) >>> shift;
                    int high = (int) Bytes.INT.get(bytes, word + 16 + 4 * lane) << 32 - shift;
                    values[k + lane] = (low | high) & mask;
                }
            }
        }
    }
}
