package dev.vat.engine.handover;

import dev.vat.core.handover.Manifest;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.function.LongConsumer;

/** Fingerprints of files, taken in one read. */
final class Digests {

    private static final int BLOCK = 1 << 20;

    private final MessageDigest sha512 = digest("SHA-512");
    private final MessageDigest md5 = digest("MD5");

    private Digests() { }

    private static MessageDigest digest(String name) {
        try {
            return MessageDigest.getInstance(name);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has " + name, e);
        }
    }

    /** @param read told of each so many bytes */
    static Manifest.Prints of(Path file, LongConsumer read) throws IOException {
        return copied(file, OutputStream.nullOutputStream(), read);
    }

    static Manifest.Prints of(byte[] bytes) {
        Digests digests = new Digests();
        digests.sha512.update(bytes);
        digests.md5.update(bytes);
        return digests.end();
    }

    /** Of what goes by while a file is copied. */
    static Manifest.Prints copied(Path file, OutputStream to, LongConsumer read) throws IOException {
        Digests digests = new Digests();
        byte[] block = new byte[BLOCK];
        try (InputStream in = Files.newInputStream(file)) {
            for (int count = in.read(block); count >= 0; count = in.read(block)) {
                digests.sha512.update(block, 0, count);
                digests.md5.update(block, 0, count);
                to.write(block, 0, count);
                read.accept(count);
            }
        }
        return digests.end();
    }

    private Manifest.Prints end() {
        return Manifest.Prints.of(sha512.digest(), md5.digest());
    }
}
