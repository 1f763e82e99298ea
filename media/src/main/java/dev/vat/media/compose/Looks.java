package dev.vat.media.compose;

import dev.vat.core.delivery.Look;
import dev.vat.core.picture.CubeTable;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** Tables of colours in {@code .cube} files, as they lie on disk. */
public final class Looks {

    private static final Words WORDS = Words.of(Looks.class);

    private Looks() {}

    /** Whether a look is a table in three dimensions, and not three curves. */
    public static boolean isCube(Look look) {
        try {
            return CubeTable.parse(Files.readString(Path.of(look.path()))).isCube();
        } catch (IOException e) {
            throw new MediaException(WORDS.say("theLookCantBeRead", look.name(), e.getMessage()), 0);
        }
    }
}
