package org.catalexis.text;

/** Step {@code possessive}: takes {@code 's} off the end of a word, with the straight or the curly apostrophe. */
final class PossessiveStep implements Step {
    @Override
    public String definition() {
        return "possessive";
    }

    @Override
    public void apply(TokenBatch batch, boolean last) {
        char[] chars = batch.chars();
        for (int i = 0; i < batch.size(); i++) {
            int n = batch.length(i);
            int end = batch.start(i) + n;
            if (n > 2 && (chars[end - 1] == 's' || chars[end - 1] == 'S') && isApostrophe(chars[end - 2])) {
                batch.shorten(i, n - 2);
            }
        }
    }

    private static boolean isApostrophe(char c) {
        return c == '\'' || c == '\u2019' || c == '\uFF07';
    }
}
