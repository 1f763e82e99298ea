package dev.vat.core.trial;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonInclude.Include;
import com.fasterxml.jackson.annotation.JsonInclude;
import dev.vat.core.words.Words;

/**
 * How like two pictures are, over R, G and B in 16 bits.
 *
 * @param psnr in dB, or null if not a bit differs
 * @param ssim from 0 to 1
 * @param most the strongest difference of a sample, alpha included, in codes of 16 bits
 * @param cells mean difference in green of the cells of a grid, in codes of 16 bits
 * @param whiter share of the samples of R, G and B that are at the highest code in the second picture and not in the first, from 0 to 1
 */
@JsonInclude(Include.NON_NULL)
public record PairLikeness(Double psnr, double ssim, int most, float[] cells, double whiter) {

    private static final Words WORDS = Words.of(PairLikeness.class);

    public static final int COLUMNS = 16;
    public static final int ROWS = 9;

    /** How much the difference itself changed from the pair before: what flickers in one and not in the other. In codes of 8 bits. */
    public double flicker(PairLikeness before) {
        double sum = 0;
        for (int i = 0; i < cells.length; i++) {
            sum += Math.abs(cells[i] - before.cells[i]);
        }
        return sum / cells.length / 257;
    }

    /** The strongest difference in codes of 8 bits. */
    public double mostInEightBits() {
        return most / 257.0;
    }

    @JsonIgnore
    public boolean isSame() {
        return psnr == null && most == 0;
    }

    /** {@code 43.11 dB, SSIM 0.9896, at most 32.0 of 255}. */
    public String words() {
        return isSame() ? WORDS.say("notABitDiffers") : (psnr == null ? "" : WORDS.say("psnr", Words.decimal(psnr, 2)))
                + WORDS.say("ssimAtMostOf255", Words.decimal(ssim, 4), Words.decimal(mostInEightBits(), 1));
    }
}
