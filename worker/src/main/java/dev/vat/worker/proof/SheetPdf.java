package dev.vat.worker.proof;

import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Receipt;
import dev.vat.core.type.Face;
import dev.vat.core.words.Words;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;

/** A proof sheet as one page of PDF, A4. Lengths are points, from the lower left. */
final class SheetPdf {

    private static final Words WORDS = Words.of(SheetPdf.class);

    private static final float MARGIN = 36;
    private static final float WIDTH = PDRectangle.A4.getWidth() - 2 * MARGIN;
    private static final float SMALL = 7;
    private static final float NORMAL = 8.5f;
    private static final float LARGE = 15;
    private static final float LEADING = 1.35f;
    private static final int ACROSS = 6;
    /** Room for the name of a property. */
    private static final float NAME = 118;
    /** Letters of a value that is a list. */
    private static final int LONG = 60;
    private static final float CURVE = 56;
    private static final double WORST = 20;
    private static final double BEST = 70;
    private static final Color INK = new Color(0x1c1c1d);
    private static final Color FAINT = new Color(0x5f5f60);
    private static final Color GOOD = new Color(0x34602f);
    private static final Color FAULT = new Color(0x8f231d);
    private static final Color RULE = new Color(0xc6c6c6);
    private static final Color CURVE_INK = new Color(0x3d4294);

    private final PDDocument document;
    private final PDPageContentStream page;
    private final PDFont face;
    private float y = PDRectangle.A4.getHeight() - MARGIN;

    private SheetPdf(PDDocument document, PDPageContentStream page, PDFont face) {
        this.document = document;
        this.page = page;
        this.face = face;
    }

    static void write(ProofSheet.Content content, Path to) throws IOException {
        try (PDDocument document = new PDDocument(); InputStream type = Face.ofText()) {
            PDPage sheet = new PDPage(PDRectangle.A4);
            document.addPage(sheet);
            document.getDocumentInformation().setTitle(content.receipt().file());
            PDFont face = PDType0Font.load(document, type);
            try (PDPageContentStream page = new PDPageContentStream(document, sheet)) {
                new SheetPdf(document, page, face).draw(content);
            }
            document.save(to.toFile());
        }
    }

    private void draw(ProofSheet.Content content) throws IOException {
        Receipt receipt = content.receipt();
        line(receipt.file(), LARGE, INK);
        line(WORDS.say("of", receipt.targetTitle(), receipt.reel()), NORMAL, FAINT);
        line(content.verdict(), NORMAL, receipt.proven() ? GOOD : FAULT);
        heading(WORDS.say("asAskedAsFound"));
        comparison(receipt.comparison().lines());
        line(content.made(), SMALL, FAINT);
        if (!content.likeness().isEmpty()) {
            heading(WORDS.say("likeness"));
            line(content.likeness(), NORMAL, INK);
            curve(content.curve());
        }
        if (!content.worst().isEmpty()) {
            heading(WORDS.say("framesThatDifferMost"));
            Map<String, BufferedImage> worst = new LinkedHashMap<>();
            content.worst().entrySet().stream().limit(ACROSS).forEach(
                    w -> worst.put(WORDS.say("frameDB", w.getKey().frame(), Words.decimal(w.getKey().psnr(), 1)), w.getValue()));
            pictures(worst);
        }
        heading(WORDS.say("contactSheet"));
        Map<String, BufferedImage> contacts = new LinkedHashMap<>();
        content.contacts().forEach((frame, picture) -> contacts.put(Long.toString(frame), picture));
        pictures(contacts);
        heading(WORDS.say("fingerprint"));
        line("SHA-256 " + receipt.sha256(), SMALL, INK);
    }

    private void heading(String words) throws IOException {
        y -= 5;
        line(words, NORMAL, FAINT);
        page.setStrokingColor(RULE);
        page.moveTo(MARGIN, y - 3);
        page.lineTo(MARGIN + WIDTH, y - 3);
        page.stroke();
        y -= 5;
    }

    private void line(String words, float size, Color ink) throws IOException {
        for (String part : wrapped(words, size, WIDTH)) {
            y -= size * LEADING;
            text(part, MARGIN, y, size, ink);
        }
    }

    private void text(String words, float x, float at, float size, Color ink) throws IOException {
        page.beginText();
        page.setFont(face, size);
        page.setNonStrokingColor(ink);
        page.newLineAtOffset(x, at);
        page.showText(words);
        page.endText();
    }

    /** Letters that the face lacks are marked as such: a sheet without them is better than none. */
    private String shown(String words) {
        StringBuilder shown = new StringBuilder();
        words.codePoints().forEach(letter -> {
            String one = Character.toString(letter);
            try {
                face.encode(one);
                shown.append(one);
            } catch (IOException | IllegalArgumentException _) {
                shown.append('?');
            }
        });
        return shown.toString();
    }

    private List<String> wrapped(String words, float size, float width) throws IOException {
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        for (String word : shown(words).split(" ")) {
            String longer = line.isEmpty() ? word : line + " " + word;
            if (!line.isEmpty() && face.getStringWidth(longer) / 1000 * size > width) {
                lines.add(line.toString());
                line.setLength(0);
                line.append(word);
            } else {
                line.setLength(0);
                line.append(longer);
            }
        }
        lines.add(line.toString());
        return lines;
    }

    /** Two properties side by side, as in the window; what a second reader found is a list and has the whole width below. */
    private void comparison(List<Comparison.Line> all) throws IOException {
        List<Comparison.Line> lines = all.stream().filter(l -> l.found().length() < LONG).toList();
        float column = WIDTH / 2;
        int each = Math.ceilDiv(lines.size(), 2);
        float top = y;
        float lowest = y;
        for (int i = 0; i < lines.size(); i++) {
            Comparison.Line one = lines.get(i);
            if (i == each) {
                y = top;
            }
            float x = MARGIN + (i < each ? 0 : column);
            List<String> found = wrapped(one.agrees() ? one.found() : WORDS.say("asked", one.found(), one.planned()), NORMAL,
                    column - NAME - 8);
            text(shown(one.name()), x, y - NORMAL * LEADING, NORMAL, FAINT);
            for (String part : found) {
                y -= NORMAL * LEADING;
                text(part, x + NAME, y, NORMAL, one.agrees() ? INK : FAULT);
            }
            lowest = Math.min(lowest, y);
        }
        y = lowest;
        for (Comparison.Line list : all.stream().filter(l -> l.found().length() >= LONG).toList()) {
            y -= NORMAL * LEADING;
            text(shown(list.name()), MARGIN, y, NORMAL, FAINT);
            for (String part : wrapped(list.agrees() ? list.found() : WORDS.say("asked", list.found(), list.planned()), NORMAL, WIDTH)) {
                y -= NORMAL * LEADING;
                text(part, MARGIN, y, NORMAL, list.agrees() ? INK : FAULT);
            }
        }
    }

    private void curve(List<Double> psnr) throws IOException {
        y -= CURVE + 4;
        page.setStrokingColor(RULE);
        for (int value = 30; value < BEST; value += 10) {
            page.moveTo(MARGIN, y + height((double) value));
            page.lineTo(MARGIN + WIDTH, y + height((double) value));
            page.stroke();
            text(value + " dB", MARGIN, y + height((double) value) + 1, 5.5f, FAINT);
        }
        page.setStrokingColor(CURVE_INK);
        for (int i = 0; i < psnr.size(); i++) {
            float x = MARGIN + (psnr.size() < 2 ? 0 : WIDTH * i / (psnr.size() - 1));
            if (i == 0) {
                page.moveTo(x, y + height(psnr.get(i)));
            } else {
                page.lineTo(x, y + height(psnr.get(i)));
            }
        }
        page.stroke();
    }

    private static float height(Double psnr) {
        double held = psnr == null ? BEST : Math.clamp(psnr, WORST, BEST);
        return (float) ((held - WORST) / (BEST - WORST) * CURVE);
    }

    private void pictures(Map<String, BufferedImage> pictures) throws IOException {
        float gap = 5;
        float width = (WIDTH - (ACROSS - 1) * gap) / ACROSS;
        int place = 0;
        float tall = 0;
        for (var picture : pictures.entrySet()) {
            if (place % ACROSS == 0) {
                tall = Math.min(width, width * picture.getValue().getHeight() / picture.getValue().getWidth());
                y -= tall + SMALL * LEADING + 2;
            }
            float wide = Math.min(width, tall * picture.getValue().getWidth() / picture.getValue().getHeight());
            float x = MARGIN + place % ACROSS * (width + gap);
            page.drawImage(LosslessFactory.createFromImage(document, picture.getValue()), x, y + SMALL * LEADING, wide, tall);
            text(shown(picture.getKey()), x, y + 2, 6, FAINT);
            place++;
        }
    }
}
