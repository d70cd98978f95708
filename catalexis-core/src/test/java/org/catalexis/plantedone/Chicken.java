package org.catalexis.plantedone;

import org.catalexis.plantedtwo.Egg;

/** A planted breach: half of a circle of packages, in a package that is not null-marked. */
public record Chicken(Egg other) {}
