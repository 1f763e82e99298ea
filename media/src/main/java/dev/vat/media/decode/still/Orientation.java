package dev.vat.media.decode.still;

import dev.vat.core.picture.PictureFormat;
import dev.vat.core.picture.PixelAspect;
import dev.vat.core.picture.Size;
import dev.vat.core.words.Words;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * How a stored picture is to be turned to stand upright, by the numbers of Exif (CIPA DC-008) and TIFF 6.0: 1 is as stored. Turning by a
 * quarter swaps width and height, of pixels too.
 */
public enum Orientation {
    UPRIGHT("", ""), MIRRORED("hflip", Words.of(Orientation.class).say("mirroredLeftToRight")),
    HALF("transpose=clock,transpose=clock", Words.of(Orientation.class).say("turnedByHalf")),
    FLIPPED("transpose=cclock_flip,transpose=cclock",
            Words.of(Orientation.class).say("mirroredTopToBottom")),
    TRANSPOSED("transpose=cclock_flip", Words.of(Orientation.class).say("mirroredAndTurnedLeft")), RIGHT("transpose=clock",
            Words.of(Orientation.class).say("turnedRight")),
    TRANSVERSED("transpose=clock_flip", Words.of(Orientation.class).say("mirroredAndTurnedRight")),
    LEFT("transpose=cclock", Words.of(Orientation.class).say("turnedLeft"));

    private static final Orientation[] ALL = values();
    private static final int TAG = 274;
    /** Of DPX, by SMPTE ST 268-1: the direction of lines and of their order, from 0. */
    private static final int[] DPX = {1, 2, 4, 3, 5, 6, 8, 7};

    /** Where a point goes, x to the right and y downwards: {@code x' = a x + b y, y' = c x + d y}, in the order of the values. */
    private static final int[][] MATRICES = {{1, 0, 0, 1}, {-1, 0, 0, 1}, {-1, 0, 0, -1}, {1, 0, 0, -1}, {0, 1, 1, 0}, {0, -1, 1, 0},
        {0, -1, -1, 0}, {0, 1, -1, 0}};

    private final String chain;
    private final String words;

    Orientation(String chain, String words) {
        this.chain = chain;
        this.words = words;
    }

    /** By its number from 1 to 8; whatever else stands in a file is taken as 1. */
    static Orientation of(long number) {
        return number >= 1 && number <= ALL.length ? ALL[(int) number - 1] : UPRIGHT;
    }

    /** By the number of DPX from 0 to 7. */
    static Orientation ofDpx(int number) {
        return number >= 0 && number < DPX.length ? of(DPX[number]) : UPRIGHT;
    }

    /**
     * By the upper left of a movie track's matrix: x becomes {@code a x + c y}, y becomes {@code b x + d y}. Anything that is no turn by
     * quarters is taken as upright.
     */
    public static Orientation ofMatrix(int a, int b, int c, int d) {
        if (b == 0 && c == 0) {
            return a >= 0 ? d >= 0 ? UPRIGHT : FLIPPED : d >= 0 ? MIRRORED : HALF;
        }
        if (a != 0 || d != 0) {
            return UPRIGHT;
        }
        return b > 0 ? c > 0 ? TRANSPOSED : RIGHT : c > 0 ? LEFT : TRANSVERSED;
    }

    /**
     * By what Exif says, which is laid out as a TIFF file.
     *
     * @param data perhaps with the mark of Exif before it
     */
    static Orientation ofExif(byte[] data, int from, int length) {
        int at = from
                + (length >= 6 && data[from] == 'E' && data[from + 1] == 'x' && data[from + 2] == 'i' && data[from + 3] == 'f' ? 6 : 0);
        int left = length - (at - from);
        if (left < 14 || data[at] != data[at + 1] || data[at] != 'I' && data[at] != 'M') {
            return UPRIGHT;
        }
        ByteBuffer buffer = ByteBuffer.wrap(data, at, left).slice().order(data[at] == 'I' ? ByteOrder.LITTLE_ENDIAN : ByteOrder.BIG_ENDIAN);
        TiffEntry entry = new TiffEntry(buffer, false);
        int directory = buffer.getInt(4);
        if (directory < 8 || directory + 2 > left) {
            return UPRIGHT;
        }
        for (int i = 0; i < entry.count(directory); i++) {
            int place = directory + 2 + 12 * i;
            if (place + 12 > left) {
                return UPRIGHT;
            }
            if ((buffer.getShort(place) & 0xffff) == TAG) {
                long[] values = entry.values(place);
                return values == null || values.length == 0 ? UPRIGHT : of(values[0]);
            }
        }
        return UPRIGHT;
    }

    /** This one and then another. */
    Orientation then(Orientation next) {
        int[] own = MATRICES[ordinal()];
        int[] other = MATRICES[next.ordinal()];
        int[] both = {other[0] * own[0] + other[1] * own[2], other[0] * own[1] + other[1] * own[3], other[2] * own[0] + other[3] * own[2],
            other[2] * own[1] + other[3] * own[3]};
        for (int i = 0; i < MATRICES.length; i++) {
            if (Arrays.equals(MATRICES[i], both)) {
                return ALL[i];
            }
        }
        throw new IllegalStateException(this + " and " + next);
    }

    /** The filter chain that turns a stored picture, empty where there is nothing to turn. */
    public String chain() {
        return chain;
    }

    /** {@code turned right}; empty for upright. */
    public String words() {
        return words;
    }

    /** What is said of a picture that was turned: {@code turned right, as the file says}. */
    public String said() {
        return Words.of(Orientation.class).say("asTheFileSays", words);
    }

    /** What a stored picture is once it stands upright. */
    public PictureFormat turned(PictureFormat stored) {
        if (ordinal() < TRANSPOSED.ordinal()) {
            return stored;
        }
        PixelAspect aspect = stored.pixelAspect();
        return stored.withSize(Size.of(stored.size().height(), stored.size().width()))
                .withPixelAspect(PixelAspect.of(aspect.ratio().denominator(), aspect.ratio().numerator()));
    }
}
