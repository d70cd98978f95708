/**
 * What a document and its fields are.
 *
 * <p>How data flows here: a {@link org.catalexis.document.Schema} is read from the project's settings; a reader of some
 * format makes one {@link org.catalexis.document.Document} after the other, checking each value against its
 * {@link org.catalexis.document.FieldKind}; the index package takes them from there.
 */
@NullMarked
package org.catalexis.document;

import org.jspecify.annotations.NullMarked;
