package dev.vat.media.draw;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.PictureReading;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.reel.GeneratedItem;
import dev.vat.core.reel.ReelFrame;
import dev.vat.core.time.Rational;
import dev.vat.core.type.Face;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Composer;
import dev.vat.media.compose.Flattening;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Line2D;
import java.awt.image.BufferedImage;
import java.lang.foreign.ValueLayout;
import java.util.List;

/** Draws bars, slates and the figures of leaders, opaque, for any size and shape of pixels. Belongs to one thread. */
public final class DrawingPainter {

    private static final Words WORDS = Words.of(DrawingPainter.class);

    private static final Color GROUND = new Color(0x20, 0x20, 0x20);
    private static final Color INK = new Color(0xe6, 0xe6, 0xe6);
    private static final Color QUIET = new Color(0x9a, 0x9a, 0x9a);
    /** Of the picture's height. */
    private static final double MOST_ROW = .11;
    private static final double ROWS = .84;
    private static final double FIGURE = .5;
    private static final double RING = .38;
    /** Of the width: where labels end and words begin. */
    private static final double MIDDLE = .3;
    private static final double GAP = .015;
    private static final double CLEAR = .07;

    /** Read when first needed: most runs draw nothing, and that takes a while. */
    private Font font;

    /** A picture as displays show it. @param pixel shape of its pixels @param alpha whether it has that channel, full everywhere */
    Picture paint(ReelFrame.Drawing drawing, boolean alpha, int width, int height, PixelAspect pixel) {
        Picture drawn = switch (drawing) {
            case ReelFrame.Bars(var pattern) -> BarsPainter.paint(pattern, width, height);
            case ReelFrame.Slate(var entries) -> slate(entries, width, height, pixel.ratio().toDouble());
            case ReelFrame.Count(int figure, Rational turn) -> count(figure, turn.toDouble(), width, height, pixel.ratio().toDouble());
        };
        if (!alpha) {
            return drawn;
        }
        try (drawn) {
            return Flattening.opaque(drawn);
        }
    }

    /**
     * A working picture. Bars are signals: their levels are those of the file's own coding, where that has no high range.
     *
     * @param alpha whether the composer's pictures have that channel
     */
    public Picture working(ReelFrame.Drawing drawing, Composer composer, boolean alpha, int width, int height, PixelAspect pixel) {
        try (Picture drawn = paint(drawing, alpha, width, height, pixel)) {
            Picture working = composer.compose(drawn, PictureReading.of(alpha ? AlphaKind.STRAIGHT : AlphaKind.NONE, false));
            if (drawing instanceof ReelFrame.Bars && working.frame().color_trc() != Composer.PQ) {
                ColourTags.signal(working);
            }
            return working;
        }
    }

    private Picture slate(List<GeneratedItem.Slate.Entry> entries, int width, int height, double pixel) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        // Drawn as it is seen: square pixels, as tall as they are stored.
        double seen = width * pixel;
        Graphics2D graphics = graphics(image, pixel);
        try {
            double row = Math.min(height * MOST_ROW, height * ROWS / Math.max(1, entries.size()));
            double y = (height - row * entries.size()) / 2;
            for (GeneratedItem.Slate.Entry entry : entries) {
                double base = y + row * .68;
                double gap = seen * GAP;
                graphics.setColor(QUIET);
                draw(graphics, entry.label(), row * .42, seen * MIDDLE - gap, base, seen * (MIDDLE - CLEAR) - gap, true);
                graphics.setColor(INK);
                draw(graphics, entry.words().text(), row * .6, seen * MIDDLE + gap, base, seen * (1 - MIDDLE - CLEAR) - gap, false);
                y += row;
            }
        } finally {
            graphics.dispose();
        }
        return picture(image);
    }

    /** The figure in a ring, with a hand that goes round once a second. */
    private Picture count(int figure, double turn, int width, int height, double pixel) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = graphics(image, pixel);
        try {
            double x = width * pixel / 2;
            double y = height / 2.;
            double radius = Math.min(height, width * pixel) * RING;
            graphics.setColor(QUIET);
            graphics.setStroke(new BasicStroke((float) (height * .008)));
            graphics.draw(new Ellipse2D.Double(x - radius, y - radius, 2 * radius, 2 * radius));
            double angle = 2 * Math.PI * turn;
            graphics.draw(new Line2D.Double(x + radius * .8 * Math.sin(angle), y - radius * .8 * Math.cos(angle),
                    x + radius * 1.1 * Math.sin(angle), y - radius * 1.1 * Math.cos(angle)));
            graphics.setColor(INK);
            Shape outline = layout(Integer.toString(figure), height * FIGURE).getOutline(null);
            graphics.fill(
                    AffineTransform.getTranslateInstance(x - outline.getBounds2D().getCenterX(), y - outline.getBounds2D().getCenterY())
                            .createTransformedShape(outline));
        } finally {
            graphics.dispose();
        }
        return picture(image);
    }

    private static Graphics2D graphics(BufferedImage image, double pixel) {
        Graphics2D graphics = LetterPainter.graphics(image);
        graphics.setColor(GROUND);
        graphics.fillRect(0, 0, image.getWidth(), image.getHeight());
        graphics.transform(AffineTransform.getScaleInstance(1 / pixel, 1));
        return graphics;
    }

    private void draw(Graphics2D graphics, String text, double size, double x, double base, double room, boolean leftwards) {
        if (text.isBlank()) {
            return;
        }
        String missing = Face.missing(font(), text);
        if (!missing.isEmpty()) {
            throw new MediaException(WORDS.say("vatsFaceHasNoLetterWhich", missing), 0);
        }
        TextLayout layout = layout(text, size);
        if (layout.getAdvance() > room) {
            layout = layout(text, size * room / layout.getAdvance());
        }
        layout.draw(graphics, (float) (leftwards ? x - layout.getAdvance() : x), (float) base);
    }

    private TextLayout layout(String text, double size) {
        return new TextLayout(text, font().deriveFont((float) size), new FontRenderContext(null, true, true));
    }

    private Font font() {
        font = font == null ? Face.own() : font;
        return font;
    }

    private static Picture picture(BufferedImage grey) {
        Picture picture = Picture.allocate("gbrp", grey.getWidth(), grey.getHeight());
        for (int p = 0; p < 3; p++) {
            for (int y = 0; y < grey.getHeight(); y++) {
                for (int x = 0; x < grey.getWidth(); x++) {
                    picture.plane(p).set(ValueLayout.JAVA_BYTE, (long) y * picture.stride(p) + x,
                            (byte) grey.getRaster().getSample(x, y, 0));
                }
            }
        }
        ColourTags.displayRgb(picture);
        return picture;
    }
}
