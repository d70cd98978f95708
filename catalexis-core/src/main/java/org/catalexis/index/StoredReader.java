package org.catalexis.index;

import com.github.luben.zstd.Zstd;
import java.util.Arrays;
import org.catalexis.storage.ByteReader;
import org.catalexis.storage.Section;

/** Fetches documents that a {@link StoredWriter} wrote. Safe for all threads. */
final class StoredReader {
    private final Section blocks;
    /** First document of each block, and one entry more: the number of documents. */
    private final int[] firstDocument;

    private final long[] blockAt;
    private final int[] rawSize;

    StoredReader(Section blocks, Section index) {
        this.blocks = blocks;
        ByteReader reader = new ByteReader(index.readAll(), 0);
        int count = reader.varint();
        firstDocument = new int[count + 1];
        blockAt = new long[count + 1];
        rawSize = new int[count];
        for (int i = 0; i < count; i++) {
            firstDocument[i + 1] = firstDocument[i] + reader.varint();
            blockAt[i + 1] = blockAt[i] + reader.varint();
            rawSize[i] = reader.varint();
        }
    }

    /** The JSON of a document, in UTF-8. Unpacks one block. */
    byte[] json(int document) {
        int found = Arrays.binarySearch(firstDocument, document);
        int block = found >= 0 ? found : -found - 2;
        byte[] packed = new byte[(int) (blockAt[block + 1] - blockAt[block])];
        blocks.read(blockAt[block], packed, 0, packed.length);
        byte[] raw = Zstd.decompress(packed, rawSize[block]);
        ByteReader reader = new ByteReader(raw, 0);
        for (int i = firstDocument[block]; ; i++) {
            int length = reader.varint();
            if (i == document) {
                return Arrays.copyOfRange(raw, reader.at(), reader.at() + length);
            }
            reader.skip(length);
        }
    }
}
