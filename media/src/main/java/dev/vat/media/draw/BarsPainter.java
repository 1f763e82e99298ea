package dev.vat.media.draw;

import dev.vat.core.reel.BarPattern;
import dev.vat.media.picture.ColourTags;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Draws colour bars in 16-bit R'G'B' of full range, where 0 is black and 65535 white, so that what a file holds comes of the file's own
 * coding alone. Bars in the layout of SMPTE RP 219-1 lack its step below black, which R'G'B' of full range can't hold: black stands
 * there.
 */
final class BarsPainter {

    private static final int FULL = 65535;
    private static final double COLOUR = .75;
    private static final double GREY = .4;
    private static final double DARK_GREY = .15;
    private static final int BARS = 7;

    /** A stretch of a row. @param width in bars @param ramp whether it rises to the colour from black */
    private record Stripe(double red, double green, double blue, double width, boolean ramp) {
        static Stripe of(double red, double green, double blue, double width) {
            return new Stripe(red, green, blue, width, false);
        }

        static Stripe grey(double level, double width) {
            return of(level, level, level, width);
        }
    }

    /** Some rows of the picture. @param part of its height, in twelfths */
    private record Row(int part, List<Stripe> stripes) {}

    private BarsPainter() {}

    static Picture paint(BarPattern pattern, int width, int height) {
        Picture picture = Picture.allocate("gbrp16le", width, height);
        int top = 0;
        int parts = 0;
        for (Row row : rows(pattern)) {
            parts += row.part;
            int bottom = (int) Math.round(height * parts / 12.);
            row(picture, row, top, bottom);
            top = bottom;
        }
        ColourTags.displayRgb(picture);
        return picture;
    }

    private static List<Row> rows(BarPattern pattern) {
        return switch (pattern) {
            case BARS_75 -> List.of(new Row(12, eight(COLOUR)));
            case BARS_100 -> List.of(new Row(12, eight(1)));
            case WIDE -> wide();
        };
    }

    /** White, yellow, cyan, green, magenta, red, blue, black. */
    private static List<Stripe> eight(double level) {
        List<Stripe> stripes = new ArrayList<>(colours(level));
        stripes.set(0, Stripe.grey(1, 1));
        stripes.add(Stripe.grey(0, 1));
        return stripes;
    }

    private static List<Stripe> colours(double level) {
        List<Stripe> stripes = new ArrayList<>();
        for (int bits : new int[] {7, 6, 3, 2, 5, 4, 1}) {
            stripes.add(Stripe.of((bits >> 2) * level, (bits >> 1 & 1) * level, (bits & 1) * level, 1));
        }
        return stripes;
    }

    /** Each side is an eighth of the width, the seven bars between are alike. */
    private static List<Row> wide() {
        double side = BARS / 6.;
        List<Stripe> first = new ArrayList<>(colours(COLOUR));
        first.addFirst(Stripe.grey(GREY, side));
        first.add(Stripe.grey(GREY, side));
        List<Stripe> second = List.of(Stripe.of(0, 1, 1, side), Stripe.grey(COLOUR, BARS), Stripe.of(0, 0, 1, side));
        List<Stripe> third = List.of(Stripe.of(1, 1, 0, side), Stripe.grey(0, 1), new Stripe(1, 1, 1, 5, true), Stripe.grey(1, 1),
                Stripe.of(1, 0, 0, side));
        List<Stripe> fourth = List.of(Stripe.grey(DARK_GREY, side), Stripe.grey(0, 1.5), Stripe.grey(1, 2), Stripe.grey(0, 5 / 6. + 2 / 3.),
                Stripe.grey(.02, 1 / 3.), Stripe.grey(0, 1 / 3.),
                Stripe.grey(.04, 1 / 3.), Stripe.grey(0, 1), Stripe.grey(DARK_GREY, side));
        return List.of(new Row(7, first), new Row(1, second), new Row(1, third), new Row(3, fourth));
    }

    private static void row(Picture picture, Row row, int top, int bottom) {
        int width = picture.width();
        double all = row.stripes.stream().mapToDouble(Stripe::width).sum();
        short[][] line = new short[3][width];
        double at = 0;
        int left = 0;
        for (Stripe stripe : row.stripes) {
            at += stripe.width;
            // Edges fall between pairs of pixels, so that chroma that two of them share belongs to one bar.
            int right = stripe == row.stripes.getLast() ? width : Math.min(width, 2 * (int) Math.round(width * at / all / 2));
            for (int x = left; x < right; x++) {
                double share = stripe.ramp ? (x - left + .5) / (right - left) : 1;
                line[0][x] = (short) Math.round(stripe.green * share * FULL);
                line[1][x] = (short) Math.round(stripe.blue * share * FULL);
                line[2][x] = (short) Math.round(stripe.red * share * FULL);
            }
            left = right;
        }
        for (int p = 0; p < line.length; p++) {
            MemorySegment samples = MemorySegment.ofArray(Arrays.copyOf(line[p], width));
            for (int y = top; y < bottom; y++) {
                MemorySegment.copy(samples, ValueLayout.JAVA_SHORT, 0, picture.plane(p), ValueLayout.JAVA_SHORT,
                        (long) y * picture.stride(p), width);
            }
        }
    }
}
