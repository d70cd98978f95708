package org.catalexis.index;

import java.util.Optional;
import org.catalexis.storage.Dictionary;
import org.catalexis.storage.PackedArray;
import org.catalexis.storage.Section;
import org.catalexis.storage.SegmentFile;
import org.catalexis.storage.TermEntry;
import org.jspecify.annotations.Nullable;

/**
 * A text field of one segment. Safe for all threads.
 *
 * @since 0.1
 */
public final class SegmentField {
    private final SegmentFile file;
    private final SegmentSummary.OfField summary;
    private volatile @Nullable Dictionary dictionary;
    private volatile int @Nullable [] lengths;

    SegmentField(SegmentFile file, SegmentSummary.OfField summary) {
        this.file = file;
        this.summary = summary;
    }

    SegmentSummary.OfField summary() {
        return summary;
    }

    Dictionary dictionary() {
        Dictionary known = dictionary;
        if (known == null) {
            known = new Dictionary(
                    file.section("dictionary/" + summary.name()), file.section("dictionary-index/" + summary.name()));
            dictionary = known; // racing threads read equal ones
        }
        return known;
    }

    /** How often {@code term}, the UTF-8 form of a term, stands in the field in this segment. */
    TermCounts counts(byte[] term) {
        TermEntry entry = new TermEntry();
        return dictionary().find(term, term.length, entry) ? new TermCounts(entry.df, entry.cf) : TermCounts.NONE;
    }

    /** A walk over the postings of {@code term}; empty if this segment lacks it. */
    public Optional<PostingReader> postings(String term) {
        TermEntry entry = new TermEntry();
        byte[] bytes = Utf8.encode(term);
        if (!dictionary().find(bytes, bytes.length, entry)) {
            return Optional.empty();
        }
        Section postings = file.section("postings/" + summary.name());
        return Optional.of(new PostingReader(postings, entry));
    }

    /** The length of the field in each document of the segment, in tokens; not to be written to. Read when first asked for. */
    public int[] lengths() {
        int[] known = lengths;
        if (known == null) {
            known = PackedArray.read(file.section("lengths/" + summary.name()).readAll());
            lengths = known;
        }
        return known;
    }
}
