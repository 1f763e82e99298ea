package dev.vat.desktop;

import dev.vat.protocol.storage.Places;
import java.io.EOFException;
import java.io.IOException;
import java.net.StandardProtocolFamily;
import java.net.UnixDomainSocketAddress;
import java.nio.ByteBuffer;
import java.nio.channels.AsynchronousCloseException;
import java.nio.channels.Channels;
import java.nio.channels.ServerSocketChannel;
import java.nio.channels.SocketChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.FileSystems;
import java.nio.file.Files;
import java.nio.file.InvalidPathException;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * The one window of a user: what is opened while it is there lands in it. They speak through a socket that lies in a folder which is this
 * user's only: how many paths, then each with its length, in UTF-8; one byte comes back when they were taken.
 */
final class OpenWindow implements AutoCloseable {

    private static final Logger LOG = LoggerFactory.getLogger(OpenWindow.class);
    private static final String FOLDER = "window";
    private static final String SOCKET = "open";
    private static final int MOST_PATHS = 1_000_000;
    /** A process that was put to sleep accepts, and never answers. */
    private static final long PATIENCE_SECONDS = 5;
    private static final int LONGEST = 65_536;
    private static final byte TAKEN = 1;

    private final ServerSocketChannel server;
    private final Path socket;

    private OpenWindow(ServerSocketChannel server, Path socket) {
        this.server = server;
        this.socket = socket;
    }

    /** Hands paths to the window that is there; with none it comes to the front. @return whether there is one, and it took them */
    static boolean take(Places places, List<Path> paths) {
        try (SocketChannel channel = SocketChannel.open(UnixDomainSocketAddress.of(socket(places)))) {
            CompletableFuture.delayedExecutor(PATIENCE_SECONDS, TimeUnit.SECONDS).execute(() -> giveUp(channel));
            List<byte[]> names = paths.stream().map(p -> p.toAbsolutePath().normalize().toString().getBytes(StandardCharsets.UTF_8))
                    .toList();
            ByteBuffer words = ByteBuffer.allocate(Integer.BYTES + names.stream().mapToInt(n -> Integer.BYTES + n.length).sum());
            words.putInt(names.size());
            names.forEach(n -> words.putInt(n.length).put(n));
            Channels.newOutputStream(channel).write(words.array());
            return Channels.newInputStream(channel).read() == TAKEN;
        } catch (IOException e) {
            LOG.debug("No window takes what is opened", e);
            return false;
        }
    }

    /**
     * Becomes the window that takes what is opened.
     *
     * @param opened told of paths, on a thread of its own
     * @return empty where that can't be: then each start has its own window
     */
    static Optional<OpenWindow> listen(Places places, Consumer<List<Path>> opened) {
        try {
            Path socket = socket(places);
            Path folder = socket.getParent();
            Files.createDirectories(folder);
            if (FileSystems.getDefault().supportedFileAttributeViews().contains("posix")) {
                Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
            }
            // Nobody answered there: whoever it was of is gone.
            Files.deleteIfExists(socket);
            ServerSocketChannel server = ServerSocketChannel.open(StandardProtocolFamily.UNIX);
            server.bind(UnixDomainSocketAddress.of(socket));
            OpenWindow window = new OpenWindow(server, socket);
            Thread.ofVirtual().name("opened elsewhere").start(() -> window.accept(opened));
            return Optional.of(window);
        } catch (IOException | UnsupportedOperationException e) {
            LOG.info("This window can't take what is opened elsewhere", e);
            return Optional.empty();
        }
    }

    private static void giveUp(SocketChannel channel) {
        try {
            channel.close();
        } catch (IOException e) {
            LOG.debug("It was closed already", e);
        }
    }

    private static Path socket(Places places) {
        return places.cache().resolve(FOLDER).resolve(SOCKET);
    }

    private void accept(Consumer<List<Path>> opened) {
        while (server.isOpen()) {
            try (SocketChannel channel = server.accept()) {
                opened.accept(paths(channel));
                channel.write(ByteBuffer.wrap(new byte[] {TAKEN}));
            } catch (AsynchronousCloseException _) {
                return;
            } catch (IOException | InvalidPathException e) {
                LOG.info("What was opened elsewhere can't be understood", e);
            }
        }
    }

    private static List<Path> paths(SocketChannel channel) throws IOException {
        int count = number(channel, MOST_PATHS);
        List<Path> paths = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            paths.add(Path.of(StandardCharsets.UTF_8.decode(read(channel, number(channel, LONGEST))).toString()));
        }
        return paths;
    }

    private static int number(SocketChannel channel, int most) throws IOException {
        int number = read(channel, Integer.BYTES).getInt();
        if (number < 0 || number > most) {
            throw new IOException(number + " is out of bounds");
        }
        return number;
    }

    private static ByteBuffer read(SocketChannel channel, int bytes) throws IOException {
        ByteBuffer buffer = ByteBuffer.allocate(bytes);
        while (buffer.hasRemaining()) {
            if (channel.read(buffer) < 0) {
                throw new EOFException("ended after " + buffer.position() + " of " + bytes + " bytes");
            }
        }
        return buffer.flip();
    }

    @Override
    public void close() throws IOException {
        server.close();
        Files.deleteIfExists(socket);
    }
}
