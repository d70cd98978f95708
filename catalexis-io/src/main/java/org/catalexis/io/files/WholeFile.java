package org.catalexis.io.files;

import java.io.BufferedWriter;
import java.io.IOException;
import java.io.OutputStreamWriter;
import java.io.Writer;
import java.nio.channels.Channels;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;

/**
 * Writes a file so that it is there whole or not at all: to a temporary name beside it, which is then renamed.
 *
 * @since 0.1
 */
public final class WholeFile {
    private WholeFile() {}

    /** What writes the content. */
    public interface Content {
        /** Writes all of it. */
        void writeTo(Writer out) throws IOException;
    }

    /** Writes {@code content} in UTF-8, taking the place of a file that is there. */
    public static void write(Path file, Content content) throws IOException {
        Path target = Files.isSymbolicLink(file) ? file.toRealPath() : file.toAbsolutePath();
        Path temporary = target.resolveSibling(
                target.getFileName() + "." + ProcessHandle.current().pid() + ".tmp");
        try {
            try (FileChannel channel = FileChannel.open(
                    temporary,
                    StandardOpenOption.CREATE,
                    StandardOpenOption.WRITE,
                    StandardOpenOption.TRUNCATE_EXISTING)) {
                Writer out = new BufferedWriter(
                        new OutputStreamWriter(Channels.newOutputStream(channel), StandardCharsets.UTF_8), 1 << 16);
                content.writeTo(out);
                out.flush();
                channel.force(true);
            }
            Files.move(temporary, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(temporary);
        }
    }
}
