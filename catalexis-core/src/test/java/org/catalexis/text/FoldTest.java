package org.catalexis.text;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.text.Normalizer2;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

class FoldTest {
    private static String folded(Fold fold, String text) {
        Chars chars = new Chars();
        chars.set(text);
        fold.apply(chars);
        return new String(chars.chars(), 0, chars.length());
    }

    @Test
    void caseIsFoldedInFull() {
        assertThat(folded(Fold.CASE, "STRASSE Straße ΣΊΣΥΦΟΣ ﬁ Ǆ 𐐀")).isEqualTo("strasse strasse σίσυφοσ fi ǆ 𐐨");
    }

    @Test
    void accentsGoFromLatinGreekAndCyrillic() {
        assertThat(folded(Fold.ACCENTS, "Łucja Brzęk, Ærø, smørrebrød, Đặng, ǣǿ, Ἀθῆναι, ё"))
                .isEqualTo("Lucja Brzek, AEro, smorrebrod, Dang, aeo, Αθηναι, е");
        assertThat(folded(Fold.ACCENTS, "cafe\u0301 s\u0323\u0307")).isEqualTo("cafe s");
    }

    /** Vowel signs of Devanagari and Thai, and the marks of Hebrew and Arabic, are no accents. */
    @Test
    void marksThatOtherScriptsNeedStay() {
        for (String text : new String[] {"हिन्दी", "ที่", "한국어", "が", "بَ"}) {
            assertThat(folded(Fold.ACCENTS, text)).isEqualTo(text);
        }
    }

    @Test
    void eachCharacterKnowsWhereItCameFrom() {
        Chars chars = new Chars();
        chars.set("aßb\u0301c");
        Fold.CASE.apply(chars); // a s s b ´ c
        Fold.ACCENTS.apply(chars); // a s s b c
        int[] origins = new int[chars.length() + 1];
        for (int i = 0; i < origins.length; i++) {
            origins[i] = chars.origin(i);
        }
        assertThat(origins).containsExactly(0, 1, 1, 2, 4, 5);
        chars.set("plain");
        Fold.CASE.apply(chars);
        assertThat(chars.moved()).isFalse();
    }

    @Property
    void caseFoldingIsIcusAndFoldingTwiceChangesNothing(@ForAll @StringLength(max = 30) String text) {
        String once = folded(Fold.CASE, text);
        assertThat(once).isEqualTo(UCharacter.foldCase(text, true));
        String bare = folded(Fold.ACCENTS, text);
        assertThat(folded(Fold.ACCENTS, bare)).isEqualTo(bare);
    }

    @Property
    void canonicallyEqualLatinTextsFoldAlike(
            @ForAll @StringLength(max = 12) @net.jqwik.api.constraints.CharRange(from = 'À', to = 'ž') String text) {
        assertThat(folded(Fold.ACCENTS, Normalizer2.getNFDInstance().normalize(text)))
                .isEqualTo(folded(Fold.ACCENTS, text));
    }
}
