package org.catalexis.text;

import org.jspecify.annotations.Nullable;

/**
 * Reads texts through a pipeline, a batch of tokens at a time. One thread's; its buffers are reused from text to text.
 *
 * <pre>{@code
 * reader.begin(text);
 * for (TokenBatch batch = reader.next(); batch != null; batch = reader.next()) { ... }
 * }</pre>
 *
 * @since 0.1
 */
public final class TokenReader {
    private final Fold[] folds;
    private final Splitter splitter;
    private final Step[] steps;
    private final Chars text = new Chars();
    private final TokenBatch batch = new TokenBatch();
    private int at;
    private boolean done = true;

    TokenReader(Pipeline pipeline) {
        folds = pipeline.folds().toArray(Fold[]::new);
        splitter = pipeline.splitter().forThread();
        steps = pipeline.steps().stream().map(Step::forThread).toArray(Step[]::new);
    }

    /** Begins a new text. */
    public void begin(CharSequence newText) {
        text.set(newText);
        for (Fold fold : folds) {
            fold.apply(text);
        }
        batch.begin();
        at = 0;
        done = false;
    }

    /** The next tokens (possibly none of this batch survived the steps), or null when the text is done. Valid until the next call. */
    public @Nullable TokenBatch next() {
        if (done) {
            return null;
        }
        batch.clear();
        at = splitter.split(text.chars(), text.length(), at, batch);
        done = at >= text.length();
        if (text.moved()) {
            batch.toOriginal(text);
        }
        for (Step step : steps) {
            step.apply(batch, done);
        }
        return batch;
    }

    /** How many tokens of this text were over {@link TokenBatch#LONGEST} units, and were cut. */
    public long cut() {
        return batch.cut();
    }
}
