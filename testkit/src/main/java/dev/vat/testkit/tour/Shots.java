package dev.vat.testkit.tour;

import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import javafx.scene.Scene;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import javax.imageio.ImageIO;

/** Pictures of the window as PNG files. */
public final class Shots {

    private Shots() {}

    /** On the interface's thread only. */
    public static WritableImage of(Scene scene) {
        return scene.snapshot(null);
    }

    public static void write(WritableImage image, Path file) throws IOException {
        int width = (int) image.getWidth();
        int height = (int) image.getHeight();
        int[] pixels = new int[width * height];
        image.getPixelReader().getPixels(0, 0, width, height, PixelFormat.getIntArgbInstance(), pixels, 0, width);
        BufferedImage picture = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        picture.setRGB(0, 0, width, height, pixels, 0, width);
        Files.createDirectories(file.toAbsolutePath().getParent());
        if (!ImageIO.write(picture, "png", file.toFile())) {
            throw new IOException("This Java writes no PNG files");
        }
    }
}
