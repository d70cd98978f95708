package org.catalexis.index;

import java.io.Closeable;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.catalexis.document.Document;
import org.catalexis.document.Field;
import org.catalexis.document.Json;
import org.catalexis.document.Schema;
import org.catalexis.storage.Bytes;
import org.catalexis.storage.DictionaryWriter;
import org.catalexis.storage.PackedArray;
import org.catalexis.storage.SegmentWriter;
import org.catalexis.storage.TermEntry;
import org.catalexis.text.TokenBatch;
import org.catalexis.text.TokenReader;

/**
 * Makes one segment: takes documents, inverts their text in memory, and writes the file at the end. The documents
 * themselves go to the file as they come. One thread's.
 */
final class SegmentBuilder implements Closeable {
    private final Path file;
    private final SegmentWriter out;
    private final StoredWriter stored;
    private final List<Field> fields;
    private final FieldInverter[] inverters;
    private final TokenReader[] readers;
    private final Bytes ids = new Bytes();
    private int[] idAt = new int[1 << 8];
    private final Map<String, Integer> sources = new LinkedHashMap<>();
    private int[] sourceOf = new int[1 << 8];
    private int[] lineOf = new int[1 << 8];
    private int documents;
    private long cut;

    /** @param readers what turns each text field into tokens, in schema order */
    SegmentBuilder(Path file, Schema schema, TokenReader[] readers) throws IOException {
        this.file = file;
        this.readers = readers;
        fields = schema.textFields();
        inverters =
                fields.stream().map(field -> new FieldInverter(field.name())).toArray(FieldInverter[]::new);
        out = new SegmentWriter(file);
        stored = new StoredWriter(out);
    }

    Path file() {
        return file;
    }

    int documents() {
        return documents;
    }

    /** Tokens that were too long and were cut. */
    long cut() {
        return cut;
    }

    /** Memory held for what is not yet in the file, in bytes. */
    long held() {
        long held = ids.array().length + (idAt.length + sourceOf.length + lineOf.length) * 4L;
        for (FieldInverter inverter : inverters) {
            held += inverter.held();
        }
        return held;
    }

    void add(Document document) throws IOException {
        stored.add(document.json());
        byte[] id = Utf8.encode(document.id());
        if (documents + 1 == idAt.length) {
            idAt = Arrays.copyOf(idAt, idAt.length * 2);
            sourceOf = Arrays.copyOf(sourceOf, idAt.length);
            lineOf = Arrays.copyOf(lineOf, idAt.length);
        }
        ids.put(id, 0, id.length);
        idAt[documents + 1] = ids.size();
        sourceOf[documents] = sources.computeIfAbsent(document.origin().source(), any -> sources.size());
        lineOf[documents] = document.origin().line();
        for (int i = 0; i < inverters.length; i++) {
            invert(inverters[i], readers[i], document.texts(fields.get(i).name()));
        }
        documents++;
    }

    private void invert(FieldInverter inverter, TokenReader reader, List<String> texts) {
        int length = 0;
        for (String text : texts) {
            int lastPosition = -1;
            reader.begin(text);
            for (TokenBatch batch = reader.next(); batch != null; batch = reader.next()) {
                inverter.add(documents, batch);
                for (int i = 0; i < batch.size(); i++) {
                    if (batch.position(i) != lastPosition) { // stacked tokens count once
                        lastPosition = batch.position(i);
                        length++;
                    }
                }
            }
            cut += reader.cut();
        }
        inverter.endDocument(length);
    }

    /** Writes all sections and seals the file. */
    void finish() throws IOException {
        stored.end();
        for (FieldInverter inverter : inverters) {
            inverter.write(out);
        }
        writeIds();
        Bytes packed = new Bytes();
        PackedArray.write(sourceOf, documents, packed);
        out.section("origin-sources", packed);
        packed.clear();
        PackedArray.write(lineOf, documents, packed);
        out.section("origin-lines", packed);
        byte[] summary = Json.write(summary().json()).getBytes(StandardCharsets.UTF_8);
        out.begin("summary");
        out.write(summary, 0, summary.length);
        out.seal();
    }

    private void writeIds() throws IOException {
        int[] sizes = new int[documents];
        for (int i = 0; i < documents; i++) {
            sizes[i] = idAt[i + 1] - idAt[i];
        }
        int[] order = ByteSort.order(ids.array(), idAt, sizes, documents);
        DictionaryWriter dictionary = new DictionaryWriter(out, "ids", "ids-index");
        TermEntry entry = new TermEntry();
        entry.df = 1;
        entry.cf = 1;
        int[] ranks = new int[documents];
        for (int rank = 0; rank < documents; rank++) {
            int document = order[rank];
            ranks[document] = rank;
            entry.document = document;
            dictionary.add(ids.array(), idAt[document], sizes[document], entry);
        }
        dictionary.end();
        Bytes packed = new Bytes();
        PackedArray.write(ranks, documents, packed);
        out.section("id-ranks", packed);
    }

    private SegmentSummary summary() {
        List<SegmentSummary.OfField> counts = new ArrayList<>();
        for (FieldInverter inverter : inverters) {
            counts.add(new SegmentSummary.OfField(
                    inverter.field(), inverter.having(), inverter.tokens(), inverter.terms()));
        }
        return new SegmentSummary(documents, counts, List.copyOf(sources.keySet()));
    }

    @Override
    public void close() throws IOException {
        stored.close();
        out.close();
    }

    /** Gives up: closes and removes the file. */
    void discard() throws IOException {
        close();
        Files.deleteIfExists(file);
    }
}
