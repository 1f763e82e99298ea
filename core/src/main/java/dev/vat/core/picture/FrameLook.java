package dev.vat.core.picture;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.words.Words;
import java.util.Arrays;
import java.util.Objects;

/**
 * What a decoded picture looks like, in a few hundred bytes: enough to tell a frame from its neighbours without decoding it again.
 * Brightness is display-coded luma (2R + 5G + B) / 8 from 0 to 1; of linear light, which is held to 0 to 1, its square root.
 *
 * @param pixels CRC32C over all samples: equal for equal pictures
 * @param opaque whether nothing can be seen through, with or without an alpha channel
 * @param flat whether every sampled pixel has one and the same colour
 * @param eightBit whether samples of 16 bits carry 8-bit values (each its high byte twice)
 * @param brightness mean over the picture
 * @param sharpness mean step from pixel to pixel, in 8-bit codes
 * @param noise spread of single pixels around their neighbours where the picture is smooth, in 8-bit codes
 * @param odd what isn't a colour: counts of samples
 * @param soft how colour and alpha go together where the picture is half transparent; null if it nowhere is
 * @param print means, stripes and edges in one array, read by {@link #grid}, {@link #stripe} and {@link #edge}
 */
@JsonInclude(JsonInclude.Include.NON_NULL)
public record FrameLook(int pixels, boolean opaque, boolean flat, boolean eightBit, float brightness, float sharpness,
        float noise, Odd odd, Soft soft, byte[] print) {

    private static final Words WORDS = Words.of(FrameLook.class);

    public static final int COLUMNS = 16;
    public static final int ROWS = 9;
    /** The picture in level stripes from the top; each has a 16-bit fingerprint of its samples. */
    public static final int STRIPES = 16;
    /** Strips along the edges: twelve along the top, twelve along the bottom, eight at the left, eight at the right. */
    public static final int TOP = 12;
    public static final int SIDE = 8;
    public static final int EDGES = 2 * TOP + 2 * SIDE;

    private static final int STRIPES_AT = COLUMNS * ROWS;
    private static final int EDGES_AT = STRIPES_AT + 2 * STRIPES;
    public static final int PRINT_BYTES = EDGES_AT + EDGES;

    /** Counts of samples in floating-point pictures that no screen can show; null in {@link FrameLook} if there are none. */
    public record Odd(long notANumber, long infinite, long negative) {
        public Odd plus(Odd other) {
            return new Odd(notANumber + other.notANumber, infinite + other.infinite, negative + other.negative);
        }

        @JsonIgnore
        public boolean isEmpty() {
            return notANumber == 0 && infinite == 0 && negative == 0;
        }
    }

    /**
     * Pixels that are neither clear nor opaque, in the rows that were sampled. Colour multiplied by alpha is never brighter
     * than alpha; colour that isn't often is.
     *
     * @param pixels how many
     * @param brighter how many of them have a colour brighter than their alpha
     * @param dark how many have hardly any colour, and say nothing
     */
    public record Soft(long pixels, long brighter, long dark) {
        public Soft plus(Soft other) {
            return new Soft(pixels + other.pixels, brighter + other.brighter, dark + other.dark);
        }
    }

    public FrameLook {
        if (print.length != PRINT_BYTES) {
            throw new IllegalArgumentException(WORDS.say("aPrintHasBytesNot", PRINT_BYTES, print.length));
        }
    }

    /** Mean luma of a cell from 0 to 255; column 0 is left, row 0 on top. */
    public int grid(int column, int row) {
        return print[row * COLUMNS + column] & 0xff;
    }

    /** Fingerprint of a stripe from the top: equal for equal samples. */
    public int stripe(int index) {
        int at = STRIPES_AT + 2 * index;
        return (print[at] & 0xff) << 8 | print[at + 1] & 0xff;
    }

    /** Mean luma of an edge strip from 0 to 255, in the order top, bottom, left, right; where there is alpha, mean alpha. */
    public int edge(int index) {
        return print[EDGES_AT + index] & 0xff;
    }

    /** Mean difference of the cells of two pictures, in 8-bit codes. */
    public double distance(FrameLook other) {
        int sum = 0;
        for (int i = 0; i < STRIPES_AT; i++) {
            sum += Math.abs((print[i] & 0xff) - (other.print[i] & 0xff));
        }
        return (double) sum / STRIPES_AT;
    }

    /** Puts a print together from its three pieces. */
    public static byte[] print(byte[] grid, byte[] stripes, byte[] edges) {
        byte[] print = Arrays.copyOf(grid, PRINT_BYTES);
        System.arraycopy(stripes, 0, print, STRIPES_AT, 2 * STRIPES);
        System.arraycopy(edges, 0, print, EDGES_AT, EDGES);
        return print;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof FrameLook o && pixels == o.pixels && opaque == o.opaque && flat == o.flat
                && eightBit == o.eightBit && brightness == o.brightness && sharpness == o.sharpness && noise == o.noise
                && Objects.equals(odd, o.odd) && Objects.equals(soft, o.soft) && Arrays.equals(print, o.print);
    }

    @Override
    public int hashCode() {
        return pixels;
    }
}
