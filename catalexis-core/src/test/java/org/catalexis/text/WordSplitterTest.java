package org.catalexis.text;

import static org.assertj.core.api.Assertions.assertThat;

import com.ibm.icu.lang.UCharacter;
import com.ibm.icu.text.BreakIterator;
import com.ibm.icu.util.ULocale;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import net.jqwik.api.Arbitraries;
import net.jqwik.api.Arbitrary;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.Provide;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.junit.jupiter.api.Test;

class WordSplitterTest {
    private static final Pipeline WORDS = Pipeline.of("words", Settings.of(Place.of("test"), Map.of("split", "words")));

    private static List<String> words(String text) {
        return WORDS.tokens(text).stream().map(Token::text).toList();
    }

    @Test
    void keepsWhatTheAnnexHoldsTogether() {
        assertThat(words("The lamps' wiring: don't touch 3.5 or 1,200 M6x40 snake_case"))
                .containsExactly(
                        "The", "lamps", "wiring", "don't", "touch", "3.5", "or", "1,200", "M6x40", "snake_case");
        assertThat(words("Łucja's café in İzmir")).containsExactly("Łucja's", "café", "in", "İzmir");
        assertThat(words("a.b.c. e.g. ___ 'x' --")).containsExactly("a.b.c", "e.g", "x");
    }

    @Test
    void cutsScriptsWithoutSpacesByDictionary() {
        assertThat(words("ซ่อมโคมไฟ")).hasSizeGreaterThan(1);
        assertThat(words("修理ランプ and カタカナ語")).contains("修理", "and").hasSizeGreaterThan(3);
    }

    @Test
    void countsPositionsOnAcrossBatches() {
        String text = "word ".repeat(3 * TokenBatch.CAPACITY);
        List<Token> tokens = WORDS.tokens(text);
        assertThat(tokens).hasSize(3 * TokenBatch.CAPACITY);
        Token last = tokens.get(tokens.size() - 1);
        assertThat(last).isEqualTo(new Token("word", tokens.size() - 1, text.length() - 5, text.length() - 1));
    }

    /** Pieces that meet at every rule of the annex; no script that ICU cuts by dictionary, where the annex has no rule. */
    @Provide
    Arbitrary<String> awkward() {
        return Arbitraries.of(
                        "a", "Z", "é", "ß", "\u0301", "\u200D", "\u00AD", "5", "٣", "_", "'", "’", "\"", ".", ",", ";",
                        "·", "א", "ב", "カ", "ー", "😀", "👩", "\u200D❤", "🇫", " ", "\r\n", "-", "İ", "Ω", "ж", "ª", "²",
                        "\uD800", "𝐀", "َ", "ع")
                .list()
                .ofMinSize(1)
                .ofMaxSize(14)
                .map(parts -> String.join("", parts));
    }

    @Property(tries = 3000)
    void agreesWithTheSegmentsOfIcuThatHoldALetterOrDigit(@ForAll("awkward") String text) {
        List<String> expected = new ArrayList<>();
        BreakIterator icu = BreakIterator.getWordInstance(ULocale.ROOT);
        icu.setText(text);
        int from = icu.first();
        for (int to = icu.next(); to != BreakIterator.DONE; from = to, to = icu.next()) {
            String segment = text.substring(from, to);
            if (segment.codePoints().anyMatch(UCharacter::isLetterOrDigit)) {
                expected.add(segment);
            }
        }
        assertThat(words(text)).isEqualTo(expected);
    }
}
