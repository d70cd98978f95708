/**
 * What a project file says, as a tree that knows where each value was written.
 *
 * <p>How data flows here: a reader of some notation (YAML in {@code catalexis-io}, plain maps in tests) makes a
 * {@link org.catalexis.settings.Settings}; the packages below take their part of it and turn it into values of their
 * own; whatever is wrong leaves as a {@link org.catalexis.settings.BadInputException} with its
 * {@link org.catalexis.settings.Place}.
 */
@NullMarked
package org.catalexis.settings;

import org.jspecify.annotations.NullMarked;
