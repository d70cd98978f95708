package org.catalexis.index;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.NoSuchFileException;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import java.util.zip.CRC32C;
import org.catalexis.document.Json;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;

/**
 * What an index is at one generation: the file {@code manifest-000042.json}. The newest one counts. Its last member is the
 * CRC32C, in 8 hexadecimal digits, of all bytes before that member.
 *
 * @param generation counts the commits
 * @param built when, as ISO 8601
 * @param segments the segment files with their lengths
 * @param fields each field of the schema with its definition, in order
 * @param documents over all segments
 */
record Manifest(int generation, String built, List<SegmentName> segments, Map<String, String> fields, long documents) {
    private static final int FORMAT = 1;
    private static final Pattern NAME = Pattern.compile("manifest-(\\d{6,9})\\.json");
    private static final String CRC_MEMBER = ",\"crc32c\":\"";
    private static final int TAIL = CRC_MEMBER.length() + 8 + 3; // the digits, and "}\n after them

    /** A segment file and its length in bytes. */
    record SegmentName(String name, long bytes) {}

    static String fileName(int generation) {
        return String.format(java.util.Locale.ROOT, "manifest-%06d.json", generation);
    }

    /** The newest generation in the folder; 0 if there is none. */
    static int newest(Path folder) throws IOException {
        int newest = 0;
        try (Stream<Path> files = Files.list(folder)) {
            for (Path file : (Iterable<Path>) files::iterator) {
                Matcher name = NAME.matcher(file.getFileName().toString());
                if (name.matches()) {
                    newest = Math.max(newest, Integer.parseInt(name.group(1)));
                }
            }
        } catch (NoSuchFileException e) {
            return 0;
        }
        return newest;
    }

    /**
     * Reads the newest manifest of the folder.
     *
     * @return empty if there is none
     * @throws BadInputException if it is damaged: an older one is never taken in its place
     */
    static Optional<Manifest> read(Path folder) throws IOException {
        int generation = newest(folder);
        if (generation == 0) {
            return Optional.empty();
        }
        Path file = folder.resolve(fileName(generation));
        byte[] bytes = Files.readAllBytes(file);
        String text = new String(bytes, StandardCharsets.UTF_8);
        int body = bytes.length - TAIL;
        if (body < 0 || !text.equals(sealed(new String(bytes, 0, body, StandardCharsets.UTF_8)))) {
            throw damaged(file, "the manifest is damaged (CRC32C)", null);
        }
        try {
            return Optional.of(of((Map<?, ?>) java.util.Objects.requireNonNull(Json.parse(bytes)), file));
        } catch (IOException | ClassCastException | NullPointerException e) {
            throw damaged(file, "the manifest cannot be understood", e);
        }
    }

    private static Manifest of(Map<?, ?> members, Path file) {
        long format = SegmentSummary.number(members, "format");
        if (format > FORMAT) {
            throw new BadInputException(
                    Place.of(file.toString()),
                    "is of format version " + format + ", newer than this program knows (" + FORMAT + ")",
                    "use a newer Catalexis, or build the index anew");
        }
        List<SegmentName> segments = new ArrayList<>();
        for (Object each : (List<?>) java.util.Objects.requireNonNull(members.get("segments"))) {
            Map<?, ?> segment = (Map<?, ?>) each;
            segments.add(new SegmentName(String.valueOf(segment.get("name")), SegmentSummary.number(segment, "bytes")));
        }
        Map<String, String> fields = new LinkedHashMap<>();
        ((Map<?, ?>) java.util.Objects.requireNonNull(members.get("fields")))
                .forEach((name, definition) -> fields.put(String.valueOf(name), String.valueOf(definition)));
        return new Manifest(
                (int) SegmentSummary.number(members, "generation"),
                String.valueOf(members.get("built")),
                segments,
                fields,
                SegmentSummary.number(members, "documents"));
    }

    /** Writes the manifest to a temporary file, has the disk keep it, and renames it: from then on the index is this. */
    void write(Path folder) throws IOException {
        Map<String, Object> members = new LinkedHashMap<>();
        members.put("format", FORMAT);
        members.put("generation", generation);
        members.put("built", built);
        members.put("documents", documents);
        members.put("fields", fields);
        List<Object> each = new ArrayList<>();
        for (SegmentName segment : segments) {
            Map<String, Object> one = new LinkedHashMap<>();
            one.put("name", segment.name);
            one.put("bytes", segment.bytes);
            each.add(one);
        }
        members.put("segments", each);
        String json = Json.write(members);
        byte[] bytes = sealed(json.substring(0, json.length() - 1)).getBytes(StandardCharsets.UTF_8);
        Path temporary = folder.resolve(fileName(generation) + ".tmp");
        try (FileChannel channel = FileChannel.open(
                temporary, StandardOpenOption.CREATE, StandardOpenOption.WRITE, StandardOpenOption.TRUNCATE_EXISTING)) {
            ByteBuffer buffer = ByteBuffer.wrap(bytes);
            while (buffer.hasRemaining()) {
                channel.write(buffer);
            }
            channel.force(true);
        }
        Files.move(temporary, folder.resolve(fileName(generation)), StandardCopyOption.ATOMIC_MOVE);
        try (FileChannel channel = FileChannel.open(folder, StandardOpenOption.READ)) {
            channel.force(true); // the renaming itself
        }
    }

    private static String sealed(String body) {
        CRC32C crc = new CRC32C();
        crc.update(body.getBytes(StandardCharsets.UTF_8));
        return body + CRC_MEMBER + String.format(java.util.Locale.ROOT, "%08x", (int) crc.getValue()) + "\"}\n";
    }

    static BadInputException damaged(Path file, String what, @org.jspecify.annotations.Nullable Throwable cause) {
        return new BadInputException(
                Place.of(file.toString()), what, "build the index anew with 'catalexis build'", cause);
    }
}
