package org.catalexis.measure;

import java.util.List;
import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.catalexis.settings.Nearest;

/**
 * The measures. A document counts as relevant if its grade is at least {@code from}: 1, or what {@code [from=n]} says. R is
 * the number of relevant documents that were judged, N that of the other judged ones; unjudged documents count as not
 * relevant, save in bpref, which passes over them.
 *
 * <pre>
 * P@k        relevant among the first k / k                                       (also if fewer than k were ranked)
 * R@k        relevant among the first k / R
 * RR, RR@k   1 / rank of the first relevant document; 0 if there is none among the first k
 * AP, AP@k   sum of P@r over the ranks r (to k) of relevant documents / R
 * nDCG, nDCG@k   DCG / that of all judged documents in the best order; DCG = sum of gain / log2(rank + 1);
 *            gain = grade, or 2^grade - 1 with [exp]; below from: 0
 *            (Järvelin and Kekäläinen, "Cumulated gain-based evaluation of IR techniques", 2002;
 *            the other gain: Burges et al., "Learning to rank using gradient descent", 2005)
 * bpref      1/R * sum over relevant ranked documents of 1 - min(n, R) / min(R, N), n = judged non-relevant ones above it;
 *            an addend is 1 where n is 0
 *            (Buckley and Voorhees, "Retrieval evaluation with incomplete information", 2004, and its usual correction
 *            for few non-relevant documents, min(R, N))
 * Coverage@k judged among the first k / the number ranked there (k, or fewer); 0 if none was ranked
 * </pre>
 */
final class Measures {
    private static final Pattern NAME = Pattern.compile("([A-Za-z]+)(?:\\[([^\\]]*)\\])?(?:@(\\d{1,9}))?");
    private static final List<String> KNOWN = List.of("nDCG", "AP", "P", "R", "RR", "bpref", "Coverage");
    private static final int ALL = Integer.MAX_VALUE;

    private Measures() {}

    /** The arithmetic of one measure. */
    private interface Formula {
        double of(JudgedRanking ranking, int cutoff, int from);
    }

    private record Named(String name, Formula formula, int cutoff, int from) implements Measure {
        @Override
        public double of(JudgedRanking ranking) {
            return formula.of(ranking, Math.min(cutoff, ranking.size()), from);
        }
    }

    static Measure parse(String text) {
        Matcher parts = NAME.matcher(text);
        if (!parts.matches()) {
            throw fault(text, "write a name, options in brackets if any, and a cutoff: nDCG[exp]@10");
        }
        String name = parts.group(1);
        boolean exponential = false;
        int from = 1;
        if (parts.group(2) != null) {
            for (String option : parts.group(2).split(",", -1)) {
                String trimmed = option.strip();
                if (trimmed.equals("exp") && name.equals("nDCG")) {
                    exponential = true;
                } else if (trimmed.matches("from=-?\\d{1,6}") && !name.equals("Coverage")) {
                    from = Integer.parseInt(trimmed.substring(5));
                } else {
                    throw fault(
                            text,
                            "the option '" + trimmed + "' is unknown here; known are from=GRADE, and for nDCG exp");
                }
            }
        }
        int cutoff = parts.group(3) == null ? ALL : Integer.parseInt(parts.group(3));
        if (cutoff == 0) {
            throw fault(text, "a cutoff is 1 or more");
        }
        if (cutoff != ALL && name.equals("bpref")) {
            throw fault(text, "bpref has no cutoff");
        }
        if (cutoff == ALL && List.of("P", "R", "Coverage").contains(name)) {
            throw fault(text, "it needs a cutoff: " + name + "@10");
        }
        int k = cutoff;
        boolean exp = exponential;
        Formula formula =
                switch (name) {
                    case "P" -> (ranking, end, grade) -> (double) relevant(ranking, end, grade) / k;
                    case "R" ->
                        (ranking, end, grade) -> share(relevant(ranking, end, grade), ranking.judgedFrom(grade));
                    case "RR" -> Measures::reciprocalRank;
                    case "AP" -> Measures::averagePrecision;
                    case "nDCG" -> (ranking, end, grade) -> ndcg(ranking, end, k, grade, exp);
                    case "bpref" -> (ranking, end, grade) -> bpref(ranking, grade);
                    case "Coverage" -> (ranking, end, grade) -> share(judged(ranking, end), end);
                    default -> throw fault(text, Nearest.hint(name, KNOWN));
                };
        return new Named(canonical(name, exp, from, cutoff), formula, cutoff, from);
    }

    private static IllegalArgumentException fault(String text, String mend) {
        return new IllegalArgumentException("the measure '" + text + "' is not known; " + mend);
    }

    private static String canonical(String name, boolean exp, int from, int cutoff) {
        String options = (exp ? "exp" : "") + (exp && from != 1 ? "," : "") + (from != 1 ? "from=" + from : "");
        return name
                + (options.isEmpty() ? "" : "[" + options + "]")
                + (cutoff == ALL ? "" : String.format(Locale.ROOT, "@%d", cutoff));
    }

    private static boolean isRelevant(int grade, int from) {
        return grade != JudgedRanking.UNJUDGED && grade >= from;
    }

    private static double share(double part, double whole) {
        return whole == 0 ? 0 : part / whole;
    }

    private static int relevant(JudgedRanking ranking, int end, int from) {
        int count = 0;
        for (int rank = 1; rank <= end; rank++) {
            count += isRelevant(ranking.grade(rank), from) ? 1 : 0;
        }
        return count;
    }

    private static int judged(JudgedRanking ranking, int end) {
        int count = 0;
        for (int rank = 1; rank <= end; rank++) {
            count += ranking.grade(rank) != JudgedRanking.UNJUDGED ? 1 : 0;
        }
        return count;
    }

    private static double reciprocalRank(JudgedRanking ranking, int end, int from) {
        for (int rank = 1; rank <= end; rank++) {
            if (isRelevant(ranking.grade(rank), from)) {
                return 1.0 / rank;
            }
        }
        return 0;
    }

    private static double averagePrecision(JudgedRanking ranking, int end, int from) {
        int seen = 0;
        double sum = 0;
        for (int rank = 1; rank <= end; rank++) {
            if (isRelevant(ranking.grade(rank), from)) {
                sum += (double) ++seen / rank;
            }
        }
        return share(sum, ranking.judgedFrom(from));
    }

    private static double ndcg(JudgedRanking ranking, int end, int cutoff, int from, boolean exp) {
        double dcg = 0;
        for (int rank = 1; rank <= end; rank++) {
            dcg += gain(ranking.grade(rank), from, exp) / log2(rank + 1);
        }
        double ideal = 0;
        for (int rank = 1; rank <= Math.min(cutoff, ranking.judged()); rank++) {
            ideal += gain(ranking.idealGrade(rank), from, exp) / log2(rank + 1);
        }
        return share(dcg, ideal);
    }

    private static double gain(int grade, int from, boolean exp) {
        if (!isRelevant(grade, Math.max(from, 1))) {
            return 0; // grades of 0 and below gain nothing whatever from is
        }
        return exp ? StrictMath.pow(2, grade) - 1 : grade;
    }

    private static double log2(int x) {
        return StrictMath.log(x) / StrictMath.log(2);
    }

    private static double bpref(JudgedRanking ranking, int from) {
        int relevant = ranking.judgedFrom(from);
        int most = Math.min(relevant, ranking.judged() - relevant);
        int others = 0;
        double sum = 0;
        for (int rank = 1; rank <= ranking.size(); rank++) {
            int grade = ranking.grade(rank);
            if (isRelevant(grade, from)) {
                sum += others == 0 ? 1 : 1 - (double) Math.min(others, relevant) / most;
            } else if (grade != JudgedRanking.UNJUDGED) {
                others++;
            }
        }
        return share(sum, relevant);
    }
}
