package org.catalexis.index;

/**
 * How much text a field holds, over the whole index.
 *
 * @param collection all documents of the index, whether they have the field or not: N
 * @param documents documents that have the field: whose length in it is at least 1
 * @param tokens the sum of the lengths
 * @since 0.1
 */
public record FieldCounts(long collection, long documents, long tokens) {
    /** The mean length over the documents that have the field, in tokens; 0 if none has. */
    public double averageLength() {
        return documents == 0 ? 0 : (double) tokens / documents;
    }
}
