package org.catalexis.io.judged;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;

/**
 * Scores as text with 9 significant digits, the same on every JDK: from the exact binary value, rounded half to even; not
 * by {@code Double.toString}, whose digits changed between JDK 18 and 19.
 *
 * @since 0.1
 */
public final class ScoreText {
    private static final MathContext DIGITS = new MathContext(9, RoundingMode.HALF_EVEN);
    private static final double[] TENS = {1e0, 1e1, 1e2, 1e3, 1e4, 1e5, 1e6, 1e7, 1e8, 1e9, 1e10};

    private ScoreText() {}

    /** The text of a score: {@code 12.3456789}; trailing zeros are left out. */
    public static String of(double score) {
        if (score >= 0.1 && score < 1e8) {
            int whole = score < 1 ? 0 : score < 10 ? 1 : digits((long) score);
            double scaled = score * TENS[9 - whole];
            double rounded = Math.rint(scaled);
            // scaled is off by at most its last bit (below 1e-6 here): only next to a half does that matter.
            if (Math.abs(Math.abs(scaled - rounded) - 0.5) > 1e-5) {
                return fixed((long) rounded, 9 - whole);
            }
        }
        if (score == 0) {
            return "0";
        }
        BigDecimal exact = new BigDecimal(score).round(DIGITS).stripTrailingZeros();
        return exact.precision() - exact.scale() > 18 || exact.scale() > 18 ? exact.toString() : exact.toPlainString();
    }

    private static int digits(long whole) {
        int digits = 1;
        for (long rest = whole; rest >= 10; rest /= 10) {
            digits++;
        }
        return digits;
    }

    private static String fixed(long scaled, int decimals) {
        String digits = Long.toString(scaled);
        StringBuilder text = new StringBuilder(digits);
        while (text.length() <= decimals) {
            text.insert(0, '0');
        }
        text.insert(text.length() - decimals, '.');
        int end = text.length();
        while (text.charAt(end - 1) == '0') {
            end--;
        }
        text.setLength(text.charAt(end - 1) == '.' ? end - 1 : end);
        return text.toString();
    }
}
