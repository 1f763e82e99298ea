package dev.vat.worker.view;

import dev.vat.core.handover.ContactSheet;
import dev.vat.core.recipe.Recipe;
import dev.vat.core.type.Face;
import dev.vat.core.words.Words;
import dev.vat.media.lib.MediaException;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;

/** Draws contact sheets and writes them. */
final class ContactSheetPainter {

    private static final Words WORDS = Words.of(ContactSheetPainter.class);

    private static final Color PAPER = Color.WHITE;
    private static final Color INK = new Color(0x1c1c1d);
    private static final Color EMPTY = new Color(0xd8d8d8);
    private static final float JPEG_QUALITY = .92f;

    /** Makes one of its pictures. */
    interface Pictures {
        /** Pixels as in {@code BufferedImage.TYPE_INT_RGB}, row by row. @throws IOException in words */
        int[] of(Recipe recipe, int width, int height) throws IOException;
    }

    private final ContactSheet sheet;
    private final Pictures pictures;
    private final Measures m;

    ContactSheetPainter(ContactSheet sheet, Pictures pictures) {
        this.sheet = sheet;
        this.pictures = pictures;
        this.m = Measures.of(sheet);
    }

    /** Where things lie on the sheet, in pixels. @param gap around and between pictures @param text height of letters */
    private record Measures(int gap, int wide, int tall, int text) {
        static Measures of(ContactSheet sheet) {
            int gap = Math.max(4, sheet.width() / 120);
            int wide = (sheet.width() - gap * (sheet.across() + 1)) / sheet.across();
            return new Measures(gap, wide, Math.max(1, (int) Math.round((double) wide * sheet.seen().height() / sheet.seen().width())),
                    Math.max(11, wide / 20));
        }

        int head() {
            return 3 * text;
        }

        /** A row of pictures with its labels. */
        int row() {
            return tall + 2 * text;
        }
    }

    /**
     * Writes it; what is there by that name stays until the new one is whole.
     *
     * @throws IOException in words, if a picture or the file can't be made
     */
    void write(Path file) throws IOException {
        String name = file.getFileName().toString();
        BufferedImage drawn = draw();
        Path fresh = file.resolveSibling("." + name + ".new");
        try {
            switch (ContactSheet.endingOf(name)) {
                case "pdf" -> pdf(drawn, fresh);
                case "jpg" -> jpeg(drawn, fresh);
                default -> ImageIO.write(drawn, "png", fresh.toFile());
            }
            Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(fresh);
        }
    }

    private BufferedImage draw() throws IOException {
        int rows = Math.ceilDiv(sheet.cells().size(), sheet.across());
        BufferedImage drawn = new BufferedImage(sheet.width(), m.head() + rows * m.row() + m.gap, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = drawn.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
            graphics.setColor(PAPER);
            graphics.fillRect(0, 0, drawn.getWidth(), drawn.getHeight());
            Font face = Face.own();
            graphics.setColor(INK);
            graphics.setFont(face.deriveFont(m.text * 1.3f));
            graphics.drawString(sheet.title(), m.gap, m.text * 2);
            graphics.setFont(face.deriveFont((float) m.text));
            for (int i = 0; i < sheet.cells().size(); i++) {
                int x = m.gap + i % sheet.across() * (m.wide + m.gap);
                int y = m.head() + i / sheet.across() * m.row();
                graphics.setColor(EMPTY);
                graphics.fillRect(x, y, m.wide, m.tall);
                ContactSheet.Cell cell = sheet.cells().get(i);
                if (cell.recipe() != null) {
                    graphics.drawImage(picture(cell.recipe()), x, y, null);
                }
                graphics.setColor(INK);
                graphics.drawString(cell.label() + (cell.recipe() == null ? ", missing" : ""), x, y + m.tall + m.text + m.text / 4);
            }
        } finally {
            graphics.dispose();
        }
        return drawn;
    }

    private BufferedImage picture(Recipe recipe) throws IOException {
        BufferedImage image = new BufferedImage(m.wide, m.tall, BufferedImage.TYPE_INT_RGB);
        try {
            image.setRGB(0, 0, m.wide, m.tall, pictures.of(recipe, m.wide, m.tall), 0, m.wide);
        } catch (IOException | MediaException e) {
            throw new IOException(WORDS.say("aPictureOfTheContactSheet", e.getMessage()), e);
        }
        return image;
    }

    private static void jpeg(BufferedImage sheet, Path file) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(file.toFile())) {
            ImageWriteParam how = writer.getDefaultWriteParam();
            how.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            how.setCompressionQuality(JPEG_QUALITY);
            writer.setOutput(out);
            writer.write(null, new IIOImage(sheet, null, null), how);
        } finally {
            writer.dispose();
        }
    }

    /** On as many pages of A4 as it is long. */
    private void pdf(BufferedImage drawn, Path file) throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle(sheet.title());
            float margin = 28;
            float wide = PDRectangle.A4.getWidth() - 2 * margin;
            float scale = wide / drawn.getWidth();
            int most = (int) ((PDRectangle.A4.getHeight() - 2 * margin) / scale);
            for (BufferedImage part : pages(drawn, most)) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    float tall = part.getHeight() * scale;
                    content.drawImage(JPEGFactory.createFromImage(document, part, JPEG_QUALITY), margin,
                            PDRectangle.A4.getHeight() - margin - tall, wide, tall);
                }
            }
            document.save(file.toFile());
        }
    }

    /** Cut between rows of pictures. @param most how tall a page may be */
    private List<BufferedImage> pages(BufferedImage drawn, int most) {
        List<BufferedImage> pages = new ArrayList<>();
        int from = 0;
        while (from < drawn.getHeight()) {
            int left = drawn.getHeight() - from;
            int head = from == 0 ? m.head() : 0;
            int tall = left <= most ? left : Math.min(left, head + Math.max(1, (most - head) / m.row()) * m.row());
            pages.add(drawn.getSubimage(0, from, drawn.getWidth(), tall));
            from += tall;
        }
        return pages;
    }
}
