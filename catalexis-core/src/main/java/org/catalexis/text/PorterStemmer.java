package org.catalexis.text;

/**
 * Stemmer {@code porter}: M. F. Porter, "An algorithm for suffix stripping", Program 14(3), 1980; every rule as the paper
 * prints it.
 *
 * <p>So unlike programs that go by the paper's name: two-letter words are stemmed too ({@code as} gives {@code a}),
 * step 2 has {@code abli -> able} and no rule for {@code logi}. One addition: a word that the rules would empty
 * ({@code s}) stays. Letters other than a-z, and digits, count as consonants.
 *
 * <p>In each step only the rule with the longest matching ending is tried; if its condition fails, nothing happens.
 * {@code m} below is the paper's measure: how often a vowel is followed by a consonant.
 */
final class PorterStemmer implements Stemmer {
    private static final String[] STEP_2 = {
        "ational", "ate", "tional", "tion", "enci", "ence", "anci", "ance", "izer", "ize", "abli", "able", "alli", "al",
        "entli", "ent", "eli", "e", "ousli", "ous", "ization", "ize", "ation", "ate", "ator", "ate", "alism", "al",
        "iveness", "ive", "fulness", "ful", "ousness", "ous", "aliti", "al", "iviti", "ive", "biliti", "ble"
    };
    private static final String[] STEP_3 = {
        "icate", "ic", "ative", "", "alize", "al", "iciti", "ic", "ical", "ic", "ful", "", "ness", ""
    };
    private static final String[] STEP_4 = {
        "al", "", "ance", "", "ence", "", "er", "", "ic", "", "able", "", "ible", "", "ant", "", "ement", "", "ment",
        "", "ent", "", "ion", "", "ou", "", "ism", "", "ate", "", "iti", "", "ous", "", "ive", "", "ize", ""
    };
    private static final SuffixRules RULES_2 = new SuffixRules(STEP_2);
    private static final SuffixRules RULES_3 = new SuffixRules(STEP_3);
    private static final SuffixRules RULES_4 = new SuffixRules(STEP_4);

    private static final int ION = RULES_4.number("ion");

    @Override
    public String name() {
        return "porter";
    }

    @Override
    public int stem(char[] w, int length) {
        int n = step1a(w, length);
        if (n == 0) {
            return length; // the word is "s"
        }
        n = step1b(w, n);
        step1c(w, n);
        n = step2(w, n);
        n = step3(w, n);
        n = step4(w, n);
        n = step5a(w, n);
        return step5b(w, n);
    }

    /** Plurals: sses to ss, ies to i, ss stays, s goes. */
    static int step1a(char[] w, int n) {
        if (w[n - 1] != 's') {
            return n;
        }
        if (SuffixRules.ends(w, n, "sses") || SuffixRules.ends(w, n, "ies")) {
            return n - 2;
        }
        return SuffixRules.ends(w, n, "ss") ? n : n - 1;
    }

    /** Past tenses and -ing: (m>0) eed to ee; (*v*) ed and ing go, and what is left is mended. */
    static int step1b(char[] w, int n) {
        if (SuffixRules.ends(w, n, "eed")) {
            return measure(w, n - 3) > 0 ? n - 1 : n;
        }
        int cut = SuffixRules.ends(w, n, "ed") ? 2 : SuffixRules.ends(w, n, "ing") ? 3 : 0;
        if (cut == 0 || !hasVowel(w, n - cut)) {
            return n;
        }
        int left = n - cut;
        if (SuffixRules.ends(w, left, "at") || SuffixRules.ends(w, left, "bl") || SuffixRules.ends(w, left, "iz")) {
            w[left] = 'e';
            return left + 1;
        }
        if (endsDouble(w, left)) {
            char last = w[left - 1];
            return last == 'l' || last == 's' || last == 'z' ? left : left - 1;
        }
        if (measure(w, left) == 1 && endsShort(w, left)) {
            w[left] = 'e';
            return left + 1;
        }
        return left;
    }

    /** (*v*) y to i. */
    static void step1c(char[] w, int n) {
        if (w[n - 1] == 'y' && hasVowel(w, n - 1)) {
            w[n - 1] = 'i';
        }
    }

    /** Double suffixes to single ones, if m > 0 before them. */
    static int step2(char[] w, int n) {
        int rule = RULES_2.longest(w, n);
        return rule >= 0 && measure(w, n - RULES_2.length(rule)) > 0 ? RULES_2.replace(rule, w, n) : n;
    }

    /** -ic-, -full, -ness and the like, if m > 0 before them. */
    static int step3(char[] w, int n) {
        int rule = RULES_3.longest(w, n);
        return rule >= 0 && measure(w, n - RULES_3.length(rule)) > 0 ? RULES_3.replace(rule, w, n) : n;
    }

    /** -ant, -ence and the like go, if m > 1 before them; -ion only after s or t. */
    static int step4(char[] w, int n) {
        int rule = RULES_4.longest(w, n);
        if (rule < 0) {
            return n;
        }
        int left = n - RULES_4.length(rule);
        if (rule == ION && (left == 0 || w[left - 1] != 's' && w[left - 1] != 't')) {
            return n;
        }
        return measure(w, left) > 1 ? left : n;
    }

    /** (m>1) e goes; (m=1 and not *o) e goes. */
    static int step5a(char[] w, int n) {
        if (w[n - 1] != 'e') {
            return n;
        }
        int m = measure(w, n - 1);
        return m > 1 || m == 1 && !endsShort(w, n - 1) ? n - 1 : n;
    }

    /** (m>1) ll to l. */
    static int step5b(char[] w, int n) {
        return w[n - 1] == 'l' && endsDouble(w, n) && measure(w, n - 1) > 1 ? n - 1 : n;
    }

    private static boolean isConsonant(char[] w, int i) {
        switch (w[i]) {
            case 'a':
            case 'e':
            case 'i':
            case 'o':
            case 'u':
                return false;
            case 'y':
                // "a Y preceded by a consonant" is a vowel. In a run of y's they take turns, so go to its begin.
                int first = i;
                while (first > 0 && w[first - 1] == 'y') {
                    first--;
                }
                boolean firstIsConsonant = first == 0 || !isConsonant(w, first - 1);
                return firstIsConsonant == ((i - first) % 2 == 0);
            default:
                return true;
        }
    }

    /** The m of the paper for w[0, n): [C](VC)^m[V]. */
    private static int measure(char[] w, int n) {
        int m = 0;
        boolean vowel = false;
        boolean consonant = false; // of the letter before
        for (int i = 0; i < n; i++) {
            consonant = w[i] == 'y' ? i == 0 || !consonant : isConsonant(w, i);
            if (consonant && vowel) {
                m++;
            }
            vowel = !consonant;
        }
        return m;
    }

    private static boolean hasVowel(char[] w, int n) {
        for (int i = 0; i < n; i++) {
            if (!isConsonant(w, i)) {
                return true;
            }
        }
        return false;
    }

    /** *d: ends with a double consonant. */
    private static boolean endsDouble(char[] w, int n) {
        return n > 1 && w[n - 1] == w[n - 2] && isConsonant(w, n - 1);
    }

    /** *o: ends consonant, vowel, consonant, the last not w, x or y. */
    private static boolean endsShort(char[] w, int n) {
        if (n < 3 || !isConsonant(w, n - 3) || isConsonant(w, n - 2) || !isConsonant(w, n - 1)) {
            return false;
        }
        char last = w[n - 1];
        return last != 'w' && last != 'x' && last != 'y';
    }
}
