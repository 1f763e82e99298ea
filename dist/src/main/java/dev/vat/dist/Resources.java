package dev.vat.dist;

import java.io.FileNotFoundException;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;

/** Files that go into what is made. */
final class Resources {

    private Resources() {}

    /** @param name beside this class, or with a stroke in front, anywhere */
    static byte[] bytes(String name) throws IOException {
        try (InputStream file = Resources.class.getResourceAsStream(name)) {
            if (file == null) {
                throw new FileNotFoundException(name);
            }
            return file.readAllBytes();
        }
    }

    static String text(String name) throws IOException {
        return new String(bytes(name), StandardCharsets.UTF_8);
    }
}
