package org.catalexis.text;

import java.util.Collection;
import java.util.List;
import java.util.Map;

/** Step {@code stop}: drops the words of a list. They leave their positions empty, so that phrases keep their gaps. */
final class StopStep implements Step {
    /**
     * English words of function: articles, pronouns, prepositions, conjunctions, auxiliaries and the pieces that a split
     * leaves of their contractions. Negations stay out of the list ("not working" is worth telling from "working").
     */
    private static final List<String> ENGLISH = List.of(
            ("a about above after again all also am an and any are as at be because been before being below between both"
                            + " but by can could did do does doing down during each few for from further had has have"
                            + " having he her here hers herself him himself his how i if in into is it its itself just"
                            + " me more most my myself of off on once only or other our ours ourselves out over own same"
                            + " she should so some such than that the their theirs them themselves then there these they"
                            + " this those through to too under until up very was we were what when where which while who"
                            + " whom why will with would you your yours yourself yourselves i'm i've i'd i'll you're"
                            + " you've you'd you'll he's he'd he'll she's she'd she'll it's it'd it'll we're we've we'd"
                            + " we'll they're they've they'd they'll that's there's here's what's who's where's when's"
                            + " let's")
                    .split(" "));

    /** A step for each built-in list, by the list's name. */
    static final Map<String, Step> BY_NAME = Map.of("english", new StopStep("english", ENGLISH));

    private final String definition;
    private final String identity;
    private final WordTable words;

    StopStep(String listName, Collection<String> words) {
        this.definition = "stop: " + listName;
        this.words = new WordTable(words);
        // The list's name is not enough: with another Catalexis the words of that name may be others. The hash of a
        // list of
        // strings is specified, so that every JDK gives the same.
        identity = definition + " (" + words.size() + " words, "
                + Integer.toHexString(List.copyOf(words).hashCode()) + ")";
    }

    @Override
    public String identity() {
        return identity;
    }

    @Override
    public String definition() {
        return definition;
    }

    @Override
    public void apply(TokenBatch batch, boolean last) {
        char[] chars = batch.chars();
        int kept = 0;
        for (int i = 0; i < batch.size(); i++) {
            if (words.find(chars, batch.start(i), batch.length(i)) < 0) {
                batch.moveDown(i, kept++);
            }
        }
        batch.truncate(kept);
    }
}
