package org.catalexis.experiment;

import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.IntConsumer;
import org.catalexis.document.Schema;
import org.catalexis.index.Index;
import org.catalexis.measure.RankedList;
import org.catalexis.measure.Run;
import org.catalexis.measure.Topic;
import org.catalexis.measure.Topics;
import org.catalexis.query.Query;
import org.catalexis.score.Ranker;
import org.catalexis.search.Finder;
import org.catalexis.search.Hit;
import org.catalexis.search.Ranking;

/**
 * Ranks all topics on an index, over several threads. The runs do not depend on their number.
 *
 * @since 0.1
 */
public final class Experiment implements AutoCloseable {
    private final List<Finder> finders = new ArrayList<>();
    private final ExecutorService threads;

    /** An experiment on {@code index} with as many threads as given, at least 1. */
    public Experiment(Index index, Schema schema, int threads) {
        for (int i = 0; i < threads; i++) {
            finders.add(new Finder(index, schema));
        }
        this.threads = Executors.newFixedThreadPool(threads, task -> {
            Thread thread = new Thread(task, "catalexis-rank");
            thread.setDaemon(true);
            return thread;
        });
    }

    /**
     * Ranks each topic's text as plain words.
     *
     * @param depth the most documents for a topic
     * @param done told how many topics are ranked, from the ranking threads
     * @return a run with the ranker's name; a topic without matches has an empty list
     */
    public Run rank(Ranker ranker, Topics topics, int depth, IntConsumer done) {
        List<Topic> all = topics.all();
        RankedList[] lists = new RankedList[all.size()];
        AtomicInteger next = new AtomicInteger();
        AtomicInteger finished = new AtomicInteger();
        List<Callable<Void>> tasks = new ArrayList<>();
        for (Finder finder : finders) {
            tasks.add(() -> {
                for (int i = next.getAndIncrement(); i < lists.length; i = next.getAndIncrement()) {
                    lists[i] = ranked(finder.find(Query.words(all.get(i).text()), ranker, depth));
                    done.accept(finished.incrementAndGet());
                }
                return null;
            });
        }
        await(tasks);
        Map<String, RankedList> byTopic = new LinkedHashMap<>();
        for (int i = 0; i < lists.length; i++) {
            byTopic.put(all.get(i).id(), lists[i]);
        }
        return new Run(ranker.name(), byTopic);
    }

    private void await(List<Callable<Void>> tasks) {
        try {
            for (Future<Void> task : threads.invokeAll(tasks)) {
                task.get();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("ranking was interrupted", e);
        } catch (ExecutionException e) {
            if (e.getCause()
                    instanceof RuntimeException cause) { // a damaged index, for one: its message is for the user
                throw cause;
            }
            throw new IllegalStateException("a ranking thread failed", e.getCause());
        }
    }

    private static RankedList ranked(Ranking ranking) {
        List<Hit> hits = ranking.hits();
        return new RankedList(
                hits.stream().map(Hit::id).toList(),
                hits.stream().mapToDouble(Hit::score).toArray());
    }

    /** Ends the threads. */
    @Override
    public void close() {
        threads.shutdownNow();
    }
}
