package dev.vat.dist;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.MatchResult;
import java.util.regex.Pattern;
import javax.imageio.ImageIO;

/**
 * Vat's icon, drawn from its own SVG file: paths alone, of one colour each, with the commands M, L, Q and Z in coordinates of the whole.
 */
final class Emblem {

    /** In the window's own part, which shows it as well. */
    private static final String FILE = "/dev/vat/desktop/look/vat.svg";
    /** Of the icon theme's usual folders. */
    static final List<Integer> SIZES = List.of(16, 22, 24, 32, 48, 64, 128, 256, 512);

    private static final Pattern PATHS = Pattern.compile("<path fill=\"(#[0-9a-f]{6})\" d=\"([^\"]+)\"/>");
    private static final Pattern STEPS = Pattern.compile("([MLQZ])([^MLQZ]*)");
    private static final double WHOLE = 64;

    private record Shape(Color colour, Path2D outline) {}

    private final List<Shape> shapes = new ArrayList<>();

    private Emblem(String svg) {
        for (MatchResult path : PATHS.matcher(svg).results().toList()) {
            shapes.add(new Shape(Color.decode(path.group(1)), outline(path.group(2))));
        }
        if (shapes.isEmpty()) {
            throw new IllegalArgumentException("no path in " + svg);
        }
    }

    static Emblem load() throws IOException {
        return new Emblem(text());
    }

    static String text() throws IOException {
        return Resources.text(FILE);
    }

    private static Path2D outline(String steps) {
        Path2D outline = new Path2D.Double();
        for (MatchResult step : STEPS.matcher(steps).results().toList()) {
            double[] n = Pattern.compile("[ ,]+").splitAsStream(step.group(2).strip()).filter(s -> !s.isEmpty())
                    .mapToDouble(Double::parseDouble).toArray();
            switch (step.group(1)) {
                case "M" -> outline.moveTo(n[0], n[1]);
                case "L" -> outline.lineTo(n[0], n[1]);
                case "Q" -> outline.quadTo(n[0], n[1], n[2], n[3]);
                default -> outline.closePath();
            }
        }
        return outline;
    }

    BufferedImage draw(int size) {
        BufferedImage picture = new BufferedImage(size, size, BufferedImage.TYPE_INT_ARGB);
        Graphics2D g = picture.createGraphics();
        g.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        g.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        g.scale(size / WHOLE, size / WHOLE);
        for (Shape shape : shapes) {
            g.setColor(shape.colour);
            g.fill(shape.outline);
        }
        g.dispose();
        return picture;
    }

    void write(int size, Path file) throws IOException {
        Files.createDirectories(file.getParent());
        ImageIO.write(draw(size), "png", file.toFile());
    }
}
