package org.catalexis.measure;

/**
 * A mean and the 95 % interval around it.
 *
 * @since 0.1
 */
public record Interval(double mean, double low, double high) {}
