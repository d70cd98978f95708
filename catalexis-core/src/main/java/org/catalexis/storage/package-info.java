/**
 * Bytes on disk: sections, checksums, packed integers, the term dictionary. For the use of the index package; the only
 * door that others need is {@code org.catalexis.index}.
 *
 * <p>How data flows here: a {@link org.catalexis.storage.SegmentWriter} writes one section after the other and seals the
 * file with a table of contents; a {@link org.catalexis.storage.SegmentFile} maps it, and hands out
 * {@link org.catalexis.storage.Section}s, from which bytes are copied into small arrays, each 64 KiB chunk being checked
 * when it is first touched. {@link org.catalexis.storage.DictionaryWriter} and {@link org.catalexis.storage.Dictionary}
 * hold the sorted terms of a field.
 */
@NullMarked
package org.catalexis.storage;

import org.jspecify.annotations.NullMarked;
