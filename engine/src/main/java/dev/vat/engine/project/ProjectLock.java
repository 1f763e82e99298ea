package dev.vat.engine.project;

import dev.vat.core.words.Words;
import dev.vat.protocol.storage.Durable;
import dev.vat.protocol.storage.Places;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.time.Instant;
import java.time.temporal.ChronoUnit;

/** Says that a project's file is open in a window, so that a second one doesn't write over it. Ends with its process. */
public final class ProjectLock implements AutoCloseable {

    private static final Words WORDS = Words.of(ProjectLock.class);

    /** What came of asking for one. */
    public sealed interface Outcome {
        record Taken(ProjectLock lock) implements Outcome {}

        /** @param who has it, in words */
        record Elsewhere(String who) implements Outcome {}
    }

    private final FileChannel channel;

    private ProjectLock(FileChannel channel) {
        this.channel = channel;
    }

    public static Outcome take(Places places, Path project) throws IOException {
        Path real = Files.exists(project) ? project.toRealPath() : project.toAbsolutePath().normalize();
        Path file = places.data().resolve("open").resolve(Durable.sha256(real.toString()).substring(0, 24));
        Durable.createFolders(file.getParent());
        FileChannel channel = FileChannel.open(file, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
        try {
            if (channel.tryLock() != null) {
                channel.truncate(0);
                channel.write(StandardCharsets.UTF_8
                        .encode(WORDS.say("processSince", ProcessHandle.current().pid(), Instant.now().truncatedTo(ChronoUnit.SECONDS))));
                return new Outcome.Taken(new ProjectLock(channel));
            }
        } catch (OverlappingFileLockException _) {
            // another window of this process
        }
        channel.close();
        return new Outcome.Elsewhere(Files.readString(file));
    }

    @Override
    public void close() throws IOException {
        channel.close();
    }
}
