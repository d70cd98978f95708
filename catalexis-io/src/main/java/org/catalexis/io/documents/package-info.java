/**
 * Reads documents.
 *
 * <p>How data flows here: {@link org.catalexis.io.documents.JsonLines} turns each line of a file into a
 * {@link org.catalexis.document.Document} for whoever takes them, and puts what it cannot read on a list of
 * {@link org.catalexis.io.documents.Faults}.
 */
@NullMarked
package org.catalexis.io.documents;

import org.jspecify.annotations.NullMarked;
