package org.catalexis.text;

import java.util.Map;
import java.util.Set;

/**
 * Stemmer {@code porter2}: M. F. Porter, "The English (Porter2) stemming algorithm", 2001-2002: its author's revision of
 * the algorithm of 1980, in its first published form (three words with a region R1 of their own: gener-, commun-,
 * arsen-).
 *
 * <p>Vowels are a, e, i, o, u and y; a y at the word's begin or after a vowel is a consonant, written Y while the rules
 * run. R1 is what follows the first non-vowel after a vowel; R2 the same within R1. Words of one or two letters stay.
 */
final class Porter2Stemmer implements Stemmer {
    private static final Map<String, String> EXCEPTIONS = Map.ofEntries(
            Map.entry("skis", "ski"),
            Map.entry("skies", "sky"),
            Map.entry("dying", "die"),
            Map.entry("lying", "lie"),
            Map.entry("tying", "tie"),
            Map.entry("idly", "idl"),
            Map.entry("gently", "gentl"),
            Map.entry("ugly", "ugli"),
            Map.entry("early", "earli"),
            Map.entry("only", "onli"),
            Map.entry("singly", "singl"),
            Map.entry("sky", "sky"),
            Map.entry("news", "news"),
            Map.entry("howe", "howe"),
            Map.entry("atlas", "atlas"),
            Map.entry("cosmos", "cosmos"),
            Map.entry("bias", "bias"),
            Map.entry("andes", "andes"));
    private static final Set<String> AFTER_1A =
            Set.of("inning", "outing", "canning", "herring", "earring", "proceed", "exceed", "succeed");
    private static final WordTable EXCEPTION_WORDS = new WordTable(EXCEPTIONS.keySet());
    private static final WordTable AFTER_1A_WORDS = new WordTable(AFTER_1A);

    private static final SuffixRules RULES_2 = new SuffixRules(
            "tional", "tion", "enci", "ence", "anci", "ance", "abli", "able", "entli", "ent", "izer", "ize", "ization",
            "ize", "ational", "ate", "ation", "ate", "ator", "ate", "alism", "al", "aliti", "al", "alli", "al",
            "fulness", "ful", "ousli", "ous", "ousness", "ous", "iveness", "ive", "iviti", "ive", "biliti", "ble",
            "bli", "ble", "ogi", "og", "fulli", "ful", "lessli", "less", "li", "");
    private static final SuffixRules RULES_3 = new SuffixRules(
            "tional", "tion", "ational", "ate", "alize", "al", "icate", "ic", "iciti", "ic", "ical", "ic", "ful", "",
            "ness", "", "ative", "");
    private static final SuffixRules RULES_4 = new SuffixRules(
            "al", "", "ance", "", "ence", "", "er", "", "ic", "", "able", "", "ible", "", "ant", "", "ement", "",
            "ment", "", "ent", "", "ism", "", "ate", "", "iti", "", "ous", "", "ive", "", "ize", "", "ion", "");

    // Rules with a condition of their own.
    private static final int OGI = RULES_2.number("ogi");
    private static final int LI = RULES_2.number("li");
    private static final int ATIVE = RULES_3.number("ative");
    private static final int ION = RULES_4.number("ion");

    /** A bit for each of a, e, i, o, u, y, counted from a. */
    private static final int VOWELS = 1 | 1 << 4 | 1 << 8 | 1 << 14 | 1 << 20 | 1 << 24;

    @Override
    public String name() {
        return "porter2";
    }

    @Override
    public int stem(char[] w, int length) {
        int n = length;
        if (n <= 2) {
            return n;
        }
        if (w[0] == '\'') {
            System.arraycopy(w, 1, w, 0, --n);
        }
        int known = EXCEPTION_WORDS.find(w, 0, n);
        if (known >= 0) {
            String stem = EXCEPTIONS.getOrDefault(EXCEPTION_WORDS.word(known), "");
            stem.getChars(0, stem.length(), w, 0);
            return stem.length();
        }
        boolean marked = markConsonantY(w, n);
        int r1 = firstRegion(w, n);
        int r2 = regionAfter(w, n, r1);
        n = step1a(w, Math.max(1, step0(w, n))); // at least 1: "''s" is all possessive
        if (AFTER_1A_WORDS.find(w, 0, n) < 0) {
            n = step1b(w, n, r1);
            step1c(w, n);
            n = step2(w, n, r1);
            n = step3(w, n, r1, r2);
            n = step4(w, n, r2);
            n = step5(w, n, r1, r2);
        }
        if (marked) {
            for (int i = 0; i < n; i++) {
                w[i] = w[i] == 'Y' ? 'y' : w[i];
            }
        }
        return n;
    }

    private static boolean markConsonantY(char[] w, int n) {
        boolean marked = false;
        for (int i = 0; i < n; i++) {
            if (w[i] == 'y' && (i == 0 || isVowel(w[i - 1]))) {
                w[i] = 'Y';
                marked = true;
            }
        }
        return marked;
    }

    private static int firstRegion(char[] w, int n) {
        switch (w[0]) { // few words begin with one of these letters
            case 'g':
                return begins(w, n, "gener") ? 5 : regionAfter(w, n, 0);
            case 'a':
                return begins(w, n, "arsen") ? 5 : regionAfter(w, n, 0);
            case 'c':
                return begins(w, n, "commun") ? 6 : regionAfter(w, n, 0);
            default:
                return regionAfter(w, n, 0);
        }
    }

    /** Where the region after the first non-vowel that follows a vowel begins, looking from {@code from}; n if nowhere. */
    private static int regionAfter(char[] w, int n, int from) {
        int i = from;
        while (i < n && !isVowel(w[i])) {
            i++;
        }
        while (i < n && isVowel(w[i])) {
            i++;
        }
        if (i < n) {
            return i + 1;
        }
        return n;
    }

    /** The possessive: 's' or 's or ' goes. */
    static int step0(char[] w, int n) {
        if (w[n - 1] == '\'') {
            return SuffixRules.ends(w, n, "'s'") ? n - 3 : n - 1;
        }
        return SuffixRules.ends(w, n, "'s") ? n - 2 : n;
    }

    /** Plurals. */
    static int step1a(char[] w, int n) {
        char last = w[n - 1];
        if (last == 'd' ? SuffixRules.ends(w, n, "ied") : SuffixRules.ends(w, n, "ies")) {
            return n > 4 ? n - 2 : n - 1; // cries: cri, ties: tie
        }
        if (last != 's' || n < 2) {
            return n;
        }
        if (SuffixRules.ends(w, n, "sses")) {
            return n - 2;
        }
        // s goes if a vowel stands before it, but not right before it: gaps, not gas.
        return w[n - 2] != 's' && w[n - 2] != 'u' && hasVowel(w, n - 2) ? n - 1 : n;
    }

    /** Past tenses and -ing. */
    static int step1b(char[] w, int n, int r1) {
        int cut;
        switch (w[n - 1]) { // most words end in none of these letters
            case 'd':
                cut = SuffixRules.ends(w, n, "ed") ? 2 : 0;
                break;
            case 'g':
                cut = SuffixRules.ends(w, n, "ing") ? 3 : 0;
                break;
            case 'y':
            case 'Y':
                cut = SuffixRules.ends(w, n, "edly") ? 4 : SuffixRules.ends(w, n, "ingly") ? 5 : 0;
                break;
            default:
                return n;
        }
        if (cut > 0 && n > cut && w[n - cut] == 'e' && w[n - cut - 1] == 'e') { // eed, eedly
            return n - cut - 1 >= r1 ? n - cut + 1 : n;
        }
        if (cut == 0 || !hasVowel(w, n - cut)) {
            return n;
        }
        int left = n - cut;
        if (SuffixRules.ends(w, left, "at") || SuffixRules.ends(w, left, "bl") || SuffixRules.ends(w, left, "iz")) {
            w[left] = 'e';
            return left + 1;
        }
        if (endsDouble(w, left)) {
            return left - 1;
        }
        if (left <= r1 && endsShortSyllable(w, left)) { // the word is short
            w[left] = 'e';
            return left + 1;
        }
        return left;
    }

    /** y to i after a non-vowel that is not the word's first letter. */
    static void step1c(char[] w, int n) {
        if (n > 2 && (w[n - 1] == 'y' || w[n - 1] == 'Y') && !isVowel(w[n - 2])) {
            w[n - 1] = 'i';
        }
    }

    static int step2(char[] w, int n, int r1) {
        int rule = RULES_2.longest(w, n);
        if (rule < 0 || n - RULES_2.length(rule) < r1) {
            return n;
        }
        int left = n - RULES_2.length(rule);
        if (rule == OGI && (left == 0 || w[left - 1] != 'l')
                || rule == LI && (left == 0 || "cdeghkmnrt".indexOf(w[left - 1]) < 0)) {
            return n;
        }
        return RULES_2.replace(rule, w, n);
    }

    static int step3(char[] w, int n, int r1, int r2) {
        int rule = RULES_3.longest(w, n);
        if (rule < 0) {
            return n;
        }
        int left = n - RULES_3.length(rule);
        return left < (rule == ATIVE ? r2 : r1) ? n : RULES_3.replace(rule, w, n);
    }

    static int step4(char[] w, int n, int r2) {
        int rule = RULES_4.longest(w, n);
        if (rule < 0) {
            return n;
        }
        int left = n - RULES_4.length(rule);
        if (left < r2 || rule == ION && (left == 0 || w[left - 1] != 's' && w[left - 1] != 't')) {
            return n;
        }
        return left;
    }

    static int step5(char[] w, int n, int r1, int r2) {
        int left = n - 1;
        if (w[left] == 'e') {
            return left >= r2 || left >= r1 && !endsShortSyllable(w, left) ? left : n;
        }
        return w[left] == 'l' && left >= r2 && left > 0 && w[left - 1] == 'l' ? left : n;
    }

    private static boolean isVowel(char c) {
        int letter = c - 'a';
        return letter >= 0 && letter < 26 && (VOWELS >>> letter & 1) != 0;
    }

    private static boolean hasVowel(char[] w, int n) {
        for (int i = 0; i < n; i++) {
            if (isVowel(w[i])) {
                return true;
            }
        }
        return false;
    }

    /** Ends with bb, dd, ff, gg, mm, nn, pp, rr or tt. */
    private static boolean endsDouble(char[] w, int n) {
        return n > 1 && w[n - 1] == w[n - 2] && "bdfgmnprt".indexOf(w[n - 1]) >= 0;
    }

    /** Ends non-vowel, vowel, non-vowel other than w, x or Y; or is a vowel and a non-vowel. */
    private static boolean endsShortSyllable(char[] w, int n) {
        if (n == 2) {
            return isVowel(w[0]) && !isVowel(w[1]);
        }
        if (n < 3 || isVowel(w[n - 3]) || !isVowel(w[n - 2]) || isVowel(w[n - 1])) {
            return false;
        }
        char last = w[n - 1];
        return last != 'w' && last != 'x' && last != 'Y';
    }

    private static boolean begins(char[] w, int n, String prefix) {
        if (n < prefix.length()) {
            return false;
        }
        for (int i = 0; i < prefix.length(); i++) {
            if (w[i] != prefix.charAt(i)) {
                return false;
            }
        }
        return true;
    }
}
