package org.catalexis.text;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.Arrays;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The examples are those that the paper prints beside its rules (Porter 1980, section 2), step by step. */
class PorterStemmerTest {
    private interface Rule {
        int apply(char[] word, int length);
    }

    private static String by(Rule rule, String word) {
        char[] chars = Arrays.copyOf(word.toCharArray(), word.length() + Stemmer.ROOM);
        return new String(chars, 0, rule.apply(chars, word.length()));
    }

    private static void assertEach(Rule rule, String pairs) {
        for (String pair : pairs.split(" ")) {
            String[] sides = pair.split(">");
            assertThat(by(rule, sides[0])).as(sides[0]).isEqualTo(sides[1]);
        }
    }

    @Test
    void step1aTakesPluralsOff() {
        assertEach(PorterStemmer::step1a, "caresses>caress ponies>poni ties>ti caress>caress cats>cat");
    }

    @Test
    void step1bTakesPastTensesAndIngOffAndMendsWhatIsLeft() {
        assertEach(
                PorterStemmer::step1b,
                "feed>feed agreed>agree plastered>plaster bled>bled motoring>motor sing>sing conflated>conflate"
                        + " troubled>trouble sized>size hopping>hop tanned>tan falling>fall hissing>hiss fizzed>fizz"
                        + " failing>fail filing>file");
    }

    @Test
    void step1cTurnsYIntoI() {
        Rule rule = (word, length) -> {
            PorterStemmer.step1c(word, length);
            return length;
        };
        assertEach(rule, "happy>happi sky>sky");
    }

    @Test
    void step2MapsDoubleSuffixesToSingleOnes() {
        assertEach(
                PorterStemmer::step2,
                "relational>relate conditional>condition rational>rational valenci>valence hesitanci>hesitance"
                        + " digitizer>digitize conformabli>conformable radicalli>radical differentli>different vileli>vile"
                        + " analogousli>analogous vietnamization>vietnamize predication>predicate operator>operate"
                        + " feudalism>feudal decisiveness>decisive hopefulness>hopeful callousness>callous"
                        + " formaliti>formal sensitiviti>sensitive sensibiliti>sensible");
    }

    @Test
    void step3DealsWithIcFullAndNess() {
        assertEach(
                PorterStemmer::step3,
                "triplicate>triplic formative>form formalize>formal electriciti>electric electrical>electric"
                        + " hopeful>hope goodness>good");
    }

    @Test
    void step4TakesSingleSuffixesOff() {
        assertEach(
                PorterStemmer::step4,
                "revival>reviv allowance>allow inference>infer airliner>airlin gyroscopic>gyroscop adjustable>adjust"
                        + " defensible>defens irritant>irrit replacement>replac adjustment>adjust dependent>depend"
                        + " adoption>adopt homologou>homolog communism>commun activate>activ angulariti>angular"
                        + " homologous>homolog effective>effect bowdlerize>bowdler");
    }

    @Test
    void step5TakesTheLastEAndOneOfTwoLsOff() {
        assertEach(PorterStemmer::step5a, "probate>probat rate>rate cease>ceas");
        assertEach(PorterStemmer::step5b, "controll>control roll>roll");
    }

    /** generalizations and oscillators: the paper's section 3. The rest: where programs of this name part from the paper. */
    @ParameterizedTest
    @CsvSource({
        "generalizations, gener",
        "oscillators, oscil",
        "as, a",
        "is, i",
        "s, s",
        "geology, geologi",
        "feebly, feebli",
        "yyy, yyi"
    })
    void goesByThePaperAlsoWhereProgramsOfItsNameDoNot(String word, String stem) {
        assertThat(new PorterStemmer().stem(word)).isEqualTo(stem);
    }

    @Property
    void aStemIsNeverEmptyAndNeverLongerThanItsWord(
            @ForAll @StringLength(min = 1, max = 12) @CharRange(from = 'a', to = 'z') String word) {
        assertThat(new PorterStemmer().stem(word).length()).isBetween(1, word.length());
    }
}
