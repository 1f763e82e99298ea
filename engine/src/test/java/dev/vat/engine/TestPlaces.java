package dev.vat.engine;

import dev.vat.protocol.storage.Places;
import java.nio.file.Path;

/** Vat's own places inside a test's folder, but for the cache: the native library is unpacked into it, once for all tests. */
public final class TestPlaces {

    private TestPlaces() {}

    public static Places in(Path folder) {
        Places own = Places.in(folder.resolve("vat-home"));
        return new Places(own.config(), own.data(), Path.of("target", "test-cache").toAbsolutePath(), own.log());
    }
}
