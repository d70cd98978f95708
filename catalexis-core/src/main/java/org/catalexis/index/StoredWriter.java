package org.catalexis.index;

import com.github.luben.zstd.ZstdCompressCtx;
import java.io.Closeable;
import java.io.IOException;
import org.catalexis.storage.Bytes;
import org.catalexis.storage.SegmentWriter;

/**
 * Writes the documents themselves, as they come, in blocks compressed with zstd (RFC 8878).
 *
 * <pre>
 * documents       := block*, each a zstd frame of: for each document, varint length, its JSON in UTF-8
 * documents-index := varint blocks; for each: varint its documents, varint its bytes compressed, varint its bytes
 * </pre>
 */
final class StoredWriter implements Closeable {
    /** A block is ended at the first document that takes it over this many bytes: large enough to compress well. */
    private static final int BLOCK = 1 << 16;

    private static final int LEVEL = 3;

    private final SegmentWriter out;
    private final ZstdCompressCtx zstd = new ZstdCompressCtx().setLevel(LEVEL);
    private final Bytes block = new Bytes();
    private final Bytes index = new Bytes();
    private byte[] compressed = new byte[BLOCK * 2];
    private int documents;
    private int blocks;

    /** Begins the section; nothing else may be written to {@code out} until {@link #end}. */
    StoredWriter(SegmentWriter out) throws IOException {
        this.out = out;
        out.begin("documents");
    }

    void add(byte[] json) throws IOException {
        block.putVarint(json.length);
        block.put(json, 0, json.length);
        documents++;
        if (block.size() >= BLOCK) {
            endBlock();
        }
    }

    private void endBlock() throws IOException {
        if (documents == 0) {
            return;
        }
        int bound = (int) com.github.luben.zstd.Zstd.compressBound(block.size());
        if (compressed.length < bound) {
            compressed = new byte[bound];
        }
        int size = zstd.compressByteArray(compressed, 0, compressed.length, block.array(), 0, block.size());
        out.write(compressed, 0, size);
        index.putVarint(documents);
        index.putVarint(size);
        index.putVarint(block.size());
        blocks++;
        documents = 0;
        block.clear();
    }

    void end() throws IOException {
        endBlock();
        Bytes head = new Bytes();
        head.putVarint(blocks);
        head.put(index);
        out.section("documents-index", head);
    }

    @Override
    public void close() {
        zstd.close();
    }
}
