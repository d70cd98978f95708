package org.catalexis.storage;

/** A named run of bytes in a segment file. Offsets count from the section's begin. Safe for all threads. */
public final class Section {
    private final SegmentFile file;
    private final String name;
    private final long start;
    private final long length;

    Section(SegmentFile file, String name, long start, long length) {
        this.file = file;
        this.name = name;
        this.start = start;
        this.length = length;
    }

    /** The section's name. */
    public String name() {
        return name;
    }

    /** Its length in bytes. */
    public long length() {
        return length;
    }

    boolean touches(int chunk) {
        long from = (long) chunk * SegmentWriter.CHUNK;
        return start < from + SegmentWriter.CHUNK && start + length > from;
    }

    /** Copies {@code n} bytes from {@code offset} on to {@code into[at]} and on. */
    public void read(long offset, byte[] into, int at, int n) {
        if (offset < 0 || n < 0 || offset + n > length) {
            throw file.damaged(
                    "section '" + name + "' has " + length + " bytes, and " + n + " from " + offset + " on are wanted");
        }
        file.read(name, start + offset, into, at, n);
    }

    /** All of the section, which must be under 2 GiB. */
    public byte[] readAll() {
        byte[] all = new byte[Math.toIntExact(length)];
        read(0, all, 0, all.length);
        return all;
    }
}
