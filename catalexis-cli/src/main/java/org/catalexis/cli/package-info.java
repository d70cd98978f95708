/**
 * The commands.
 *
 * <p>How data flows here: {@link org.catalexis.cli.Catalexis} parses the call and runs one command class; that opens the
 * project through {@link org.catalexis.cli.ProjectOption}, has core and io do the work, and shows the result through
 * {@link org.catalexis.cli.Console}, as a table for people or as JSON for machines. Whatever goes wrong becomes one line on
 * the error stream and an exit code.
 */
@NullMarked
package org.catalexis.cli;

import org.jspecify.annotations.NullMarked;
