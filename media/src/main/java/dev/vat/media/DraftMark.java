package dev.vat.media;

import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.FontRenderContext;
import java.awt.font.TextLayout;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferByte;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;

/**
 * The word DRAFT at the upper left of the title-safe area (Recommendation EBU R 95, five percent inside), light letters on a dark ground, six
 * percent of the picture's height.
 */
final class DraftMark {

    private static final String WORD = "DRAFT";
    private static final double INSIDE = .05;
    private static final double HEIGHT = .06;
    private static final double DARKENED = .55;
    private static final double LIGHT = .9;
    /** A little below ordinary white. */
    private static final double LIGHT_IN_PQ = .55;

    private final byte[] letters;
    private final int left;
    private final int top;
    private final int width;
    private final int height;

    /** For pictures of one size. */
    DraftMark(int pictureWidth, int pictureHeight) {
        float size = (float) Math.max(8, pictureHeight * HEIGHT);
        Font font = CardPainter.face().deriveFont(size);
        TextLayout layout = new TextLayout(WORD, font, new FontRenderContext(null, true, true));
        double edge = size / 3;
        left = Math.min(pictureWidth - 1, (int) (pictureWidth * INSIDE));
        top = Math.min(pictureHeight - 1, (int) (pictureHeight * INSIDE));
        width = Math.min(pictureWidth - left, (int) Math.ceil(layout.getAdvance() + 2 * edge));
        height = Math.min(pictureHeight - top, (int) Math.ceil(layout.getAscent() + layout.getDescent() + edge));
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = image.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            graphics.setColor(Color.WHITE);
            layout.draw(graphics, (float) edge, (float) (edge / 2 + layout.getAscent()));
        } finally {
            graphics.dispose();
        }
        letters = ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
    }

    /** A new picture with the mark; where there is alpha, it is opaque. */
    Picture on(Picture picture) {
        Picture marked = Picture.allocate(picture.formatName(), picture.width(), picture.height());
        for (int p = 0; p < picture.planes(); p++) {
            picture.copyPlane(p, marked);
            draw(marked.plane(p), marked.stride(p), picture.bits() > 8, p == 3, picture.frame().color_trc() == Composer.PQ ? LIGHT_IN_PQ : LIGHT);
        }
        ColourTags.like(picture, marked);
        return marked;
    }

    private void draw(MemorySegment plane, long stride, boolean deep, boolean alpha, double light) {
        int full = deep ? 65535 : 255;
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                long at = (top + y) * stride + (deep ? 2L : 1L) * (left + x);
                int letter = letters[y * width + x] & 0xff;
                int value = deep ? plane.get(ValueLayout.JAVA_SHORT, at) & 0xffff : plane.get(ValueLayout.JAVA_BYTE, at) & 0xff;
                int drawn = alpha ? full : (int) (value * (1 - DARKENED) * (255 - letter) / 255 + full * light * letter / 255);
                if (deep) {
                    plane.set(ValueLayout.JAVA_SHORT, at, (short) drawn);
                } else {
                    plane.set(ValueLayout.JAVA_BYTE, at, (byte) drawn);
                }
            }
        }
    }
}
