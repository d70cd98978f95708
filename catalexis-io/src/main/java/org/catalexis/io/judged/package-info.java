/**
 * Reads topics, judgments and runs, and writes runs, in the trade's open formats.
 *
 * <p>How data flows here: each class reads one kind of file, line by line, into the value of the measure package that it is
 * named after.
 */
@NullMarked
package org.catalexis.io.judged;

import org.jspecify.annotations.NullMarked;
