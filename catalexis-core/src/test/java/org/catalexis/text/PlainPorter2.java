package org.catalexis.text;

import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Porter2 once more, with strings and regular expressions, rule by rule as its author wrote them down. Slow and plain. */
final class PlainPorter2 {
    private static final String V = "[aeiouy]";
    private static final String NOT_V = "[^aeiouy]";
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
            Map.entry("singly", "singl"));

    private PlainPorter2() {}

    private static String region(String word) {
        Matcher first = Pattern.compile(V + NOT_V).matcher(word);
        return first.find() ? word.substring(first.end()) : "";
    }

    /** The longest of {@code suffixes} (parted by |) that {@code w} ends with; empty if none. */
    private static String longest(String w, String suffixes) {
        String longest = "";
        for (String suffix : suffixes.split("\\|")) {
            longest = w.endsWith(suffix) && suffix.length() > longest.length() ? suffix : longest;
        }
        return longest;
    }

    private static String cut(String w, String suffix) {
        return w.substring(0, w.length() - suffix.length());
    }

    private static boolean endsShort(String w) {
        return w.matches(".*" + NOT_V + V + "[^aeiouywxY]") || w.matches(V + NOT_V);
    }

    static String stem(String word) {
        if (word.length() <= 2) {
            return word;
        }
        String w = word.replaceFirst("^'", "");
        if (EXCEPTIONS.containsKey(w)) {
            return EXCEPTIONS.getOrDefault(w, "");
        }
        if (w.matches("sky|news|howe|atlas|cosmos|bias|andes")) {
            return w;
        }
        // One after the other: a y that has become Y is no vowel for the next.
        for (int i = 0; i < w.length(); i++) {
            if (w.charAt(i) == 'y' && (i == 0 || w.substring(i - 1, i).matches(V))) {
                w = w.substring(0, i) + "Y" + w.substring(i + 1);
            }
        }
        Matcher own = Pattern.compile("^(gener|commun|arsen)").matcher(w);
        String r1 = own.find() ? w.substring(own.end()) : region(w);
        int begin1 = w.length() - r1.length();
        int begin2 = w.length() - region(r1).length();

        String step0 = w.replaceFirst("('s'|'s|')$", "");
        w = step0.isEmpty() ? w.substring(0, 1) : step0;
        w = step1(w, begin1);
        if (!w.startsWith("=")) {
            w = step2(w, begin1);
            w = step3(w, begin1, begin2);
            w = step4(w, begin2);
            w = step5(w, begin1, begin2);
        }
        return w.replace("=", "").replace('Y', 'y');
    }

    /** Steps 1a, 1b and 1c; a word that must not be touched again comes back with "=" before it. */
    private static String step1(String word, int begin1) {
        String w = word;
        if (w.endsWith("sses")) {
            w = cut(w, "es");
        } else if (w.matches(".*(ied|ies)")) {
            w = w.length() > 4 ? cut(w, "es") : cut(w, "s");
        } else if (!w.matches(".*(us|ss)") && w.matches(".*" + V + ".*.s")) {
            w = cut(w, "s");
        }
        if (w.matches("inning|outing|canning|herring|earring|proceed|exceed|succeed")) {
            return "=" + w;
        }
        String suffix = longest(w, "eed|eedly|ed|edly|ing|ingly");
        if (suffix.startsWith("eed")) {
            w = w.length() - suffix.length() >= begin1 ? cut(w, suffix) + "ee" : w;
        } else if (!suffix.isEmpty() && cut(w, suffix).matches(".*" + V + ".*")) {
            w = cut(w, suffix);
            if (w.matches(".*(at|bl|iz)")) {
                w += "e";
            } else if (w.matches(".*(bb|dd|ff|gg|mm|nn|pp|rr|tt)")) {
                w = w.substring(0, w.length() - 1);
            } else if (endsShort(w) && w.length() <= begin1) {
                w += "e";
            }
        }
        return w.matches(".+" + NOT_V + "[yY]") ? w.substring(0, w.length() - 1) + "i" : w;
    }

    private static String step2(String w, int begin1) {
        String[] rules =
                ("tional>tion enci>ence anci>ance abli>able entli>ent izer>ize ization>ize ational>ate ation>ate"
                                + " ator>ate alism>al aliti>al alli>al fulness>ful ousli>ous ousness>ous iveness>ive iviti>ive"
                                + " biliti>ble bli>ble ogi>og fulli>ful lessli>less li>")
                        .split(" ");
        String[] best = best(w, rules);
        String left = cut(w, best[0]);
        boolean refused = best[0].isEmpty()
                || left.length() < begin1
                || best[0].equals("ogi") && !left.endsWith("l")
                || best[0].equals("li") && !left.matches(".*[cdeghkmnrt]");
        return refused ? w : left + best[1];
    }

    private static String step3(String w, int begin1, int begin2) {
        String[] best =
                best(w, "tional>tion ational>ate alize>al icate>ic iciti>ic ical>ic ful> ness> ative>".split(" "));
        String left = cut(w, best[0]);
        return best[0].isEmpty() || left.length() < (best[0].equals("ative") ? begin2 : begin1) ? w : left + best[1];
    }

    private static String step4(String w, int begin2) {
        String suffix = longest(w, "al|ance|ence|er|ic|able|ible|ant|ement|ment|ent|ism|ate|iti|ous|ive|ize|ion");
        String left = cut(w, suffix);
        boolean refused = suffix.isEmpty() || left.length() < begin2 || suffix.equals("ion") && !left.matches(".*[st]");
        return refused ? w : left;
    }

    private static String step5(String w, int begin1, int begin2) {
        String left = w.substring(0, w.length() - 1);
        if (w.endsWith("e")) {
            return left.length() >= begin2 || left.length() >= begin1 && !endsShort(left) ? left : w;
        }
        return w.endsWith("ll") && left.length() >= begin2 ? left : w;
    }

    /** Suffix and replacement of the rule with the longest suffix that fits; two empty strings if none does. */
    private static String[] best(String w, String[] rules) {
        String[] best = {"", ""};
        for (String rule : rules) {
            String suffix = rule.substring(0, rule.indexOf('>'));
            if (w.endsWith(suffix) && suffix.length() > best[0].length()) {
                best = new String[] {suffix, rule.substring(rule.indexOf('>') + 1)};
            }
        }
        return best;
    }
}
