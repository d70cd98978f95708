package org.catalexis.index;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.catalexis.document.Document;
import org.catalexis.document.Schema;
import org.catalexis.text.TokenReader;

/** Makes small indexes for tests, in as many segments as the test wants. */
public final class Indexes {
    private Indexes() {}

    public static Index build(Path folder, Schema schema, Document... documents) throws IOException {
        return build(folder, schema, 1, List.of(documents));
    }

    /** Puts the documents in turn into {@code segments} segments; memory budgets would need a large collection for that. */
    public static Index build(Path folder, Schema schema, int segments, List<Document> documents) throws IOException {
        Files.createDirectories(folder);
        java.util.ArrayList<Manifest.SegmentName> names = new java.util.ArrayList<>();
        for (int s = 0; s < segments; s++) {
            Path file = folder.resolve("s-000000" + s + ".cat");
            TokenReader[] readers = schema.textFields().stream()
                    .map(field -> field.pipeline().reader())
                    .toArray(TokenReader[]::new);
            try (SegmentBuilder builder = new SegmentBuilder(file, schema, readers)) {
                for (int i = s; i < documents.size(); i += segments) {
                    builder.add(documents.get(i));
                }
                builder.finish();
            }
            names.add(new Manifest.SegmentName(file.getFileName().toString(), Files.size(file)));
        }
        new Manifest(1, "2026-01-01T00:00:00Z", names, schema.definitions(), documents.size()).write(folder);
        return Index.open(folder);
    }

    /** Removes a folder and all in it. */
    public static void remove(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            files.sorted(Comparator.reverseOrder()).forEach(file -> {
                try {
                    Files.delete(file);
                } catch (IOException e) {
                    throw new UncheckedIOException(e);
                }
            });
        }
    }
}
