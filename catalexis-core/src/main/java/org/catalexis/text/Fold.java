package org.catalexis.text;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.lang.UScript;
import com.ibm.icu.text.Normalizer2;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Makes characters alike that should match: one code point at a time, without looking at its neighbours.
 *
 * <p>Character data are those of the ICU version that Catalexis ships with, not of the JDK, so that every JDK folds
 * alike.
 *
 * @since 0.1
 */
public final class Fold {
    /**
     * Upper and lower case: the full default case folding of the Unicode Standard (section 3.13; CaseFolding.txt, status C
     * and F), so that {@code STRASSE} and {@code Straße} meet as {@code strasse}.
     */
    public static final Fold CASE = new Fold("case", Fold::foldCase);

    /**
     * Accents: canonical decomposition without its combining marks, for Latin, Greek and Cyrillic letters; and the Latin
     * letters that do not decompose: {@code ł ø đ ß æ œ þ ð ı ŧ ħ}. Marks that other scripts need (vowel signs) stay.
     */
    public static final Fold ACCENTS = new Fold("accents", Fold::foldAccent);

    /** The folds by the names that a project file gives them. */
    public static final Map<String, Fold> BY_NAME = Map.of(CASE.name, CASE, ACCENTS.name, ACCENTS);

    /** Stands in a page for "not one unit for one": a noncharacter, which no text should hold (and which then is kept). */
    private static final char SPECIAL = '\uFFFF';

    private static final Map<Integer, String> UNDECOMPOSED = undecomposed();

    private final String name;
    private final Chars.Folding folding;
    /** For each 256 units of the BMP what becomes of them, made when first met. Racing threads make equal pages. */
    private final char[][] pages = new char[256][];

    private Fold(String name, Chars.Folding folding) {
        this.name = name;
        this.folding = folding;
    }

    /** The name in a project file. */
    public String name() {
        return name;
    }

    /** Folds {@code text} in place. O(length). */
    public void apply(Chars text) {
        int done = simple(text.chars(), 0, text.length());
        if (done < text.length()) {
            text.rewrite(done, folding);
        }
    }

    /**
     * Folds chars[from, to) in place as far as one unit becomes one.
     *
     * @return where it stopped: {@code to}, or the first unit that becomes none or several
     */
    int simple(char[] chars, int from, int to) {
        for (int i = from; i < to; i++) {
            char c = chars[i];
            char[] page = pages[c >>> 8];
            if (page == null) {
                page = page(c >>> 8);
            }
            char folded = page[c & 255];
            if (folded == SPECIAL) {
                return i;
            }
            chars[i] = folded;
        }
        return to;
    }

    /** What becomes of one code point: its replacement, or null if it stays. */
    @Nullable
    String one(int codePoint) {
        return folding.fold(codePoint);
    }

    private char[] page(int number) {
        char[] page = new char[256];
        for (int i = 0; i < 256; i++) {
            char c = (char) (number << 8 | i);
            String put = Character.isSurrogate(c) ? "" : folding.fold(c);
            page[i] = put == null ? c : put.length() == 1 ? put.charAt(0) : SPECIAL;
        }
        pages[number] = page;
        return page;
    }

    private static @Nullable String foldCase(int codePoint) {
        String same = Character.toString(codePoint);
        String folded = UCharacter.foldCase(same, true);
        return folded.equals(same) ? null : folded;
    }

    private static @Nullable String foldAccent(int codePoint) {
        String known = UNDECOMPOSED.get(codePoint);
        if (known != null) {
            return known;
        }
        if (isDiacritic(codePoint)) {
            return "";
        }
        int script = UScript.getScript(codePoint);
        if (script != UScript.LATIN && script != UScript.GREEK && script != UScript.CYRILLIC) {
            return null;
        }
        String apart = Normalizer2.getNFDInstance().getDecomposition(codePoint);
        if (apart == null) {
            return null;
        }
        StringBuilder bare = new StringBuilder();
        apart.codePoints().filter(part -> !isDiacritic(part)).forEach(part -> {
            String letter = UNDECOMPOSED.get(part); // ǣ is æ with a macron, and æ is ae
            bare.append(letter == null ? Character.toString(part) : letter);
        });
        return bare.toString();
    }

    /** The blocks of combining diacritical marks: those of Latin, Greek and Cyrillic, not the vowel signs of other scripts. */
    private static boolean isDiacritic(int c) {
        return c >= 0x300 && c <= 0x36F
                || c >= 0x1AB0 && c <= 0x1AFF
                || c >= 0x1DC0 && c <= 0x1DFF
                || c >= 0x20D0 && c <= 0x20FF
                || c >= 0xFE20 && c <= 0xFE2F;
    }

    private static Map<Integer, String> undecomposed() {
        String[] pairs = {
            "ł", "l", "Ł", "L", "ø", "o", "Ø", "O", "đ", "d", "Đ", "D", "ħ", "h", "Ħ", "H", "ŧ", "t", "Ŧ", "T", "ı",
            "i", "ß", "ss", "ẞ", "SS", "æ", "ae", "Æ", "AE", "œ", "oe", "Œ", "OE", "þ", "th", "Þ", "TH", "ð", "d", "Ð",
            "D", "ŋ", "n", "Ŋ", "N", "ŀ", "l", "Ŀ", "L", "ƀ", "b", "ɨ", "i", "ǥ", "g", "Ǥ", "G"
        };
        Map<Integer, String> map = new HashMap<>();
        for (int i = 0; i < pairs.length; i += 2) {
            map.put(pairs[i].codePointAt(0), pairs[i + 1]);
        }
        return map;
    }
}
