package org.catalexis.text;

import org.jspecify.annotations.Nullable;

/** Step {@code fold}: a fold among the steps, for where the step before needs what it folds away (accents). */
final class FoldStep implements Step {
    private final Fold fold;

    FoldStep(Fold fold) {
        this.fold = fold;
    }

    @Override
    public String definition() {
        return "fold: " + fold.name();
    }

    @Override
    public void apply(TokenBatch batch, boolean last) {
        int kept = 0;
        for (int i = 0; i < batch.size(); i++) {
            int end = batch.start(i) + batch.length(i);
            int done = fold.simple(batch.chars(), batch.start(i), end);
            if (done == end || rewrite(batch, i)) {
                batch.moveDown(i, kept++);
            }
        }
        batch.truncate(kept);
    }

    /** The slow way, for a token that holds a character that does not become exactly one. False if nothing is left. */
    private boolean rewrite(TokenBatch batch, int i) {
        StringBuilder folded = new StringBuilder();
        batch.text(i).codePoints().forEach(c -> {
            @Nullable String put = fold.one(c);
            if (put == null) {
                folded.appendCodePoint(c);
            } else {
                folded.append(put);
            }
        });
        if (folded.length() == 0) {
            return false;
        }
        // A letter may become two, so that the longest tokens outgrow the limit again.
        int n = Math.min(folded.length(), TokenBatch.LONGEST);
        batch.setText(i, folded.toString().toCharArray(), 0, n);
        return true;
    }
}
