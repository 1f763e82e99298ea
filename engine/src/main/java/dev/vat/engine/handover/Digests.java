package dev.vat.engine.handover;

import dev.vat.core.handover.Manifest;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** Fingerprints of files, taken in one read. */
final class Digests {

    private static final int BLOCK = 1 << 20;

    private Digests() {}

    static Manifest.Prints of(Path file) throws IOException {
        MessageDigest sha512 = digest("SHA-512");
        MessageDigest md5 = digest("MD5");
        byte[] block = new byte[BLOCK];
        try (InputStream in = Files.newInputStream(file)) {
            for (int count = in.read(block); count >= 0; count = in.read(block)) {
                sha512.update(block, 0, count);
                md5.update(block, 0, count);
            }
        }
        return Manifest.Prints.of(sha512.digest(), md5.digest());
    }

    private static MessageDigest digest(String name) {
        try {
            return MessageDigest.getInstance(name);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has " + name, e);
        }
    }
}
