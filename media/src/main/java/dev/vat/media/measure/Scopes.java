package dev.vat.media.measure;

import static org.bytedeco.ffmpeg.global.avutil.AVCOL_RANGE_JPEG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_BT470BG;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_SMPTE170M;
import static org.bytedeco.ffmpeg.global.avutil.AVCOL_SPC_UNSPECIFIED;

import dev.vat.core.words.Words;
import dev.vat.media.filter.Filtering;
import dev.vat.media.picture.Picture;
import java.lang.foreign.MemorySegment;
import java.lang.foreign.ValueLayout;
import java.nio.ByteOrder;

/**
 * What a picture's samples are, counted: in ten bits of limited range, as broadcasters read them, where black is 64 and white 940. Of a
 * file's picture that is what its encoder takes. Belongs to one thread.
 */
public final class Scopes implements AutoCloseable {

    private static final Words WORDS = Words.of(Scopes.class);

    /** Codes of ten bits. */
    static final int CODES = 1024;
    static final int BLACK = 64;
    static final int WHITE = 940;
    /**
     * What R, G, B and Y may reach, and which share of the picture may lie outside: Recommendation EBU R 103, its preferred range of 5 to
     * 246 in eight bits and its tolerance of one percent. Written down without the text at hand; to be verified.
     */
    static final int LOWEST = 20;
    static final int HIGHEST = 984;
    static final double TOLERATED = .01;

    private static final ValueLayout.OfShort WORD = ValueLayout.JAVA_SHORT_UNALIGNED.withOrder(ByteOrder.LITTLE_ENDIAN);
    private static final int CHROMA_MIDDLE = 512;

    private final Filtering toTen = new Filtering(Scopes::chain);
    private Picture picture;
    private double red;
    private double blue;

    private static String chain(Picture picture) {
        String flat = picture.hasAlpha() ? "setparams=alpha_mode=straight,format=" + opaque(picture) + "," : "";
        String in = picture.isRgb() ? "setparams=range=pc:colorspace=gbr,zscale=matrixin=gbr:rangein=full:matrix=709:range=limited"
                : "zscale=matrixin=" + matrix(picture) + ":matrix=" + matrix(picture) + ":rangein="
                        + (picture.frame().color_range() == AVCOL_RANGE_JPEG ? "full" : "limited") + ":range=limited:filter=point";
        return flat + in + ",format=yuv444p10le";
    }

    /** What a file says, or what is usual for its size where it says nothing. */
    private static String matrix(Picture picture) {
        int said = picture.frame().colorspace();
        return said == AVCOL_SPC_UNSPECIFIED ? isStandard(picture) ? "170m" : "709" : Integer.toString(said);
    }

    private static boolean isStandard(Picture picture) {
        return switch (picture.frame().colorspace()) {
            case AVCOL_SPC_BT470BG, AVCOL_SPC_SMPTE170M -> true;
            case AVCOL_SPC_UNSPECIFIED -> picture.height() <= 576;
            default -> false;
        };
    }

    private static String opaque(Picture picture) {
        return picture.isRgb() ? "gbrp" + (picture.bits() > 8 ? picture.bits() + "le" : "") : picture.formatName().replace("yuva", "yuv");
    }

    /** The picture that is counted from now on. */
    public Scopes look(Picture other) {
        if (picture != null) {
            picture.close();
        }
        boolean standard = !other.isRgb() && isStandard(other);
        red = standard ? .299 : .2126;
        blue = standard ? .114 : .0722;
        picture = toTen.apply(other);
        return this;
    }

    /** Told of every pixel, or of an even share of them in large pictures. */
    private interface Pixel {
        void of(int x, int y, int cb, int cr);
    }

    private void each(Pixel told) {
        int step = (long) picture.width() * picture.height() > 1_200_000 ? 2 : 1;
        MemorySegment luma = picture.plane(0);
        MemorySegment cb = picture.plane(1);
        MemorySegment cr = picture.plane(2);
        for (int row = 0; row < picture.height(); row += step) {
            for (int x = 0; x < picture.width(); x += step) {
                told.of(x, luma.get(WORD, (long) row * picture.stride(0) + 2L * x), cb.get(WORD, (long) row * picture.stride(1) + 2L * x),
                        cr.get(WORD, (long) row * picture.stride(2) + 2L * x));
            }
        }
    }

    /** Luma by its place from left to right: {@code [column][code]}. */
    public int[][] waveform(int columns) {
        int[][] counts = new int[columns][CODES];
        each((x, y, _, _) -> counts[x * columns / picture.width()][y]++);
        return counts;
    }

    /** R, G and B beside each other, each by its place from left to right: {@code [3 * columns][code]}. */
    public int[][] parade(int columns) {
        int[][] counts = new int[3 * columns][CODES];
        int[] rgb = new int[3];
        each((x, y, cb, cr) -> {
            rgb(y, cb, cr, rgb);
            for (int i = 0; i < 3; i++) {
                counts[i * columns + x * columns / picture.width()][rgb[i]]++;
            }
        });
        return counts;
    }

    /** Cb from left to right, Cr upwards: {@code [cb][cr]}, in codes of eight bits. */
    public int[][] vectors() {
        int[][] counts = new int[CODES / 4][CODES / 4];
        each((_, _, cb, cr) -> counts[cb / 4][cr / 4]++);
        return counts;
    }

    /** How often each code is there, of Y, R, G and B: {@code [4][code]}. */
    public int[][] histogram() {
        int[][] counts = new int[4][CODES];
        int[] rgb = new int[3];
        each((_, y, cb, cr) -> {
            rgb(y, cb, cr, rgb);
            counts[0][y]++;
            for (int i = 0; i < 3; i++) {
                counts[i + 1][rgb[i]]++;
            }
        });
        return counts;
    }

    /** In limited range, held to what ten bits hold. */
    private void rgb(int y, int cb, int cr, int[] out) {
        double scale = (double) (WHITE - BLACK) / (960 - BLACK) * 2;
        double b = (cb - CHROMA_MIDDLE) * scale * (1 - blue);
        double r = (cr - CHROMA_MIDDLE) * scale * (1 - red);
        double green = 1 - red - blue;
        out[0] = code(y + r);
        out[1] = code(y - (red * r + blue * b) / green);
        out[2] = code(y + b);
    }

    private static int code(double value) {
        return Math.clamp(Math.round(value), 0, CODES - 1);
    }

    /** Extremes, and the share of the picture that lies outside of what broadcasters take, in words. */
    public String levels() {
        int[] extremes = {CODES, -1, CODES, -1};
        long[] outside = {0, 0};
        int[] rgb = new int[3];
        each((_, y, cb, cr) -> {
            rgb(y, cb, cr, rgb);
            extremes[0] = Math.min(extremes[0], y);
            extremes[1] = Math.max(extremes[1], y);
            int low = Math.min(rgb[0], Math.min(rgb[1], rgb[2]));
            int high = Math.max(rgb[0], Math.max(rgb[1], rgb[2]));
            extremes[2] = Math.min(extremes[2], low);
            extremes[3] = Math.max(extremes[3], high);
            outside[0] += Math.min(low, y) < LOWEST || Math.max(high, y) > HIGHEST ? 1 : 0;
            outside[1]++;
        });
        double share = (double) outside[0] / outside[1];
        return WORDS.say("yToRGBToOutsideTo", extremes[0], extremes[1], extremes[2], extremes[3], Words.decimal(100 * share, 2), LOWEST,
                HIGHEST, share > TOLERATED ? WORDS.say("moreThan1") : "");
    }

    @Override
    public void close() {
        if (picture != null) {
            picture.close();
        }
        toTen.close();
    }
}
