package org.catalexis.index;

import java.io.Closeable;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.catalexis.settings.BadInputException;
import org.catalexis.settings.Place;

/**
 * One builder at a time: a lock of the operating system on {@code builder.held}, which a dead process cannot keep. The file
 * says who holds it.
 */
final class BuilderLock implements Closeable {
    private final FileChannel channel;

    private BuilderLock(FileChannel channel) {
        this.channel = channel;
    }

    static BuilderLock take(Path folder) throws IOException {
        Path file = folder.resolve("builder.held");
        FileChannel channel =
                FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.READ, StandardOpenOption.WRITE);
        try {
            FileLock lock = channel.tryLock();
            if (lock != null) {
                String holder = "process " + ProcessHandle.current().pid() + " since "
                        + Instant.now().truncatedTo(ChronoUnit.SECONDS);
                channel.truncate(0);
                channel.write(ByteBuffer.wrap(holder.getBytes(StandardCharsets.UTF_8)));
                return new BuilderLock(channel);
            }
        } catch (OverlappingFileLockException e) {
            // This very process holds it: told below, like any other holder.
        }
        ByteBuffer holder = ByteBuffer.allocate(200);
        channel.read(holder, 0);
        channel.close();
        throw new BadInputException(
                Place.of(folder.toString()),
                "another builder is at work on this index ("
                        + new String(holder.array(), 0, holder.position(), StandardCharsets.UTF_8) + ")",
                "wait for it to end, or stop it");
    }

    /** Gives the lock back. The file stays, empty: removing it could take another builder's lock away. */
    @Override
    public void close() throws IOException {
        channel.truncate(0);
        channel.close();
    }
}
