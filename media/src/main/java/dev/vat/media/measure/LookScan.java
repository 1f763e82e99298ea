package dev.vat.media.measure;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FrameLook;
import dev.vat.media.picture.FloatSamples;
import dev.vat.media.picture.Picture;
import dev.vat.media.picture.PicturePrint;
import dev.vat.media.picture.RowReader;

/**
 * Measures what a decoded picture looks like. Fingerprints and what isn't a colour are taken from every sample; brightness,
 * sharpness, noise and depth from whole rows spread evenly over the height, which keeps this below a tenth of the decode.
 */
public final class LookScan {

    private static final int ROWS_SCANNED = 90;
    /** Second differences of single pixels are histogrammed in steps of a quarter of an 8-bit code. */
    private static final int NOISE_BINS = 256;
    private static final double NOISE_STEP = .25;
    private static final float PER_STEP = (float) (255 / NOISE_STEP);
    /** Median of the absolute second difference of white noise, over its spread: .6745 x sqrt(6). */
    private static final double NOISE_SCALE = .6745 * Math.sqrt(6);
    /** How many pixels at the edge form a strip. */
    private static final int EDGE = 2;
    private static final float SOFT_FROM = 8 / 255f;
    private static final float ROUNDING = 1.5f / 255;
    private static final float HARDLY = .25f;

    private final Picture picture;
    private final AlphaKind alphaKind;
    private final RowReader rows;
    private final int width;
    private final int height;
    private final double[] gridSum = new double[FrameLook.COLUMNS * FrameLook.ROWS];
    private final long[] gridCount = new long[gridSum.length];
    private final double[] edgeSum = new double[FrameLook.EDGES];
    private final long[] edgeCount = new long[FrameLook.EDGES];
    private final int[] noise = new int[NOISE_BINS];
    private double sharp;
    private long sharpCount;
    private double sum;
    private long count;
    private boolean flat = true;
    private long softPixels;
    private long softBrighter;
    private long softDark;

    private LookScan(Picture picture, AlphaKind alphaKind) {
        this.picture = picture;
        this.alphaKind = alphaKind;
        this.rows = new RowReader(picture);
        this.width = picture.width();
        this.height = picture.height();
    }

    /** @param alpha what the file says of its alpha channel */
    public static FrameLook of(Picture picture, AlphaKind alpha) {
        return new LookScan(picture, alpha).scan();
    }

    private FrameLook scan() {
        boolean opaque = AlphaScan.isOpaque(picture);
        float[] luma = new float[width];
        float[] alpha = opaque ? null : new float[width];
        float[] brightest = opaque ? null : new float[width];
        float first = Float.NaN;
        int step = Math.max(1, height / ROWS_SCANNED);
        for (int y = 0; y < height; y += step) {
            rows.luma(y, luma);
            if (alpha != null && rows.alpha(y, alpha)) {
                rows.brightest(y, luma, brightest);
                soften(brightest, alpha);
                for (int x = 0; x < width && alphaKind != AlphaKind.PREMULTIPLIED; x++) {
                    luma[x] *= alpha[x];
                }
            }
            first = Float.isNaN(first) ? luma[0] : first;
            row(y, luma, first);
            edges(y, alpha == null ? luma : alpha);
        }
        for (int y = 0; y < EDGE && height > 2 * EDGE; y++) {
            level(y, 0, luma, alpha);
            level(height - 1 - y, FrameLook.TOP, luma, alpha);
        }
        PicturePrint print = PicturePrint.of(picture);
        return new FrameLook(print.whole(), opaque, flat && rows.chromaIsFlat(), rows.isEightBit(), (float) (sum / Math.max(1, count)),
                (float) (sharp / Math.max(1, sharpCount)), noiseLevel(), FloatSamples.odd(picture),
                softPixels == 0 ? null : new FrameLook.Soft(softPixels, softBrighter, softDark),
                FrameLook.print(means(gridSum, gridCount), stripes(print), means(edgeSum, edgeCount)));
    }

    private void row(int y, float[] luma, float first) {
        int gridRow = Math.min(FrameLook.ROWS - 1, y * FrameLook.ROWS / height) * FrameLook.COLUMNS;
        for (int column = 0; column < FrameLook.COLUMNS; column++) {
            int from = width * column / FrameLook.COLUMNS;
            int to = width * (column + 1) / FrameLook.COLUMNS;
            float cell = 0;
            for (int x = from; x < to; x++) {
                cell += luma[x];
            }
            gridSum[gridRow + column] += cell;
            gridCount[gridRow + column] += to - from;
            sum += cell;
            count += to - from;
        }
        float steps = 0;
        boolean same = true;
        for (int x = 1; x < width - 1; x++) {
            float second = Math.abs(luma[x - 1] - 2 * luma[x] + luma[x + 1]);
            steps += Math.abs(luma[x + 1] - luma[x]);
            noise[Math.min(NOISE_BINS - 1, (int) (second * PER_STEP))]++;
            same &= luma[x] == first;
        }
        flat &= same;
        sharp += steps * 255;
        sharpCount += Math.max(0, width - 2);
    }

    /** Counts half-transparent pixels; a code of 8 bits more or less is rounding. */
    private void soften(float[] brightest, float[] alpha) {
        for (int x = 0; x < width; x++) {
            if (alpha[x] > SOFT_FROM && alpha[x] < 1 - SOFT_FROM) {
                softPixels++;
                softBrighter += brightest[x] > alpha[x] + ROUNDING ? 1 : 0;
                softDark += brightest[x] < alpha[x] * HARDLY ? 1 : 0;
            }
        }
    }

    private void edges(int y, float[] values) {
        if (width <= 2 * EDGE) {
            return;
        }
        int strip = Math.min(FrameLook.SIDE - 1, y * FrameLook.SIDE / height);
        for (int x = 0; x < EDGE; x++) {
            add(2 * FrameLook.TOP + strip, values[x]);
            add(2 * FrameLook.TOP + FrameLook.SIDE + strip, values[width - 1 - x]);
        }
    }

    private void level(int y, int start, float[] luma, float[] alpha) {
        boolean transparent = alpha != null && rows.alpha(y, alpha);
        if (!transparent) {
            rows.luma(y, luma);
        }
        float[] values = transparent ? alpha : luma;
        for (int x = 0; x < width; x++) {
            add(start + Math.min(FrameLook.TOP - 1, x * FrameLook.TOP / width), values[x]);
        }
    }

    private void add(int strip, float value) {
        edgeSum[strip] += value;
        edgeCount[strip]++;
    }

    private float noiseLevel() {
        long half = sharpCount / 2;
        long seen = 0;
        for (int bin = 0; bin < NOISE_BINS; bin++) {
            if (seen + noise[bin] > half) {
                double within = noise[bin] == 0 ? 0 : (double) (half - seen) / noise[bin];
                return (float) ((bin + within) * NOISE_STEP / NOISE_SCALE);
            }
            seen += noise[bin];
        }
        return 0;
    }

    private static byte[] means(double[] sums, long[] counts) {
        byte[] means = new byte[sums.length];
        for (int i = 0; i < sums.length; i++) {
            means[i] = counts[i] == 0 ? 0 : (byte) Math.clamp(Math.round(sums[i] / counts[i] * 255), 0, 255);
        }
        return means;
    }

    private static byte[] stripes(PicturePrint print) {
        byte[] stripes = new byte[2 * FrameLook.STRIPES];
        for (int stripe = 0; stripe < FrameLook.STRIPES; stripe++) {
            int mixed = mixed(print.stripes()[stripe]);
            stripes[2 * stripe] = (byte) (mixed >>> 24);
            stripes[2 * stripe + 1] = (byte) (mixed >>> 16);
        }
        return stripes;
    }

    /**
     * A checksum is linear: stripes that change alike have checksums that change alike, and cut to half its bits all of them may fail to
     * show it at once. What is cut is mixed first, by the last step of MurmurHash3.
     */
    private static int mixed(int checksum) {
        int mixed = checksum;
        mixed = (mixed ^ mixed >>> 16) * 0x85ebca6b;
        mixed = (mixed ^ mixed >>> 13) * 0xc2b2ae35;
        return mixed ^ mixed >>> 16;
    }
}
