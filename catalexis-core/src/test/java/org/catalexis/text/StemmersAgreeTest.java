package org.catalexis.text;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;

/** Each stemmer against its slow and plain twin, on words put together from what the rules look for. */
class StemmersAgreeTest {
    @Provide
    Arbitrary<String> words() {
        Arbitrary<String> begin =
                Arbitraries.strings().withChars("abeilnorstuyz").ofMinLength(0).ofMaxLength(6);
        Arbitrary<String> middle = Arbitraries.of(
                "", "at", "bl", "iz", "l", "tt", "ss", "y", "log", "gener", "commun", "ation", "ful", "less", "ive",
                "'", "ey");
        Arbitrary<String> end = Arbitraries.of(
                "", "s", "es", "ies", "sses", "us", "ed", "edly", "eed", "eedly", "ing", "ingly", "y", "ational",
                "tional", "enci", "anci", "izer", "abli", "alli", "entli", "eli", "ousli", "ization", "ator", "alism",
                "iveness", "fulness", "ousness", "aliti", "iviti", "biliti", "bli", "ogi", "fulli", "lessli", "li",
                "icate", "ative", "alize", "iciti", "ical", "ness", "ance", "ence", "er", "ic", "able", "ible", "ant",
                "ement", "ment", "ent", "ion", "ou", "ism", "iti", "ous", "ize", "e", "ll", "'s", "'s'", "5");
        return begin.flatMap(a -> middle.flatMap(b -> end.map(c -> a + b + c))).filter(word -> !word.isEmpty());
    }

    @Property(tries = 5000)
    void porter(@ForAll("words") String word) {
        String letters = word.replace("'", "");
        if (!letters.isEmpty()) {
            assertThat(new PorterStemmer().stem(letters)).as(letters).isEqualTo(PlainPorter.stem(letters));
        }
    }

    @Property(tries = 5000)
    void porter2(@ForAll("words") String word) {
        assertThat(new Porter2Stemmer().stem(word)).as(word).isEqualTo(PlainPorter2.stem(word));
    }
}
