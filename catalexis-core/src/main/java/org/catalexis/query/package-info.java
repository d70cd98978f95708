/**
 * What is asked for.
 *
 * <p>How data flows here: people's words become a {@link org.catalexis.query.Query}, a sealed tree of nodes, which the
 * search package evaluates.
 */
@NullMarked
package org.catalexis.query;

import org.jspecify.annotations.NullMarked;
