/**
 * The project file.
 *
 * <p>How data flows here: {@link org.catalexis.io.project.Yaml} reads {@code catalexis.yaml} into settings that know their
 * lines; {@link org.catalexis.io.project.Project} checks them and makes schema, pipelines and rankers of them;
 * {@link org.catalexis.io.project.RankerSplice} puts a ranker back into the file's text.
 */
@NullMarked
package org.catalexis.io.project;

import org.jspecify.annotations.NullMarked;
