package dev.vat.core.container;

import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.HexFormat;

/** A basic unique material identifier after SMPTE ST 330: 32 bytes, of which the last 16 say which material it is. */
public record Umid(String hex) {

    private static final int BYTES = 32;
    private static final int MATERIAL = 16;
    /** Of a single component, numbered by a UUID; the instance is the first one. */
    private static final byte[] LABEL = {0x06, 0x0a, 0x2b, 0x34, 0x01, 0x01, 0x01, 0x05, 0x01, 0x01, 0x0d, 0x20, 0x13, 0, 0, 0};

    public static Umid of(byte[] bytes) {
        if (bytes.length != BYTES) {
            throw new IllegalArgumentException(bytes.length + " bytes");
        }
        return new Umid(HexFormat.of().formatHex(bytes));
    }

    /** The same name always gives the same one, and another name another: a UUID of version 8 (RFC 9562) from the name's SHA-256. */
    public static Umid named(String name) {
        byte[] hash;
        try {
            hash = MessageDigest.getInstance("SHA-256").digest(name.getBytes(StandardCharsets.UTF_8));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("Every Java has SHA-256", e);
        }
        hash[6] = (byte) (hash[6] & 0x0f | 0x80);
        hash[8] = (byte) (hash[8] & 0x3f | 0x80);
        return of(ByteBuffer.allocate(BYTES).put(LABEL).put(hash, 0, MATERIAL).array());
    }

    public byte[] bytes() {
        return HexFormat.of().parseHex(hex);
    }

    /** Whether it says which material it is at all. */
    public boolean isNumbered() {
        byte[] bytes = bytes();
        // The last byte tells packages of one file apart, in files that number nothing else.
        return !Arrays.equals(new byte[MATERIAL - 1], Arrays.copyOfRange(bytes, MATERIAL, BYTES - 1));
    }
}
