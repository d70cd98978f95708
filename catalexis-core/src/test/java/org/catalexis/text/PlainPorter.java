package org.catalexis.text;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Porter 1980 once more, with strings and regular expressions: each word is first spelt as its pattern of consonants (C) and
 * vowels (V), on which the paper's conditions are simple expressions. Slow, and as plain as can be.
 */
final class PlainPorter {
    private PlainPorter() {}

    private static String shape(String word) {
        StringBuilder shape = new StringBuilder();
        for (int i = 0; i < word.length(); i++) {
            char c = word.charAt(i);
            boolean vowel = "aeiou".indexOf(c) >= 0 || c == 'y' && i > 0 && shape.charAt(i - 1) == 'C';
            shape.append(vowel ? 'V' : 'C');
        }
        return shape.toString();
    }

    private static int m(String stem) {
        return (int) Pattern.compile("V+C+").matcher(shape(stem)).results().count();
    }

    private static boolean hasVowel(String stem) {
        return shape(stem).contains("V");
    }

    private static boolean isDouble(String stem) {
        return stem.matches(".*(.)\\1") && shape(stem).endsWith("C");
    }

    private static boolean isShort(String stem) {
        return shape(stem).endsWith("CVC") && !stem.matches(".*[wxy]");
    }

    private static Map<String, String> rules(String text) {
        Map<String, String> rules = new LinkedHashMap<>();
        for (String rule : text.split(" ")) {
            rules.put(rule.substring(0, rule.indexOf('>')), rule.substring(rule.indexOf('>') + 1));
        }
        return rules;
    }

    private static final Map<String, String> STEP_2 =
            rules("ational>ate tional>tion enci>ence anci>ance izer>ize abli>able"
                    + " alli>al entli>ent eli>e ousli>ous ization>ize ation>ate ator>ate alism>al iveness>ive fulness>ful"
                    + " ousness>ous aliti>al iviti>ive biliti>ble");
    private static final Map<String, String> STEP_3 = rules("icate>ic ative> alize>al iciti>ic ical>ic ful> ness>");
    private static final Map<String, String> STEP_4 = rules(
            "al> ance> ence> er> ic> able> ible> ant> ement> ment> ent> ion>" + " ou> ism> ate> iti> ous> ive> ize>");

    /** The longest rule that fits, if its condition holds. */
    private static String apply(String word, Map<String, String> rules, int more) {
        String longest =
                rules.keySet().stream().filter(word::endsWith).reduce("", (a, b) -> b.length() > a.length() ? b : a);
        String stem = word.substring(0, word.length() - longest.length());
        boolean refused = longest.isEmpty() || m(stem) <= more || longest.equals("ion") && !stem.matches(".*[st]");
        return refused ? word : stem + rules.get(longest);
    }

    static String stem(String word) {
        String w = word;
        if (w.matches(".*(sses|ies)")) {
            w = w.substring(0, w.length() - 2);
        } else if (w.matches(".*[^s]s|s")) {
            w = w.substring(0, w.length() - 1);
        }
        if (w.isEmpty()) {
            return word;
        }
        if (w.endsWith("eed")) {
            w = m(w.substring(0, w.length() - 3)) > 0 ? w.substring(0, w.length() - 1) : w;
        } else {
            String cut = w.replaceFirst("(ed|ing)$", "");
            if (!cut.equals(w) && hasVowel(cut)) {
                w = cut;
                if (w.matches(".*(at|bl|iz)")) {
                    w += "e";
                } else if (isDouble(w) && !w.matches(".*[lsz]")) {
                    w = w.substring(0, w.length() - 1);
                } else if (!isDouble(w) && m(w) == 1 && isShort(w)) {
                    w += "e";
                }
            }
        }
        if (w.endsWith("y") && hasVowel(w.substring(0, w.length() - 1))) {
            w = w.substring(0, w.length() - 1) + "i";
        }
        w = apply(apply(apply(w, STEP_2, 0), STEP_3, 0), STEP_4, 1);
        if (w.endsWith("e")) {
            String stem = w.substring(0, w.length() - 1);
            w = m(stem) > 1 || m(stem) == 1 && !isShort(stem) ? stem : w;
        }
        return w.endsWith("l") && isDouble(w) && m(w) > 1 ? w.substring(0, w.length() - 1) : w;
    }
}
