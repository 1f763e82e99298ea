package dev.vat.core.type;

import dev.vat.core.words.Words;
import java.awt.Font;
import java.awt.FontFormatException;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;
import java.util.stream.Collectors;

/** The faces that words in pictures are set in. Vat's own comes from its jar, so that they look the same on every machine. */
public final class Face {

    private static final Words WORDS = Words.of(Face.class);

    private static final String OWN = "/dev/vat/type/PlexSans-SemiBold.ttf";

    private static final String OF_TEXT = "/dev/vat/type/PlexSans-Regular.ttf";

    private Face() {}

    public static Font own() {
        System.setProperty("java.awt.headless", "true");
        try (InputStream face = Face.class.getResourceAsStream(OWN)) {
            return Font.createFont(Font.TRUETYPE_FONT, face);
        } catch (IOException e) {
            throw new UncheckedIOException("Vat's own face can't be read", e);
        } catch (FontFormatException e) {
            throw new IllegalStateException("Vat's own face is damaged", e);
        }
    }

    /** Vat's own face in its lighter cut as it lies in the jar, for documents that carry it along; the caller closes it. */
    public static InputStream ofText() {
        return Face.class.getResourceAsStream(OF_TEXT);
    }

    /** SHA-256 of Vat's own face, hexadecimal, for plans: another face would make other frames. */
    public static String fingerprint() {
        try (InputStream face = Face.class.getResourceAsStream(OWN)) {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(face.readAllBytes()));
        } catch (IOException e) {
            throw new UncheckedIOException("Vat's own face can't be read", e);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("This Java has no SHA-256", e);
        }
    }

    /**
     * Reads a face.
     *
     * @param name of its file, for words
     * @throws IOException saying what is wrong with it
     */
    public static Font read(InputStream data, String name) throws IOException {
        System.setProperty("java.awt.headless", "true");
        try {
            return Font.createFont(Font.TRUETYPE_FONT, data);
        } catch (FontFormatException e) {
            throw new IOException(WORDS.say("isNoTrueTypeOrOpenTypeFont", name, e.getMessage()), e);
        }
    }

    /** The letters of a text that a face lacks, each once. */
    public static String missing(Font font, String text) {
        return text.codePoints().filter(c -> !Character.isWhitespace(c) && Character.getType(c) != Character.FORMAT && !font.canDisplay(c))
                .distinct()
                .mapToObj(Character::toString).collect(Collectors.joining());
    }
}
