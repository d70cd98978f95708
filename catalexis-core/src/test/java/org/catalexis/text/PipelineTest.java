package org.catalexis.text;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Map;
import java.util.Objects;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.StringLength;
import org.catalexis.settings.Place;
import org.catalexis.settings.Settings;
import org.junit.jupiter.api.Test;

class PipelineTest {
    private static Pipeline of(Object definition) {
        return Pipeline.of("test", Settings.of(new Place("catalexis.yaml", 7), definition));
    }

    private static final Pipeline ENGLISH = of(Map.of(
            "fold", List.of("case", "accents"),
            "split", "words",
            "steps", List.of("possessive", Map.of("stop", "english"), Map.of("stem", "porter2"))));

    private static List<String> texts(Pipeline pipeline, String text) {
        return pipeline.tokens(text).stream().map(Token::text).toList();
    }

    @Test
    void foldsSplitsAndStems() {
        assertThat(texts(ENGLISH, "The lamps' wiring in Łucja's CAFÉ"))
                .containsExactly("lamp", "wire", "lucja", "cafe");
    }

    @Test
    void droppedWordsLeaveTheirPositions() {
        assertThat(ENGLISH.tokens("hinge of the door"))
                .containsExactly(new Token("hing", 0, 0, 5), new Token("door", 3, 13, 17));
    }

    @Test
    void offsetsPointIntoTheOriginalEvenWhereFoldsChangeLengths() {
        String text = "Straße cafe\u0301 Æsir";
        for (Token token : ENGLISH.tokens(text)) {
            assertThat(List.of("Straße", "cafe\u0301", "Æsir")).contains(text.substring(token.from(), token.to()));
        }
        assertThat(texts(ENGLISH, text)).containsExactly("strass", "cafe", "aesir");
    }

    @Test
    void aFoldMayStandAmongTheSteps() {
        Pipeline late = of(Map.of("fold", List.of("case"), "steps", List.of(Map.of("fold", "accents"))));
        assertThat(texts(late, "Æble crème I\u0307")).containsExactly("aeble", "creme", "i");
        assertThat(late.definition()).isEqualTo("fold: [case], split: words, steps: [fold: accents]");
    }

    @Test
    void theDefinitionTellsTheStopListByItsWords() {
        assertThat(of(Map.of("steps", List.of(Map.of("stop", "english")))).definition())
                .matches("fold: \\[\\], split: words, steps: \\[stop: english \\(\\d+ words, [0-9a-f]+\\)\\]");
    }

    @Test
    void alphanumericTakesRunsOfLettersAndDigits() {
        assertThat(texts(of(Map.of("split", "alphanumeric")), "info@mendery.example M6x40 don't é𝐀9"))
                .containsExactly("info", "mendery", "example", "M6x40", "don", "t", "é𝐀9");
    }

    @Test
    void cutsATokenThatIsTooLongAndSaysSo() {
        TokenReader reader = of(Map.of()).reader();
        reader.begin("x".repeat(20_000));
        TokenBatch batch = Objects.requireNonNull(reader.next());
        assertThat(batch.length(0)).isEqualTo(TokenBatch.LONGEST);
        assertThat(batch.to(0)).isEqualTo(20_000);
        assertThat(reader.cut()).isEqualTo(1);
    }

    @Test
    void refusesUnknownNamesWithTheNearestOne() {
        assertThatThrownBy(() -> of(Map.of("split", "word")))
                .hasMessage("catalexis.yaml:7: 'split' is 'word'; did you mean 'words'?");
        assertThatThrownBy(() -> of(Map.of("steps", List.of(Map.of("stem", "porter3")))))
                .hasMessage("catalexis.yaml:7: 'steps.0.stem' is 'porter3'; did you mean 'porter'?");
        assertThatThrownBy(() -> of(Map.of("steps", List.of("stop"))))
                .hasMessage("catalexis.yaml:7: 'steps.0' names the step 'stop' alone; write {stop: english}");
        assertThatThrownBy(() -> of(Map.of("folds", List.of("case"))))
                .hasMessage("catalexis.yaml:7: unknown key 'folds'; did you mean 'fold'?");
    }

    @Property
    void anyTextGivesTokensWhoseOffsetsLieInItAndRise(@ForAll @StringLength(max = 60) String text) {
        int position = -1;
        int from = 0;
        for (Token token : ENGLISH.tokens(text)) {
            assertThat(token.text()).isNotEmpty();
            assertThat(token.from()).isBetween(from, text.length());
            assertThat(token.to()).isBetween(token.from() + 1, text.length());
            assertThat(token.position()).isGreaterThan(position);
            position = token.position();
            from = token.from();
        }
    }
}
