package dev.vat.protocol.storage;

import dev.vat.core.product.OperatingSystem;
import dev.vat.core.proof.BytePrints;
import dev.vat.core.words.Words;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.channels.FileChannel;
import java.nio.charset.StandardCharsets;
import java.nio.file.AtomicMoveNotSupportedException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.StandardOpenOption;
import java.security.DigestInputStream;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HexFormat;
import java.util.List;
import java.util.stream.Stream;
import java.util.zip.CRC32C;

/** Writing that survives a kill at any instant, and deleting and fingerprinting of files. */
public final class Durable {

    private static final Words WORDS = Words.of(Durable.class);

    private static final long SMALLEST_STRETCH = 1 << 16;
    private static final long MOST_STRETCHES = 256;

    /** Told of what has reached the disk. */
    public interface Witness {
        /** @param bytes that the file had */
        void file(Path file, long bytes) throws IOException;

        /** With the names in it. */
        void folder(Path folder) throws IOException;
    }

    /** None but where somebody wants to know. */
    private static volatile Witness witness;

    private Durable() {}

    /** From now on, in this process. */
    public static void tell(Witness whom) {
        witness = whom;
    }

    /** Replaces a file's content as one act: a reader sees the old text or the new one, never a part. */
    public static void write(Path file, String text) throws IOException {
        createFolders(file.toAbsolutePath().getParent());
        Path fresh = file.resolveSibling("." + file.getFileName() + ".new");
        Files.writeString(fresh, text, StandardCharsets.UTF_8);
        sync(fresh);
        try {
            Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (AtomicMoveNotSupportedException _) {
            Files.move(fresh, file, StandardCopyOption.REPLACE_EXISTING);
        }
        syncFolder(file.toAbsolutePath().getParent());
    }

    /** Makes a folder and those above it that aren't there, and makes sure that their names have reached the disk. */
    public static void createFolders(Path folder) throws IOException {
        if (Files.isDirectory(folder)) {
            return;
        }
        Path above = folder.toAbsolutePath().getParent();
        createFolders(above);
        Files.createDirectories(folder);
        syncFolder(above);
    }

    /** Makes sure that a file's content has reached the disk. */
    public static void sync(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file, StandardOpenOption.WRITE)) {
            sync(channel, file);
        }
    }

    /** The same for a file that is open. */
    public static void sync(FileChannel channel, Path file) throws IOException {
        channel.force(true);
        if (witness != null) {
            witness.file(file, channel.size());
        }
    }

    /** Makes sure that a folder's names have reached the disk, where the system can do that. */
    public static void syncFolder(Path folder) throws IOException {
        if (OperatingSystem.here() == OperatingSystem.WINDOWS) {
            return;
        }
        try (FileChannel channel = FileChannel.open(folder)) {
            channel.force(true);
        }
        if (witness != null) {
            witness.folder(folder);
        }
    }

    /** CRC32C of a file, eight hexadecimal digits: against accidents, where SHA-256 would cost more than it is worth. */
    public static String crc32c(Path file) throws IOException {
        CRC32C crc = new CRC32C();
        ByteBuffer buffer = ByteBuffer.allocateDirect(1 << 18);
        try (FileChannel channel = FileChannel.open(file)) {
            while (channel.read(buffer) >= 0) {
                crc.update(buffer.flip());
                buffer.clear();
            }
        }
        return "%08x".formatted(crc.getValue());
    }

    /** CRC32C of stretches of a file, at most a few hundred of them. */
    public static BytePrints prints(Path file) throws IOException {
        try (FileChannel channel = FileChannel.open(file)) {
            long each = Math.max(SMALLEST_STRETCH, Math.ceilDiv(channel.size(), MOST_STRETCHES));
            List<String> prints = new ArrayList<>();
            ByteBuffer buffer = ByteBuffer.allocateDirect(1 << 18);
            for (long start = 0; start < channel.size(); start += each) {
                CRC32C crc = new CRC32C();
                long end = Math.min(channel.size(), start + each);
                for (long at = start; at < end; at += buffer.position()) {
                    buffer.clear().limit((int) Math.min(buffer.capacity(), end - at));
                    if (channel.read(buffer, at) < 0) {
                        throw new IOException(WORDS.say("becameShorterWhileItWas", file));
                    }
                    crc.update(buffer.flip());
                }
                prints.add("%08x".formatted(crc.getValue()));
            }
            return new BytePrints(each, prints);
        }
    }

    public static String crc32c(String text) {
        CRC32C crc = new CRC32C();
        crc.update(text.getBytes(StandardCharsets.UTF_8));
        return "%08x".formatted(crc.getValue());
    }

    /** Bytes of a file, or of all files in a folder. */
    public static long size(Path file) throws IOException {
        if (!Files.isDirectory(file)) {
            return Files.size(file);
        }
        long sum = 0;
        for (Path inside : files(file)) {
            sum += Files.size(inside);
        }
        return sum;
    }

    private static List<Path> files(Path folder) throws IOException {
        try (Stream<Path> files = Files.list(folder)) {
            return files.filter(Files::isRegularFile).sorted().toList();
        }
    }

    /**
     * SHA-256 of a file; of a folder, that of a list with the SHA-256 and the name of each of its files, as {@code sha256sum} prints it.
     */
    public static String sha256(Path file) throws IOException {
        if (Files.isDirectory(file)) {
            StringBuilder list = new StringBuilder();
            for (Path inside : files(file)) {
                list.append(sha256(inside)).append("  ").append(inside.getFileName()).append('\n');
            }
            return sha256(list.toString());
        }
        MessageDigest digest = sha256();
        try (DigestInputStream in = new DigestInputStream(Files.newInputStream(file), digest)) {
            byte[] buffer = new byte[1 << 18];
            while (in.read(buffer) >= 0) {
                // the stream feeds the digest
            }
        }
        return HexFormat.of().formatHex(digest.digest());
    }

    public static String sha256(String text) {
        return HexFormat.of().formatHex(sha256().digest(text.getBytes(StandardCharsets.UTF_8)));
    }

    private static MessageDigest sha256() {
        try {
            return MessageDigest.getInstance("SHA-256");
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("This Java has no SHA-256", e);
        }
    }

    /** Deletes a folder of Vat's own with all that is in it; links are deleted, not followed. */
    public static void deleteTree(Path folder) throws IOException {
        if (!Files.exists(folder)) {
            return;
        }
        try (Stream<Path> tree = Files.walk(folder)) {
            for (Path path : tree.sorted(Comparator.reverseOrder()).toList()) {
                Files.deleteIfExists(path);
            }
        }
    }
}
