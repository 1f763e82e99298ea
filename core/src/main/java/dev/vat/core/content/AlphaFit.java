package dev.vat.core.content;

import dev.vat.core.picture.AlphaKind;
import dev.vat.core.picture.FrameLook;
import dev.vat.core.source.FrameTable;
import dev.vat.core.words.Words;
import java.util.Optional;

/**
 * Which kind of alpha the pictures themselves speak for, where edges are soft: a wrong reading shows as a dark or a bright
 * fringe. Only whole-number samples are judged: light that glows without covering is brighter than its alpha by right.
 *
 * @param fits straight or premultiplied
 * @param soft what was counted in all frames
 */
public record AlphaFit(AlphaKind fits, FrameLook.Soft soft) {

    private static final Words WORDS = Words.of(AlphaFit.class);

    /** Fewer half-transparent pixels than this prove nothing. */
    private static final long ENOUGH = 400;
    /** Of a hundred soft pixels, those that dithering and rounding may lift over their alpha. */
    private static final double BY_ROUNDING = .002;
    private static final double SURELY = .02;

    /** Empty where the pictures don't tell. */
    static Optional<AlphaFit> of(FrameTable table) {
        FrameLook.Soft sum = new FrameLook.Soft(0, 0, 0);
        for (int i = 0; i < table.sequence().count(); i++) {
            FrameLook.Soft soft = table.lookAt(i).map(FrameLook::soft).orElse(null);
            sum = soft == null ? sum : sum.plus(soft);
        }
        boolean floating = table.format().map(f -> f.depth().floating()).orElse(false);
        long telling = sum.pixels() - sum.dark();
        if (floating || telling < ENOUGH) {
            return Optional.empty();
        }
        double brighter = (double) sum.brighter() / telling;
        return brighter > SURELY ? Optional.of(new AlphaFit(AlphaKind.STRAIGHT, sum))
                : brighter < BY_ROUNDING ? Optional.of(new AlphaFit(AlphaKind.PREMULTIPLIED, sum)) : Optional.empty();
    }

    /** What was counted, in words. */
    public String evidence() {
        return WORDS.say("ofHalfTransparentPixels", soft.brighter(), soft.pixels());
    }
}
