package org.catalexis.text;

import java.util.Map;

/** Step {@code stem}: puts each token's stem in its place. */
final class StemStep implements Step {
    /** The stemmers by name. */
    static final Map<String, Stemmer> STEMMERS = Map.of("porter", new PorterStemmer(), "porter2", new Porter2Stemmer());

    private final Stemmer stemmer;
    private final char[] word = new char[TokenBatch.LONGEST + Stemmer.ROOM];

    StemStep(Stemmer stemmer) {
        this.stemmer = stemmer.forThread();
    }

    @Override
    public String definition() {
        return "stem: " + stemmer.name();
    }

    @Override
    public Step forThread() {
        return new StemStep(stemmer);
    }

    @Override
    public void apply(TokenBatch batch, boolean last) {
        for (int i = 0; i < batch.size(); i++) {
            int n = batch.length(i);
            char[] chars = batch.chars();
            int start = batch.start(i);
            for (int k = 0; k < n; k++) {
                word[k] = chars[start + k];
            }
            batch.setText(i, word, 0, stemmer.stem(word, n));
        }
    }
}
