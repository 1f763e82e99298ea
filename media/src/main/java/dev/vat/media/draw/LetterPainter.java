package dev.vat.media.draw;

import dev.vat.core.burnin.Lettering;
import dev.vat.core.burnin.Spot;
import dev.vat.core.burnin.Watermark;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.type.Face;
import dev.vat.core.words.Words;
import dev.vat.media.compose.Grounds;
import dev.vat.media.lib.MediaException;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.awt.AlphaComposite;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.font.FontRenderContext;
import java.awt.font.TextLayout;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/**
 * Writes words and a mark into working pictures, inside the title-safe area, so that they look right when the pixels are seen in their
 * shape. A line that is too long for the area gets smaller letters. Belongs to one thread.
 */
public final class LetterPainter {

    private static final Words WORDS = Words.of(LetterPainter.class);

    private static final int MOST_PATCHES = 24;
    private static final float SMALLEST = 6;
    /** Around the letters, in their size. */
    private static final double EDGE = .25;
    private static final Color INK = new Color(0xe6, 0xe6, 0xe6);

    private record Run(String text, float size) {}

    private record Block(Lettering.Written line, int width, int height, int bits, boolean high) {}

    private final double stretch;
    private final Map<Block, TextBlock> patches = new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Block, TextBlock> eldest) {
            return size() > MOST_PATCHES;
        }
    };
    /** Words without their figures are few, and measuring takes longer than drawing. */
    private final Map<Run, Double> widths = new LinkedHashMap<>(16, .75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<Run, Double> eldest) {
            return size() > MOST_PATCHES;
        }
    };
    private Font font;
    private String widestFigure;
    private String fontFile;
    private Watermark mark;
    private TextBlock markPatch;
    private int markedHeight;

    /** @param pixel shape of the pixels of all pictures */
    public LetterPainter(PixelAspect pixel) {
        stretch = 1 / pixel.ratio().toDouble();
    }

    /**
     * @return a picture of its own; where there is alpha, what is written covers as much as it does elsewhere
     * @throws MediaException if the face lacks a letter, or a file can't be read
     */
    public Picture on(Picture working, Lettering lettering) {
        return Picture.filled(working.formatName(), working.width(), working.height(), written -> write(working, lettering, written));
    }

    private void write(Picture working, Lettering lettering, Picture written) {
        for (int p = 0; p < working.planes(); p++) {
            working.copyPlane(p, written);
        }
        ColourTags.like(working, written);
        if (lettering.watermark() != null) {
            watermark(lettering.watermark(), working).over(written,
                    inside(working.width(), markPatch.width(), lettering.watermark().at().across()),
                    inside(working.height(), markPatch.height(), lettering.watermark().at().down()));
        }
        for (Spot spot : Spot.values()) {
            List<TextBlock> lines = new ArrayList<>();
            for (Lettering.Written line : lettering.lines()) {
                if (line.at() == spot) {
                    lines.add(patch(line, lettering.face(), working));
                }
            }
            int tall = lines.stream().mapToInt(TextBlock::height).sum();
            int y = inside(working.height(), tall, spot.down());
            for (TextBlock line : lines) {
                line.over(written, inside(working.width(), line.width(), spot.across()), y);
                y += line.height();
            }
        }
    }

    /** Where something of a length begins in the safe part of a whole. */
    private static int inside(int whole, int length, double share) {
        double clear = whole * Spot.CLEAR;
        return (int) Math.round(clear + (whole - 2 * clear - length) * share);
    }

    private TextBlock patch(Lettering.Written line, String face, Picture working) {
        set(face);
        Block block = new Block(line, working.width(), working.height(), working.bits(), TextBlock.isHigh(working));
        return patches.computeIfAbsent(block, b -> TextBlock.of(draw(b), working));
    }

    private void set(String face) {
        if (font == null || !Objects.equals(face, fontFile)) {
            font = font(face);
            fontFile = face;
            widestFigure = widestFigure();
            patches.clear();
            widths.clear();
        }
    }

    private static Font font(String face) {
        if (face == null) {
            return Face.own();
        }
        // Not by Java from the file itself: it would keep that open.
        try (InputStream data = Files.newInputStream(Path.of(face))) {
            return Face.read(data, Path.of(face).getFileName().toString());
        } catch (IOException e) {
            throw new MediaException(WORDS.say("theFaceForWordsInPictures", e.getMessage()), 0);
        }
    }

    private BufferedImage draw(Block block) {
        String text = block.line.text();
        String missing = Face.missing(font, text);
        if (!missing.isEmpty()) {
            throw new MediaException(WORDS.say("theFaceHasNoLetterWhich", font.getName(), missing), 0);
        }
        float size = fitting(block.line, block.width, block.height);
        double wide = wide(text, size);
        TextLayout layout = layout(text, size);
        double edge = size * EDGE;
        BufferedImage image = new BufferedImage(Math.max(1, (int) Math.ceil(wide)),
                Math.max(1, (int) Math.ceil(layout.getAscent() + layout.getDescent() + edge)), BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = graphics(image);
        try {
            graphics.setColor(new Color(0, 0, 0, block.line.ground() * 255 / 100));
            graphics.setComposite(AlphaComposite.Src);
            graphics.fillRect(0, 0, image.getWidth(), image.getHeight());
            graphics.setComposite(AlphaComposite.SrcOver);
            graphics.setColor(INK);
            double spare = wide - (layout.getAdvance() + 2 * edge) * stretch;
            graphics.translate(edge * stretch + (layout.isLeftToRight() ? 0 : spare), edge / 2 + layout.getAscent());
            graphics.transform(AffineTransform.getScaleInstance(stretch, 1));
            layout.draw(graphics, 0, 0);
        } finally {
            graphics.dispose();
        }
        return image;
    }

    static Graphics2D graphics(BufferedImage image) {
        Graphics2D graphics = image.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        return graphics;
    }

    private TextLayout layout(String text, float size) {
        return new TextLayout(text, font.deriveFont(size), new FontRenderContext(null, true, true));
    }

    /** With its ground, in pixels of the picture. */
    private double measured(Run run) {
        return (layout(run.text, run.size).getAdvance() + 2 * run.size * EDGE) * stretch;
    }

    private String widestFigure() {
        char widest = '0';
        for (char c = '1'; c <= '9'; c++) {
            if (layout(String.valueOf(c), 100).getAdvance() > layout(String.valueOf(widest), 100).getAdvance()) {
                widest = c;
            }
        }
        return String.valueOf(widest);
    }

    /** The size of letters, in pixels, at which a line fits. */
    private float fitting(Lettering.Written line, int width, int height) {
        double room = width * (1 - 2 * Spot.CLEAR);
        float size = (float) Math.max(SMALLEST, height * line.size() / 100);
        double wide = wide(line.text(), size);
        return wide > room ? (float) (size * room / wide) : size;
    }

    /** Figures that run may not move what stands beside them. */
    private double wide(String text, float size) {
        return widths.computeIfAbsent(new Run(text.replaceAll("[0-9]", widestFigure), size), this::measured);
    }

    /** What a line's letters come to where they have to be smaller than was asked for, as a share of that; 1 where they fit. */
    public double fits(Lettering.Written line, String face, int width, int height) {
        set(face);
        return fitting(line, width, height) / Math.max(SMALLEST, height * line.size() / 100);
    }

    private TextBlock watermark(Watermark wanted, Picture working) {
        if (!wanted.equals(mark) || markedHeight != working.height() || !markPatch.fits(working)) {
            try (Picture scaled = Grounds.scaled(Path.of(wanted.path()),
                    Math.max(1, (int) Math.round(working.height() * wanted.size() / 100)), stretch)) {
                markPatch = TextBlock.of(scaled, wanted.opacity(), working);
            }
            mark = wanted;
            markedHeight = working.height();
        }
        return markPatch;
    }
}
