package org.catalexis.storage;

/**
 * An array of non-negative integers of one width, one after the other, low bits first: {@code count} (varint),
 * {@code width} (a byte, 0 to 31), the bits, and 7 bytes of zero, so that a value can be read as part of a long.
 */
public final class PackedArray {
    private PackedArray() {}

    /** Appends values[0, count). */
    public static void write(int[] values, int count, Bytes out) {
        int all = 0;
        for (int i = 0; i < count; i++) {
            all |= values[i];
        }
        int width = 32 - Integer.numberOfLeadingZeros(all);
        out.putVarint(count);
        out.put(width);
        long waiting = 0;
        int bits = 0;
        for (int i = 0; i < count; i++) {
            waiting |= (long) values[i] << bits;
            bits += width;
            for (; bits >= 8; bits -= 8) {
                out.put((int) waiting);
                waiting >>>= 8;
            }
        }
        out.put((int) waiting);
        out.skip(7);
    }

    /** Reads a whole array. O(count). */
    public static int[] read(byte[] bytes) {
        ByteReader reader = new ByteReader(bytes, 0);
        int[] values = new int[reader.varint()];
        int width = reader.next();
        long mask = (1L << width) - 1;
        long bit = reader.at() * 8L;
        for (int i = 0; i < values.length; i++, bit += width) {
            values[i] = (int) ((long) Bytes.LONG.get(bytes, (int) (bit >>> 3)) >>> (bit & 7) & mask);
        }
        return values;
    }
}
