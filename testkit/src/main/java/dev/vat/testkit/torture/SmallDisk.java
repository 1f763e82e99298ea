package dev.vat.testkit.torture;

import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.Optional;

/** A real file system in memory that is small enough to be filled up. */
final class SmallDisk implements AutoCloseable {

    private static final String SIZE = "200m";
    private static final String FILLER = "filler";

    private final Path root;

    private SmallDisk(Path root) {
        this.root = root;
    }

    /** Empty if this user may not mount one. */
    static Optional<SmallDisk> mount(Path root) throws IOException, InterruptedException {
        Files.createDirectories(root);
        return run("mount", "-t", "tmpfs", "-o", "size=" + SIZE, "tmpfs", root.toString()) == 0 ? Optional.of(new SmallDisk(root))
                : Optional.empty();
    }

    private static int run(String... command) throws InterruptedException {
        try {
            return new ProcessBuilder(command).redirectErrorStream(true).redirectOutput(ProcessBuilder.Redirect.DISCARD).start().waitFor();
        } catch (IOException _) {
            // There is no such command here.
            return -1;
        }
    }

    Path root() {
        return root;
    }

    /** Takes all the room that is left. */
    void fill() throws IOException {
        ByteBuffer block = ByteBuffer.allocate(1 << 16);
        try (FileChannel channel = FileChannel.open(root.resolve(FILLER), StandardOpenOption.CREATE, StandardOpenOption.WRITE)) {
            while (true) {
                channel.write(block.clear());
            }
        } catch (IOException e) {
            if (!String.valueOf(e.getMessage()).contains("No space left")) {
                throw e;
            }
        }
    }

    void clear() throws IOException {
        Files.deleteIfExists(root.resolve(FILLER));
    }

    @Override
    public void close() {
        try {
            run("umount", root.toString());
        } catch (InterruptedException _) {
            Thread.currentThread().interrupt();
        }
    }
}
