package org.catalexis.storage;

/** Walks an array of bytes that {@link Bytes} wrote. Reading past the end throws an ArrayIndexOutOfBoundsException. */
public final class ByteReader {
    private byte[] bytes;
    private int at;

    /** A reader of {@code bytes} from {@code at} on. */
    public ByteReader(byte[] bytes, int at) {
        this.bytes = bytes;
        this.at = at;
    }

    /** Goes to another array, or another place. */
    public void set(byte[] newBytes, int newAt) {
        bytes = newBytes;
        at = newAt;
    }

    /** The index of the next byte. */
    public int at() {
        return at;
    }

    /** Steps over {@code n} bytes. */
    public void skip(int n) {
        at += n;
    }

    /** The next byte, 0 to 255. */
    public int next() {
        return bytes[at++] & 255;
    }

    /** The next varint, at most 31 bits. */
    public int varint() {
        int b = bytes[at++];
        int value = b & 127;
        for (int shift = 7; b < 0; shift += 7) {
            b = bytes[at++];
            value |= (b & 127) << shift;
        }
        return value;
    }

    /** The next varint, at most 63 bits. */
    public long longVarint() {
        long value = 0;
        int shift = 0;
        byte b;
        do {
            b = bytes[at++];
            value |= (b & 127L) << shift;
            shift += 7;
        } while (b < 0);
        return value;
    }

    /** The next 4 bytes. */
    public int nextInt() {
        at += 4;
        return (int) Bytes.INT.get(bytes, at - 4);
    }

    /** The next 8 bytes. */
    public long nextLong() {
        at += 8;
        return (long) Bytes.LONG.get(bytes, at - 8);
    }
}
