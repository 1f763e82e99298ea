package dev.vat.desktop.band;

import dev.vat.core.trial.PairLikeness;
import java.util.List;
import java.util.Map;

/**
 * A strip with how like each of its frames is to another.
 *
 * @param likeness by place, as far as it was measured
 * @param measured how many, so that one more makes another strip
 */
public record ComparedStrip(FrameTrack inner, Map<Long, PairLikeness> likeness, int measured) implements Wrapped {

    /** From here to there a lane goes from empty to full. */
    private static final double WORST_PSNR = 20;
    private static final double BEST_PSNR = 60;

    @Override
    public List<Lane> lanes() {
        return List.of(Lane.LOSS, Lane.MOST, Lane.FLICKER);
    }

    @Override
    public double lane(Lane lane, long place) {
        PairLikeness here = likeness.get(place);
        if (here == null) {
            return -1;
        }
        return switch (lane) {
            case LOSS -> here.psnr() == null ? 0 : Math.clamp((BEST_PSNR - here.psnr()) / (BEST_PSNR - WORST_PSNR), .02, 1);
            case MOST -> here.most() == 0 ? 0 : Math.clamp(Math.sqrt(here.mostInEightBits() / 255), .04, 1);
            case FLICKER -> likeness.containsKey(place - 1) ? Math.clamp(here.flicker(likeness.get(place - 1)) / 4, 0, 1) : 0;
            default -> -1;
        };
    }
}
