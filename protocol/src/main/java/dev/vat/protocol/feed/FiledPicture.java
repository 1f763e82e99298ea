package dev.vat.protocol.feed;

import dev.vat.core.words.Words;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;

/** The PNG file that a scene wrote in place of handing samples over. */
final class FiledPicture {

    private static final Words WORDS = Words.of(FiledPicture.class);

    private FiledPicture() {}

    /** @return the same picture with its samples @throws FeedException if the file isn't what the scene says it is */
    static FeedPicture read(Path file, FeedPicture filed, String scene) throws FeedException {
        if (!Files.isRegularFile(file)) {
            throw new FeedException(WORDS.say("saysThatItWroteFrameBut", scene, filed.frame()));
        }
        try (ImageInputStream in = ImageIO.createImageInputStream(file.toFile())) {
            Iterator<ImageReader> readers = ImageIO.getImageReadersByFormatName("png");
            if (in == null || !readers.hasNext()) {
                throw new IOException(WORDS.say("thereIsNothingToReadItWith"));
            }
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                if (reader.getWidth(0) != filed.width() || reader.getHeight(0) != filed.height()) {
                    throw new IOException(
                            WORDS.say("itIsXNotX", reader.getWidth(0), reader.getHeight(0), filed.width(), filed.height()));
                }
                return new FeedPicture(filed.frame(), filed.width(), filed.height(), RawFormat.RGBA8, rgba(reader.read(0)));
            } finally {
                reader.dispose();
            }
        } catch (IOException | RuntimeException e) {
            // A decoder may stumble over anything in a file that isn't what it says.
            throw new FeedException(WORDS.say("wroteFrameSoThatItCantBe", scene, filed.frame(), e.getMessage()), e);
        }
    }

    private static byte[] rgba(BufferedImage image) {
        int[] argb = image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
        byte[] rgba = new byte[RawFormat.RGBA8.bytesPerPixel() * argb.length];
        for (int i = 0, at = 0; i < argb.length; i++) {
            rgba[at++] = (byte) (argb[i] >>> 16);
            rgba[at++] = (byte) (argb[i] >>> 8);
            rgba[at++] = (byte) argb[i];
            rgba[at++] = (byte) (argb[i] >>> 24);
        }
        return rgba;
    }
}
