/** Lines in, whole files out: what all formats share. */
@NullMarked
package org.catalexis.io.files;

import org.jspecify.annotations.NullMarked;
