package org.catalexis.storage;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * A growing array of bytes with the encodings that a segment is made of. All numbers are little-endian; a varint has 7 bits
 * a byte, low bits first, and the top bit says that more follow.
 */
public final class Bytes {
    /** Reads and writes an int at any index of a byte array. */
    static final VarHandle INT = MethodHandles.byteArrayViewVarHandle(int[].class, ByteOrder.LITTLE_ENDIAN);

    /** Reads and writes a long at any index of a byte array. */
    static final VarHandle LONG = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);

    private byte[] bytes = new byte[256];
    private int size;

    /** The array; bytes from {@link #size} on mean nothing. Changes when it grows. */
    public byte[] array() {
        return bytes;
    }

    /** How many bytes were put. */
    public int size() {
        return size;
    }

    /** Forgets all bytes. */
    public void clear() {
        size = 0;
    }

    /** Appends one byte. */
    public void put(int value) {
        room(1);
        bytes[size++] = (byte) value;
    }

    /** Appends some bytes. */
    public void put(byte[] source, int from, int length) {
        room(length);
        System.arraycopy(source, from, bytes, size, length);
        size += length;
    }

    /** Appends all of {@code other}. */
    public void put(Bytes other) {
        put(other.bytes, 0, other.size);
    }

    /** Appends 4 bytes. */
    public void putInt(int value) {
        room(4);
        INT.set(bytes, size, value);
        size += 4;
    }

    /** Appends 8 bytes. */
    public void putLong(long value) {
        room(8);
        LONG.set(bytes, size, value);
        size += 8;
    }

    /** Appends {@code value}, at least 0, as a varint. */
    public void putVarint(long value) {
        room(10);
        long rest = value;
        while (rest > 127) {
            bytes[size++] = (byte) (rest | 128);
            rest >>>= 7;
        }
        bytes[size++] = (byte) rest;
    }

    /** Makes room for {@code more} bytes and counts them as put; their content is the caller's to write. Returns where they begin. */
    int skip(int more) {
        room(more);
        Arrays.fill(bytes, size, size + more, (byte) 0);
        size += more;
        return size - more;
    }

    private void room(int more) {
        if (more > bytes.length - size) {
            bytes = Arrays.copyOf(
                    bytes, Math.max(Math.addExact(size, more), (int) Math.min(bytes.length * 2L, 1 << 30)));
        }
    }
}
