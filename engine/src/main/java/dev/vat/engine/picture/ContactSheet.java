package dev.vat.engine.picture;

import dev.vat.core.picture.Rgb;
import dev.vat.core.picture.Size;
import dev.vat.core.project.Source;
import dev.vat.core.run.Programme;
import dev.vat.core.run.Receipt;
import dev.vat.core.source.FrameTable;
import dev.vat.core.time.FrameRange;
import dev.vat.core.time.Rate;
import dev.vat.core.time.Timecode;
import dev.vat.engine.protocol.Message;
import dev.vat.engine.viewer.ShownPicture;
import dev.vat.engine.viewer.Viewer;
import dev.vat.media.Face;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.concurrent.ExecutionException;
import java.util.function.LongFunction;
import java.util.stream.LongStream;
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

/**
 * Frames spread evenly over a source, a reel or a file, on one sheet with their numbers; written as PNG, JPEG or PDF by the name's ending.
 *
 * @param title over them
 * @param cells in their order
 * @param seen shape in which they are seen
 * @param across how many beside each other
 * @param width of the sheet, in pixels
 */
public record ContactSheet(String title, List<Cell> cells, Size seen, int across, int width) {

    /** One picture. @param label under it @param subject null where there is none */
    public record Cell(String label, Message.Subject subject) { }

    /** How many, and how large. */
    public record Grid(int across, int down, int width) {

        public static final Grid USUAL = new Grid(5, 6, 1600);

        private static final int MOST = 40;
        private static final int NARROWEST = 320;
        private static final int WIDEST = 16_000;

        public Grid {
            if (across < 1 || across > MOST || down < 1 || down > MOST) {
                throw new IllegalArgumentException("A contact sheet has from 1 to " + MOST + " frames across and down, not " + across + " by " + down);
            }
            if (width < NARROWEST || width > WIDEST) {
                throw new IllegalArgumentException("A contact sheet is from " + NARROWEST + " to " + WIDEST + " pixels wide, not " + width);
            }
        }

        /** {@code 5x6}. */
        public static Grid parse(String text, int width) {
            String[] parts = text.toLowerCase(Locale.ROOT).split("x");
            try {
                return new Grid(Integer.parseInt(parts[0].strip()), Integer.parseInt(parts[1].strip()), width);
            } catch (NumberFormatException | ArrayIndexOutOfBoundsException e) {
                throw new IllegalArgumentException("'" + text + "' is no grid: write how many across and down, as 5x6", e);
            }
        }
    }

    /** What files may be called. */
    public static final List<String> ENDINGS = List.of("png", "jpg", "pdf");

    private static final Color PAPER = Color.WHITE;
    private static final Color INK = new Color(0x1c1c1d);
    private static final Color EMPTY = new Color(0xd8d8d8);
    private static final float JPEG_QUALITY = .92f;

    public ContactSheet {
        cells = List.copyOf(cells);
    }

    /** Of a finished film. */
    public static ContactSheet ofFilm(Path film, Receipt receipt) {
        Rate rate = receipt.planned().rate();
        Timecode start = receipt.planned().timecode() == null ? Timecode.of(0, rate) : Timecode.parse(receipt.planned().timecode(), rate);
        return of(receipt.file(), receipt.planned().frames(), receipt.planned().pixelAspect().seen(receipt.planned().size()), Grid.USUAL,
                frame -> new Cell(frame + "  " + start.plusFrames(frame), new Message.Movie(film.toString(), frame)));
    }

    /** Of a reel. */
    public static ContactSheet ofReel(Programme programme, Grid grid) {
        ReelPictures pictures = new ReelPictures(programme);
        Timecode start = programme.start().or(() -> programme.rate().map(r -> Timecode.of(0, r))).orElse(null);
        return of(programme.reel().name(), programme.plan().count(), programme.shape().map(f -> f.pixelAspect().seen(f.size())).orElse(Size.of(16, 9)), grid,
                frame -> new Cell(frame + (start == null ? "" : "  " + start.plusFrames(frame)), pictures.at(frame).orElse(null)));
    }

    /** Of a source, by the frames' own numbers. */
    public static ContactSheet ofSource(Source source, FrameTable table, Grid grid) {
        FrameRange range = source.reading().rangeIn(table.sequence());
        Size seen = table.format().map(f -> source.reading().picture().pixelAspectOf(f).seen(f.size())).orElse(Size.of(16, 9));
        return of(source.name(), range.count(), seen, grid, place -> {
            long number = range.first() + place;
            return new Cell(table.sequence().pattern().number(number), table.sequence().has(number) ? ReelPictures.still(source, table, number) : null);
        });
    }

    /** @param cell the picture at a place, from 0 */
    public static ContactSheet of(String title, long frames, Size seen, Grid grid, LongFunction<Cell> cell) {
        long shown = Math.min(frames, (long) grid.across * grid.down);
        // The first and the last are always there.
        List<Cell> cells = LongStream.range(0, shown).map(i -> shown == 1 ? 0 : i * (frames - 1) / (shown - 1)).mapToObj(cell).toList();
        return new ContactSheet(title, cells, seen, grid.across, grid.width);
    }

    /** Where things lie on the sheet, in pixels. @param gap around and between pictures @param text height of letters */
    private record Measures(int gap, int wide, int tall, int text) {
        static Measures of(ContactSheet sheet) {
            int gap = Math.max(4, sheet.width / 120);
            int wide = (sheet.width - gap * (sheet.across + 1)) / sheet.across;
            return new Measures(gap, wide, Math.max(1, (int) Math.round((double) wide * sheet.seen.height() / sheet.seen.width())), Math.max(11, wide / 20));
        }

        int head() {
            return 3 * text;
        }

        /** A row of pictures with its labels. */
        int row() {
            return tall + 2 * text;
        }
    }

    /** Writes it; what is there by that name stays until the new one is whole. @throws IOException in words, if a picture or the file can't be made */
    public void write(Viewer viewer, Path file) throws IOException, InterruptedException {
        String name = file.getFileName().toString();
        String ending = name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT).replace("jpeg", "jpg");
        if (!ENDINGS.contains(ending)) {
            throw new IOException("A contact sheet is a file that ends in one of " + ENDINGS + ", unlike " + name);
        }
        BufferedImage sheet = draw(viewer);
        Path fresh = file.resolveSibling("." + name + ".new");
        try {
            switch (ending) {
                case "pdf" -> pdf(sheet, fresh);
                case "jpg" -> jpeg(sheet, fresh);
                default -> ImageIO.write(sheet, "png", fresh.toFile());
            }
            Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } finally {
            Files.deleteIfExists(fresh);
        }
    }

    private BufferedImage draw(Viewer viewer) throws IOException, InterruptedException {
        Measures m = Measures.of(this);
        int rows = Math.ceilDiv(cells.size(), across);
        BufferedImage sheet = new BufferedImage(width, m.head() + rows * m.row() + m.gap, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = sheet.createGraphics();
        try {
            graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
            graphics.setColor(PAPER);
            graphics.fillRect(0, 0, sheet.getWidth(), sheet.getHeight());
            Font face = Face.own();
            graphics.setColor(INK);
            graphics.setFont(face.deriveFont(m.text * 1.3f));
            graphics.drawString(title, m.gap, m.text * 2);
            graphics.setFont(face.deriveFont((float) m.text));
            for (int i = 0; i < cells.size(); i++) {
                int x = m.gap + i % across * (m.wide + m.gap);
                int y = m.head() + i / across * m.row();
                graphics.setColor(EMPTY);
                graphics.fillRect(x, y, m.wide, m.tall);
                Cell cell = cells.get(i);
                if (cell.subject != null) {
                    graphics.drawImage(picture(viewer, cell.subject, m.wide, m.tall), x, y, null);
                }
                graphics.setColor(INK);
                graphics.drawString(cell.label + (cell.subject == null ? ", missing" : ""), x, y + m.tall + m.text + m.text / 4);
            }
        } finally {
            graphics.dispose();
        }
        return sheet;
    }

    private static BufferedImage picture(Viewer viewer, Message.Subject subject, int wide, int tall) throws IOException, InterruptedException {
        try (ShownPicture shown = viewer.picture(subject, new Message.Shape(wide, tall, Rgb.BLACK, Message.Look.COLOUR, null)).get()) {
            ByteBuffer bytes = ByteBuffer.allocate(4 * shown.width() * shown.height()).order(ByteOrder.LITTLE_ENDIAN);
            shown.copyTo(bytes);
            int[] pixels = new int[shown.width() * shown.height()];
            bytes.rewind().asIntBuffer().get(pixels);
            BufferedImage image = new BufferedImage(shown.width(), shown.height(), BufferedImage.TYPE_INT_RGB);
            image.setRGB(0, 0, shown.width(), shown.height(), pixels, 0, shown.width());
            return image;
        } catch (ExecutionException e) {
            throw new IOException("A picture of the contact sheet can't be made: " + e.getCause().getMessage(), e.getCause());
        }
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
    private void pdf(BufferedImage sheet, Path file) throws IOException {
        try (PDDocument document = new PDDocument()) {
            document.getDocumentInformation().setTitle(title);
            float margin = 28;
            float wide = PDRectangle.A4.getWidth() - 2 * margin;
            float scale = wide / sheet.getWidth();
            int most = (int) ((PDRectangle.A4.getHeight() - 2 * margin) / scale);
            for (BufferedImage part : pages(sheet, most)) {
                PDPage page = new PDPage(PDRectangle.A4);
                document.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                    float tall = part.getHeight() * scale;
                    content.drawImage(JPEGFactory.createFromImage(document, part, JPEG_QUALITY), margin, PDRectangle.A4.getHeight() - margin - tall, wide, tall);
                }
            }
            document.save(file.toFile());
        }
    }

    /** Cut between rows of pictures. @param most how tall a page may be */
    private List<BufferedImage> pages(BufferedImage sheet, int most) {
        Measures m = Measures.of(this);
        List<BufferedImage> pages = new ArrayList<>();
        int from = 0;
        while (from < sheet.getHeight()) {
            int left = sheet.getHeight() - from;
            int head = from == 0 ? m.head() : 0;
            int tall = left <= most ? left : Math.min(left, head + Math.max(1, (most - head) / m.row()) * m.row());
            pages.add(sheet.getSubimage(0, from, sheet.getWidth(), tall));
            from += tall;
        }
        return pages;
    }
}
