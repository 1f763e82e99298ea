package dev.vat.media.draw;

import dev.vat.core.recipe.WorkingFormat;
import dev.vat.core.type.Face;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
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
import java.util.List;

/**
 * Draws the card that stands in for a frame that can't be used. It looks the same on every machine.
 */
public final class CardPainter {

    private static final int GROUND = 0x30;
    private static final int INK = 0xe8;

    /** Read when first needed, by whichever thread that is: most runs need no card. */
    private Font font;

    /** An opaque working picture with {@code lines} one under the other, the first one large. */
    public Picture paint(WorkingFormat format, boolean alpha, int width, int height, List<String> lines) {
        byte[] grey = draw(width, height, lines);
        boolean deep = format == WorkingFormat.W16;
        Picture card = Picture.allocate(alpha ? deep ? "gbrap16le" : "gbrap" : deep ? "gbrp16le" : "gbrp", width, height);
        for (int p = 0; p < 3; p++) {
            MemorySegment plane = card.plane(p);
            for (int y = 0; y < height; y++) {
                long row = (long) y * card.stride(p);
                for (int x = 0; x < width; x++) {
                    int value = grey[y * width + x] & 0xff;
                    if (deep) {
                        plane.set(ValueLayout.JAVA_SHORT, row + 2L * x, (short) (value * 257));
                    } else {
                        plane.set(ValueLayout.JAVA_BYTE, row + x, (byte) value);
                    }
                }
            }
        }
        if (alpha) {
            card.plane(3).fill((byte) 0xff);
        }
        ColourTags.displayRgb(card);
        return card;
    }

    private byte[] draw(int width, int height, List<String> lines) {
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_BYTE_GRAY);
        Graphics2D graphics = image.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
            graphics.setColor(new Color(GROUND, GROUND, GROUND));
            graphics.fillRect(0, 0, width, height);
            graphics.setColor(new Color(INK, INK, INK));
            FontRenderContext context = new FontRenderContext(null, true, true);
            float y = height * 0.42f;
            for (int i = 0; i < lines.size(); i++) {
                if (lines.get(i).isBlank()) {
                    continue;
                }
                TextLayout layout = fitting(lines.get(i), height * (i == 0 ? 0.14f : 0.05f), width * 0.9f, context);
                layout.draw(graphics, (width - layout.getAdvance()) / 2, y);
                y += layout.getAscent() + layout.getDescent() + height * 0.03f;
            }
        } finally {
            graphics.dispose();
        }
        return ((DataBufferByte) image.getRaster().getDataBuffer()).getData();
    }

    private synchronized Font font() {
        font = font == null ? Face.own() : font;
        return font;
    }

    private TextLayout fitting(String text, float size, float room, FontRenderContext context) {
        TextLayout layout = new TextLayout(text, font().deriveFont(size), context);
        float advance = layout.getAdvance();
        return advance <= room ? layout : new TextLayout(text, font().deriveFont(size * room / advance), context);
    }
}
