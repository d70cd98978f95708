package org.catalexis.index;

import java.io.Closeable;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ArrayBlockingQueue;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.catalexis.document.Document;
import org.catalexis.document.Schema;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;
import org.catalexis.storage.Bytes;
import org.catalexis.text.TokenReader;
import org.jspecify.annotations.Nullable;

/**
 * Builds an index from all documents of a collection. Nothing is visible to readers before {@link #commit}; closing without
 * a commit leaves the last one as it was.
 *
 * <pre>{@code
 * try (IndexBuilder builder = IndexBuilder.open(Path.of("index"), schema, IndexBuilder.Options.DEFAULT)) {
 *     builder.add(Document.of("g1").with("title", "Loose hinges").with("body", "Tighten the screw."));
 *     builder.commit();
 * }
 * }</pre>
 *
 * <p>The collection may be larger than the heap: each thread inverts its documents in its share of the memory budget, and
 * writes a segment when that is used up. {@link #add} is for one thread.
 *
 * @since 0.1
 */
public final class IndexBuilder implements Closeable {
    private static final Pattern SEGMENT = Pattern.compile("s-(\\d{7,10})\\.cat");
    /** Documents go to the threads in batches of about this many bytes of JSON, to keep the queue's cost low. */
    private static final int BATCH_BYTES = 1 << 18;

    /**
     * How to build.
     *
     * @param memory bytes that the inverted text may take before it is written to a segment; at least 1 MiB. The budget of
     *     what is inverted, not of the whole process: the documents on their way, and the doubling of an array, come on top
     * @param threads that invert, at least 1
     */
    public record Options(long memory, int threads) {
        /** A quarter of the heap, a thread for each processor. */
        public static final Options DEFAULT = new Options(
                Math.max(1 << 20, Runtime.getRuntime().maxMemory() / 4),
                Runtime.getRuntime().availableProcessors());

        /** Checks the ranges. */
        public Options {
            if (memory < 1 << 20) {
                throw new IllegalArgumentException("memory is " + memory + " bytes; use at least 1 MiB (1048576)");
            }
            if (threads < 1) {
                throw new IllegalArgumentException("threads is " + threads + "; use at least 1");
            }
        }
    }

    private final Path folder;
    private final Schema schema;
    private final Options options;
    private final BuilderLock lock;
    private final int generation;
    private final AtomicInteger nextSegment;
    private final BlockingQueue<List<Document>> queue;
    private final List<Worker> workers = new ArrayList<>();
    /** What the threads wrote, once they have ended. */
    private final List<Manifest.SegmentName> segmentNames = new ArrayList<>();

    private final List<Segment> segments = new ArrayList<>();
    private List<Document> batch = new ArrayList<>();
    private long batchBytes;
    private volatile @Nullable Throwable failure;
    private boolean ended;
    private boolean idsDiffer;
    private boolean committed;

    private IndexBuilder(Path folder, Schema schema, Options options, BuilderLock lock) throws IOException {
        this.folder = folder;
        this.schema = schema;
        this.options = options;
        this.lock = lock;
        generation = Manifest.newest(folder) + 1;
        nextSegment = new AtomicInteger(newestSegment(folder) + 1);
        queue = new ArrayBlockingQueue<>(options.threads * 2);
        for (int i = 0; i < options.threads; i++) {
            Worker worker = new Worker(i);
            workers.add(worker);
            worker.start();
        }
    }

    /**
     * Begins a build in {@code folder}, which is made if need be.
     *
     * @throws BadInputException if another builder is at work there
     * @throws IOException if the folder cannot be written to
     */
    public static IndexBuilder open(Path folder, Schema schema, Options options) throws IOException {
        Files.createDirectories(folder);
        BuilderLock lock = BuilderLock.take(folder);
        try {
            return new IndexBuilder(folder, schema, options, lock);
        } catch (IOException | RuntimeException e) {
            lock.close();
            throw e;
        }
    }

    private static int newestSegment(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.map(file -> SEGMENT.matcher(file.getFileName().toString()))
                    .filter(Matcher::matches)
                    .mapToInt(name -> Integer.parseInt(name.group(1)))
                    .max()
                    .orElse(0);
        }
    }

    /** Adds a document. Its id must differ from all others'; {@link #commit} finds out. */
    public void add(Document document) throws IOException {
        batch.add(document);
        batchBytes += document.json().length;
        if (batchBytes >= BATCH_BYTES) {
            send(batch);
            batch = new ArrayList<>();
            batchBytes = 0;
        }
    }

    private void send(List<Document> documents) throws IOException {
        try {
            while (!queue.offer(documents, 100, TimeUnit.MILLISECONDS)) {
                rethrow();
            }
            rethrow();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("the build was interrupted", e);
        }
    }

    private void rethrow() throws IOException {
        Throwable cause = failure;
        if (cause instanceof BadInputException bad) {
            throw bad;
        }
        if (cause instanceof OutOfMemoryError) {
            throw new IOException(
                    "the heap of " + (Runtime.getRuntime().maxMemory() >> 20)
                            + " MiB is too small for a memory budget of " + (options.memory >> 20)
                            + " MiB and the documents on their way; lower the budget, or raise -Xmx",
                    cause);
        }
        if (cause instanceof IOException) {
            throw new IOException(
                    "cannot write the index in " + folder + " (" + cause.getMessage()
                            + "); check the disk: the last commit is as it was",
                    cause);
        }
        if (cause != null) {
            throw new IOException("a building thread failed: " + cause.getMessage(), cause);
        }
    }

    /** Sends what is left, has the threads write their last segments, and waits for them. */
    private void end() throws IOException {
        if (!ended) {
            ended = true;
            if (!batch.isEmpty()) {
                send(batch);
            }
            for (int i = 0; i < workers.size(); i++) {
                send(List.of()); // an empty batch: no more will come
            }
            join();
            rethrow();
            for (Path file : files()) {
                Manifest.SegmentName name =
                        new Manifest.SegmentName(file.getFileName().toString(), Files.size(file));
                segmentNames.add(name);
                segments.add(Segment.open(folder, name));
            }
        }
    }

    private void join() throws IOException {
        try {
            for (Worker worker : workers) {
                worker.join();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IOException("the build was interrupted", e);
        }
    }

    /**
     * The ids that were given more than once, each as a fault that names two places; at most {@code most} of them. After
     * this no more documents can be added.
     *
     * @throws IOException if a file cannot be written or read
     */
    public List<BadInputException> repeatedIds(int most) throws IOException {
        end();
        List<BadInputException> faults = new ArrayList<>();
        TermMerge ids = new TermMerge(segments.stream().map(Segment::ids).toList());
        Bytes previous = new Bytes();
        boolean told = false;
        for (List<TermMerge.Source> group = ids.next(); !group.isEmpty(); group = ids.next()) {
            Bytes id = ids.term();
            // Within one segment, equal ids stand side by side in its dictionary: the next group repeats the id.
            boolean again = Arrays.equals(id.array(), 0, id.size(), previous.array(), 0, previous.size());
            told &= again; // an id that comes three times is one fault
            if (!told && (group.size() > 1 || again)) {
                told = true;
                faults.add(repeated(Arrays.copyOf(id.array(), id.size())));
                if (faults.size() == most) {
                    break;
                }
            }
            previous.clear();
            previous.put(id);
        }
        idsDiffer = faults.isEmpty();
        return faults;
    }

    private BadInputException repeated(byte[] id) {
        List<Place> places = segments.stream()
                .flatMap(segment -> segment.origins(id).stream())
                .sorted(Comparator.comparing(Place::source).thenComparingInt(Place::line))
                .toList();
        return new BadInputException(
                places.get(places.size() - 1),
                "the id '" + new String(id, StandardCharsets.UTF_8) + "' was given already, at " + places.get(0),
                "give each document an id of its own");
    }

    /**
     * Makes what was added the new state of the index, in place of the old one.
     *
     * @throws BadInputException if an id came twice: both places are named, and the last commit stays
     * @throws IOException if a file cannot be written
     */
    public BuildSummary commit() throws IOException {
        if (!idsDiffer) { // unless the caller has asked already: it is a walk over all ids
            List<BadInputException> repeated = repeatedIds(1);
            if (!repeated.isEmpty()) {
                throw repeated.get(0);
            }
        }
        long documents = segments.stream().mapToLong(Segment::documents).sum();
        String now = Instant.now().truncatedTo(ChronoUnit.SECONDS).toString();
        new Manifest(generation, now, segmentNames, schema.definitions(), documents).write(folder);
        committed = true;
        removeOld(segmentNames.stream().map(Manifest.SegmentName::name).collect(Collectors.toSet()));
        Map<String, Long> tokens = new LinkedHashMap<>();
        for (Segment segment : segments) {
            segment.summary().fields().forEach(field -> tokens.merge(field.name(), field.tokens(), Long::sum));
        }
        return new BuildSummary(
                documents,
                segments.size(),
                segmentNames.stream().mapToLong(Manifest.SegmentName::bytes).sum(),
                tokens,
                workers.stream().mapToLong(worker -> worker.cut).sum());
    }

    private List<Path> files() {
        return workers.stream()
                .flatMap(worker -> worker.files.stream())
                .sorted(Comparator.comparing(Path::toString))
                .toList();
    }

    /**
     * Removes what no commit names any more. A reader that has such a file open keeps it until it lets go. What cannot be
     * removed now is left to the next builder: the commit stands, and must not be told as failed.
     */
    private void removeOld(Set<String> kept) {
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : files.toList()) {
                String name = file.getFileName().toString();
                boolean old = SEGMENT.matcher(name).matches() && !kept.contains(name)
                        || name.startsWith("manifest-") && !name.equals(Manifest.fileName(generation));
                if (old) {
                    Files.deleteIfExists(file);
                }
            }
        } catch (IOException e) {
            // The next builder tries again.
        }
    }

    /** Ends the build; without a {@link #commit} before, the folder is as it was. */
    @Override
    public void close() throws IOException {
        try {
            ended = true;
            workers.forEach(Thread::interrupt); // those that ended do not mind
            join();
            if (!committed) {
                for (Path file : files()) {
                    Files.deleteIfExists(file);
                }
            }
        } finally {
            lock.close();
        }
    }

    /** Inverts batches into segments of its own. */
    private final class Worker extends Thread {
        private final List<Path> files = new ArrayList<>();
        private final TokenReader[] readers;
        private @Nullable SegmentBuilder segment;
        private long cut;

        Worker(int number) {
            super("catalexis-build-" + number);
            setDaemon(true);
            readers = schema.textFields().stream()
                    .map(field -> field.pipeline().reader())
                    .toArray(TokenReader[]::new);
        }

        @Override
        public void run() {
            try {
                for (List<Document> documents = queue.take(); !documents.isEmpty(); documents = queue.take()) {
                    for (Document document : documents) {
                        add(document);
                    }
                }
                finish();
            } catch (InterruptedException e) {
                discard(e);
            } catch (IOException | RuntimeException | Error e) {
                discard(e);
                failure = e;
            }
        }

        private void add(Document document) throws IOException {
            SegmentBuilder current = segment;
            if (current == null) {
                Path file = folder.resolve(
                        String.format(java.util.Locale.ROOT, "s-%07d.cat", nextSegment.getAndIncrement()));
                files.add(file);
                current = new SegmentBuilder(file, schema, readers);
                segment = current;
            }
            current.add(document);
            if (current.held() >= options.memory / options.threads) {
                finish();
            }
        }

        private void finish() throws IOException {
            SegmentBuilder current = segment;
            if (current != null) {
                try (current) {
                    current.finish();
                }
                cut += current.cut();
                segment = null;
            }
        }

        /** Removes what is half-written. If that fails too, the build's failure tells of it, and the next build removes it. */
        private void discard(Throwable why) {
            try {
                if (segment != null) {
                    segment.discard();
                }
            } catch (IOException e) {
                why.addSuppressed(e);
            }
        }
    }
}
