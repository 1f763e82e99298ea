package dev.vat.engine.handover;

/** Names of files from names of things. */
final class FileName {

    private FileName() {}

    /** What no file system refuses. */
    static String of(String name) {
        String safe = name.strip().replaceAll("[\\\\/:*?\"<>|\\p{Cntrl}]+", "_");
        return safe.isEmpty() || safe.startsWith(".") ? "reel" + safe : safe;
    }
}
