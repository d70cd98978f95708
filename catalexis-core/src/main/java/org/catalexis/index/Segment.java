package org.catalexis.index;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalInt;
import org.catalexis.document.Json;
import org.catalexis.settings.Place;
import org.catalexis.storage.Bytes;
import org.catalexis.storage.Dictionary;
import org.catalexis.storage.PackedArray;
import org.catalexis.storage.Section;
import org.catalexis.storage.SegmentFile;
import org.catalexis.storage.TermEntry;
import org.jspecify.annotations.Nullable;

/**
 * One file of an index: some of its documents, numbered from 0. Safe for all threads.
 *
 * @since 0.1
 */
public final class Segment {
    private final SegmentFile file;
    private final SegmentSummary summary;
    private final Map<String, SegmentField> fields = new LinkedHashMap<>();
    private volatile int @Nullable [] idRanks;
    private volatile @Nullable Dictionary ids;
    private volatile @Nullable StoredReader stored;

    private Segment(SegmentFile file) {
        this.file = file;
        try {
            summary = SegmentSummary.of(
                    Objects.requireNonNull(Json.parse(file.section("summary").readAll())));
        } catch (IOException | ClassCastException | NullPointerException e) {
            throw file.damaged("section 'summary' cannot be understood (" + e.getMessage() + ")");
        }
        for (SegmentSummary.OfField field : summary.fields()) {
            fields.put(field.name(), new SegmentField(file, field));
        }
    }

    static Segment open(Path folder, Manifest.SegmentName name) throws IOException {
        Path path = folder.resolve(name.name());
        if (!Files.exists(path)) {
            throw Manifest.damaged(path, "is missing, although the manifest names it", null);
        }
        if (Files.size(path) != name.bytes()) {
            throw Manifest.damaged(path, "has " + Files.size(path) + " bytes; the manifest says " + name.bytes(), null);
        }
        return new Segment(SegmentFile.open(path));
    }

    /** How many documents it holds. */
    public int documents() {
        return summary.documents();
    }

    /** The text field of that name; the index has it. */
    public SegmentField field(String name) {
        SegmentField field = fields.get(name);
        if (field == null) {
            throw new IllegalArgumentException(
                    "field is '" + name + "'; the index has the text fields " + String.join(", ", fields.keySet()));
        }
        return field;
    }

    SegmentSummary summary() {
        return summary;
    }

    /** Section names with their lengths in bytes. */
    Map<String, Long> sectionBytes() {
        Map<String, Long> bytes = new LinkedHashMap<>();
        for (Section section : file.sections().values()) {
            bytes.put(section.name(), section.length());
        }
        return bytes;
    }

    Dictionary ids() {
        Dictionary known = ids;
        if (known == null) {
            known = new Dictionary(file.section("ids"), file.section("ids-index"));
            ids = known;
        }
        return known;
    }

    /**
     * For each document the rank of its id among the segment's, from 0, in code point order; not to be written to. What
     * breaks ties within a segment.
     */
    public int[] idRanks() {
        int[] known = idRanks;
        if (known == null) {
            known = PackedArray.read(file.section("id-ranks").readAll());
            idRanks = known;
        }
        return known;
    }

    /** The id of a document. */
    public String id(int document) {
        Bytes id = ids().at(idRanks()[document]).term();
        return new String(id.array(), 0, id.size(), StandardCharsets.UTF_8);
    }

    /** The document of that id, if the segment holds it. */
    OptionalInt document(byte[] id) {
        TermEntry entry = new TermEntry();
        return ids().find(id, id.length, entry) ? OptionalInt.of(entry.document) : OptionalInt.empty();
    }

    /** The JSON object that the document came as, in UTF-8. */
    byte[] json(int document) {
        StoredReader known = stored;
        if (known == null) {
            known = new StoredReader(file.section("documents"), file.section("documents-index"));
            stored = known;
        }
        return known.json(document);
    }

    /** The files and lines that the documents of that id came from; several if the id was given more than once. O(documents). */
    List<Place> origins(byte[] id) {
        int[] source = PackedArray.read(file.section("origin-sources").readAll());
        int[] line = PackedArray.read(file.section("origin-lines").readAll());
        List<Place> places = new ArrayList<>();
        TermEntry entry = new TermEntry();
        Dictionary.Cursor cursor = ids().cursor();
        while (cursor.next(entry)) {
            Bytes here = cursor.term();
            if (Arrays.equals(here.array(), 0, here.size(), id, 0, id.length)) {
                places.add(new Place(summary.sources().get(source[entry.document]), line[entry.document]));
            }
        }
        return places;
    }

    void verify() {
        file.verifyAll();
    }
}
