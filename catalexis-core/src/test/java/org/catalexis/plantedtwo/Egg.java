package org.catalexis.plantedtwo;

import org.catalexis.plantedone.Chicken;

/** A planted breach: half of a circle of packages, in a package that is not null-marked. */
public record Egg(Chicken other) {}
