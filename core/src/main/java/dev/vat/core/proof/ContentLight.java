package dev.vat.core.proof;

import dev.vat.core.words.Words;
import java.util.List;
import java.util.Objects;
import java.util.Optional;

/**
 * The light levels of a whole file in PQ, which screens for HDR10 ask for (CTA-861.3, annex P; ITU-T H.265, D.3.35; RFC 9559).
 *
 * @param most brightest pixel of all frames (MaxCLL), in whole cd/m2, from 1 to 10000
 * @param average of the frame that is brightest on average (MaxFALL), likewise
 */
public record ContentLight(int most, int average) {

    /** Of all frames; empty if any of them wasn't measured. @param frames null for one that wasn't */
    public static Optional<ContentLight> of(List<FrameLight> frames) {
        if (frames.isEmpty() || frames.stream().anyMatch(Objects::isNull)) {
            return Optional.empty();
        }
        return Optional.of(new ContentLight(whole(frames.stream().mapToDouble(FrameLight::most).max().orElseThrow()),
                whole(frames.stream().mapToDouble(FrameLight::average).max().orElseThrow())));
    }

    /** Zero would say that nobody knows. */
    private static int whole(double light) {
        return Math.max(1, (int) Math.round(light));
    }

    @Override
    public String toString() {
        return Words.of(ContentLight.class).say("levels", most, average);
    }
}
