package org.catalexis.cli;

import java.time.Duration;
import me.tongfei.progressbar.ProgressBar;
import me.tongfei.progressbar.ProgressBarBuilder;
import me.tongfei.progressbar.ProgressBarStyle;
import org.jspecify.annotations.Nullable;

/**
 * Progress of long work on the error stream: a bar with rate and time left, from the moment that the work has taken a
 * second. Draws nothing where the error stream is no terminal.
 */
final class Progress implements AutoCloseable {
    private static final long SECOND = 1_000_000_000L;

    private final String task;
    private final String unit;
    private final long unitSize;
    private final long most;
    private final boolean shown;
    private final long start = System.nanoTime();
    private long done;
    private @Nullable ProgressBar bar;

    /**
     * Work of {@code most} steps, shown in units of {@code unitSize} steps.
     *
     * @param most -1 if not known
     */
    Progress(Console console, String task, long most, String unit, long unitSize) {
        this.task = task;
        this.most = most;
        this.unit = unit;
        this.unitSize = unitSize;
        shown = console.progress();
    }

    synchronized void step(long steps) {
        done += steps;
        if (!shown) {
            return;
        }
        if (bar == null && System.nanoTime() - start > SECOND) {
            bar = new ProgressBarBuilder()
                    .setTaskName(task)
                    .setInitialMax(most)
                    .setUnit(" " + unit, unitSize)
                    .setStyle(ProgressBarStyle.ASCII)
                    .setUpdateIntervalMillis(200)
                    .continuousUpdate()
                    .showSpeed()
                    .startsFrom(done, Duration.ofNanos(System.nanoTime() - start))
                    .clearDisplayOnFinish()
                    .build();
        } else if (bar != null) {
            bar.stepTo(done);
        }
    }

    /** What is told beside the bar. */
    synchronized void tell(String message) {
        if (bar != null) {
            bar.setExtraMessage(message);
        }
    }

    @Override
    public synchronized void close() {
        if (bar != null) {
            bar.close();
        }
    }
}
