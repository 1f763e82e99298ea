package dev.vat.worker.proof;

import dev.vat.core.proof.Comparison;
import dev.vat.core.proof.Receipt;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
import javax.imageio.ImageIO;

/** A proof sheet as one file of HTML that needs no other. */
final class SheetHtml {

    private static final int CURVE_WIDTH = 900;
    private static final int CURVE_HEIGHT = 140;
    private static final double WORST = 20;
    private static final double BEST = 70;

    private static final String STYLE = """
            body { font: 13px/1.45 "IBM Plex Sans", sans-serif; color: #1c1c1d; background: #fbfbfb; margin: 24px auto; max-width: 940px; \
            padding: 0 16px; }
            h1 { font-size: 20px; margin: 0; } h2 { font-size: 13px; margin: 18px 0 4px; border-bottom: 1px solid #c6c6c6; }
            .verdict { padding: 6px 10px; margin: 8px 0; background: #dbe7d8; color: #34602f; font-weight: 600; } .verdict.not { \
            background: #f3dad7; color: #8f231d; }
            table { border-collapse: collapse; width: 100%; } td, th { text-align: left; padding: 1px 10px 1px 0; border-bottom: 1px \
            solid #ececec; vertical-align: top; }
            .off { color: #8f231d; font-weight: 600; } .pictures { display: flex; flex-wrap: wrap; gap: 6px; } figure { margin: 0; width: \
            146px; } img { width: 100%; display: block; }
            figcaption, code { font: 11px "IBM Plex Mono", monospace; word-break: break-all; } svg { width: 100%; background: #f1f1f1; }
            """;

    private SheetHtml() {}

    static String of(ProofSheet.Content content) throws IOException {
        Receipt receipt = content.receipt();
        StringBuilder page = new StringBuilder("<!DOCTYPE html>\n<html lang=\"en\"><head><meta charset=\"utf-8\"><title>")
                .append(text(receipt.file())).append("</title><style>\n").append(STYLE)
                .append("</style></head><body>\n<h1>").append(text(receipt.file())).append("</h1>\n<p>").append(text(receipt.targetTitle()))
                .append(", of ").append(text(receipt.reel())).append("</p>\n");
        page.append("<p class=\"verdict").append(receipt.proven() ? "" : " not").append("\">").append(text(content.verdict()))
                .append("</p>\n");
        page.append("<h2>As asked, as found</h2>\n<table><tr><th>What</th><th>Asked</th><th>Found</th></tr>\n");
        for (Comparison.Line line : receipt.comparison().lines()) {
            page.append("<tr").append(line.agrees() ? "" : " class=\"off\"").append("><td>").append(text(line.name())).append("</td><td>")
                    .append(text(line.planned())).append("</td><td>")
                    .append(text(line.found())).append("</td></tr>\n");
        }
        page.append("</table>\n<p>").append(text(content.made())).append("</p>\n");
        if (!content.likeness().isEmpty()) {
            page.append("<h2>Likeness</h2>\n<p>").append(text(content.likeness())).append("</p>\n").append(curve(content.curve()));
        }
        if (!content.worst().isEmpty()) {
            page.append("<h2>Frames that differ most</h2>\n<div class=\"pictures\">\n");
            for (var worst : content.worst().entrySet()) {
                page.append(figure(worst.getValue(), String.format(Locale.ROOT, "%d: %.1f dB, of %s", worst.getKey().frame(),
                        worst.getKey().psnr(), worst.getKey().source())));
            }
            page.append("</div>\n");
        }
        page.append("<h2>Contact sheet</h2>\n<div class=\"pictures\">\n");
        for (var contact : content.contacts().entrySet()) {
            page.append(figure(contact.getValue(), Long.toString(contact.getKey())));
        }
        page.append("</div>\n<h2>Made from</h2>\n<p>")
                .append(receipt.sources().stream()
                        .map(s -> text(s.name() + " " + s.first() + " to " + s.last() + ", " + s.count() + " frames"))
                        .collect(Collectors.joining("<br>")))
                .append("</p>\n<h2>Fingerprint</h2>\n<p><code>SHA-256 ").append(receipt.sha256()).append("</code></p>\n</body></html>\n");
        return page.toString();
    }

    private static String figure(BufferedImage picture, String words) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(picture, "png", bytes);
        return "<figure><img alt=\"frame " + text(words) + "\" src=\"data:image/png;base64,"
                + Base64.getEncoder().encodeToString(bytes.toByteArray()) + "\"><figcaption>" + text(words)
                + "</figcaption></figure>\n";
    }

    private static String curve(List<Double> psnr) {
        StringBuilder points = new StringBuilder();
        for (int i = 0; i < psnr.size(); i++) {
            points.append(String.format(Locale.ROOT, "%.1f,%.1f ", x(i, psnr.size()), y(psnr.get(i))));
        }
        StringBuilder rules = new StringBuilder();
        for (int value = 30; value < BEST; value += 10) {
            rules.append(String.format(Locale.ROOT, "<line x1=\"0\" x2=\"%d\" y1=\"%.1f\" y2=\"%.1f\" stroke=\"#c6c6c6\"/><text "
                    + "x=\"2\" y=\"%.1f\" font-size=\"10\" fill=\"#5f5f60\">%d dB</text>", CURVE_WIDTH,
                    y((double) value), y((double) value), y((double) value) - 2, value));
        }
        return "<svg viewBox=\"0 0 " + CURVE_WIDTH + " " + CURVE_HEIGHT + "\" role=\"img\" aria-label=\"PSNR of every frame\">" + rules
                + "<polyline fill=\"none\" stroke=\"#3d4294\" stroke-width=\"1.5\" points=\""
                + points + "\"/></svg>\n";
    }

    private static double x(int frame, int frames) {
        return frames < 2 ? 0 : (double) frame * CURVE_WIDTH / (frames - 1);
    }

    /** Where nothing is lost the curve is at the top. */
    private static double y(Double psnr) {
        double held = psnr == null ? BEST : Math.clamp(psnr, WORST, BEST);
        return 4 + (BEST - held) / (BEST - WORST) * (CURVE_HEIGHT - 8);
    }

    private static String text(String plain) {
        return plain.replace("&", "&amp;").replace("<", "&lt;").replace(">", "&gt;").replace("\"", "&quot;");
    }
}
