package org.catalexis.index;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;

/**
 * An index as of one commit: a snapshot that later builds do not change. Safe for all threads.
 *
 * <pre>{@code
 * Index index = Index.open(Path.of("index"));
 * index.termCounts("body", "hing"); // df and cf
 * }</pre>
 *
 * <p>Statistics are always those of the whole index, never of one segment. The mapped files are given back when the index is
 * no longer referenced.
 *
 * @since 0.1
 */
public final class Index {
    private final Path folder;
    private final Manifest manifest;
    private final List<Segment> segments;

    private Index(Path folder, Manifest manifest, List<Segment> segments) {
        this.folder = folder;
        this.manifest = manifest;
        this.segments = List.copyOf(segments);
    }

    /**
     * Opens the last commit in {@code folder}.
     *
     * @throws BadInputException if there is no index, or its newest commit is damaged (never is an older one taken instead)
     * @throws IOException if a file cannot be read
     */
    public static Index open(Path folder) throws IOException {
        Manifest manifest = Manifest.read(folder)
                .orElseThrow(() -> new BadInputException(
                        Place.of(folder.toString()), "there is no index", "build it with 'catalexis build'"));
        List<Segment> segments = new ArrayList<>();
        for (Manifest.SegmentName name : manifest.segments()) {
            segments.add(Segment.open(folder, name));
        }
        return new Index(folder, manifest, segments);
    }

    /** The folder of the index. */
    public Path folder() {
        return folder;
    }

    /** Counts the commits, from 1. */
    public int generation() {
        return manifest.generation();
    }

    /** When the commit was made, as ISO 8601. */
    public String built() {
        return manifest.built();
    }

    /** The fields as they were when the index was built: name to {@link org.catalexis.document.Field#definition}, in order. */
    public Map<String, String> fieldDefinitions() {
        return manifest.fields();
    }

    /** The names of the text fields, in order. */
    public List<String> textFields() {
        return segments.isEmpty()
                ? List.of()
                : segments.get(0).summary().fields().stream()
                        .map(SegmentSummary.OfField::name)
                        .toList();
    }

    /** The parts of the index. What a ranking says does not depend on how many there are. */
    public List<Segment> segments() {
        return segments;
    }

    /** How many documents there are: N. */
    public long documents() {
        return manifest.documents();
    }

    /** How much text a field holds. */
    public FieldCounts fieldCounts(String field) {
        long having = 0;
        long tokens = 0;
        for (Segment segment : segments) {
            SegmentSummary.OfField summary = segment.field(field).summary();
            having += summary.documents();
            tokens += summary.tokens();
        }
        return new FieldCounts(documents(), having, tokens);
    }

    /** How often a term stands in a field. */
    public TermCounts termCounts(String field, String term) {
        byte[] bytes = Utf8.encode(term);
        TermCounts counts = TermCounts.NONE;
        for (Segment segment : segments) {
            TermCounts here = segment.field(field).counts(bytes);
            counts = counts.plus(here.df(), here.cf());
        }
        return counts;
    }

    /** How many distinct terms a field has. O(all terms) where there are several segments. */
    public long distinctTerms(String field) {
        return TermMerge.countDistinct(segments.stream()
                .map(segment -> segment.field(field).dictionary())
                .toList());
    }

    /** The JSON object that a document came as; empty if there is no such document. */
    public Optional<String> json(String id) {
        byte[] bytes = Utf8.encode(id);
        for (Segment segment : segments) {
            OptionalInt document = segment.document(bytes);
            if (document.isPresent()) {
                return Optional.of(new String(segment.json(document.getAsInt()), StandardCharsets.UTF_8));
            }
        }
        return Optional.empty();
    }

    /** Bytes by section, over all segments. */
    public Map<String, Long> sectionBytes() {
        Map<String, Long> all = new LinkedHashMap<>();
        for (Segment segment : segments) {
            segment.sectionBytes().forEach((name, bytes) -> all.merge(name, bytes, Long::sum));
        }
        return all;
    }

    /** The length of all segment files, in bytes. */
    public long bytes() {
        return manifest.segments().stream()
                .mapToLong(Manifest.SegmentName::bytes)
                .sum();
    }

    /**
     * Reads every byte and compares all checksums.
     *
     * @throws BadInputException at the first that is wrong, naming file and section
     */
    public void verify() {
        segments.forEach(Segment::verify);
    }
}
