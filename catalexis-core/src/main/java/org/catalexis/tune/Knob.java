package org.catalexis.tune;

/**
 * A number that may be tuned.
 *
 * @param path where it stands in the project file: {@code rankers.plain.score.bm25.k1}
 * @param low least value that is tried
 * @param high greatest value that is tried, above {@code low}
 * @since 0.1
 */
public record Knob(String path, double low, double high) {
    /** Checks the range. */
    public Knob {
        if (!(low < high) || Double.isInfinite(low) || Double.isInfinite(high)) {
            throw new IllegalArgumentException(
                    "the range of " + path + " is " + low + ".." + high + "; give two numbers, the lower one first");
        }
    }

    /** The value that lies {@code share} (0 to 1) of the way up, to 4 significant digits, as it would be written down. */
    double at(double share) {
        return rounded(low + share * (high - low));
    }

    /** {@code value}, brought into the range, to 4 significant digits of the range's size. */
    double rounded(double value) {
        double unit = StrictMath.pow(10, Math.floor(StrictMath.log10(high - low)) - 3);
        // Dividing by a whole number of units keeps 0.75 what it is; multiplying by 0.0001 would not.
        double steps = unit >= 1 ? Math.rint(value / unit) * unit : Math.rint(value * (1 / unit)) / (1 / unit);
        return Math.max(low, Math.min(high, steps));
    }
}
