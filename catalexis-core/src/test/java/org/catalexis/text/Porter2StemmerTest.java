package org.catalexis.text;

import static org.assertj.core.api.Assertions.assertThat;

import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.CharRange;
import net.jqwik.api.constraints.Chars;
import net.jqwik.api.constraints.StringLength;
import org.junit.jupiter.api.Test;

class Porter2StemmerTest {
    private final Stemmer stemmer = new Porter2Stemmer();

    private void assertEach(String pairs) {
        for (String pair : pairs.split(" ")) {
            String[] sides = pair.split(">");
            assertThat(stemmer.stem(sides[0])).as(sides[0]).isEqualTo(sides[1]);
        }
    }

    /** The sample of vocabulary that the algorithm's author printed beside its definition. */
    @Test
    void givesTheStemsOfTheAuthorsSample() {
        assertEach("consign>consign consigned>consign consigning>consign consignment>consign consist>consist"
                + " consisted>consist consistency>consist consistent>consist consistently>consist consisting>consist"
                + " consists>consist consolation>consol consolations>consol consolatory>consolatori console>consol"
                + " consoled>consol consoles>consol consolidate>consolid consolidated>consolid consolidating>consolid"
                + " consoling>consol consolingly>consol consols>consol consonant>conson consort>consort consorted>consort"
                + " consorting>consort conspicuous>conspicu conspicuously>conspicu conspiracy>conspiraci"
                + " conspirator>conspir conspirators>conspir conspire>conspir conspired>conspir conspiring>conspir"
                + " constable>constabl constables>constabl constance>constanc constancy>constanc constant>constant");
        assertEach("knack>knack knackeries>knackeri knacks>knack knag>knag knave>knave knaves>knave knavish>knavish"
                + " kneaded>knead kneading>knead knee>knee kneel>kneel kneeled>kneel kneeling>kneel kneels>kneel"
                + " knees>knee knell>knell knelt>knelt knew>knew knick>knick knif>knif knife>knife knight>knight"
                + " knightly>knight knights>knight knit>knit knits>knit knitted>knit knitting>knit knives>knive"
                + " knob>knob knobs>knob knock>knock knocked>knock knocker>knocker knockers>knocker knocking>knock"
                + " knocks>knock knopp>knopp knot>knot knots>knot");
    }

    @Test
    void keepsTheRulesOfEachStep() {
        assertEach("sses>ss cries>cri ties>tie gas>gas this>this gaps>gap kiwis>kiwi"); // 1a
        assertEach("luxuriated>luxuri hopped>hop hoped>hope hoping>hope bedded>bed proceed>proceed agreed>agre"); // 1b
        assertEach("cry>cri by>by say>say"); // 1c
        assertEach("analogy>analog apology>apolog hopefully>hope restlessly>restless hardly>hard"); // 2
        assertEach("generous>generous communion>communion arsenal>arsenal general>general"); // R1 of their own
        assertEach(
                "skis>ski skies>sky dying>die news>news atlas>atlas early>earli inning>inning outing>outing"); // exceptions
        assertEach("lamp's>lamp lamps'>lamp 'tis>tis youth>youth boyish>boyish"); // 0, and the consonant y
    }

    @Property
    void aStemIsNeverEmptyNorLongerThanItsWordAndHoldsNoMark(
            @ForAll @StringLength(min = 1, max = 12) @CharRange(from = 'a', to = 'z') @Chars({'\'', 'y', 's', 'é'})
                    String word) {
        String stem = stemmer.stem(word);
        assertThat(stem.length()).isBetween(1, word.length());
        assertThat(stem).doesNotContain("Y");
    }
}
