/**
 * Builds and opens an index.
 *
 * <p>How data flows here: {@link org.catalexis.index.IndexBuilder} hands documents to its threads; each inverts them in
 * memory and, at its share of the memory budget, writes a {@link org.catalexis.index.Segment} through {@code storage};
 * a commit names all segments in a manifest. {@link org.catalexis.index.Index#open} reads the newest manifest and maps the
 * segments; a {@link org.catalexis.index.PostingReader} walks one term, a block of 128 documents at a time.
 */
@NullMarked
package org.catalexis.index;

import org.jspecify.annotations.NullMarked;
