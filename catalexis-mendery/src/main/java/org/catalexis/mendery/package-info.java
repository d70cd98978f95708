/**
 * The Mendery: repair guides of an invented network of community repair workshops in invented towns. Resources, and
 * {@link org.catalexis.mendery.Mendery} to get at them. Nothing in it is real.
 */
@NullMarked
package org.catalexis.mendery;

import org.jspecify.annotations.NullMarked;
