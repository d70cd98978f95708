package org.catalexis.index;

import java.util.Arrays;

/**
 * Many growing runs of bytes in pages of 64 KiB. A run is a chain of slices of 8, 16, 32, ... 4,096 bytes; the last 4 bytes
 * of a slice that is full are the address of the next one. An address is page * 65,536 + index in the page.
 */
final class Slices {
    private static final int PAGE_BITS = 16;
    private static final int PAGE = 1 << PAGE_BITS;
    private static final int MASK = PAGE - 1;
    private static final int LINK = 4; // bytes
    static final int TOP_LEVEL = 9;

    private byte[][] pages = new byte[16][];
    private int lastPage = -1;
    private int used = PAGE;

    static int size(int level) {
        return 8 << level;
    }

    /** A new slice; its last 4 bytes are for the link. */
    int slice(int level) {
        int size = size(level);
        if (used + size > PAGE) {
            if (++lastPage == pages.length) {
                pages = Arrays.copyOf(pages, lastPage * 2);
            }
            pages[lastPage] = new byte[PAGE];
            used = 0;
        }
        int address = lastPage << PAGE_BITS | used;
        used += size;
        return address;
    }

    void put(int address, int value) {
        pages[address >>> PAGE_BITS][address & MASK] = (byte) value;
    }

    int get(int address) {
        return pages[address >>> PAGE_BITS][address & MASK];
    }

    /** Writes at {@code address}, the place of a link, where the chain goes on. */
    void link(int address, int next) {
        for (int i = 0; i < LINK; i++) {
            put(address + i, next >>> 8 * i);
        }
    }

    int linked(int address) {
        int next = 0;
        for (int i = 0; i < LINK; i++) {
            next |= (get(address + i) & 255) << 8 * i;
        }
        return next;
    }

    /** Memory held, in bytes. */
    long held() {
        return (lastPage + 1L) * PAGE;
    }

    /** Walks one run from its first slice. */
    final class Reader {
        private int address;
        private int end;
        private int level;

        void begin(int first) {
            address = first;
            level = 0;
            end = first + size(0) - LINK;
        }

        int varint() {
            int b = next();
            int value = b & 127;
            for (int shift = 7; b < 0; shift += 7) {
                b = next();
                value |= (b & 127) << shift;
            }
            return value;
        }

        private int next() {
            if (address == end) {
                address = linked(address);
                level = Math.min(level + 1, TOP_LEVEL);
                end = address + size(level) - LINK;
            }
            return get(address++);
        }
    }
}
